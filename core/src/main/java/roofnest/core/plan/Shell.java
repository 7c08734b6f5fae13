package roofnest.core.plan;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;

import org.locationtech.jts.algorithm.locate.IndexedPointInAreaLocator;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.geom.LineString;
import org.locationtech.jts.geom.Location;
import org.locationtech.jts.geom.Polygon;
import org.locationtech.jts.noding.snap.SnappingNoder;
import org.locationtech.jts.operation.buffer.BufferOp;
import org.locationtech.jts.operation.buffer.BufferParameters;
import org.locationtech.jts.operation.overlayng.OverlayNG;
import org.locationtech.jts.operation.overlayng.OverlayNGRobust;
import org.locationtech.jts.operation.polygonize.Polygonizer;

/**
 * How the storeys of a house lie on one another, so that nothing is open that is closed in the world: a wall as high as its
 * storey reaches on to the floor above it or, on the outside, to the roof; a storey that no other lies on has a roof.
 *
 * <p>The rooms of a storey are what its walls of full height enclose, to the middle of the walls; where they enclose nothing,
 * its slab. A storey with neither has no rooms and no roof. A slab may reach beyond the rooms, as a balcony does.
 */
public final class Shell {
    /** A wall lower than its storey by more than this is a wall of its own height, metres. */
    private static final double FULL_TO_M = 0.05;
    /** Walls that end this near to one another meet, metres. */
    private static final double MEETING_M = 0.05;
    /** A floor drawn to the middle of the walls below it lies on their outer half as well, metres. */
    private static final double ON_THE_WALL_M = 0.35;
    /** A wall this near to the storey's edge is an outer one, besides half its thickness, metres. */
    private static final double OUTER_M = 0.25;
    private static final double MITRE_LIMIT = 3;
    private static final GeometryFactory FACTORY = new GeometryFactory();

    private final HousePlan plan;
    private final Map<String, Tier> tiers = new HashMap<>();
    private final List<Plate> floors;
    private final List<Plate> roofs;
    private final List<Fascia> fascias;

    /**
     * What closes the hollow between a ceiling and the floor above where that floor ends over the rooms below and nothing else does
     * under its edge: from the roof beside it to the floor, metres above the ground.
     *
     * @param onWall whether a wall does stand there, which radio meets already
     */
    public record Fascia(String storey, PlanPoint from, PlanPoint to, double lowM, double highM, boolean onWall) {}

    /** A storey in its place: what lies over it and what does not. */
    private static final class Tier {
        private final Storey storey;
        /** Its rooms. */
        private final Geometry outline;
        /** Its rooms and its slab. */
        private final Geometry floor;
        private final IndexedPointInAreaLocator inside;
        /** What lies over it, the lowest first. */
        private List<Over> over = List.of();
        /** The surface of the roof is the lower of these at each point; empty without one. */
        private List<Plane> roof = List.of();

        private Tier(Storey storey, Geometry outline, Geometry floor) {
            this.storey = storey;
            this.outline = outline;
            this.floor = floor;
            this.inside = outline.isEmpty() ? null : new IndexedPointInAreaLocator(outline);
        }

        /** The floor right over a point; empty under the open sky or the roof. */
        private Optional<Over> over(double xM, double yM) {
            Coordinate at = new Coordinate(xM, yM);
            for (Over floor : over) {
                if (floor.reach.locate(at) != Location.EXTERIOR) {
                    return Optional.of(floor);
                }
            }
            return Optional.empty();
        }

        private double roofM(double xM, double yM) {
            double lowest = roof.isEmpty() ? storey.ceilingM() : Double.POSITIVE_INFINITY;
            for (Plane plane : roof) {
                lowest = Math.min(lowest, plane.atM(xM, yM));
            }
            return lowest;
        }
    }

    /** A floor over another storey; {@code reach} takes in the walls that it lies on. */
    private record Over(double floorM, Geometry floor, IndexedPointInAreaLocator reach) {}

