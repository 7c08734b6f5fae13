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

/** What somebody who stands before the wall says of it is what fixings and kit follow. */
@AppTest
class WallSaidTest {
    @Autowired private Changes changes;
    @Autowired private HouseholdRepository households;
    @Autowired private CameraRepository cameras;
    @Autowired private DemoPlaces demo;
    @Autowired private MockMvc mvc;

    private HouseholdRef ref;
    private long camera;

    @BeforeEach
    void aCameraOnAStoneWall() {
        ref = new HouseholdRef(households.add(demo.staff("jory").firmId(), "Walled", "5 Staithe", LocalDate.now().plusDays(2), "hang"),
                demo.staff("jory"));
        String document = households.planDocument(demo.household("Quiller")).orElseThrow();
        changes.run(ref, Stage.MOUNT, () -> {
            households.setPlan(ref.id(), document);
            camera = cameras.add(ref.id(), "Gable eye", "dunmark-post", new CameraPose(11.3, 3, 2.4, 90, 12), Camera.Settings.DEFAULT);
        });
    }

    private Document page(String path) throws Exception {
        return Jsoup.parse(mvc.perform(get(ref.path() + path).with(user(ref.staff()))).andReturn().getResponse().getContentAsString());
    }

    private MockHttpServletResponse say(String base, String covering, String mm, int version) throws Exception {
        return mvc.perform(post(ref.path() + "/mount/" + camera + "/wall").with(user(ref.staff())).with(csrf()).param("base", base)
                .param("covering", covering).param("coveringMm", mm).param("wallOf", String.valueOf(camera))
                .param("version", String.valueOf(version))).andReturn().getResponse();
    }

    @Test
    void what_is_said_replaces_what_the_plan_says_in_fixings_and_kit() throws Exception {
        assertThat(page("/mount").select(".mount-facts").text()).contains("4 × 35 mm screw", "hammer off until the hole is started");
        int version = cameras.get(ref.id(), camera).version();
        assertThat(say("hollow", "render", "20", version).getStatus()).isEqualTo(302);
        Document after = page("/mount");
        assertThat(after.select(".mount-facts").text()).contains("4 × 55 mm screw", "65 mm deep", "60 mm or more from an edge",
                "N pull at an upper fixing");
        assertThat(after.select(".wall-said summary").text())
                .isEqualTo("The wall is hollow brick or block under 20 mm of render, as Jory Penhale saw it");
        assertThat(after.select(".caution").text()).contains("Render carries nothing");
        assertThat(page("/ready/kit").text()).contains("6 mm plug with 4 × 55 mm screw").doesNotContain("4 × 35 mm screw");
    }

    @Test
    void old_boards_stop_the_drill() throws Exception {
        assertThat(say("softwood", "old_board", "6", cameras.get(ref.id(), camera).version()).getStatus()).isEqualTo(302);
        Document page = page("/mount");
        assertThat(page.select(".mount-facts").text()).contains("do not drill here").doesNotContain("0 ×").doesNotContain("mm deep");
        assertThat(page.select(".caution").text()).contains("asbestos");
    }

    @Test
    void what_is_half_said_is_told_at_its_field_and_the_later_of_two_is_not_written_over_the_first() throws Exception {
        int version = cameras.get(ref.id(), camera).version();
        Document half = Jsoup.parse(say("", "render", "999", version).getContentAsString());
        assertThat(half.select(".wall-said .fault").eachText()).hasSize(2);
        assertThat(half.select("[name=coveringMm]").val()).isEqualTo("999");
        assertThat(say("no such", "neither", "", version).getStatus()).isEqualTo(422);
        assertThat(say("stone", "none", "", version).getStatus()).isEqualTo(302);
        assertThat(say("aerated", "none", "", version).getStatus()).isEqualTo(409);
        assertThat(page("/mount").select(".wall-said summary").text()).contains("The wall is stone,");
    }
}
