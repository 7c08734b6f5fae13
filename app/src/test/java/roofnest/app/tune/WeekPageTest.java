package roofnest.app.tune;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

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
import roofnest.app.records.ComingsRepository;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.HouseholdRepository;
import roofnest.core.judge.Camera;
import roofnest.core.judge.ComingsAndGoings;
import roofnest.core.promise.Stage;
import roofnest.core.view.CameraPose;
import roofnest.core.week.HouseKind;
import roofnest.core.week.SourceKind;

/** The week's page: what it says is what was drawn, and what is said of the house or set at the camera draws another. */
@AppTest
class WeekPageTest {
    @Autowired private Changes changes;
    @Autowired private HouseholdRepository households;
    @Autowired private CameraRepository cameras;
    @Autowired private ComingsRepository comings;
    @Autowired private DemoPlaces demo;
    @Autowired private MockMvc mvc;

    private HouseholdRef ref;
    private long camera;

    /** 48 hours, of which one is drawn otherwise. */
    private String[] hours(String hour, String typed, int version) {
        List<String> fields = new ArrayList<>(List.of("kind", "WASHING", "version", String.valueOf(version)));
        for (String day : List.of("wd-", "we-")) {
            for (int i = 0; i < 24; i++) {
                fields.add(day + i);
                fields.add((day + i).equals(hour) ? typed : "0");
            }
        }
        return fields.toArray(String[]::new);
    }

    /** Whatever a picture sees pass stands there in its pixels, and what is behind the house does not. */
    @Test
    void a_day_is_played_in_the_pictures_that_see_it() throws Exception {
        Document page = page(ref, "/week?day=1");
        var pictures = page.select(".played-picture");
        assertThat(pictures).hasSize(1);
        assertThat(pictures.select("figcaption").text()).isEqualTo("Road eye");
        assertThat(pictures.select("[data-track]")).isNotEmpty().allSatisfy(pass -> {
            assertThat(pass.attr("data-track").split(" ")).hasSize(24).anyMatch(moment -> !moment.equals("-"));
            assertThat(page.select("#day-lines tr[data-passes=" + '"' + pass.attr("data-key") + '"' + "]")).isNotEmpty();
        });
    }

    @Test
    void a_day_that_was_drawn_is_the_day_that_comes_and_can_be_taken_back() throws Exception {
        // Of another kind than the other houses here, so that theirs learn nothing from it.
        changes.run(ref, Stage.TUNE, () -> comings.say(ref.id(), new ComingsAndGoings(HouseKind.FARM, Map.of()), 0));
        Document before = Jsoup.parse(mvc.perform(get(ref.path() + "/tune/week/hours?kind=WASHING").with(user(ref.staff()))).andReturn()
                .getResponse().getContentAsString());
        assertThat(before.select("h1").text()).isEqualTo("Washing on a line, by the hour");
        assertThat(before.select(".week-head .meta").text()).startsWith("Ordinary, as for");
        assertThat(before.select("input[name=wd-8]").val()).isNotBlank();
        assertThat(send("week/hours", hours("wd-8", "3600", 1)).getRedirectedUrl()).endsWith("/tune/week/hours?kind=WASHING");
        ComingsRepository.Said said = comings.of(ref.id());
        assertThat(said.comings().curves().get(SourceKind.WASHING).weekday().get(8)).isEqualTo(3600);
        assertThat(said.comings().aWeekday()).containsEntry(SourceKind.WASHING, 3600.0);
        Document drawn = Jsoup.parse(mvc.perform(get(ref.path() + "/tune/week/hours?kind=WASHING").with(user(ref.staff()))).andReturn()
                .getResponse().getContentAsString());
        assertThat(drawn.select(".week-head .meta").text()).isEqualTo(
                "As it was drawn for this house: 3600 times on a weekday, 0 times on a day of the weekend.");
        assertThat(send("week/hours", hours("wd-8", "5", 1)).getStatus()).as("somebody was quicker").isEqualTo(409);
        MockHttpServletResponse wrong = send("week/hours", hours("we-3", "-2", said.version()));
        assertThat(wrong.getStatus()).isEqualTo(422);
        Document again = Jsoup.parse(wrong.getContentAsString());
        assertThat(again.select("input[name=we-3]").val()).as("what was typed").isEqualTo("-2");
        assertThat(again.select(".fault").text()).contains("Enter how often at the weekend from 3 to 4, from 0 to 3600 times.");
        assertThat(send("week/hours/ordinary", "kind", "WASHING", "version", String.valueOf(said.version())).getStatus()).isEqualTo(302);
        assertThat(comings.of(ref.id()).comings().curves()).isEmpty();
        assertThat(comings.of(ref.id()).comings().aWeekday()).as("as often as it was said").containsEntry(SourceKind.WASHING, 3600.0);
        assertThat(send("week/hours", "kind", "DRAGONS", "version", "0").getStatus()).isEqualTo(422);
    }

