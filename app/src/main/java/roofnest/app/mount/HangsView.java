package roofnest.app.mount;

import java.time.OffsetDateTime;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

import roofnest.app.drawing.PictureView;
import roofnest.app.household.Frame;
import roofnest.app.records.CameraRepository;
import roofnest.app.records.PoseReadingRepository;
import roofnest.app.web.PromiseLine;
import roofnest.core.catalogue.LensSpec;
import roofnest.core.judge.Camera;
import roofnest.core.judge.Judgement;
import roofnest.core.lang.Numbers;
import roofnest.core.plan.HousePlan;
import roofnest.core.promise.Promise;
import roofnest.core.promise.Unit;
import roofnest.core.still.Faces;
import roofnest.core.still.Landmark;
import roofnest.core.still.Landmarks;
import roofnest.core.still.Spread;
import roofnest.core.still.StillReading;
import roofnest.core.view.CameraPicture;
import roofnest.core.view.CameraPose;
import roofnest.core.view.Projection.Pixel;
import roofnest.core.view.Scene;

/**
 * The page on which a still is read.
 *
 * @param picture the computed picture of the planned pose, as paths
 * @param still what the camera shows
 * @param reading what the taps that were just sent say; empty before any were
 * @param judged on stand-ins, promises of sight by what was just read; of it nothing is kept
 * @param kept the reading that is on record
 */
