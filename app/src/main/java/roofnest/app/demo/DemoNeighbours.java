package roofnest.app.demo;

import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;

import org.springframework.stereotype.Component;

import roofnest.core.judge.TestsWanted;
import roofnest.core.power.Climate;
import roofnest.core.trial.Protocol;
import roofnest.app.records.LogRepository;
import roofnest.app.firm.Staff;
import roofnest.app.household.Frames;
import roofnest.app.pair.RunHands;
import roofnest.app.pair.Runs;
import roofnest.app.prove.FirmEnds;
import roofnest.app.prove.HandOver;
import roofnest.app.prove.Signing;
import roofnest.app.prove.TrialRepository;
import roofnest.app.prove.Trials;
import roofnest.app.records.RouterRepository;
import roofnest.app.web.Form;
import roofnest.app.records.CountedWeekRepository;
import roofnest.app.records.PackBends;
import roofnest.app.records.PackReadingRepository;
import roofnest.app.records.HouseholdRef;
import roofnest.app.secrets.SecretStore;
import roofnest.core.access.Access;
import roofnest.core.catalogue.Band;
import roofnest.core.catalogue.PairingMethod;
import roofnest.core.catalogue.WifiSecurity;
import roofnest.core.judge.Camera;
import roofnest.core.promise.DetailLevel;
import roofnest.core.promise.Light;
import roofnest.core.promise.Promise;
import roofnest.core.power.PackFit;
import roofnest.core.promise.Stage;
import roofnest.core.view.CameraPose;

/** The other households of Oldmere, each at another stage and with another trouble. */
@Component
class DemoNeighbours {
    private static final Set<Band> LOW = Set.of(Band.GHZ_2_4);
    private static final Set<Band> BOTH = Set.of(Band.GHZ_2_4, Band.GHZ_5);

    private final DemoTools tools;
    private final Runs runs;
    private final RunHands hands;
    private final Trials trials;
    private final Signing signing;
    private final Frames frames;
    private final HandOver handOver;
    private final LogRepository log;
    private final SecretStore secrets;
    private final CountedWeekRepository counts;
    private final PackReadingRepository packs;
    private final PackBends bends;

    DemoNeighbours(DemoTools tools, Runs runs, RunHands hands, Trials trials, Signing signing, Frames frames, HandOver handOver,
            LogRepository log, SecretStore secrets, CountedWeekRepository counts, PackReadingRepository packs, PackBends bends) {
        this.packs = packs;
        this.bends = bends;
        this.tools = tools;
        this.runs = runs;
        this.hands = hands;
        this.trials = trials;
        this.signing = signing;
        this.frames = frames;
        this.handOver = handOver;
        this.log = log;
        this.secrets = secrets;
        this.counts = counts;
    }

    void make(Staff staff, LocalDate today) {
        justAsked(staff, today);
        halfPaired(staff, today);
        alertsAllDay(staff, today);
        routerReplaced(staff, today);
        flatBattery(staff, today);
        handedOver(staff, today);
    }

    void makeOther(long firmId, Staff staff, LocalDate today) {
        HouseholdRef ref = tools.household(staff, "Thorne", "3 Kelp Yard", today.plusDays(4), "survey");
        tools.plan(ref, "terrace");
        frontDoor(ref);
        tools.camera(ref, Stage.SURVEY, "Door eye", "cairnlow-eave", new CameraPose(2.6, -0.4, 2.5, 235, 16), Camera.Settings.DEFAULT);
        tools.person(ref, "Sefa Thorne", "sefa@thorne.example", Access.Tie.LIVES_HERE, null);
    }

    private void justAsked(Staff staff, LocalDate today) {
        HouseholdRef ref = tools.household(staff, "Tansley", "4 Ropewalk", today.plusDays(1), "talk about the side gate");
        tools.notes(ref, "Wants to know who leaves parcels at the wrong door. Brick terrace, SIM router, no sockets outside.");
        tools.person(ref, "Maud Tansley", "maud@tansley.example", Access.Tie.LIVES_HERE, null);
        tools.changes.run(ref, Stage.BRIEF, () -> tools.promises.alertWithin(ref.id(), 10));
    }

    private void halfPaired(Staff staff, LocalDate today) {
        HouseholdRef ref = tools.household(staff, "Brannock", "17 Chandler Row", today, "second camera still to join");
        tools.plan(ref, "terrace");
        frontDoor(ref);
        tools.network(ref, Stage.READY, "chandlerrow", "seventeen-lamps", LOW, WifiSecurity.WPA2);
        long front = tools.camera(ref, Stage.READY, "Front eye", "dunmark-post", new CameraPose(2.4, -0.35, 2.4, 226, 16),
                Camera.Settings.DEFAULT);
        long back = tools.camera(ref, Stage.READY, "Garden eye", "dunmark-post", new CameraPose(2.8, 9.35, 2.5, 20, 14),
                Camera.Settings.DEFAULT);
        join(ref, front, "PO-48812-K", "Front eye");
        long run = runs.start(ref, back, PairingMethod.Way.HOTSPOT, true);
        hands.handsOn(ref, run);
        hands.skipAhead(ref, run);
        hands.answer(ref, run, "power", "ready");
    }

