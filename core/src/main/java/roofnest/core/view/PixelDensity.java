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
        double dx = target.xM() - projection.eye().xM();
        double dy = target.yM() - projection.eye().yM();
        double flat = Math.sqrt(dx * dx + dy * dy);
        if (flat < 1e-6) {
            return 0;
        }
        double sideX = -dy / flat * 0.5;
        double sideY = dx / flat * 0.5;
        var left = projection.pixel(new SpacePoint(target.xM() + sideX, target.yM() + sideY, target.zM()));
        var right = projection.pixel(new SpacePoint(target.xM() - sideX, target.yM() - sideY, target.zM()));
        if (left.isEmpty() || right.isEmpty()) {
            return 0;
        }
        double across = left.get().x() - right.get().x();
        double down = left.get().y() - right.get().y();
        return Math.sqrt(across * across + down * down);
    }
}
