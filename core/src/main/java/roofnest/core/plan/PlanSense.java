package roofnest.core.plan;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;

import tools.jackson.databind.JsonNode;

import roofnest.core.document.DocumentFault;

/** The checks of a well-formed plan document that a schema cannot make: names that meet, lengths, crossings. */
final class PlanSense {
    static final double LEAST_WALL_M = 0.05;
    /** Walls may lie on one another this far, as drawings do at corners, metres. */
    private static final double MOST_OVERLAP_M = 0.3;
    /** Between a storey's floor and the lowest edge of its roof, metres. */
    private static final double LEAST_UNDER_EAVES_M = 0.5;
    private static final double EPSILON_M = 1e-6;

    private final JsonNode plan;
    private final List<DocumentFault> faults = new ArrayList<>();

    PlanSense(JsonNode plan) {
        this.plan = plan;
    }

    List<DocumentFault> faults() {
        uniqueIds("storeys", "walls", "areas", "paths", "places", "things");
        Set<String> storeys = new HashSet<>();
        plan.path("storeys").forEach(storey -> storeys.add(storey.path("id").asString()));
        storeys();
        walls(storeys);
        int label = 0;
        for (JsonNode text : plan.path("labels")) {
            if (!storeys.contains(text.path("storey").asString())) {
                fault("/labels/" + label + "/storey", "No storey is called “" + text.path("storey").asString() + "”.");
            }
            label++;
        }
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

    private void storeys() {
        int i = 0;
        for (JsonNode storey : plan.path("storeys")) {
            String at = "/storeys/" + i++;
            String name = storey.path("name").asString();
            JsonNode roof = storey.path("roof");
            double floorM = storey.path("floorM").asDouble();
            if (roof.has("eavesM") && roof.path("eavesM").asDouble() < floorM + LEAST_UNDER_EAVES_M) {
                fault(at + "/roof/eavesM", "The roof over “" + name + "” begins " + metres(roof.path("eavesM").asDouble())
                        + " up, and its floor lies at " + metres(floorM) + "; eaves are at least " + metres(LEAST_UNDER_EAVES_M)
                        + " over the floor.");
            }
            if (roof.path("kind").asString().equals("pitched") && roof.path("ridgeM").asDouble() < roof.path("eavesM").asDouble()) {
                fault(at + "/roof/ridgeM", "The ridge over “" + name + "” is lower than its eaves.");
            }
            int hole = 0;
            for (JsonNode well : storey.path("stairwells")) {
                List<PlanPoint> outline = new ArrayList<>();
                well.forEach(pair -> outline.add(point(pair)));
                if (!Segments.polygon(outline).isValid()) {
                    fault(at + "/stairwells/" + hole, "The outline of a stairwell in the floor of “" + name
                            + "” crosses itself; give its corners in order.");
                }
                hole++;
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
                opening(at + "/openings/" + o++, opening, WallLine.of(wall));
            }
            overlaps(at, wall);
        }
        crossings();
    }

    private void overlaps(String at, JsonNode wall) {
        int openings = wall.path("openings").size();
        for (int a = 0; a < openings; a++) {
            for (int b = a + 1; b < openings; b++) {
                JsonNode one = wall.path("openings").path(a);
                JsonNode other = wall.path("openings").path(b);
                if (overlap(one, other, "atM", "widthM") && one.path("sillM").asDouble() < other.path("headM").asDouble() - EPSILON_M
                        && other.path("sillM").asDouble() < one.path("headM").asDouble() - EPSILON_M) {
                    fault(at + "/openings/" + b, String.format(Locale.ROOT,
                            "The openings that begin %.2f m and %.2f m along %s lie over one another; move one of them.",
                            one.path("atM").asDouble(), other.path("atM").asDouble(), WallLine.of(wall).words()));
                }
            }
        }
    }

    private static boolean overlap(JsonNode one, JsonNode other, String from, String width) {
        return one.path(from).asDouble() < other.path(from).asDouble() + other.path(width).asDouble() - EPSILON_M
                && other.path(from).asDouble() < one.path(from).asDouble() + one.path(width).asDouble() - EPSILON_M;
    }

    /** Walls of one storey may meet and end on one another; they may not run through one another. */
    private void crossings() {
        List<WallLine> lines = new ArrayList<>();
        plan.path("walls").forEach(wall -> lines.add(WallLine.of(wall)));
        for (int b = 1; b < lines.size(); b++) {
            for (int a = 0; a < b; a++) {
                if (lines.get(a).storey().equals(lines.get(b).storey())) {
                    crossing("/walls/" + b, lines.get(a), lines.get(b));
                }
            }
        }
    }

    private record WallLine(String id, String storey, String material, PlanPoint from, PlanPoint to) {
        private static WallLine of(JsonNode wall) {
            return new WallLine(wall.path("id").asString(), wall.path("storey").asString(), wall.path("material").asString(),
                    point(wall.path("from")), point(wall.path("to")));
        }

        private double lengthM() {
            return from.distanceM(to);
        }

        /** As it is found on the sheet, where ids are not written. */
        private String words() {
            return String.format(Locale.ROOT, "the %s wall from %.2f, %.2f to %.2f, %.2f", material.replace('-', ' '),
                    from.xM(), from.yM(), to.xM(), to.yM());
        }
    }

    private void crossing(String at, WallLine a, WallLine b) {
        Segments.crossing(a.from(), a.to(), b.from(), b.to()).ifPresent(point -> fault(at, String.format(Locale.ROOT,
                "The walls “%s” and “%s” cross at %.2f, %.2f (%s, %s); end one there or split both.",
                a.id(), b.id(), point.xM(), point.yM(), a.words(), b.words())));
        if (Segments.overlapM(a.from(), a.to(), b.from(), b.to()) > MOST_OVERLAP_M) {
            fault(at, "The wall “" + b.id() + "” lies on the wall “" + a.id() + "” (" + b.words() + ", " + a.words() + "); take one out.");
        }
    }

    private void opening(String at, JsonNode opening, WallLine wall) {
        double beginM = opening.path("atM").asDouble();
        double endM = beginM + opening.path("widthM").asDouble();
        if (endM > wall.lengthM() + 1e-6) {
            fault(at, "The opening that begins " + metres(beginM) + " along ends " + metres(endM) + " along " + wall.words()
                    + ", which is " + metres(wall.lengthM()) + " long.");
        }
        if (opening.path("headM").asDouble() <= opening.path("sillM").asDouble()) {
            fault(at + "/headM", "The head of the opening that begins " + metres(beginM) + " along " + wall.words()
                    + " must be above its sill.");
        }
    }

    private void outlines() {
        int i = 0;
        for (JsonNode area : plan.path("areas")) {
            List<PlanPoint> outline = new ArrayList<>();
            area.path("outline").forEach(pair -> outline.add(point(pair)));
            if (!Segments.polygon(outline).isValid()) {
                fault("/areas/" + i + "/outline",
                        "The outline of “" + area.path("name").asString() + "” crosses itself; give its corners in order.");
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
