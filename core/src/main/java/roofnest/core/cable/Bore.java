package roofnest.core.cable;

import roofnest.core.plan.Material;
import roofnest.core.plan.SpacePoint;

/**
 * A hole that a lead goes through.
 *
 * @param material of the wall; of a floor what the plan says that floors are
 * @param floor whether it goes through a floor, plumb, and not through a wall
 * @param thicknessM of what it goes through, metres
 * @param from on the side of the socket, {@code to} on the other
 * @param outwards whether it leads out of doors, and so falls
 */
public record Bore(Material material, boolean floor, double thicknessM, SpacePoint from, SpacePoint to, boolean outwards) {
    /** A hole out of doors falls by so much, so that no rain runs in, degrees. */
    static final double FALL_DEG = 5;
    /** A bit reaches so much farther than the hole is long, millimetres. */
    static final int BIT_BEYOND_MM = 50;

    /** How far its outer end lies lower, millimetres; 0 indoors. */
    public int fallMm() {
        return outwards && !floor ? (int) Math.round(1000 * thicknessM * Math.tan(Math.toRadians(FALL_DEG))) : 0;
    }

    /** The least length of the bit that drills it, millimetres, to whole centimetres. */
    public int bitMm() {
        double hole = outwards && !floor ? thicknessM / Math.cos(Math.toRadians(FALL_DEG)) : thicknessM;
        return (int) (Math.ceil((1000 * hole + BIT_BEYOND_MM) / 10) * 10);
    }
}
