package roofnest.app.tune;

import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

import roofnest.app.drawing.PlanDrawing;
import roofnest.app.household.Frame;
import roofnest.app.records.SensorWalkRepository;
import roofnest.core.catalogue.MotionSpec;
import roofnest.core.judge.Camera;
import roofnest.core.lang.Numbers;
import roofnest.core.plan.HousePlan;
import roofnest.core.plan.PlanPoint;
import roofnest.core.power.Climate;
import roofnest.core.week.SensorFit;

/**
 * Walks before one camera.
 *
 * @param head what they say of its sensor
 * @param proposals where to walk next, the most telling first; none where nothing is unsure any more
 * @param air of the month, a guess to begin with, °C
 */
record WalksView(String head, String said, List<Proposal> proposals, List<Row> rows, PlanDrawing drawing, double eyeX, double eyeY,
        String air) {
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMM yyyy", Locale.ENGLISH);
    private static final double AROUND_M = 3;

    /** @param way as an SVG path, metres with y flipped */
    record Proposal(int number, String words, String way, double x, double y, String fromX, String fromY, String toX, String toY,
            PlanPoint from, PlanPoint to) {}

    /** @param counts whether the camera hung and was set then as it is now */
    record Row(long id, String words, String way, boolean noticed, boolean counts) {}

    static List<SensorFit.Walked> counted(List<SensorWalkRepository.Row> all, long cameraId, String mark) {
        return all.stream().filter(row -> row.cameraId() == cameraId && row.mark().equals(mark)).map(SensorWalkRepository.Row::walk)
                .toList();
    }

    /** @param camera with the sensor of its document */
    static WalksView of(Frame frame, Camera camera, SensorFit fit, List<SensorWalkRepository.Row> all, String mark) {
        List<SensorFit.Walked> counted = counted(all, camera.id(), mark);
        Climate climate = frame.facts().climate();
        double air = climate.meanC().get(Climate.month(frame.facts().today().getMonthValue(), frame.facts().plan().orElseThrow()
                .latitudeDeg()));
        List<Proposal> proposals = new ArrayList<>();
        fit.proposals(counted, at -> frame.judge().walkable(camera, at), air, false).forEach(one -> proposals.add(proposal(
                proposals.size() + 1, one, camera)));
        List<Row> rows = all.stream().filter(row -> row.cameraId() == camera.id()).map(row -> row(row, camera, row.mark().equals(mark)))
                .toList();
        HousePlan plan = frame.facts().plan().orElseThrow();
        return new WalksView(head(counted.size()), said(fit.fit(counted), camera.model().motion()), proposals, rows,
                PlanDrawing.of(plan, plan.storeys().get(0), around(camera, proposals, rows, all)), camera.pose().xM(), -camera.pose().yM(),
                Numbers.fixed(air, 0));
    }

    private static String head(int walks) {
        return walks == 0 ? "Nobody has walked before it yet" : walks == 1 ? "One walk before it" : walks + " walks before it";
    }

    private static String said(SensorFit.Fit fit, MotionSpec stated) {
        String from = fit.walks() == 0 ? "Its document says that it reaches " + metres(stated.rangeM()) + ", and others of its kind reach "
                : "It is taken to reach " + metres(fit.motion().rangeM()) + " where its document says " + metres(stated.rangeM())
                        + "; nine in ten ";
        return from + metres(stated.rangeM() * fit.lowShare()) + " to " + metres(stated.rangeM() * fit.highShare()) + ". Fan "
                + Numbers.fixed(fit.motion().fanDeg(), 0) + "°, wakes in " + Numbers.fixed(fit.motion().wakeSeconds(), 1) + " s"
                + (fit.walks() == 0 ? "." : ". Everything that is reckoned of what it notices goes by this.");
    }

    /** What the stand-in truly is, beside what the walks say of it. */
    static String truth(MotionSpec truth, SensorFit.Fit fit, MotionSpec stated) {
        boolean within = truth.rangeM() >= stated.rangeM() * fit.lowShare() && truth.rangeM() <= stated.rangeM() * fit.highShare();
        return "The stand-in reaches " + metres(truth.rangeM()) + ", its fan is " + Numbers.fixed(truth.fanDeg(), 0) + "° and it wakes in "
                + Numbers.fixed(truth.wakeSeconds(), 1) + " s. Your walks say " + metres(fit.motion().rangeM()) + ", "
                + Numbers.fixed(fit.motion().fanDeg(), 0) + "° and " + Numbers.fixed(fit.motion().wakeSeconds(), 1) + " s; "
                + (within ? "it lies within what they leave open." : "it lies outside of what they leave open: one walk in ten comes out "
                        + "otherwise than it should, so walk the telling ones twice.");
    }

    private static String metres(double m) {
        return Numbers.fixed(m, 1) + " m";
    }

    private static Proposal proposal(int number, SensorFit.Proposal one, Camera camera) {
        PlanPoint at = camera.pose().onPlan();
        return new Proposal(number, Numbers.fixed(one.from().distanceM(one.to()), 1) + " m, from " + metres(at.distanceM(one.from()))
                + " away to " + metres(at.distanceM(one.to())) + " away; " + Numbers.fixed(100 * one.chance(), 0)
                + " in 100 that it notices you", way(one.from(), one.to()), one.from().xM(), -one.from().yM(), plain(one.from().xM()),
                plain(one.from().yM()), plain(one.to().xM()), plain(one.to().yM()), one.from(), one.to());
    }

    private static Row row(SensorWalkRepository.Row row, Camera camera, boolean counts) {
        SensorFit.Walked walk = row.walk();
        PlanPoint at = camera.pose().onPlan();
        return new Row(row.id(), "From " + metres(at.distanceM(walk.from())) + " away to " + metres(at.distanceM(walk.to())) + " away"
                + (walk.dark() ? ", in the dark" : "") + ", " + Numbers.fixed(walk.airC(), 0) + " °C: "
                + (walk.noticed() ? "noticed" : "not noticed")
                + (walk.seconds().isPresent() ? " after " + Numbers.fixed(walk.seconds().getAsDouble(), 1) + " s" : "") + ", by " + row.by()
                + ", " + DAY.format(row.at()) + (counts ? "" : "; it hung or was set otherwise then, so it does not count"),
                way(walk.from(), walk.to()), walk.noticed(), counts);
    }

    private static String plain(double m) {
        return String.format(Locale.ROOT, "%.2f", m);
    }

    private static String way(PlanPoint from, PlanPoint to) {
        return String.format(Locale.ROOT, "M%.2f %.2fL%.2f %.2f", from.xM(), -from.yM(), to.xM(), -to.yM());
    }

    private static double[] around(Camera camera, List<Proposal> proposals, List<Row> rows, List<SensorWalkRepository.Row> all) {
        double[] box = {camera.pose().xM(), camera.pose().yM(), camera.pose().xM(), camera.pose().yM()};
        double reach = camera.model().motion().rangeM();
        PlanPoint ahead = camera.pose().onPlan().towards(camera.pose().headingDeg(), reach);
        stretch(box, ahead);
        proposals.forEach(one -> {
            stretch(box, one.from());
            stretch(box, one.to());
        });
        all.stream().filter(row -> rows.stream().anyMatch(shown -> shown.id() == row.id())).forEach(row -> {
            stretch(box, row.walk().from());
            stretch(box, row.walk().to());
        });
        return new double[] {box[0] - AROUND_M, box[1] - AROUND_M, box[2] + AROUND_M, box[3] + AROUND_M};
    }

    private static void stretch(double[] box, PlanPoint at) {
        box[0] = Math.min(box[0], at.xM());
        box[1] = Math.min(box[1], at.yM());
        box[2] = Math.max(box[2], at.xM());
        box[3] = Math.max(box[3], at.yM());
    }
}
