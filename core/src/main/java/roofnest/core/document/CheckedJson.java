package roofnest.core.document;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.networknt.schema.InputFormat;
import com.networknt.schema.Schema;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;

import roofnest.core.lang.Text;
import tools.jackson.core.JacksonException;
import tools.jackson.core.StreamReadFeature;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Reads JSON documents of one kind: checks size and form (JSON Schema) before anything is made of them. */
public final class CheckedJson {
    /** Most faults reported of one document. */
    public static final int MAX_FAULTS = 40;

    private final String schemaResource;
    private final int maxBytes;
    private final String tooLong;
    private final JsonMapper mapper;
    /** Made when a document first comes from outside; most starts see none. */
    private volatile Schema schema;

    /**
     * @param schemaResource on the class path
     * @param tooLong what to leave out of a document that is too long
     */
    public CheckedJson(String schemaResource, int maxBytes, String tooLong) {
        mapper = JsonMapper.builder()
                .enable(StreamReadFeature.STRICT_DUPLICATE_DETECTION)
                .enable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES)
                .changeDefaultPropertyInclusion(all -> all.withValueInclusion(JsonInclude.Include.NON_NULL))
                .build();
        this.schemaResource = schemaResource;
        this.maxBytes = maxBytes;
        this.tooLong = tooLong;
    }

    /** The document's tree, or everything that is wrong with its form. */
    public JsonNode read(String json) throws DocumentRefused {
        int bytes = json.getBytes(StandardCharsets.UTF_8).length;
        if (bytes > maxBytes) {
            throw refused(String.format(Locale.ROOT, "The document is %,d bytes; at most %,d are taken. %s", bytes, maxBytes, tooLong));
        }
        JsonNode tree = parse(json);
        List<DocumentFault> unseen = new ArrayList<>();
        unseen(tree, "", unseen);
        if (!unseen.isEmpty()) {
            throw new DocumentRefused(unseen.stream().limit(MAX_FAULTS).toList());
        }
        List<DocumentFault> faults = schema().validate(tree.toString(), InputFormat.JSON).stream()
                .map(error -> new DocumentFault(error.getInstanceLocation().toString(), sentence(error.getMessage())))
                .limit(MAX_FAULTS)
                .toList();
        if (!faults.isEmpty()) {
            throw new DocumentRefused(faults);
        }
        return tree;
    }

    /** A document that ships with this program; that its form is right is a matter of its tests. */
    public <T> T shipped(String json, Class<T> type) {
        return mapper.readValue(json, type);
    }

    private Schema schema() {
        Schema made = schema;
        if (made == null) {
            made = SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12)
                    .getSchema(CheckedJson.class.getResourceAsStream(schemaResource));
            schema = made;
        }
        return made;
    }

    public <T> T value(JsonNode tree, Class<T> type) {
        return mapper.treeToValue(tree, type);
    }

    public String write(Object value) {
        return mapper.writerWithDefaultPrettyPrinter().writeValueAsString(value);
    }

    private JsonNode parse(String json) throws DocumentRefused {
        try {
            return mapper.readTree(json);
        } catch (JacksonException e) {
            String where = e.getLocation() == null ? ""
                    : " at line " + e.getLocation().getLineNr() + ", column " + e.getLocation().getColumnNr();
            throw refused("This is not readable JSON" + where + ": " + e.getOriginalMessage());
        }
    }

    /** Texts and names with signs that nothing shows: no reader could find them, and not every store keeps them. */
    private static void unseen(JsonNode node, String pointer, List<DocumentFault> faults) {
        if (node.isString() && Text.hasControls(node.stringValue())) {
            faults.add(new DocumentFault(pointer, "There are characters in it that cannot be shown; type it again."));
        }
        node.forEachEntry((name, child) -> {
            if (Text.hasControls(name)) {
                faults.add(new DocumentFault(pointer, "A name in it has characters that cannot be shown; type it again."));
            } else {
                unseen(child, pointer + "/" + name.replace("~", "~0").replace("/", "~1"), faults);
            }
        });
        if (node.isArray()) {
            for (int i = 0; i < node.size(); i++) {
                unseen(node.get(i), pointer + "/" + i, faults);
            }
        }
    }

    private static String sentence(String message) {
        int colon = message.indexOf(": ");
        String bare = colon >= 0 && message.startsWith("/") ? message.substring(colon + 2) : message;
        return Character.toUpperCase(bare.charAt(0)) + bare.substring(1) + ".";
    }

    private static DocumentRefused refused(String sentence) {
        return new DocumentRefused(List.of(new DocumentFault("", sentence)));
    }
}
