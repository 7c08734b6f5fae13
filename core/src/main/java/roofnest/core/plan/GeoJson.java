package roofnest.core.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;

import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

import roofnest.core.document.DocumentFault;
import roofnest.core.document.DocumentRefused;

/**
 * Plans as GeoJSON feature collections and back without loss. Coordinates are the plan's local metres, not degrees,
 * which RFC 7946, section 4, allows by prior arrangement; the member {@code roofnest} says so and carries what has no
 * geometry. Each feature's {@code list} names what it is, its other properties are those of the plan document.
 */
public final class GeoJson {
    private static final String NOTE = "local metres, x east and y north of the plan's origin";
    /** Lists of the plan document, the member that holds each one's geometry, and its GeoJSON type. */
    private static final Map<String, Shape> SHAPES = Map.of(
            "areas", new Shape("outline", "Polygon"), "paths", new Shape("points", "LineString"), "places", new Shape("at", "Point"),
            "things", new Shape("at", "Point"), "labels", new Shape("at", "Point"), "walls", new Shape("from", "LineString"));
    private static final String DRAWN_CLOCKWISE = "drawnClockwise";
    private static final List<String> ORDER = List.of("walls", "areas", "paths", "places", "things", "labels");
    private static final int MAX_FAULTS = 40;

    private final JsonMapper mapper = new JsonMapper();
    private final PlanDocument documents;

    private record Shape(String member, String type) {}

    public GeoJson(PlanDocument documents) {
        this.documents = documents;
    }

    public String write(HousePlan plan) {
        ObjectNode document = (ObjectNode) mapper.readTree(documents.write(plan));
        ObjectNode collection = mapper.createObjectNode().put("type", "FeatureCollection");
        ArrayNode features = mapper.createArrayNode();
        for (String list : ORDER) {
            document.path(list).forEach(item -> features.add(feature(list, (ObjectNode) item)));
            document.remove(list);
        }
        if (!document.path("boundary").isEmpty()) {
            ObjectNode feature = features.addObject().put("type", "Feature");
            ObjectNode properties = feature.putObject("properties").put("list", "boundary");
            if (clockwise(document.get("boundary"))) {
                properties.put(DRAWN_CLOCKWISE, true);
            }
            feature.set("geometry", geometry("Polygon", document.get("boundary")));
        }
        document.remove("boundary");
        collection.set("roofnest", document.put("coordinates", NOTE));
        collection.set("features", features);
        return mapper.writerWithDefaultPrettyPrinter().writeValueAsString(collection);
    }

    private ObjectNode feature(String list, ObjectNode item) {
        ObjectNode feature = mapper.createObjectNode().put("type", "Feature");
        ObjectNode properties = item.deepCopy();
        JsonNode coordinates = properties.remove(SHAPES.get(list).member());
        if (list.equals("walls")) {
            coordinates = mapper.createArrayNode().add(coordinates).add(properties.remove("to"));
        }
        properties.put("list", list);
        if (SHAPES.get(list).type().equals("Polygon") && clockwise(coordinates)) {
            properties.put(DRAWN_CLOCKWISE, true);
        }
        feature.set("properties", properties);
        feature.set("geometry", geometry(SHAPES.get(list).type(), coordinates));
        return feature;
    }

    private ObjectNode geometry(String type, JsonNode coordinates) {
        ObjectNode geometry = mapper.createObjectNode().put("type", type);
        if (type.equals("Polygon")) {
            // A ring ends where it began, and runs counter-clockwise round what it holds (RFC 7946 3.1.6).
            ArrayNode points = clockwise(coordinates) ? reversed(coordinates) : (ArrayNode) coordinates;
            ArrayNode ring = mapper.createArrayNode().addAll(points).add(points.get(0));
            geometry.set("coordinates", mapper.createArrayNode().add(ring));
        } else {
            geometry.set("coordinates", coordinates);
        }
        return geometry;
    }

    private static boolean clockwise(JsonNode outline) {
        double twice = 0;
        for (int i = 0; i < outline.size(); i++) {
            JsonNode a = outline.get(i);
            JsonNode b = outline.get((i + 1) % outline.size());
            twice += a.get(0).asDouble() * b.get(1).asDouble() - b.get(0).asDouble() * a.get(1).asDouble();
        }
        return twice < 0;
    }

    /** The other way round, from the same first point. */
    private ArrayNode reversed(JsonNode outline) {
        ArrayNode points = mapper.createArrayNode().add(outline.get(0));
        for (int i = outline.size() - 1; i > 0; i--) {
            points.add(outline.get(i));
        }
        return points;
    }

    /** Reads a collection as {@link #write} makes it, checked like any plan document. */
    public HousePlan read(String json) throws DocumentRefused {
        JsonNode collection;
        try {
            collection = mapper.readTree(json);
        } catch (JacksonException e) {
            throw new DocumentRefused(List.of(new DocumentFault("", "This is not readable JSON: " + e.getOriginalMessage())));
        }
        if (!collection.path("type").asString("").equals("FeatureCollection") || !collection.path("roofnest").isObject()) {
            throw new DocumentRefused(
                    List.of(new DocumentFault("", "This is no GeoJSON feature collection with a “roofnest” member that names the plan.")));
        }
        ObjectNode document = ((ObjectNode) collection.get("roofnest")).deepCopy();
        document.remove("coordinates");
        document.putArray("walls");
        List<DocumentFault> faults = new ArrayList<>();
        int i = 0;
        for (JsonNode feature : collection.path("features")) {
            take(document, feature, "/features/" + i++, faults);
        }
        if (!faults.isEmpty()) {
            throw new DocumentRefused(faults.stream().limit(MAX_FAULTS).toList());
        }
        return documents.read(document.toString());
    }

    private void take(ObjectNode document, JsonNode feature, String at, List<DocumentFault> faults) {
        String list = feature.path("properties").path("list").asString("");
        JsonNode coordinates = feature.path("geometry").path("coordinates");
        boolean boundary = list.equals("boundary");
        if (!boundary && !SHAPES.containsKey(list)) {
            faults.add(new DocumentFault(at + "/properties/list", "“" + list + "” is none of " + String.join(", ", ORDER) + ", boundary."));
            return;
        }
        String type = boundary ? "Polygon" : SHAPES.get(list).type();
        if (!feature.path("geometry").path("type").asString("").equals(type) || !coordinates.isArray()) {
            faults.add(new DocumentFault(at + "/geometry", "Features of " + list + " are of type " + type + "."));
            return;
        }
        if (type.equals("Polygon")) {
            coordinates = open(coordinates.path(0));
            // Drawn the other way round here: it comes back as it was drawn.
            coordinates = feature.path("properties").path(DRAWN_CLOCKWISE).asBoolean(false) && coordinates.size() > 2
                    ? reversed(coordinates) : coordinates;
        }
        if (boundary) {
            document.set("boundary", coordinates);
            return;
        }
        ObjectNode item = ((ObjectNode) feature.get("properties")).deepCopy();
        item.remove("list");
        item.remove(DRAWN_CLOCKWISE);
        if (list.equals("walls")) {
            item.set("from", coordinates.path(0));
            item.set("to", coordinates.path(1));
        } else {
            item.set(SHAPES.get(list).member(), coordinates);
        }
        ((ArrayNode) (document.get(list) == null ? document.putArray(list) : document.get(list))).add(item);
    }

    private ArrayNode open(JsonNode ring) {
        ArrayNode points = mapper.createArrayNode();
        for (int i = 0; i + 1 < ring.size(); i++) {
            points.add(ring.get(i));
        }
        return points;
    }
}
