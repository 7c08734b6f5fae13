package roofnest.core.cable;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.ToDoubleFunction;

import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.LineSegment;

import roofnest.core.catalogue.Practice;
import roofnest.core.lang.Numbers;
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

/** What a way that was drawn by hand goes through. */
final class HandDrawn {
    /** A turn this near to the face of a wall is meant on it, metres. */
    static final double CATCH_M = 0.25;
    /** On the face and not in it, metres. */
    private static final double OFF_FACE_M = 0.01;
    private static final double JUST_OVER_M = 0.05;
    /** Lower over a floor it lies along the skirting, metres. */
    private static final double SKIRTING_M = 0.3;

    private final HousePlan plan;
    private final Shell shell;
    private final List<SpacePoint> points = new ArrayList<>();
    private final List<Legs.Piece> pieces = new ArrayList<>();
    private final List<Bore> bores = new ArrayList<>();
    private final List<String> faults = new ArrayList<>();

    HandDrawn(HousePlan plan, Shell shell) {
        this.plan = plan;
        this.shell = shell;
    }

    /** Where a straight piece meets a wall. */
    private record Met(Wall wall, double fromM, double alongM, PlanPoint at) {}

    /**
     * A way from a socket by turns to a camera.
     *
     * @param underfootM of a point, metres over the plan's ground
     */
    DrawnWay follow(Thing socket, List<SpacePoint> turns, CameraPose pose, Practice practice,
            ToDoubleFunction<SpacePoint> underfootM) {
        List<SpacePoint> stops = new ArrayList<>(List.of(socket.position()));
        turns.forEach(turn -> stops.add(onFace(turn)));
        stops.add(pose.lens());
        points.add(stops.get(0));
        for (int i = 1; i < stops.size(); i++) {
            String piece = i == 1 ? "Between the socket and " + named(1, turns) : "Between turn " + (i - 1) + " and " + named(i, turns);
            along(stops.get(i - 1), stops.get(i), piece);
            rise(stops.get(i - 1).zM(), stops.get(i));
        }
        double highest = points.stream().mapToDouble(point -> point.zM() - underfootM.applyAsDouble(point)).max().orElse(0);
        List<Leg> legs = Legs.of(pieces, points);
        return new DrawnWay(new CableWay(socket, !shell.indoors(socket.at(), socket.heightM()), Optional.empty(), legs, bores, 0,
                practice.climb(Math.max(0, highest)), legs.stream().mapToDouble(Leg::lengthM).sum()), stops, faults);
    }

    private void go(SpacePoint to) {
        SpacePoint from = points.get(points.size() - 1);
        double length = from.distanceM(to);
        PlanPoint middle = new PlanPoint((from.xM() + to.xM()) / 2, (from.yM() + to.yM()) / 2);
        double z = (from.zM() + to.zM()) / 2;
        boolean indoors = shell.indoors(middle, z);
        Optional<Wall> beside = plan.walls().stream().filter(wall -> stands(wall, middle, z))
                .filter(wall -> Segments.distanceM(middle, wall.from(), wall.to()) < wall.thicknessM() / 2 + CATCH_M)
                .min(Comparator.comparingDouble(wall -> Segments.distanceM(middle, wall.from(), wall.to())));
        Leg.Kind kind = beside.isEmpty() ? Leg.Kind.OPEN
                : indoors && z - floorM(beside.get()) < SKIRTING_M ? Leg.Kind.SKIRTING : Leg.Kind.WALL;
        double out = beside.map(wall -> wall.from().headingToDeg(wall.facing(middle).from())).orElse(0.0);
        piece(to, new Legs.Piece(kind, indoors, length, out));
    }

    private void bore(Bore bore, boolean indoors) {
        go(bore.from());
        piece(bore.to(), new Legs.Piece(bore.floor() ? Leg.Kind.FLOOR : Leg.Kind.HOLE, indoors, bore.from().distanceM(bore.to()), 0));
        bores.add(bore);
    }

    private void piece(SpacePoint to, Legs.Piece piece) {
        points.add(to);
        pieces.add(piece);
    }

    private static String named(int i, List<SpacePoint> turns) {
        return i > turns.size() ? "the camera" : "turn " + i;
    }

    private SpacePoint onFace(SpacePoint turn) {
        PlanPoint at = new PlanPoint(turn.xM(), turn.yM());
        for (Wall wall : plan.walls()) {
            double off = Segments.distanceM(at, wall.from(), wall.to());
            double along = Faces.along(wall, at);
            if (off < wall.thicknessM() / 2 + CATCH_M && along >= 0 && along <= wall.lengthM() && stands(wall, at, turn.zM())) {
                Wall face = wall.facing(at);
                double heading = wall.from().headingToDeg(face.from());
                at = face.along(along).towards(heading, OFF_FACE_M);
            }
        }
        return SpacePoint.at(at, turn.zM());
    }

