package roofnest.core.plan;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonValue;

import roofnest.core.lang.Require;

/** A point of the plan, metres east and north of the plan's origin; in documents a pair {@code [x, y]}. */
public record PlanPoint(double xM, double yM) {
    public static final double EXTENT_M = 500;

    public PlanPoint {
        Require.inRange("x in metres", xM, -EXTENT_M, EXTENT_M);
        Require.inRange("y in metres", yM, -EXTENT_M, EXTENT_M);
    }

    @JsonCreator(mode = JsonCreator.Mode.DELEGATING)
    public static PlanPoint of(double[] pair) {
        if (pair.length != 2) {
            throw new IllegalArgumentException("a point is two numbers, not " + pair.length);
        }
        return new PlanPoint(pair[0], pair[1]);
    }

    @JsonValue
    public double[] pair() {
        return new double[] {xM, yM};
    }

    public double distanceM(PlanPoint other) {
        double dx = xM - other.xM;
        double dy = yM - other.yM;
        return Math.sqrt(dx * dx + dy * dy);
    }

    /** The point this far along a heading clockwise from north (y), in degrees. */
    public PlanPoint towards(double headingDeg, double distanceM) {
        double heading = Math.toRadians(headingDeg);
        return new PlanPoint(xM + distanceM * Math.sin(heading), yM + distanceM * Math.cos(heading));
    }

    /** Heading to another point, degrees clockwise from north, 0 up to but not including 360. */
    public double headingToDeg(PlanPoint other) {
        double heading = Math.toDegrees(Math.atan2(other.xM - xM, other.yM - yM));
        return heading < 0 ? heading + 360 : heading;
    }
}
