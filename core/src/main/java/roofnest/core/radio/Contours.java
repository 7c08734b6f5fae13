package roofnest.core.radio;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

import roofnest.core.plan.PlanPoint;

/**
 * Lines of equal signal on a {@link SignalMap}, by marching squares with linear interpolation along cell edges. Each
 * grid edge is crossed at most once, so the crossings of two neighbouring cells are the same point and lines are
 * stitched by edge rather than by comparing coordinates.
 * Source: Maple, "Geometric design and space planning using the marching squares and marching cube algorithms", 2003.
 */
public final class Contours {
    private final SignalMap map;
    private final double levelDbm;
    private final Map<Integer, List<Integer>> neighbours = new HashMap<>();

    private Contours(SignalMap map, double levelDbm) {
        this.map = map;
        this.levelDbm = levelDbm;
    }

    /** The lines at one level; a closed line ends where it began. */
    public static List<List<PlanPoint>> at(SignalMap map, double levelDbm) {
        Contours contours = new Contours(map, levelDbm);
        contours.march();
        return contours.stitch();
    }

    private int columns() {
        return map.rssiDbm()[0].length;
    }

    /** Edges are numbered: twice the number of the node at their west or south end, plus one for those going north. */
    private int edge(int row, int column, boolean north) {
        return 2 * (row * columns() + column) + (north ? 1 : 0);
    }

    private void march() {
        double[][] v = map.rssiDbm();
        for (int row = 0; row + 1 < v.length; row++) {
            for (int column = 0; column + 1 < columns(); column++) {
                List<Integer> crossed = new ArrayList<>(4);
                boolean sw = v[row][column] >= levelDbm;
                boolean se = v[row][column + 1] >= levelDbm;
                boolean ne = v[row + 1][column + 1] >= levelDbm;
                boolean nw = v[row + 1][column] >= levelDbm;
                addIf(crossed, sw != se, edge(row, column, false));
                addIf(crossed, se != ne, edge(row, column + 1, true));
                addIf(crossed, ne != nw, edge(row + 1, column, false));
                addIf(crossed, nw != sw, edge(row, column, true));
                if (crossed.size() == 2) {
                    join(crossed.get(0), crossed.get(1));
                } else if (crossed.size() == 4) {
                    double middle = (v[row][column] + v[row][column + 1] + v[row + 1][column + 1] + v[row + 1][column]) / 4;
                    boolean cutSouthEast = sw == (middle >= levelDbm);
                    join(crossed.get(0), crossed.get(cutSouthEast ? 1 : 3));
                    join(crossed.get(2), crossed.get(cutSouthEast ? 3 : 1));
                }
            }
        }
    }

    private static void addIf(List<Integer> edges, boolean crossed, int edge) {
        if (crossed) {
            edges.add(edge);
        }
    }

    private void join(int a, int b) {
        neighbours.computeIfAbsent(a, e -> new ArrayList<>(2)).add(b);
        neighbours.computeIfAbsent(b, e -> new ArrayList<>(2)).add(a);
    }

    private List<List<PlanPoint>> stitch() {
        List<List<PlanPoint>> lines = new ArrayList<>();
        List<Integer> starts = new ArrayList<>(neighbours.keySet().stream().sorted().toList());
        starts.sort(Comparator.comparing((Integer edge) -> neighbours.get(edge).size()));
        for (int start : starts) {
            List<PlanPoint> line = new ArrayList<>();
            Integer at = start;
            while (at != null) {
                line.add(crossingOn(at));
                at = leave(at);
            }
            if (line.size() > 1) {
                lines.add(line);
            }
        }
        return lines;
    }

    /** Takes one remaining link away from {@code edge} and returns its other end, or null when none is left. */
    private Integer leave(Integer edge) {
        List<Integer> open = neighbours.get(edge);
        if (open.isEmpty()) {
            return null;
        }
        Integer next = open.remove(0);
        neighbours.get(next).remove(edge);
        return next;
    }

    private PlanPoint crossingOn(int edge) {
        boolean north = edge % 2 == 1;
        int row = edge / 2 / columns();
        int column = edge / 2 % columns();
        double a = map.rssiDbm()[row][column];
        double b = north ? map.rssiDbm()[row + 1][column] : map.rssiDbm()[row][column + 1];
        double share = (levelDbm - a) / (b - a);
        return new PlanPoint(
                map.originXM() + map.stepM() * (column + (north ? 0 : share)),
                map.originYM() + map.stepM() * (row + (north ? share : 0)));
    }
}
