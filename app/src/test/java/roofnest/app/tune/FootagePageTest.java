package roofnest.app.tune;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;

import java.time.LocalDate;

import org.jsoup.Jsoup;
import org.jsoup.nodes.Document;
import org.jsoup.nodes.Element;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;

import roofnest.app.AppTest;
import roofnest.app.DemoPlaces;
import roofnest.app.records.CameraRepository;
import roofnest.app.records.Changes;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.HouseholdRepository;
import roofnest.app.records.HubRepository;
import roofnest.core.judge.Camera;
import roofnest.core.promise.Stage;
import roofnest.core.view.CameraPose;

/** What is left of footage is said by where it is kept, and nothing is said of places that are not there. */
@AppTest
class FootagePageTest {
    @Autowired private Changes changes;
    @Autowired private HouseholdRepository households;
    @Autowired private CameraRepository cameras;
    @Autowired private HubRepository hubs;
    @Autowired private DemoPlaces demo;
    @Autowired private MockMvc mvc;

    private HouseholdRef ref;

    @BeforeEach
    void anEmptyHouse() {
        ref = new HouseholdRef(households.add(demo.staff("jory").firmId(), "Kept", "7 Staithe", LocalDate.now().plusDays(2), "rings"),
                demo.staff("jory"));
    }

    private void camera(String name, String model, Camera.Settings settings) {
        changes.run(ref, Stage.TUNE, () -> cameras.add(ref.id(), name, model, new CameraPose(1, 1, 2.4, 0, 5), settings));
    }

    private Document page() throws Exception {
        return Jsoup.parse(mvc.perform(get(ref.path() + "/tune/footage").with(user(ref.staff()))).andReturn().getResponse()
                .getContentAsString());
    }

    private static Element of(Document page, String name) {
        return page.select(".card-sheet:has(h2)").stream().filter(sheet -> sheet.select("h2").text().equals(name)).findFirst()
                .orElseThrow();
    }

    @Test
    void a_card_goes_with_its_camera_and_a_paid_plan_keeps_all_but_the_last_clip() throws Exception {
        camera("Post", "dunmark-post", new Camera.Settings(20, 30, 64, 40, 4, 0.7, 60));
        Element post = of(page(), "Post");
        assertThat(post.text()).contains("If the camera is taken, nothing is left of them.", "64 GB", "paid plan Watch one",
                "125.64 EUR", "14.90 EUR");
        assertThat(post.select(".left th").eachText()).contains("Card in the camera", "Paid plan", "All of them").doesNotContain(
                "Card in the hub");
        Element taken = post.select(".left tr:contains(the camera is taken)").first();
        assertThat(taken.select("td").get(0).text()).contains("nothing is left");
        assertThat(taken.select("td").get(1).text()).as("20 s and 8 s of sending at 5 Mbit/s").contains("all but the last 28 s");
        assertThat(taken.select("td").get(2).text()).contains("all but the last 28 s");
        assertThat(post.select(".left tr:contains(the hub is taken)")).as("it has none").isEmpty();
        assertThat(post.select(".left tr:contains(the account is lost)").first().select("td").get(0).text()).contains("all is left");
    }

    @Test
    void a_hub_that_is_in_the_house_keeps_what_its_cameras_see() throws Exception {
        camera("Drift", "pellan-drift", new Camera.Settings(20, 30, 64, 40, 4, 0.7, 60));
        assertThat(of(page(), "Drift").text()).contains("keeps nothing: its model holds no card, and no hub with one is in the house.");
        changes.run(ref, Stage.PAIR, () -> hubs.ensure(ref.id(), "pellan-perch", "Hub"));
        Element drift = of(page(), "Drift");
        assertThat(drift.text()).contains("on the card in the hub", "all but the last 2 s at most are left");
        assertThat(drift.select(".left tr:contains(the hub is taken)").text()).contains("nothing is left", "no phone rings any more");
    }

    @Test
    void without_a_camera_nothing_is_said_to_be_kept() throws Exception {
        assertThat(page().text()).contains("No camera is on the plan yet").doesNotContain("all is left");
    }
}