    public Shell(HousePlan plan) {
        this.plan = plan;
        List<Storey> upwards = plan.storeys().stream().sorted(Comparator.comparingDouble(Storey::floorM)).toList();
        for (Storey storey : upwards) {
            Geometry slab = storey.slab().size() < 3 ? FACTORY.createPolygon() : Segments.sound(storey.slab());
            Geometry rooms = rooms(storey);
            tiers.put(storey.id(), new Tier(storey, rooms.isEmpty() ? slab : rooms,
                    rooms.isEmpty() || slab.isEmpty() ? rooms.isEmpty() ? slab : rooms
                            : OverlayNGRobust.overlay(rooms, slab, OverlayNG.UNION)));
        }
        List<Plate> roofed = new ArrayList<>();
        List<Plate> laid = new ArrayList<>();
        List<Fascia> closed = new ArrayList<>();
        for (int i = 0; i < upwards.size(); i++) {
            Tier tier = tiers.get(upwards.get(i).id());
            tier.over = upwards.stream().skip(i + 1L).filter(storey -> storey.floorM() > tier.storey.floorM())
                    .map(storey -> tiers.get(storey.id())).filter(above -> !above.floor.isEmpty())
                    .map(above -> new Over(above.storey.floorM(), above.floor,
                            new IndexedPointInAreaLocator(grown(above.floor, ON_THE_WALL_M))))
                    .toList();
            Geometry over = tier.over.isEmpty() ? FACTORY.createPolygon()
                    : OverlayNGRobust.union(tier.over.stream().map(Over::floor).toList());
            roofed.addAll(roof(tier, over));
            closed.addAll(fascias(tier));
            laid.addAll(floor(tier.storey));
        }
        fascias = List.copyOf(closed);
        floors = List.copyOf(laid);
        roofs = List.copyOf(roofed);
    }

    private static List<Plate> floor(Storey storey) {
        if (storey.slab().size() < 3) {
            return List.of();
        }
        Geometry floor = Segments.sound(storey.slab());
        for (List<PlanPoint> hole : storey.stairwells()) {
            floor = OverlayNGRobust.overlay(floor, Segments.sound(hole), OverlayNG.DIFFERENCE);
        }
        return floor.isEmpty() ? List.of() : List.of(new Plate(Plate.Kind.FLOOR, Plane.level(storey.floorM()), floor, Material.TIMBER));
    }

    private static List<Plate> roof(Tier tier, Geometry over) {
        Roof roof = tier.storey.roof() == null ? Roof.UNSAID : tier.storey.roof();
        if (roof.kind() == Roof.Kind.NONE || tier.outline.isEmpty()) {
            return List.of();
        }
        Geometry open = over.isEmpty() ? tier.outline : OverlayNGRobust.overlay(tier.outline, over, OverlayNG.DIFFERENCE);
        if (open.buffer(-MEETING_M / 2).isEmpty()) {
            return List.of();
        }
        Geometry covered = grown(open, roof.overhang());
        if (!over.isEmpty() && roof.overhang() > 0) {
            covered = OverlayNGRobust.overlay(covered, over, OverlayNG.DIFFERENCE);
        }
        if (roof.kind() == Roof.Kind.FLAT) {
            double heightM = roof.eavesM() == null ? tier.storey.ceilingM() : roof.eavesM();
            tier.roof = List.of(Plane.level(heightM));
            return List.of(new Plate(Plate.Kind.ROOF, tier.roof.get(0), covered, roof.made()));
        }
        double heading = Math.toRadians(roof.ridgeDeg());
        // Across the ridge, to its right.
        double ax = Math.cos(heading);
        double ay = -Math.sin(heading);
        double least = Double.MAX_VALUE;
        double most = -Double.MAX_VALUE;
        for (Coordinate corner : open.getCoordinates()) {
            least = Math.min(least, ax * corner.x + ay * corner.y);
            most = Math.max(most, ax * corner.x + ay * corner.y);
        }
        double middle = (least + most) / 2;
        double fall = (roof.ridgeM() - roof.eavesM()) / Math.max(1e-6, (most - least) / 2);
        tier.roof = List.of(new Plane(roof.ridgeM() + fall * middle, -fall * ax, -fall * ay),
                new Plane(roof.ridgeM() - fall * middle, fall * ax, fall * ay));
        List<Plate> pitches = new ArrayList<>();
        for (int side = 0; side < 2; side++) {
            Geometry half = OverlayNGRobust.overlay(covered, half(ax, ay, middle, side == 0 ? 1 : -1), OverlayNG.INTERSECTION);
            if (half.getArea() > 0) {
                pitches.add(new Plate(Plate.Kind.ROOF, tier.roof.get(side), half, roof.made()));
            }
        }
        return pitches;
    }

