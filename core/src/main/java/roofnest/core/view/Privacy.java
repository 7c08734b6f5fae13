package roofnest.core.view;

import java.util.Set;
import java.util.TreeSet;

import org.locationtech.jts.algorithm.PointLocation;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Polygon;

import roofnest.core.catalogue.DeviceModel;
import roofnest.core.catalogue.LensSpec;
import roofnest.core.plan.Area;
import roofnest.core.plan.Plane;
import roofnest.core.plan.Segments;
import roofnest.core.plan.SpacePoint;

/**
 * How much of a picture is one area of ground and not hidden by anything, found by following the line of sight of
 * {@link #SAMPLES_A_CELL}² points of every mask cell to its ground, level or sloping; and the mask cells that hide it. Every cell that
 * shows any of the area has to go, so that set is the smallest that covers it. The lines are followed once, for any
 * number of areas.
 */
public final class Privacy {
    private static final int SAMPLES_A_CELL = 4;
    /** For models that cannot mask, the grid that is sampled. */
    private static final DeviceModel.MaskGrid PLAIN_GRID = new DeviceModel.MaskGrid(16, 9);
    private static final double FARTHEST_M = 80;
    /** A lens lower over the ground than this may see it nearer than outlines are drawn. */
    private static final double LEAST_DROP_M = 0.5;

    private final Eye eye;
    private final int columns;
    private final int rows;
    /** The way each line goes, as east, north and up, length one; of each row found when first needed. */
    private final double[][] ways;

    public Privacy(Eye eye, DeviceModel.MaskGrid modelGrid) {
        this.eye = eye;
        DeviceModel.MaskGrid grid = modelGrid.canMask() ? modelGrid : PLAIN_GRID;
        columns = grid.columns() * SAMPLES_A_CELL;
        rows = grid.rows() * SAMPLES_A_CELL;
        ways = new double[rows][];
    }

    /** The ways of one row of samples. */
    private synchronized double[] ways(int row) {
        if (ways[row] == null) {
            double[] all = new double[3 * columns];
            double[] d = new double[3];
            for (int column = 0; column < columns; column++) {
                eye.projection().direction((column + 0.5) / columns * eye.lens().widthPx(), (row + 0.5) / rows * eye.lens().heightPx(), d);
                System.arraycopy(d, 0, all, 3 * column, 3);
            }
            ways[row] = all;
        }
        return ways[row];
    }

    /**
     * @param sharePercent of the whole picture that shows the area, after the cells already masked, percent
     * @param cells that show it
     */
    public record Exposure(double sharePercent, Set<MaskCell> cells) {}

    public static Exposure of(Eye eye, Area area, DeviceModel.MaskGrid modelGrid, Set<MaskCell> masked) {
        return new Privacy(eye, modelGrid).of(area, masked);
    }

    public Exposure of(Area area, Set<MaskCell> masked) {
        Polygon polygon = Segments.polygon(area.outline());
        Envelope box = polygon.getEnvelopeInternal();
        Coordinate[] outline = polygon.getExteriorRing().getCoordinates();
        Plane ground = area.plane();
        double drop = eye.pose().heightM() - ground.atM(eye.pose().xM(), eye.pose().yM());
        Envelope within = drop > 0 ? within(area, drop) : new Envelope();
        Set<MaskCell> cells = new TreeSet<>();
        if (within.isNull()) {
            return new Exposure(0, cells);
        }
        int showing = 0;
        for (int row = first(within.getMinY(), rows, eye.lens().heightPx()); row < end(within.getMaxY(), rows,
                eye.lens().heightPx()); row++) {
            double[] way = ways(row);
            for (int column = first(within.getMinX(), columns, eye.lens().widthPx()); column < end(within.getMaxX(), columns,
                    eye.lens().widthPx()); column++) {
                if (shows(way, 3 * column, drop, ground, box, outline)) {
                    MaskCell cell = new MaskCell(column / SAMPLES_A_CELL, row / SAMPLES_A_CELL);
                    if (!masked.contains(cell)) {
                        showing++;
                        cells.add(cell);
                    }
                }
            }
        }
        return new Exposure(100.0 * showing / (columns * rows), cells);
    }

    /** Whether the line of a sample ends on the area and nothing hides it. */
    private boolean shows(double[] way, int at, double drop, Plane ground, Envelope box, Coordinate[] outline) {
        double fall = ground.gx() * way[at] + ground.gy() * way[at + 1] - way[at + 2];
        double reach = fall > 1e-9 ? drop / fall : FARTHEST_M + 1;
        double x = eye.pose().xM() + reach * way[at];
        double y = eye.pose().yM() + reach * way[at + 1];
        return reach <= FARTHEST_M && box.contains(x, y) && PointLocation.isInRing(new Coordinate(x, y), outline)
                && eye.clearTo(x, y, ground.atM(x, y));
    }

    /** The part of the picture that the area can be in, pixels; empty where it is outside. */
    private Envelope within(Area area, double drop) {
        if (eye.lens().projection() != LensSpec.Projection.RECTILINEAR || drop < LEAST_DROP_M) {
            return new Envelope(0, eye.lens().widthPx(), 0, eye.lens().heightPx());
        }
        Envelope within = new Envelope();
        new OutlineProjector(eye.projection())
                .project(area.outline().stream().map(point -> SpacePoint.at(point, area.groundM(point))).toList())
                .forEach(pixel -> within.expandToInclude(pixel.x(), pixel.y()));
        return within;
    }

    private static int first(double fromPx, int samples, int sizePx) {
        return (int) Math.max(0, Math.floor(fromPx / sizePx * samples - 0.5));
    }

    private static int end(double toPx, int samples, int sizePx) {
        return (int) Math.min(samples, Math.ceil(toPx / sizePx * samples + 0.5));
    }
}
