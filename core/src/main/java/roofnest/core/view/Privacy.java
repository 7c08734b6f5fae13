package roofnest.core.view;

import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;

import org.locationtech.jts.algorithm.locate.IndexedPointInAreaLocator;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Location;
import org.locationtech.jts.geom.Polygon;

import roofnest.core.catalogue.DeviceModel;
import roofnest.core.plan.Area;
import roofnest.core.plan.Segments;
import roofnest.core.plan.SpacePoint;

/**
 * How much of a picture is one area of ground and not hidden by a wall, found by following the line of sight of
 * {@link #SAMPLES_A_CELL}² points of every mask cell to level ground; and the mask cells that hide it. Every cell that
 * shows any of the area has to go, so that set is the smallest that covers it.
 */
public final class Privacy {
    private static final int SAMPLES_A_CELL = 4;
    /** For models that cannot mask, the grid that is sampled. */
    private static final DeviceModel.MaskGrid PLAIN_GRID = new DeviceModel.MaskGrid(16, 9);
    private static final double FARTHEST_M = 80;

    private Privacy() {}

    /**
     * @param sharePercent of the whole picture that shows the area, after the cells already masked, percent
     * @param cells that show it
     */
    public record Exposure(double sharePercent, Set<MaskCell> cells) {}

    public static Exposure of(Eye eye, Area area, DeviceModel.MaskGrid modelGrid, Set<MaskCell> masked) {
        DeviceModel.MaskGrid grid = modelGrid.canMask() ? modelGrid : PLAIN_GRID;
        Polygon polygon = Segments.polygon(area.outline());
        Envelope box = polygon.getEnvelopeInternal();
        IndexedPointInAreaLocator outline = new IndexedPointInAreaLocator(polygon);
        double groundM = area.heightM() == null ? 0 : area.heightM();
        Projection projection = eye.projection();
        Set<MaskCell> cells = new TreeSet<>();
        int columns = grid.columns() * SAMPLES_A_CELL;
        int rows = grid.rows() * SAMPLES_A_CELL;
        int showing = 0;
        for (int row = 0; row < rows; row++) {
            for (int column = 0; column < columns; column++) {
                Projection.Pixel pixel = new Projection.Pixel(
                        (column + 0.5) / columns * projection.lens().widthPx(), (row + 0.5) / rows * projection.lens().heightPx());
                Optional<SpacePoint> ground = projection.onGround(pixel, groundM);
                if (ground.isEmpty() || !box.contains(ground.get().xM(), ground.get().yM()) || !shows(eye, outline, ground.get())) {
                    continue;
                }
                MaskCell cell = new MaskCell(column / SAMPLES_A_CELL, row / SAMPLES_A_CELL);
                if (!masked.contains(cell)) {
                    showing++;
                    cells.add(cell);
                }
            }
        }
        return new Exposure(100.0 * showing / (columns * rows), cells);
    }

    private static boolean shows(Eye eye, IndexedPointInAreaLocator outline, SpacePoint ground) {
        return ground.distanceM(eye.projection().eye()) <= FARTHEST_M
                && outline.locate(new Coordinate(ground.xM(), ground.yM())) != Location.EXTERIOR
                && eye.clearTo(ground.xM(), ground.yM(), ground.zM());
    }
}
