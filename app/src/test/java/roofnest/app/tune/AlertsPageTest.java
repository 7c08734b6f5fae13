package roofnest.app.tune;

import static org.assertj.core.api.Assertions.assertThat;
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
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;

import roofnest.app.AppTest;
import roofnest.app.DemoPlaces;
import roofnest.app.records.AccessRepository;
import roofnest.app.records.CameraRepository;
import roofnest.app.records.Changes;
import roofnest.app.records.ComingsRepository;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.HouseholdRepository;
import roofnest.app.records.PromiseRepository;
import roofnest.app.records.ResidentRepository;
import roofnest.core.access.Access;
import roofnest.core.judge.Camera;
import roofnest.core.judge.ComingsAndGoings;
import roofnest.core.promise.Stage;
import roofnest.core.view.CameraPose;
import roofnest.core.week.HouseKind;

/** Alerts and times: what is set rings and is silent as it says, and nothing is set over what somebody else set. */
@AppTest
class AlertsPageTest {
    @Autowired private Changes changes;
    @Autowired private HouseholdRepository households;
    @Autowired private CameraRepository cameras;
    @Autowired private ResidentRepository residents;
    @Autowired private AccessRepository access;
    @Autowired private ComingsRepository comings;
    @Autowired private PromiseRepository promises;
    @Autowired private DemoPlaces demo;
    @Autowired private MockMvc mvc;
    @Autowired private JdbcClient jdbc;

    private HouseholdRef ref;
    private long camera;
    private long other;
    private long ann;
    private long bell;

    @BeforeEach
    void twoCamerasAndSomebodyWhoIsRung() {
        ref = new HouseholdRef(households.add(demo.staff("jory").firmId(), "Saltings", "7 Staithe", LocalDate.now().plusDays(2), "rings"),
                demo.staff("jory"));
        String document = households.planDocument(demo.household("Osgood")).orElseThrow();
        changes.run(ref, Stage.TUNE, () -> {
            households.setPlan(ref.id(), document);
            camera = cameras.add(ref.id(), "Road eye", "cairnlow-eave", new CameraPose(3.2, -0.35, 2.4, 215, 10),
                    new Camera.Settings(30, 5, 16, 30, 4, 0, 0));
            other = cameras.add(ref.id(), "Post", "dunmark-post", new CameraPose(3.6, -0.35, 2.4, 180, 10), Camera.Settings.DEFAULT);
            // The road is quiet: so many weeks are drawn in a moment.
            comings.say(ref.id(), new ComingsAndGoings(HouseKind.VILLAGE, Map.of()), 0);
            ann = residents.add(ref.id(), "Ann Saltings", "", Access.Tie.LIVES_HERE, null);
        });
    }

    private Document page() throws Exception {
        return Jsoup.parse(mvc.perform(get(ref.path() + "/tune/alerts").with(user(ref.staff()))).andReturn().getResponse()
                .getContentAsString());
    }

    private MockHttpServletResponse send(String path, String... fields) throws Exception {
        var request = post(ref.path() + "/tune/alerts/" + path).with(user(ref.staff())).with(csrf());
        for (int i = 0; i < fields.length; i += 2) {
            request = request.param(fields[i], fields[i + 1]);
        }
        return mvc.perform(request).andReturn().getResponse();
    }

    private static Document read(MockHttpServletResponse response) throws Exception {
        return Jsoup.parse(response.getContentAsString());
    }

    private void annIsGivenBoth() {
        changes.run(ref, Stage.SHARE, () -> {
            access.grant(ref.id(), ann, camera, Access.Role.OWNER, null);
            access.grant(ref.id(), ann, other, Access.Role.OWNER, null);
        });
    }

    private static double rings(Document page) {
        return Double.parseDouble(page.select("h1").text().replaceAll(".* rings ([0-9.]+) times a day.*", "$1"));
    }

    private static String week(String day, String night) {
        return (night.repeat(6) + day.repeat(18)).repeat(7);
    }

    private String[] does(String home, String night) {
        return new String[] {"version", "1", "does-" + camera + "-home", home, "does-" + camera + "-away", "RINGS",
            "does-" + camera + "-night", night, "does-" + camera + "-holiday", "RINGS", "does-" + other + "-home", "OFF",
            "does-" + other + "-away", "OFF", "does-" + other + "-night", "OFF", "does-" + other + "-holiday", "OFF"};
    }

