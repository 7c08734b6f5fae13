package roofnest.core.plan;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.DoubleStream;
import java.util.stream.Stream;

import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;

/**
 * Finds what a straight ray between two points of space goes through. Walls are vertical sheets on their centre line that
 * reach to the floor or the roof over them ({@link Shell}); doors and windows count as their own material; trees and tanks
 * are upright cylinders; floors and roofs count where the ray goes through their outline. What light meets besides, and
 * radio is not reckoned with, is the ground: its level, the tops of raised areas and the banks around them. Built once per
 * plan and asked many thousand times, so obstacles lie in flat arrays: walls first, then round things, then banks. Many
 * rays from one point are asked faster of {@link #from}.
 */
public final class WallCrossings {
    /** A ray that ends this near to the plan's level ends on it, metres. */
    private static final double ON_LEVEL_M = 1e-7;
    /** What is met this near to one another along a ray, as shares of it, is met at once. */
    private static final double SAME_SHARE = 1e-6;
    /** Boards that close the hollow under a floor's edge, metres. */
    private static final double FASCIA_M = 0.1;
    private static final double LEAST_FASCIA_M = 0.1;

    private final List<Wall> walls;
    private final List<Thing> rounds;
    private final double[] lines;
    private final double[] bases;
    private final double[] tops;
    private final Shell.Top[] wallTops;
    /** As high as any part of the wall reaches; where a ray is between the two, the {@link Shell} is asked. */
    private final double[] mostTops;
    private final Shell shell;
    private final Plate[] floors;
    private final Plate[] roofs;
    private final Ground ground;
    private final Plate[] raised;
    private final List<Plate> plates;
    private final List<Bank> banks;
    private final double[] trunkFeet;
    private final double[] lowest;
    private final double[] highest;
    private final Rest rest;
    /** Found when a ground is first outlined. */
    private volatile List<PlanPoint> corners;
    private volatile double[][] plateEdges;

    /** What only light meets: the side of raised or lowered ground, from the plan's level up, and a {@link Shell.Fascia} on a wall. */
    private record Bank(double ax, double ay, double bx, double by, double baseM, double atA, double atB) {}

    /**
     * One thing crossed.
     *
     * @param thicknessM of it along the ray where its loss goes by the metre; of a wall its own, metres
     * @param share where along the ray, 0 to 1
     */
    public record Crossing(Material material, double thicknessM, double share) {}

    /** Told of each thing crossed; a ray that nobody needs the rest of is cut short. */
    @FunctionalInterface
    public interface Visitor {
        /** Returns whether to go on. */
        boolean crossed(Material material, double thicknessM, double share);
    }

    public WallCrossings(HousePlan plan) {
        this(plan, plan.walls(), Rest.of(plan, new Shell(plan), new Ground(plan)));
    }

    /** The same house with its walls moved aside or left out: floors, roofs and ground stay as they are. */
    public WallCrossings withWalls(HousePlan plan, List<Wall> moved) {
        return new WallCrossings(plan, moved, rest);
    }

    /** Everything but the walls. */
    private record Rest(Shell shell, Ground ground, Plate[] floors, Plate[] roofs, Plate[] raised, List<Plate> plates, List<Bank> banks,
            List<Thing> rounds, double[] trunkFeet, double highestM) {
        private static Rest of(HousePlan plan, Shell shell, Ground ground) {
            Plate[] floors = shell.floors().toArray(Plate[]::new);
            Plate[] roofs = shell.roofs().toArray(Plate[]::new);
            Plate[] raised = ground.plates().toArray(Plate[]::new);
            List<Plate> plates = Stream.of(floors, roofs, raised).flatMap(Stream::of).toList();
            List<Bank> banks = sides(plan, shell);
            List<Thing> rounds = plan.things().stream().filter(thing -> thing.kind().round()).toList();
            double highestM = DoubleStream.of(plan.walls().stream().mapToDouble(shell::mostM).max().orElse(0),
                    rounds.stream().mapToDouble(Thing::heightM).max().orElse(0),
                    banks.stream().mapToDouble(bank -> Math.max(bank.atA, bank.atB)).max().orElse(0),
                    plates.stream().mapToDouble(Plate::highestM).max().orElse(0), 0).max().orElseThrow();
            return new Rest(shell, ground, floors, roofs, raised, plates, banks, rounds,
                    rounds.stream().mapToDouble(thing -> ground.heightM(thing.at())).toArray(), highestM);
        }
    }

