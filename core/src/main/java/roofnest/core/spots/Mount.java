package roofnest.core.spots;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

import roofnest.core.plan.Area;
import roofnest.core.plan.HousePlan;
import roofnest.core.plan.Material;
import roofnest.core.plan.PlanPoint;
import roofnest.core.plan.Segments;
import roofnest.core.plan.Storey;
import roofnest.core.plan.Wall;

/**
 * A spot where a camera can be screwed on.
 *
 * @param on what it is screwed to, in words
 * @param outwardDeg heading straight away from the wall; a soffit looks every way
 */
record Mount(String on, PlanPoint at, double heightM, double outwardDeg, boolean soffit) {
    private static final double STEP_M = 0.5;
    private static final double[] HEIGHTS_M = {2.4, 2.7, 3.1};
    /** From the wall's face to the lens, metres. */
    private static final double ARM_M = 0.12;
    /** Below a floor that juts out, so that its own light clears it, metres. */
    private static final double UNDER_SOFFIT_M = 0.42;

    /** Every 0.5 m along both faces of every wall that holds a screw, at three heights, and under every floor's edge. */
    static List<Mount> on(HousePlan plan) {
        List<Mount> mounts = new ArrayList<>();
        for (Wall wall : plan.walls()) {
            if (holdsScrews(wall.material())) {
                along(mounts, plan, wall);
            }
        }
        plan.storeys().forEach(storey -> under(mounts, plan, storey));
        return mounts;
    }

    private static boolean holdsScrews(Material material) {
        return switch (material) {
            case GLASS, COATED_GLASS, HEDGE, OPEN, FOLIAGE, WATER_TANK -> false;
            default -> true;
        };
    }

    private static void along(List<Mount> mounts, HousePlan plan, Wall wall) {
        double heading = wall.from().headingToDeg(wall.to());
        double base = plan.baseM(wall);
        String on = wall.material().words() + " wall";
        for (double along = STEP_M / 2; along < wall.lengthM(); along += STEP_M) {
            for (double side : new double[] {90, 270}) {
                PlanPoint at = wall.along(along).towards(heading + side, wall.thicknessM() / 2 + ARM_M);
                if (!free(plan, at)) {
                    continue;
                }
                for (double height : HEIGHTS_M) {
                    boolean there
                            = height >= base && height <= base + wall.heightM() && wall.materialAt(along, height - base) == wall.material();
                    if (there) {
                        mounts.add(new Mount(on, at, height, (heading + side) % 360, false));
                    }
                }
            }
        }
    }

    private static void under(List<Mount> mounts, HousePlan plan, Storey storey) {
        double height = storey.floorM() - UNDER_SOFFIT_M;
        for (int i = 0; height > 1.8 && i < storey.slab().size(); i++) {
            PlanPoint a = storey.slab().get(i);
            PlanPoint b = storey.slab().get((i + 1) % storey.slab().size());
            for (double along = STEP_M / 2; along < a.distanceM(b); along += STEP_M) {
                PlanPoint at = a.towards(a.headingToDeg(b), along);
                if (free(plan, at) && plan.walls().stream()
                        .allMatch(wall -> Segments.distanceM(at, wall.from(), wall.to()) > wall.thicknessM() / 2 + ARM_M)) {
                    mounts.add(new Mount("underside of " + storey.name().toLowerCase(Locale.ROOT), at, height, 0, true));
                }
            }
        }
    }

    /** Not inside another wall, and not on ground that is somebody else's. */
    private static boolean free(HousePlan plan, PlanPoint at) {
        boolean elsewhere = plan.areas().stream().anyMatch(area -> area.kind() == Area.Kind.NEIGHBOUR && area.covers(at));
        return !elsewhere && plan.walls().stream().noneMatch(wall -> wall.covers(at));
    }
}
