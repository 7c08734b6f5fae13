package roofnest.core.cable;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.NavigableSet;
import java.util.Optional;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.Stream;

import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.geom.LinearRing;
import org.locationtech.jts.geom.Polygon;
import org.locationtech.jts.operation.buffer.BufferOp;
import org.locationtech.jts.operation.buffer.BufferParameters;
import org.locationtech.jts.operation.overlayng.OverlayNGRobust;

import roofnest.core.plan.Enclosures;
import roofnest.core.plan.Ground;
import roofnest.core.plan.HousePlan;
import roofnest.core.plan.Opening;
import roofnest.core.plan.PlanPoint;
import roofnest.core.plan.Segments;
import roofnest.core.plan.Shell;
import roofnest.core.plan.Storey;
import roofnest.core.plan.Thing;
import roofnest.core.plan.Wall;

/**
 * The faces of a storey's walls, unrolled: the outline of all that stands there, round every building and every room, as rows of
 * upright lines close enough for a way to bend at each.
 */
final class Faces {
    /** Between upright lines where nothing asks for one, metres. */
    static final double STEP_M = 1;
    /** A lead goes round an opening at this distance, metres. */
    static final double ROUND_M = 0.08;
    /** Sockets this near to a wall are in or on it, metres. */
    static final double SOCKET_AT_M = 0.7;
    /** A hole for a lead may be drilled so far beside a socket, metres. */
    static final double HOLE_BESIDE_M = 0.2;
    /** Faces lower than this carry no lead, metres. */
    private static final double LEAST_M = 0.2;
    /** Of the end of a wall's face from its corner, so that each has an upright line of its own, metres. */
    private static final double IN_M = 0.001;
    /** So far before a face one stands in the room or outside, metres. */
    private static final double BEFORE_M = 0.1;
    /** Looked so far above the top of a wall for another storey, metres. */
    private static final double ABOVE_M = 0.3;
    /** Lines of walls less apart in direction than this run along one another, degrees. */
    private static final double PARALLEL_DEG = 3;
    private static final double MITRE = 3;
    private static final GeometryFactory FACTORY = new GeometryFactory();

    private final HousePlan plan;
    private final Shell shell;
    private final Ground ground;
    private final Enclosures enclosures;
    private final Map<String, Shell.Top> tops = new HashMap<>();
    private final List<List<Column>> rows = new ArrayList<>();

    Faces(HousePlan plan, Shell shell, Ground ground) {
        this.plan = plan;
        this.shell = shell;
        this.ground = ground;
        this.enclosures = new Enclosures(plan);
        for (Storey storey : plan.storeys()) {
            Map<Boolean, List<Wall>> byHeight = plan.walls().stream().filter(wall -> wall.storey().equals(storey.id()))
                    .filter(wall -> wall.lengthM() > 2 * IN_M)
                    .collect(Collectors.partitioningBy(wall -> Enclosures.tall(plan, wall)));
            // A fence that meets the house must not cut its face in two above the fence.
            byHeight.values().stream().filter(walls -> !walls.isEmpty()).forEach(walls -> outline(walls, storey));
        }
    }

    /** Each once round a building or a room; its last line is beside its first. */
    List<List<Column>> rows() {
        return rows;
    }

    private void outline(List<Wall> walls, Storey storey) {
        Collection<Geometry> bodies = walls.stream().map(Faces::body).toList();
        Geometry all = OverlayNGRobust.union(bodies);
        for (int i = 0; i < all.getNumGeometries(); i++) {
            Polygon part = (Polygon) all.getGeometryN(i);
            row(part.getExteriorRing(), all, walls, storey);
            for (int hole = 0; hole < part.getNumInteriorRing(); hole++) {
                row(part.getInteriorRingN(hole), all, walls, storey);
            }
        }
    }

    private static Geometry body(Wall wall) {
        return BufferOp.bufferOp(FACTORY.createLineString(new Coordinate[] {Segments.coordinate(wall.from()),
            Segments.coordinate(wall.to())}), wall.thicknessM() / 2,
                new BufferParameters(1, BufferParameters.CAP_SQUARE, BufferParameters.JOIN_MITRE, MITRE));
    }

    private void row(LinearRing ring, Geometry all, List<Wall> walls, Storey storey) {
        List<Column> row = new ArrayList<>();
        Coordinate[] corners = ring.getCoordinates();
        for (int i = 0; i + 1 < corners.length; i++) {
            PlanPoint from = new PlanPoint(corners[i].x, corners[i].y);
            PlanPoint to = new PlanPoint(corners[i + 1].x, corners[i + 1].y);
            if (from.distanceM(to) > 2 * IN_M) {
                face(from, to, all, walls, storey, row);
            }
        }
        if (!row.isEmpty()) {
            rows.add(row);
        }
    }

