package roofnest.app.tune;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
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
import roofnest.core.judge.Camera;
import roofnest.core.promise.Stage;
import roofnest.core.view.CameraPose;

/** What a pack goes on: its page says what is reckoned and what was read, and readings bend one and not the other. */
@AppTest
class PowerPageTest {
    @Autowired private Changes changes;
    @Autowired private HouseholdRepository households;
    @Autowired private CameraRepository cameras;
    @Autowired private JudgedHouseholds judged;
    @Autowired private DemoPlaces demo;
    @Autowired private MockMvc mvc;

    private HouseholdRef ref;
    private long bell;
    private long mains;

    @BeforeEach
    void aBellOnAPack() {
        ref = new HouseholdRef(households.add(demo.staff("jory").firmId(), "Packs", "7 Staithe", LocalDate.now().plusDays(2), "rings"),
                demo.staff("jory"));
        changes.run(ref, Stage.TUNE, () -> {
            bell = cameras.add(ref.id(), "Bell", "pellan-knock", new CameraPose(1, 1, 1.2, 0, 0),
                    new Camera.Settings(20, 30, 0, 40, 10, 0.7,
                            60));
            mains = cameras.add(ref.id(), "Yard eye", "vellin-dome", new CameraPose(4, 1, 2.4, 0, 0), Camera.Settings.DEFAULT);
        });
    }

    private Document page(long camera) throws Exception {
        return Jsoup.parse(mvc.perform(get(ref.path() + "/tune/" + camera + "/power").with(user(ref.staff()))).andReturn().getResponse()
                .getContentAsString());
    }

    private MockHttpServletResponse read(long camera, LocalDate on, String percent, boolean charged) throws Exception {
        var request = post(ref.path() + "/tune/" + camera + "/power/readings").with(user(ref.staff())).with(csrf())
                .param("on", on == null ? "soon" : on.toString()).param("percent", percent);
        return mvc.perform(charged ? request.param("charged", "on") : request).andReturn().getResponse();
    }

    private double recordMa() {
        return judged.of(ref.id()).camera(bell).camera().model().power().recordMa();
    }

    @Test
    void what_it_goes_on_is_said_by_cause_with_what_would_spare_it() throws Exception {
        Document page = page(bell);
        assertThat(page.select("h1").text()).startsWith("Bell: A full pack lasts").contains("days without sun", "in the coldest month");
        assertThat(page.select(".causes").first().text()).contains("standing by", "recording clips", "being watched live", "leaking away",
                "mAh a day");
        double width = page.select(".use").first().select("rect.cause[x]").stream().mapToDouble(bar -> Double.parseDouble(bar.attr(
                "width"))).sum();
        assertThat(width).as("all of it").isCloseTo(640, within(0.1));
        assertThat(page.select(".spares").text()).contains("Clips of 10 s rather than 20 s", "less of what happens is in each clip");
        assertThat(page.text()).contains("Never charge below freezing", "swollen");
        assertThat(page.select("#readings").text()).contains("Nobody has read it on two days yet");
        assertThat(page(mains).select("h1").text()).isEqualTo("Yard eye runs on mains");
        assertThat(page(mains).select("form[action$=readings]")).isEmpty();
        assertThat(page(mains).text()).containsPattern("It takes about [0-9.]+ kWh a year from the wall").contains("When the power is cut",
                "20 Wh 1.7 h 1.2 h");
    }

