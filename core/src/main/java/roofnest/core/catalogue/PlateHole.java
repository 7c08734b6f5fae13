package roofnest.core.catalogue;

import roofnest.core.lang.Require;

/**
 * A screw's hole in a plate, from the plate's middle as it hangs.
 *
 * @param xMm to the right, millimetres
 * @param yMm upwards, millimetres
 */
public record PlateHole(double xMm, double yMm) {
    /** No plate reaches farther from its middle, millimetres. */
    public static final double FARTHEST_MM = 80;
    /** Two holes closer than this would be one, millimetres. */
    static final double APART_MM = 5;

    public PlateHole {
        Require.inRange("hole to the right in mm", xMm, -FARTHEST_MM, FARTHEST_MM);
        Require.inRange("hole upwards in mm", yMm, -FARTHEST_MM, FARTHEST_MM);
    }

    double apartMm(PlateHole other) {
        return Math.hypot(xMm - other.xMm, yMm - other.yMm);
    }
}
