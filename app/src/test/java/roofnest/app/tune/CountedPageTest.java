package roofnest.app.tune;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.multipart;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.Map;
import java.util.List;
import java.util.Set;

import org.jsoup.Jsoup;
import org.jsoup.nodes.Document;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.mock.web.MockMultipartFile;
import org.springframework.test.web.servlet.MockMvc;

import roofnest.app.AppTest;
import roofnest.app.DemoPlaces;
import roofnest.app.records.AlertRepository;
import roofnest.app.records.CameraRepository;
import roofnest.app.records.Changes;
import roofnest.app.records.CountedWeekRepository;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.HouseholdRepository;
import roofnest.core.catalogue.AlertSpec;
import roofnest.core.alert.AlertPlan;
import roofnest.core.alert.Does;
import roofnest.core.alert.Mode;
import roofnest.core.alert.ModeWeek;
import roofnest.core.judge.Camera;
import roofnest.core.promise.Stage;
import roofnest.core.view.CameraPose;

/** The real week beside the reckoned one: what was counted is what it learns from, and nothing else. */
@AppTest
class CountedPageTest {
    @Autowired private Changes changes;
    @Autowired private HouseholdRepository households;
    @Autowired private CameraRepository cameras;
    @Autowired private AlertRepository alerts;
    @Autowired private CountedWeekRepository counts;
    @Autowired private DemoPlaces demo;
    @Autowired private MockMvc mvc;

    private HouseholdRef ref;
    private long camera;

    @BeforeEach
    void aCameraOverTheRoad() {
        ref = new HouseholdRef(households.add(demo.staff("jory").firmId(), "Counted", "7 Staithe", LocalDate.now().plusDays(2), "rings"),
                demo.staff("jory"));
        String document = households.planDocument(demo.household("Osgood")).orElseThrow();
        changes.run(ref, Stage.TUNE, () -> {
            households.setPlan(ref.id(), document);
            camera = cameras.add(ref.id(), "Road eye", "dunmark-post", new CameraPose(3.2, -0.35, 2.4, 215, 10),
                    new Camera.Settings(30, 5, 16, 30, 4, 0.4, 60));
        });
    }

    private Document week() throws Exception {
        return Jsoup.parse(mvc.perform(get(ref.path() + "/tune/week").with(user(ref.staff()))).andReturn().getResponse()
                .getContentAsString());
    }

    private MockHttpServletResponse send(String path, String... fields) throws Exception {
        var request = post(ref.path() + "/tune/week/" + path).with(user(ref.staff())).with(csrf()).param("counted", String.valueOf(camera));
        for (int i = 0; i < fields.length; i += 2) {
            request = request.param(fields[i], fields[i + 1]);
        }
        return mvc.perform(request).andReturn().getResponse();
    }

    private static double rings(Document week) {
        return Double.parseDouble(week.select("h1").text().replaceAll(".*rings (\\d+) times?.*", "$1"));
    }

    private static String daysAgo(int days) {
        return LocalDate.now().minusDays(days).toString();
    }

    @Test
    void a_count_stands_beside_what_was_reckoned_and_the_rates_are_bent_by_it() throws Exception {
        double before = rings(week());
        assertThat(week().select("#real .real").text()).doesNotContain("Reckoned", "Next:");
        assertThat(week().select(".week-head .meta").text()).contains("nobody has counted a week of this house");
        assertThat(send("counted", "fromDay", daysAgo(8), "days", "7", "clips", "600", "wanted", "80").getStatus()).isEqualTo(302);
        Document counted = week();
        assertThat(rings(counted)).as("only looked at so far").isEqualTo(before);
        assertThat(counted.select("#real").text()).contains("counted 86: fewer than was to be expected",
                "Bend the rates by it", "7 days: 600 clips, 80 of them for somebody who came, counted by Jory Penhale");
        assertThat(counted.select(".week-head .meta").text()).doesNotContain("nobody has counted");
        assertThat(send("bend", "version", "0").getStatus()).isEqualTo(302);
        Document bent = week();
        assertThat(rings(bent)).as("as was counted, from %s", before).isBetween(500.0, 720.0);
        assertThat(bent.select("[name=rate-vehicle]").val()).isNotEmpty();
        assertThat(bent.select("[name=rate-post]").val()).as("who comes was told apart and is left").isEmpty();
        assertThat(bent.select("#real").text()).contains("within what was to be expected", "Take its watchful setting");
        assertThat(send("bend", "version", "0").getStatus()).as("the later of two").isEqualTo(409);
    }

