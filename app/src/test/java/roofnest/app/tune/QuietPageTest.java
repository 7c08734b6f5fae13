package roofnest.app.tune;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import java.time.LocalDate;
import java.util.Optional;
import java.util.Set;

import org.jsoup.Jsoup;
import org.jsoup.nodes.Document;
import org.jsoup.nodes.Element;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;

import roofnest.app.AppTest;
import roofnest.app.DemoPlaces;
import roofnest.app.records.AlertRepository;
import roofnest.app.records.CameraRepository;
import roofnest.app.records.Changes;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.HouseholdRepository;
import roofnest.core.alert.AlertPlan;
import roofnest.core.alert.QuietHours;
import roofnest.core.catalogue.AlertSpec;
import roofnest.core.judge.Camera;
import roofnest.core.promise.Stage;
import roofnest.core.view.CameraPose;

/** Three settings to take: what is taken is what was shown, and it can be taken back once. */
@AppTest
class QuietPageTest {
    @Autowired private Changes changes;
    @Autowired private HouseholdRepository households;
    @Autowired private CameraRepository cameras;
    @Autowired private DemoPlaces demo;
    @Autowired private MockMvc mvc;
    @Autowired private AlertRepository alerts;

    private HouseholdRef ref;
    private long camera;
    private long behind;

    @BeforeEach
    void aCameraOverTheRoad() {
        ref = new HouseholdRef(households.add(demo.staff("jory").firmId(), "Saltings", "7 Staithe", LocalDate.now().plusDays(2), "rings"),
                demo.staff("jory"));
        String document = households.planDocument(demo.household("Osgood")).orElseThrow();
        changes.run(ref, Stage.TUNE, () -> {
            households.setPlan(ref.id(), document);
            camera = cameras.add(ref.id(), "Road eye", "cairnlow-eave", new CameraPose(3.2, -0.35, 2.4, 215, 10),
                    new Camera.Settings(30, 5, 16, 30, 4, 0, 0));
            behind = cameras.add(ref.id(), "Garden eye", "pellan-drift", new CameraPose(5, 8.3, 2.4, 0, 12), Camera.Settings.DEFAULT);
        });
    }

    private String at(long id) {
        return ref.path() + "/tune/" + id + "/quiet";
    }

    private Document page(long id) throws Exception {
        return Jsoup.parse(mvc.perform(get(at(id)).with(user(ref.staff()))).andReturn().getResponse().getContentAsString());
    }

    private MockHttpServletResponse send(String path, String... fields) throws Exception {
        var request = post(at(camera) + path).with(user(ref.staff())).with(csrf());
        for (int i = 0; i < fields.length; i += 2) {
            request = request.param(fields[i], fields[i + 1]);
        }
        return mvc.perform(request).andReturn().getResponse();
    }

    private int version() {
        return cameras.get(ref.id(), camera).version();
    }

    private static double rings(Document page, int row) {
        return Double.parseDouble(page.select(".three tbody tr").get(row).select("td").get(0).text());
    }

    @Test
    void three_settings_are_offered_each_with_what_it_drops_and_gives_up() throws Exception {
        Document page = page(camera);
        assertThat(page.select(".three tbody tr")).hasSize(4);
        assertThat(rings(page, 0)).as("as it is now").isGreaterThan(100);
        assertThat(rings(page, 1)).isLessThanOrEqualTo(rings(page, 2));
        assertThat(rings(page, 2)).isLessThanOrEqualTo(rings(page, 3));
        assertThat(rings(page, 3)).isLessThan(rings(page, 0) / 5);
        assertThat(page.select(".choice").first().text()).contains("zone", "sensitivity", "vehicles on the road from", "Gives up");
        assertThat(page.select(".front-graph .tried").size()).isGreaterThan(10);
        assertThat(page.select(".quiet-picture .zone")).isNotEmpty();
        assertThat(page.select(".heat-over .heat.nothing")).as("where clips begin").isNotEmpty().allSatisfy(spot -> {
            assertThat(Double.parseDouble(spot.attr("cx"))).isBetween(0.0, 2000.0);
            assertThat(spot.select("title").text()).contains("clips a week");
        });
        assertThat(page.select(".week-head .meta").text()).contains("settings that this model has", "good to a factor of two");
        assertThat(page.text()).as("nothing was taken yet").doesNotContain("as it was before");
    }

