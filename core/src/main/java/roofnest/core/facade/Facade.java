package roofnest.core.facade;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.NavigableSet;
import java.util.Optional;
import java.util.TreeSet;

import roofnest.core.mount.WallFace;
import roofnest.core.plan.Enclosures;
import roofnest.core.plan.Ground;
import roofnest.core.plan.HousePlan;
import roofnest.core.plan.Material;
import roofnest.core.plan.Opening;
import roofnest.core.plan.PlanPoint;
import roofnest.core.plan.Shell;
import roofnest.core.plan.SpacePoint;
import roofnest.core.plan.Wall;
import roofnest.core.view.CameraPose;

/**
 * One face of a house: all walls, of all storeys, that stand in one plane and hang together, seen by one who stands before it. Across
 * it is reckoned in metres to the right, upwards in metres above the plan's ground.
 *
 * @param origin of the measure across, on the face
 * @param outDeg heading straight away from it, degrees
 * @param indoors whether it is the face of a room
 * @param ground its line before the face, from left to right
 */
public record Facade(PlanPoint origin, double outDeg, boolean indoors, List<Sheet> sheets, List<Gap> openings, List<At> ground) {
    /** Faces no farther behind or before one another than this are one, metres. */
    static final double ONE_PLANE_M = 0.35;
    /** Walls no farther apart than this hang together, metres. */
    static final double TOGETHER_M = 0.6;
    private static final double PARALLEL_DEG = 3;
    private static final double BEFORE_M = 0.1;
    private static final double GROUND_STEP_M = 0.25;
    private static final double ON_IT_M = 0.05;

    /** A point of it: across to the right and above the plan's ground, metres. */
    public record At(double acrossM, double zM) {}

    /** A wall's face as it is seen. */
    public record Sheet(Wall wall, Material material, List<At> outline) {
        double fromM() {
            return outline.stream().mapToDouble(At::acrossM).min().orElseThrow();
        }

        double toM() {
            return outline.stream().mapToDouble(At::acrossM).max().orElseThrow();
        }
    }

    /** A door, window or gap. */
    public record Gap(Opening.Kind kind, double fromM, double toM, double lowM, double highM) {}

    public Facade {
        sheets = List.copyOf(sheets);
        openings = List.copyOf(openings);
        ground = List.copyOf(ground);
    }

    /** The one that a camera hangs on; empty where it hangs on no wall. */
    public static Optional<Facade> behind(HousePlan plan, Shell shell, Ground ground, CameraPose pose) {
        return WallFace.behind(plan, shell, pose).map(face -> of(plan, shell, ground, face, new Enclosures(plan)));
    }

    /** All with a room behind them and none before them, each once, beginning with those that look north and clockwise from there. */
    public static List<Facade> outside(HousePlan plan, Shell shell, Ground ground) {
        List<Facade> all = new ArrayList<>();
        Enclosures enclosures = new Enclosures(plan);
        for (Wall wall : plan.walls()) {
            for (boolean left : new boolean[] {true, false}) {
                WallFace face = new WallFace(wall, left, wall.lengthM() / 2, 0);
                boolean seen = all.stream().anyMatch(one -> Math.abs(apartDeg(one.outDeg(), face.outDeg())) < PARALLEL_DEG
                        && one.sheets().stream().anyMatch(sheet -> sheet.wall() == wall));
                boolean behind = indoors(plan, enclosures, new WallFace(wall, !left, face.alongM(), 0));
                if (Enclosures.tall(plan, wall) && !seen && behind && !indoors(plan, enclosures, face)) {
                    all.add(of(plan, shell, ground, face, enclosures));
                }
            }
        }
        return all.stream().sorted(Comparator.comparingDouble(Facade::outDeg)).toList();
    }

    private static boolean indoors(HousePlan plan, Enclosures enclosures, WallFace face) {
        return enclosures.around(plan.storey(face.wall().storey()).orElseThrow(), face.foot().towards(face.outDeg(), BEFORE_M));
    }

    private static Facade of(HousePlan plan, Shell shell, Ground ground, WallFace face, Enclosures enclosures) {
        Facade bare = new Facade(face.foot(), face.outDeg(), indoors(plan, enclosures, face), List.of(), List.of(), List.of());
        List<Sheet> inPlane = new ArrayList<>();
        for (Wall wall : plan.walls()) {
            double apart = apartDeg(wall.from().headingToDeg(wall.to()) + 90, bare.outDeg);
            boolean along = Math.min(Math.abs(apart), 180 - Math.abs(apart)) < PARALLEL_DEG;
            WallFace other = new WallFace(wall, Math.abs(apart) > 90, wall.lengthM() / 2, 0);
            boolean sameStorey = !bare.indoors || wall.storey().equals(face.wall().storey());
            if (along && sameStorey && Math.abs(bare.beforeM(other.foot())) <= ONE_PLANE_M
                    && indoors(plan, enclosures, other) == bare.indoors) {
                inPlane.add(bare.sheet(plan, shell, wall));
            }
        }
        List<Sheet> sheets = together(inPlane, face.wall());
        double from = sheets.stream().mapToDouble(Sheet::fromM).min().orElseThrow();
        double to = sheets.stream().mapToDouble(Sheet::toM).max().orElseThrow();
        return new Facade(bare.origin, bare.outDeg, bare.indoors, sheets, sheets.stream().flatMap(sheet -> bare.openings(plan, sheet.wall())
                .stream()).toList(), bare.groundLine(plan, ground, face, from, to));
    }

