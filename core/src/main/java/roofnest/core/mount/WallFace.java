package roofnest.core.mount;

import java.util.Comparator;
import java.util.Optional;

import roofnest.core.plan.HousePlan;
import roofnest.core.plan.PlanPoint;
import roofnest.core.plan.Segments;
import roofnest.core.plan.Shell;
import roofnest.core.plan.Wall;
import roofnest.core.view.CameraPose;

/**
 * The face of a wall that a camera hangs on, of the storey that it hangs at, and where on it.
 *
 * @param left whether it is the face to the left of who walks along the wall
 * @param alongM from the wall's start, metres, within its length
 * @param offM from the face, metres
 */
public record WallFace(Wall wall, boolean left, double alongM, double offM) {
    /** A camera this far over or under a wall hangs on another storey's, metres. */
    static final double OFF_STOREY_M = 0.6;

    /** Empty where no wall is within {@link Fixings#ON_THE_WALL_M}. */
    public static Optional<WallFace> behind(HousePlan plan, Shell shell, CameraPose pose) {
        PlanPoint at = pose.onPlan();
        return plan.walls().stream().filter(wall -> Segments.distanceM(at, wall.from(), wall.to()) <= Fixings.ON_THE_WALL_M)
                .filter(wall -> offStoreyM(plan, shell, wall, pose) <= OFF_STOREY_M)
                .min(Comparator.comparingDouble((Wall wall) -> offStoreyM(plan, shell, wall, pose))
                        .thenComparingDouble(wall -> Segments.distanceM(at, wall.from(), wall.to()) - wall.thicknessM() / 2))
                .map(wall -> {
                    double heading = Math.toRadians(wall.from().headingToDeg(wall.to()));
                    double left = (at.yM() - wall.from().yM()) * Math.sin(heading) - (at.xM() - wall.from().xM()) * Math.cos(heading);
                    return new WallFace(wall, left > 0, clamped(wall, at),
                            Math.max(0, Segments.distanceM(at, wall.from(), wall.to()) - wall.thicknessM() / 2));
                });
    }

    /** Heading straight away from the face, degrees. */
    public double outDeg() {
        double heading = wall.from().headingToDeg(wall.to());
        return ((left ? heading - 90 : heading + 90) % 360 + 360) % 360;
    }

    /** The point of the face that the camera is before. */
    public PlanPoint foot() {
        return wall.along(alongM).towards(outDeg(), wall.thicknessM() / 2);
    }

    private static double clamped(Wall wall, PlanPoint at) {
        double heading = Math.toRadians(wall.from().headingToDeg(wall.to()));
        double along = (at.xM() - wall.from().xM()) * Math.sin(heading) + (at.yM() - wall.from().yM()) * Math.cos(heading);
        return Math.max(0, Math.min(wall.lengthM(), along));
    }

    private static double offStoreyM(HousePlan plan, Shell shell, Wall wall, CameraPose pose) {
        PlanPoint on = wall.along(clamped(wall, pose.onPlan()));
        double top = shell.topM(wall, on.xM(), on.yM());
        return Math.max(0, Math.max(plan.baseM(wall) - pose.heightM(), pose.heightM() - top));
    }
}