    private WallCrossings(HousePlan plan, List<Wall> ofPlan, Rest rest) {
        this.rest = rest;
        shell = rest.shell;
        ground = rest.ground;
        floors = rest.floors;
        roofs = rest.roofs;
        raised = rest.raised;
        plates = rest.plates;
        banks = rest.banks;
        rounds = rest.rounds;
        trunkFeet = rest.trunkFeet;
        walls = new ArrayList<>(ofPlan);
        List<Shell.Fascia> fascias = shell.fascias().stream().filter(fascia -> !fascia.onWall()).toList();
        for (Shell.Fascia fascia : fascias) {
            walls.add(new Wall("fascia", fascia.storey(), fascia.from(), fascia.to(), Material.TIMBER, FASCIA_M,
                    Math.max(LEAST_FASCIA_M, fascia.highM() - fascia.lowM()), List.of()));
        }
        lines = new double[walls.size() * 4];
        bases = new double[walls.size()];
        tops = new double[walls.size()];
        wallTops = new Shell.Top[walls.size()];
        mostTops = new double[walls.size()];
        for (int i = 0; i < walls.size(); i++) {
            Wall wall = walls.get(i);
            lines[4 * i] = wall.from().xM();
            lines[4 * i + 1] = wall.from().yM();
            lines[4 * i + 2] = wall.to().xM() - wall.from().xM();
            lines[4 * i + 3] = wall.to().yM() - wall.from().yM();
            bases[i] = plan.baseM(wall);
            wallTops[i] = shell.top(wall);
            tops[i] = bases[i] + wall.heightM();
            mostTops[i] = shell.mostM(wall);
        }
        for (int i = 0; i < fascias.size(); i++) {
            int at = ofPlan.size() + i;
            bases[at] = fascias.get(i).lowM();
            tops[at] = fascias.get(i).highM();
            mostTops[at] = tops[at];
        }
        lowest = Arrays.copyOf(bases, size());
        highest = Arrays.copyOf(mostTops, size());
        for (int i = walls.size(); i < size(); i++) {
            Thing thing = i < firstBank() ? rounds.get(i - walls.size()) : null;
            Bank bank = thing == null ? banks.get(i - firstBank()) : null;
            lowest[i] = thing == null ? Math.min(bank.baseM, Math.min(bank.atA, bank.atB)) : trunkFeet[i - walls.size()];
            highest[i] = thing == null ? Math.max(bank.baseM, Math.max(bank.atA, bank.atB)) : thing.heightM();
        }
    }

    private static List<Bank> sides(HousePlan plan, Shell shell) {
        List<Bank> banks = new ArrayList<>();
        for (Area area : plan.areas()) {
            for (int i = 0; area.raised() && i < area.outline().size(); i++) {
                PlanPoint a = area.outline().get(i);
                PlanPoint b = area.outline().get((i + 1) % area.outline().size());
                if (a.distanceM(b) > 1e-6) {
                    banks.add(new Bank(a.xM(), a.yM(), b.xM(), b.yM(), 0, area.groundM(a), area.groundM(b)));
                }
            }
        }
        for (Shell.Fascia fascia : shell.fascias()) {
            if (fascia.onWall()) {
                banks.add(
                        new Bank(fascia.from().xM(), fascia.from().yM(), fascia.to().xM(), fascia.to().yM(), fascia.lowM(), fascia.highM(),
                                fascia.highM()));
            }
        }
        return banks;
    }

    /** How the storeys lie on one another. */
    public Shell shell() {
        return shell;
    }

    public Ground ground() {
        return ground;
    }

    /** No wall, tree, roof or ground reaches higher, metres above the plan's level. */
    public double highestM() {
        return rest.highestM;
    }

    /** Where obstacle {@code i} ends downwards and upwards, metres above the plan's level. */
    double lowestM(int i) {
        return lowest[i];
    }

    /** @see #lowestM */
    double highestM(int i) {
        return highest[i];
    }

    /** How many obstacles there are, round ones and banks included. */
    int size() {
        return bases.length + rounds.size() + banks.size();
    }

    /** Obstacles from here on are banks, which only light meets. */
    int firstBank() {
        return bases.length + rounds.size();
    }

    /** An index for many rays that all leave one point of the plan. */
    public RaysFrom from(double xM, double yM) {
        return new RaysFrom(this, xM, yM);
    }