record HangsView(String camera, String planned, int width, int height, String picture, List<Point> points, Optional<Still> still,
        boolean standIns, List<Line> reading, String unsettled, String wrong, List<Line> notes, Optional<Kept> kept,
        Optional<Turned> turned, List<PictureView.Cell> masked, List<PictureView.ZoneShape> zones, List<Spot> spots,
        List<PromiseLine> judged) {
    private static final DateTimeFormatter WHEN = DateTimeFormatter.ofPattern("d MMM yyyy HH:mm", Locale.ENGLISH);
    private static final double SAME_TURN_DEG = 0.05;

    /**
     * A point to be tapped.
     *
     * @param x and {@code y}: where it is in the computed picture, pixels
     * @param tappedX and {@code tappedY}: as they were typed or tapped; empty before
     * @param off how far its tap lies from where it falls in the pose that was read; empty where none was
     * @param next whether it is the one that would settle the pose
     */
    record Point(int number, String id, String name, double x, double y, String tappedX, String tappedY, String off, boolean odd,
            boolean next) {}

    /**
     * @param href of a real one; empty for a stand-in's, which is drawn from {@code paths}
     * @param width and {@code height}: its own, pixels
     * @param fits whether it has the shape of the lens's picture, or is a photo of a screen that is to be straightened
     */
    record Still(String href, String paths, String at, String taken, int width, int height, boolean fits) {}

    record Line(String what, String value, String off) {}

    /** @param standing whether promises are judged by it @param why not, in a sentence */
    record Kept(String when, List<Line> lines, boolean standing, String why, boolean planned) {}

    /** A place where a thing of known length can be held. */
    record Spot(String id, String name) {}

    /** How it is turned so that it looks as planned from where it hangs, and what that keeps. */
    record Turned(List<String> moves, String picture, List<PromiseLine> now, List<PromiseLine> then) {}

    static HangsView of(Frame frame, CameraRepository.Record record, Optional<PoseReadingRepository.Row> row, Optional<Still> still,
            boolean standIns, Map<String, String> typed, Optional<StillReading> read, ZoneId zone) {
        HousePlan plan = frame.facts().plan().orElseThrow();
        LensSpec lens = record.camera().model().lens();
        CameraPose planned = record.planned();
        List<Landmark> offered = Landmarks.offered(plan, lens, planned);
        Optional<StillReading.Read> settled = read.filter(StillReading.Read.class::isInstance).map(StillReading.Read.class::cast);
        Optional<StillReading.Unsettled> open
                = read.filter(StillReading.Unsettled.class::isInstance).map(StillReading.Unsettled.class::cast);
        Map<String, StillReading.Left> left = settled.map(reading -> reading.left().stream()
                .collect(Collectors.toMap(each -> each.landmark().id(), Function.identity()))).orElse(Map.of());
        Optional<String> next = open.flatMap(StillReading.Unsettled::next).map(Landmark::id);
        List<String> odd = settled.flatMap(StillReading.Read::wrong)
                .map(wrong -> wrong.exchanged() ? List.of(wrong.tapped().id(), wrong.other().orElseThrow().id())
                        : List.of(wrong.tapped().id()))
                .orElse(List.of());
        List<Point> points = IntStream.range(0, offered.size()).mapToObj(i -> {
            Landmark landmark = offered.get(i);
            Pixel at = Landmarks.where(landmark, lens, planned).orElseThrow();
            String off = Optional.ofNullable(left.get(landmark.id())).map(each -> Double.isInfinite(each.offPx()) ? "behind the lens"
                    : Numbers.fixed(each.offPx(), 1) + " px off").orElse("");
            return new Point(i + 1, landmark.id(), landmark.name(), Math.round(at.x()), Math.round(at.y()),
                    typed.getOrDefault("x " + landmark.id(), ""), typed.getOrDefault("y " + landmark.id(), ""), off,
                    odd.contains(landmark.id()), next.filter(landmark.id()::equals).isPresent());
        }).toList();
        boolean stands = record.camera().hangs().isPresent();
        Optional<CameraPose> hangs = standIns ? settled.map(StillReading.Read::pose) : row.filter(each -> stands)
                .map(PoseReadingRepository.Row::pose);
        return new HangsView(record.camera().name(), said(planned), lens.widthPx(), lens.heightPx(), paths(plan, lens, planned), points,
                still, standIns, settled.map(reading -> lines(reading.pose(), reading.spread(), planned)).orElse(List.of()),
                open.map(StillReading.Unsettled::why).orElse(""), wrong(settled),
                settled.map(reading -> notes(reading, lens)).orElse(List.of()),
                row.filter(each -> !standIns).map(each -> kept(each, stands, still, planned, zone)),
                hangs.filter(pose -> isTurned(pose, planned)).map(pose -> turned(frame, record, pose, plan, lens)),
                PictureView.masked(record.camera()), PictureView.zones(record.camera()),
                plan.places().stream().map(place -> new Spot(place.id(), place.name())).toList(),
                settled.filter(reading -> standIns).map(reading -> sight(frame, frame.judge().again(frame.facts().withCamera(
                        record.camera().hanging(reading.pose(), reading.spread()))), record.id())).orElse(List.of()));
    }

    private static Kept kept(PoseReadingRepository.Row row, boolean stands, Optional<Still> still, CameraPose planned, ZoneId zone) {
        String why = stands ? still.filter(newer -> !newer.at().equals(row.stillAt().toString()))
                .map(newer -> "There is a newer still. Read that one, if the camera was touched since.").orElse("")
                : "The plan has changed since, so that promises are judged by the plan again. Turn the camera to the new plan, and read a "
                        + "new still.";
        return new Kept(when(row.at(), zone) + " by " + row.by(), lines(row.pose(), row.spread(), row.of()), stands, why,
                stands && !isTurned(row.pose(), planned) && row.pose().lens().distanceM(planned.lens()) < 1e-6);
    }

    static String when(OffsetDateTime at, ZoneId zone) {
        return WHEN.format(at.atZoneSameInstant(zone));
    }

    private static String said(CameraPose pose) {
        return Numbers.fixed(pose.heightM(), 2) + " m up, looking " + Unit.DEGREES.format(pose.headingDeg()) + " of the plan, tilted "
                + Unit.DEGREES.format(pose.tiltDeg()) + " down" + (pose.rollDeg() == 0 ? "" : ", rolled " + rolled(pose.rollDeg()));
    }

    private static String rolled(double rollDeg) {
        return Numbers.fixed(Math.abs(rollDeg), 1) + "° " + (rollDeg > 0 ? "clockwise" : "anticlockwise");
    }

    /** What was read, how sure that is, and how far it is from the plan. */
    private static List<Line> lines(CameraPose pose, Spread spread, CameraPose planned) {
        double up = pose.heightM() - planned.heightM();
        double aside = pose.onPlan().distanceM(planned.onPlan());
        double turn = Math.IEEEremainder(pose.headingDeg() - planned.headingDeg(), 360);
        double tilt = pose.tiltDeg() - planned.tiltDeg();
        double roll = Math.IEEEremainder(pose.rollDeg() - planned.rollDeg(), 360);
        return List.of(
                new Line("Hangs", Numbers.fixed(pose.heightM(), 2) + " ± " + Numbers.fixed(spread.heightM(), 2) + " m up",
                        within(up, spread.heightM(), Numbers.fixed(Math.abs(up), 2) + " m " + (up > 0 ? "higher" : "lower"))),
                new Line("Place", "x " + Numbers.fixed(pose.xM(), 2) + ", y " + Numbers.fixed(pose.yM(), 2) + " ± "
                        + Numbers.fixed(spread.placeM(), 2) + " m", within(aside, spread.placeM(), Numbers.fixed(aside, 2) + " m aside")),
                new Line("Looks", Numbers.fixed(pose.headingDeg(), 1) + "° ± " + Numbers.fixed(spread.headingDeg(), 1) + "°",
                        within(turn, spread.headingDeg(), Numbers.fixed(Math.abs(turn), 1) + "° " + (turn > 0 ? "right" : "left")
                                + " of the plan")),
                new Line("Tilts", Numbers.fixed(pose.tiltDeg(), 1) + "° ± " + Numbers.fixed(spread.tiltDeg(), 1) + "° down",
                        within(tilt, spread.tiltDeg(), Numbers.fixed(Math.abs(tilt), 1) + "° " + (tilt > 0 ? "lower" : "higher"))),
                new Line("Rolled", Numbers.fixed(Math.abs(pose.rollDeg()), 1) + "° ± " + Numbers.fixed(spread.rollDeg(), 1) + "°"
                        + (Math.abs(pose.rollDeg()) < SAME_TURN_DEG ? "" : pose.rollDeg() > 0 ? " clockwise" : " anticlockwise"),
                        within(roll, spread.rollDeg(), Numbers.fixed(Math.abs(roll), 1) + "° "
                                + (roll > 0 ? "clockwise" : "anticlockwise") + ", from behind")));
    }

    private static String within(double off, double spread, String words) {
        return Math.abs(off) <= spread ? "as planned, as far as can be told" : words;
    }

    private static String wrong(Optional<StillReading.Read> settled) {
        return settled.flatMap(StillReading.Read::wrong).map(wrong -> wrong.exchanged()
                ? "“" + wrong.tapped().name() + "” and “" + wrong.other().orElseThrow().name()
                        + "” are tapped the one for the other. They are counted the right way round."
                : "“" + wrong.tapped().name() + "” is tapped wrong and left out"
                        + wrong.other().map(other -> ": what was tapped is “" + other.name() + "”.").orElse("."))
                .orElse("");
    }

    private static List<Line> notes(StillReading.Read read, LensSpec lens) {
        List<Line> notes = new ArrayList<>();
        if (read.upsideDown()) {
            notes.add(new Line("Upside down", "It hangs on its head. If its app can turn the picture, turn it there and read a new still.",
                    ""));
        }
        if (read.mirrored()) {
            notes.add(new Line("Mirrored",
                    "Its picture is turned left for right. Switch that off in its app: masks and zones would lie on the "
                            + "wrong side.",
                    ""));
        }
        read.width().ifPresent(width -> notes.add(new Line("Field of view", Numbers.fixed(width.hfovDeg(), 1) + "° ± "
                + Numbers.fixed(width.spreadDeg(), 1) + "°",
                width.differs()
                        ? "not the " + Numbers.plain(lens.hfovDeg()) + "° of the catalogue, by which promises are still judged"
                        : "the catalogue's " + Numbers.plain(lens.hfovDeg()) + "° fit")));
        notes.add(new Line("Points", "they fit to " + Numbers.fixed(read.rmsPx(), 1) + " px",
                read.checked() ? "" : "four cannot show that one is wrong: tap a fifth"));
        return notes;
    }

    private static boolean isTurned(CameraPose pose, CameraPose planned) {
        return Math.abs(Math.IEEEremainder(pose.headingDeg() - planned.headingDeg(), 360)) > SAME_TURN_DEG
                || Math.abs(pose.tiltDeg() - planned.tiltDeg()) > SAME_TURN_DEG
                || Math.abs(Math.IEEEremainder(pose.rollDeg() - planned.rollDeg(), 360)) > SAME_TURN_DEG;
    }

    private static Turned turned(Frame frame, CameraRepository.Record record, CameraPose hangs, HousePlan plan, LensSpec lens) {
        CameraPose planned = record.planned();
        CameraPose right = hangs.turned(planned.headingDeg(), planned.tiltDeg(), planned.rollDeg());
        List<String> moves = new ArrayList<>();
        move(moves, Math.IEEEremainder(planned.headingDeg() - hangs.headingDeg(), 360), "Turn it %s to the right, as seen from behind it",
                "Turn it %s to the left, as seen from behind it");
        move(moves, planned.tiltDeg() - hangs.tiltDeg(), "Tilt it %s further down", "Tilt it %s up");
        move(moves, Math.IEEEremainder(planned.rollDeg() - hangs.rollDeg(), 360), "Roll it %s clockwise, as seen from behind it",
                "Roll it %s anticlockwise, as seen from behind it");
        Camera camera = record.camera().withPose(right);
        Judgement then = frame.judge().again(frame.facts().withCamera(camera));
        Judgement now = frame.judge().again(frame.facts().withCamera(record.camera().withPose(hangs)));
        return new Turned(moves, paths(plan, lens, right), sight(frame, now, record.id()), sight(frame, then, record.id()));
    }

    private static void move(List<String> moves, double byDeg, String more, String less) {
        if (Math.abs(byDeg) > SAME_TURN_DEG) {
            moves.add(String.format(Locale.ROOT, byDeg > 0 ? more : less, Numbers.fixed(Math.abs(byDeg), 1) + "°"));
        }
    }

    /** What this camera is to see, and not to see. */
    private static List<PromiseLine> sight(Frame frame, Judgement judgement, long cameraId) {
        return judgement.ofCamera(cameraId).stream().filter(judged -> judged.promise() instanceof Promise.MakeOut
                || judged.promise() instanceof Promise.NeverShows || judged.promise() instanceof Promise.RecordedBefore)
                .map(judged -> PromiseLine.of(judged, frame.facts())).toList();
    }

    /** The picture of the house's faces, with which a still is compared. */
    static String paths(HousePlan plan, LensSpec lens, CameraPose pose) {
        HousePlan faced = Faces.towards(plan, pose.onPlan());
        List<PictureView.Shape> shapes = new CameraPicture(new Scene(faced), new roofnest.core.view.Projection(lens, pose), false)
                .shapes(List.of()).stream().map(PictureView::shape).toList();
        return PictureView.paths(shapes);
    }
}