    @Test
    void a_camera_that_nobody_was_given_is_said_to_ring_a_phone_that_is_nobodys() throws Exception {
        Document before = page();
        assertThat(before.select(".alerts-head").text()).contains("A phone rings", "Nobody of the household was given Road eye, Post yet");
        assertThat(before.select(".phone").text()).contains("Ann Saltings", "No camera rings it.");
        annIsGivenBoth();
        assertThat(page().select(".alerts-head").text()).contains("The phone of Ann Saltings rings").doesNotContain("Nobody of the");
    }

    @Test
    void hours_that_are_painted_are_kept_and_ring_by_what_each_camera_does_in_them() throws Exception {
        annIsGivenBoth();
        double always = rings(page());
        assertThat(send("week", "signs", week("h", "n"), "version", "0").getRedirectedUrl()).endsWith("/tune/alerts");
        assertThat(page().select(".hour.sign-n")).hasSize(42);
        assertThat(send("does", does("OFF", "RINGS")).getRedirectedUrl()).endsWith("/tune/alerts");
        Document night = page();
        assertThat(rings(night)).isLessThan(always / 3).isPositive();
        assertThat(night.select(".does-row").first().text()).contains("Road eye", "rings every day 0–6 h");
        assertThat(night.select(".does-row").last().text()).contains("Post", "never rings");
        assertThat(night.select(".phone .ring-bar").stream().filter(bar -> Double.parseDouble(bar.attr("height")) > 0).count())
                .isEqualTo(6);
    }

    @Test
    void a_holiday_takes_the_place_of_the_week_and_is_reckoned_beside_it() throws Exception {
        annIsGivenBoth();
        assertThat(page().text()).doesNotContain("On holiday");
        String[] home = does("OFF", "OFF");
        home[1] = "0";
        send("does", home);
        Document page = page();
        assertThat(rings(page)).isZero();
        double holiday = Double.parseDouble(page.select(".alerts-head").text().replaceAll(".*would ring ([0-9.]+) times a day.*", "$1"));
        assertThat(holiday).isGreaterThan(1);
    }

    @Test
    void silent_hours_of_a_camera_are_kept_said_and_reckoned() throws Exception {
        annIsGivenBoth();
        double always = rings(page());
        List<String> fields = new ArrayList<>(List.of(does("RINGS", "RINGS")));
        fields.set(1, "0");
        fields.addAll(List.of("silentfrom-" + camera, "8", "silentto-" + camera, "20"));
        assertThat(send("does", fields.toArray(String[]::new)).getRedirectedUrl()).endsWith("/tune/alerts");
        Document page = page();
        assertThat(page.select(".does-row").first().text()).contains("rings every day 0–8 h, 20–24 h");
        assertThat(page.select("#silentfrom-" + camera).val()).isEqualTo("8");
        assertThat(rings(page)).isLessThan(always);
        fields.set(fields.size() - 1, "8");
        fields.set(1, "1");
        MockHttpServletResponse wrong = send("does", fields.toArray(String[]::new));
        assertThat(wrong.getStatus()).isEqualTo(422);
        assertThat(read(wrong).select(".does-row .fault").text()).contains("begin and end at different hours");
    }

    @Test
    void a_bell_is_answered_as_it_is_set_and_what_is_wrong_with_that_is_said() throws Exception {
        changes.run(ref, Stage.TUNE, () -> bell = cameras.add(ref.id(), "Bell", "pellan-knock", new CameraPose(3.2, -0.35, 1.2, 180, 0),
                Camera.Settings.DEFAULT));
        assertThat(page().select("#bell-" + bell).text()).contains("nine in ten who are rung can speak", "was given it yet");
        assertThat(page().select("[id^=bell-]")).as("the others are no bells").hasSize(1);
        assertThat(send("bells/" + bell, "version", "0", "bell", "" + bell, "chime", "PHONES", "message", "We are out.", "after", "1",
                "replies", "Leave it by the step\n\nComing").getRedirectedUrl()).endsWith("/tune/alerts");
        Document set = page();
        assertThat(set.select("#bell-" + bell + " .fault").text()).contains("It speaks after 1 s, before most could have answered");
        assertThat(set.select("#b" + bell + "replies").val()).isEqualTo("Leave it by the step\nComing");
        MockHttpServletResponse long4 = send("bells/" + bell, "version", "1", "bell", "" + bell, "chime", "HUB", "message", "", "after", "",
                "replies", "a\nb\nc\nd");
        assertThat(long4.getStatus()).isEqualTo(422);
        assertThat(read(long4).select("#bell-" + bell).text()).contains("It keeps 3 answers ready, one a line.");
        assertThat(read(long4).select("#b" + bell + "replies").val()).isEqualTo("a\nb\nc\nd");
        assertThat(send("bells/" + bell, "version", "1", "bell", "" + bell, "chime", "HUB", "message", "", "after", "", "replies",
                "ring\u0007").getStatus()).as("a sign that cannot be shown").isEqualTo(422);
        assertThat(send("bells/" + bell, "version", "1", "chime", "SOCKET").getStatus()).as("it has none in a socket").isEqualTo(422);
        assertThat(send("bells/" + camera, "version", "1", "chime", "HUB").getStatus()).as("no bell").isEqualTo(404);
        annIsGivenBoth();
        changes.run(ref, Stage.SHARE, () -> access.grant(ref.id(), ann, bell, Access.Role.OWNER, null));
        send("phones/" + ann, "version", "1", "person", "" + ann, "quietFrom", "22", "quietTo", "6", "content", "TEXT", "pause", "0",
                "snooze", "30");
        assertThat(page().select("#bell-" + bell + " .fault").text()).contains("Nobody hears it every day 0–6 h, 22–24 h");
        assertThat(page().select("#p" + ann + "snooze").val()).isEqualTo("30");
    }

