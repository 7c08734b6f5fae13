package roofnest.app.survey;

import roofnest.core.plan.HousePlan;
import roofnest.core.plan.PlanPoint;
import roofnest.core.plan.Place;
import roofnest.core.plan.Wall;
import roofnest.core.view.CameraPose;

/** Where a new camera is first put: on the wall nearest to the first place, looking at it. */
final class FirstPose {
    private static final double HEIGHT_M = 2.4;
    private static final double TILT_DEG = 12;
    private static final double OFF_THE_WALL_M = 0.15;

    private FirstPose() {}

    static CameraPose on(HousePlan plan) {
        PlanPoint watched = plan.places().stream().findFirst().map(Place::at).orElse(new PlanPoint(0, 0));
        PlanPoint mount = plan.nearestWall(watched).map(wall -> onFace(wall, watched)).orElse(watched.towards(180, 5));
        return new CameraPose(mount.xM(), mount.yM(), HEIGHT_M, mount.headingToDeg(watched), TILT_DEG);
    }

    /** The middle of the wall, on the face that looks at the place. */
    private static PlanPoint onFace(Wall wall, PlanPoint watched) {
        PlanPoint middle = wall.along(wall.lengthM() / 2);
        double across = wall.from().headingToDeg(wall.to()) + 90;
        double off = wall.thicknessM() / 2 + OFF_THE_WALL_M;
        PlanPoint one = middle.towards(across, off);
        PlanPoint other = middle.towards(across + 180, off);
        return one.distanceM(watched) <= other.distanceM(watched) ? one : other;
    }
}
