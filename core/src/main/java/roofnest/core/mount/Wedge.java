package roofnest.core.mount;

import roofnest.core.view.CameraPose;

/**
 * The wedge behind a plate that cannot be turned, as a bell's: how far the way that it is to look is from straight away from its wall.
 *
 * @param turnDeg to the right of whoever faces the wall, so that it looks to the left of itself; negative to the left
 * @param downDeg that it looks down
 */
public record Wedge(double turnDeg, double downDeg) {
    /** A plate looks a little further by itself, degrees. */
    static final double NEEDS_NONE_DEG = 4;
    /** Wedges come in steps, degrees. */
    static final double STEP_DEG = 5;
    /** One on another is the most, degrees. */
    static final double MOST_DEG = 30;

    public static Wedge of(CameraPose pose, WallFace face) {
        double turn = ((pose.headingDeg() - face.outDeg()) % 360 + 540) % 360 - 180;
        return new Wedge(turn, pose.tiltDeg());
    }

    public String words() {
        String side = step(turnDeg) == 0 ? "none to the side" : Math.abs(turnDeg) > MOST_DEG
                ? "more than a wedge turns (" + Math.round(Math.abs(turnDeg)) + "°): the other side of the door, or a corner plate"
                : step(turnDeg) + "° at its " + (turnDeg > 0 ? "right" : "left") + " edge, as one faces the wall";
        String down = step(downDeg) == 0 ? "none downwards" : Math.abs(downDeg) > MOST_DEG ? "more down than a wedge tilts"
                : step(downDeg) + "° at its " + (downDeg > 0 ? "upper" : "lower") + " edge";
        return "Wedge: " + side + "; " + down + ".";
    }

    private static long step(double deg) {
        return Math.abs(deg) <= NEEDS_NONE_DEG ? 0 : Math.max(1, Math.round(Math.abs(deg) / STEP_DEG)) * (long) STEP_DEG;
    }
}
