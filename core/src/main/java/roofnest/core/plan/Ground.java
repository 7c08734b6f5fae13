package roofnest.core.plan;

import java.util.List;

/** Height of the ground over a plan: that of the raised area a point lies in, the highest where several meet, else 0. */
public final class Ground {
    private final List<Plate> raised;

    public Ground(HousePlan plan) {
        raised = plan.areas().stream().filter(Area::raised)
                .map(area -> new Plate(Plate.Kind.GROUND, area.plane(), Segments.sound(area.outline()), Material.STONE)).toList();
    }

    public double heightM(PlanPoint point) {
        return heightM(point.xM(), point.yM());
    }

    public double heightM(double xM, double yM) {
        double highest = Double.NEGATIVE_INFINITY;
        for (Plate area : raised) {
            if (area.over(xM, yM)) {
                highest = Math.max(highest, area.plane().atM(xM, yM));
            }
        }
        return highest == Double.NEGATIVE_INFINITY ? 0 : highest;
    }

    /** The tops of all ground off the plan's level. */
    public List<Plate> plates() {
        return raised;
    }

    /** Whether the whole plan is level. */
    public boolean level() {
        return raised.isEmpty();
    }
}
