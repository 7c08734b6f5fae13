package roofnest.core.view;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.Comparator;
import java.util.List;

import org.locationtech.jts.algorithm.RayCrossingCounter;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Location;

import roofnest.core.catalogue.AlertSpec;
import roofnest.core.catalogue.DeviceModel;

/** Zones as a model's app can draw them: what was drawn freely is fitted to rectangles or cells before it is kept. */
public final class ZoneShapes {
    private ZoneShapes() {}

    /**
     * Polygons stay as they are; of each zone its upright rectangle; of cells those whose middle lies in any zone, rows of them joined to
     * rectangles.
     *
     * @return as many for polygons and rectangles; empty where no cell's middle lies within
     */
    public static List<Zone> fitted(AlertSpec alerts, List<Zone> zones) {
        return switch (alerts.zoneShape()) {
            case POLYGONS -> List.copyOf(zones);
            case RECTANGLES -> zones.stream().map(ZoneShapes::upright).toList();
            case CELLS -> ofCells(alerts.zoneGrid(), zones);
        };
    }

    /** How many zones somebody may draw; of cells any. */
    public static int most(AlertSpec alerts) {
        return alerts.zoneShape() == AlertSpec.ZoneShape.CELLS ? alerts.zoneGrid().columns() * alerts.zoneGrid().rows() : alerts.zones();
    }

    private static Zone upright(Zone zone) {
        var across = zone.corners().stream().mapToDouble(Zone.Corner::acrossShare).summaryStatistics();
        var down = zone.corners().stream().mapToDouble(Zone.Corner::downShare).summaryStatistics();
        return rectangle(zone.name(), across.getMin(), down.getMin(), across.getMax(), down.getMax());
    }

    private static Zone rectangle(String name, double left, double top, double right, double bottom) {
        return new Zone(name, List.of(new Zone.Corner(left, top), new Zone.Corner(right, top), new Zone.Corner(right, bottom),
                new Zone.Corner(left, bottom)));
    }

    private static List<Zone> ofCells(DeviceModel.MaskGrid grid, List<Zone> zones) {
        List<BitSet> rows = new ArrayList<>();
        for (int row = 0; row < grid.rows(); row++) {
            BitSet cells = new BitSet();
            for (int column = 0; column < grid.columns(); column++) {
                double across = (column + 0.5) / grid.columns();
                double down = (row + 0.5) / grid.rows();
                cells.set(column, zones.stream().anyMatch(zone -> holds(zone, across, down)));
            }
            rows.add(cells);
        }
        return joined(grid, rows);
    }

    private static boolean holds(Zone zone, double across, double down) {
        RayCrossingCounter counter = new RayCrossingCounter(new Coordinate(across, down));
        for (int i = 0; i < zone.corners().size(); i++) {
            Zone.Corner from = zone.corners().get(i);
            Zone.Corner to = zone.corners().get((i + 1) % zone.corners().size());
            counter.countSegment(new Coordinate(from.acrossShare(), from.downShare()), new Coordinate(to.acrossShare(), to.downShare()));
        }
        return counter.getLocation() != Location.EXTERIOR;
    }

    /** Runs of a row as long as they go, and down as far as the same run is there. */
    private static List<Zone> joined(DeviceModel.MaskGrid grid, List<BitSet> rows) {
        List<Zone> zones = new ArrayList<>();
        for (int row = 0; row < rows.size(); row++) {
            for (int from = rows.get(row).nextSetBit(0); from >= 0; from = rows.get(row).nextSetBit(from)) {
                int to = rows.get(row).nextClearBit(from);
                int end = row;
                while (end < rows.size() && isRun(rows.get(end), from, to)) {
                    rows.get(end++).clear(from, to);
                }
                zones.add(rectangle(new MaskCell(from, row) + "–" + new MaskCell(to - 1, end - 1), (double) from / grid.columns(),
                        (double) row / grid.rows(), (double) to / grid.columns(), (double) end / grid.rows()));
            }
        }
        zones.sort(Comparator.comparingDouble((Zone zone) -> zone.corners().get(0).downShare())
                .thenComparingDouble(zone -> zone.corners().get(0).acrossShare()));
        return zones;
    }

    private static boolean isRun(BitSet cells, int from, int to) {
        return cells.nextClearBit(from) == to && (from == 0 || !cells.get(from - 1));
    }
}
