package roofnest.core.still;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;

import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Polygon;

import roofnest.core.catalogue.LensSpec;
import roofnest.core.plan.Area;
import roofnest.core.plan.Ground;
import roofnest.core.plan.HousePlan;
import roofnest.core.plan.Material;
import roofnest.core.plan.Opening;
import roofnest.core.plan.PlanPoint;
import roofnest.core.plan.Segments;
import roofnest.core.plan.Shell;
import roofnest.core.plan.SpacePoint;
import roofnest.core.plan.Thing;
import roofnest.core.plan.Wall;
import roofnest.core.plan.WallCrossings;
import roofnest.core.view.CameraPose;
import roofnest.core.view.Eye;
import roofnest.core.view.Projection;
import roofnest.core.view.Projection.Pixel;

/**
 * The points of a plan that a lens should see: corners of walls, edges of doors and windows, bends of paths and beds, posts. The
 * best come first: each is the one that, with those before it, says most about the pose.
 */
public final class Landmarks {
    /** No more are offered: enough to choose from, few enough to find on a small screen. */
    public static final int MOST_OFFERED = 12;
    private static final double NEAREST_M = 0.6;
    private static final double FARTHEST_M = 30;
    /** Two closer than this share of the picture's width would be mistaken for one another. */
    private static final double APART_SHARE = 0.03;
    /** A point closer to the frame than this share of its width may lie outside the still. */
    private static final double INSIDE_SHARE = 0.02;
    /** How far before a face its points are looked for, so that the wall itself hides none, metres. */
    private static final double BEFORE_M = 0.03;
    private static final double LEAST_BEND_DEG = 12;
    /** A corner this close to the edge of what lies over it is still to be seen, metres. */
    private static final double ON_EDGE_M = 0.02;
    /** Closer to a corner two edges do not cross but touch, metres. */
    private static final double CORNER_M = 0.2;
    /** What grows has no edge that stays. */
    private static final Set<Material> SOFT = Set.of(Material.HEDGE, Material.FOLIAGE);
    /** The ground may lie this much over a wall's foot before it covers it, metres. */
    private static final double BURIED_M = 0.05;

    private final HousePlan plan;
    private final PlanPoint eye;
    private final Ground ground;
    private final Shell shell;
    private final Map<String, Landmark> all = new LinkedHashMap<>();

    private Landmarks(HousePlan faced, PlanPoint eye) {
        this.plan = faced;
        this.eye = eye;
        this.ground = new Ground(faced);
        this.shell = new Shell(faced);
        corners();
        faced.walls().forEach(this::openings);
        faced.areas().stream().filter(area -> !area.kind().offLimits()).forEach(this::bends);
        meetings();
        faced.things().forEach(this::thing);
    }

    /** Every point of a plan that could be found from somewhere about {@code eye}. */
    public static List<Landmark> of(HousePlan plan, PlanPoint eye) {
        return List.copyOf(new Landmarks(Faces.towards(plan, eye), eye).all.values());
    }

    /** The points that a lens in this pose has in its picture, hidden by nothing, the most telling first. */
    public static List<Landmark> offered(HousePlan plan, LensSpec lens, CameraPose pose) {
        HousePlan faced = Faces.towards(plan, pose.onPlan());
        Eye looking = new Eye(new WallCrossings(faced), lens, pose);
        List<Landmark> seen = new ArrayList<>();
        for (Landmark landmark : new Landmarks(faced, pose.onPlan()).all.values()) {
            if (pixel(looking, landmark).isPresent()) {
                seen.add(landmark);
            }
        }
        return Telling.first(seen, lens, pose, MOST_OFFERED, APART_SHARE);
    }

    private static Optional<Pixel> pixel(Eye eye, Landmark landmark) {
        SpacePoint at = landmark.at();
        double distance = at.distanceM(eye.pose().lens());
        if (distance < NEAREST_M || distance > FARTHEST_M) {
            return Optional.empty();
        }
        double nearer = 1 - BEFORE_M / distance;
        SpacePoint lens = eye.pose().lens();
        double rim = INSIDE_SHARE * eye.lens().widthPx();
        return eye.projection().pixel(at).filter(pixel -> isInside(pixel, eye.lens(), rim))
                .filter(pixel -> eye.clearTo(lens.xM() + nearer * (at.xM() - lens.xM()), lens.yM() + nearer * (at.yM() - lens.yM()),
                        lens.zM() + nearer * (at.zM() - lens.zM())));
    }