    @Test
    void without_telling_apart_nothing_is_bent_and_a_count_again_takes_the_place_of_the_first() throws Exception {
        send("counted", "fromDay", daysAgo(8), "days", "7", "clips", "600");
        Document week = week();
        assertThat(week.select("#real").text()).contains("was not told apart", "Count how many were for somebody who came");
        assertThat(week.select("#real form[action$=/bend]")).isEmpty();
        assertThat(send("bend", "version", "0").getStatus()).isEqualTo(409);
        send("counted", "fromDay", daysAgo(8), "days", "7", "clips", "2500", "wanted", "90");
        assertThat(counts.of(ref.id())).hasSize(1);
        assertThat(week().select("#real").text()).contains("within what was to be expected");
        long id = counts.of(ref.id()).get(0).id();
        assertThat(send("counted/" + id + "/forget").getStatus()).isEqualTo(302);
        assertThat(week().select("#real .real").text()).doesNotContain("Reckoned");
        assertThat(send("counted/" + id + "/forget").getStatus()).isEqualTo(404);
    }

    /** Set otherwise, what was counted before says nothing of it, and is not taken for what it does now. */
    @Test
    void a_count_from_before_other_settings_is_not_compared_with_them() throws Exception {
        send("counted", "fromDay", daysAgo(8), "days", "7", "clips", "2500", "wanted", "90");
        assertThat(week().select("#real").text()).contains("Reckoned");
        changes.run(ref, Stage.TUNE, () -> cameras.watch(ref.id(), camera, new Camera.Watching(0, Set.of(AlertSpec.Kind.PERSON)),
                cameras.get(ref.id(), camera).version()));
        Document otherwise = week();
        assertThat(otherwise.select("#real").text()).contains("it hung or was set otherwise then, so it is not compared")
                .doesNotContain("Reckoned");
        assertThat(otherwise.select("#real form[action$=/bend]")).isEmpty();
        assertThat(send("bend", "version", "0").getStatus()).isEqualTo(409);
    }

    @Test
    void a_count_from_before_it_was_off_at_night_is_not_compared_either() throws Exception {
        send("counted", "fromDay", daysAgo(8), "days", "7", "clips", "2500", "wanted", "90");
        assertThat(week().select("#real").text()).contains("Reckoned").doesNotContain("it is not compared");
        changes.run(ref, Stage.TUNE, () -> alerts.say(ref.id(), new AlertPlan(ModeWeek.USUAL.with(hour -> hour % 24 < 6, Mode.NIGHT),
                Map.of(camera, Map.of(Mode.NIGHT, Does.OFF)), Map.of(), List.of()), 0));
        assertThat(week().select("#real").text()).contains("it hung or was set otherwise then, so it is not compared")
                .doesNotContain("Reckoned");
    }

    @Test
    void what_cannot_have_been_counted_is_refused_at_the_field() throws Exception {
        MockHttpServletResponse wrong = send("counted", "fromDay", daysAgo(2), "days", "7", "clips", "60", "wanted", "61");
        assertThat(wrong.getStatus()).isEqualTo(422);
        Document page = Jsoup.parse(wrong.getContentAsString());
        assertThat(page.select("#real .fault").eachText()).anySatisfy(fault -> assertThat(fault).contains("from 0 to 60"));
        assertThat(page.select("#real [name=clips]").val()).isEqualTo("60");
        assertThat(Jsoup.parse(send("counted", "fromDay", daysAgo(2), "days", "7", "clips", "60").getContentAsString())
                .select("#real .fault").text()).contains("not over yet");
        assertThat(Jsoup.parse(send("counted", "fromDay", "soon", "days", "0", "clips", "-1").getContentAsString())
                .select("#real .fault").eachText()).hasSize(3);
        assertThat(counts.of(ref.id())).isEmpty();
        assertThat(send("counted", "counted", "999999", "fromDay", daysAgo(8), "days", "7", "clips", "60").getStatus()).isLessThan(500);
    }

