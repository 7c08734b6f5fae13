package roofnest.core.cable;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.NavigableSet;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.IntStream;

import org.jgrapht.Graph;
import org.jgrapht.Graphs;
import org.jgrapht.alg.shortestpath.DijkstraShortestPath;
import org.jgrapht.alg.shortestpath.TreeSingleSourcePathsImpl;
import org.jgrapht.alg.util.Pair;
import org.jgrapht.graph.SimpleWeightedGraph;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.index.strtree.STRtree;

import roofnest.core.catalogue.Climb;
import roofnest.core.catalogue.PowerSpec;
import roofnest.core.catalogue.Practice;
import roofnest.core.mount.WallFace;
import roofnest.core.plan.Ground;
import roofnest.core.plan.HousePlan;
import roofnest.core.plan.Material;
import roofnest.core.plan.Opening;
import roofnest.core.plan.PlanPoint;
import roofnest.core.plan.Segments;
import roofnest.core.plan.Shell;
import roofnest.core.plan.SpacePoint;
import roofnest.core.plan.Storey;
import roofnest.core.plan.Thing;
import roofnest.core.plan.Wall;
import roofnest.core.view.CameraPose;

/**
 * All ways of a lead over the faces of one house: from every socket along walls, round openings and corners, from storey to storey
 * and through what may be drilled. The way of least {@link Effort} to every point is found once (Dijkstra 1959); asking for one
 * camera then looks at the few points beside it. Safe for many threads.
 */
public final class CableNet {
    /** A lead lies so far above a floor and below a top, metres. */
    static final double OFF_THE_EDGE_M = 0.05;
    /** A hole keeps so far from floors and openings, metres. */
    static final double HOLE_CLEAR_M = 0.15;
    /** A hole keeps so far beside a socket: its cables run up or down from it, metres. */
    static final double BESIDE_SOCKET_M = 0.15;
    /** Faces of storeys one over the other that are no farther apart than this are one way, metres. */
    static final double OVER_M = 0.6;
    /** A fence that ends this near to a wall meets it, metres. */
    static final double MEETS_M = 0.4;
    /** Thicker floors hide something that a drill does not know, metres. */
    static final double THICKEST_FLOOR_M = 0.8;
    /** Holes above this over a floor are reached only by climbing on furniture, and are not looked for, metres. */
    static final double HIGHEST_HOLE_M = 2.4;
    /** A camera and its arm reach so far from a wall without a lead of their own, metres. */
    static final double ARM_M = 0.15;
    /** Upright lines this near to a camera are looked at, metres. */
    private static final double BESIDE_M = Faces.STEP_M + 0.1;
    /** As the storeys' floors are reckoned. */
    private static final Material FLOORS = Material.TIMBER;
    private static final double SAME_LEVEL_M = 0.015;
    private static final int MM = 1000;

    private final HousePlan plan;
    private final Shell shell;
    private final Ground ground;
    private final Practice practice;
    private final List<Node> nodes;
    private final Map<String, List<Line>> lines;
    private final Map<Weighing, Tree> trees = new ConcurrentHashMap<>();

    /** Why there is no way. */
    public enum None {
        NO_SOCKET("The plan shows no socket yet."), NO_WALL("It hangs on no wall of the plan that a lead could come along."),
        NO_WAY("No socket of the plan has a way to it along walls: an outlet there is for a licensed electrician.");

        private final String words;

