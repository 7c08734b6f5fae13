package roofnest.app.survey;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

import roofnest.app.drawing.Readout;
import roofnest.app.drawing.Svg;
import roofnest.core.judge.Camera;
import roofnest.core.judge.House;
import roofnest.core.lang.Numbers;
import roofnest.core.motion.WalkTest;
import roofnest.core.plan.PlanPoint;
import roofnest.core.plan.SpacePoint;
import roofnest.core.plan.Walk;
import roofnest.core.promise.DetailLevel;
import roofnest.core.promise.Unit;
import roofnest.core.view.CameraPicture;
import roofnest.core.view.Eye;
import roofnest.core.view.PictureShape;
import roofnest.core.view.Vision;

/**
 * Somebody walks a path of the plan before the chosen camera.
 *
 * @param legs of the track by what the camera is doing
 * @param ticks one for each second
 * @param marks where it notices them, and where the first kept frame has them
 */
record WalkPanel(String path, double walkS, List<Leg> legs, List<Tick> ticks, List<Mark> marks, List<Readout> figures,
        List<Frame> frames) {
    private static final int STEPS_A_FRAME = 2;
    private static final double TICK_M = 0.35;

    /** @param doing in lower case, for its line */
    record Leg(String doing, String path) {}

    /** @param label of every second one */
    record Tick(double x1, double y1, double x2, double y2, double labelX, double labelY, String label) {}

    record Mark(double x, double y, String kind, String words) {}

    /** @param body and {@code head}: path texts in pixels; empty while the walker is hidden or outside the picture */
    record Frame(double atS, double x, double y, String doing, String density, String body, String head) {}

    static Optional<WalkPanel> of(House house, Camera at, Eye eye, Look look) {
        Optional<Walk> walk = house.plan().path(look.pathId()).or(() -> house.plan().paths().stream().findFirst());
        return walk.map(path -> {
            WalkTest.Capture capture = new WalkTest(at.model(), new Vision(eye, at.model().mask(), at.masked()), at.zones(), look.night())
                    .walk(house.track(path, look.walker()), DetailLevel.RECOGNISE, at.settings().clipSeconds());
            return new WalkPanel(path.name(), capture.walkS(), legs(capture), ticks(path, capture, look.walker().speedMPerS()),
                    marks(capture),
                    figures(capture), frames(house, eye, look, capture));
        });
    }

    private static List<Leg> legs(WalkTest.Capture capture) {
        List<Leg> legs = new ArrayList<>();
        List<PlanPoint> points = new ArrayList<>();
        WalkTest.Doing doing = null;
        for (WalkTest.Moment moment : capture.moments()) {
            if (doing != null && moment.doing() != doing) {
                points.add(moment.point());
                legs.add(new Leg(doing.name().toLowerCase(Locale.ROOT), Svg.line(points)));
                points = new ArrayList<>();
            }
            doing = moment.doing();
            points.add(moment.point());
        }
        if (points.size() > 1) {
            legs.add(new Leg(doing.name().toLowerCase(Locale.ROOT), Svg.line(points)));
        }
        return legs;
    }

    private static List<Tick> ticks(Walk path, WalkTest.Capture capture, double speedMPerS) {
        List<Tick> ticks = new ArrayList<>();
        for (int second = 1; second <= capture.walkS(); second++) {
            Walk.Position position = path.at(second * speedMPerS);
            PlanPoint left = position.point().towards(position.headingDeg() - 90, TICK_M);
            PlanPoint right = position.point().towards(position.headingDeg() + 90, TICK_M);
            PlanPoint label = position.point().towards(position.headingDeg() + 90, TICK_M * 2.2);
            ticks.add(new Tick(left.xM(), -left.yM(), right.xM(), -right.yM(), label.xM(), -label.yM(),
                    second % 2 == 0 ? second + " s" : ""));
        }
        return ticks;
    }

    private static List<Mark> marks(WalkTest.Capture capture) {
        List<Mark> marks = new ArrayList<>();
        capture.triggerS().ifPresent(s -> marks.add(mark(capture.at(s), "noticed", "noticed " + Unit.SECONDS.format(s))));
        capture.firstFrameS().ifPresent(s -> marks.add(mark(capture.at(s), "first", "first frame " + Unit.SECONDS.format(s))));
        return marks;
    }

    private static Mark mark(WalkTest.Moment moment, String kind, String words) {
        return new Mark(moment.point().xM(), -moment.point().yM(), kind, words);
    }

    private static List<Readout> figures(WalkTest.Capture capture) {
        List<Readout> figures = new ArrayList<>();
        figures.add(new Readout("the walk takes", Unit.SECONDS.format(capture.walkS())));
        figures.add(new Readout("noticed after",
                capture.triggerS().isPresent() ? Unit.SECONDS.format(capture.triggerS().getAsDouble()) : "never"));
        figures.add(new Readout("first kept frame",
                capture.firstFrameS().isPresent() ? Unit.SECONDS.format(capture.firstFrameS().getAsDouble()) : "none"));
        figures.add(new Readout("best kept", capture.bestDensityPxPerM() == 0 ? "no face"
                : Unit.PX_PER_M.format(capture.bestDensityPxPerM()) + ", face from " + Unit.DEGREES.format(capture.bestFaceAngleDeg())));
        figures.add(new Readout("kept at recognise or better", Numbers.fixed(capture.secondsAtLevel(), 1) + " s"));
        return figures;
    }

    private static List<Frame> frames(House house, Eye eye, Look look, WalkTest.Capture capture) {
        CameraPicture picture = new CameraPicture(house.scene(), eye.projection(), look.night());
        List<Frame> frames = new ArrayList<>();
        for (int i = 0; i < capture.moments().size(); i += STEPS_A_FRAME) {
            WalkTest.Moment moment = capture.moments().get(i);
            PlanPoint at = moment.point();
            String body = "";
            String head = "";
            if (eye.clearTo(at.xM(), at.yM(), moment.groundM() + look.walker().faceM())) {
                for (PictureShape shape : picture
                        .figure(new CameraPicture.Figure("", SpacePoint.at(at, moment.groundM()), look.walker().heightM()))) {
                    if (shape.kind() == PictureShape.Kind.BODY) {
                        body = Svg.pixels(shape.outline());
                    } else {
                        head = Svg.pixels(shape.outline());
                    }
                }
            }
            frames.add(new Frame(moment.atS(), at.xM(), -at.yM(), moment.doing().name().toLowerCase(Locale.ROOT),
                    moment.densityPxPerM() == 0 ? "not seen" : Unit.PX_PER_M.format(moment.densityPxPerM()), body, head));
        }
        return frames;
    }
}
