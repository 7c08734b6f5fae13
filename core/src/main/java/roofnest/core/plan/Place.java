package roofnest.core.plan;

import roofnest.core.lang.Require;

/**
 * A spot that the household cares about.
 *
 * @param groundM height of the ground there, metres
 */
public record Place(String id, String name, PlanPoint at, double groundM) {
    /** Height of a grown person's face above the ground, metres. */
    public static final double FACE_M = 1.6;

    public Place {
        id = Require.text("place id", id, 60);
        name = Require.text("place name", name, 80);
        Require.inRange("ground height in metres", groundM, -20, 60);
    }

    public SpacePoint face() {
        return SpacePoint.at(at, groundM + FACE_M);
    }
}
