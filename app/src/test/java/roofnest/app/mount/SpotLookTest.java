package roofnest.app.mount;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import java.time.LocalDate;

import org.jsoup.Jsoup;
import org.jsoup.nodes.Document;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;

import roofnest.app.AppTest;
import roofnest.app.DemoPlaces;
import roofnest.app.records.CameraRepository;
import roofnest.app.records.Changes;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.HouseholdRepository;
import roofnest.core.judge.Camera;
import roofnest.core.promise.Stage;
import roofnest.core.view.CameraPose;

/** What was seen at the foot of a ladder stands in the promise, for that spot, by whoever looked. */
@AppTest
class SpotLookTest {
    @Autowired private Changes changes;
    @Autowired private HouseholdRepository households;
    @Autowired private CameraRepository cameras;
    @Autowired private DemoPlaces demo;
    @Autowired private MockMvc mvc;

    private HouseholdRef ref;
    private long camera;

    @BeforeEach
    void aCameraThatNeedsALadder() {
        ref = new HouseholdRef(households.add(demo.staff("jory").firmId(), "Ladder", "6 Staithe", LocalDate.now().plusDays(2), "hang"),
                demo.staff("jory"));
        String document = households.planDocument(demo.household("Quiller")).orElseThrow();
        changes.run(ref, Stage.MOUNT, () -> {
            households.setPlan(ref.id(), document);
            camera = cameras.add(ref.id(), "Gable eye", "dunmark-post", new CameraPose(11.3, 3, 3.2, 90, 12), Camera.Settings.DEFAULT);
        });
    }

    private Document page() throws Exception {
        return Jsoup.parse(mvc.perform(get(ref.path() + "/mount").with(user(ref.staff()))).andReturn().getResponse().getContentAsString());
    }

    private MockHttpServletResponse say(String lines, String ground, int version) throws Exception {
        return mvc.perform(post(ref.path() + "/mount/" + camera + "/look").with(user(ref.staff())).with(csrf()).param("lines", lines)
                .param("ground", ground).param("lookOf", String.valueOf(camera)).param("version", String.valueOf(version)))
                .andReturn().getResponse();
    }

    private String promise(Document page) {
        return page.select(".promise, [data-promise]").stream().map(line -> line.text()).filter(text -> text.contains("reached safely"))
                .findFirst().orElseGet(() -> page.text());
    }

    @Test
    void it_is_asked_for_kept_and_judged_by() throws Exception {
        Document before = page();
        assertThat(before.select(".foot-look summary").text()).contains("look before anybody climbs");
        assertThat(before.select(".foot-look [checked]")).as("nothing is said beforehand").isEmpty();
        int version = cameras.get(ref.id(), camera).version();
        assertThat(say("near", "firm", version).getStatus()).isEqualTo(302);
        Document after = page();
        assertThat(after.select(".foot-look summary").text()).isEqualTo("Jory Penhale looked: overhead lines near, firm ground");
        assertThat(after.select(".mount-facts .fault").text()).contains("overhead lines are near");
        assertThat(promise(after)).contains("Jory Penhale looked");
    }

    @Test
    void half_an_answer_is_asked_for_again_and_the_second_of_two_is_a_conflict() throws Exception {
        int version = cameras.get(ref.id(), camera).version();
        MockHttpServletResponse half = say("", "soft", version);
        assertThat(half.getStatus()).isEqualTo(422);
        Document page = Jsoup.parse(half.getContentAsString());
        assertThat(page.select(".foot-look .fault").eachText()).hasSize(1);
        assertThat(page.select("[name=ground][value=soft]").hasAttr("checked")).as("nothing typed is lost").isTrue();
        assertThat(say("none", "firm", version).getStatus()).isEqualTo(302);
        assertThat(say("near", "soft", version).getStatus()).isEqualTo(409);
        assertThat(page().select(".foot-look summary").text()).contains("no overhead lines near");
    }

    @Test
    void hung_elsewhere_nobody_has_looked_yet() throws Exception {
        assertThat(say("near", "firm", cameras.get(ref.id(), camera).version()).getStatus()).isEqualTo(302);
        changes.run(ref, Stage.MOUNT, () -> cameras.aim(ref.id(), camera, new CameraPose(11.3, 1, 3.2, 90, 12),
                cameras.get(ref.id(), camera).version()));
        assertThat(page().select(".foot-look summary").text()).contains("look before anybody climbs");
    }
}
