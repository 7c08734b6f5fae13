package roofnest.core.view;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.BiConsumer;
import java.util.function.Consumer;
import java.util.stream.Stream;

import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.Polygon;
import org.locationtech.jts.triangulate.polygon.PolygonTriangulator;

import roofnest.core.plan.Area;
import roofnest.core.plan.Ground;
import roofnest.core.plan.HousePlan;
import roofnest.core.plan.Opening;
import roofnest.core.plan.PlanPoint;
import roofnest.core.plan.Plate;
import roofnest.core.plan.SpacePoint;
import roofnest.core.plan.Shell;
import roofnest.core.plan.Wall;

/**
 * A plan raised into space, in an order that can be painted from any side: upright facets in a binary space partition of
 * the plan, level pieces and standing things in its cells. Seen from one point, whatever lies on the far side of a
 * facet's line is painted before the facet and what lies on the near side after it, so that nothing hidden ever shows.
 * Built once per plan, for any number of cameras.
 *
 * <p>Source: Fuchs, Kedem and Naylor, "On visible surface generation by a priori tree structures", SIGGRAPH 1980.
 */
public final class Scene {
    private static final double ON_LINE_M = 1e-7;
    /** Lines tried when the plane is cut; the one that splits fewest facets is taken. */
    private static final int TRIED = 12;
    /** A wall's top is looked up this far in from the ends of a piece, which may lie where it jumps, metres. */
    private static final double INWARDS_M = 1e-5;
    /** How deep the board along a ridge is, metres. */
    private static final double RIDGE_M = 0.1;
    private static final double ON_RIDGE_M = 1e-4;
    /** Floors lower than this lie on the ground. */
    private static final double LEAST_RISE_M = 0.02;

    private final HousePlan plan;
    private final Shell shell;
    private final Ground ground;
    private final Cell root;
    private final List<Level> flat = new ArrayList<>();

    /** An upright quadrilateral over the segment a–b; foot and top may slope. */
    record Facet(PlanPoint a, PlanPoint b, double footAM, double footBM, double topAM, double topBM, PictureShape.Kind kind, int shade) {
        List<SpacePoint> outline() {
            return List.of(SpacePoint.at(a, footAM), SpacePoint.at(b, footBM), SpacePoint.at(b, topBM), SpacePoint.at(a, topAM));
        }

        Facet part(double from, double to) {
            return new Facet(along(from), along(to), mix(footAM, footBM, from), mix(footAM, footBM, to), mix(topAM, topBM, from),
                    mix(topAM, topBM, to), kind, shade);
        }

        PlanPoint along(double share) {
            return new PlanPoint(mix(a.xM(), b.xM(), share), mix(a.yM(), b.yM(), share));
        }

        private static double mix(double one, double other, double share) {
            return one + share * (other - one);
        }
    }

    /**
     * What stands on one line, and so hides nothing of one another.
     *
     * @param wholes as few facets as can be that take up the same, doors and windows with the walls that they are in
     */
    record Face(List<Facet> facets, List<Facet> wholes) {}

    /** A level or sloping piece of ground, floor or roof. */
    record Level(List<SpacePoint> outline, PictureShape.Kind kind, String name) {
        /** The way straight up from it, as a vector of length one: east, north, up. */
        double[] normal() {
            double[] normal = new double[3];
            for (int i = 0; i < outline.size(); i++) {
                SpacePoint a = outline.get(i);
                SpacePoint b = outline.get((i + 1) % outline.size());
                normal[0] += (a.yM() - b.yM()) * (a.zM() + b.zM());
                normal[1] += (a.zM() - b.zM()) * (a.xM() + b.xM());
                normal[2] += (a.xM() - b.xM()) * (a.yM() + b.yM());
            }
            double length = Math.sqrt(normal[0] * normal[0] + normal[1] * normal[1] + normal[2] * normal[2]);
            double sign = normal[2] < 0 ? -1 : 1;
            return new double[] {sign * normal[0] / length, sign * normal[1] / length, sign * normal[2] / length};
        }

        double heightM() {
            return outline.stream().mapToDouble(SpacePoint::zM).average().orElse(0);
        }
    }

    /** A cell of the partition: cut by a line into two, or a leaf with what lies in it. */
    private static final class Cell {
        private double[] line;
        private Face onLine;
        private Cell left;
        private Cell right;
        private final List<Level> levels = new ArrayList<>();
    }

