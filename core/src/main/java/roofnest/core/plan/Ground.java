package roofnest.core.plan;

import java.util.Comparator;
import java.util.List;

import org.locationtech.jts.algorithm.locate.IndexedPointInAreaLocator;
import org.locationtech.jts.geom.Location;

/** Height of the ground over a plan: that of the raised area a point lies in, the highest where several meet, else 0. */
public final class Ground {
    private final List<Raised> raised;

    private record Raised(Area area, IndexedPointInAreaLocator outline) {}

    public Ground(HousePlan plan) {
        raised = plan.areas().stream().filter(Area::raised)
                .map(area -> new Raised(area, new IndexedPointInAreaLocator(Segments.polygon(area.outline()))))
                .toList();
    }

    public double heightM(PlanPoint point) {
        if (raised.isEmpty()) {
            return 0;
        }
        return raised.stream()
                .filter(area -> area.outline().locate(Segments.coordinate(point)) != Location.EXTERIOR)
                .map(area -> area.area().groundM(point))
                .max(Comparator.naturalOrder()).orElse(0.0);
    }

    /** Whether the whole plan is level. */
    public boolean level() {
        return raised.isEmpty();
    }
}
