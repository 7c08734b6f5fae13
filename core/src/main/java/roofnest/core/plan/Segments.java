package roofnest.core.plan;

import org.locationtech.jts.algorithm.Distance;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.geom.Polygon;

import java.util.List;

/** Plan geometry through JTS. */
public final class Segments {
    private static final GeometryFactory FACTORY = new GeometryFactory();

    private Segments() {}

    /** Distance of a point from the segment a–b, metres. */
    public static double distanceM(PlanPoint point, PlanPoint a, PlanPoint b) {
        return Distance.pointToSegment(coordinate(point), coordinate(a), coordinate(b));
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

    static Coordinate coordinate(PlanPoint point) {
        return new Coordinate(point.xM(), point.yM());
    }
}
