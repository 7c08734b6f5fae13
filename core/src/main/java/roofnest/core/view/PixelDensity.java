package roofnest.core.view;

import roofnest.core.plan.SpacePoint;

/**
 * Pixels across one metre placed at a target, facing the camera: the measure of EN 62676-4. On the axis of a
 * rectilinear lens it is {@code W / (2 d tan(HFOV/2))}; elsewhere the two ends of the metre are projected.
 */
public final class PixelDensity {
    private PixelDensity() {}

    /** Density at a point, px/m; 0 when the metre there is not wholly ahead of the lens. */
    public static double atPxPerM(Projection projection, SpacePoint target) {
        return atPxPerM(projection, target.xM(), target.yM(), target.zM());
    }

    static double atPxPerM(Projection projection, double xM, double yM, double zM) {
        double dx = xM - projection.eye().xM();
        double dy = yM - projection.eye().yM();
        double flat = Math.sqrt(dx * dx + dy * dy);
        if (flat < 1e-6) {
            return 0;
        }
        double sideX = -dy / flat * 0.5;
        double sideY = dx / flat * 0.5;
        Projection.InLens left = projection.inLens(xM + sideX, yM + sideY, zM);
        Projection.InLens right = projection.inLens(xM - sideX, yM - sideY, zM);
        if (left.aheadM() < Projection.NEAR_M || right.aheadM() < Projection.NEAR_M) {
            return 0;
        }
        Projection.Pixel one = projection.pixel(left);
        Projection.Pixel other = projection.pixel(right);
        double across = one.x() - other.x();
        double down = one.y() - other.y();
        return Math.sqrt(across * across + down * down);
    }
}
