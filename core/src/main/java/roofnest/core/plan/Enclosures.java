package roofnest.core.plan;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;

import org.locationtech.jts.algorithm.locate.IndexedPointInAreaLocator;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.geom.Location;
import org.locationtech.jts.operation.overlayng.OverlayNGRobust;
import org.locationtech.jts.operation.polygonize.Polygonizer;

/**
 * What walls of about a storey's height close in: the rooms of a {@link Shell}, and sheds whose own walls are a little lower, whatever
 * roof they have.
 */
public final class Enclosures {
    /** Walls lower than their storey by more than this are fences, metres. */
    public static final double TALL_TO_M = 0.2;
    private static final GeometryFactory FACTORY = new GeometryFactory();

    private final Map<String, List<IndexedPointInAreaLocator>> byStorey = new HashMap<>();

    public Enclosures(HousePlan plan) {
        for (Storey storey : plan.storeys()) {
            List<Geometry> lines = plan.walls().stream().filter(wall -> wall.storey().equals(storey.id()) && tall(plan, wall))
                    .<Geometry>map(wall -> FACTORY.createLineString(new Coordinate[] {Segments.coordinate(wall.from()),
                        Segments.coordinate(wall.to())}))
                    .toList();
            if (!lines.isEmpty()) {
                Polygonizer polygons = new Polygonizer();
                polygons.add(OverlayNGRobust.union(lines));
                byStorey.put(storey.id(), ((java.util.Collection<?>) polygons.getPolygons()).stream()
                        .map(polygon -> new IndexedPointInAreaLocator((Geometry) polygon)).collect(Collectors.toList()));
            }
        }
    }

    /** Whether a wall is about as high as its storey. */
    public static boolean tall(HousePlan plan, Wall wall) {
        return wall.heightM() >= plan.storeyOf(wall).heightM() - TALL_TO_M;
    }

    public boolean around(Storey storey, PlanPoint point) {
        Coordinate at = Segments.coordinate(point);
        return byStorey.getOrDefault(storey.id(), List.of()).stream().anyMatch(polygon -> polygon.locate(at) == Location.INTERIOR);
    }
}
