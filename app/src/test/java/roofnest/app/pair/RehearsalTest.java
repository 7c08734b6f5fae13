package roofnest.app.pair;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import java.util.HashMap;
import java.util.Map;
import java.util.Random;

import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;

import roofnest.app.AppTest;
import roofnest.app.DemoPlaces;
import roofnest.app.firm.Staff;
import roofnest.app.web.Form;
import roofnest.app.records.HouseholdRef;
import roofnest.core.pairing.Step;
import roofnest.standins.Bench;

@AppTest
class RehearsalTest {
    private static final Map<String, String> TYPED = Map.of("devicePassword", "Heron-44-wharf", "ownersWord", "Ida", "firmware", "2.4",
            "clockSet", "true", "recoveryAddress", "ida@quiller.example", "serial", "X-1",
            "stickerKept", "guide", "cameraName", "Practice eye");

    @Autowired private MockMvc mvc;
    @Autowired private DemoPlaces demo;
    @Autowired private Rehearsals rehearsals;
    @Autowired private RunDesk desk;

    private Staff wynn;

    @BeforeEach
    void apprentice() {
        wynn = demo.staff("wynn");
    }

    @Test
    void an_exercise_answered_by_what_is_shown_is_mastered_and_touches_no_household() throws Exception {
        Map<String, Long> before = counts();
        long id = rehearsals.start(wynn, 6, false, 4);
        playHonestly(id);
        RehearsalRepository.Rehearsal over = rehearsals.sheet(wynn, id).rehearsal();
        assertThat(over.over()).isTrue();
        assertThat(over.wrong()).isZero();
        assertThat(over.minutes()).isGreaterThanOrEqualTo(over.shortest() - 0.2);
        assertThat(over.minutes()).isLessThan(2 * over.shortest());
        assertThat(counts()).isEqualTo(before);
        assertThat(page("/rehearsals/" + id)).contains("No wrong move", "the shortest way");
        assertThat(page("/rehearsals")).contains("Wynn Castell", "mastered");
    }

    @Test
    void every_part_of_an_exercise_is_played_in_turn_and_its_story_goes_wrong_as_told() {
        long id = rehearsals.start(wynn, 19, false, 10);
        playHonestly(id);
        Rehearsals.Sheet sheet = rehearsals.sheet(wynn, id);
        assertThat(sheet.part()).isEqualTo(1);
        assertThat(sheet.rehearsal().over()).isTrue();
        assertThat(rehearsals.debrief(sheet.rehearsal(), sheet.exercise())).hasSize(2)
                .first().satisfies(part -> assertThat(part.own().taken()).anyMatch(taken -> taken.title().startsWith("Ask the owner")));
    }

    @Test
    void a_wrong_answer_is_told_in_the_debrief() throws Exception {
        long id = rehearsals.start(wynn, 1, false, 10);
        Step first = step(id);
        desk.handsOn(rehearsals.port(wynn, id));
        desk.answer(rehearsals.port(wynn, id), first.id(), "nothing-odd");
        playHonestly(id);
        assertThat(rehearsals.sheet(wynn, id).rehearsal().wrong()).isEqualTo(1);
        assertThat(page("/rehearsals/" + id)).contains("1 wrong move", "What would have told");
    }

    @Test
    void a_hidden_fault_is_one_that_the_exercise_can_meet_and_is_not_shown_before_the_end() throws Exception {
        long id = rehearsals.start(wynn, 8, true, 10);
        Rehearsals.Sheet sheet = rehearsals.sheet(wynn, id);
        assertThat(sheet.rehearsal().hidden()).hasSize(1).allSatisfy(fault -> assertThat(sheet.exercise().applicable()).contains(fault));
        String words = sheet.rehearsal().hidden().iterator().next().words();
        assertThat(page("/rehearsals/" + id)).doesNotContain(words).doesNotContain("Make something go wrong");
        playHonestly(id);
        assertThat(page("/rehearsals/" + id)).contains("Hidden in it: " + words.replace("'", "&#39;"));
    }

