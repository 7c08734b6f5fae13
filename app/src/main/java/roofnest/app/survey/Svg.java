package roofnest.app.survey;

import java.util.List;
import java.util.Locale;

import roofnest.core.plan.PlanPoint;
import roofnest.core.view.Projection;

/** Path texts for SVG. Plans are drawn in metres with y flipped, so that north is up. */
public final class Svg {
    private Svg() {}

    public static String closed(List<PlanPoint> points) {
        return points.isEmpty() ? "" : line(points) + "Z";
    }

    public static String line(List<PlanPoint> points) {
        StringBuilder path = new StringBuilder();
        for (PlanPoint point : points) {
            path.append(path.isEmpty() ? 'M' : 'L').append(number(point.xM())).append(' ').append(number(-point.yM()));
        }
        return path.toString();
    }

    public static String pixels(List<Projection.Pixel> outline) {
        StringBuilder path = new StringBuilder();
        for (Projection.Pixel pixel : outline) {
            // Far outside the frame exactness is of no use and long numbers are.
            path.append(path.isEmpty() ? 'M' : 'L')
                    .append(Math.round(clamp(pixel.x()))).append(' ').append(Math.round(clamp(pixel.y())));
        }
        return path.append('Z').toString();
    }

    private static double clamp(double pixel) {
        return Math.max(-20_000, Math.min(20_000, pixel));
    }

    static String number(double value) {
        return String.format(Locale.ROOT, "%.2f", value);
    }
}
