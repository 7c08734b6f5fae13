package roofnest.app.prove;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

import roofnest.app.drawing.PictureView;
import roofnest.app.drawing.Svg;
import roofnest.core.judge.Camera;
import roofnest.core.motion.Track;
import roofnest.core.motion.WalkTest;
import roofnest.core.motion.Walker;
import roofnest.core.plan.Ground;
import roofnest.core.plan.HousePlan;
import roofnest.core.plan.Place;
import roofnest.core.plan.PlanPoint;
import roofnest.core.plan.SpacePoint;
import roofnest.core.plan.Walk;
import roofnest.core.plan.WallCrossings;
import roofnest.core.promise.DetailLevel;
import roofnest.core.view.CameraPicture;
import roofnest.core.view.Eye;
import roofnest.core.view.PictureShape;
import roofnest.core.view.Vision;

/**
 * What the simulated camera shows: its computed picture, and somebody walking the path of the plan that it catches best.
 *
 * @param path that is walked; empty when the plan has none
 */
record LiveScene(String path, List<PictureView.Shape> shapes, List<Frame> frames, WalkTest.Capture capture) {
    private static final int STEPS_A_FRAME = 4;

    /** @param body and {@code head}: path texts in pixels; empty while the walker is not in the picture */
    record Frame(double atS, boolean recorded, String body, String head) {}

    static LiveScene of(HousePlan plan, Camera camera) {
        Eye eye = new Eye(new WallCrossings(plan), camera.model().lens(), camera.pose());
        WalkTest test = new WalkTest(camera.model(), new Vision(eye, camera.model().mask(), camera.masked()), camera.zones(), false);
        Walk best = plan.paths().stream()
                .max(Comparator.comparingDouble(walk -> walk(test, plan, walk, camera).bestDensityPxPerM()))
                .orElseGet(() -> new Walk("none", "across the picture", List.of(
                        camera.pose().onPlan().towards(camera.pose().headingDeg() - 30, 5),
                        camera.pose().onPlan().towards(camera.pose().headingDeg() + 30, 5))));
        WalkTest.Capture capture = walk(test, plan, best, camera);
        CameraPicture picture = new CameraPicture(plan, camera.model().lens(), camera.pose());
        List<Frame> frames = new ArrayList<>();
        for (int i = 0; i < capture.moments().size(); i += STEPS_A_FRAME) {
            frames.add(frame(picture, eye, capture.moments().get(i)));
        }
        return new LiveScene(best.name(), picture.shapes(List.of()).stream().map(PictureView::shape).toList(), frames, capture);
    }

    private static WalkTest.Capture walk(WalkTest test, HousePlan plan, Walk walk, Camera camera) {
        return test.walk(new Track(walk, Walker.GROWN, new Ground(plan)), DetailLevel.RECOGNISE, camera.settings().clipSeconds());
    }

    private static Frame frame(CameraPicture picture, Eye eye, WalkTest.Moment moment) {
        PlanPoint at = moment.point();
        String body = "";
        String head = "";
        if (eye.clearTo(at.xM(), at.yM(), moment.groundM() + Place.FACE_M)) {
            for (PictureShape shape : picture.figure(new CameraPicture.Figure("", SpacePoint.at(at, moment.groundM())))) {
                if (shape.kind() == PictureShape.Kind.BODY) {
                    body = Svg.pixels(shape.outline());
                } else {
                    head = Svg.pixels(shape.outline());
                }
            }
        }
        return new Frame(moment.atS(), moment.recorded(), body, head);
    }
}
