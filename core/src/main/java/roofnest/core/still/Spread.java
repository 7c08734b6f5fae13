package roofnest.core.still;

import roofnest.core.lang.Require;

/**
 * How sure a pose is: within these, either way, the truth lies in 95 of 100 cases, if the plan is right.
 *
 * @param placeM on the plan, in the direction in which it is least sure, metres
 */
public record Spread(double placeM, double heightM, double headingDeg, double tiltDeg, double rollDeg) {
    public Spread {
        Require.inRange("spread of the place in metres", placeM, 0, Double.MAX_VALUE);
        Require.inRange("spread of the height in metres", heightM, 0, Double.MAX_VALUE);
        Require.inRange("spread of the heading in degrees", headingDeg, 0, Double.MAX_VALUE);
        Require.inRange("spread of the tilt in degrees", tiltDeg, 0, Double.MAX_VALUE);
        Require.inRange("spread of the roll in degrees", rollDeg, 0, Double.MAX_VALUE);
    }
}
