package roofnest.core.spots;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;

import roofnest.core.catalogue.MountSpec;
import roofnest.core.judge.House;
import roofnest.core.plan.Area;
import roofnest.core.plan.HousePlan;
import roofnest.core.plan.Material;
import roofnest.core.plan.Plate;
import roofnest.core.plan.PlanPoint;
import roofnest.core.plan.Segments;
import roofnest.core.plan.Shell;
import roofnest.core.plan.Storey;
import roofnest.core.plan.Wall;

/**
 * A spot where a camera can be screwed on: out of doors on a wall or under a floor or roof that juts out, or in a room on its
 * wall. Heights are reckoned from what one stands on there: the ground, or the room's floor.
 *
 * @param on what it is screwed to, in words
 * @param outwardDeg heading straight away from the wall; a soffit looks every way
 */
record Mount(String on, PlanPoint at, double heightM, double outwardDeg, boolean soffit) {
    private static final double STEP_M = 0.5;
    /** Over the ground or the room's floor, metres. */
    private static final double[] HEIGHTS_M = {2.4, 2.7, 3.1};
    /** From the wall's face to the lens, metres. */
    private static final double ARM_M = 0.12;
    /** Below a floor that juts out, so that its own light clears it, metres. */
    private static final double UNDER_SOFFIT_M = 0.42;
    /** Soffits between these heights over the ground are worth a ladder, metres. */
    private static final double LEAST_SOFFIT_M = 1.8;
    private static final double MOST_SOFFIT_M = 4;
    /** A lens and its foot need this much below a ceiling or the top of a wall, metres. */
    private static final double BELOW_TOP_M = 0.1;
    /** An edge of a roof that reaches less far beyond the wall than this has nothing under it to screw on, metres. */
    private static final double LEAST_OVERHANG_M = 0.25;

    /**
     * Every 0.5 m along both faces of every wall that holds a screw, at three heights, and under the edges of floors and roofs
     * that jut out; indoors and outdoors as the model may hang.
     */
    static List<Mount> on(House house, MountSpec model) {
        List<Mount> mounts = new ArrayList<>();
        for (Wall wall : house.plan().walls()) {
            if (holdsScrews(wall.material())) {
                along(mounts, house, wall, model);
            }
        }
        if (model.outdoors()) {
            Shell shell = house.crossings().shell();
            for (Storey storey : house.plan().storeys()) {
                shell.floors().stream().filter(floor -> floor.plane().z0M() == storey.floorM())
                        .forEach(floor -> under(mounts, house, floor, "underside of " + storey.name().toLowerCase(Locale.ROOT), 0));
            }
            shell.roofs().forEach(roof -> under(mounts, house, roof, "eaves", LEAST_OVERHANG_M / 2));
        }
        return mounts;
    }

    private static boolean holdsScrews(Material material) {
        return switch (material) {
            case GLASS, COATED_GLASS, HEDGE, OPEN, FOLIAGE, WATER_TANK -> false;
            default -> true;
        };
    }

    private static void along(List<Mount> mounts, House house, Wall wall, MountSpec model) {
        HousePlan plan = house.plan();
        Shell shell = house.crossings().shell();
        double heading = wall.from().headingToDeg(wall.to());
        double base = plan.baseM(wall);
        Storey storey = plan.storey(wall.storey()).orElseThrow();
        String on = wall.material().words() + " wall";
        for (double along = STEP_M / 2; along < wall.lengthM(); along += STEP_M) {
            PlanPoint middle = wall.along(along);
            double top = shell.topM(wall, middle.xM(), middle.yM()) - BELOW_TOP_M;
            for (double side : new double[] {90, 270}) {
                PlanPoint at = middle.towards(heading + side, wall.thicknessM() / 2 + ARM_M);
                if (!free(plan, at)) {
                    continue;
                }
                for (double height : HEIGHTS_M) {
                    double inside = storey.floorM() + height;
                    boolean room = shell.room(at, inside).filter(storey::equals).isPresent() && inside <= storey.ceilingM() - BELOW_TOP_M;
                    double outside = house.ground().heightM(at) + height;
                    double z = room ? inside : outside;
                    boolean allowed = room ? model.mayHangIndoors() : model.outdoors() && !shell.indoors(at, outside);
                    if (allowed && z >= base && z <= top && wall.materialAt(along, z - base) == wall.material()) {
                        mounts.add(new Mount(on, at, z, (heading + side) % 360, false));
                    }
                }
            }
        }
    }

    /** Along the edges of something that lies, so far in from them. */
    private static void under(List<Mount> mounts, House house, Plate plate, String on, double inM) {
        Geometry lies = inM == 0 ? plate.outline() : plate.outline().buffer(-inM);
        for (int part = 0; part < lies.getNumGeometries(); part++) {
            Coordinate[] ring = lies.getGeometryN(part).getCoordinates();
            for (int i = 0; i + 1 < ring.length; i++) {
                PlanPoint a = new PlanPoint(ring[i].x, ring[i].y);
                PlanPoint b = new PlanPoint(ring[i + 1].x, ring[i + 1].y);
                for (double along = STEP_M / 2; along < a.distanceM(b); along += STEP_M) {
                    under(mounts, house, plate, on, a.towards(a.headingToDeg(b), along));
                }
            }
        }
    }

    private static void under(List<Mount> mounts, House house, Plate plate, String on, PlanPoint at) {
        double height = plate.plane().atM(at.xM(), at.yM()) - UNDER_SOFFIT_M;
        double overGround = height - house.ground().heightM(at);
        if (overGround > LEAST_SOFFIT_M && overGround <= MOST_SOFFIT_M && !house.crossings().shell().indoors(at, height)
                && free(house.plan(), at) && house.plan().walls().stream()
                        .allMatch(wall -> Segments.distanceM(at, wall.from(), wall.to()) > wall.thicknessM() / 2 + ARM_M)) {
            mounts.add(new Mount(on, at, height, 0, true));
        }
    }

    /** Not inside another wall, and not on ground that is somebody else's. */
    private static boolean free(HousePlan plan, PlanPoint at) {
        boolean elsewhere = plan.areas().stream().anyMatch(area -> area.kind() == Area.Kind.NEIGHBOUR && area.covers(at));
        return !elsewhere && plan.walls().stream().noneMatch(wall -> wall.covers(at));
    }
}
