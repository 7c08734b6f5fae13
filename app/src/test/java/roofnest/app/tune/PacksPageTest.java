package roofnest.app.tune;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import java.time.LocalDate;
import java.util.List;

import org.jsoup.Jsoup;
import org.jsoup.nodes.Document;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;

import biweekly.Biweekly;
import biweekly.component.VEvent;

import roofnest.app.AppTest;
import roofnest.app.DemoPlaces;
import roofnest.app.firm.Staff;
import roofnest.app.records.CameraRepository;
import roofnest.app.records.Changes;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.HouseholdRepository;
import roofnest.core.judge.Camera;
import roofnest.core.promise.Stage;
import roofnest.core.view.CameraPose;

/** The fewest visits for the packs of a house, on its page and in its calendar. */
@AppTest
class PacksPageTest {
    @Autowired private Changes changes;
    @Autowired private HouseholdRepository households;
    @Autowired private CameraRepository cameras;
    @Autowired private DemoPlaces demo;
    @Autowired private MockMvc mvc;

    private HouseholdRef ref;
    private long bell;

    @BeforeEach
    void twoPacksAndAPlug() {
        ref = new HouseholdRef(households.add(demo.staff("jory").firmId(), "Packs", "9 Staithe", LocalDate.now().plusDays(2), "rings"),
                demo.staff("jory"));
        changes.run(ref, Stage.TUNE, () -> {
            bell = cameras.add(ref.id(), "Bell", "pellan-knock", new CameraPose(1, 1, 1.2, 0, 0), new Camera.Settings(20, 30, 0, 40, 10,
                    0.7, 60));
            cameras.add(ref.id(), "Side bell", "pellan-knock", new CameraPose(3, 1, 1.2, 0, 0), new Camera.Settings(10, 30, 0, 20, 4, 0.7,
                    60));
            cameras.add(ref.id(), "Yard eye", "vellin-dome", new CameraPose(4, 1, 2.4, 0, 0), Camera.Settings.DEFAULT);
        });
    }

    private String get1(String path) throws Exception {
        return mvc.perform(get(ref.path() + path).with(user(ref.staff()))).andReturn().getResponse().getContentAsString();
    }

    private List<VEvent> events() throws Exception {
        return Biweekly.parse(get1("/tune/packs.ics")).first().getEvents();
    }

    @Test
    void every_visit_of_the_page_is_in_the_calendar_and_mains_has_no_pack() throws Exception {
        Document page = Jsoup.parse(get1("/tune/packs"));
        assertThat(page.select("h1").text()).containsPattern("visits? in the coming year keeps? all 2 packs above the warning");
        assertThat(page.select(".pack-year")).hasSize(2);
        assertThat(page.text()).contains("Nobody said when Bell, Side bell was charged").doesNotContain("due already");
        assertThat(page.select(".pack-visits li")).isNotEmpty();
        assertThat(events()).hasSameSizeAs(page.select(".pack-visits li"));
        assertThat(page.select(".pack-visits li").first().text()).contains("Bell", "a week before it would warn");
    }

    @Test
    void a_pack_that_should_have_been_charged_is_for_today_and_a_visit_keeps_its_number_when_it_moves() throws Exception {
        changes.run(ref, Stage.CARE, () -> cameras.charged(ref.id(), bell, LocalDate.now().minusDays(5)));
        String before = events().get(0).getUid().getValue();
        changes.run(ref, Stage.TUNE, () -> cameras.tune(ref.id(), bell, cameras.get(ref.id(), bell).camera().settings().withClipSeconds(40),
                null, cameras.get(ref.id(), bell).version()));
        assertThat(events().get(0).getUid().getValue()).isEqualTo(before);
        assertThat(events()).extracting(event -> event.getUid().getValue()).doesNotHaveDuplicates();
        changes.run(ref, Stage.TUNE,
                () -> cameras.tune(ref.id(), bell, cameras.get(ref.id(), bell).camera().settings().withLiveMinutes(600),
                        null, cameras.get(ref.id(), bell).version()));
        assertThat(Jsoup.parse(get1("/tune/packs")).select(".fault").text()).contains("A pack is due already");
        assertThat(Jsoup.parse(get1("/tune/packs")).select("h1").text()).endsWith("above the warning from then on");
        assertThat(events().get(0).getDateStart().getValue()).isEqualTo(java.sql.Date.valueOf(LocalDate.now()));
    }