    @BeforeEach
    void aCameraOverTheRoad() {
        ref = household("Saltings");
        String document = households.planDocument(demo.household("Osgood")).orElseThrow();
        changes.run(ref, Stage.TUNE, () -> {
            households.setPlan(ref.id(), document);
            camera = cameras.add(ref.id(), "Road eye", "cairnlow-eave", new CameraPose(3.2, -0.35, 2.4, 215, 10),
                    new Camera.Settings(30, 5, 16, 30, 4, 0, 0));
        });
    }

    private HouseholdRef household(String name) {
        return new HouseholdRef(households.add(demo.staff("jory").firmId(), name, "7 Staithe", LocalDate.now().plusDays(2), "rings"),
                demo.staff("jory"));
    }

    private Document page(HouseholdRef of, String path) throws Exception {
        return Jsoup.parse(mvc.perform(get(of.path() + "/tune" + path).with(user(of.staff()))).andReturn().getResponse()
                .getContentAsString());
    }

    private Document week() throws Exception {
        return page(ref, "/week?month=6");
    }

    private MockHttpServletResponse send(String path, String... fields) throws Exception {
        var request = post(ref.path() + "/tune/" + path).with(user(ref.staff())).with(csrf());
        for (int i = 0; i < fields.length; i += 2) {
            request = request.param(fields[i], fields[i + 1]);
        }
        return mvc.perform(request).andReturn().getResponse();
    }

    private static double rings(Document week) {
        return Double.parseDouble(week.select("h1").text().replaceAll(".*rings (\\d+) times?.*", "$1"));
    }

    @Test
    void the_week_says_what_rings_and_what_for_and_whom_it_misses() throws Exception {
        Document week = week();
        assertThat(rings(week)).isGreaterThan(500);
        assertThat(week.select(".week-head .meta").text()).contains("1000 weeks drawn for June", "a lane in town",
                "good to a factor of two", "nobody has counted a week of this house");
        assertThat(week.select(".whats tbody tr").first().text()).contains("vehicles on the road", "Road eye");
        assertThat(week.select(".week-strip .mark.nothing").size()).as("of the week in the middle")
                .isBetween((int) (0.8 * rings(week)), (int) (1.1 * rings(week)));
        assertThat(week.select(".arrives").text()).contains("front door", "told of", "in 100");
        assertThat(week.select("#week-plan .heat.nothing")).isNotEmpty();
        assertThat(week.select(".months [aria-current]").text()).isEqualTo("Jun");
        assertThat(week.select("#day-lines tbody tr")).isNotEmpty().allSatisfy(row -> {
            assertThat(row.select(".answer").text()).isNotEmpty();
            assertThat(Double.parseDouble(row.attr("data-at"))).isBetween(0.0, 86400.0);
        });
        Document tuesday = page(ref, "/week?month=6&day=1");
        assertThat(tuesday.select("#day h2").text()).isEqualTo("Where it comes from, and Tuesday of that week");
        assertThat(tuesday.select("#day-lines").text()).isNotEqualTo(week.select("#day-lines").text());
    }