    public Scene(HousePlan plan) {
        this(plan, new Shell(plan));
    }

    public Scene(HousePlan plan, Shell shell) {
        this.plan = plan;
        this.shell = shell;
        this.ground = new Ground(plan);
        List<Facet> facets = new ArrayList<>();
        List<Level> levels = new ArrayList<>();
        plan.walls().forEach(wall -> wall(facets, wall));
        shell.fascias().stream().filter(fascia -> !fascia.onWall())
                .forEach(fascia -> facets.add(new Facet(fascia.from(), fascia.to(), fascia.lowM(), fascia.lowM(), fascia.highM(),
                        fascia.highM(), PictureShape.Kind.WALL, 0)));
        for (Area area : plan.areas()) {
            Level top = new Level(area.outline().stream().map(point -> SpacePoint.at(point, area.groundM(point))).toList(),
                    kind(area.kind()), area.name());
            if (area.raised() && top.heightM() > LEAST_RISE_M) {
                levels.add(top);
                banks(facets, area);
            } else {
                flat.add(top);
            }
        }
        shell.floors().stream().filter(floor -> floor.plane().z0M() > LEAST_RISE_M)
                .forEach(floor -> lay(levels, floor, PictureShape.Kind.CEILING));
        for (Plate roof : shell.roofs()) {
            lay(levels, roof, PictureShape.Kind.ROOF);
            ridge(facets, roof);
        }
        root = cut(facets);
        levels.forEach(level -> drop(root, level));
    }

    Ground ground() {
        return ground;
    }

    HousePlan plan() {
        return plan;
    }

    /** What lies on the plan's level ground, in the plan's order. */
    List<Level> flat() {
        return flat;
    }

    /**
     * Everything upright or raised, farthest first as seen from {@code eye}.
     *
     * @param standing what stands in the scene besides the plan, by where it stands
     */
    <T> void farToNear(SpacePoint eye, Map<T, PlanPoint> standing, Consumer<Face> face, Consumer<Level> level,
            BiConsumer<T, Double> stander) {
        paint(root, eye, new ArrayList<>(standing.entrySet()), face, level, stander);
    }

    private <T> void paint(
            Cell cell, SpacePoint eye, List<Map.Entry<T, PlanPoint>> standing, Consumer<Face> face, Consumer<Level> level,
            BiConsumer<T, Double> stander) {
        if (cell == null) {
            return;
        }
        if (cell.line == null) {
            cell.levels.stream()
                    .sorted((a, b) -> Double.compare(Math.abs(b.heightM() - eye.zM()), Math.abs(a.heightM() - eye.zM())))
                    .forEach(level);
            standing.stream()
                    .sorted((a, b) -> Double.compare(eye.onPlan().distanceM(b.getValue()), eye.onPlan().distanceM(a.getValue())))
                    .forEach(entry -> stander.accept(entry.getKey(), eye.onPlan().distanceM(entry.getValue())));
            return;
        }
        List<Map.Entry<T, PlanPoint>> onLeft = new ArrayList<>();
        List<Map.Entry<T, PlanPoint>> onRight = new ArrayList<>();
        standing.forEach(entry -> (side(cell.line, entry.getValue()) >= 0 ? onLeft : onRight).add(entry));
        boolean eyeOnLeft = side(cell.line, eye.onPlan()) >= 0;
        paint(eyeOnLeft ? cell.right : cell.left, eye, eyeOnLeft ? onRight : onLeft, face, level, stander);
        face.accept(cell.onLine);
        paint(eyeOnLeft ? cell.left : cell.right, eye, eyeOnLeft ? onLeft : onRight, face, level, stander);
    }

    private static Cell cut(List<Facet> facets) {
        Cell cell = new Cell();
        if (facets.isEmpty()) {
            return cell;
        }
        cell.line = bestLine(facets);
        List<Facet> onLine = new ArrayList<>();
        List<Facet> left = new ArrayList<>();
        List<Facet> right = new ArrayList<>();
        for (Facet facet : facets) {
            double a = side(cell.line, facet.a());
            double b = side(cell.line, facet.b());
            if (Math.abs(a) <= ON_LINE_M && Math.abs(b) <= ON_LINE_M) {
                onLine.add(facet);
            } else if (a >= -ON_LINE_M && b >= -ON_LINE_M) {
                left.add(facet);
            } else if (a <= ON_LINE_M && b <= ON_LINE_M) {
                right.add(facet);
            } else {
                double share = a / (a - b);
                (a > 0 ? left : right).add(facet.part(0, share));
                (a > 0 ? right : left).add(facet.part(share, 1));
            }
        }
        cell.onLine = new Face(onLine, Wholes.of(onLine));
        cell.left = cut(left);
        cell.right = cut(right);
        return cell;
    }

