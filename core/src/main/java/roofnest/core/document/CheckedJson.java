package roofnest.core.document;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Locale;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.networknt.schema.InputFormat;
import com.networknt.schema.Schema;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;

import tools.jackson.core.JacksonException;
import tools.jackson.core.StreamReadFeature;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Reads JSON documents of one kind: checks size and form (JSON Schema) before anything is made of them. */
public final class CheckedJson {
    /** Most faults reported of one document. */
    public static final int MAX_FAULTS = 40;

    private final Schema schema;
    private final int maxBytes;
    private final String tooLong;
    private final JsonMapper mapper;

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
        schema = SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12)
                .getSchema(CheckedJson.class.getResourceAsStream(schemaResource));
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
        List<DocumentFault> faults = schema.validate(tree.toString(), InputFormat.JSON).stream()
                .map(error -> new DocumentFault(error.getInstanceLocation().toString(), sentence(error.getMessage())))
                .limit(MAX_FAULTS)
                .toList();
        if (!faults.isEmpty()) {
            throw new DocumentRefused(faults);
        }
        return tree;
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

    private static String sentence(String message) {
        int colon = message.indexOf(": ");
        String bare = colon >= 0 && message.startsWith("/") ? message.substring(colon + 2) : message;
        return Character.toUpperCase(bare.charAt(0)) + bare.substring(1) + ".";
    }

    private static DocumentRefused refused(String sentence) {
        return new DocumentRefused(List.of(new DocumentFault("", sentence)));
    }
}