    @Test
    void a_households_job_is_rehearsed_as_it_stands_and_nothing_goes_back_to_it() throws Exception {
        HouseholdRef treloar = demo.ref("Treloar", "wynn");
        demo.jdbc().sql("update network set name = 'kilnlane' where household_id = :id").param("id", treloar.id()).update();
        try {
            Map<String, Long> before = counts();
            long id = rehearsals.startJob(treloar, "Treloar · 8 Kiln Lane", false, 10);
            Rehearsals.Sheet sheet = rehearsals.sheet(wynn, id);
            assertThat(sheet.exercise().parts()).extracting(part -> part.device().fullName()).containsExactly("Pellan Perch",
                    "Pellan Drift", "Pellan Knock", "Pellan Swift", "Vellin Dome");
            assertThat(sheet.exercise().parts().get(4).place().addressOutside()).isTrue();
            assertThat(sheet.exercise().parts().get(4).setting().address())
                    .hasValueSatisfying(recipe -> assertThat(recipe).contains("172.20.9.9"));
            playHonestly(id);
            assertThat(rehearsals.sheet(wynn, id).part()).isEqualTo(4);
            assertThat(rehearsals.sheet(wynn, id).rehearsal().over()).isTrue();
            assertThat(page("/rehearsals/" + id)).contains("Treloar", "the shortest way");
            assertThat(counts()).isEqualTo(before);
            assertThat(demo.jdbc().sql("select count(*) from camera where household_id = :id and joined_at is not null")
                    .param("id", treloar.id()).query(Long.class).single()).isZero();
        } finally {
            demo.jdbc().sql("update network set name = 'Café Kiln Lane' where household_id = :id").param("id", treloar.id()).update();
        }
    }

    @Test
    void passwords_are_judged_by_the_models_rule_here_too() {
        long id = rehearsals.start(wynn, 18, false, 10);
        while (step(id).form() != Step.Form.DEVICE_PASSWORD) {
            honestStep(id);
        }
        Form weak = new Form(Map.of("devicePassword", "short"));
        desk.fill(rehearsals.port(wynn, id), step(id).id(), weak);
        assertThat(weak.faultAt("devicePassword")).contains("5 characters");
        assertThat(step(id).form()).isEqualTo(Step.Form.DEVICE_PASSWORD);
    }

    @Test
    void another_firm_sees_none_of_it() throws Exception {
        long id = rehearsals.start(wynn, 1, false, 4);
        Staff petra = demo.staff("petra");
        for (MockHttpServletRequestBuilder request : new MockHttpServletRequestBuilder[] {get("/rehearsals/" + id),
            get("/rehearsals/" + id + "/count"), post("/rehearsals/" + id + "/bench/hands"),
            post("/rehearsals/" + id + "/undo").param("step", "power"),
            post("/rehearsals/" + id + "/answer").param("step", "power").param("answer", "ready"),
            post("/rehearsals/" + id + "/way").param("way", "STICKER")}) {
            assertThat(mvc.perform(request.with(user(petra)).with(csrf())).andReturn().getResponse().getStatus()).isEqualTo(404);
        }
        assertThat(perform(post("/rehearsals").param("exercise", "99")).getStatus()).isEqualTo(404);
        assertThat(perform(post("/rehearsals").param("exercise", "1").param("speed", "900")).getStatus()).isEqualTo(422);
    }

    private void playHonestly(long id) {
        for (int i = 0; i < 250 && !rehearsals.sheet(wynn, id).rehearsal().over(); i++) {
            honestStep(id);
        }
    }

    /** Does what the step says, waits for the light, answers what is shown. */
    private void honestStep(long id) {
        Open open = rehearsals.sheet(wynn, id).open();
        Step step = open.state().step();
        if (step.form() != Step.Form.NONE) {
            Map<String, String> typed = new HashMap<>(TYPED);
            typed.put("devicePassword", open.device().passwordRule().suggest(new Random(3)));
            desk.fill(rehearsals.port(wynn, id), step.id(), new Form(typed));
            return;
        }
        step.act().ifPresent(act -> desk.handsOn(rehearsals.port(wynn, id)));
        for (int i = 0; i < 5; i++) {
            Bench bench = rehearsals.sheet(wynn, id).open().bench().orElseThrow();
            var seen = step.answers().stream().filter(answer -> answer.sight().isPresent() && answer.sight().equals(bench.sight()))
                    .findFirst()
                    .or(() -> step.answers().stream().filter(answer -> answer.cue().filter(bench.deviceCue()::equals).isPresent())
                            .findFirst());
            if (seen.isPresent() && (!seen.get().next().equals(step.id()) || bench.nextChange().isEmpty())) {
                desk.answer(rehearsals.port(wynn, id), step.id(), seen.get().id());
                return;
            }
            desk.skipAhead(rehearsals.port(wynn, id));
        }
        desk.lookAgain(rehearsals.port(wynn, id), step.id());
    }

    private Step step(long id) {
        return rehearsals.sheet(wynn, id).open().state().step();
    }

    private Map<String, Long> counts() {
        Map<String, Long> counts = new HashMap<>();
        for (String table : new String[] {"household", "camera", "secret", "finding", "log_entry"}) {
            counts.put(table, demo.count(table));
        }
        return counts;
    }

    private String page(String path) throws Exception {
        return perform(get(path)).getContentAsString();
    }

    private MockHttpServletResponse perform(MockHttpServletRequestBuilder request) throws Exception {
        return mvc.perform(request.with(user(wynn)).with(csrf())).andReturn().getResponse();
    }
}
