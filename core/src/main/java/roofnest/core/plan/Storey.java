package roofnest.core.plan;

import java.util.List;

import org.locationtech.jts.algorithm.locate.SimplePointInAreaLocator;
import org.locationtech.jts.geom.Location;

import roofnest.core.lang.Require;

/**
 * One floor of the house.
 *
 * @param floorM height of its floor above the ground, metres; negative for a cellar
 * @param heightM floor to ceiling, metres
 * @param slab outline of the floor between this storey and the one below, where there is one
 */
public record Storey(String id, String name, double floorM, double heightM, List<PlanPoint> slab) {
    public Storey {
        id = Require.text("storey id", id, 60);
        name = Require.text("storey name", name, 80);
        Require.inRange("floor height in metres", floorM, -20, 60);
        Require.inRange("storey height in metres", heightM, 1, 10);
        slab = slab == null ? List.of() : List.copyOf(slab);
    }

    /** Whether its floor reaches over a point of the plan. */
    public boolean covers(PlanPoint point) {
        return slab.size() >= 3 && SimplePointInAreaLocator.locate(Segments.coordinate(point), Segments.polygon(slab)) != Location.EXTERIOR;
    }
}
