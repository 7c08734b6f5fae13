package roofnest.app.tune;

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
import roofnest.app.records.JudgedHouseholds;
import roofnest.core.catalogue.PictureSpec;
import roofnest.core.judge.Camera;
import roofnest.core.promise.Stage;
import roofnest.core.view.CameraPose;
import roofnest.core.view.MaskCell;

/** The sheet says what is to be set and what somebody set; walks bend the sensor as long as the camera hangs as it hung. */
@AppTest
class SettingSheetPageTest {
    @Autowired private Changes changes;
    @Autowired private HouseholdRepository households;
    @Autowired private CameraRepository cameras;
    @Autowired private JudgedHouseholds judged;
    @Autowired private DemoPlaces demo;
    @Autowired private MockMvc mvc;

    private HouseholdRef ref;
    private long camera;

    @BeforeEach
    void aCameraOverAYard() {
        ref = new HouseholdRef(households.add(demo.staff("jory").firmId(), "Saltings", "7 Staithe", LocalDate.now().plusDays(2), "rings"),
                demo.staff("jory"));
        String document = households.planDocument(demo.household("Merrin")).orElseThrow();
        CameraPose pose = judged.of(demo.household("Merrin")).cameras().stream().filter(r -> r.camera().name().equals("Yard eye"))
                .findFirst().orElseThrow().planned();
        changes.run(ref, Stage.TUNE, () -> {
            households.setPlan(ref.id(), document);
            camera = cameras.add(ref.id(), "Yard eye", "cairnlow-eave", pose, Camera.Settings.DEFAULT);
        });
    }

    private Document page(String path) throws Exception {
        return Jsoup.parse(mvc.perform(get(ref.path() + "/tune/" + camera + path).with(user(ref.staff()))).andReturn().getResponse()
                .getContentAsString());
    }

    private MockHttpServletResponse send(String path, String... fields) throws Exception {
        var request = post(ref.path() + "/tune/" + camera + path).with(user(ref.staff())).with(csrf());
        for (int i = 0; i < fields.length; i += 2) {
            request = request.param(fields[i], fields[i + 1]);
        }
        return mvc.perform(request).andReturn().getResponse();
    }

    private String version() {
        return String.valueOf(cameras.get(ref.id(), camera).version());
    }

    @Test
    void a_tick_holds_for_the_value_that_was_set_and_no_other() throws Exception {
        assertThat(page("/sheet").select("h1").text()).isEqualTo("Yard eye: 0 of 16 are set at the camera");
        assertThat(send("/sheet/clip/tick", "value", "12 s").getRedirectedUrl()).endsWith("/sheet#step-clip");
        Document ticked = page("/sheet");
        assertThat(ticked.select("h1").text()).contains("1 of 16");
        assertThat(ticked.select("#step-clip").text()).contains("Length of a clip", "Recording, then Length", "12 s",
                "set by Jory Penhale");
        changes.run(ref, Stage.TUNE, () -> cameras.tune(ref.id(), camera, Camera.Settings.DEFAULT.withClipSeconds(20), null,
                cameras.get(ref.id(), camera).version()));
        Document changed = page("/sheet");
        assertThat(changed.select("h1").text()).contains("0 of 16");
        assertThat(changed.select("#step-clip").text()).contains("20 s", "was set to 12 s by Jory Penhale", "set it anew");
        MockHttpServletResponse stale = send("/sheet/clip/tick", "value", "12 s");
        assertThat(stale.getStatus()).isEqualTo(409);
        assertThat(stale.getContentAsString()).contains("It is to be set to something else now: 20 s.");
        send("/sheet/clip/tick", "value", "20 s");
        assertThat(page("/sheet").select("h1").text()).contains("1 of 16");
        send("/sheet/clip/untick");
        assertThat(page("/sheet").select("h1").text()).contains("0 of 16");
        assertThat(send("/sheet/clip/untick").getStatus()).isEqualTo(404);
        assertThat(send("/sheet/nothing/tick", "value", "x").getStatus()).isEqualTo(404);
    }

    @Test
    void a_tick_does_not_outlive_the_joining_that_it_was_made_in() throws Exception {
        changes.run(ref, Stage.PAIR, () -> cameras.markJoined(ref.id(), camera));
        send("/sheet/clip/tick", "value", "12 s");
        assertThat(page("/sheet").select("#step-clip").text()).contains("set by Jory Penhale");
        changes.run(ref, Stage.PAIR, () -> cameras.markApart(ref.id(), camera));
        assertThat(page("/sheet").select("#step-clip").text()).contains("before the camera left the network");
        assertThat(page("/sheet").select("h1").text()).contains("0 of 16");
        changes.run(ref, Stage.PAIR, () -> cameras.markJoined(ref.id(), camera));
        assertThat(page("/sheet").select("#step-clip").text()).contains("before the camera joined as it is now");
        send("/sheet/clip/tick", "value", "12 s");
        assertThat(page("/sheet").select("h1").text()).contains("1 of 16");
    }

