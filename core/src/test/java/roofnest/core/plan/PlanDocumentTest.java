package roofnest.core.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowableOfType;

import java.util.List;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

import roofnest.core.document.DocumentFault;
import roofnest.core.document.DocumentRefused;
import roofnest.core.WeirSteps;

class PlanDocumentTest {
    private final PlanDocument documents = new PlanDocument();

    @Test
    void a_plan_written_and_read_again_is_the_same_plan() throws DocumentRefused {
        HousePlan plan = WeirSteps.plan();
        assertThat(documents.read(documents.write(plan))).usingRecursiveComparison().isEqualTo(plan);
    }

    @Test
    void walls_without_a_height_take_their_storeys() {
        HousePlan plan = WeirSteps.plan();
        assertThat(wall(plan, "south").heightM()).isEqualTo(2.7);
        assertThat(wall(plan, "race-wall").heightM()).isEqualTo(0.9);
        assertThat(plan.baseM(wall(plan, "u-south"))).isEqualTo(2.9);
    }

    @Test
    void every_fault_of_form_is_reported_at_once_with_its_place() {
        String bad = WeirSteps.document()
                .replaceFirst("\"thicknessM\": 0.5", "\"thicknessM\": -0.5")
                .replaceFirst("\"material\": \"brick\"", "\"material\": \"jelly\"");
        DocumentRefused refused = catchThrowableOfType(DocumentRefused.class, () -> documents.read(bad));
        assertThat(refused.faults()).extracting(DocumentFault::pointer).contains("/walls/0/thicknessM", "/walls/5/material");
    }

    @Test
    void every_fault_of_sense_is_reported_at_once_with_its_place() {
        String bad = WeirSteps.document()
                .replaceFirst("\"atM\": 7.4", "\"atM\": 10.4")
                .replaceFirst("\"id\": \"east\", \"storey\": \"ground\"", "\"id\": \"east\", \"storey\": \"attic\"")
                .replace("[0.5, 11.6], [7.5, 11.6], [7.5, 13.6], [0.5, 13.6]", "[0.5, 11.6], [7.5, 13.6], [7.5, 11.6], [0.5, 13.6]");
        DocumentRefused refused = catchThrowableOfType(DocumentRefused.class, () -> documents.read(bad));
        assertThat(refused.faults()).extracting(DocumentFault::toString).hasSize(3)
                .anySatisfy(fault -> assertThat(fault).contains("/walls/0/openings/1", "begins 10.40 m along ends 11.60 m along the ",
                        " wall from 0.00, 0.00 to 11.00, 0.00, which is 11.00 m long"))
                .anySatisfy(fault -> assertThat(fault).contains("/walls/1/storey", "attic"))
                .anySatisfy(fault -> assertThat(fault).contains("/outline", "The outline of “", "” crosses itself"));
    }

    @Test
    void a_wall_of_no_length_is_refused() {
        String bad = WeirSteps.document().replaceFirst("\"to\": \\[11, 0\\]", "\"to\": [0, 0.01]");
        assertThat(refusal(bad)).anySatisfy(fault -> assertThat(fault).contains("/walls/0", "0.01 m long"));
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "[]", "{", "null", "{\"format\": \"roofnest-plan/1\"}", "{\"a\": 1, \"a\": 2}", "NaN"})
    void what_is_no_plan_is_refused_in_words(String text) {
        assertThat(refusal(text)).isNotEmpty().allSatisfy(fault -> assertThat(fault).doesNotContain("Exception"));
    }

    @Test
    void a_document_that_is_too_big_is_refused_before_it_is_parsed() {
        assertThat(refusal("x".repeat(PlanDocument.MAX_BYTES + 1))).singleElement().asString().contains("at most 1,000,000");
    }

    private List<String> refusal(String text) {
        DocumentRefused refused = catchThrowableOfType(DocumentRefused.class, () -> documents.read(text));
        return refused.faults().stream().map(DocumentFault::toString).toList();
    }

    private static Wall wall(HousePlan plan, String id) {
        return plan.walls().stream().filter(wall -> wall.id().equals(id)).findFirst().orElseThrow();
    }
}