    @Test
    void what_somebody_says_of_the_house_draws_another_week_and_the_later_of_two_is_a_conflict() throws Exception {
        double before = rings(week());
        assertThat(send("week/comings", "house", "FARM", "rate-vehicle", "0", "rate-passer-by", "", "version", "0", "month", "6")
                .getRedirectedUrl()).endsWith("/tune/week?month=6");
        Document farm = week();
        assertThat(rings(farm)).isLessThan(before / 5);
        assertThat(farm.select(".whats").text()).doesNotContain("vehicles on the road");
        assertThat(farm.select(".week-head .meta").text()).contains("a farm, bent by what was said of this house");
        assertThat(farm.select("[name=rate-vehicle]").val()).isEqualTo("0");
        assertThat(send("week/comings", "house", "LANE", "version", "0").getStatus()).isEqualTo(409);
        MockHttpServletResponse wrong = send("week/comings", "house", "LANE", "rate-post", "-3", "rate-pet", "many", "rate-vehicle", "1e9",
                "version", "1");
        assertThat(wrong.getStatus()).isEqualTo(422);
        Document form = Jsoup.parse(wrong.getContentAsString());
        assertThat(form.select(".rates .fault").eachText()).hasSize(3);
        assertThat(form.select("[name=rate-pet]").val()).isEqualTo("many");
        assertThat(rings(week())).as("nothing of it was kept").isEqualTo(rings(farm));
    }

    @Test
    void kinds_that_count_quieten_it_and_a_camera_for_which_none_does_is_refused() throws Exception {
        double before = rings(week());
        int version = cameras.get(ref.id(), camera).version();
        Document tune = page(ref, "?camera=" + camera);
        assertThat(tune.select("#watch .meta").text()).contains("nobody has set it");
        assertThat(tune.select("#watch [name=kind-any]").hasAttr("checked")).isTrue();
        assertThat(Jsoup.parse(send(camera + "/watch", "sensitivity", "3", "version", String.valueOf(version)).getContentAsString())
                .select("#watch .fault").text()).contains("at least one kind");
        assertThat(Jsoup.parse(send(camera + "/watch", "sensitivity", "70", "kind-person", "on", "version", String.valueOf(version))
                .getContentAsString()).select("#watch .fault").text()).contains("a step of its sensitivity");
        assertThat(send(camera + "/watch", "sensitivity", "3", "kind-person", "on", "version", String.valueOf(version)).getStatus())
                .isEqualTo(302);
        assertThat(send(camera + "/watch", "sensitivity", "3", "kind-any", "on", "version", String.valueOf(version)).getStatus())
                .isEqualTo(409);
        Document quiet = week();
        assertThat(rings(quiet)).isLessThan(before / 2);
        assertThat(page(ref, "?camera=" + camera).select("#watch [name=kind-person]").hasAttr("checked")).isTrue();
        assertThat(page(ref, "?camera=" + camera).select("#watch .meta").text()).doesNotContain("nobody has set it");
    }

    @Test
    void battery_and_card_are_reckoned_by_it_when_asked() throws Exception {
        String noticed = week().select(".week-figures dd").first().text().replaceAll(" .*", "");
        assertThat(send("week/take", "month", "6").getStatus()).isEqualTo(302);
        assertThat(cameras.get(ref.id(), camera).camera().settings().visitsPerDay()).isCloseTo(Double.parseDouble(noticed),
                within(0.051));
        double worst = cameras.get(ref.id(), camera).camera().settings().worstWeekShare().orElseThrow();
        assertThat(worst).as("of a thousand weeks the worst records more than a mean one, though clips may end early").isBetween(0.3, 5.0);
        changes.run(ref, Stage.TUNE, () -> cameras.tune(ref.id(), camera, cameras.get(ref.id(), camera).camera().settings()
                .withVisitsPerDay(12), null, cameras.get(ref.id(), camera).version()));
        assertThat(cameras.get(ref.id(), camera).camera().settings().worstWeekShare()).as("typed by hand").isEmpty();
    }