    private void alertsAllDay(Staff staff, LocalDate today) {
        HouseholdRef ref = tools.household(staff, "Osgood", "2 Saltgate", today.minusDays(1), "alerts all day from the road");
        tools.plan(ref, "bungalow");
        frontDoor(ref);
        tools.network(ref, Stage.READY, "saltgate", "two-herons-wait", LOW, WifiSecurity.WPA2);
        tools.router(ref,
                new RouterRepository.Router("Hedgeway", false, false,
                        Optional.of(new RouterRepository.Addresses("192.168.8.1/24", "192.168.8.100", "192.168.8.200", 6)),
                        Optional.of(4.5), Optional.of(20.0), 0));
        long camera = tools.camera(ref, Stage.READY, "Road eye", "dunmark-post", new CameraPose(3.2, -0.35, 2.4, 215, 10),
                new Camera.Settings(30, 5, 16, 420, 12, 0.4, 60));
        tools.changes.run(ref, Stage.BRIEF, () -> tools.promises.keepsDays(ref.id(), 14));
        join(ref, camera, "PO-31077-C", "Road eye");
        tools.changes.run(ref, Stage.TUNE, () -> tools.cameras.markMounted(ref.id(), camera));
        tools.changes.run(ref, Stage.TUNE,
                () -> counts.keep(ref.id(), camera, today.minusDays(9), 7, 1754, OptionalInt.of(92),
                        tools.cameras.get(ref.id(), camera).camera().watchMark(), "Odile Marsh"));
        log.add(ref.id(), camera, LogRepository.Kind.CALL, "Phone rings all day; every van on the road sets it off.", today.minusDays(3),
                "Odile Marsh");
    }

    private void routerReplaced(Staff staff, LocalDate today) {
        HouseholdRef ref = tools.household(staff, "Verrall", "Mill Cottage", today.plusDays(1), "new router, nothing joins");
        tools.plan(ref, "cottage");
        frontDoor(ref);
        tools.network(ref, Stage.READY, "BRILL-2241", "mC9x!-orchard", BOTH, WifiSecurity.WPA3);
        tools.camera(ref, Stage.READY, "Porch eye", "dunmark-post", new CameraPose(2.5, -0.35, 2.4, 235, 15), Camera.Settings.DEFAULT);
        tools.camera(ref, Stage.READY, "Parlour sill", "oskarra-sill", new CameraPose(6.9, 0.6, 1.4, 330, 8),
                new Camera.Settings(20, 20, 32, 12, 2, 0, 0));
        tools.person(ref, "Anselm Verrall", "anselm@verrall.example", Access.Tie.LIVES_HERE, null);
    }

    private void flatBattery(Staff staff, LocalDate today) {
        HouseholdRef ref = tools.household(staff, "Lanyon", "6 Hill Close", today.minusDays(2), "flat battery in the loft window");
        tools.plan(ref, "cottage");
        frontDoor(ref);
        tools.network(ref, Stage.READY, "hillclose", "slate-and-thrift", LOW, WifiSecurity.WPA2);
        long camera = tools.camera(ref, Stage.READY, "Lane eye", "dunmark-post", new CameraPose(3.4, -0.4, 3.2, 222, 22),
                new Camera.Settings(25, 10, 64, 150, 10, 0.1, 90));
        join(ref, camera, "PO-27715-D", "Lane eye");
        LocalDate charged = today.minusDays(112);
        tools.changes.run(ref, Stage.CARE, () -> {
            tools.cameras.markMounted(ref.id(), camera);
            tools.cameras.charged(ref.id(), camera, charged);
            String mark = tools.cameras.get(ref.id(), camera).camera().packMark();
            packs.keep(ref.id(), camera, new PackFit.Reading(charged, 100, true), mark, "Jory Penhale");
            packs.keep(ref.id(), camera, new PackFit.Reading(charged.plusDays(12), 51, false), mark, "Odile Marsh");
            packs.keep(ref.id(), camera, new PackFit.Reading(charged.plusDays(25), 6, false), mark, "Odile Marsh");
            bends.bend(ref.id(), camera);
        });
        log.add(ref.id(), camera, LogRepository.Kind.CHARGE, "Charged at the hand-over.", charged, "Jory Penhale");
        log.add(ref.id(), camera, LogRepository.Kind.CALL, "No picture since the weekend; red light now and then.", today.minusDays(2),
                "Odile Marsh");
    }

