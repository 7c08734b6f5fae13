package roofnest.core.plan;

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

/**
 * Reads and writes plan documents. Reading checks size, form (JSON Schema, {@code plan.schema.json}) and sense
 * ({@link PlanSense}) and reports every fault of the stage it failed at, before anything is made of the document.
 */
public final class PlanDocument {
    /** Greatest size of a document, bytes. */
    public static final int MAX_BYTES = 1_000_000;
    /** Most faults reported of one document. */
    private static final int MAX_FAULTS = 40;

    private final Schema schema;
    private final JsonMapper mapper;

    public PlanDocument() {
        mapper = JsonMapper.builder()
                .enable(StreamReadFeature.STRICT_DUPLICATE_DETECTION)
                .enable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES)
                .changeDefaultPropertyInclusion(all -> all.withValueInclusion(
                        JsonInclude.Include.NON_NULL))
                .build();
        schema = SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12)
                .getSchema(PlanDocument.class.getResourceAsStream("/roofnest/plan.schema.json"));
    }

    /** Reads a document, or says everything that is wrong with it. */
    public HousePlan read(String json) throws PlanRefused {
        int bytes = json.getBytes(StandardCharsets.UTF_8).length;
        if (bytes > MAX_BYTES) {
            throw refused("", String.format(Locale.ROOT,
                    "The document is %,d bytes; at most %,d are taken. Leave out detail that no camera can see.", bytes, MAX_BYTES));
        }
        JsonNode tree = parse(json);
        List<DocumentFault> formFaults = schema.validate(tree.toString(), InputFormat.JSON).stream()
                .map(error -> new DocumentFault(error.getInstanceLocation().toString(), sentence(error.getMessage())))
                .limit(MAX_FAULTS)
                .toList();
        if (!formFaults.isEmpty()) {
            throw new PlanRefused(formFaults);
        }
        List<DocumentFault> senseFaults = new PlanSense(tree).faults();
        if (!senseFaults.isEmpty()) {
            throw new PlanRefused(senseFaults.stream().limit(MAX_FAULTS).toList());
        }
        return mapper.treeToValue(tree, HousePlan.class);
    }

    /** Everything wrong with a plan that was put together piece by piece; empty when it is sound. */
    public List<DocumentFault> faults(HousePlan plan) {
        try {
            read(write(plan));
            return List.of();
        } catch (PlanRefused refused) {
            return refused.faults();
        }
    }

    public String write(HousePlan plan) {
        return mapper.writerWithDefaultPrettyPrinter().writeValueAsString(plan);
    }

    private JsonNode parse(String json) throws PlanRefused {
        try {
            return mapper.readTree(json);
        } catch (JacksonException e) {
            String where = e.getLocation() == null ? ""
                    : " at line " + e.getLocation().getLineNr() + ", column " + e.getLocation().getColumnNr();
            throw refused("", "This is not readable JSON" + where + ": " + e.getOriginalMessage());
        }
    }

    private static String sentence(String message) {
        int colon = message.indexOf(": ");
        String bare = colon >= 0 && message.startsWith("/") ? message.substring(colon + 2) : message;
        return Character.toUpperCase(bare.charAt(0)) + bare.substring(1) + ".";
    }

    private static PlanRefused refused(String pointer, String sentence) {
        return new PlanRefused(List.of(new DocumentFault(pointer, sentence)));
    }
}
