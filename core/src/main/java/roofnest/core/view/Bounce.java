package roofnest.core.view;

import java.util.List;
import java.util.stream.Stream;

import roofnest.core.plan.HousePlan;
import roofnest.core.plan.Material;
import roofnest.core.plan.PlanPoint;
import roofnest.core.plan.Plate;
import roofnest.core.plan.RaysFrom;
import roofnest.core.plan.Segments;
import roofnest.core.plan.Shell;
import roofnest.core.plan.SpacePoint;
import roofnest.core.plan.Wall;
import roofnest.core.plan.WallCrossings;

/**
 * What is so near to a lens that its own infrared or spotlight comes back from it and blinds the picture at night: any
 * surface inside the field of view nearer than {@link #CLEAR_M}, and a soffit nearer than {@link #SOFFIT_M} above.
 *
 * @param nearestM of a surface inside the field of view, metres; {@link #LOOKED_M} when there is none that near
 * @param soffitM of the ceiling or eaves above the lens, metres; {@link #LOOKED_M} when there is none that near
 * @param insideWall whether the lens itself is inside a wall's thickness
 */
public record Bounce(double nearestM, double soffitM, boolean insideWall) {
    public static final double CLEAR_M = 0.6;
    public static final double SOFFIT_M = 0.3;
    /** Farther than this nothing is looked for, metres. */
    public static final double LOOKED_M = 3;
    private static final int ACROSS = 17;
    private static final int DOWN = 9;

    public static Bounce of(HousePlan plan, Eye eye) {
        WallCrossings near = facing(plan, eye);
        PlanPoint at = eye.pose().onPlan();
        return new Bounce(nearest(near.from(at.xM(), at.yM()), eye), soffit(eye.rays().crossings().shell(), eye.pose()),
                insideWall(plan, eye.rays().crossings().shell(), eye.pose()));
    }

    /** The nearest surface, with a near soffit counted in full proportion: as far from its limit as it would be from a wall's. */
    public double worstM() {
        return insideWall ? 0 : Math.min(nearestM, soffitM * CLEAR_M / SOFFIT_M);
    }

    /** Walls are sheets on their centre line elsewhere; this near, their faces are what light comes back from. */
    private static WallCrossings facing(HousePlan plan, Eye eye) {
        PlanPoint at = eye.pose().onPlan();
        List<Wall> faces = plan.walls().stream()
                .filter(wall -> Segments.mayReach(at, wall.from(), wall.to(), LOOKED_M + wall.thicknessM() / 2)
                        && Segments.distanceM(at, wall.from(), wall.to()) < LOOKED_M + wall.thicknessM() / 2)
                .map(wall -> wall.facing(at)).toList();
        return eye.rays().crossings().withWalls(plan, faces);
    }

    private static double nearest(RaysFrom rays, Eye eye) {
        double nearest = LOOKED_M;
        Projection projection = eye.projection();
        SpacePoint lens = projection.eye();
        for (int row = 0; row < DOWN; row++) {
            for (int column = 0; column < ACROSS; column++) {
                double[] d = projection.direction(new Projection.Pixel(
                        column / (ACROSS - 1.0) * eye.lens().widthPx(), row / (DOWN - 1.0) * eye.lens().heightPx()));
                double[] first = {1};
                rays.walk(lens.zM(), lens.xM() + LOOKED_M * d[0], lens.yM() + LOOKED_M * d[1], lens.zM() + LOOKED_M * d[2],
                        (material, thicknessM, share) -> {
                            first[0] = material == Material.OPEN ? first[0] : Math.min(first[0], share);
                            return true;
                        });
                nearest = Math.min(nearest, first[0] * LOOKED_M);
            }
        }
        return nearest;
    }

    /** Floors and roofs jut out over what hangs under them. */
    private static double soffit(Shell shell, CameraPose pose) {
        double least = LOOKED_M;
        for (Plate plate : Stream.concat(shell.floors().stream(), shell.roofs().stream()).toList()) {
            double above = plate.plane().atM(pose.xM(), pose.yM()) - pose.heightM();
            if (above >= 0 && above < least && plate.over(pose.xM(), pose.yM())) {
                least = above;
            }
        }
        return least;
    }

    private static boolean insideWall(HousePlan plan, Shell shell, CameraPose pose) {
        PlanPoint at = pose.onPlan();
        for (Wall wall : plan.walls()) {
            if (wall.covers(at) && pose.heightM() >= plan.baseM(wall) && pose.heightM() <= shell.topM(wall, at.xM(), at.yM())) {
                return true;
            }
        }
        return false;
    }
}
