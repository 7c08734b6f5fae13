package roofnest.core.plan;

import java.util.List;

import roofnest.core.lang.Require;

/**
 * A straight wall standing on a storey's floor.
 *
 * @param thicknessM metres
 * @param heightM metres above the floor; absent in a document means the storey's own height, and {@link HousePlan}
 *     then fills it in
 */
public record Wall(
        String id, String storey, PlanPoint from, PlanPoint to, Material material, double thicknessM, Double heightM,
        List<Opening> openings) {

    private static final double EPSILON_M = 1e-6;

    public Wall {
        id = Require.text("wall id", id, 60);
        Require.inRange("wall thickness in metres", thicknessM, 0.01, 5);
        if (heightM != null) {
            Require.inRange("wall height in metres", heightM, 0.1, 30);
        }
        openings = openings == null ? List.of() : List.copyOf(openings);
    }

    public double lengthM() {
        return from.distanceM(to);
    }

    Wall withHeight(double newHeightM) {
        return new Wall(id, storey, from, to, material, thicknessM, newHeightM, openings);
    }

    /** What stands at a point of the wall: an opening's material, or the wall's own. */
    public Material materialAt(double alongM, double aboveFloorM) {
        for (Opening opening : openings) {
            if (opening.covers(alongM, aboveFloorM)) {
                return opening.material();
            }
        }
        return material;
    }

    /** The wall moved to its face on the side of a point, as a sheet there. */
    public Wall facing(PlanPoint point) {
        double heading = from.headingToDeg(to);
        double left = (to.xM() - from.xM()) * (point.yM() - from.yM()) - (to.yM() - from.yM()) * (point.xM() - from.xM());
        double aside = left > 0 ? heading - 90 : heading + 90;
        return new Wall(id, storey, from.towards(aside, thicknessM / 2), to.towards(aside, thicknessM / 2), material, thicknessM, heightM,
                openings);
    }

    /** Whether a point of the plan lies inside its thickness. */
    public boolean covers(PlanPoint point) {
        return Segments.distanceM(point, from, to) < thicknessM / 2 - EPSILON_M;
    }

    /** The point this far along the wall from its start, metres. */
    public PlanPoint along(double alongM) {
        double share = alongM / lengthM();
        return new PlanPoint(from.xM() + share * (to.xM() - from.xM()), from.yM() + share * (to.yM() - from.yM()));
    }
}
