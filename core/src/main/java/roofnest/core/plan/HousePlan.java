package roofnest.core.plan;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

import roofnest.core.lang.Require;

/**
 * The plan of one house and its grounds. Made by {@link PlanDocument}, which checks a whole document first.
 *
 * @param latitudeDeg of the house, for the sun; degrees, north positive
 * @param northDeg heading of true north on the plan, degrees clockwise from its y axis; absent means 0
 */
public record HousePlan(
        String format, String name, double latitudeDeg, List<Storey> storeys, List<Wall> walls, List<Area> areas,
        List<Walk> paths, List<Place> places, List<Thing> things, List<PlanPoint> boundary, List<Label> labels,
        Double northDeg) {

    public static final String FORMAT = "roofnest-plan/1";
    /** Side of the sheet shown while nothing is drawn, metres. */
    private static final double EMPTY_SHEET_M = 20;

    public HousePlan {
        name = Require.text("plan name", name, 80);
        Require.inRange("latitude in degrees", latitudeDeg, -90, 90);
        storeys = List.copyOf(storeys);
        List<Storey> all = storeys;
        walls = walls.stream()
                .map(wall -> wall.heightM() == null ? wall.withHeight(storeyOf(all, wall.storey()).heightM()) : wall)
                .toList();
        areas = copyOrEmpty(areas);
        paths = copyOrEmpty(paths);
        places = copyOrEmpty(places);
        things = copyOrEmpty(things);
        boundary = copyOrEmpty(boundary);
        labels = copyOrEmpty(labels);
        if (northDeg != null) {
            Require.inRange("north in degrees", northDeg, -180, 360);
        }
    }

    /** A plan drawn with north up. */
    public HousePlan(
            String format, String name, double latitudeDeg, List<Storey> storeys, List<Wall> walls, List<Area> areas,
            List<Walk> paths, List<Place> places, List<Thing> things, List<PlanPoint> boundary, List<Label> labels) {
        this(format, name, latitudeDeg, storeys, walls, areas, paths, places, things, boundary, labels, null);
    }

    public HousePlan withStoreys(List<Storey> newStoreys) {
        return new HousePlan(format, name, latitudeDeg, newStoreys, walls, areas, paths, places, things, boundary, labels, northDeg);
    }

    public HousePlan withWalls(List<Wall> newWalls) {
        return new HousePlan(format, name, latitudeDeg, storeys, newWalls, areas, paths, places, things, boundary, labels, northDeg);
    }

    public HousePlan withAreas(List<Area> newAreas) {
        return new HousePlan(format, name, latitudeDeg, storeys, walls, newAreas, paths, places, things, boundary, labels, northDeg);
    }

    public HousePlan withPaths(List<Walk> newPaths) {
        return new HousePlan(format, name, latitudeDeg, storeys, walls, areas, newPaths, places, things, boundary, labels, northDeg);
    }

    public HousePlan withPlaces(List<Place> newPlaces) {
        return new HousePlan(format, name, latitudeDeg, storeys, walls, areas, paths, newPlaces, things, boundary, labels, northDeg);
    }

    public HousePlan withThings(List<Thing> newThings) {
        return new HousePlan(format, name, latitudeDeg, storeys, walls, areas, paths, places, newThings, boundary, labels, northDeg);
    }

    public HousePlan withBoundary(List<PlanPoint> newBoundary) {
        return new HousePlan(format, name, latitudeDeg, storeys, walls, areas, paths, places, things, newBoundary, labels, northDeg);
    }

    public HousePlan withLabels(List<Label> newLabels) {
        return new HousePlan(format, name, latitudeDeg, storeys, walls, areas, paths, places, things, boundary, newLabels, northDeg);
    }

    public HousePlan withSite(double newLatitudeDeg, double newNorthDeg) {
        return new HousePlan(format, name, newLatitudeDeg, storeys, walls, areas, paths, places, things, boundary, labels, newNorthDeg);
    }

    /** An empty sheet with a ground floor, to draw on. */
    public static HousePlan blank(String name, double latitudeDeg) {
        Storey ground = new Storey("ground", "Ground", 0, 2.5, List.of());
        return new HousePlan(FORMAT, name, latitudeDeg, List.of(ground), List.of(), null, null, null, null, null, null, null);
    }

    /** Heading of true north on the plan, degrees clockwise from its y axis. */
    public double trueNorthDeg() {
        return northDeg == null ? 0 : northDeg;
    }

    private static <T> List<T> copyOrEmpty(List<T> list) {
        return list == null ? List.of() : List.copyOf(list);
    }

    /** Asked for every wall, many times over: a loop over two or three. */
    private static Storey storeyOf(List<Storey> storeys, String id) {
        for (Storey storey : storeys) {
            if (storey.id().equals(id)) {
                return storey;
            }
        }
        throw new IllegalArgumentException("no storey is called " + id);
    }

    /** Height of a wall's foot above the ground, metres. */
    public double baseM(Wall wall) {
        return storeyOf(wall).floorM();
    }

    /** The storey that a wall stands on. */
    Storey storeyOf(Wall wall) {
        return storeyOf(storeys, wall.storey());
    }

    /**
     * A place by its id, or by {@link Place#wished its name} where it was spoken of before the plan had it; the first that
     * bears the name then counts.
     */
    public Optional<Place> place(String id) {
        Optional<String> wished = Place.wishedName(id);
        return places.stream().filter(place -> wished.map(name -> name.equalsIgnoreCase(place.name())).orElse(place.id().equals(id)))
                .findFirst();
    }

    public Optional<Area> area(String id) {
        return areas.stream().filter(area -> area.id().equals(id)).findFirst();
    }

    public Optional<Walk> path(String id) {
        return paths.stream().filter(path -> path.id().equals(id)).findFirst();
    }

    public Optional<Storey> storey(String id) {
        return storeys.stream().filter(storey -> storey.id().equals(id)).findFirst();
    }

    public Optional<Thing> router() {
        return ofKind(Thing.Kind.ROUTER).findFirst();
    }

    public Stream<Thing> ofKind(Thing.Kind... kinds) {
        return things.stream().filter(thing -> List.of(kinds).contains(thing.kind()));
    }

    /** The wall whose line is nearest to a point, if the plan has walls. */
    public Optional<Wall> nearestWall(PlanPoint point) {
        Wall nearest = null;
        double least = Double.POSITIVE_INFINITY;
        for (Wall wall : walls) {
            if (Segments.mayReach(point, wall.from(), wall.to(), least)) {
                double distance = Segments.distanceM(point, wall.from(), wall.to());
                nearest = distance < least ? wall : nearest;
                least = Math.min(least, distance);
            }
        }
        return Optional.ofNullable(nearest);
    }

    /** Least and greatest x and y of everything on the plan, metres: minX, minY, maxX, maxY. */
    public double[] extentM() {
        double[] box = {Double.MAX_VALUE, Double.MAX_VALUE, -Double.MAX_VALUE, -Double.MAX_VALUE};
        walls.forEach(wall -> {
            stretch(box, wall.from());
            stretch(box, wall.to());
        });
        areas.forEach(area -> area.outline().forEach(point -> stretch(box, point)));
        paths.forEach(path -> path.points().forEach(point -> stretch(box, point)));
        places.forEach(place -> stretch(box, place.at()));
        things.forEach(thing -> stretch(box, thing.at()));
        boundary.forEach(point -> stretch(box, point));
        return box[0] > box[2] ? new double[] {0, 0, EMPTY_SHEET_M, EMPTY_SHEET_M} : box;
    }

    private static void stretch(double[] box, PlanPoint point) {
        box[0] = Math.min(box[0], point.xM());
        box[1] = Math.min(box[1], point.yM());
        box[2] = Math.max(box[2], point.xM());
        box[3] = Math.max(box[3], point.yM());
    }
}
