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
 */
public record CameraPose(double xM, double yM, double heightM, double headingDeg, double tiltDeg) {
    public CameraPose {
        Require.inRange("x in metres", xM, -500, 500);
        Require.inRange("y in metres", yM, -500, 500);
        Require.inRange("height in metres", heightM, 0.2, 12);
        Require.finite("heading in degrees", headingDeg);
        Require.inRange("tilt in degrees", tiltDeg, -30, 90);
        headingDeg = ((headingDeg % 360) + 360) % 360;
    }

    public PlanPoint onPlan() {
        return new PlanPoint(xM, yM);
    }

    public SpacePoint lens() {
        return new SpacePoint(xM, yM, heightM);
    }
}