    private List<Fascia> fascias(Tier tier) {
        List<Fascia> fascias = new ArrayList<>();
        for (Over over : tier.outline.isEmpty() ? List.<Over>of() : tier.over) {
            Geometry edges = OverlayNGRobust.overlay(over.floor.getBoundary(), tier.outline, OverlayNG.INTERSECTION);
            for (int part = 0; part < edges.getNumGeometries(); part++) {
                Coordinate[] line = edges.getGeometryN(part).getCoordinates();
                for (int i = 0; i + 1 < line.length; i++) {
                    PlanPoint from = new PlanPoint(line[i].x, line[i].y);
                    PlanPoint to = new PlanPoint(line[i + 1].x, line[i + 1].y);
                    double roofM = Math.min(tier.roofM(from.xM(), from.yM()), tier.roofM(to.xM(), to.yM()));
                    if (from.distanceM(to) > MEETING_M && Math.abs(roofM - over.floorM) > 1e-6) {
                        fascias.add(new Fascia(tier.storey.id(), from, to, Math.min(roofM, over.floorM),
                                Math.max(roofM, over.floorM), onWall(tier.storey, from, to)));
                    }
                }
            }
        }
        return fascias;
    }

    /** Whether a wall of full height stands under the whole of a floor's edge; it reaches up to the floor by itself. */
    private boolean onWall(Storey storey, PlanPoint from, PlanPoint to) {
        return plan.walls().stream().anyMatch(wall -> wall.storey().equals(storey.id()) && full(wall)
                && Segments.distanceM(from, wall.from(), wall.to()) <= ON_THE_WALL_M
                && Segments.distanceM(to, wall.from(), wall.to()) <= ON_THE_WALL_M);
    }

    /** Everything on one side of the line on which the way across is {@code middle}. */
    private static Polygon half(double ax, double ay, double middle, int sign) {
        double far = 4 * PlanPoint.EXTENT_M;
        double ox = ax * middle;
        double oy = ay * middle;
        return FACTORY.createPolygon(new Coordinate[] {
            new Coordinate(ox - far * ay, oy + far * ax), new Coordinate(ox + far * ay, oy - far * ax),
            new Coordinate(ox + far * ay + sign * far * ax, oy - far * ax + sign * far * ay),
            new Coordinate(ox - far * ay + sign * far * ax, oy + far * ax + sign * far * ay),
            new Coordinate(ox - far * ay, oy + far * ax)});
    }

    /** What the walls of full height enclose, to their middle lines. */
    private Geometry rooms(Storey storey) {
        LineString[] lines = plan.walls().stream().filter(wall -> wall.storey().equals(storey.id()) && full(wall))
                .map(wall -> FACTORY.createLineString(
                        new Coordinate[] {Segments.coordinate(wall.from()), Segments.coordinate(wall.to())}))
                .toArray(LineString[]::new);
        if (lines.length < 3) {
            return FACTORY.createPolygon();
        }
        Polygonizer polygonizer = new Polygonizer();
        polygonizer.add(OverlayNG.overlay(FACTORY.createMultiLineString(lines), FACTORY.createLineString(), OverlayNG.UNION,
                new SnappingNoder(MEETING_M)));
        @SuppressWarnings("unchecked")
        Collection<Geometry> rooms = polygonizer.getPolygons();
        return rooms.isEmpty() ? FACTORY.createPolygon() : OverlayNGRobust.union(rooms);
    }

    private static Geometry grown(Geometry geometry, double byM) {
        return byM == 0 || geometry.isEmpty() ? geometry : BufferOp.bufferOp(geometry, byM,
                new BufferParameters(1, BufferParameters.CAP_FLAT, BufferParameters.JOIN_MITRE, MITRE_LIMIT));
    }

    /** Whether a wall is as high as its storey, so that it goes on to what lies over it. */
    boolean full(Wall wall) {
        return wall.heightM() >= tier(wall).heightM() - FULL_TO_M;
    }

    private Storey tier(Wall wall) {
        return plan.storeyOf(wall);
    }

    /** Height of a wall's top at a point of its line, metres above the ground. */
    public double topM(Wall wall, double xM, double yM) {
        return top(wall).atM(xM, yM);
    }

    /** The top of a wall, for asking at many points of it. */
    public Top top(Wall wall) {
        Tier tier = tiers.get(wall.storey());
        boolean full = full(wall);
        return new Top(plan.baseM(wall) + wall.heightM(), full ? tier : null, full && outer(wall, tier));
    }

    /** How high a wall reaches, at any point of its line. */
    public static final class Top {
        private final double ownM;
        private final Tier tier;
        private final boolean outer;

