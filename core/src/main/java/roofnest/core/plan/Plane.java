package roofnest.core.plan;

import roofnest.core.lang.Require;

/** A level or sloping surface without an edge: its height at a point is {@code z0M + gx · x + gy · y}, metres. */
public record Plane(double z0M, double gx, double gy) {
    public Plane {
        Require.finite("height at the origin", z0M);
        Require.finite("rise to the east", gx);
        Require.finite("rise to the north", gy);
    }

    static Plane level(double zM) {
        return new Plane(zM, 0, 0);
    }

    public double atM(double xM, double yM) {
        return z0M + gx * xM + gy * yM;
    }
}