        None(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /** An upright line with its points, the lowest first. */
    private record Line(Column column, List<Node> nodes) {}

    /** A point of a face; {@code column} is null for a socket. */
    private record Node(int id, Column column, Thing socket, SpacePoint at) {}

    /** From a socket on: how far, over what, from where; {@code step} is null at a socket. */
    private record Tree(double[] effortM, int[] from, Step[] steps) {}

    public CableNet(HousePlan plan, Shell shell, Ground ground, Practice practice) {
        this.plan = plan;
        this.shell = shell;
        this.ground = ground;
        this.practice = practice;
        Net net = new Net();
        nodes = List.copyOf(net.points);
        lines = Map.copyOf(net.uprights);
        trees.put(Weighing.LEAST_WORK, net.tree(Weighing.LEAST_WORK));
    }

    /** A piece between two points that lie beside one another. */
    private static final class Step {
        private final Leg.Kind kind;
        private final boolean indoors;
        private final double lengthM;
        private final double effortM;
        private final double doors;
        private final Bore bore;

        private Step(Leg.Kind kind, boolean indoors, double lengthM, double effortM, double doors, Bore bore) {
            this.kind = kind;
            this.indoors = indoors;
            this.lengthM = lengthM;
            this.effortM = effortM;
            this.doors = doors;
            this.bore = bore;
        }

        private double weigh(Weighing weighing) {
            return switch (weighing) {
                case LEAST_WORK -> effortM;
                case NO_HOLE -> bore == null ? effortM : Double.POSITIVE_INFINITY;
                // Of ways as long as one another the easier.
                case SHORTEST -> lengthM + effortM / MM;
            };
        }
    }

    /** The points and pieces while ways are looked for, made the same each time; of it only points and lines are kept. */
    private final class Net {
        private final List<Node> points = new ArrayList<>();
        private final Map<String, List<Line>> uprights = new HashMap<>();
        private final Graph<Node, Step> graph = new SimpleWeightedGraph<>(Step.class);
        private final Node origin = new Node(-1, null, null, new SpacePoint(0, 0, 0));

        private Net() {
            graph.addVertex(origin);
            Faces faces = new Faces(plan, shell, ground);
            Map<String, NavigableSet<Double>> levels = new HashMap<>();
            plan.walls().forEach(wall -> levels.put(wall.id(), faces.levels(wall)));
            for (List<Column> row : faces.rows()) {
                List<Line> round = row.stream().map(column -> line(column, levels.get(column.wall().id()))).toList();
                for (int i = 0; i < round.size(); i++) {
                    beside(round.get(i), round.get((i + 1) % round.size()));
                }
            }
            plan.walls().forEach(this::through);
            List<Line> all = uprights.values().stream().flatMap(List::stream).filter(line -> !line.nodes().isEmpty())
                    .sorted(Comparator.comparingInt(line -> line.nodes().get(0).id())).toList();
            STRtree near = new STRtree();
            all.forEach(line -> near.insert(new Envelope(Segments.coordinate(line.column().at())), line));
            all.forEach(line -> over(line, near));
            plan.ofKind(Thing.Kind.SOCKET).forEach(this::socket);
        }

        private Line line(Column column, NavigableSet<Double> levels) {
            double low = column.footM() + OFF_THE_EDGE_M;
            double high = column.topM() - OFF_THE_EDGE_M;
            List<Double> heights = new ArrayList<>(List.of(low));
            levels.subSet(low + SAME_LEVEL_M, true, high - SAME_LEVEL_M, true).forEach(heights::add);
            heights.add(high);
            List<Node> upwards = new ArrayList<>();
            for (double z : heights) {
                if (!column.open(z)) {
                    Node node = new Node(points.size(), column, null, new SpacePoint(column.at().xM(), column.at().yM(), z));
                    points.add(node);
                    graph.addVertex(node);
                    if (!upwards.isEmpty()) {
                        upright(upwards.get(upwards.size() - 1), node);
                    }
                    upwards.add(node);
                }
            }
            Line line = new Line(column, upwards);
            uprights.computeIfAbsent(key(column.wall(), column.left()), any -> new ArrayList<>()).add(line);
            return line;
        }

        private void upright(Node lower, Node upper) {
            Column column = lower.column();
            if (Effort.holdsClips(column.wall().material()) && !column.crosses(lower.at().zM(), upper.at().zM())) {
                double length = upper.at().zM() - lower.at().zM();
                Leg.Kind kind = column.corner() ? Leg.Kind.CORNER : Leg.Kind.WALL;
                link(lower, upper, new Step(kind, column.indoors(), length, length * share(kind, column, upper.at().zM())
                        * Effort.climbing(practice, overFootM(column, upper.at().zM())), 0, null));
            }
        }

        /** Pieces that lie, from one upright line to the next: along foot and top, and wherever both have a point at one height. */
        private void beside(Line one, Line other) {
            if (one == other || one.nodes().isEmpty() || other.nodes().isEmpty() || !Effort.holdsClips(one.column().wall().material())
                    || !Effort.holdsClips(other.column().wall().material())) {
                return;
            }
            lying(one.nodes().get(0), other.nodes().get(0));
            lying(one.nodes().get(one.nodes().size() - 1), other.nodes().get(other.nodes().size() - 1));
            int j = 0;
            for (Node node : one.nodes()) {
                while (j < other.nodes().size() && other.nodes().get(j).at().zM() < node.at().zM() - SAME_LEVEL_M) {
                    j++;
                }
                if (j < other.nodes().size() && Math.abs(other.nodes().get(j).at().zM() - node.at().zM()) <= SAME_LEVEL_M) {
                    lying(node, other.nodes().get(j));
                }
            }
        }

        private void lying(Node one, Node other) {
            Column column = one.column();
            boolean sameWall = column.wall() == other.column().wall() && !(column.corner() && other.column().corner()
                    && column.outDeg() != other.column().outDeg());
            double length = one.at().distanceM(other.at());
            double alongM = other.column().alongM();
            if (sameWall && column.crossesAlong(alongM, one.at().zM()) || graph.containsEdge(one, other)) {
                return;
            }
            Leg.Kind kind = kind(one);
            double doors = sameWall ? doors(column.wall(), column.alongM(), alongM) : 0;
            link(one, other, new Step(kind, column.indoors() || other.column().indoors(), length,
                    length * share(kind, column, one.at().zM()) * Effort.climbing(practice, overFootM(column, one.at().zM()))
                            + doors * Effort.A_DOOR_M,
                    doors, null));
        }

        /** From one face of a wall to the other: by a hole, or round the edge of a gap. */
        private void through(Wall wall) {
            Map<Long, Line> behind = new HashMap<>();
            uprights.getOrDefault(key(wall, false), List.of()).stream().filter(line -> !line.column().corner())
                    .forEach(line -> behind.put(Math.round(line.column().alongM() * MM), line));
            for (Line line : uprights.getOrDefault(key(wall, true), List.of())) {
                Line back = behind.get(Math.round(line.column().alongM() * MM));
                if (back == null || line.column().corner()) {
                    continue;
                }
                for (Node node : line.nodes()) {
                    back.nodes().stream().filter(other -> Math.abs(other.at().zM() - node.at().zM()) <= SAME_LEVEL_M).findFirst()
                            .ifPresent(other -> {
                                bore(node, other).ifPresent(step -> link(node, other, step));
                                reveal(node, other);
                            });
                }
            }
        }

        private Optional<Step> bore(Node node, Node other) {
            return mayBore(node.column(), other.column(), node.column().alongM(), node.at().zM())
                    ? Optional.of(hole(node.column(), other.column(), node.at(), other.at())) : Optional.empty();
        }

        private void reveal(Node node, Node other) {
            Wall wall = node.column().wall();
            double along = node.column().alongM();
            double over = node.at().zM() - node.column().floorM();
            boolean edge = wall.openings().stream().anyMatch(gap -> gap.kind() == Opening.Kind.GAP && over > gap.sillM()
                    && over < gap.headM() && (Math.abs(along - gap.atM() + Faces.ROUND_M) < SAME_LEVEL_M
                            || Math.abs(along - gap.atM() - gap.widthM() - Faces.ROUND_M) < SAME_LEVEL_M));
            if (edge && Effort.holdsClips(wall.material()) && !graph.containsEdge(node, other)) {
                double length = wall.thicknessM() + 2 * Faces.ROUND_M;
                link(node, other, new Step(Leg.Kind.REVEAL, true, length,
                        length * Effort.climbing(practice, overFootM(node.column(), node.at().zM())), 0, null));
            }
        }

        /** From a storey to the one over it, and from a fence to the wall that it meets. */
        @SuppressWarnings("unchecked")
        private void over(Line line, STRtree near) {
            Column column = line.column();
            boolean fence = column.wall().heightM() < plan.storey(column.wall().storey()).orElseThrow().heightM() - Faces.STEP_M / 2;
            Line nearest = null;
            Line met = null;
            Envelope about = new Envelope(Segments.coordinate(column.at()));
            about.expandBy(OVER_M);
            List<Line> beside = near.query(about);
            beside.sort(Comparator.comparingInt(each -> each.nodes().get(0).id()));
            for (Line other : beside) {
                Column above = other.column();
                double apart = above.at().distanceM(column.at());
                if (other == line || apart > OVER_M) {
                    continue;
                }
                boolean higher = !above.wall().storey().equals(column.wall().storey()) && above.indoors() == column.indoors()
                        && above.floorM() > column.floorM() && above.footM() - column.topM() > -OVER_M
                        && above.footM() - column.topM() < THICKEST_FLOOR_M;
                nearest = higher && (nearest == null || apart < nearest.column().at().distanceM(column.at())) ? other : nearest;
                boolean meets = fence && above.wall().storey().equals(column.wall().storey()) && above.wall() != column.wall()
                        && above.wall().heightM() > column.wall().heightM() && apart < MEETS_M && !above.indoors();
                met = meets && (met == null || apart < met.column().at().distanceM(column.at())) ? other : met;
            }
            Node top = line.nodes().get(line.nodes().size() - 1);
            if (nearest != null) {
                rise(top, nearest.nodes().get(0));
            }
            if (met != null) {
                Node against = met.nodes().stream().min(Comparator.comparingDouble(node -> Math.abs(node.at().zM() - top.at().zM())))
                        .orElseThrow();
                double length = top.at().distanceM(against.at());
                link(top, against, new Step(Leg.Kind.WALL, false, length, length * Effort.WITHIN_REACH, 0, null));
            }
        }

        private void rise(Node lower, Node upper) {
            double length = lower.at().distanceM(upper.at());
            boolean indoors = lower.column().indoors();
            double gap = Math.max(0.01, upper.column().footM() - lower.column().topM());
            Bore bore = indoors ? new Bore(FLOORS, true, gap, lower.at(), upper.at(), false) : null;
            if (indoors || Effort.holdsClips(lower.column().wall().material())
                    && Effort.holdsClips(upper.column().wall().material())) {
                link(lower, upper, new Step(indoors ? Leg.Kind.FLOOR : Leg.Kind.WALL, indoors, length,
                        (length + (indoors ? Effort.A_FLOOR_M : 0))
                                * Effort.climbing(practice, overFootM(lower.column(), lower.at().zM())),
                        0, bore));
            }
        }

        private void socket(Thing socket) {
            boolean within = plan.walls().stream().anyMatch(wall -> wall.covers(socket.at()));
            uprights.values().stream().flatMap(List::stream)
                    .filter(line -> !line.nodes().isEmpty() && before(line.column(), socket.at(), within)
                            && socket.heightM() > line.column().footM() - OFF_THE_EDGE_M && socket.heightM() < line.column().topM()
                            && line.column().at().distanceM(socket.at()) <= Faces.SOCKET_AT_M)
                    .min(Comparator.comparing((Line line) -> within && !line.column().indoors())
                            .thenComparingDouble(line -> line.column().at().distanceM(socket.at())))
                    .ifPresent(line -> {
                        Node plug = new Node(points.size(), line.column(), socket,
                                new SpacePoint(socket.at().xM(), socket.at().yM(), socket.heightM()));
                        points.add(plug);
                        graph.addVertex(plug);
                        link(origin, plug, new Step(Leg.Kind.WALL, line.column().indoors(), 0, 0, 0, null));
                        line.nodes().stream().filter(node -> !line.column().crosses(node.at().zM(), socket.heightM()))
                                .sorted(Comparator.comparingDouble(node -> Math.abs(node.at().zM() - socket.heightM()))).limit(2)
                                .forEach(node -> {
                                    double length = node.at().distanceM(plug.at());
                                    link(plug, node, new Step(Leg.Kind.WALL, line.column().indoors(), length, length, 0, null));
                                });
                    });
        }

        private void link(Node one, Node other, Step step) {
            graph.addEdge(one, other, step);
        }

        private Tree tree(Weighing weighing) {
            graph.edgeSet().forEach(step -> graph.setEdgeWeight(step, step.weigh(weighing)));
            Map<Node, Pair<Double, Step>> reached = ((TreeSingleSourcePathsImpl<Node, Step>) new DijkstraShortestPath<>(graph)
                    .getPaths(origin)).getDistanceAndPredecessorMap();
            double[] effort = new double[points.size()];
            int[] from = new int[points.size()];
            Step[] steps = new Step[points.size()];
            for (Node node : points) {
                Pair<Double, Step> last = reached.get(node);
                effort[node.id()] = last == null ? Double.POSITIVE_INFINITY : last.getFirst();
                from[node.id()] = -1;
                if (last != null && node.socket() == null) {
                    steps[node.id()] = last.getSecond();
                    from[node.id()] = Graphs.getOppositeVertex(graph, last.getSecond(), node).id();
                }
            }
            return new Tree(effort, from, steps);
        }
    }

    private static String key(Wall wall, boolean left) {
        return wall.storey() + ' ' + wall.id() + (left ? " left" : " right");
    }

    private static Leg.Kind kind(Node node) {
        Column column = node.column();
        if (node.at().zM() < column.footM() + OFF_THE_EDGE_M + SAME_LEVEL_M && column.indoors()) {
            return Leg.Kind.SKIRTING;
        }
        if (node.at().zM() > column.topM() - OFF_THE_EDGE_M - SAME_LEVEL_M) {
            return column.indoors() ? Leg.Kind.CEILING : column.eaves() ? Leg.Kind.EAVES : Leg.Kind.WALL;
        }
        return Leg.Kind.WALL;
    }

    private double share(Leg.Kind kind, Column column, double zM) {
        double share = switch (kind) {
            case SKIRTING -> Effort.SKIRTING;
            case CEILING, EAVES -> Effort.UNDER_THE_TOP;
            case CORNER -> Effort.CORNER;
            case WALL, REVEAL, HOLE, FLOOR, SOFFIT, OPEN -> 1;
        };
        boolean reached = !column.indoors() && overFootM(column, zM) < practice.of(Practice.Figure.OUT_OF_REACH);
        return reached ? share * Effort.WITHIN_REACH : share;
    }

    private double overFootM(Column column, double zM) {
        return Math.max(0, zM - (column.indoors() ? column.footM() : ground.heightM(column.at().towards(column.outDeg(), ARM_M))));
    }

    /** How much of doors lies under a piece, one for a whole one. */
    private static double doors(Wall wall, double fromM, double toM) {
        return wall.openings().stream().filter(opening -> opening.kind() == Opening.Kind.DOOR)
                .mapToDouble(door -> Math.max(0, Math.min(Math.max(fromM, toM), door.atM() + door.widthM())
                        - Math.max(Math.min(fromM, toM), door.atM())) / door.widthM())
                .sum();
    }

    private boolean mayBore(Column one, Column other, double alongM, double zM) {
        Wall wall = one.wall();
        boolean open = wall.openings().stream().anyMatch(opening -> alongM > opening.atM() - HOLE_CLEAR_M
                && alongM < opening.atM() + opening.widthM() + HOLE_CLEAR_M && zM - one.floorM() > opening.sillM() - HOLE_CLEAR_M
                && zM - one.floorM() < opening.headM() + HOLE_CLEAR_M);
        boolean low = zM < Math.max(one.footM(), other.footM()) + HOLE_CLEAR_M || zM > Math.min(one.topM(), other.topM()) - HOLE_CLEAR_M;
        boolean high = zM > one.floorM() + HIGHEST_HOLE_M;
        return !open && !low && !high && !besideSocket(plan, wall, alongM) && Effort.mayBeDrilled(wall.material(), wall.thicknessM());
    }

    /** Whether a place along a wall is where the cables of a socket on it run. */
    static boolean besideSocket(HousePlan plan, Wall wall, double alongM) {
        return plan.ofKind(Thing.Kind.SOCKET).anyMatch(socket -> Math.abs(Faces.along(wall, socket.at()) - alongM) < BESIDE_SOCKET_M
                && Segments.distanceM(socket.at(), wall.from(), wall.to()) < Faces.SOCKET_AT_M);
    }

    private Step hole(Column one, Column other, SpacePoint from, SpacePoint to) {
        Wall wall = one.wall();
        Bore bore = new Bore(wall.material(), false, wall.thicknessM(), from, to, one.indoors() != other.indoors());
        double climbing = Math.max(Effort.climbing(practice, overFootM(one, from.zM())),
                Effort.climbing(practice, overFootM(other, to.zM())));
        return new Step(Leg.Kind.HOLE, one.indoors(), wall.thicknessM(), climbing * Effort.holeM(wall.material(), wall.thicknessM()), 0,
                bore);
    }

    /** Whether somebody at a point looks at a face: before it, or within the wall that it belongs to. */
    private static boolean before(Column column, PlanPoint at, boolean within) {
        double out = Math.toRadians(column.outDeg());
        double ahead = (at.xM() - column.at().xM()) * Math.sin(out) + (at.yM() - column.at().yM()) * Math.cos(out);
        return ahead > (within ? -column.wall().thicknessM() : -ARM_M / 10);
    }

    /** The way to a camera that takes least, by a weighing; empty where there is none: {@link #why}. */
    public Optional<CableWay> way(CameraPose pose, Weighing weighing) {
        Tree tree = trees.computeIfAbsent(weighing, any -> new Net().tree(any));
        return ends(pose, weighing).stream().filter(end -> tree.effortM()[end.node().id()] < Double.POSITIVE_INFINITY)
                .min(Comparator.comparingDouble((End end) -> tree.effortM()[end.node().id()] + end.weighs(weighing))
                        .thenComparingInt(end -> end.node().id()))
                .map(end -> way(tree, end, weighing, pose)).filter(way -> way.alongM() <= CableWay.LONGEST_M);
    }

    /** The way to go: that of least work if what is left of the volts at its end is enough, else the shortest if that one does. */
    public Optional<CableWay> toGo(CameraPose pose, PowerSpec power) {
        Optional<CableWay> least = way(pose, Weighing.LEAST_WORK);
        return least.filter(way -> way.volts(power) < power.leastVolts()).flatMap(way -> way(pose, Weighing.SHORTEST))
                .filter(way -> way.volts(power) >= power.leastVolts()).or(() -> least);
    }

    /**
     * A way that somebody drew.
     *
     * @param socket its name
     * @param turns between socket and camera, heights over the plan's ground
     * @return empty where the plan has no socket of that name
     */
    public Optional<DrawnWay> drawn(String socket, List<SpacePoint> turns, CameraPose pose) {
        return plan.ofKind(Thing.Kind.SOCKET).filter(thing -> thing.name().equals(socket)).findFirst()
                .map(thing -> new HandDrawn(plan, shell).follow(thing, turns, pose, practice, this::underfootM));
    }

    /** Why no lead comes to a camera; empty where one does. */
    public Optional<None> why(CameraPose pose) {
        if (way(pose, Weighing.LEAST_WORK).isPresent()) {
            return Optional.empty();
        }
        return Optional.of(plan.ofKind(Thing.Kind.SOCKET).findAny().isEmpty() ? None.NO_SOCKET
                : WallFace.behind(plan, shell, pose).isEmpty() ? None.NO_WALL : None.NO_WAY);
    }

    /** The last pieces of a way, from a point of a face to the camera. */
    private record End(Node node, List<Step> steps, List<SpacePoint> points) {
        private double weighs(Weighing weighing) {
            return steps.stream().mapToDouble(step -> step.weigh(weighing)).sum();
        }
    }

    private List<End> ends(CameraPose pose, Weighing weighing) {
        Optional<WallFace> on = WallFace.behind(plan, shell, pose);
        if (on.isEmpty()) {
            return List.of();
        }
        List<End> ends = new ArrayList<>();
        List<Line> own = lines(on.get(), on.get().left());
        double arm = Math.max(0, on.get().offM() - ARM_M);
        for (Line line : own) {
            ends.addAll(ends(line, on.get(), pose, arm, Optional.empty()));
        }
        List<Line> back = lines(on.get(), !on.get().left());
        if (!own.isEmpty() && weighing != Weighing.NO_HOLE) {
            // Straight through behind the plate.
            for (Line line : back) {
                Column front = own.get(0).column();
                if (mayBore(front, line.column(), on.get().alongM(), pose.heightM())) {
                    double heading = front.wall().from().headingToDeg(front.wall().to());
                    PlanPoint middle = front.wall().along(on.get().alongM());
                    double half = front.wall().thicknessM() / 2;
                    PlanPoint inner = middle.towards(line.column().outDeg(), half);
                    PlanPoint outer = middle.towards(heading + (on.get().left() ? -90 : 90), half);
                    Step hole = hole(line.column(), front, space(inner, pose.heightM()), space(outer, pose.heightM()));
                    ends.addAll(ends(line, on.get(), pose, arm, Optional.of(hole)));
                }
            }
        }
        return ends;
    }

    private static SpacePoint space(PlanPoint at, double zM) {
        return new SpacePoint(at.xM(), at.yM(), zM);
    }

    private List<Line> lines(WallFace on, boolean left) {
        return lines.getOrDefault(key(on.wall(), left), List.of()).stream()
                .filter(line -> !line.nodes().isEmpty() && Math.abs(line.column().alongM() - on.alongM()) <= BESIDE_M).toList();
    }

    /** Along at a point's own height and then up or down, or up or down first and then along: whichever crosses no opening. */
    private List<End> ends(Line line, WallFace on, CameraPose pose, double armM, Optional<Step> hole) {
        Column column = line.column();
        List<End> ends = new ArrayList<>();
        double z = Math.max(column.footM(), Math.min(column.topM(), pose.heightM()));
        Column under = new Column(column.wall(), on.alongM(), foot(column, on.alongM()), column.outDeg(), column.floorM(), column.footM(),
                column.topM(), column.indoors(), column.eaves(), false);
        for (Node node : line.nodes()) {
            double across = Math.abs(column.alongM() - on.alongM());
            double rise = Math.abs(z - node.at().zM());
            boolean upFirst = !column.crosses(node.at().zM(), z) && !column.crossesAlong(on.alongM(), z);
            boolean alongFirst = !column.crossesAlong(on.alongM(), node.at().zM()) && !under.crosses(node.at().zM(), z);
            if (!upFirst && !alongFirst || !Effort.holdsClips(column.wall().material())) {
                continue;
            }
            double corner = alongFirst ? node.at().zM() : z;
            List<Step> steps = new ArrayList<>();
            List<SpacePoint> points = new ArrayList<>(List.of(node.at()));
            Leg.Kind lying = alongFirst ? kind(node) : Leg.Kind.WALL;
            Step alongStep = new Step(lying, column.indoors(), across, across * share(lying, column, corner)
                    * Effort.climbing(practice, overFootM(column, corner)), 0, null);
            Step riseStep = new Step(Leg.Kind.WALL, column.indoors(), rise, rise * share(Leg.Kind.WALL, column, z)
                    * Effort.climbing(practice, overFootM(column, Math.max(z, node.at().zM()))), 0, null);
            steps.add(alongFirst ? alongStep : riseStep);
            points.add(alongFirst ? space(under.at(), node.at().zM()) : space(column.at(), z));
            steps.add(alongFirst ? riseStep : alongStep);
            points.add(space(under.at(), z));
            hole.ifPresent(step -> {
                steps.add(step);
                points.add(step.bore.to());
            });
            double beyond = armM + Math.abs(pose.heightM() - z);
            if (beyond > SAME_LEVEL_M) {
                steps.add(new Step(Leg.Kind.SOFFIT, column.indoors() && hole.isEmpty(), beyond, beyond
                        * Effort.climbing(practice, overFootM(column, pose.heightM())), 0, null));
                points.add(space(pose.onPlan(), pose.heightM()));
            }
            ends.add(new End(node, steps, points));
        }
        return ends;
    }

    private static PlanPoint foot(Column column, double alongM) {
        double heading = column.wall().from().headingToDeg(column.wall().to());
        return column.at().towards(heading, alongM - column.alongM());
    }

    private CableWay way(Tree tree, End end, Weighing weighing, CameraPose pose) {
        List<Step> steps = new ArrayList<>();
        List<SpacePoint> points = new ArrayList<>();
        List<Double> outwards = new ArrayList<>();
        int at = end.node().id();
        while (tree.from()[at] >= 0) {
            steps.add(tree.steps()[at]);
            points.add(nodes.get(at).at());
            outwards.add(nodes.get(at).column().outDeg());
            at = tree.from()[at];
        }
        Node plug = nodes.get(at);
        points.add(plug.at());
        Collections.reverse(steps);
        Collections.reverse(points);
        Collections.reverse(outwards);
        end.steps().forEach(step -> outwards.add(end.node().column().outDeg()));
        steps.addAll(end.steps());
        points.addAll(end.points().subList(1, end.points().size()));
        double effort = steps.stream().mapToDouble(step -> step.effortM).sum();
        double doors = steps.stream().mapToDouble(step -> step.doors).sum();
        double highest = 0;
        for (SpacePoint point : points) {
            highest = Math.max(highest, point.zM() - underfootM(point));
        }
        List<Bore> bores = new ArrayList<>();
        for (int i = 0; i < steps.size(); i++) {
            Bore bore = steps.get(i).bore;
            if (bore != null) {
                // As it is met on the way from the socket.
                bores.add(new Bore(bore.material(), bore.floor(), bore.thicknessM(), points.get(i), points.get(i + 1), bore.outwards()));
            }
        }
        Climb climb = practice.climb(highest);
        return new CableWay(plug.socket(), !plug.column().indoors(), Optional.of(weighing), Legs.of(IntStream.range(0, steps.size())
                .mapToObj(i -> new Legs.Piece(steps.get(i).kind, steps.get(i).indoors, steps.get(i).lengthM, outwards.get(i))).toList(),
                points), bores, (int) Math.round(doors),
                climb,
                effort);
    }

    private double underfootM(SpacePoint point) {
        PlanPoint at = new PlanPoint(point.xM(), point.yM());
        return plan.storeys().stream().filter(storey -> point.zM() >= storey.floorM() && shell.room(at, point.zM())
                .filter(storey::equals).isPresent()).mapToDouble(Storey::floorM).findFirst().orElseGet(() -> ground.heightM(at));
    }
}