    @Test
    void without_a_plan_a_camera_or_a_path_nothing_is_made_up() throws Exception {
        HouseholdRef bare = household("Bare");
        assertThat(page(bare, "/week").text()).contains("No camera is on the plan yet").doesNotContain("rings");
        changes.run(bare, Stage.TUNE, () -> cameras.add(bare.id(), "Eye", "cairnlow-eave", new CameraPose(1, 1, 2, 0, 0),
                Camera.Settings.DEFAULT));
        assertThat(page(bare, "/week").text()).contains("no plan yet").doesNotContain("rings");
        String document = households.planDocument(ref.id()).orElseThrow();
        changes.run(bare, Stage.TUNE,
                () -> households.setPlan(bare.id(), document.replaceAll("(?s)\"paths\"\\s*:\\s*\\[.*?\\]\\s*\\]\\s*\\}\\s*\\]",
                        "\"paths\": []")));
        Document pathless = page(bare, "/week?month=6");
        assertThat(pathless.select(".side").text()).contains("No path ends at a place", "Not reckoned: post and parcels, visitors.");
        assertThat(pathless.select("h1").text()).doesNotContain("who come");
        assertThat(mvc.perform(get(ref.path() + "/tune/week?month=13").with(user(ref.staff()))).andReturn().getResponse().getStatus())
                .isLessThan(500);
        assertThat(page(ref, "/week?month=x&day=9").select(".week-head .fault").text()).isNotEmpty();
    }

    /** Ordinary 240 with 160 and 40 of two others: the third root of 240·160·40 is 115.38; what is said of this house stays. */
    @Test
    void rates_that_were_learned_at_other_houses_of_the_firm_are_offered_and_taken_where_nothing_was_said() throws Exception {
        assertThat(week().text()).doesNotContain("In this firm");
        for (double vehicles : new double[] {160, 40}) {
            HouseholdRef next = household("Next " + vehicles);
            changes.run(next, Stage.TUNE,
                    () -> comings.say(next.id(), new ComingsAndGoings(HouseKind.SUBURB, Map.of(SourceKind.VEHICLE, vehicles,
                            SourceKind.CYCLIST, 7.0)), 0));
        }
        HouseholdRef strangers = new HouseholdRef(households.add(demo.staff("petra").firmId(), "Elsewhere", "1 Marram", LocalDate.now(),
                "rings"), demo.staff("petra"));
        changes.run(strangers, Stage.TUNE, () -> comings.say(strangers.id(), new ComingsAndGoings(HouseKind.SUBURB, Map.of(SourceKind.POST,
                50.0)), 0));
        changes.run(ref, Stage.TUNE,
                () -> comings.say(ref.id(), new ComingsAndGoings(HouseKind.SUBURB, Map.of(SourceKind.CYCLIST, 3.0)), 0));
        Document offered = week();
        assertThat(offered.select(".rates tr:has(#rate-vehicle)").text()).contains("240", "115.38 by 2 houses");
        assertThat(offered.select(".rates tr:has(#rate-post)").text()).as("of another firm").doesNotContain("house");
        double before = rings(offered);
        assertThat(send("week/comings/learned", "version", "1", "month", "6").getRedirectedUrl()).endsWith("month=6");
        Document taken = week();
        assertThat(taken.select("#rate-vehicle").val()).isEqualTo("115.38");
        assertThat(taken.select("#rate-cyclist").val()).isEqualTo("3");
        assertThat(rings(taken)).isLessThan(before);
        assertThat(taken.text()).doesNotContain("In this firm");
        assertThat(send("week/comings/learned", "version", "1").getStatus()).isEqualTo(409);
    }
}