    /** Told of the upper and lower ends of what stands along a line over the plan. */
    @FunctionalInterface
    public interface EdgeVisitor {
        /** @param distanceM along the line; {@code zM} above the ground */
        void edge(double distanceM, double zM);
    }

    /** Tells of every edge of obstacle {@code i} over the line that leaves a point in a direction of length one. */
    void edges(int i, double x, double y, double ux, double uy, double reachM, EdgeVisitor visitor) {
        if (i >= bases.length && i < firstBank()) {
            Thing thing = rounds.get(i - bases.length);
            double fx = thing.at().xM() - x;
            double fy = thing.at().yM() - y;
            double nearest = fx * ux + fy * uy;
            double half = thing.radiusM() * thing.radiusM() - (fx * fx + fy * fy - nearest * nearest);
            for (int side = -1; half > 0 && side <= 1; side += 2) {
                double at = nearest + side * Math.sqrt(half);
                if (at > 0 && at < reachM) {
                    visitor.edge(at, thing.fromM(trunkFeet[i - bases.length]));
                    visitor.edge(at, thing.heightM());
                }
            }
            return;
        }
        Bank bank = i < bases.length ? null : banks.get(i - firstBank());
        double lx = bank == null ? lines[4 * i] : bank.ax;
        double ly = bank == null ? lines[4 * i + 1] : bank.ay;
        double wx = bank == null ? lines[4 * i + 2] : bank.bx - lx;
        double wy = bank == null ? lines[4 * i + 3] : bank.by - ly;
        double cross = ux * wy - uy * wx;
        double at = ((lx - x) * wy - (ly - y) * wx) / cross;
        double along = ((lx - x) * uy - (ly - y) * ux) / cross;
        if (!(at > 0 && at < reachM && along >= 0 && along <= 1)) {
            return;
        }
        if (bank != null) {
            visitor.edge(at, bank.baseM);
            visitor.edge(at, bank.atA + along * (bank.atB - bank.atA));
            return;
        }
        Wall wall = walls.get(i);
        visitor.edge(at, bases[i]);
        visitor.edge(at, mostTops[i] > tops[i] ? wallTops[i].atM(x + at * ux, y + at * uy) : tops[i]);
        double alongM = along * Math.sqrt(wx * wx + wy * wy);
        for (Opening opening : wall.openings()) {
            if (alongM >= opening.atM() && alongM <= opening.atM() + opening.widthM()) {
                visitor.edge(at, bases[i] + opening.sillM());
                visitor.edge(at, bases[i] + opening.headM());
            }
        }
    }

    /** Every floor, pitch of a roof and top of raised ground. */
    public List<Plate> plates() {
        return plates;
    }

    /** Points of the plan beside which what is seen past them changes: ends of walls, edges of openings, corners of plates. */
    public List<PlanPoint> corners() {
        List<PlanPoint> found = corners;
        if (found == null) {
            found = findCorners();
            corners = found;
        }
        return found;
    }

    /** Edges of all plates as {@code {ax, ay, bx, by, place of the plate in the list}}; not to be written to. */
    public double[][] plateEdges() {
        double[][] found = plateEdges;
        if (found == null) {
            found = findPlateEdges();
            plateEdges = found;
        }
        return found;
    }

    private double[][] findPlateEdges() {
        List<double[]> edges = new ArrayList<>();
        for (int plate = 0; plate < plates.size(); plate++) {
            Geometry rings = plates.get(plate).outline().getBoundary();
            for (int part = 0; part < rings.getNumGeometries(); part++) {
                Coordinate[] ring = rings.getGeometryN(part).getCoordinates();
                for (int i = 0; i + 1 < ring.length; i++) {
                    edges.add(new double[] {ring[i].x, ring[i].y, ring[i + 1].x, ring[i + 1].y, plate});
                }
            }
        }
        return edges.toArray(double[][]::new);
    }

    private List<PlanPoint> findCorners() {
        Stream<PlanPoint> ofWalls = walls.stream().flatMap(wall -> Stream.concat(Stream.of(wall.from(), wall.to()),
                wall.openings().stream().flatMap(opening -> Stream.of(wall.along(opening.atM()),
                        wall.along(Math.min(wall.lengthM(), opening.atM() + opening.widthM()))))));
        return Stream.concat(ofWalls, plates().stream().flatMap(plate -> Stream.of(plate.outline().getCoordinates()))
                .map(corner -> new PlanPoint(corner.x, corner.y))).distinct().toList();
    }

