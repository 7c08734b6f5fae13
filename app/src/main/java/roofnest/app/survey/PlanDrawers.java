package roofnest.app.survey;

import java.util.List;

import org.springframework.stereotype.Service;

import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

import roofnest.app.web.BadInput;
import roofnest.app.records.HouseholdRef;
import roofnest.core.document.DocumentFault;
import roofnest.core.plan.EditRefused;
import roofnest.core.plan.HousePlan;
import roofnest.core.plan.PlanDocument;
import roofnest.core.plan.PlanEdit;
import roofnest.core.plan.PlanEdits;
import roofnest.core.document.DocumentRefused;

/** Makes edits of stored plans. An edit that would leave a plan unsound is refused, and the plan stays as it was. */
@Service
class PlanDrawers {
    private final PlanSteps steps;
    private final PlanDocument documents;
    private final JsonMapper json = new JsonMapper();

    PlanDrawers(PlanSteps steps, PlanDocument documents) {
        this.steps = steps;
        this.documents = documents;
    }

    /**
     * @param version of the plan that the page shows
     * @param edit as {@link PlanEdit} reads it; absent when a step is undone or redone
     */
    record Asked(String storey, int version, JsonNode edit) {}

    void edit(HouseholdRef ref, Asked asked) {
        PlanEdit edit = parse(asked.edit());
        PlanSteps.State state = steps.state(ref.id());
        HousePlan edited = edited(plan(state), edit);
        List<DocumentFault> faults = documents.faults(edited);
        if (!faults.isEmpty()) {
            throw new BadInput(faults.get(0).sentence() + " Nothing was changed.");
        }
        steps.take(ref.id(), documents.write(edited), edit.words(), ref.by(), asked.version());
    }

    private PlanEdit parse(JsonNode edit) {
        try {
            return json.treeToValue(edit, PlanEdit.class);
        } catch (JacksonException e) {
            Throwable cause = e.getCause() == null ? e : e.getCause();
            throw cause instanceof IllegalArgumentException refused ? BadInput.of(refused)
                    : new BadInput("A figure is missing or is no number. Fill the form in again; nothing was changed.");
        }
    }

    private HousePlan plan(PlanSteps.State state) {
        try {
            return documents.read(state.document().orElseThrow(() -> new BadInput("The house has no plan yet.")));
        } catch (DocumentRefused e) {
            throw new IllegalStateException("a stored plan no longer reads", e);
        }
    }

    private static HousePlan edited(HousePlan plan, PlanEdit edit) {
        try {
            return PlanEdits.apply(plan, edit);
        } catch (EditRefused refused) {
            throw new BadInput(refused.getMessage());
        }
    }
}