    /** Those that hang together with a wall, directly or by others. */
    private static List<Sheet> together(List<Sheet> sheets, Wall wall) {
        List<Sheet> in = new ArrayList<>(sheets.stream().filter(sheet -> sheet.wall() == wall).toList());
        List<Sheet> rest = new ArrayList<>(sheets.stream().filter(sheet -> sheet.wall() != wall).toList());
        boolean grew = true;
        while (grew) {
            double from = in.stream().mapToDouble(Sheet::fromM).min().orElseThrow() - TOGETHER_M;
            double to = in.stream().mapToDouble(Sheet::toM).max().orElseThrow() + TOGETHER_M;
            List<Sheet> near = rest.stream().filter(sheet -> sheet.toM() >= from && sheet.fromM() <= to).toList();
            in.addAll(near);
            rest.removeAll(near);
            grew = !near.isEmpty();
        }
        return in;
    }

    private Sheet sheet(HousePlan plan, Shell shell, Wall wall) {
        NavigableSet<Double> stops = new TreeSet<>(List.of(0.0, wall.lengthM()));
        shell.bendsM(wall).stream().filter(bend -> bend > 0 && bend < wall.lengthM()).forEach(stops::add);
        List<At> outline = new ArrayList<>();
        double base = plan.baseM(wall);
        outline.add(new At(acrossM(wall.from()), base));
        Shell.Top top = shell.top(wall);
        for (double stop : stops) {
            PlanPoint on = wall.along(stop);
            outline.add(new At(acrossM(on), top.atM(on.xM(), on.yM())));
        }
        outline.add(new At(acrossM(wall.to()), base));
        return new Sheet(wall, wall.material(), outline);
    }

    private List<Gap> openings(HousePlan plan, Wall wall) {
        double base = plan.baseM(wall);
        return wall.openings().stream().map(opening -> {
            double one = acrossM(wall.along(opening.atM()));
            double other = acrossM(wall.along(Math.min(wall.lengthM(), opening.atM() + opening.widthM())));
            return new Gap(opening.kind(), Math.min(one, other), Math.max(one, other), base + opening.sillM(), base + opening.headM());
        }).toList();
    }

    private List<At> groundLine(HousePlan plan, Ground ground, WallFace face, double fromM, double toM) {
        if (indoors) {
            double floor = plan.baseM(face.wall());
            return List.of(new At(fromM, floor), new At(toM, floor));
        }
        List<At> line = new ArrayList<>();
        int steps = Math.max(1, (int) Math.ceil((toM - fromM) / GROUND_STEP_M));
        for (int i = 0; i <= steps; i++) {
            double across = fromM + (toM - fromM) * i / steps;
            line.add(new At(across, ground.heightM(onPlan(across).towards(outDeg, BEFORE_M))));
        }
        return line;
    }

    /** To the right of whoever faces it. */
    private double rightDeg() {
        return outDeg + 270;
    }

    private PlanPoint onPlan(double acrossM) {
        return origin.towards(rightDeg(), acrossM);
    }

    private double acrossM(PlanPoint point) {
        double right = Math.toRadians(rightDeg());
        return (point.xM() - origin.xM()) * Math.sin(right) + (point.yM() - origin.yM()) * Math.cos(right);
    }

    /** How far a point is before it, metres; negative behind. */
    private double beforeM(PlanPoint point) {
        double out = Math.toRadians(outDeg);
        return (point.xM() - origin.xM()) * Math.sin(out) + (point.yM() - origin.yM()) * Math.cos(out);
    }

    /** Where a point is seen, wherever it lies before or behind. */
    public At at(SpacePoint point) {
        return new At(acrossM(new PlanPoint(point.xM(), point.yM())), point.zM());
    }

    /** Whether a point lies on the face or close before it: seen, and not hidden in the wall or behind it. */
    public boolean shows(SpacePoint point) {
        double before = beforeM(new PlanPoint(point.xM(), point.yM()));
        At seen = at(point);
        return before > -ON_IT_M && before < 1 + ONE_PLANE_M && seen.acrossM() > leftM() - 1 && seen.acrossM() < rightM() + 1;
    }

    public double leftM() {
        return sheets.stream().mapToDouble(Sheet::fromM).min().orElseThrow();
    }

    public double rightM() {
        return sheets.stream().mapToDouble(Sheet::toM).max().orElseThrow();
    }

    /** Its lowest and highest, metres above the plan's ground. */
    public double lowM() {
        return ground.stream().mapToDouble(At::zM).min().orElseThrow();
    }

    public double highM() {
        return sheets.stream().flatMap(sheet -> sheet.outline().stream()).mapToDouble(At::zM).max().orElseThrow();
    }

    /** How high the face reaches at a point across it, the uppermost wall there; its highest where none is. */
    public double topM(double acrossM) {
        double top = Double.NEGATIVE_INFINITY;
        for (Sheet sheet : sheets) {
            List<At> outline = sheet.outline();
            for (int i = 1; i + 2 < outline.size(); i++) {
                At one = outline.get(i);
                At other = outline.get(i + 1);
                double low = Math.min(one.acrossM(), other.acrossM());
                double high = Math.max(one.acrossM(), other.acrossM());
                if (acrossM >= low && acrossM <= high && high > low) {
                    double share = (acrossM - one.acrossM()) / (other.acrossM() - one.acrossM());
                    top = Math.max(top, one.zM() + share * (other.zM() - one.zM()));
                }
            }
        }
        return top == Double.NEGATIVE_INFINITY ? highM() : top;
    }

    /** Degrees from one heading to another, between −180 and 180. */
    private static double apartDeg(double one, double other) {
        return ((one - other) % 360 + 540) % 360 - 180;
    }
}