    /** What the sun keeps is not said to warn. */
    @Test
    void a_pack_that_never_warns_needs_no_visit() throws Exception {
        HouseholdRef sunny
                = new HouseholdRef(households.add(demo.staff("jory").firmId(), "Sunny", "11 Staithe", LocalDate.now().plusDays(2),
                        "rings"), demo.staff("jory"));
        changes.run(sunny, Stage.TUNE, () -> cameras.add(sunny.id(), "Post", "dunmark-post", new CameraPose(1, 1, 2.4, 180, 5),
                new Camera.Settings(10, 60, 0, 3, 0, 0.9, 0)));
        Document page = Jsoup.parse(mvc.perform(get(sunny.path() + "/tune/packs").with(user(sunny.staff()))).andReturn().getResponse()
                .getContentAsString());
        assertThat(page.select("h1").text()).isEqualTo("No pack has to be charged in the coming year");
        assertThat(page.text()).contains("does not warn within a year").doesNotContain("the last day for Post");
    }

    @Test
    void a_house_on_mains_has_none() throws Exception {
        HouseholdRef plugs
                = new HouseholdRef(households.add(demo.staff("jory").firmId(), "Plugs", "10 Staithe", LocalDate.now().plusDays(2),
                        "rings"), demo.staff("jory"));
        assertThat(mvc.perform(get(plugs.path() + "/tune/packs").with(user(plugs.staff()))).andReturn().getResponse().getContentAsString())
                .contains("No camera here runs on a pack");
    }

    private MockHttpServletResponse who(String who, String version) throws Exception {
        return mvc.perform(post(ref.path() + "/tune/packs/who").with(user(ref.staff())).with(csrf()).param("who", who).param("version",
                version)).andReturn().getResponse();
    }

    /** Houses to which the firm comes stand in its own plan, which has no more days than each needs by itself; no other firm sees them. */
    @Test
    void the_firm_goes_to_all_of_its_houses_on_the_fewest_days() throws Exception {
        Staff staff = demo.staff("jory");
        assertThat(Jsoup.parse(round(staff)).text()).doesNotContain("Bell, Side bell");
        assertThat(who("firm", "0").getStatus()).isEqualTo(302);
        assertThat(who("household", "0").getContentAsString()).as("opened before").contains("somebody else");
        Document round = Jsoup.parse(round(staff));
        assertThat(round.select(".pack-days > li")).isNotEmpty();
        assertThat(round.select(".pack-days a[href$=/tune/packs]").eachText()).contains("Packs");
        assertThat(round.select(".pack-days input[name=household]").first().val()).isEqualTo(String.valueOf(ref.id()));
        assertThat(round.select(".pack-days > li").size()).as("of one house just its own days").isEqualTo(Jsoup.parse(get1("/tune/packs"))
                .select(".pack-visits li").size());
        assertThat(Jsoup.parse(round(demo.staff("petra"))).select("a[href$=" + ref.path() + "/tune/packs]")).isEmpty();
        List<VEvent> events = Biweekly.parse(mvc.perform(get("/round/packs.ics").with(user(staff))).andReturn().getResponse()
                .getContentAsString()).first().getEvents();
        assertThat(events).hasSizeGreaterThanOrEqualTo(round.select(".pack-days > li").size())
                .extracting(event -> event.getUid().getValue())
                .doesNotHaveDuplicates();
        assertThat(who("household", "1").getStatus()).isEqualTo(302);
        assertThat(Jsoup.parse(round(staff)).select("a[href$=" + ref.path() + "/tune/packs]")).isEmpty();
    }

    private String round(Staff staff) throws Exception {
        return mvc.perform(get("/round/packs").with(user(staff))).andReturn().getResponse().getContentAsString();
    }
}