    private static boolean isInside(Pixel pixel, LensSpec lens, double rim) {
        return pixel.x() >= rim && pixel.x() <= lens.widthPx() - rim && pixel.y() >= rim && pixel.y() <= lens.heightPx() - rim;
    }

    private void add(String id, String name, PlanPoint at, double zM) {
        all.put(id, new Landmark(id, name, SpacePoint.at(at, zM)));
    }

    /** Where two walls meet at an angle, and where one ends alone. */
    private void corners() {
        Map<String, List<Wall>> ends = new LinkedHashMap<>();
        Map<String, PlanPoint> places = new LinkedHashMap<>();
        for (Wall wall : plan.walls()) {
            for (PlanPoint end : List.of(wall.from(), wall.to())) {
                String key = String.format(Locale.ROOT, "%s/%.2f/%.2f", wall.storey(), end.xM(), end.yM());
                ends.computeIfAbsent(key, none -> new ArrayList<>()).add(wall);
                places.putIfAbsent(key, end);
            }
        }
        ends.forEach((key, walls) -> {
            PlanPoint at = places.get(key);
            boolean sharp = walls.stream().noneMatch(wall -> SOFT.contains(wall.material()));
            if (sharp && (walls.size() == 1 && isFree(walls.get(0), at) || walls.size() == 2 && isCorner(walls.get(0), walls.get(1)))) {
                corner(key, walls.get(0), at, walls.size() == 1 ? "end of the " : "corner of the ");
            }
        });
    }

    /** Whether a wall ends in the open: one that runs into the middle of another has no end to be seen. */
    private boolean isFree(Wall wall, PlanPoint end) {
        return plan.walls().stream().filter(other -> other != wall && other.storey().equals(wall.storey()))
                .allMatch(other -> Segments.distanceM(end, other.from(), other.to()) > other.thicknessM() + wall.thicknessM());
    }

    private void corner(String key, Wall wall, PlanPoint at, String words) {
        double base = plan.baseM(wall);
        String what = words + wall.material().words() + " wall" + storey(wall);
        if (base - ground.heightM(at) < BURIED_M && base - ground.heightM(at) > -BURIED_M) {
            add("corner/" + key + "/foot", what + ", at the ground", at, base);
        }
        PlanPoint inwards = at.towards(at.headingToDeg(middle(wall)), 0.01);
        add("corner/" + key + "/top", what + ", its top", at, shell.topM(wall, inwards.xM(), inwards.yM()));
    }

    private static PlanPoint middle(Wall wall) {
        return wall.along(wall.lengthM() / 2);
    }

    private static boolean isCorner(Wall one, Wall other) {
        double turn = one.from().headingToDeg(one.to()) - other.from().headingToDeg(other.to());
        return Math.abs(Math.sin(Math.toRadians(turn))) >= Faces.LEAST_CORNER_SINE;
    }

    private String storey(Wall wall) {
        return plan.storeys().size() < 2 ? "" : plan.storey(wall.storey()).map(storey -> " (" + storey.name() + ")").orElse("");
    }

    private void openings(Wall wall) {
        double base = plan.baseM(wall);
        int number = 0;
        for (Opening opening : wall.openings()) {
            number++;
            double end = opening.atM() + opening.widthM();
            if (end > wall.lengthM()) {
                continue;
            }
            PlanPoint near = wall.along(opening.atM());
            PlanPoint far = wall.along(end);
            boolean nearIsLeft = ((eye.headingToDeg(far) - eye.headingToDeg(near) + 540) % 360) - 180 > 0;
            edge(wall, number, opening, nearIsLeft ? near : far, "left", base);
            edge(wall, number, opening, nearIsLeft ? far : near, "right", base);
        }
    }

