package roofnest.standins.hanging;

import java.util.Random;

import roofnest.core.view.CameraPose;

/** How a stand-in camera really hangs: as hands on a ladder leave it, a little off its plan. */
public final class HungAskew {
    private static final double LEAST_TURN_DEG = 2.5;
    private static final double MOST_TURN_DEG = 6;
    private static final double TILT_DEG = 3;
    private static final double ROLL_DEG = 2.5;
    /** As well as one turns a joint by hand. */
    private static final double BY_HAND_DEG = 0.4;
    private static final double PLACE_M = 0.08;
    private static final double LOWEST_M = 0.3;

    private HungAskew() {}

    /** @param seed of this camera's hanging: the same each time */
    public static CameraPose of(CameraPose planned, long seed) {
        Random random = new Random(seed);
        double turn = (random.nextBoolean() ? 1 : -1) * (LEAST_TURN_DEG + (MOST_TURN_DEG - LEAST_TURN_DEG) * random.nextDouble());
        return new CameraPose(planned.xM() + off(random, PLACE_M), planned.yM() + off(random, PLACE_M),
                Math.max(LOWEST_M, Math.min(12, planned.heightM() + off(random, PLACE_M))), planned.headingDeg() + turn,
                Math.max(-30, Math.min(90, planned.tiltDeg() + off(random, TILT_DEG))),
                Math.max(-180, Math.min(180, planned.rollDeg() + off(random, ROLL_DEG))));
    }

    /** The same, turned by hand to what it was to look at: where it hangs it stays. */
    public static CameraPose turned(CameraPose planned, long seed) {
        CameraPose hung = of(planned, seed);
        Random random = new Random(~seed);
        return hung.turned(planned.headingDeg() + off(random, BY_HAND_DEG), Math.max(-30, Math.min(90, planned.tiltDeg() + off(random,
                BY_HAND_DEG))), Math.max(-180, Math.min(180, planned.rollDeg() + off(random, BY_HAND_DEG))));
    }

    private static double off(Random random, double most) {
        return most * (2 * random.nextDouble() - 1);
    }
}
