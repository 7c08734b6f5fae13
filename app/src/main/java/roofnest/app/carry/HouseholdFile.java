package roofnest.app.carry;

import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Map;

import tools.jackson.databind.JsonNode;

import roofnest.app.records.TheftRepository;
import roofnest.core.view.CameraPose;
import roofnest.core.week.DayCurve;

/**
 * A household as one document ({@code docs/household.schema.json}). What refers to another part of it does so by the number
 * that stands there as {@code ref}; numbers mean nothing outside the document.
 *
 * @param plan null while there is none
 * @param models documents of the firm's own models that its cameras are of, by key
 * @param thingsCounted whether somebody counted what else is on the Wi-Fi
 * @param pictures by the name of their file beside the document
 */
record HouseholdFile(
        String format, int version, Particulars household, List<Person> people, JsonNode plan, List<Written> promises,
        Map<String, JsonNode> models, List<Network> networks, Router router, List<Thing> things, boolean thingsCounted, List<Hub> hubs,
        List<Camera> cameras, List<Access> access, List<Known> known, List<Screen> screens, List<Reading> readings, List<Entry> log,
        List<Proved> proofs, List<Tested> tests, List<Remark> remarks, List<Look> looks, Climate climate, Comings comings,
        List<CountedDays> counted, JsonNode alerts, HouseFootage footage, List<Call> calls,
        List<Term> terms, Life life,
        List<Picture> pictures) {
    static final String FORMAT = "roof-nest-household";
    static final int VERSION = 1;

    record Particulars(String name, String address, String phone, String stage, String notes, OffsetDateTime handedOverAt,
            String language) {}

    record Person(long ref, String name, String email, String tie, LocalDate leftOn) {}

    record Written(long ref, String kind, String level, String light, String place, String path, String area, Integer days,
            Double seconds, Integer amount, String source, Integer fromHour, Integer toHour) {
        /** One that is not of an ordinary week. */
        Written(long ref, String kind, String level, String light, String place, String path, String area, Integer days, Double seconds) {
            this(ref, kind, level, light, place, path, area, days, seconds, null, null, null, null);
        }
    }

    record Network(String name, List<String> bands, String security, boolean hidden, boolean isolated, boolean forCameras) {}

    record Router(String model, boolean pushButton, boolean makesNames, String address, String poolFrom, String poolTo, Integer leases,
            Double upMbps, Double simGb) {}

    /** Clips of real days, as somebody counted them. */
    record CountedDays(long camera, LocalDate from, int days, int clips, Integer wanted, Map<String, Integer> kinds, String mark,
            String by, OffsetDateTime at) {}

    /** What goes on about the house; events on a weekday by kind of source. */
    record Comings(String house, Map<String, Double> aWeekday, Map<String, DayCurve> curves) {}

    record Thing(String name, int howMany) {}

    record Hub(String model, String name, String serial, String stickerKept, String room, Integer cardGb) {}

    /** A call about a camera, with what was answered and tried. @param cause that it was; null while it is not known */
    record Call(long camera, String said, List<CallStep> steps, String state, String cause, String model, String season, String openedBy,
            OffsetDateTime openedAt, String closedBy, OffsetDateTime closedAt, Integer visitMinutes, List<String> visitParts,
            CallWork work) {}

    /** What a call came to. */
    record CallWork(LocalDate on, int phoneMinutes, int visits, int visitMinutes, long partsCents, int coveredVisits, String by) {}

    /** @param contract null where there is none */
    record Life(Contract contract, List<DeviceBefore> before, List<Stolen> thefts) {}

    record Contract(LocalDate from, int months, boolean renews, long cents, List<String> covers, int visits, String by) {}

    /** A device that hung in the place of a camera. */
    record DeviceBefore(long camera, String modelKey, String model, String serial, LocalDate joinedOn, LocalDate goneOn, String why,
            String by) {}

    record Stolen(LocalDate on, List<TheftRepository.Thing> things, List<TheftRepository.Footage> footage,
            List<TheftRepository.Change> changes, String by, OffsetDateTime at) {}

    /** What runs out on a day that was written down. @param camera null for the whole house */
    record Term(String kind, Long camera, LocalDate on, String what, String by) {}

    record CallStep(String question, Integer answer, String cause, String by, OffsetDateTime at) {}

    /** What the house has for all its cameras. */
    record HouseFootage(int recorderGb, boolean packsByFirm) {}

    record Camera(long ref, String name, String model, double xM, double yM, double heightM, double headingDeg, double tiltDeg,
            Double rollDeg, List<String> masked, JsonNode zones, int clipSeconds, int coolDownSeconds, int cardGb, double visitsPerDay,
            double liveMinutes,
            double openSkyShare, int chargeEveryDays, Double panelSlopeDeg, Double panelHeadingDeg, String serial, String stickerKept,
            String deviceId, String room,
            OffsetDateTime joinedAt, boolean ownPassword, OffsetDateTime mountedAt, LocalDate lastChargedOn, Wall wall, Hangs hangs,
            FootLook look, SaidWay lead, Watching watching, CameraSettings settings) {}

    /** How its sensor and its kinds are set. */
    record Watching(int sensitivity, List<String> kinds) {}

    /** What is set at it and what was found out of its sensor. */
    record CameraSettings(PictureSet picture, List<Ticked> ticked, List<SensorWalk> walks, Sensed sensed, List<NamedView> views,
            List<PackRead> packs, PackBent bent, FootageSet footage) {}

    /**
     * How it records, what it keeps its footage on, and what of it was given out.
     *
     * @param plan of the camera's maker; null for none
     */
    record FootageSet(LocalDate packSince, Double worstWeekShare, KeptSo keeping, Card card, List<GivenOut> givenOut) {}

    record KeptSo(String when, int fromHour, int toHour, boolean toRecorder, boolean stopsWhenFull, PaidPlan plan) {}

    record PaidPlan(String name, long centsAMonth, int camerasMost, int keepsDays, int clipMostS, List<String> kinds) {}

    record Card(LocalDate putIn, boolean highEndurance, double printedGb, Double wroteGb, Double sameGb, LocalDate testedOn, String by) {}

    record GivenOut(List<GivenFile> files, Double clockFastS, String forWhom, String by, OffsetDateTime at) {}

    record GivenFile(String name, long bytes, String sha256) {}

    /** Percent of a pack as somebody read it. */
    record PackRead(LocalDate on, double percent, boolean afterCharge, String mark, String by, OffsetDateTime at) {}

    /** What those readings say of it. */
    record PackBent(double drawShare, double sunShare, String mark) {}

    /** A view of a camera that turns by motor. */
    record NamedView(String name, double headingDeg, double tiltDeg, int dwellS) {}

    /** What the walks say of its sensor, while it hangs and is set by that mark. */
    record Sensed(double rangeM, double fanDeg, double wakeS, String mark) {}

    /** How its picture and sound are set. */
    record PictureSet(String light, boolean wideRange, boolean turned, boolean sound, boolean statusLight, boolean stamp,
            boolean listens, Integer widthPx) {}

    /** What somebody set at the camera itself. */
    record Ticked(String step, String value, String by, OffsetDateTime at, OffsetDateTime joinedAt) {}

    /** A walk that was made before it, and how it hung and was set then. */
    record SensorWalk(double fromXM, double fromYM, double toXM, double toYM, boolean noticed, Double seconds, double airC, boolean dark,
            String mark, String by, OffsetDateTime at) {}

    /** What the wall at a mount is, as somebody said. */
    record Wall(String base, String covering, int coveringMm, String by, OffsetDateTime at) {}

    /** The way of its lead as somebody measured it, or drew it with turns of x, y and height, and to which spot. */
    record SaidWay(String socket, double alongM, int holes, List<List<Double>> turns, double xM, double yM, double heightM, String by,
            OffsetDateTime at) {}

    /** What somebody saw at the foot of its steps or ladder, and of which spot. */
    record FootLook(boolean linesNear, boolean firm, double xM, double yM, double heightM, String by, OffsetDateTime at) {}

    record Pose(double xM, double yM, double heightM, double headingDeg, double tiltDeg, double rollDeg) {
        static Pose of(CameraPose pose) {
            return new Pose(pose.xM(), pose.yM(), pose.heightM(), pose.headingDeg(), pose.tiltDeg(), pose.rollDeg());
        }

        CameraPose pose() {
            return new CameraPose(xM, yM, heightM, headingDeg, tiltDeg, rollDeg);
        }
    }

    /** How a camera hangs, read from its still for the pose that was planned then. */
    record Hangs(Pose planned, Pose read, double placeSpreadM, double heightSpreadM, double headingSpreadDeg, double tiltSpreadDeg,
            double rollSpreadDeg, List<Tapped> taps, OffsetDateTime stillAt, OffsetDateTime at, String by) {}

    /** A point of the plan, and where it was tapped in the still. */
    record Tapped(String id, String name, double xM, double yM, double zM, double xPx, double yPx) {}

    record Access(long person, long camera, String role, LocalDate from, LocalDate until, Boolean alerts) {}

    /** What somebody knows; of the network, the camera, the hub and the account just the one that its kind says is given. */
    record Known(long person, String kind, String network, Long camera, String hub, Long account, LocalDate since, String how, String by) {}

    record Screen(String name, String room, long linkedBy, List<Long> cameras) {}

    record Reading(double xM, double yM, double zM, String band, double dbm, double sdDb, OffsetDateTime at, String by) {}

    record Entry(String kind, String words, Long camera, Long person, LocalDate on, LocalDate nextOn, String by, boolean closed) {}

    /** @param promise that was written, by its ref; null for one that every camera brings, named by {@code brought} */
    record Proved(Long promise, String brought, long camera, Boolean passed, Double measured, String light, String said, String mark,
            String poseMark, OffsetDateTime at, String by, List<Phone> phones) {}

    /** A test of a real camera as it was decided. */
    record Tested(long camera, String kind, Double seconds, String timed, String light, String said, OffsetDateTime begunAt, String begunBy,
            boolean passed, OffsetDateTime decidedAt, String decidedBy, List<Phone> phones) {}

    /**
     * What the household takes as it is. About a written promise by its ref, or about one that every camera brings, or, where all three
     * are null, about tests that were not passed.
     */
    record Remark(Long promise, Long camera, String brought, String stands, String words, String agreedBy, OffsetDateTime at, String by) {}

    record Look(long person, long camera, boolean refused, String said, OffsetDateTime at, String by) {}

    /** Whether somebody's phone did what was promised when it was tried. */
    record Phone(long person, boolean did) {}

    /** @param chosen name of a class; null for the one that the place has; the lists are null unless the house has figures of its own */
    record Climate(String chosen, Double longitudeDeg, double altitudeM, List<Double> meanC, List<Double> swingC, List<Double> clearness) {}

    record Picture(String file, String shelf, Map<String, String> about) {}
}