    @Test
    void what_is_taken_is_set_and_can_be_taken_back_once() throws Exception {
        CameraRepository.Record before = cameras.get(ref.id(), camera);
        Element quiet = page(camera).select(".choice").first();
        assertThat(send("/take", "which", "QUIET", "version", String.valueOf(version())).getStatus()).isEqualTo(302);
        Camera taken = cameras.get(ref.id(), camera).camera();
        assertThat(taken.zones()).isNotEmpty();
        assertThat(quiet.text()).contains("clips of " + taken.settings().clipSeconds() + " s, " + taken.settings().coolDownSeconds()
                + " s between them");
        Document page = page(camera);
        assertThat(page.select(".choice").first().select("button").text()).isEqualTo("Set so already");
        assertThat(rings(page, 0)).as("as it is now").isEqualTo(rings(page, 1));
        assertThat(send("/take", "which", "WATCHFUL", "version", String.valueOf(before.version())).getStatus()).as("the later of two")
                .isEqualTo(409);
        assertThat(send("/back", "version", String.valueOf(version())).getStatus()).isEqualTo(302);
        Camera back = cameras.get(ref.id(), camera).camera();
        assertThat(back.zones()).isEqualTo(before.camera().zones());
        assertThat(back.settings()).isEqualTo(before.camera().settings());
        assertThat(back.watching()).isEqualTo(before.camera().watching()).isEmpty();
        assertThat(send("/back", "version", String.valueOf(version())).getStatus()).as("there is nothing more to take back").isEqualTo(409);
    }

    /** Silent hours come and go with the setting that brings them, unless somebody set others by hand meanwhile. */
    @Test
    void silent_hours_are_taken_and_taken_back_with_the_setting() throws Exception {
        QuietHours morning = new QuietHours(9, 11);
        changes.run(ref, Stage.TUNE, () -> {
            alerts.say(ref.id(), AlertPlan.USUAL.withSilent(camera, Optional.of(morning)), 0);
            cameras.take(ref.id(), camera, cameras.get(ref.id(), camera).camera().watchSetting(), java.util.List.of(),
                    new CameraRepository.Silence(Optional.empty(), Optional.of(morning)), version());
        });
        assertThat(send("/back", "version", String.valueOf(version())).getStatus()).isEqualTo(302);
        assertThat(alerts.of(ref.id()).plan().silent()).isEmpty();
        changes.run(ref, Stage.TUNE, () -> {
            alerts.say(ref.id(), AlertPlan.USUAL.withSilent(camera, Optional.of(new QuietHours(13, 15))), alerts.of(ref.id()).version());
            cameras.take(ref.id(), camera, cameras.get(ref.id(), camera).camera().watchSetting(), java.util.List.of(),
                    new CameraRepository.Silence(Optional.empty(), Optional.of(morning)), version());
        });
        assertThat(send("/back", "version", String.valueOf(version())).getStatus()).isEqualTo(302);
        assertThat(alerts.of(ref.id()).plan().silent()).as("set by hand").containsEntry(camera, new QuietHours(13, 15));
    }

    /** What somebody set by hand after it is not thrown away by taking back. */
    @Test
    void after_a_setting_by_hand_there_is_nothing_to_take_back() throws Exception {
        changes.run(ref, Stage.TUNE, () -> cameras.watch(ref.id(), camera, new Camera.Watching(1, Set.of(AlertSpec.Kind.VEHICLE)),
                cameras.get(ref.id(), camera).version()));
        assertThat(send("/take", "which", "MIDDLE", "version", String.valueOf(version())).getStatus()).isEqualTo(302);
        assertThat(page(camera).text()).contains("as it was before");
        changes.run(ref, Stage.TUNE, () -> cameras.zone(ref.id(), camera, java.util.List.of(), cameras.get(ref.id(), camera).version()));
        assertThat(page(camera).text()).doesNotContain("as it was before");
        assertThat(send("/take", "which", "MIDDLE", "version", String.valueOf(version())).getStatus()).isEqualTo(302);
        assertThat(send("/back", "version", String.valueOf(version())).getStatus()).isEqualTo(302);
        assertThat(cameras.get(ref.id(), camera).camera().zones()).isEmpty();
    }

    @Test
    void where_nobody_arrives_nothing_is_said_to_be_missed_and_a_choice_that_is_none_is_refused() throws Exception {
        assertThat(page(behind).select(".week-head .meta").text()).contains("Nobody arrives by where it could notice them");
        assertThat(send("/take", "which", "LOUD", "version", String.valueOf(version())).getStatus()).isEqualTo(422);
        assertThat(mvc.perform(get(ref.path() + "/tune/999999/quiet").with(user(ref.staff()))).andReturn().getResponse().getStatus())
                .isEqualTo(404);
    }
}