    /** As it was kept before there were silent hours, bells and snoozes. */
    @Test
    void what_was_kept_long_ago_is_still_read() throws Exception {
        annIsGivenBoth();
        send("week", "signs", week("h", "n"), "version", "0");
        changes.run(ref, Stage.TUNE, () -> jdbc.sql("""
            update alert_plan
            set plan = jsonb_build_object('week', plan -> 'week', 'does', '{}'::jsonb, 'rules', '[]'::jsonb, 'phones',
                  jsonb_build_object(:ann::text, '{"quiet": null, "content": "TEXT", "pauseMinutes": 5, "kinds": {}}'::jsonb))
            where household_id = :id
            """).param("ann", String.valueOf(ann)).param("id", ref.id()).update());
        Document page = page();
        assertThat(page.select(".hour.sign-n")).hasSize(42);
        assertThat(page.select("#p" + ann + "pause").val()).isEqualTo("5");
        assertThat(page.select("#p" + ann + "snooze").val()).isEqualTo("0");
    }

    @Test
    void what_somebody_else_set_meanwhile_is_not_set_over() throws Exception {
        send("week", "signs", week("a", "n"), "version", "0");
        MockHttpServletResponse late = send("week", "signs", week("h", "a"), "version", "0");
        assertThat(late.getStatus()).isEqualTo(409);
        assertThat(read(late).select("#signs").val()).isEqualTo(week("h", "a"));
        assertThat(page().select("#signs").val()).isEqualTo(week("a", "n"));
    }

    @Test
    void a_week_that_is_none_and_a_camera_that_does_nothing_known_are_refused() throws Exception {
        assertThat(send("week", "signs", "h".repeat(167), "version", "0").getStatus()).isEqualTo(422);
        assertThat(send("week", "signs", "o".repeat(168), "version", "0").getStatus()).isEqualTo(422);
        assertThat(send("does", "does-" + camera + "-home", "SLEEPS", "version", "0").getStatus()).isEqualTo(422);
        assertThat(page().select(".hour.sign-h")).hasSize(168);
    }

    @Test
    void quiet_hours_and_kinds_of_a_phone_are_kept_and_leave_the_clips_alone() throws Exception {
        annIsGivenBoth();
        double always = rings(page());
        String kinds = "kind-" + camera + "-person";
        assertThat(send("phones/" + ann, "version", "0", "person", "" + ann, "quietFrom", "7", "quietTo", "22", "content", "THUMBNAIL",
                "pause", "15", "asked-" + camera, "on", kinds, "on", "asked-" + other, "on", "kind-" + other + "-any", "on")
                .getRedirectedUrl()).endsWith("/tune/alerts");
        Document quiet = page();
        assertThat(rings(quiet)).isLessThan(always / 4);
        assertThat(quiet.select("[name=" + kinds + "][checked]")).hasSize(1);
        assertThat(quiet.select("[name=kind-" + camera + "-any][checked]")).isEmpty();
        assertThat(quiet.select(".quiet-hours rect")).hasSize(15);
        MockHttpServletResponse wrong = send("phones/" + ann, "version", "1", "person", "" + ann, "quietFrom", "25", "quietTo", "7",
                "content", "TEXT", "pause", "-1");
        assertThat(wrong.getStatus()).isEqualTo(422);
        assertThat(read(wrong).select(".fault").text()).contains("from 0 to 23", "from 0 to 240");
        assertThat(read(wrong).select("[name=quietFrom]").val()).isEqualTo("25");
        assertThat(send("phones/" + ann, "version", "1", "quietFrom", "3", "quietTo", "3", "content", "TEXT").getStatus()).isEqualTo(422);
        long stranger = demo.jdbc().sql("select max(id) + 1000 from resident").query(Long.class).single();
        assertThat(send("phones/" + stranger, "version", "1", "content", "TEXT").getStatus()).isEqualTo(404);
    }

