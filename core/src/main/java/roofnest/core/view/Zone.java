package roofnest.core.view;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

import org.locationtech.jts.algorithm.locate.IndexedPointInAreaLocator;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.geom.Location;
import org.locationtech.jts.geom.Polygon;
import org.locationtech.jts.geom.util.GeometryFixer;

import roofnest.core.catalogue.DeviceModel;
import roofnest.core.catalogue.LensSpec;
import roofnest.core.lang.Require;
import roofnest.core.plan.PlanPoint;
import roofnest.core.plan.SpacePoint;

/**
 * A part of a camera's picture in which movement counts. Kept in the picture, where the camera keeps it: when the camera
 * is turned, the zone stays where it is in the frame and lies elsewhere on the ground.
 *
 * @param corners as shares of the picture's width and height, 0 to 1, from the top left
 */
public record Zone(String name, List<Corner> corners) {
    /** Corners of one zone at most. */
    public static final int MOST_CORNERS = 24;
    /** Edges are followed in pieces of this many pixels at most, since straight lines bend on the way to the ground. */
    private static final double PIECE_PX = 40;
    private static final double FARTHEST_M = 60;
    private static final GeometryFactory FACTORY = new GeometryFactory();

    public record Corner(double acrossShare, double downShare) {
        public Corner {
            Require.inRange("share across the picture", acrossShare, 0, 1);
            Require.inRange("share down the picture", downShare, 0, 1);
        }

        Projection.Pixel pixel(LensSpec lens) {
            return new Projection.Pixel(acrossShare * lens.widthPx(), downShare * lens.heightPx());
        }
    }

    public Zone {
        name = Require.text("zone name", name, 40);
        corners = List.copyOf(corners);
        Require.inRange("corners of a zone", corners.size(), 3, MOST_CORNERS);
    }

    /** Whether a point of the picture lies in it. */
    public boolean contains(Projection.Pixel pixel, LensSpec lens) {
        Coordinate[] ring = new Coordinate[corners.size() + 1];
        for (int i = 0; i <= corners.size(); i++) {
            Projection.Pixel corner = corners.get(i % corners.size()).pixel(lens);
            ring[i] = new Coordinate(corner.x(), corner.y());
        }
        return new IndexedPointInAreaLocator(FACTORY.createPolygon(ring)).locate(new Coordinate(pixel.x(), pixel.y())) != Location.EXTERIOR;
    }

    /** Where it lies on level ground, out to 60 m; empty when all of it is at or above the horizon. */
    public List<PlanPoint> onPlan(Projection projection) {
        return onPlan(projection, corners.stream().map(corner -> corner.pixel(projection.lens())).toList());
    }

    /** Where a mask cell lies on level ground, out to 60 m. */
    public static List<PlanPoint> onPlan(Projection projection, MaskCell cell, DeviceModel.MaskGrid grid) {
        double width = (double) projection.lens().widthPx() / grid.columns();
        double height = (double) projection.lens().heightPx() / grid.rows();
        double x = cell.column() * width;
        double y = cell.row() * height;
        return onPlan(projection, List.of(new Projection.Pixel(x, y), new Projection.Pixel(x + width, y),
                new Projection.Pixel(x + width, y + height), new Projection.Pixel(x, y + height)));
    }

    private static List<PlanPoint> onPlan(Projection projection, List<Projection.Pixel> outline) {
        List<PlanPoint> ground = new ArrayList<>();
        for (int i = 0; i < outline.size(); i++) {
            Projection.Pixel a = outline.get(i);
            Projection.Pixel b = outline.get((i + 1) % outline.size());
            int pieces = Math.max(1, (int) Math.ceil(Math.hypot(b.x() - a.x(), b.y() - a.y()) / PIECE_PX));
            for (int piece = 0; piece < pieces; piece++) {
                double share = piece / (double) pieces;
                onGround(projection, new Projection.Pixel(a.x() + share * (b.x() - a.x()), a.y() + share * (b.y() - a.y())))
                        .ifPresent(ground::add);
            }
        }
        return ground.size() < 3 ? List.of() : ground;
    }

    /** Points past the limit are drawn in along their heading, so that a zone that reaches the horizon ends in an arc. */
    private static Optional<PlanPoint> onGround(Projection projection, Projection.Pixel pixel) {
        PlanPoint foot = projection.eye().onPlan();
        double[] d = projection.direction(pixel);
        double flat = Math.hypot(d[0], d[1]);
        double away = d[2] < 0 ? flat * projection.eye().zM() / -d[2] : Double.POSITIVE_INFINITY;
        if (d[2] >= 0 && d[2] > 0.35) {
            return Optional.empty();
        }
        double reach = Math.min(away, FARTHEST_M);
        return flat == 0 ? Optional.of(foot)
                : Optional.of(new PlanPoint(foot.xM() + reach * d[0] / flat, foot.yM() + reach * d[1] / flat));
    }

    /** The zone that an outline on level ground is in the picture; empty when it is outside the frame or behind the lens. */
    public static Optional<Zone> fromPlan(String name, List<PlanPoint> outline, Projection projection) {
        List<Projection.Pixel> pixels
                = new OutlineProjector(projection).project(outline.stream().map(point -> SpacePoint.at(point, 0)).toList());
        if (pixels.size() < 3) {
            return Optional.empty();
        }
        LensSpec lens = projection.lens();
        Coordinate[] ring = new Coordinate[pixels.size() + 1];
        for (int i = 0; i <= pixels.size(); i++) {
            ring[i] = new Coordinate(pixels.get(i % pixels.size()).x(), pixels.get(i % pixels.size()).y());
        }
        var frame = FACTORY.toGeometry(new Envelope(0, lens.widthPx(), 0, lens.heightPx()));
        var inFrame = GeometryFixer.fix(FACTORY.createPolygon(ring)).intersection(frame);
        Polygon largest = null;
        for (int i = 0; i < inFrame.getNumGeometries(); i++) {
            if (inFrame.getGeometryN(i) instanceof Polygon polygon && (largest == null || polygon.getArea() > largest.getArea())) {
                largest = polygon;
            }
        }
        if (largest == null || largest.isEmpty()) {
            return Optional.empty();
        }
        Coordinate[] shell = largest.getExteriorRing().getCoordinates();
        int step = Math.max(1, (int) Math.ceil((shell.length - 1.0) / MOST_CORNERS));
        List<Corner> corners = new ArrayList<>();
        for (int i = 0; i + 1 < shell.length; i += step) {
            corners.add(new Corner(shell[i].x / lens.widthPx(), shell[i].y / lens.heightPx()));
        }
        return corners.size() < 3 ? Optional.empty() : Optional.of(new Zone(name, corners));
    }
}
