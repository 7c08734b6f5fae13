package roofnest.core.week;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SplittableRandom;
import java.util.stream.Stream;

import org.locationtech.jts.algorithm.MinimumAreaRectangle;
import org.locationtech.jts.algorithm.locate.SimplePointInAreaLocator;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Location;
import org.locationtech.jts.geom.Polygon;

import roofnest.core.plan.Area;
import roofnest.core.plan.HousePlan;
import roofnest.core.plan.Place;
import roofnest.core.plan.PlanPoint;
import roofnest.core.plan.Segments;
import roofnest.core.plan.Walk;

/**
 * Who comes by a house, on the ways that its plan gives: people on its paths, traffic along its roads, those who pass by on the edge
 * nearer to the house, animals across lawns and paths. What the plan gives no way to is reckoned with no way, and said.
 */
public final class Sources {
    /** A path leads to a place that it comes this near to at its end, metres. */
    public static final double LEADS_TO_M = 2;
    /** People keep so far to either side of the line that is drawn, metres. */
    static final double ASIDE_M = 0.4;
    /** Whoever passes on the edge of a road keeps so far from it, metres. */
    static final double OFF_THE_EDGE_M = 0.6;
    /** Ways across one lawn or path that animals take. */
    static final int ANIMAL_WAYS = 6;
    private static final int TRIES = 200;
    /** Shorter ways across are none, metres. */
    private static final double LEAST_WAY_M = 1.5;
    private static final double LANE_SHARE = 0.25;
    private static final double BICYCLE_SHARE = 0.35;

    private final HousePlan plan;
    private final Rates rates;
    private final HouseKind house;
    private final Map<SourceKind, Double> aWeekday;
    private final Map<SourceKind, DayCurve> curves;

    /** Sources with ordinary days. */
    public Sources(HousePlan plan, Rates rates, HouseKind house, Map<SourceKind, Double> aWeekday) {
        this(plan, rates, house, aWeekday, Map.of());
    }

    /**
     * @param aWeekday events on a weekday that somebody knows better than the ordinary rates
     * @param curves days by the hour that somebody drew
     */
    public Sources(HousePlan plan, Rates rates, HouseKind house, Map<SourceKind, Double> aWeekday, Map<SourceKind, DayCurve> curves) {
        this.plan = plan;
        this.rates = rates;
        this.house = house;
        this.aWeekday = Map.copyOf(aWeekday);
        this.curves = Map.copyOf(curves);
    }

    /** One for each kind, in their order. */
    public List<Source> all() {
        return Stream.of(SourceKind.values()).map(kind -> new Source(kind, byHour(kind), ways(kind))).toList();
    }

    private double[] byHour(SourceKind kind) {
        DayCurve drawn = curves.get(kind);
        return drawn == null ? rates.byHour(kind, aWeekday.getOrDefault(kind, rates.aWeekday(kind, house)))
                : drawn.at(aWeekday.getOrDefault(kind, drawn.aWeekday())).byHour();
    }

    private List<Source.Way> ways(SourceKind kind) {
        return switch (kind) {
            case HOUSEHOLD -> onPaths(plan.paths());
            case POST, VISITOR -> arrivals();
            case CAR, VEHICLE -> onRoads(LANE_SHARE);
            case CYCLIST -> onRoads(BICYCLE_SHARE);
            case PASSER_BY -> passingBy();
            case PET, WILD -> across();
            case BIRD, INSECT, HEADLIGHT, BRANCH, SUN_PATCH, VENT, RAIN, WASHING, TELEVISION -> List.of();
        };
    }

    /** Out and in, as often the one as the other. */
    private List<Source.Way> onPaths(List<Walk> paths) {
        List<Source.Way> ways = new ArrayList<>();
        for (Walk path : paths) {
            ways.addAll(abreast(path, path.name(), 0.5 / paths.size(), ""));
            ways.addAll(abreast(reversed(path), path.name() + ", back", 0.5 / paths.size(), ""));
        }
        return ways;
    }

    /** To a place, and back again. */
    private List<Source.Way> arrivals() {
        List<Source.Way> ways = new ArrayList<>();
        List<Walk> leading = plan.paths().stream().filter(path -> end(path).isPresent() || end(reversed(path)).isPresent()).toList();
        for (Walk path : leading) {
            Walk there = end(path).isPresent() ? path : reversed(path);
            ways.addAll(abreast(there, path.name(), 1.0 / leading.size(), end(there).orElseThrow().id()));
            ways.addAll(abreast(reversed(there), path.name() + ", back", 1.0 / leading.size(), ""));
        }
        return ways;
    }

    private Optional<Place> end(Walk path) {
        PlanPoint last = path.points().get(path.points().size() - 1);
        return plan.places().stream().filter(place -> place.at().distanceM(last) <= LEADS_TO_M)
                .min(Comparator.comparingDouble(place -> place.at().distanceM(last)));
    }

    private static List<Source.Way> abreast(Walk walk, String name, double share, String place) {
        return Stream.of(-ASIDE_M, 0.0, ASIDE_M).map(aside -> new Source.Way(walk.id() + "/" + aside, name, walk, share / 3, aside, place))
                .toList();
    }