    private void edge(Wall wall, int number, Opening opening, PlanPoint at, String side, double base) {
        String id = "opening/" + wall.id() + "/" + number + "/" + side;
        String what = switch (opening.kind()) {
            case DOOR -> "door";
            case WINDOW -> "window";
            case GAP -> "gateway";
        } + storey(wall);
        boolean onTheGround = opening.sillM() == 0 && Math.abs(base - ground.heightM(at)) < BURIED_M;
        if (onTheGround || opening.sillM() > 0) {
            add(id + "/lower", what + ", " + (opening.sillM() > 0 ? "lower " : "foot of its ") + side, at, base + opening.sillM());
        }
        double head = base + opening.headM();
        if (opening.headM() <= wall.heightM()) {
            add(id + "/upper", what + ", upper " + side, at, head);
        }
    }

    private void bends(Area area) {
        List<PlanPoint> outline = area.outline();
        for (int i = 0; i < outline.size(); i++) {
            PlanPoint at = outline.get(i);
            double in = outline.get((i + outline.size() - 1) % outline.size()).headingToDeg(at);
            double out = at.headingToDeg(outline.get((i + 1) % outline.size()));
            double bend = Math.abs((out - in + 540) % 360 - 180);
            if (bend >= LEAST_BEND_DEG && !isCovered(area, at)) {
                add("area/" + area.id() + "/" + (i + 1), "corner " + (i + 1) + " of " + the(area), at, area.groundM(at));
            }
        }
    }

    /** Where the edges of two pieces of ground cross. */
    private void meetings() {
        List<Area> shown = plan.areas().stream().filter(area -> !area.kind().offLimits() && area.outline().size() >= 3).toList();
        for (int i = 0; i < shown.size(); i++) {
            for (int j = 0; j < i; j++) {
                Area one = shown.get(j);
                Area other = shown.get(i);
                int number = 0;
                for (Coordinate at : Segments.polygon(one.outline()).getBoundary()
                        .intersection(Segments.polygon(other.outline()).getBoundary()).getCoordinates()) {
                    PlanPoint point = new PlanPoint(at.x, at.y);
                    number++;
                    if (Math.abs(one.groundM(point) - other.groundM(point)) < BURIED_M && isOpen(point, one, other)) {
                        add("meet/" + one.id() + "/" + other.id() + "/" + number,
                                "where " + the(one) + " meets " + the(other) + " (" + number + ")", point, other.groundM(point));
                    }
                }
            }
        }
    }

    /** Whether no third area lies over the place where two meet, and neither has a corner of its own there. */
    private boolean isOpen(PlanPoint point, Area one, Area other) {
        return plan.areas().stream().noneMatch(third -> third != one && third != other && third.covers(point))
                && Stream.concat(one.outline().stream(), other.outline().stream()).noneMatch(corner -> corner.distanceM(point) < CORNER_M);
    }

    private static double edgeM(Area area, PlanPoint point) {
        Polygon outline = Segments.polygon(area.outline());
        return outline.getExteriorRing().distance(outline.getFactory().createPoint(Segments.coordinate(point)));
    }

    private static String the(Area area) {
        return (area.name().startsWith("the ") ? "" : "the ") + area.name();
    }

    /** Whether a later area lies over a corner, or one as high as it: then it is no corner to be seen. */
    private boolean isCovered(Area area, PlanPoint corner) {
        int own = plan.areas().indexOf(area);
        for (int i = 0; i < plan.areas().size(); i++) {
            Area other = plan.areas().get(i);
            double over = other.groundM(corner) - area.groundM(corner);
            if (i != own && (over > BURIED_M || i > own && over > -BURIED_M) && other.covers(corner)
                    && edgeM(other, corner) > ON_EDGE_M) {
                return true;
            }
        }
        return false;
    }

    private void thing(Thing thing) {
        switch (thing.kind()) {
            case TREE -> add("thing/" + thing.id(), "foot of the " + thing.name(), thing.at(), ground.heightM(thing.at()));
            case LIGHT, VENT, HEATER, SOCKET -> add("thing/" + thing.id(), thing.name(), thing.at(), thing.heightM());
            case ROUTER, HUB, ACCESS_POINT, TANK -> {
                // What is carried about marks no place, and a tank has no edge that could be tapped.
            }
        }
    }

    /** Where a landmark falls in the picture of a pose; empty when it is behind the lens. */
    public static Optional<Pixel> where(Landmark landmark, LensSpec lens, CameraPose pose) {
        return new Projection(lens, pose).pixel(landmark.at());
    }
}