    @Test
    void readings_bend_what_is_reckoned_while_it_is_set_so_and_are_forgotten_again() throws Exception {
        double stated = recordMa();
        LocalDate today = LocalDate.now();
        assertThat(read(bell, today.minusDays(20), "100", true).getRedirectedUrl()).endsWith("/power#readings");
        assertThat(recordMa()).as("one reading tells nothing").isEqualTo(stated);
        read(bell, today, "10", false);
        assertThat(recordMa()).isGreaterThan(1.3 * stated);
        Document bent = page(bell);
        assertThat(bent.select("#readings").text()).contains("It is taken to draw", "by 1 stretch between readings");
        assertThat(bent.text()).contains("Empty early", "More clips than reckoned", "Each by itself would explain it");
        read(bell, today, "11", false);
        assertThat(page(bell).select("#readings li")).as("the same day again takes its place").hasSize(2);
        changes.run(ref, Stage.TUNE, () -> {
            Camera.Settings other = cameras.get(ref.id(), bell).camera().settings().withClipSeconds(8);
            cameras.tune(ref.id(), bell, other, null, cameras.get(ref.id(), bell).version());
        });
        assertThat(recordMa()).as("set otherwise").isEqualTo(stated);
        assertThat(page(bell).select("#readings").text()).contains("set otherwise then, so it does not count", "Nobody has read it");
        changes.run(ref, Stage.TUNE, () -> {
            Camera.Settings back = cameras.get(ref.id(), bell).camera().settings().withClipSeconds(20);
            cameras.tune(ref.id(), bell, back, null, cameras.get(ref.id(), bell).version());
        });
        assertThat(recordMa()).isGreaterThan(1.3 * stated);
        String forget = page(bell).select("#readings form[action$=forget]").last().attr("action");
        mvc.perform(post(forget).with(user(ref.staff())).with(csrf()));
        assertThat(recordMa()).isEqualTo(stated);
        assertThat(mvc.perform(post(forget).with(user(ref.staff())).with(csrf())).andReturn().getResponse().getStatus()).isEqualTo(404);
    }

    /** An older pack holds less, what was read of the one before says nothing of it, and nobody's word is no age. */
    @Test
    void a_pack_has_an_age_and_a_new_one_begins_anew() throws Exception {
        double stated = judged.of(ref.id()).camera(bell).camera().model().power().capacityMah();
        assertThat(page(bell).select("#pack").text()).contains("Nobody said since when");
        LocalDate today = LocalDate.now();
        read(bell, today.minusDays(20), "100", true);
        read(bell, today, "10", false);
        double bent = recordMa();
        assertThat(since(bell, today.plusDays(1).toString()).getContentAsString()).contains("still to come");
        assertThat(since(mains, today.toString()).getStatus()).isEqualTo(422);
        assertThat(since(bell, today.minusYears(3).toString()).getStatus()).isEqualTo(302);
        double aged = judged.of(ref.id()).camera(bell).camera().model().power().capacityMah();
        assertThat(aged).isLessThan(0.97 * stated);
        assertThat(page(bell).select("#pack").text()).contains("3.0 years and about", "another is due");
        assertThat(recordMa()).as("the same percent of less is less").isLessThan(bent);
        assertThat(since(bell, today.minusDays(1).toString()).getStatus()).isEqualTo(302);
        assertThat(page(bell).select("#readings").text()).contains("of the pack before this one");
        assertThat(since(bell, "").getStatus()).isEqualTo(302);
        assertThat(judged.of(ref.id()).camera(bell).camera().model().power().capacityMah()).isEqualTo(stated);
    }

    private MockHttpServletResponse since(long camera, String day) throws Exception {
        return mvc.perform(post(ref.path() + "/tune/" + camera + "/power/pack").with(user(ref.staff())).with(csrf()).param("since", day)
                .param("version", String.valueOf(cameras.get(ref.id(), camera).version()))).andReturn().getResponse();
    }

    @Test
    void what_cannot_have_been_read_is_refused_at_the_field() throws Exception {
        assertThat(Jsoup.parse(read(bell, LocalDate.now().plusDays(1), "50", false).getContentAsString()).select(".fault").text())
                .contains("still to come");
        assertThat(Jsoup.parse(read(bell, null, "150", false).getContentAsString()).select(".fault").text()).contains("from 0 to 100 %",
                "as a date between");
        assertThat(Jsoup.parse(read(bell, LocalDate.now(), "NaN", false).getContentAsString()).select("input[name=percent]").val())
                .isEqualTo("NaN");
        MockHttpServletResponse none = read(mains, LocalDate.now(), "50", false);
        assertThat(none.getStatus()).isEqualTo(422);
        assertThat(page(bell).select("#readings li")).isEmpty();
    }
}
