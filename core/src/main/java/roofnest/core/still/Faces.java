package roofnest.core.still;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

import org.locationtech.jts.algorithm.Intersection;
import org.locationtech.jts.geom.Coordinate;

import roofnest.core.plan.HousePlan;
import roofnest.core.plan.Opening;
import roofnest.core.plan.PlanPoint;
import roofnest.core.plan.Segments;
import roofnest.core.plan.Wall;

/**
 * A house as its faces show to one lens. On the plan walls run along their middles; what is seen of one is its face, half a wall
 * nearer, and where two meet the outer or the inner corner of their faces, by the side from which it is looked at. A hand's width
 * there is a degree in the picture.
 */
public final class Faces {
    /** Wall ends no farther apart than this meet, metres. */
    private static final double MEET_M = 0.02;
    /** Walls that meet at less than this from straight on make no corner: the sine of the angle between them. */
    static final double LEAST_CORNER_SINE = 0.2;
    /** Two faces that meet farther than this many thicknesses from the joint have no corner worth the name. */
    private static final double MOST_THICKNESSES = 6;

    private final Map<String, List<Wall>> meeting = new HashMap<>();
    private final PlanPoint eye;

    private Faces(HousePlan plan, PlanPoint eye) {
        this.eye = eye;
        for (Wall wall : plan.walls()) {
            meeting.computeIfAbsent(joint(wall, wall.from()), key -> new ArrayList<>()).add(wall);
            meeting.computeIfAbsent(joint(wall, wall.to()), key -> new ArrayList<>()).add(wall);
        }
    }

    /** The plan with each wall moved to the face that a lens over {@code eye} sees, and its openings with it. */
    public static HousePlan towards(HousePlan plan, PlanPoint eye) {
        Faces faces = new Faces(plan, eye);
        return plan.withWalls(plan.walls().stream().map(faces::faced).toList());
    }

    private static String joint(Wall wall, PlanPoint end) {
        return wall.storey() + " " + Math.round(end.xM() / MEET_M) + " " + Math.round(end.yM() / MEET_M);
    }

    private Wall faced(Wall wall) {
        PlanPoint from = end(wall, wall.from());
        PlanPoint to = end(wall, wall.to());
        if (from.distanceM(to) < MEET_M) {
            return wall;
        }
        double heading = Math.toRadians(wall.from().headingToDeg(wall.to()));
        double moved = (wall.from().xM() - from.xM()) * Math.sin(heading) + (wall.from().yM() - from.yM()) * Math.cos(heading);
        List<Opening> openings = wall.openings().stream().map(opening -> new Opening(opening.kind(), Math.max(0, opening.atM() + moved),
                opening.widthM(), opening.sillM(), opening.headM(), opening.material())).toList();
        return new Wall(wall.id(), wall.storey(), from, to, wall.material(), wall.thicknessM(), wall.heightM(), openings);
    }

    private PlanPoint end(Wall wall, PlanPoint end) {
        List<Wall> here = meeting.get(joint(wall, end));
        if (here.size() == 2 && here.get(0) != here.get(1)) {
            Wall other = here.get(0) == wall ? here.get(1) : here.get(0);
            PlanPoint corner = corner(wall, other, end);
            if (corner != null) {
                return corner;
            }
        }
        Wall face = wall.facing(eye);
        return end == wall.from() ? face.from() : face.to();
    }

    /** Where the faces of two walls meet; null when they run on in one line. */
    private PlanPoint corner(Wall one, Wall other, PlanPoint joint) {
        PlanPoint farOfOne = far(one, joint);
        PlanPoint farOfOther = far(other, joint);
        double turn = Math.toRadians(joint.headingToDeg(farOfOther) - joint.headingToDeg(farOfOne));
        if (Math.abs(Math.sin(turn)) < LEAST_CORNER_SINE) {
            return null;
        }
        // Looked at from between the walls it is their inner corner; from anywhere else the outer one.
        boolean within = sameSide(one, eye, farOfOther) && sameSide(other, eye, farOfOne);
        Wall faceOfOne = one.facing(within ? farOfOther : opposite(joint, farOfOther));
        Wall faceOfOther = other.facing(within ? farOfOne : opposite(joint, farOfOne));
        Coordinate met = Intersection.intersection(Segments.coordinate(faceOfOne.from()), Segments.coordinate(faceOfOne.to()),
                Segments.coordinate(faceOfOther.from()), Segments.coordinate(faceOfOther.to()));
        double most = MOST_THICKNESSES * Math.max(one.thicknessM(), other.thicknessM());
        return met == null || met.distance(Segments.coordinate(joint)) > most ? null : new PlanPoint(met.x, met.y);
    }

    private static PlanPoint far(Wall wall, PlanPoint end) {
        return wall.from().distanceM(end) < wall.to().distanceM(end) ? wall.to() : wall.from();
    }

    private static PlanPoint opposite(PlanPoint middle, PlanPoint point) {
        return new PlanPoint(2 * middle.xM() - point.xM(), 2 * middle.yM() - point.yM());
    }

    private static boolean sameSide(Wall wall, PlanPoint a, PlanPoint b) {
        return side(wall, a) * side(wall, b) > 0;
    }

    private static double side(Wall wall, PlanPoint point) {
        return (wall.to().xM() - wall.from().xM()) * (point.yM() - wall.from().yM())
                - (wall.to().yM() - wall.from().yM()) * (point.xM() - wall.from().xM());
    }
}