    /** Every cell of its grid: the longest thing that there is to set. */
    @Test
    void a_picture_that_is_black_altogether_is_ticked_as_well() throws Exception {
        java.util.Set<MaskCell> all = new java.util.HashSet<>();
        for (int cell = 0; cell < 240; cell++) {
            all.add(new MaskCell(cell % 20, cell / 20));
        }
        changes.run(ref, Stage.TUNE, () -> cameras.mask(ref.id(), camera, all, cameras.get(ref.id(), camera).version()));
        String value = page("/sheet").select("#step-mask [name=value]").val();
        assertThat(value).startsWith("A1 B1").endsWith("T12");
        assertThat(send("/sheet/mask/tick", "value", value).getRedirectedUrl()).endsWith("#step-mask");
        assertThat(page("/sheet").select("#step-mask").text()).contains("set by Jory Penhale");
    }

    @Test
    void how_the_picture_is_set_is_kept_and_what_is_promised_of_the_night_goes_by_it() throws Exception {
        Document before = page("/sheet");
        assertThat(before.select("#picture").text()).contains("It records sound.", "even out low sun and shade");
        double usual = judged.of(ref.id()).camera(camera).camera().model().lens().nightRangeM();
        assertThat(send("/sheet/picture", "version", version(), "light", "SPOTLIGHT", "wide", "on", "stamp", "on", "status", "on")
                .getRedirectedUrl()).endsWith("#picture");
        Camera set = judged.of(ref.id()).camera(camera).camera();
        assertThat(set.pictureSetup().light()).isEqualTo(PictureSpec.Light.SPOTLIGHT);
        assertThat(set.pictureSetup().sound()).isFalse();
        assertThat(set.model().lens().nightRangeM()).isEqualTo(9).isLessThan(usual);
        Document after = page("/sheet");
        assertThat(after.select("#picture").text()).doesNotContain("It records sound.");
        assertThat(after.select("#step-night").text()).contains("colour by its spotlight");
        assertThat(after.select("#step-sound").text()).contains("off");
        send("/sheet/picture", "version", version(), "light", "SPOTLIGHT", "size", "1920");
        assertThat(judged.of(ref.id()).camera(camera).camera().model().lens().widthPx()).isEqualTo(1920);
        assertThat(page("/sheet").select("#step-size").text()).contains("middle");
        assertThat(send("/sheet/picture", "version", version(), "light", "SPOTLIGHT", "size", "640").getStatus()).isEqualTo(422);
        assertThat(send("/sheet/picture", "version", "0", "light", "INFRARED").getStatus()).isEqualTo(409);
        assertThat(send("/sheet/picture", "version", version(), "light", "MOONLIGHT").getStatus()).isEqualTo(422);
    }

    /** A stand-in answers, and of what it says nothing comes near the real sensor, also when walks are carried or counted. */
    @Test
    void practice_before_a_stand_in_bends_no_real_sensor() throws Exception {
        var stated = judged.of(ref.id()).camera(camera).camera().model().motion();
        Document first = page("/walks/practice");
        assertThat(first.select(".practice-head").text()).contains("Simulated.", "Nothing of it bends the real one");
        assertThat(first.text()).doesNotContain("Look what it truly is");
        for (int i = 0; i < 3; i++) {
            var form = page("/walks/practice").select("form:has([name=round])").first();
            assertThat(send("/walks/practice", "round", form.select("[name=round]").val(), "fromX", form.select("[name=fromX]").val(),
                    "fromY", form.select("[name=fromY]").val(), "toX", form.select("[name=toX]").val(), "toY",
                    form.select("[name=toY]").val(), "air", "12").getRedirectedUrl()).endsWith("/walks/practice?round=1");
        }
        Document walked = page("/walks/practice");
        assertThat(walked.select(".plain-list li")).hasSize(3).allSatisfy(row -> assertThat(row.text()).containsPattern("noticed"));
        assertThat(walked.text()).doesNotContain("The stand-in reaches");
        assertThat(page("/walks/practice?look=1&round=1").text()).contains("The stand-in reaches", "Your walks say");
        assertThat(page("/walks/practice?round=2").select(".plain-list li")).as("another stand-in").isEmpty();
        assertThat(judged.of(ref.id()).camera(camera).camera().model().motion()).isEqualTo(stated);
        assertThat(page("/walks").select("h1").text()).isEqualTo("Yard eye: Nobody has walked before it yet");
        assertThat(send("/walks/practice", "round", "1", "fromX", "x", "fromY", "0", "toX", "1", "toY", "1", "air", "12").getStatus())
                .isEqualTo(422);
        assertThat(send("/walks/practice", "round", "-3", "fromX", "0", "fromY", "0", "toX", "1", "toY", "1", "air", "12").getStatus())
                .isEqualTo(422);
    }