    private void handedOver(Staff staff, LocalDate today) {
        HouseholdRef ref = tools.household(staff, "Peverell", "11 Orchard Way", today.plusDays(60), "charge the front camera");
        tools.plan(ref, "terrace");
        frontDoor(ref);
        tools.changes.run(ref, Stage.BRIEF, () -> {
            tools.promises.keepsDays(ref.id(), 14);
            tools.promises.alertWithin(ref.id(), 8);
            tools.promises.onlyThese(ref.id());
        });
        tools.network(ref, Stage.READY, "orchardway", "eleven-russets", LOW, WifiSecurity.WPA2);
        long camera = tools.camera(ref, Stage.READY, "Front eye", "dunmark-post", new CameraPose(2.4, -0.35, 2.4, 226, 16),
                new Camera.Settings(12, 30, 64, 24, 3, 0.7, 90));
        join(ref, camera, "PO-50344-B", "Front eye");
        long owner = tools.person(ref, "Lisbet Peverell", "lisbet@peverell.example", Access.Tie.LIVES_HERE, null);
        tools.changes.run(ref, Stage.SHARE, () -> {
            tools.cameras.markMounted(ref.id(), camera);
            tools.cameras.charged(ref.id(), camera, today.minusDays(20));
            tools.access.grant(ref.id(), owner, camera, Access.Role.OWNER, null);
        });
        Map<String, String> seen = new HashMap<>(Map.of("passed", "true", "seconds", "3.4", "ring1", "3.1", "ring2", "2.8", "ring3", "4.2",
                "ring4", "3.0", "ring5", "3.3", "light", Light.DAY.name()));
        seen.putAll(Map.of("clock", "RIGHT", "agreed", "no", "heard", "no", "clockAfter", "yes", "told", "true", "sirenHeard", "yes",
                "stopped", "yes", "phone-" + owner, "yes"));
        tools.promises.of(ref.id()).forEach(promise -> seen.put("seen-" + promise.key(),
                promise instanceof Promise.NeverShows ? "no" : "yes"));
        Map<String, String> back = new HashMap<>(seen);
        back.put("seconds", "74");
        TestsWanted.of(tools.cameras.get(ref.id(), camera).camera(), tools.promises.of(ref.id()), Climate.MILD_COAST).stream()
                .filter(kind -> !kind.later())
                .forEach(kind -> tested(ref, camera, kind, kind == Protocol.POWER_CUT ? back : seen));
        seen.put("light", Light.NIGHT.name());
        tested(ref, camera, Protocol.WALK, seen);
        seen.put("signalDbm", "-54");
        tested(ref, camera, Protocol.LIVE_HOME, seen);
        takenAsItIs(ref);
        signing.sign(ref, "Lisbet Peverell",
                "M60 96L72 60L84 40L90 70L96 98L120 98M140 96L150 70L160 96L170 74L182 96L196 72L210 98L240 88L270 96L330 90",
                new Form(new HashMap<>(Map.of("shown", signing.state(frames.frame(ref, Stage.PROVE)).shown()))));
        ended(ref);
        log.add(ref.id(), camera, LogRepository.Kind.NOTE, "Handed over, all tests passed.", today, "Jory Penhale");
    }

    private void tested(HouseholdRef ref, long camera, Protocol kind, Map<String, String> seen) {
        trials.decide(ref, trials.begin(ref, camera, kind), new Form(new HashMap<>(seen)));
    }

    private void takenAsItIs(HouseholdRef ref) {
        Map<String, String> said = new HashMap<>();
        signing.state(frames.frame(ref, Stage.PROVE)).gate().open().forEach(open -> {
            said.put(open.remark(), "Lisbet knows of it and takes it as it is.");
            said.put(open.agreed(), "Lisbet Peverell");
        });
        if (!said.isEmpty()) {
            signing.remark(ref, new Form(said));
        }
    }

    private void ended(HouseholdRef ref) {
        List<FirmEnds.Known> known = handOver.ends(frames.frame(ref, Stage.PROVE)).known();
        Map<String, String> ticks = new HashMap<>();
        for (int i = 0; i < known.size(); i++) {
            ticks.put("of" + i, known.get(i).what());
            ticks.put("end" + i, FirmEnds.Became.SEALED.name());
        }
        handOver.handOver(ref, new Form(ticks));
    }

    private void frontDoor(HouseholdRef ref) {
        tools.changes.run(ref, Stage.BRIEF, () -> {
            tools.promises.makeOut(ref.id(), DetailLevel.RECOGNISE, "front-door", Light.BOTH);
            tools.promises.neverShows(ref.id(), "next-door");
        });
    }

    /** A camera that was joined for real, in this made-up town, before the day that the demo begins on. */
    private void join(HouseholdRef ref, long camera, String serial, String name) {
        tools.changes.run(ref, Stage.PAIR, () -> {
            tools.cameras.markJoined(ref.id(), camera);
            secrets.sealCameraPassword(ref.id(), camera, "Lamp-" + serial.substring(3, 8) + "-oak", ref.by());
            tools.cameras.markOwnPassword(ref.id(), camera);
            tools.cameras.settle(ref.id(), camera, "2.4.1", null);
            tools.cameras.keepSticker(ref.id(), camera, serial, "inside the guide, in the kitchen drawer");
            tools.cameras.rename(ref.id(), camera, name);
        });
    }
}
