package roofnest.core.plan;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;

import tools.jackson.databind.JsonNode;

/** The checks of a well-formed plan document that a schema cannot make: names that meet, lengths, crossings. */
final class PlanSense {
    private static final double LEAST_WALL_M = 0.05;

    private final JsonNode plan;
    private final List<DocumentFault> faults = new ArrayList<>();

    PlanSense(JsonNode plan) {
        this.plan = plan;
    }

    List<DocumentFault> faults() {
        uniqueIds("storeys", "walls", "areas", "paths", "places", "things");
        Set<String> storeys = new HashSet<>();
        plan.path("storeys").forEach(storey -> storeys.add(storey.path("id").asString()));
        walls(storeys);
        outlines();
        return List.copyOf(faults);
    }

    private void uniqueIds(String... lists) {
        for (String list : lists) {
            Set<String> seen = new HashSet<>();
            int i = 0;
            for (JsonNode item : plan.path(list)) {
                String id = item.path("id").asString();
                if (!seen.add(id)) {
                    fault("/" + list + "/" + i + "/id", "The id “" + id + "” is used twice in " + list + ".");
                }
                i++;
            }
        }
    }

    private void walls(Set<String> storeys) {
        int i = 0;
        for (JsonNode wall : plan.path("walls")) {
            String at = "/walls/" + i++;
            if (!storeys.contains(wall.path("storey").asString())) {
                fault(at + "/storey", "No storey is called “" + wall.path("storey").asString() + "”.");
            }
            double lengthM = point(wall.path("from")).distanceM(point(wall.path("to")));
            if (lengthM < LEAST_WALL_M) {
                fault(at, "The wall is " + metres(lengthM) + " long; it needs at least " + metres(LEAST_WALL_M) + ".");
            }
            int o = 0;
            for (JsonNode opening : wall.path("openings")) {
                opening(at + "/openings/" + o++, opening, lengthM);
            }
        }
    }

    private void opening(String at, JsonNode opening, double wallLengthM) {
        double endM = opening.path("atM").asDouble() + opening.path("widthM").asDouble();
        if (endM > wallLengthM + 1e-6) {
            fault(at, "The opening ends " + metres(endM) + " along a wall that is " + metres(wallLengthM) + " long.");
        }
        if (opening.path("headM").asDouble() <= opening.path("sillM").asDouble()) {
            fault(at + "/headM", "The head must be above the sill.");
        }
    }

    private void outlines() {
        int i = 0;
        for (JsonNode area : plan.path("areas")) {
            List<PlanPoint> outline = new ArrayList<>();
            area.path("outline").forEach(pair -> outline.add(point(pair)));
            if (!Segments.polygon(outline).isValid()) {
                fault("/areas/" + i + "/outline", "The outline crosses itself; give its corners in order.");
            }
            i++;
        }
    }

    private static PlanPoint point(JsonNode pair) {
        return new PlanPoint(pair.path(0).asDouble(), pair.path(1).asDouble());
    }

    private static String metres(double value) {
        return String.format(Locale.ROOT, "%.2f m", value);
    }

    private void fault(String pointer, String sentence) {
        faults.add(new DocumentFault(pointer, sentence));
    }
}
