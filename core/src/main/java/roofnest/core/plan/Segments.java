package roofnest.core.plan;

import org.locationtech.jts.algorithm.Distance;
import org.locationtech.jts.algorithm.RobustLineIntersector;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.geom.Polygon;
import org.locationtech.jts.simplify.DouglasPeuckerSimplifier;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/** Plan geometry through JTS. */
public final class Segments {
    private static final GeometryFactory FACTORY = new GeometryFactory();

    private Segments() {}

    /** Distance of a point from the segment a–b, metres. */
    public static double distanceM(PlanPoint point, PlanPoint a, PlanPoint b) {
        return Distance.pointToSegment(coordinate(point), coordinate(a), coordinate(b));
    }

    /** Whether a segment may come within reach of a point: most walls of a house do not, and need no distance. */
    public static boolean mayReach(PlanPoint point, PlanPoint a, PlanPoint b, double reachM) {
        return Math.min(a.xM(), b.xM()) - reachM <= point.xM() && Math.max(a.xM(), b.xM()) + reachM >= point.xM()
                && Math.min(a.yM(), b.yM()) - reachM <= point.yM() && Math.max(a.yM(), b.yM()) + reachM >= point.yM();
    }

    /** A closed polygon over an outline of three points or more. */
    public static Polygon polygon(List<PlanPoint> outline) {
        Coordinate[] ring = new Coordinate[outline.size() + 1];
        for (int i = 0; i < outline.size(); i++) {
            ring[i] = coordinate(outline.get(i));
        }
        ring[outline.size()] = ring[0].copy();
        return FACTORY.createPolygon(ring);
    }

    /** The same, made valid where the outline touches or crosses itself. */
    static Geometry sound(List<PlanPoint> outline) {
        Polygon polygon = polygon(outline);
        return polygon.isValid() ? polygon : polygon.buffer(0);
    }

    /** Segments touching within this distance of an end meet; they do not cross, metres. */
    private static final double MEETING_M = 0.05;

    /** Where two segments run through one another, both going on beyond it; empty where they only meet or end. */
    static Optional<PlanPoint> crossing(PlanPoint a, PlanPoint b, PlanPoint c, PlanPoint d) {
        if (Math.max(a.xM(), b.xM()) < Math.min(c.xM(), d.xM()) || Math.max(c.xM(), d.xM()) < Math.min(a.xM(), b.xM())
                || Math.max(a.yM(), b.yM()) < Math.min(c.yM(), d.yM()) || Math.max(c.yM(), d.yM()) < Math.min(a.yM(), b.yM())) {
            return Optional.empty();
        }
        RobustLineIntersector lines = new RobustLineIntersector();
        lines.computeIntersection(coordinate(a), coordinate(b), coordinate(c), coordinate(d));
        if (lines.getIntersectionNum() != 1) {
            return Optional.empty();
        }
        Coordinate at = lines.getIntersection(0);
        PlanPoint point = new PlanPoint(at.x, at.y);
        boolean meets = Stream.of(a, b, c, d).anyMatch(end -> end.distanceM(point) <= MEETING_M);
        return meets ? Optional.empty() : Optional.of(point);
    }

    /** How far two segments lie on one another, metres; 0 unless they run along the same line. */
    static double overlapM(PlanPoint a, PlanPoint b, PlanPoint c, PlanPoint d) {
        double length = a.distanceM(b);
        double ux = (b.xM() - a.xM()) / length;
        double uy = (b.yM() - a.yM()) / length;
        double besideC = Math.abs((c.xM() - a.xM()) * uy - (c.yM() - a.yM()) * ux);
        double besideD = Math.abs((d.xM() - a.xM()) * uy - (d.yM() - a.yM()) * ux);
        if (length == 0 || besideC > 0.02 || besideD > 0.02) {
            return 0;
        }
        double alongC = (c.xM() - a.xM()) * ux + (c.yM() - a.yM()) * uy;
        double alongD = (d.xM() - a.xM()) * ux + (d.yM() - a.yM()) * uy;
        return Math.max(0, Math.min(length, Math.max(alongC, alongD)) - Math.max(0, Math.min(alongC, alongD)));
    }

    /**
     * A line with the corners left out that move it by less than a tolerance.
     * Source: Douglas and Peucker, "Algorithms for the reduction of the number of points", Cartographica 10(2), 1973.
     */
    public static List<PlanPoint> simplified(List<PlanPoint> line, double toleranceM) {
        Coordinate[] points = line.stream().map(Segments::coordinate).toArray(Coordinate[]::new);
        return Stream.of(DouglasPeuckerSimplifier.simplify(FACTORY.createLineString(points), toleranceM).getCoordinates())
                .map(point -> new PlanPoint(point.x, point.y)).toList();
    }

    public static Coordinate coordinate(PlanPoint point) {
        return new Coordinate(point.xM(), point.yM());
    }
}
