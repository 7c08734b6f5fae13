package roofnest.core.plan;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;

import roofnest.core.lang.Require;

/**
 * The plan of one house and its grounds. Made by {@link PlanDocument}, which checks a whole document first.
 *
 * @param latitudeDeg of the house, for the sun; degrees, north positive
 */
public record HousePlan(
        String format, String name, double latitudeDeg, List<Storey> storeys, List<Wall> walls, List<Area> areas,
        List<Walk> paths, List<Place> places, List<Thing> things, List<PlanPoint> boundary, List<Label> labels) {

    public static final String FORMAT = "roofnest-plan/1";

    public HousePlan {
        name = Require.text("plan name", name, 80);
        Require.inRange("latitude in degrees", latitudeDeg, -66, 66);
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
    }

    private static <T> List<T> copyOrEmpty(List<T> list) {
        return list == null ? List.of() : List.copyOf(list);
    }

    private static Storey storeyOf(List<Storey> storeys, String id) {
        return storeys.stream().filter(storey -> storey.id().equals(id)).findFirst()
                .orElseThrow(() -> new IllegalArgumentException("no storey is called " + id));
    }

    /** Height of a wall's foot above the ground, metres. */
    public double baseM(Wall wall) {
        return storeyOf(storeys, wall.storey()).floorM();
    }

    public Optional<Place> place(String id) {
        return places.stream().filter(place -> place.id().equals(id)).findFirst();
    }

    public Optional<Area> area(String id) {
        return areas.stream().filter(area -> area.id().equals(id)).findFirst();
    }

    public Optional<Thing> router() {
        return things.stream().filter(thing -> thing.kind() == Thing.Kind.ROUTER).findFirst();
    }

    /** The wall whose line is nearest to a point, if the plan has walls. */
    public Optional<Wall> nearestWall(PlanPoint point) {
        return walls.stream().min(Comparator.comparingDouble(wall -> Segments.distanceM(point, wall.from(), wall.to())));
    }

    /** Least and greatest x and y of everything on the plan, metres: minX, minY, maxX, maxY. */
    public double[] extentM() {
        double[] box = {Double.MAX_VALUE, Double.MAX_VALUE, -Double.MAX_VALUE, -Double.MAX_VALUE};
        walls.forEach(wall -> { stretch(box, wall.from()); stretch(box, wall.to()); });
        areas.forEach(area -> area.outline().forEach(point -> stretch(box, point)));
        paths.forEach(path -> path.points().forEach(point -> stretch(box, point)));
        places.forEach(place -> stretch(box, place.at()));
        boundary.forEach(point -> stretch(box, point));
        return box;
    }

    private static void stretch(double[] box, PlanPoint point) {
        box[0] = Math.min(box[0], point.xM());
        box[1] = Math.min(box[1], point.yM());
        box[2] = Math.max(box[2], point.xM());
        box[3] = Math.max(box[3], point.yM());
    }
}