    private void face(PlanPoint from, PlanPoint to, Geometry all, List<Wall> walls, Storey storey, List<Column> row) {
        double heading = from.headingToDeg(to);
        PlanPoint middle = from.towards(heading, from.distanceM(to) / 2);
        double out = all.intersects(FACTORY.createPoint(Segments.coordinate(middle.towards(heading + 90, IN_M)))) ? heading - 90
                : heading + 90;
        Optional<Wall> behind = walls.stream().filter(wall -> parallel(wall, heading))
                .min(Comparator.comparingDouble(wall -> Math.abs(Segments.distanceM(middle, wall.from(), wall.to())
                        - wall.thicknessM() / 2)))
                .filter(wall -> Segments.distanceM(middle, wall.from(), wall.to()) < wall.thicknessM() / 2 + 2 * IN_M);
        // The end of a wall: it belongs to the nearest, but has no openings.
        boolean end = behind.isEmpty();
        Wall wall = behind.orElseGet(() -> walls.stream()
                .min(Comparator.comparingDouble(each -> Segments.distanceM(middle, each.from(), each.to()))).orElseThrow());
        double length = from.distanceM(to);
        double start = end ? 0 : along(wall, from);
        double finish = end ? 0 : along(wall, to);
        NavigableSet<Double> stops = new TreeSet<>(List.of(IN_M, length - IN_M));
        if (!end) {
            for (double stop : stops(wall)) {
                double here = Math.abs(stop - start);
                if (stop > Math.min(start, finish) + 2 * IN_M && stop < Math.max(start, finish) - 2 * IN_M) {
                    stops.add(here);
                }
            }
        }
        Shell.Top top = tops.computeIfAbsent(wall.id(), any -> shell.top(wall));
        PlanPoint before = middle.towards(out, BEFORE_M);
        boolean indoors = enclosures.around(storey, before);
        for (double stop : stops) {
            PlanPoint at = from.towards(heading, stop);
            double alongM = end ? clamped(along(wall, at), wall) : start + Math.signum(finish - start) * stop;
            boolean corner = stop <= IN_M || stop >= length - IN_M;
            column(wall, alongM, at, (out % 360 + 360) % 360, indoors, top, storey, corner).ifPresent(row::add);
        }
    }

    private Optional<Column> column(Wall wall, double alongM, PlanPoint at, double outDeg, boolean indoors, Shell.Top line, Storey storey,
            boolean corner) {
        PlanPoint on = wall.along(clamped(alongM, wall));
        double top = line.atM(on.xM(), on.yM());
        double base = plan.baseM(wall);
        double foot = indoors ? storey.floorM() : Math.max(base, ground.heightM(at.towards(outDeg, BEFORE_M)));
        double highest = indoors ? Math.min(storey.ceilingM(), top) : top;
        boolean eaves = !indoors && Enclosures.tall(plan, wall)
                && !shell.indoors(at.towards(outDeg + 180, wall.thicknessM() / 2 + BEFORE_M), top + ABOVE_M);
        return highest - foot < LEAST_M ? Optional.empty()
                : Optional.of(new Column(wall, alongM, at, outDeg, base, foot, highest, indoors, eaves, corner));
    }

    /** Distances along a wall at which a way may bend, the same for both of its faces. */
    private NavigableSet<Double> stops(Wall wall) {
        TreeSet<Double> stops = new TreeSet<>();
        for (double along = STEP_M / 2; along < wall.lengthM(); along += STEP_M) {
            stops.add(along);
        }
        for (Opening opening : wall.openings()) {
            stops.add(opening.atM() - ROUND_M);
            stops.add(opening.atM() + opening.widthM() + ROUND_M);
        }
        socketsAt(wall).forEach(socket -> {
            double along = clamped(along(wall, socket.at()), wall);
            // Beside it too: nothing is drilled above or below a socket.
            stops.addAll(List.of(along, along - HOLE_BESIDE_M, along + HOLE_BESIDE_M));
        });
        return stops;
    }

    /** Heights at which a way may lie, metres above the plan's ground: some at every wall, those of its own openings and sockets. */
    NavigableSet<Double> levels(Wall wall) {
        TreeMap<Long, Double> levels = new TreeMap<>();
        double floor = plan.baseM(wall);
        for (double over : new double[] {0.3, 1.2, 2.2}) {
            keep(levels, floor + over);
        }
        wall.openings().forEach(opening -> {
            keep(levels, floor + opening.sillM() - ROUND_M);
            keep(levels, floor + opening.headM() + ROUND_M);
        });
        socketsAt(wall).forEach(socket -> keep(levels, socket.heightM()));
        return new TreeSet<>(levels.values());
    }

    private Stream<Thing> socketsAt(Wall wall) {
        return plan.ofKind(Thing.Kind.SOCKET).filter(socket -> Segments.distanceM(socket.at(), wall.from(), wall.to()) < SOCKET_AT_M
                + wall.thicknessM() / 2);
    }

    private static void keep(Map<Long, Double> levels, double zM) {
        levels.putIfAbsent(Math.round(zM * 50), zM);
    }

    static double along(Wall wall, PlanPoint point) {
        double heading = Math.toRadians(wall.from().headingToDeg(wall.to()));
        return (point.xM() - wall.from().xM()) * Math.sin(heading) + (point.yM() - wall.from().yM()) * Math.cos(heading);
    }

    static double clamped(double alongM, Wall wall) {
        return Math.max(0, Math.min(wall.lengthM(), alongM));
    }

    private static boolean parallel(Wall wall, double headingDeg) {
        double apart = Math.abs((wall.from().headingToDeg(wall.to()) - headingDeg) % 180);
        return Math.min(apart, 180 - apart) < PARALLEL_DEG;
    }
}