    @Test
    void a_phone_that_asks_for_nothing_is_not_rung() throws Exception {
        annIsGivenBoth();
        send("phones/" + ann, "version", "0", "content", "TEXT", "pause", "", "asked-" + camera, "on", "asked-" + other, "on");
        assertThat(page().select("h1").text()).isEqualTo("No phone is rung.");
    }

    @Test
    void a_rule_says_how_often_it_would_hold_and_a_circle_is_told() throws Exception {
        String[] siren = {"version", "0", "when", "" + camera, "kind", "ANY", "at", "ALWAYS", "act", "SIREN", "then", "" + camera};
        assertThat(send("rules", siren).getRedirectedUrl()).endsWith("/tune/alerts");
        Document ruled = page();
        assertThat(ruled.select(".rule-list").text()).contains("When Road eye notices all movement at any hour, Road eye sounds its siren.",
                "times in an ordinary week, mostly for", "harms hearing");
        assertThat(ruled.select(".fault").text()).doesNotContain("A circle");
        MockHttpServletResponse twice = send("rules", "version", "1", "when", "" + camera, "kind", "ANY", "at", "ALWAYS", "act", "SIREN",
                "then", "" + camera);
        assertThat(twice.getStatus()).isEqualTo(422);
        assertThat(read(twice).text()).contains("That rule stands there already.");
        send("rules", "version", "1", "when", "" + camera, "kind", "ANY", "at", "DARK", "act", "LIGHT", "then", "" + camera);
        assertThat(page().select(".fault").text()).contains("A circle", "goes on without end");
        String says = "When Road eye notices all movement at any hour, Road eye sounds its siren.";
        assertThat(send("rules/1/out", "version", "2", "says", says).getStatus()).as("another rule stands there").isEqualTo(409);
        assertThat(send("rules/0/out", "version", "2", "says", says).getRedirectedUrl()).endsWith("/tune/alerts");
        assertThat(page().select(".rule-list li")).hasSize(1);
    }

    @Test
    void a_device_does_nothing_that_it_cannot() throws Exception {
        assertThat(
                read(send("rules", "version", "0", "when", "" + other, "kind", "VEHICLE", "at", "DARK", "act", "SIREN", "then", "" + other))
                        .select(".fault").text())
                .contains("Post cannot tell vehicles.", "Post has no siren to switch.");
        assertThat(read(send("rules", "version", "0", "when", "" + camera, "kind", "ANY", "at", "DARK", "act", "RECORD", "then",
                "" + camera)).select(".fault").text()).contains("records already");
        assertThat(send("rules", "version", "0", "when", "77", "kind", "ANY", "at", "DARK", "act", "RECORD", "then", "x").getStatus())
                .isEqualTo(422);
    }

    @Test
    void a_ring_that_comes_later_than_promised_is_said_by_what_it_brings() throws Exception {
        changes.run(ref, Stage.BRIEF, () -> promises.alertWithin(ref.id(), 10));
        Document page = page();
        assertThat(page.text()).contains("since nobody measured the line", "Promised within 10 s; it is timed at Prove.");
        assertThat(page.select(".delays tbody tr").first().select("td").get(0).select(".late")).isEmpty();
        assertThat(page.select(".delays tbody tr").first().select("td").get(2).select(".late")).hasSize(1);
    }

    @Test
    void without_a_plan_nothing_is_reckoned() throws Exception {
        HouseholdRef bare
                = new HouseholdRef(households.add(ref.staff().firmId(), "Bare", "1 Staithe", LocalDate.now(), "rings"), ref.staff());
        String text = Jsoup.parse(mvc.perform(get(bare.path() + "/tune/alerts").with(user(bare.staff()))).andReturn().getResponse()
                .getContentAsString()).text();
        assertThat(text).contains("When cameras watch and whom they ring", "No camera is on the plan yet.");
    }
}
