package roofnest.core.mount;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

import roofnest.core.catalogue.Climb;
import roofnest.core.lang.Require;
import roofnest.core.plan.Area;
import roofnest.core.plan.Ground;
import roofnest.core.plan.HousePlan;
import roofnest.core.plan.Opening;
import roofnest.core.plan.PlanPoint;
import roofnest.core.plan.Segments;
import roofnest.core.plan.Thing;
import roofnest.core.plan.Wall;
import roofnest.core.view.CameraPose;

/**
 * Where a ladder or steps stand to work at a lens: before the wall, one out for four up, as near beside the camera as an arm reaches,
 * on the spot of those with the least against it.
 *
 * @param workM from where its feet stand up to the lens, metres
 * @param outM from the wall's face to its feet, metres
 * @param ladderM how long a ladder is at least, metres; 0 for steps
 * @param besideM beside the camera, to the right of whoever faces the wall, metres
 * @param foot the middle between its feet
 * @param against what speaks against that spot, the worst first
 * @param two whether two people are needed
 */
public record Footing(Climb climb, double workM, double outM, double ladderM, double besideM, PlanPoint foot, List<Against> against,
        boolean two) {
    /** One out for four up. */
    static final double OUT_FOR_UP = 0.25;
    /** Steps stand this far before the wall, metres. */
    static final double STEPS_OUT_M = 0.6;
    /** Between the feet of a ladder or steps, metres. */
    static final double FEET_APART_M = 0.45;
    /** Feet that stand by more than this higher and lower do not stand, metres. */
    static final double LEVEL_M = 0.03;
    /** As far beside the camera as one still reaches it, metres. */
    static final double REACH_BESIDE_M = 0.5;
    private static final double STEP_BESIDE_M = 0.25;
    /** A door within this of a foot opens into it, metres. */
    static final double DOOR_CLEAR_M = 0.4;
    /** A wall or trunk within this of a foot is in its way, metres. */
    static final double CLEAR_M = 0.25;
    /** Above this two people work, metres. */
    static final double TWO_FROM_M = 4;

    /** What speaks against a spot, the worst first. */
    public enum Against {
        OVERHEAD_LINES("overhead lines are near, as somebody saw: stay clear, and have their operator asked", true),
        WATER("it would stand in water", true),
        BLOCKED("something stands there", true),
        STEPS("it would stand on steps", true),
        UNEVEN("the ground is not level there", true),
        SOFT("the ground is not firm, as somebody saw", true),
        DOORWAY("a door opens there", true),
        NOT_OURS("that ground is not the household’s: ask first", false),
        WAY("people pass there: bar it off", false);

        private final String words;
        private final boolean grave;

        Against(String words, boolean grave) {
            this.words = words;
            this.grave = grave;
        }

        public String words() {
            return words;
        }

        /** Whether nothing should stand there. */
        public boolean grave() {
            return grave;
        }
    }

    public Footing {
        Require.inRange("height worked at in metres", workM, 0, 40);
        against = List.copyOf(against);
    }

    /** Whether there is a spot on which it may stand. */
    public boolean safe() {
        return against.stream().noneMatch(Against::grave);
    }

    /**
     * Empty where one works from the ground, and where no wall is near to stand before.
     *
     * @param overFootM of the lens over what one stands on under it, metres
     * @param indoors whether the camera hangs in a room, on whose floor nothing of the ground matters
     */
    public static Optional<Footing> of(HousePlan plan, CameraPose pose, double overFootM, Climb climb, boolean indoors) {
        return of(plan, new Ground(plan), pose, overFootM, climb, indoors);
    }

    /** The same over ground that is known already. */
    public static Optional<Footing> of(HousePlan plan, Ground ground, CameraPose pose, double overFootM, Climb climb, boolean indoors) {
        if (climb == Climb.NOTHING) {
            return Optional.empty();
        }
        double floorM = pose.heightM() - overFootM;
        return Fixings.wallBehind(plan, pose).map(wall -> {
            List<Footing> spots = new ArrayList<>();
            for (double beside = -REACH_BESIDE_M; beside <= REACH_BESIDE_M + 1e-9; beside += STEP_BESIDE_M) {
                spots.add(at(plan, wall, pose, climb, beside, floorM, indoors, ground));
            }
            return spots.stream().min(Comparator.comparingInt(Footing::gravity).thenComparingDouble(spot -> Math.abs(spot.besideM()))
                    .thenComparingDouble(Footing::besideM)).orElseThrow();
        });
    }

    /** With what somebody saw there besides. */
    public Footing seen(SpotLook look) {
        Set<Against> all = EnumSet.noneOf(Against.class);
        all.addAll(against);
        if (look.linesNear()) {
            all.add(Against.OVERHEAD_LINES);
        }
        if (!look.firm()) {
            all.add(Against.SOFT);
        }
        return new Footing(climb, workM, outM, ladderM, besideM, foot, List.copyOf(all), two);
    }

    private int gravity() {
        return against.stream().mapToInt(each -> 1 << (Against.values().length - each.ordinal())).sum();
    }

    private static Footing at(HousePlan plan, Wall wall, CameraPose pose, Climb climb, double besideM, double floorM, boolean indoors,
            Ground ground) {
        Wall face = wall.facing(pose.onPlan());
        double along = face.from().headingToDeg(face.to());
        double outwards = left(face, pose.onPlan()) ? along - 90 : along + 90;
        // To the right of whoever faces the wall.
        double right = outwards + 270;
        PlanPoint onFace = foot(face, pose.onPlan()).towards(right, besideM);
        double work = pose.heightM() - floorM;
        double out = climb == Climb.LADDER ? work * OUT_FOR_UP : STEPS_OUT_M;
        PlanPoint middle = onFace.towards(outwards, out);
        if (!indoors) {
            work = pose.heightM() - ground.heightM(middle);
            out = climb == Climb.LADDER ? Math.max(0, work * OUT_FOR_UP) : STEPS_OUT_M;
            middle = onFace.towards(outwards, out);
        }
        List<PlanPoint> feet = List.of(middle.towards(right, FEET_APART_M / 2), middle.towards(right + 180, FEET_APART_M / 2));
        Set<Against> against = EnumSet.noneOf(Against.class);
        feet.forEach(point -> underfoot(plan, point, onFace, wall, floorM, indoors, against));
        if (!indoors && Math.abs(ground.heightM(feet.get(0)) - ground.heightM(feet.get(1))) > LEVEL_M) {
            against.add(Against.UNEVEN);
        }
        double ladder = climb == Climb.LADDER ? Math.hypot(work, out) : 0;
        return new Footing(climb, Math.max(0, work), out, ladder, besideM, middle, List.copyOf(against),
                climb == Climb.LADDER && (work > TWO_FROM_M || against.contains(Against.UNEVEN)));
    }

    private static void underfoot(HousePlan plan, PlanPoint point, PlanPoint onFace, Wall leant, double floorM, boolean indoors,
            Set<Against> against) {
        if (!indoors) {
            plan.areas().stream().filter(area -> area.covers(point)).map(Area::kind).forEach(kind -> {
                switch (kind) {
                    case WATER -> against.add(Against.WATER);
                    case STEPS -> against.add(Against.STEPS);
                    case PATH, ROAD -> against.add(Against.WAY);
                    case PRIVATE, NEIGHBOUR -> against.add(Against.NOT_OURS);
                    case LAWN -> {
                        // Firm enough, if it is level.
                    }
                }
            });
        }
        for (Wall wall : plan.walls()) {
            if (wall != leant && !near(wall, point)) {
                continue;
            }
            boolean here = plan.baseM(wall) < floorM + 2 && plan.baseM(wall) + wall.heightM() > floorM;
            if (here && wall != leant && Segments.distanceM(point, wall.from(), wall.to()) < CLEAR_M + wall.thicknessM() / 2) {
                against.add(Against.BLOCKED);
            }
            for (Opening opening : wall.openings()) {
                // What leans over a door is in its way however far out its feet stand; another wall's door as far as its leaf reaches.
                if (here && opening.kind() == Opening.Kind.DOOR && besideDoor(wall, opening, point) < DOOR_CLEAR_M
                        && (wall == leant || Segments.distanceM(point, wall.from(), wall.to()) < opening.widthM())) {
                    against.add(Against.DOORWAY);
                }
            }
        }
        for (Thing thing : plan.things()) {
            double clear = thing.kind() == Thing.Kind.TANK ? thing.radiusM() + CLEAR_M : CLEAR_M;
            if (thing.kind().round() && !indoors && thing.at().distanceM(point) < clear) {
                against.add(Against.BLOCKED);
            }
        }
    }

    /** Whether a wall may be within reach of a point, by itself or by the leaf of one of its doors: for most walls of a house it is not. */
    private static boolean near(Wall wall, PlanPoint point) {
        double reach = CLEAR_M + wall.thicknessM() / 2;
        for (Opening opening : wall.openings()) {
            reach = Math.max(reach, opening.widthM());
        }
        return Segments.mayReach(point, wall.from(), wall.to(), reach);
    }

    /** How far along its wall a point is beside a door; 0 before it. */
    private static double besideDoor(Wall wall, Opening door, PlanPoint point) {
        double heading = Math.toRadians(wall.from().headingToDeg(wall.to()));
        double along = (point.xM() - wall.from().xM()) * Math.sin(heading) + (point.yM() - wall.from().yM()) * Math.cos(heading);
        return Math.max(0, Math.max(door.atM() - along, along - door.atM() - door.widthM()));
    }

    private static boolean left(Wall wall, PlanPoint point) {
        return (wall.to().xM() - wall.from().xM()) * (point.yM() - wall.from().yM())
                - (wall.to().yM() - wall.from().yM()) * (point.xM() - wall.from().xM()) > 0;
    }

    /** The point of a wall's face that is nearest to a camera. */
    private static PlanPoint foot(Wall face, PlanPoint point) {
        double length = face.lengthM();
        double heading = Math.toRadians(face.from().headingToDeg(face.to()));
        double along = (point.xM() - face.from().xM()) * Math.sin(heading) + (point.yM() - face.from().yM()) * Math.cos(heading);
        return face.along(Math.max(0, Math.min(length, along)));
    }
}
