package roofnest.core.judge;

import java.util.Optional;
import java.util.function.Function;

import roofnest.core.view.CameraPose;

/**
 * How a panel would get most out of the bad year: leant and turned where it is, and somewhere near where there is more sun.
 *
 * @param slopeDeg and {@code headingDeg} on the plan that leave most on the lowest day
 * @param lowestPercent with these
 * @param elsewhere a better place within reach of a few metres of lead, if one is worth saying
 */
public record PanelAdvice(double slopeDeg, double headingDeg, double lowestPercent, Optional<Elsewhere> elsewhere) {
    private static final double[] SLOPES_DEG = {30, 45, 60, 75, 90};
    private static final int HEADINGS = 8;
    private static final double[] LEADS_M = {1, 2, 3};
    /** A place that wins less than this is not worth the cable. */
    private static final double LEAST_GAIN_PERCENT = 3;

    /** @param way in which the panel is led off, such as "to its left" */
    public record Elsewhere(double leadM, String way, double lowestPercent) {}

    /** @param lowest of the bad year of a camera, percent */
    static PanelAdvice of(Camera camera, Function<Camera, Double> lowest) {
        Camera best = camera.withSettings(camera.settings().withPanel(0, 0));
        double most = lowest.apply(best);
        for (double slope : SLOPES_DEG) {
            for (int turn = 0; turn < HEADINGS; turn++) {
                Camera tried = camera.withSettings(camera.settings().withPanel(slope, 360.0 * turn / HEADINGS));
                double left = lowest.apply(tried);
                if (left > most + 0.05) {
                    most = left;
                    best = tried;
                }
            }
        }
        Elsewhere elsewhere = null;
        for (double leadM : LEADS_M) {
            for (Elsewhere place : places(best, leadM, lowest)) {
                boolean better = place.lowestPercent() > most + LEAST_GAIN_PERCENT * leadM
                        && (elsewhere == null || place.lowestPercent() > elsewhere.lowestPercent() + LEAST_GAIN_PERCENT);
                elsewhere = better ? place : elsewhere;
            }
        }
        return new PanelAdvice(best.settings().panelSlopeDeg(), best.settings().panelHeadingDeg(), most, Optional.ofNullable(elsewhere));
    }

    private static Elsewhere[] places(Camera camera, double leadM, Function<Camera, Double> lowest) {
        CameraPose p = camera.pose();
        double right = Math.toRadians(p.headingDeg() + 90);
        double dx = leadM * Math.sin(right);
        double dy = leadM * Math.cos(right);
        return new Elsewhere[] {
            new Elsewhere(leadM, "to its right", lowest.apply(at(camera, p.xM() + dx, p.yM() + dy, p.heightM()))),
            new Elsewhere(leadM, "to its left", lowest.apply(at(camera, p.xM() - dx, p.yM() - dy, p.heightM()))),
            new Elsewhere(leadM, "up", lowest.apply(at(camera, p.xM(), p.yM(), Math.min(12, p.heightM() + leadM))))};
    }

    private static Camera at(Camera camera, double xM, double yM, double zM) {
        CameraPose p = camera.pose();
        return camera.withPose(new CameraPose(xM, yM, zM, p.headingDeg(), p.tiltDeg()));
    }
}