    private MockHttpServletResponse list(String csv, String order) throws Exception {
        return mvc.perform(multipart(ref.path() + "/tune/week/events").file(new MockMultipartFile("events", "events.csv", "text/csv",
                csv.getBytes(StandardCharsets.UTF_8))).with(user(ref.staff())).with(csrf())
                .param("listed", String.valueOf(camera)).param("order", order)).andReturn().getResponse();
    }

    private static String fault(MockHttpServletResponse response) throws Exception {
        assertThat(response.getStatus()).isEqualTo(422);
        return Jsoup.parse(response.getContentAsString()).select("#real .fault").text();
    }

    @Test
    void a_list_of_events_is_counted_or_refused_as_a_whole() throws Exception {
        StringBuilder csv = new StringBuilder("time,camera,kind\n");
        for (int day = 9; day >= 1; day--) {
            for (int event = 0; event < 40; event++) {
                csv.append(LocalDate.now().minusDays(day)).append(" 10:").append(10 + event).append(":00,Road eye,motion\n");
            }
        }
        assertThat(list(csv.toString(), "AS_IT_SAYS").getStatus()).isEqualTo(302);
        assertThat(counts.of(ref.id())).singleElement().satisfies(row -> {
            assertThat(row.from()).isEqualTo(LocalDate.now().minusDays(8));
            assertThat(row.days()).isEqualTo(7);
            assertThat(row.clips()).isEqualTo(280);
            assertThat(row.wanted()).as("nobody told them apart").isEmpty();
        });
        assertThat(week().select(".real").text()).as("movement alone tells nobody apart").contains("280 of them all movement")
                .doesNotContain("Bend the rates");
        StringBuilder told = new StringBuilder("time,camera,kind\n");
        for (int day = 9; day >= 1; day--) {
            for (int event = 0; event < 50; event++) {
                told.append(LocalDate.now().minusDays(day)).append(" 10:").append(10 + event).append(":00,Road eye,").append(event < 45
                        ? "vehicle\n" : "person\n");
            }
        }
        assertThat(list(told.toString(), "AS_IT_SAYS").getStatus()).isEqualTo(302);
        assertThat(counts.of(ref.id())).singleElement().satisfies(row -> assertThat(row.kinds()).isEqualTo(Map.of(
                AlertSpec.Kind.VEHICLE, 315, AlertSpec.Kind.PERSON, 35)));
        Document apart = week();
        assertThat(apart.select(".real").text()).contains("315 of them vehicles, 35 of them people", "Vehicles: reckoned",
                "People: reckoned");
        double vehicles = Double.parseDouble(apart.select("#rate-vehicle").val().isEmpty() ? "240" : apart.select("#rate-vehicle").val());
        assertThat(send("bend", "version", "0").getStatus()).isEqualTo(302);
        assertThat(Double.parseDouble(week().select("#rate-vehicle").val())).as("45 a day rather than hundreds").isLessThan(vehicles)
                .isPositive();
        assertThat(week().select("#rate-cyclist").val()).as("cyclists are people to it").isNotEmpty();
        assertThat(week().select("#rate-bird").val()).as("nothing was said of birds").isEmpty();
        assertThat(fault(list("a,b\n1,2\n", "AS_IT_SAYS"))).contains("No column of it holds times");
        assertThat(fault(list("", "AS_IT_SAYS"))).contains("Choose the list");
        assertThat(fault(list("1/2/2026 10:00\n2/2/2026 10:00\n3/2/2026 10:00\n", "AS_IT_SAYS"))).contains("say which comes first");
        assertThat(list("1/2/2026 10:00\n2/2/2026 10:00\n3/2/2026 10:00\n", "DAY_FIRST").getStatus()).isEqualTo(302);
        LocalDate now = LocalDate.now();
        assertThat(fault(list(now + " 10:00\n" + now.plusDays(1) + " 10:00\n" + now.plusDays(2) + " 10:00\n", "AS_IT_SAYS")))
                .contains("not over yet");
        assertThat(counts.of(ref.id())).hasSize(2);
    }
}
