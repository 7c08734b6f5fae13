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
        double dx = xM - other.xM;
        double dy = yM - other.yM;
        double dz = zM - other.zM;
        return Math.sqrt(dx * dx + dy * dy + dz * dz);
    }

    public PlanPoint onPlan() {
        return new PlanPoint(xM, yM);
    }
}