    @Test
    void walks_bend_the_sensor_while_it_hangs_so_and_are_kept_but_do_not_count_after_it_was_moved() throws Exception {
        double stated = judged.of(ref.id()).camera(camera).camera().model().motion().rangeM();
        Document first = page("/walks");
        assertThat(first.select("h1").text()).isEqualTo("Yard eye: Nobody has walked before it yet");
        assertThat(first.select("form [name=walk]")).hasSizeGreaterThan(1);
        for (int i = 0; i < 3; i++) {
            Document page = page("/walks");
            var form = page.select("form:has([name=walk][value=1])");
            assertThat(send("/walks", "version", version(), "walk", "1", "fromX", form.select("[name=fromX]").val(), "fromY",
                    form.select("[name=fromY]").val(), "toX", form.select("[name=toX]").val(), "toY", form.select("[name=toY]").val(),
                    "air",
                    "12", "seconds", "", "noticed", "no").getRedirectedUrl()).endsWith("/walks");
        }
        double bent = judged.of(ref.id()).camera(camera).camera().model().motion().rangeM();
        assertThat(bent).isLessThan(0.9 * stated);
        assertThat(page("/walks").text()).contains("3 walks before it", "It is taken to reach", "12 °C: not noticed", "by Jory Penhale");
        CameraPose pose = cameras.get(ref.id(), camera).planned();
        changes.run(ref, Stage.TUNE, () -> cameras.aim(ref.id(), camera, new CameraPose(pose.xM(), pose.yM(), pose.heightM(),
                pose.headingDeg() + 20, pose.tiltDeg(), 0), cameras.get(ref.id(), camera).version()));
        assertThat(judged.of(ref.id()).camera(camera).camera().model().motion().rangeM()).isEqualTo(stated);
        assertThat(page("/walks").text()).contains("Nobody has walked before it yet", "so it does not count");
        changes.run(ref, Stage.TUNE, () -> cameras.aim(ref.id(), camera, pose, cameras.get(ref.id(), camera).version()));
        assertThat(judged.of(ref.id()).camera(camera).camera().model().motion().rangeM()).isEqualTo(bent);
        for (long walk : demo.jdbc().sql("select id from sensor_walk where camera_id = :id").param("id", camera).query(Long.class).list()) {
            send("/walks/" + walk + "/forget");
        }
        assertThat(judged.of(ref.id()).camera(camera).camera().model().motion().rangeM()).isEqualTo(stated);
    }

    @Test
    void a_walk_that_says_nothing_is_refused_and_what_was_typed_stays() throws Exception {
        MockHttpServletResponse refused
                = send("/walks", "version", version(), "walk", "own", "fromX", "far", "fromY", "2", "toX", "3", "toY",
                        "4", "air", "80");
        assertThat(refused.getStatus()).isEqualTo(422);
        Document page = Jsoup.parse(refused.getContentAsString());
        assertThat(page.select("#fromX").val()).isEqualTo("far");
        assertThat(page.select(".fault").text()).contains("x on the plan", "how warm the air is", "Say whether it noticed you.");
        assertThat(send("/walks", "version", version(), "walk", "own", "fromX", "1", "fromY", "1", "toX", "1", "toY", "1.2", "air", "8",
                "noticed", "yes").getStatus()).isEqualTo(422);
        assertThat(demo.jdbc().sql("select count(*) from sensor_walk where camera_id = :id").param("id", camera).query(Long.class).single())
                .isZero();
    }

    @Test
    void a_camera_that_turns_has_views_and_a_round_and_one_that_does_not_has_none() throws Exception {
        assertThat(send("/views", "version", version(), "name", "gate").getStatus()).isEqualTo(404);
        CameraPose pose = cameras.get(ref.id(), camera).planned();
        changes.run(ref, Stage.TUNE, () -> camera = cameras.add(ref.id(), "Turn", "tarrowby-turn", pose, Camera.Settings.DEFAULT));
        assertThat(page("/views").select("h1").text()).isEqualTo("Turn: no view yet");
        for (String heading : new String[] {"0", "180"}) {
            assertThat(send("/views", "version", version(), "name", "view " + heading, "heading", heading, "tilt", "12", "dwell", "46")
                    .getRedirectedUrl()).endsWith("/views");
        }
        Document round = page("/views");
        assertThat(round.select("h1").text()).isEqualTo("Turn: 2 views on a round, turning 8 % of the time");
        assertThat(round.text()).contains("heading 180°, tilt 12°, stays 46 s", "46 % of the time");
        assertThat(round.select(".view-wedge")).hasSize(2);
        assertThat(page("/sheet").select("#step-views").text()).contains("view 0: heading 0°, tilt 12°, 46 s; view 180");
        MockHttpServletResponse twice = send("/views", "version", version(), "name", "View 0", "heading", "9", "tilt", "12", "dwell", "46");
        assertThat(twice.getStatus()).isEqualTo(422);
        assertThat(twice.getContentAsString()).contains("called “View 0” already");
        assertThat(send("/views", "version", version(), "name", "", "heading", "370", "tilt", "100", "dwell", "2").getStatus())
                .isEqualTo(422);
        long first
                = demo.jdbc().sql("select min(id) from camera_view where camera_id = :id").param("id", camera).query(Long.class).single();
        send("/views/" + first + "/out");
        assertThat(page("/views").select("h1").text()).isEqualTo("Turn: one view, and no round");
    }
}
