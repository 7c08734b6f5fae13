package roofnest.core.cable;

import roofnest.core.catalogue.Climb;
import roofnest.core.catalogue.Practice;
import roofnest.core.plan.Material;

/**
 * What a piece of a way is as bad as, in metres of lead clipped in plain sight at the height of one's hands: looks, drilling and
 * climbing in one figure. Ordinary judgement of the trade; they decide which way is proposed and stand on no bill.
 */
final class Effort {
    /** Along a skirting it is hardly seen. */
    static final double SKIRTING = 0.6;
    /** Nor along eaves or the angle of wall and ceiling. */
    static final double UNDER_THE_TOP = 0.7;
    /** Up a corner. */
    static final double CORNER = 0.8;
    /** Outdoors where a hand reaches it, it is cut and knocked. */
    static final double WITHIN_REACH = 1.3;
    /** Worked on from steps, and from a ladder. */
    static final double FROM_STEPS = 1.2;
    static final double FROM_A_LADDER = 1.6;
    /** Over a door and its frame. */
    static final double A_DOOR_M = 1.5;
    /** To begin a hole, and to close it again. */
    static final double A_HOLE_M = 2;
    /** Through a floor, whatever it is made of. */
    static final double A_FLOOR_M = 6;
    /** No bit in a van is longer, metres. */
    static final double LONGEST_BIT_M = 1;

    private Effort() {}

    static double climbing(Practice practice, double overFootM) {
        Climb climb = practice.climb(overFootM);
        return climb == Climb.LADDER ? FROM_A_LADDER : climb == Climb.STEPS ? FROM_STEPS : 1;
    }

    /** Whether clips hold on it. */
    static boolean holdsClips(Material material) {
        return switch (material) {
            case GLASS, COATED_GLASS, HEDGE, OPEN, FOLIAGE, WATER_TANK -> false;
            default -> true;
        };
    }

    /** Whether a lead is led through it at all. */
    static boolean mayBeDrilled(Material material, double thicknessM) {
        return holdsClips(material) && thicknessM <= LONGEST_BIT_M;
    }

    /** A hole through so much of a material, as metres. */
    static double holeM(Material material, double thicknessM) {
        return A_HOLE_M + thicknessM * switch (material) {
            case PLASTERBOARD -> 2;
            case TIMBER, FOIL -> 5;
            case BRICK, CAVITY_BRICK, METAL -> 10;
            case STONE -> 15;
            case CONCRETE -> 20;
            case GLASS, COATED_GLASS, HEDGE, OPEN, FOLIAGE, WATER_TANK -> Double.POSITIVE_INFINITY;
        };
    }
}