    private static double[] bestLine(List<Facet> facets) {
        double[] best = null;
        int fewest = Integer.MAX_VALUE;
        for (int i = 0; i < facets.size(); i += Math.max(1, facets.size() / TRIED)) {
            double[] line = line(facets.get(i));
            int splits = 0;
            int balance = 0;
            for (Facet facet : facets) {
                double a = side(line, facet.a());
                double b = side(line, facet.b());
                splits += a * b < 0 && Math.min(Math.abs(a), Math.abs(b)) > ON_LINE_M ? 1 : 0;
                balance += a + b > 0 ? 1 : -1;
            }
            int cost = 3 * splits + Math.abs(balance);
            if (cost < fewest) {
                fewest = cost;
                best = line;
            }
        }
        return best;
    }

    /** Its line as {nx, ny, c} with unit normal: positive to the left of a–b. */
    private static double[] line(Facet facet) {
        double dx = facet.b().xM() - facet.a().xM();
        double dy = facet.b().yM() - facet.a().yM();
        double length = Math.hypot(dx, dy);
        double nx = -dy / length;
        double ny = dx / length;
        return new double[] {nx, ny, -(nx * facet.a().xM() + ny * facet.a().yM())};
    }

    private static double side(double[] line, PlanPoint point) {
        return line[0] * point.xM() + line[1] * point.yM() + line[2];
    }

    private static void drop(Cell cell, Level level) {
        if (level.outline().size() < 3) {
            return;
        }
        if (cell.line == null) {
            cell.levels.add(level);
            return;
        }
        drop(cell.left, half(level, cell.line, 1));
        drop(cell.right, half(level, cell.line, -1));
    }

    /** Source: Sutherland and Hodgman, "Reentrant polygon clipping", CACM 17(1), 1974. */
    private static Level half(Level level, double[] line, int sign) {
        List<SpacePoint> kept = new ArrayList<>();
        for (int i = 0; i < level.outline().size(); i++) {
            SpacePoint a = level.outline().get(i);
            SpacePoint b = level.outline().get((i + 1) % level.outline().size());
            double sideA = sign * side(line, a.onPlan());
            double sideB = sign * side(line, b.onPlan());
            if (sideA >= 0) {
                kept.add(a);
            }
            if (sideA * sideB < 0) {
                double share = sideA / (sideA - sideB);
                kept.add(new SpacePoint(a.xM() + share * (b.xM() - a.xM()), a.yM() + share * (b.yM() - a.yM()),
                        a.zM() + share * (b.zM() - a.zM())));
            }
        }
        return new Level(kept, level.kind(), level.name());
    }

    /** A plate in pieces without holes. */
    private static void lay(List<Level> levels, Plate plate, PictureShape.Kind kind) {
        for (int part = 0; part < plate.outline().getNumGeometries(); part++) {
            if (plate.outline().getGeometryN(part) instanceof Polygon polygon) {
                Geometry whole = polygon.getNumInteriorRing() == 0 ? polygon : PolygonTriangulator.triangulate(polygon);
                for (int piece = 0; piece < whole.getNumGeometries(); piece++) {
                    List<SpacePoint> outline = Stream.of(((Polygon) whole.getGeometryN(piece)).getExteriorRing().getCoordinates()).skip(1)
                            .map(corner -> new SpacePoint(corner.x, corner.y, plate.plane().atM(corner.x, corner.y))).toList();
                    levels.add(new Level(outline, kind, ""));
                }
            }
        }
    }

    /** The board along the top of a pitch, which also parts one pitch from the other. */
    private static void ridge(List<Facet> facets, Plate roof) {
        if (roof.plane().gx() == 0 && roof.plane().gy() == 0) {
            return;
        }
        double most = Stream.of(roof.outline().getCoordinates()).mapToDouble(c -> roof.plane().atM(c.x, c.y)).max().orElse(0);
        List<PlanPoint> along = Stream.of(roof.outline().getCoordinates()).filter(c -> roof.plane().atM(c.x, c.y) > most - ON_RIDGE_M)
                .map(c -> new PlanPoint(c.x, c.y)).distinct().toList();
        if (along.size() >= 2) {
            facets.add(new Facet(along.get(0), along.get(along.size() - 1), most - RIDGE_M, most - RIDGE_M, most, most,
                    PictureShape.Kind.ROOF, 0));
        }
    }

