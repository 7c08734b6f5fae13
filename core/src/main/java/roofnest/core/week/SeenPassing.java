package roofnest.core.week;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

import roofnest.core.plan.Ground;
import roofnest.core.plan.PlanPoint;
import roofnest.core.plan.Walk;
import roofnest.core.view.Projection;
import roofnest.core.view.Vision;

/** Somebody or something on its way, as one picture shows it. */
public final class SeenPassing {
    /** So many moments of a way are looked at; between them it goes on evenly. */
    public static final int MOMENTS = 24;
    private static final double MIDDLE_SHARE = 0.6;
    /** Something so near to the lens fills the picture, metres. */
    private static final double NEAREST_M = 0.3;

    private SeenPassing() {}

    /** Feet and head in the picture, and how broad it is there, pixels. */
    public record Figure(Projection.Pixel feet, Projection.Pixel head, double breadthPx) {}

    /** At each moment, from the first to the last; empty where its middle is outside, hidden, or under the mask. */
    public static List<Optional<Figure>> along(Vision vision, Source.Way way, SourceKind.Body body, Ground ground) {
        List<Optional<Figure>> moments = new ArrayList<>();
        for (int moment = 0; moment < MOMENTS; moment++) {
            Walk.Position on = way.walk().at(way.walk().lengthM() * moment / (MOMENTS - 1));
            PlanPoint at = on.point().towards(on.headingDeg() + 90, way.asideM());
            moments.add(figure(vision, at, ground.heightM(at), body));
        }
        return moments;
    }

    private static Optional<Figure> figure(Vision vision, PlanPoint at, double footM, SourceKind.Body body) {
        double lensM = vision.eye().pose().heightM();
        double away = Math.hypot(at.distanceM(vision.eye().pose().onPlan()), lensM - footM - body.heightM() / 2);
        if (away < NEAREST_M || vision.sees(at.xM(), at.yM(), footM + MIDDLE_SHARE * body.heightM()).isEmpty()) {
            return Optional.empty();
        }
        Projection projection = vision.eye().projection();
        return projection.pixel(at.xM(), at.yM(), footM).flatMap(feet -> projection.pixel(at.xM(), at.yM(), footM + body.heightM())
                .map(head -> new Figure(feet, head, Math.hypot(head.x() - feet.x(), head.y() - feet.y()) * body.breadthM()
                        / body.heightM())));
    }
}
