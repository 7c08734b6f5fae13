package roofnest.core.plan;

import java.util.List;

import tools.jackson.databind.JsonNode;

import roofnest.core.document.CheckedJson;
import roofnest.core.document.DocumentFault;
import roofnest.core.document.DocumentRefused;

/**
 * Reads and writes plan documents. Reading checks size, form (JSON Schema, {@code plan.schema.json}) and sense
 * ({@link PlanSense}) and reports every fault of the stage it failed at, before anything is made of the document.
 */
public final class PlanDocument {
    /** Greatest size of a document, bytes. */
    public static final int MAX_BYTES = 1_000_000;

    private final CheckedJson json = new CheckedJson("/roofnest/plan.schema.json", MAX_BYTES, "Leave out detail that no camera can see.");

    /** Reads a document, or says everything that is wrong with it. */
    public HousePlan read(String document) throws DocumentRefused {
        JsonNode tree = json.read(document);
        List<DocumentFault> senseFaults = new PlanSense(tree).faults();
        if (!senseFaults.isEmpty()) {
            throw new DocumentRefused(senseFaults.stream().limit(CheckedJson.MAX_FAULTS).toList());
        }
        return json.value(tree, HousePlan.class);
    }

    /** Everything wrong with a plan that was put together piece by piece; empty when it is sound. */
    public List<DocumentFault> faults(HousePlan plan) {
        try {
            read(write(plan));
            return List.of();
        } catch (DocumentRefused refused) {
            return refused.faults();
        }
    }

    public String write(HousePlan plan) {
        return json.write(plan);
    }
}