    /** Trees and tanks. */
    public List<Thing> rounds() {
        return rounds;
    }

    /** Everything crossed strictly between the two ends, in the plan's order. */
    public List<Crossing> between(SpacePoint a, SpacePoint b) {
        List<Crossing> found = new ArrayList<>(4);
        walk(a, b, (material, thicknessM, share) -> {
            found.add(new Crossing(material, thicknessM, share));
            return true;
        });
        return found;
    }

    /**
     * Tells the visitor of every wall, tree, tank and roof crossed strictly between the two ends, in the plan's order. Floors
     * are counted by {@link #slabsBetween}.
     */
    public void walk(SpacePoint a, SpacePoint b, Visitor visitor) {
        for (int i = 0; i < firstBank(); i++) {
            if (!cross(i, a.xM(), a.yM(), a.zM(), b.xM(), b.yM(), b.zM(), visitor)) {
                return;
            }
        }
        walkRoofs(a.xM(), a.yM(), a.zM(), b.xM(), b.yM(), b.zM(), visitor);
    }

    boolean walkRoofs(double ax, double ay, double az, double bx, double by, double bz, Visitor visitor) {
        for (Plate roof : roofs) {
            double share = roof.crossed(ax, ay, az, bx, by, bz);
            if (!Double.isNaN(share) && !visitor.crossed(roof.material(), 0, share)) {
                return false;
            }
        }
        return true;
    }

    /** Whether nothing that light cannot pass stands between the two points. */
    public boolean inSight(SpacePoint a, SpacePoint b) {
        for (int i = 0; i < size(); i++) {
            if (hides(i, a.xM(), a.yM(), a.zM(), b.xM(), b.yM(), b.zM())) {
                return false;
            }
        }
        return lying(a.xM(), a.yM(), a.zM(), b.xM(), b.yM(), b.zM()) == null;
    }

    /** What light meets on the way. */
    public enum Hider {
        WALL("a wall"), TREE("a tree"), TANK("a tank"), BANK("raised ground"), FLOOR("a floor"), ROOF("a roof"), GROUND("the ground");

        private final String words;

