package roofnest.core.view;

import java.util.Set;
import java.util.TreeSet;

import org.locationtech.jts.algorithm.locate.IndexedPointInAreaLocator;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Location;
import org.locationtech.jts.geom.Polygon;

import roofnest.core.catalogue.DeviceModel;
import roofnest.core.plan.Area;
import roofnest.core.plan.Plane;
import roofnest.core.plan.Segments;

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

    private final Eye eye;
    private final int columns;
    private final int rows;
    /** The way each line goes, as east, north and up; length one. */
    private final double[] east;
    private final double[] north;
    private final double[] up;

    public Privacy(Eye eye, DeviceModel.MaskGrid modelGrid) {
        this.eye = eye;
        DeviceModel.MaskGrid grid = modelGrid.canMask() ? modelGrid : PLAIN_GRID;
        columns = grid.columns() * SAMPLES_A_CELL;
        rows = grid.rows() * SAMPLES_A_CELL;
        east = new double[columns * rows];
        north = new double[columns * rows];
        up = new double[columns * rows];
        for (int sample = 0; sample < east.length; sample++) {
            double[] d = eye.projection().direction(new Projection.Pixel(
                    (sample % columns + 0.5) / columns * eye.lens().widthPx(), (sample / columns + 0.5) / rows * eye.lens().heightPx()));
            east[sample] = d[0];
            north[sample] = d[1];
            up[sample] = d[2];
        }
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
        IndexedPointInAreaLocator outline = new IndexedPointInAreaLocator(polygon);
        Plane ground = area.plane();
        double drop = eye.pose().heightM() - ground.atM(eye.pose().xM(), eye.pose().yM());
        Set<MaskCell> cells = new TreeSet<>();
        int showing = 0;
        for (int sample = 0; drop > 0 && sample < east.length; sample++) {
            double fall = ground.gx() * east[sample] + ground.gy() * north[sample] - up[sample];
            double reach = fall > 1e-9 ? drop / fall : FARTHEST_M + 1;
            double x = eye.pose().xM() + reach * east[sample];
            double y = eye.pose().yM() + reach * north[sample];
            boolean shown = reach <= FARTHEST_M && box.contains(x, y) && outline.locate(new Coordinate(x, y)) != Location.EXTERIOR
                    && eye.clearTo(x, y, ground.atM(x, y));
            if (shown) {
                MaskCell cell = new MaskCell(sample % columns / SAMPLES_A_CELL, sample / columns / SAMPLES_A_CELL);
                if (!masked.contains(cell)) {
                    showing++;
                    cells.add(cell);
                }
            }
        }
        return new Exposure(100.0 * showing / (columns * rows), cells);
    }
}
