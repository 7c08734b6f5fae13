package roofnest.core.plan;

import java.util.Optional;

import roofnest.core.lang.Require;

/**
 * A spot that the household cares about.
 *
 * @param groundM height of the ground there, metres
 */
public record Place(String id, String name, PlanPoint at, double groundM) {
    private static final String WISHED = "name:";

    /** Height of a grown person's face above the ground, metres. */
    public static final double FACE_M = 1.6;

    public Place {
        id = Require.text("place id", id, 60);
        name = Require.text("place name", name, 80);
        Require.inRange("ground height in metres", groundM, -20, 60);
    }

    /** How a promise speaks of a place that no plan shows yet. */
    public static String wished(String name) {
        return WISHED + name;
    }

    /** The name of a place that was spoken of before the plan had it; empty for the id of one that a plan had. */
    public static Optional<String> wishedName(String id) {
        return id.startsWith(WISHED) ? Optional.of(id.substring(WISHED.length())) : Optional.empty();
    }

    public SpacePoint face() {
        return SpacePoint.at(at, groundM + FACE_M);
    }
}
