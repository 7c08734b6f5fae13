package roofnest.core.still;

import roofnest.core.lang.Require;
import roofnest.core.plan.SpacePoint;

/**
 * A point of the plan that can be found in a picture, such as a door's foot or a window's corner.
 *
 * @param id of the point on this plan, the same from wherever it is looked at
 * @param name in the words of somebody who stands there
 */
public record Landmark(String id, String name, SpacePoint at) {
    public Landmark {
        id = Require.text("landmark id", id, 120);
        name = Require.text("landmark name", name, 160);
    }
}