    private static Walk reversed(Walk walk) {
        List<PlanPoint> points = new ArrayList<>(walk.points());
        Collections.reverse(points);
        return new Walk(walk.id() + "-b", walk.name(), points);
    }

    private List<Area> of(Area.Kind... kinds) {
        return plan.areas().stream().filter(area -> List.of(kinds).contains(area.kind())).toList();
    }

    private List<Source.Way> onRoads(double asideShare) {
        List<Area> roads = of(Area.Kind.ROAD);
        List<Source.Way> ways = new ArrayList<>();
        for (Area road : roads) {
            Road line = Road.of(road);
            double share = 0.5 / roads.size();
            ways.add(new Source.Way(road.id() + "/on", road.name(), line.walk(road.id()), share, line.widthM() * asideShare, ""));
            ways.add(new Source.Way(road.id() + "/back", road.name() + ", the other way", reversed(line.walk(road.id())), share,
                    line.widthM() * asideShare, ""));
        }
        return ways;
    }

    /** Both ways along the edge that is nearer to the house. */
    private List<Source.Way> passingBy() {
        List<Area> roads = of(Area.Kind.ROAD);
        List<Source.Way> ways = new ArrayList<>();
        for (Area road : roads) {
            Road line = Road.of(road);
            double aside = Math.max(0, line.widthM() / 2 - OFF_THE_EDGE_M) * (line.rightOf(middle()) ? 1 : -1);
            double share = 0.5 / roads.size();
            ways.add(new Source.Way(road.id() + "/edge", road.name(), line.walk(road.id()), share, aside, ""));
            ways.add(new Source.Way(road.id() + "/edge-back", road.name() + ", the other way", reversed(line.walk(road.id())), share,
                    -aside, ""));
        }
        return ways;
    }

    /** About where the house stands: the middle of its walls, or of the sheet. */
    private PlanPoint middle() {
        double[] box = plan.walls().isEmpty() ? plan.extentM() : plan.withAreas(List.of()).withPaths(List.of()).withPlaces(List.of())
                .withThings(List.of()).withBoundary(List.of()).extentM();
        return new PlanPoint((box[0] + box[2]) / 2, (box[1] + box[3]) / 2);
    }

    private record Road(PlanPoint from, PlanPoint to, double widthM) {
        private static Road of(Area area) {
            Polygon outline = Segments.polygon(area.outline());
            Coordinate[] box = MinimumAreaRectangle.getMinimumRectangle(outline).getCoordinates();
            boolean first = box[0].distance(box[1]) >= box[1].distance(box[2]);
            Coordinate a = first ? box[0] : box[1];
            Coordinate b = first ? box[1] : box[2];
            Coordinate c = first ? box[2] : box[3];
            Coordinate d = first ? box[3] : box[0];
            return new Road(new PlanPoint((a.x + d.x) / 2, (a.y + d.y) / 2), new PlanPoint((b.x + c.x) / 2, (b.y + c.y) / 2),
                    b.distance(c));
        }

        private Walk walk(String id) {
            return new Walk(id, id, List.of(from, to));
        }

        private boolean rightOf(PlanPoint point) {
            return (to.xM() - from.xM()) * (point.yM() - from.yM()) - (to.yM() - from.yM()) * (point.xM() - from.xM()) < 0;
        }
    }

    private List<Source.Way> across() {
        List<Area> grounds = of(Area.Kind.LAWN, Area.Kind.PATH, Area.Kind.STEPS);
        double all = grounds.stream().mapToDouble(area -> Segments.polygon(area.outline()).getArea()).sum();
        List<Source.Way> ways = new ArrayList<>();
        for (Area ground : grounds) {
            Polygon outline = Segments.polygon(ground.outline());
            // The same ways each time, whatever else the plan has.
            SplittableRandom random = new SplittableRandom(ground.id().hashCode());
            for (int way = 0; way < ANIMAL_WAYS; way++) {
                PlanPoint from = within(outline, random);
                PlanPoint to = within(outline, random);
                for (int tried = 0; tried < TRIES && from.distanceM(to) < LEAST_WAY_M; tried++) {
                    to = within(outline, random);
                }
                if (from.distanceM(to) > 0) {
                    ways.add(new Source.Way(ground.id() + "/" + way, ground.name(), new Walk(ground.id() + "-" + way, ground.name(),
                            List.of(from, to)), outline.getArea() / all / ANIMAL_WAYS, 0, ""));
                }
            }
        }
        return ways;
    }

    private static PlanPoint within(Polygon outline, SplittableRandom random) {
        Envelope box = outline.getEnvelopeInternal();
        for (int tried = 0; tried < TRIES; tried++) {
            Coordinate at = new Coordinate(box.getMinX() + random.nextDouble() * box.getWidth(),
                    box.getMinY() + random.nextDouble() * box.getHeight());
            if (SimplePointInAreaLocator.locate(at, outline) != Location.EXTERIOR) {
                return new PlanPoint(at.x, at.y);
            }
        }
        Coordinate inner = outline.getInteriorPoint().getCoordinate();
        return new PlanPoint(inner.x, inner.y);
    }
}
