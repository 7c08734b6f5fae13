package roofnest.core.week;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.Deque;
import java.util.List;
import java.util.stream.Stream;

import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.geom.Polygon;
import org.locationtech.jts.operation.union.UnaryUnionOp;
import org.locationtech.jts.simplify.DouglasPeuckerSimplifier;

import roofnest.core.plan.Ground;
import roofnest.core.plan.PlanPoint;
import roofnest.core.plan.Walk;
import roofnest.core.view.Projection;
import roofnest.core.view.Zone;
import roofnest.core.view.ZoneShapes;

/**
 * The smallest zones of a picture that keep the ways of those who arrive in, and what passes for nothing out: the cells where somebody who
 * arrives is seen, with a rim about them, less the cells where traffic and passers-by are.
 */
final class FoundZones {
    static final int ACROSS = 32;
    static final int DOWN = 18;
    private static final double STEP_M = 0.25;
    /** Where the middle of a body is seen, as a share of its height. */
    private static final double MIDDLE_SHARE = 0.6;
    /** Fewer cells than this are no zone. */
    private static final int LEAST_CELLS = 3;
    private static final double FIRST_TOLERANCE = 0.4;
    private static final GeometryFactory FACTORY = new GeometryFactory();

    private final Watch watch;
    private final Ground ground;
    private final boolean[][] wanted = new boolean[ACROSS][DOWN];
    private final boolean[][] unwanted = new boolean[ACROSS][DOWN];

    private FoundZones(Watch watch, Ground ground) {
        this.watch = watch;
        this.ground = ground;
    }

    /** As many as the model has; empty where it has none, where nobody who arrives is seen, or where nothing is to be kept out. */
    static List<Zone> of(Watch watch, List<Source> sources, Ground ground) {
        FoundZones found = new FoundZones(watch, ground);
        boolean keeps = false;
        for (Source source : sources) {
            for (Source.Way way : source.kind().body() == null ? List.<Source.Way>of() : source.ways()) {
                if (source.kind().want() == SourceKind.Want.WANTED) {
                    found.mark(found.wanted, way, source.kind().body());
                } else if (passes(source.kind())) {
                    keeps |= found.mark(found.unwanted, way, source.kind().body());
                }
            }
        }
        return keeps && watch.model().alerts().zones() > 0 ? ZoneShapes.fitted(watch.model().alerts(), found.zones())
                : List.of();
    }

    private static boolean passes(SourceKind kind) {
        return kind == SourceKind.VEHICLE || kind == SourceKind.PASSER_BY || kind == SourceKind.CYCLIST;
    }

    private boolean mark(boolean[][] cells, Source.Way way, SourceKind.Body body) {
        boolean any = false;
        for (double along = 0; along <= way.walk().lengthM(); along += STEP_M) {
            Walk.Position on = way.walk().at(along);
            PlanPoint at = on.point().towards(on.headingDeg() + 90, way.asideM());
            Projection.Pixel pixel = watch.vision().sees(at.xM(), at.yM(), ground.heightM(at) + MIDDLE_SHARE * body.heightM()).orElse(null);
            if (pixel != null) {
                int across = Math.min(ACROSS - 1, (int) (ACROSS * pixel.x() / watch.vision().eye().lens().widthPx()));
                int down = Math.min(DOWN - 1, (int) (DOWN * pixel.y() / watch.vision().eye().lens().heightPx()));
                cells[across][down] = true;
                any = true;
            }
        }
        return any;
    }

    private List<Zone> zones() {
        boolean[][] in = new boolean[ACROSS][DOWN];
        for (int across = 0; across < ACROSS; across++) {
            for (int down = 0; down < DOWN; down++) {
                in[across][down] = !unwanted[across][down] && near(across, down);
            }
        }
        List<List<int[]>> parts = parts(in);
        parts.sort(Comparator.comparingInt((List<int[]> part) -> -part.size()));
        List<Zone> zones = new ArrayList<>();
        for (List<int[]> part : parts) {
            if (part.size() >= LEAST_CELLS && zones.size() < ZoneShapes.most(watch.model().alerts())) {
                zones.add(zone("way " + (zones.size() + 1), part));
            }
        }
        return zones;
    }

    /** Whether somebody who arrives is seen in a cell or one beside it. */
    private boolean near(int across, int down) {
        for (int a = Math.max(0, across - 1); a <= Math.min(ACROSS - 1, across + 1); a++) {
            for (int d = Math.max(0, down - 1); d <= Math.min(DOWN - 1, down + 1); d++) {
                if (wanted[a][d]) {
                    return true;
                }
            }
        }
        return false;
    }

    /** Cells that hang together by their sides. */
    private static List<List<int[]>> parts(boolean[][] in) {
        List<List<int[]>> parts = new ArrayList<>();
        for (int across = 0; across < ACROSS; across++) {
            for (int down = 0; down < DOWN; down++) {
                if (in[across][down]) {
                    List<int[]> part = new ArrayList<>();
                    Deque<int[]> open = new ArrayDeque<>();
                    in[across][down] = false;
                    open.add(new int[] {across, down});
                    while (!open.isEmpty()) {
                        int[] cell = open.remove();
                        part.add(cell);
                        Stream.of(new int[] {1, 0}, new int[] {-1, 0}, new int[] {0, 1}, new int[] {0, -1})
                                .map(step -> new int[] {cell[0] + step[0], cell[1] + step[1]})
                                .filter(next -> next[0] >= 0 && next[0] < ACROSS && next[1] >= 0 && next[1] < DOWN && in[next[0]][next[1]])
                                .forEach(next -> {
                                    in[next[0]][next[1]] = false;
                                    open.add(next);
                                });
                    }
                    parts.add(part);
                }
            }
        }
        return parts;
    }

    private static Zone zone(String name, List<int[]> cells) {
        Geometry all = UnaryUnionOp.union(cells.stream()
                .map(cell -> FACTORY.toGeometry(new Envelope(cell[0], cell[0] + 1.0, cell[1], cell[1] + 1.0))).toList());
        Geometry ring = FACTORY.createPolygon(((Polygon) all).getExteriorRing().getCoordinates());
        Geometry outline = ring;
        for (double tolerance = FIRST_TOLERANCE; outline.getNumPoints() - 1 > Zone.MOST_CORNERS; tolerance *= 1.5) {
            outline = DouglasPeuckerSimplifier.simplify(ring, tolerance);
        }
        Coordinate[] corners = outline.getCoordinates();
        List<Zone.Corner> shares = new ArrayList<>();
        for (int i = 0; i + 1 < corners.length; i++) {
            shares.add(new Zone.Corner(Math.max(0, Math.min(1, corners[i].x / ACROSS)), Math.max(0, Math.min(1, corners[i].y / DOWN))));
        }
        return new Zone(name, shares);
    }
}