    private boolean stands(Wall wall, PlanPoint at, double zM) {
        return zM > floorM(wall) - JUST_OVER_M && zM < shell.topM(wall, at.xM(), at.yM());
    }

    private double floorM(Wall wall) {
        return plan.storeys().stream().filter(storey -> storey.id().equals(wall.storey())).mapToDouble(Storey::floorM).findFirst()
                .orElse(0);
    }

    private void along(SpacePoint from, SpacePoint to, String piece) {
        double z = from.zM();
        LineSegment stretch = new LineSegment(from.xM(), from.yM(), to.xM(), to.yM());
        List<Met> met = new ArrayList<>();
        for (Wall wall : plan.walls()) {
            Coordinate crossing = stretch.intersection(new LineSegment(Segments.coordinate(wall.from()), Segments.coordinate(wall.to())));
            if (crossing != null && stretch.getLength() > 0) {
                PlanPoint at = new PlanPoint(crossing.x, crossing.y);
                if (stands(wall, at, z)) {
                    met.add(new Met(wall, stretch.p0.distance(crossing), Faces.along(wall, at), at));
                }
            }
        }
        met.sort(Comparator.comparingDouble(Met::fromM));
        double heading = new PlanPoint(from.xM(), from.yM()).headingToDeg(new PlanPoint(to.xM(), to.yM()));
        met.forEach(one -> through(one, z, heading, piece));
        go(SpacePoint.at(new PlanPoint(to.xM(), to.yM()), z));
    }

    private void through(Met met, double zM, double headingDeg, String piece) {
        Wall wall = met.wall();
        double over = zM - floorM(wall);
        Optional<Opening> opening = wall.openings().stream().filter(gap -> gap.covers(met.alongM(), over)).findFirst();
        if (opening.isPresent()) {
            faults.add(piece + " it goes through a " + opening.get().kind().name().toLowerCase(Locale.ROOT)
                    + ", where no lead stays whole: go round it.");
        } else if (!Effort.mayBeDrilled(wall.material(), wall.thicknessM())) {
            faults.add(piece + " it goes through " + Numbers.fixed(wall.thicknessM(), 2) + " m of " + wall.material().words()
                    + ", which nobody drills: go round it.");
        } else if (CableNet.besideSocket(plan, wall, met.alongM())) {
            faults.add(piece + " it is drilled over a socket, whose cables run up or down from it: keep "
                    + Numbers.fixed(100 * CableNet.BESIDE_SOCKET_M, 0) + " cm beside it.");
        } else {
            double half = wall.thicknessM() / 2;
            PlanPoint before = met.at().towards(headingDeg + 180, half + OFF_FACE_M);
            PlanPoint after = met.at().towards(headingDeg, half + OFF_FACE_M);
            bore(new Bore(wall.material(), false, wall.thicknessM(), SpacePoint.at(before, zM), SpacePoint.at(after, zM),
                    shell.indoors(before, zM) != shell.indoors(after, zM)), shell.indoors(before, zM));
        }
    }

    /** Up or down at a place, through the floors that lie between. */
    private void rise(double fromM, SpacePoint to) {
        PlanPoint at = new PlanPoint(to.xM(), to.yM());
        double low = Math.min(fromM, to.zM());
        double high = Math.max(fromM, to.zM());
        List<Storey> floors = plan.storeys().stream().filter(storey -> storey.floorM() > low && storey.floorM() < high)
                .filter(storey -> shell.room(at, storey.floorM() + JUST_OVER_M).filter(storey::equals).isPresent())
                .sorted(Comparator.comparingDouble(Storey::floorM)).toList();
        for (Storey storey : fromM < to.zM() ? floors : floors.stream().sorted(Comparator.comparingDouble(Storey::floorM).reversed())
                .toList()) {
            double ceiling = plan.storeys().stream().filter(below -> below.floorM() < storey.floorM()).mapToDouble(Storey::ceilingM)
                    .filter(top -> top <= storey.floorM()).max().orElse(storey.floorM());
            double thick = Math.max(0.01, storey.floorM() - ceiling);
            SpacePoint under = SpacePoint.at(at, ceiling);
            SpacePoint over = SpacePoint.at(at, storey.floorM());
            bore(new Bore(Material.TIMBER, true, thick, fromM < to.zM() ? under : over, fromM < to.zM() ? over : under, false), true);
        }
        go(to);
    }
}