        Hider(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /** What obstacle {@code i} is. */
    Hider kind(int i) {
        return i < bases.length ? Hider.WALL : i >= firstBank() ? Hider.BANK
                : rounds.get(i - bases.length).kind() == Thing.Kind.TREE ? Hider.TREE : Hider.TANK;
    }

    /** Whether obstacle {@code i} stands in the way of light. */
    boolean hides(int i, double ax, double ay, double az, double bx, double by, double bz) {
        return i >= firstBank() ? !Double.isNaN(bankCrossed(banks.get(i - firstBank()), ax, ay, az, bx, by, bz))
                : !cross(i, ax, ay, az, bx, by, bz, SEE_THROUGH);
    }

    private static final Visitor SEE_THROUGH = (material, thicknessM, share) -> material.seeThrough();

    /** What light meets first on the way; null when nothing hides the point. Of two at one spot the earlier kind is said. */
    Hider first(double ax, double ay, double az, double bx, double by, double bz) {
        Nearest nearest = new Nearest();
        for (int i = 0; i < size(); i++) {
            int at = i;
            if (i >= firstBank()) {
                nearest.met(bankCrossed(banks.get(i - firstBank()), ax, ay, az, bx, by, bz), Hider.BANK);
            } else {
                cross(i, ax, ay, az, bx, by, bz, (material, thicknessM, share) -> {
                    nearest.met(material.seeThrough() ? Double.NaN : share, kind(at));
                    return true;
                });
            }
        }
        for (Plate plate : plates) {
            Hider kind = plate.kind() == Plate.Kind.FLOOR ? Hider.FLOOR : plate.kind() == Plate.Kind.ROOF ? Hider.ROOF : Hider.BANK;
            boolean glazed = plate.kind() == Plate.Kind.ROOF && plate.material().seeThrough();
            nearest.met(glazed ? Double.NaN : plate.crossed(ax, ay, az, bx, by, bz), kind);
        }
        return nearest.kind == null ? lying(ax, ay, az, bx, by, bz) : nearest.kind;
    }

    private static final class Nearest {
        private double share = 2;
        private Hider kind;

        private void met(double at, Hider what) {
            if (at < share - SAME_SHARE || at <= share + SAME_SHARE && (kind == null || what.compareTo(kind) < 0)) {
                share = Math.min(share, at);
                kind = what;
            }
        }
    }

    /** The floor, roof or ground that lies in the way of light; null when none does. */
    Hider lying(double ax, double ay, double az, double bx, double by, double bz) {
        for (Plate floor : floors) {
            if (!Double.isNaN(floor.crossed(ax, ay, az, bx, by, bz))) {
                return Hider.FLOOR;
            }
        }
        for (Plate roof : roofs) {
            if (!roof.material().seeThrough() && !Double.isNaN(roof.crossed(ax, ay, az, bx, by, bz))) {
                return Hider.ROOF;
            }
        }
        for (Plate top : raised) {
            if (!Double.isNaN(top.crossed(ax, ay, az, bx, by, bz))) {
                return Hider.BANK;
            }
        }
        if (az > ON_LEVEL_M && bz < -ON_LEVEL_M || az < -ON_LEVEL_M && bz > ON_LEVEL_M) {
            double share = az / (az - bz);
            return ground.heightM(ax + share * (bx - ax), ay + share * (by - ay)) >= 0 ? Hider.GROUND : null;
        }
        return null;
    }

    /** How many slabs the ray goes through. */
    public int slabsBetween(SpacePoint a, SpacePoint b) {
        return slabsBetween(a.xM(), a.yM(), a.zM(), b.xM(), b.yM(), b.zM());
    }

    int slabsBetween(double ax, double ay, double az, double bx, double by, double bz) {
        int count = 0;
        for (Plate floor : floors) {
            count += Double.isNaN(floor.crossed(ax, ay, az, bx, by, bz)) ? 0 : 1;
        }
        return count;
    }

    /** Where along the ray a bank is met, 0 to 1; NaN where it is not. */
    private static double bankCrossed(Bank bank, double ax, double ay, double az, double bx, double by, double bz) {
        double dx = bx - ax;
        double dy = by - ay;
        double wx = bank.bx - bank.ax;
        double wy = bank.by - bank.ay;
        double cross = dx * wy - dy * wx;
        if (cross == 0) {
            return Double.NaN;
        }
        double ox = bank.ax - ax;
        double oy = bank.ay - ay;
        double share = (ox * wy - oy * wx) / cross;
        double along = (ox * dy - oy * dx) / cross;
        if (!(share > 1e-9 && share < 1 - 1e-9 && along >= 0 && along <= 1)) {
            return Double.NaN;
        }
        double z = az + share * (bz - az);
        double edge = bank.atA + along * (bank.atB - bank.atA);
        return z > Math.min(bank.baseM, edge) && z < Math.max(bank.baseM, edge) ? share : Double.NaN;
    }

    /** Tells the visitor if obstacle {@code i} is crossed; returns whether to go on. */
    boolean cross(int i, double ax, double ay, double az, double bx, double by, double bz, Visitor visitor) {
        return i < bases.length ? crossWall(i, ax, ay, az, bx, by, bz, visitor)
                : crossRound(rounds.get(i - bases.length), trunkFeet[i - bases.length], ax, ay, az, bx, by, bz, visitor);
    }

    /** Ends that touch do not count, so that a camera on a wall's face is not behind it. */
    private boolean crossWall(int i, double ax, double ay, double az, double bx, double by, double bz, Visitor visitor) {
        double dx = bx - ax;
        double dy = by - ay;
        double wx = lines[4 * i + 2];
        double wy = lines[4 * i + 3];
        double cross = dx * wy - dy * wx;
        if (cross == 0) {
            return true;
        }
        double ox = lines[4 * i] - ax;
        double oy = lines[4 * i + 1] - ay;
        // Most walls are missed: both shares are told from their numerators, and divided only where the wall is met.
        double sign = cross < 0 ? -1 : 1;
        double size = sign * cross;
        double shareOfSize = sign * (ox * wy - oy * wx);
        double alongOfSize = sign * (ox * dy - oy * dx);
        if (!(shareOfSize > 1e-9 * size && shareOfSize < (1 - 1e-9) * size && alongOfSize >= 0 && alongOfSize <= size)) {
            return true;
        }
        double share = shareOfSize / size;
        double along = alongOfSize / size;
        double z = az + share * (bz - az);
        if (z < bases[i] || z > mostTops[i]) {
            return true;
        }
        Wall wall = walls.get(i);
        if (z > tops[i] && z > wallTops[i].atM(ax + share * dx, ay + share * dy)) {
            return true;
        }
        Material material = wall.openings().isEmpty() ? wall.material()
                : wall.materialAt(along * Math.sqrt(wx * wx + wy * wy), z - bases[i]);
        return visitor.crossed(material, wall.thicknessM(), share);
    }

    /** The chord through an upright cylinder, cut at its foot and top. */
    private static boolean crossRound(
            Thing thing, double footM, double ax, double ay, double az, double bx, double by, double bz, Visitor visitor) {
        double dx = bx - ax;
        double dy = by - ay;
        double dz = bz - az;
        double fx = ax - thing.at().xM();
        double fy = ay - thing.at().yM();
        double a = dx * dx + dy * dy;
        double b = fx * dx + fy * dy;
        double root = b * b - a * (fx * fx + fy * fy - thing.radiusM() * thing.radiusM());
        if (a == 0 || root <= 0) {
            return true;
        }
        double in = Math.max(0, (-b - Math.sqrt(root)) / a);
        double out = Math.min(1, (-b + Math.sqrt(root)) / a);
        if (dz != 0) {
            double one = (thing.fromM(footM) - az) / dz;
            double other = (thing.heightM() - az) / dz;
            in = Math.max(in, Math.min(one, other));
            out = Math.min(out, Math.max(one, other));
        } else if (az < thing.fromM(footM) || az > thing.heightM()) {
            return true;
        }
        if (out - in < 1e-9) {
            return true;
        }
        return visitor.crossed(thing.material(), (out - in) * Math.sqrt(a + dz * dz), (in + out) / 2);
    }

    /** The least distance of obstacle {@code i} from a point of the plan, metres. */
    double nearestM(int i, double x, double y) {
        if (i >= firstBank()) {
            Bank bank = banks.get(i - firstBank());
            return distanceM(x, y, bank.ax, bank.ay, bank.bx - bank.ax, bank.by - bank.ay);
        }
        if (i >= bases.length) {
            Thing thing = rounds.get(i - bases.length);
            double dx = thing.at().xM() - x;
            double dy = thing.at().yM() - y;
            return Math.max(0, Math.sqrt(dx * dx + dy * dy) - thing.radiusM());
        }
        return distanceM(x, y, lines[4 * i], lines[4 * i + 1], lines[4 * i + 2], lines[4 * i + 3]);
    }

    private static double distanceM(double x, double y, double lx, double ly, double wx, double wy) {
        double ox = x - lx;
        double oy = y - ly;
        double share = Math.max(0, Math.min(1, (ox * wx + oy * wy) / (wx * wx + wy * wy)));
        double dx = ox - share * wx;
        double dy = oy - share * wy;
        return Math.sqrt(dx * dx + dy * dy);
    }

    /**
     * The arc under which obstacle {@code i} is seen from a point, clockwise from its first edge to its last, both in
     * {@link RaysFrom#quarters}; all the way round when the point is in or on it.
     */
    double[] arc(int i, double x, double y) {
        if (nearestM(i, x, y) < 1e-6) {
            return new double[] {0, 4};
        }
        double ax;
        double ay;
        double bx;
        double by;
        if (i < firstBank() && i >= bases.length) {
            Thing thing = rounds.get(i - bases.length);
            double dx = thing.at().xM() - x;
            double dy = thing.at().yM() - y;
            double half = Math.asin(Math.min(1, thing.radiusM() / Math.sqrt(dx * dx + dy * dy)));
            double heading = Math.atan2(dx, dy);
            ax = Math.sin(heading - half);
            ay = Math.cos(heading - half);
            bx = Math.sin(heading + half);
            by = Math.cos(heading + half);
        } else {
            Bank bank = i >= firstBank() ? banks.get(i - firstBank()) : null;
            ax = (bank == null ? lines[4 * i] : bank.ax) - x;
            ay = (bank == null ? lines[4 * i + 1] : bank.ay) - y;
            bx = bank == null ? ax + lines[4 * i + 2] : bank.bx - x;
            by = bank == null ? ay + lines[4 * i + 3] : bank.by - y;
            if (ax * by - ay * bx > 0) {
                // It runs anticlockwise; seen from here its last end comes first.
                double swap = ax;
                ax = bx;
                bx = swap;
                swap = ay;
                ay = by;
                by = swap;
            }
        }
        double from = RaysFrom.quarters(ax, ay);
        double to = RaysFrom.quarters(bx, by);
        return new double[] {from, to < from ? to + 4 : to};
    }
}
