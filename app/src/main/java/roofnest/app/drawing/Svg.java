package roofnest.app.drawing;

import java.util.List;
import java.util.stream.Stream;

import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.LinearRing;
import org.locationtech.jts.geom.Polygon;

import roofnest.core.plan.PlanPoint;
import roofnest.core.view.Projection;

/** Path texts for SVG. Plans are drawn in metres with y flipped, so that north is up. */
public final class Svg {
    private Svg() {}

    public static String closed(List<PlanPoint> points) {
        return points.isEmpty() ? "" : line(points) + "Z";
    }

    /** Polygons with their holes, for filling by the even-odd rule. */
    public static String area(Geometry geometry) {
        StringBuilder path = new StringBuilder();
        for (int part = 0; part < geometry.getNumGeometries(); part++) {
            if (geometry.getGeometryN(part) instanceof Polygon polygon && !polygon.isEmpty()) {
                path.append(ring(polygon.getExteriorRing()));
                for (int hole = 0; hole < polygon.getNumInteriorRing(); hole++) {
                    path.append(ring(polygon.getInteriorRingN(hole)));
                }
            }
        }
        return path.toString();
    }

    private static String ring(LinearRing ring) {
        return closed(Stream.of(ring.getCoordinates()).skip(1).map(corner -> new PlanPoint(corner.x, corner.y)).toList());
    }

    public static String line(List<PlanPoint> points) {
        StringBuilder path = new StringBuilder();
        for (PlanPoint point : points) {
            path.append(path.isEmpty() ? 'M' : 'L').append(number(point.xM())).append(' ').append(number(-point.yM()));
        }
        return path.toString();
    }

    /** A line whose corners are rounded by running through the middles of its legs as a quadratic spline. */
    public static String smooth(List<PlanPoint> points) {
        if (points.size() < 4) {
            return line(points);
        }
        StringBuilder path = new StringBuilder("M" + pair(points.get(0)));
        for (int i = 1; i < points.size() - 1; i++) {
            PlanPoint here = points.get(i);
            PlanPoint next = points.get(i + 1);
            PlanPoint middle = new PlanPoint((here.xM() + next.xM()) / 2, (here.yM() + next.yM()) / 2);
            path.append('Q').append(pair(here)).append(' ').append(pair(middle));
        }
        return path.append('L').append(pair(points.get(points.size() - 1))).toString();
    }

    private static String pair(PlanPoint point) {
        return number(point.xM()) + " " + number(-point.yM());
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

    public static String number(double value) {
        return number(value, 2);
    }

    /** Plain decimals, without trailing zeros after whole numbers; a formatter would be a third of a picture's time. */
    public static String number(double value, int decimals) {
        long scale = decimals == 2 ? 100 : Math.round(Math.pow(10, decimals));
        long steps = Math.round(value * scale);
        long whole = Math.abs(steps) / scale;
        long part = Math.abs(steps) % scale;
        String sign = steps < 0 ? "-" : "";
        if (part == 0) {
            return sign + whole;
        }
        String digits = Long.toString(part);
        return sign + whole + "." + "0".repeat(decimals - digits.length()) + digits;
    }
}
