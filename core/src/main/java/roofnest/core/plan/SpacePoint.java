package roofnest.core.plan;

import roofnest.core.lang.Require;

/** A point in space: plan metres and height above the ground. */
public record SpacePoint(double xM, double yM, double zM) {
    public SpacePoint {
        Require.finite("x", xM);
        Require.finite("y", yM);
        Require.finite("z", zM);
    }

    public static SpacePoint at(PlanPoint point, double zM) {
        return new SpacePoint(point.xM(), point.yM(), zM);
    }

    public double distanceM(SpacePoint other) {
        return Math.sqrt(Math.pow(xM - other.xM, 2) + Math.pow(yM - other.yM, 2) + Math.pow(zM - other.zM, 2));
    }

    public PlanPoint onPlan() {
        return new PlanPoint(xM, yM);
    }
}
