package roofnest.core.view;

import roofnest.core.lang.Require;
import roofnest.core.plan.PlanPoint;
import roofnest.core.plan.SpacePoint;

/**
 * Where a camera is and where it looks.
 *
 * @param heightM of the lens above the ground, metres
 * @param headingDeg of the picture's middle, clockwise from north, 0 up to 360
 * @param tiltDeg below the horizon, degrees; 0 is level, 90 straight down
 * @param rollDeg of its body about the way it looks, clockwise as seen from behind it, from −180 to 180; 0 is upright, 180 upside down
 */
public record CameraPose(double xM, double yM, double heightM, double headingDeg, double tiltDeg, double rollDeg) {
    /** Nothing of this trade hangs higher, metres. */
    public static final double MOST_HEIGHT_M = 12;

    public CameraPose {
        Require.inRange("x in metres", xM, -500, 500);
        Require.inRange("y in metres", yM, -500, 500);
        Require.inRange("height in metres", heightM, 0.2, MOST_HEIGHT_M);
        Require.finite("heading in degrees", headingDeg);
        Require.inRange("tilt in degrees", tiltDeg, -30, 90);
        Require.inRange("roll in degrees", rollDeg, -180, 180);
        headingDeg = ((headingDeg % 360) + 360) % 360;
    }

    /** Upright, as every camera is planned. */
    public CameraPose(double xM, double yM, double heightM, double headingDeg, double tiltDeg) {
        this(xM, yM, heightM, headingDeg, tiltDeg, 0);
    }

    /** The same way of looking from another height. */
    public CameraPose atHeight(double newHeightM) {
        return new CameraPose(xM, yM, newHeightM, headingDeg, tiltDeg, rollDeg);
    }

    /** Turned otherwise at the same place. */
    public CameraPose turned(double newHeadingDeg, double newTiltDeg, double newRollDeg) {
        return new CameraPose(xM, yM, heightM, newHeadingDeg, newTiltDeg, newRollDeg);
    }

    public PlanPoint onPlan() {
        return new PlanPoint(xM, yM);
    }

    public SpacePoint lens() {
        return new SpacePoint(xM, yM, heightM);
    }
}