    /** The wall in pieces between the edges of its openings, each piece in the bands that its opening leaves. */
    private void wall(List<Facet> facets, Wall wall) {
        double length = wall.lengthM();
        List<Double> cuts = new ArrayList<>(List.of(0.0, length));
        for (Opening opening : wall.openings()) {
            cuts.add(Math.min(length, opening.atM()));
            cuts.add(Math.min(length, opening.atM() + opening.widthM()));
        }
        shell.bendsM(wall).stream().filter(at -> at > 0 && at < length).forEach(cuts::add);
        cuts.sort(null);
        for (int i = 1; i < cuts.size(); i++) {
            if (cuts.get(i) - cuts.get(i - 1) > 1e-6) {
                piece(facets, wall, cuts.get(i - 1), cuts.get(i));
            }
        }
    }

    private void piece(List<Facet> facets, Wall wall, double fromM, double toM) {
        double base = plan.baseM(wall);
        double middle = (fromM + toM) / 2;
        double floor = 0;
        for (Opening opening : wall.openings().stream().sorted((a, b) -> Double.compare(a.sillM(), b.sillM())).toList()) {
            if (middle >= opening.atM() && middle <= opening.atM() + opening.widthM()) {
                quad(facets, wall, kind(wall), fromM, toM, base + floor, base + opening.sillM(), base + opening.sillM());
                if (opening.kind() != Opening.Kind.GAP) {
                    PictureShape.Kind kind = opening.kind() == Opening.Kind.DOOR ? PictureShape.Kind.DOOR : PictureShape.Kind.GLASS;
                    double head = base + Math.min(opening.headM(), wall.heightM());
                    quad(facets, wall, kind, fromM, toM, base + opening.sillM(), head, head);
                }
                floor = opening.headM();
            }
        }
        quad(facets, wall, kind(wall), fromM, toM, base + floor, topM(wall, fromM + INWARDS_M), topM(wall, toM - INWARDS_M));
    }

    private double topM(Wall wall, double alongM) {
        PlanPoint at = wall.along(alongM);
        return shell.topM(wall, at.xM(), at.yM());
    }

    private static void quad(List<Facet> facets, Wall wall, PictureShape.Kind kind, double fromM, double toM, double footM, double fromTopM,
            double toTopM) {
        if (Math.max(fromTopM, toTopM) - footM > 1e-6) {
            int shade = (int) (wall.from().headingToDeg(wall.to()) % 180 / 60);
            facets.add(new Facet(wall.along(fromM), wall.along(toM), footM, footM, Math.max(footM, fromTopM), Math.max(footM, toTopM), kind,
                    shade));
        }
    }

    /** The sides of raised ground, from the plan's level up. */
    private static void banks(List<Facet> facets, Area area) {
        for (int i = 0; i < area.outline().size(); i++) {
            PlanPoint a = area.outline().get(i);
            PlanPoint b = area.outline().get((i + 1) % area.outline().size());
            if (a.distanceM(b) > 1e-6 && (area.groundM(a) > LEAST_RISE_M || area.groundM(b) > LEAST_RISE_M)) {
                facets.add(new Facet(a, b, 0, 0, area.groundM(a), area.groundM(b), PictureShape.Kind.BANK,
                        (int) (a.headingToDeg(b) % 180 / 60)));
            }
        }
    }

    static PictureShape.Kind kind(Area.Kind kind) {
        return switch (kind) {
            case LAWN -> PictureShape.Kind.LAWN;
            case PATH -> PictureShape.Kind.PATH;
            case STEPS -> PictureShape.Kind.STEPS;
            case ROAD -> PictureShape.Kind.ROAD;
            case WATER -> PictureShape.Kind.WATER;
            case PRIVATE, NEIGHBOUR -> PictureShape.Kind.OFF_LIMITS;
        };
    }

    private static PictureShape.Kind kind(Wall wall) {
        return switch (wall.material()) {
            case METAL, FOIL -> PictureShape.Kind.METAL_WALL;
            case HEDGE, FOLIAGE -> PictureShape.Kind.HEDGE;
            case GLASS, COATED_GLASS -> PictureShape.Kind.GLASS;
            default -> PictureShape.Kind.WALL;
        };
    }
}