        /** @param tier that it goes on from, to what lies over it; null for a wall that ends by itself */
        private Top(double ownM, Tier tier, boolean outer) {
            this.ownM = ownM;
            this.tier = tier;
            this.outer = outer;
        }

        public double atM(double xM, double yM) {
            if (tier == null) {
                return ownM;
            }
            Optional<Over> over = tier.over(xM, yM);
            if (over.isPresent()) {
                return Math.max(ownM, over.get().floorM);
            }
            return outer ? Math.max(ownM, tier.roofM(xM, yM)) : ownM;
        }
    }

    /** Distances along a wall at which its top bends or jumps, metres from its start. */
    public List<Double> bendsM(Wall wall) {
        Tier tier = tiers.get(wall.storey());
        List<Double> bends = new ArrayList<>();
        if (!full(wall)) {
            return bends;
        }
        LineString line = FACTORY.createLineString(new Coordinate[] {Segments.coordinate(wall.from()), Segments.coordinate(wall.to())});
        for (Over over : tier.over) {
            for (Coordinate at : grown(over.floor, ON_THE_WALL_M).getBoundary().intersection(line).getCoordinates()) {
                bends.add(at.distance(line.getCoordinateN(0)));
            }
        }
        if (tier.roof.size() == 2) {
            // Where both pitches are as high as one another, the ridge runs.
            double one
                    = tier.roof.get(0).atM(wall.from().xM(), wall.from().yM()) - tier.roof.get(1).atM(wall.from().xM(), wall.from().yM());
            double other = tier.roof.get(0).atM(wall.to().xM(), wall.to().yM()) - tier.roof.get(1).atM(wall.to().xM(), wall.to().yM());
            if (one * other < 0) {
                bends.add(wall.lengthM() * one / (one - other));
            }
        }
        return bends;
    }

    /** No part of a wall reaches higher, metres above the ground. */
    double mostM(Wall wall) {
        Tier tier = tiers.get(wall.storey());
        double ownM = plan.baseM(wall) + wall.heightM();
        if (!full(wall)) {
            return ownM;
        }
        double most = tier.over.stream().mapToDouble(Over::floorM).reduce(ownM, Math::max);
        Roof roof = tier.storey.roof();
        return roof == null || roof.kind() == Roof.Kind.NONE ? most
                : Math.max(most, roof.kind() == Roof.Kind.PITCHED ? roof.ridgeM() : roof.eavesM() == null ? most : roof.eavesM());
    }

    private static boolean outer(Wall wall, Tier tier) {
        if (tier.roof.isEmpty()) {
            return false;
        }
        PlanPoint middle = wall.along(wall.lengthM() / 2);
        return tier.outline.getBoundary().distance(FACTORY.createPoint(Segments.coordinate(middle))) <= wall.thicknessM() / 2 + OUTER_M;
    }

    /** The floors between storeys, without their stairwells. */
    public List<Plate> floors() {
        return floors;
    }

    /** What closes the hollows under the edges of floors. */
    public List<Fascia> fascias() {
        return fascias;
    }

    /** The pitches of all roofs. */
    public List<Plate> roofs() {
        return roofs;
    }

    /** The storey whose rooms a point lies in, between floor and ceiling; empty out of doors and within a floor's thickness. */
    public Optional<Storey> room(PlanPoint at, double zM) {
        return over(at).filter(storey -> zM >= storey.floorM() && zM <= Math.min(storey.ceilingM(), closedToM(storey, at)))
                .findFirst();
    }

    /** Whether a point lies under a roof or another storey: in a room, or in the thickness of what lies over it. */
    public boolean indoors(PlanPoint at, double zM) {
        return over(at).anyMatch(storey -> zM >= storey.floorM() && zM <= closedToM(storey, at));
    }

    private double closedToM(Storey storey, PlanPoint at) {
        Tier tier = tiers.get(storey.id());
        return tier.over(at.xM(), at.yM()).map(over -> Math.max(storey.ceilingM(), over.floorM))
                .orElseGet(() -> tier.roofM(at.xM(), at.yM()));
    }

    private Stream<Storey> over(PlanPoint at) {
        return plan.storeys().stream().filter(storey -> {
            IndexedPointInAreaLocator inside = tiers.get(storey.id()).inside;
            return inside != null && inside.locate(Segments.coordinate(at)) == Location.INTERIOR;
        });
    }
}
