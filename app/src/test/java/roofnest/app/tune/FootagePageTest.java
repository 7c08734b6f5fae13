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
import roofnest.app.firm.Staff;
import roofnest.app.records.CameraRepository;
import roofnest.app.records.CardRepository;
import roofnest.app.records.Changes;
import roofnest.app.records.CloudPlanRepository;
import roofnest.app.records.FootageListRepository;
import roofnest.app.records.FootageRepository;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.HouseholdRepository;
import roofnest.app.records.HubRepository;
import roofnest.app.records.JudgedHouseholds;
import roofnest.app.records.PromiseRepository;
import roofnest.core.footage.CloudPlan;
import roofnest.core.footage.Keeping;
import roofnest.core.judge.Camera;
import roofnest.core.promise.Promise;
import roofnest.core.promise.Stage;
import roofnest.core.promise.Standing;
import roofnest.core.view.CameraPose;

/** What is left of footage is said by where it is kept, and nothing is said of places that are not there. */
@AppTest
class FootagePageTest {
    private static final Camera.Settings SETTINGS = new Camera.Settings(20, 30, 64, 40, 4, 0.7, 60);

    @Autowired private Changes changes;
    @Autowired private HouseholdRepository households;
    @Autowired private CameraRepository cameras;
    @Autowired private HubRepository hubs;
    @Autowired private PromiseRepository promises;
    @Autowired private FootageRepository footage;
    @Autowired private CardRepository cards;
    @Autowired private FootageListRepository lists;
    @Autowired private CloudPlanRepository plans;
    @Autowired private JudgedHouseholds judged;
    @Autowired private DemoPlaces demo;
    @Autowired private MockMvc mvc;

    private HouseholdRef ref;

    @BeforeEach
    void anEmptyHouse() {
        ref = new HouseholdRef(households.add(demo.staff("jory").firmId(), "Kept", "7 Staithe", LocalDate.now().plusDays(2), "rings"),
                demo.staff("jory"));
    }

    private long camera(String name, String model) {
        return changes.make(ref, Stage.TUNE, () -> cameras.add(ref.id(), name, model, new CameraPose(1, 1, 2.4, 0, 5), SETTINGS));
    }

    private Document page(String path) throws Exception {
        return Jsoup.parse(mvc.perform(get(ref.path() + "/tune" + path).with(user(ref.staff()))).andReturn().getResponse()
                .getContentAsString());
    }

    private MockHttpServletResponse send(String path, String... fields) throws Exception {
        return send(ref.staff(), ref.path() + "/tune" + path, fields);
    }

    private MockHttpServletResponse send(Staff staff, String path, String... fields) throws Exception {
        var request = post(path).with(user(staff)).with(csrf());
        for (int i = 0; i < fields.length; i += 2) {
            request = request.param(fields[i], fields[i + 1]);
        }
        return mvc.perform(request).andReturn().getResponse();
    }

    private String version(long camera) {
        return String.valueOf(cameras.get(ref.id(), camera).version());
    }

    private static Element row(Document page, String words) {
        return page.select(".left tr:contains(" + words + ")").first();
    }

    private CloudPlan plan(String name) {
        return plans.of(ref.staff().firmId()).stream().filter(each -> each.name().equals(name)).findFirst().orElseThrow();
    }

    private Standing standing(Class<? extends Promise> kind) {
        return judged.of(ref.id()).judgement().promises().stream().filter(each -> kind.isInstance(each.promise())).findFirst().orElseThrow()
                .finding().standing();
    }

    @Test
    void a_card_goes_with_its_camera_and_a_paid_plan_keeps_all_but_the_last_clip() throws Exception {
        Document post = page("/" + camera("Post", "dunmark-post") + "/footage");
        assertThat(post.text()).contains("If the camera is taken, nothing is left.", "on 64 GB", "paid plan Watch one", "125.64 EUR",
                "14.90 EUR", "nothing is kept; somebody sees it then or never");
        assertThat(post.select(".left th").eachText()).contains("Card in the camera", "Paid plan", "All of them").doesNotContain(
                "Card in the hub", "Recorder");
        Element taken = row(post, "the camera is taken");
        assertThat(taken.select("td").get(0).text()).contains("nothing is left");
        assertThat(taken.select("td").get(1).text()).as("20 s and 8 s of sending at 5 Mbit/s").contains("all but the last 28 s");
        assertThat(taken.select("td").get(1).select(".there").attr("width")).as("of the last minute").isEqualTo("64.0");
        assertThat(taken.select("td").get(2).text()).contains("all but the last 28 s");
        assertThat(row(post, "the hub is taken")).as("it has none").isNull();
        assertThat(row(post, "the account is lost").select("td").get(0).text()).contains("all is left");
    }

    @Test
    void a_hub_that_is_in_the_house_keeps_what_its_cameras_see_and_what_card_it_holds_is_said() throws Exception {
        long drift = camera("Drift", "pellan-drift");
        assertThat(page("/" + drift + "/footage").text()).contains("as agreed: nobody said what card that holds");
        long hub = changes.make(ref, Stage.PAIR, () -> hubs.ensure(ref.id(), "pellan-perch", "Hub"));
        Document unsaid = page("/" + drift + "/footage");
        assertThat(unsaid.text()).contains("on the card in the hub", "all but the last 2 s at most.");
        assertThat(row(unsaid, "the hub is taken").text()).contains("nothing is left", "no phone rings any more");
        assertThat(send("/footage/house", "version", "0", "recorderGb", "0", "hub-" + hub, "128").getRedirectedUrl()).endsWith("/footage");
        assertThat(page("/" + drift + "/footage").text()).doesNotContain("nobody said what card").contains("on 128 GB shared");
        send("/footage/house", "version", "1", "recorderGb", "0", "hub-" + hub, "0");
        assertThat(page("/" + drift + "/footage").text()).as("none in it").contains("As it is set it keeps nothing");
        assertThat(send("/footage/house", "version", "2", "recorderGb", "0", "hub-" + hub, "512").getContentAsString()).as(
                "more than the hub holds").contains("0 to 256");
        assertThat(send("/footage/house", "version", "0", "recorderGb", "1000").getContentAsString()).as("opened long ago").contains(
                "somebody else");
        assertThat(footage.house(ref.id()).recorderGb()).isZero();
    }

    @Test
    void without_a_camera_nothing_is_said_to_be_kept() throws Exception {
        assertThat(page("/footage").text()).contains("No camera is on the plan yet").doesNotContain("all is left");
    }

    /** What is set is what the promises are judged by, and what the model cannot is refused at its field. */
    @Test
    void how_it_keeps_is_set_and_judged_and_what_it_cannot_is_refused() throws Exception {
        long dome = camera("Dome", "vellin-dome");
        long post = camera("Post", "dunmark-post");
        changes.run(ref, Stage.BRIEF, () -> promises.survivesTheft(ref.id(), 60));
        changes.run(ref, Stage.BRIEF, () -> promises.keepsDays(ref.id(), 14));
        assertThat(standing(Promise.SurvivesTheft.class)).isEqualTo(Standing.BROKEN);
        String watch = String.valueOf(plan("Watch one").id());
        assertThat(send("/" + post + "/footage", "version", version(post), "when", "CONTINUOUS", "fromHour", "0", "toHour", "0")
                .getContentAsString()).contains("only when something counts");
        assertThat(send("/" + dome + "/footage", "version", version(dome), "when", "SCHEDULED", "fromHour", "5", "toHour", "5")
                .getContentAsString()).contains("different hours");
        assertThat(send("/" + dome + "/footage", "version", version(dome), "when", "EVENT", "fromHour", "0", "toHour", "0", "plan", watch)
                .getContentAsString()).contains("a plan of its maker");
        assertThat(send("/" + post + "/footage", "version", version(post), "when", "EVENT", "fromHour", "0", "toHour", "0", "toRecorder",
                "on").getContentAsString()).contains("No recorder can take");
        assertThat(footage.of(ref.id()).byCamera()).as("nothing of it is kept").isEmpty();
        String before = version(post);
        assertThat(send("/" + post + "/footage", "version", before, "when", "EVENT", "fromHour", "0", "toHour", "0", "plan", watch)
                .getStatus()).isEqualTo(302);
        assertThat(send("/" + dome + "/footage", "version", version(dome), "when", "EVENT", "fromHour", "0", "toHour", "0", "toRecorder",
                "on").getStatus()).isEqualTo(302);
        assertThat(standing(Promise.SurvivesTheft.class)).as("no recorder is in the house yet").isEqualTo(Standing.BROKEN);
        send("/footage/house", "version", "0", "recorderGb", "1000");
        assertThat(standing(Promise.SurvivesTheft.class)).isEqualTo(Standing.KEPT);
        assertThat(send("/" + post + "/footage", "version", before, "when", "EVENT", "fromHour", "0", "toHour", "0").getContentAsString())
                .as("opened before somebody else changed it").contains("somebody else");
        assertThat(footage.of(ref.id()).of(post).plan()).isPresent();
        assertThat(standing(Promise.KeepsDays.class)).isEqualTo(Standing.KEPT);
        send("/" + dome + "/footage", "version", version(dome), "when", "CONTINUOUS", "fromHour", "0", "toHour", "0", "stopsWhenFull",
                "on");
        assertThat(standing(Promise.KeepsDays.class)).as("full in a day, and then nothing").isEqualTo(Standing.BROKEN);
    }

    /** A plan that cameras are on stays; one that keeps fewer days breaks what was promised, at once. */
    @Test
    void a_plan_that_changes_changes_what_is_promised_by_it() throws Exception {
        long post = camera("Post", "cairnlow-eave");
        Staff owner = demo.staff("tamsin");
        changes.run(ref, Stage.TUNE, () -> plans.say(ref.staff().firmId(), new CloudPlan(0, "Brief " + ref.id(), "Cairnlow", 100, 0, 20, 60,
                Set.of()), 0));
        CloudPlan brief = plan("Brief " + ref.id());
        changes.run(ref, Stage.TUNE, () -> {
            footage.keep(ref.id(), post, new Keeping(Keeping.When.EVENT, 0, 0, false, true, Optional.of(brief)));
            promises.keepsDays(ref.id(), 20);
        });
        assertThat(standing(Promise.KeepsDays.class)).isEqualTo(Standing.KEPT);
        assertThat(send(owner, "/models/plans/" + brief.id() + "/remove").getContentAsString()).contains("A camera is on that plan");
        assertThat(send(owner, "/models/plans", "id", String.valueOf(brief.id()), "version", "0", "name", brief.name(), "maker", "Cairnlow",
                "price", "1", "cameras", "", "days", "7", "clip", "60").getStatus()).isEqualTo(302);
        assertThat(standing(Promise.KeepsDays.class)).as("without anybody opening the house").isEqualTo(Standing.BROKEN);
    }

    /** The cheapest way is one press away, sets what it says, and is not taken when its price moved meanwhile. */
    @Test
    void the_cheapest_way_is_taken_as_it_was_shown_or_not_at_all() throws Exception {
        long post = camera("Post", "dunmark-post");
        camera("Gate", "dunmark-gate");
        assertThat(page("/footage").text()).contains("Nobody promised how long footage is kept");
        changes.run(ref, Stage.BRIEF, () -> promises.survivesTheft(ref.id(), 60));
        changes.run(ref, Stage.BRIEF, () -> promises.keepsDays(ref.id(), 14));
        Document ways = page("/footage");
        assertThat(ways.select(".way h3").first().text()).as("two of Watch one").contains("251.28 EUR",
                "nothing that has a price costs less");
        assertThat(ways.select(".way li").first().text()).contains("2 × paid plan Watch one for Post, Gate");
        String key = ways.select(".way input[name=way]").first().val();
        assertThat(send("/footage/take", "way", key + "1").getContentAsString()).contains("Look at the ways once more");
        assertThat(footage.of(ref.id()).byCamera()).isEmpty();
        assertThat(send("/footage/take", "way", key).getStatus()).isEqualTo(302);
        assertThat(footage.of(ref.id()).of(post).plan()).hasValueSatisfying(plan -> assertThat(plan.name()).isEqualTo("Watch one"));
        assertThat(cameras.get(ref.id(), post).camera().settings().cardGb()).as("no card is in that way").isZero();
        assertThat(standing(Promise.SurvivesTheft.class)).isEqualTo(Standing.KEPT);
        assertThat(standing(Promise.KeepsDays.class)).isEqualTo(Standing.KEPT);
    }

    @Test
    void a_card_is_known_by_what_it_gave_back_and_says_when_it_is_worn() throws Exception {
        long post = camera("Post", "dunmark-post");
        String path = "/" + post + "/footage";
        assertThat(page(path).select("#card").text()).contains("Nobody has filled it and read it back", "V6 or faster");
        String today = LocalDate.now().toString();
        assertThat(send(path + "/card", "version", "0", "putIn", today, "printed", "64", "wrote", "20", "same", "21").getContentAsString())
                .contains("No more can come back");
        assertThat(send(path + "/card", "version", "0", "putIn", LocalDate.now().plusDays(1).toString(), "printed", "64")
                .getContentAsString()).contains("still to come");
        assertThat(cards.of(ref.id())).isEmpty();
        assertThat(send(path + "/card", "version", "0", "putIn", today, "printed", "64", "wrote", "59", "same", "7.8").getStatus())
                .isEqualTo(302);
        assertThat(page(path).select("#card").text()).contains("it is not what it says; only 7.8 GB of 59 GB came back the same",
                "an ordinary card of 64 GB stands", "is to be changed by");
        assertThat(send(path + "/card", "version", "0", "putIn", today, "printed", "32").getContentAsString()).contains("somebody else");
        assertThat(send(path + "/card/forget").getStatus()).isEqualTo(302);
        assertThat(send(path + "/card/forget").getStatus()).isEqualTo(404);
    }

    /** Names and sums are kept as the browser wrote them; what is no sum is refused, and no other firm reads the list. */
    @Test
    void a_list_of_sums_is_kept_and_given_out_and_nothing_else_is() throws Exception {
        long post = camera("Post", "dunmark-post");
        String path = "/" + post + "/footage";
        String sum = "9f86d081884c7d659a2feaa0c55ad015a3bf4f1b2b0b822cd15d6c15b0f00a08";
        assertThat(send(path + "/lists", "forWhom", "Station 4", "files", "").getContentAsString()).contains("Choose the files");
        assertThat(send(path + "/lists", "forWhom", "Station 4", "files", sum + " twelve clip.mp4").getContentAsString()).contains(
                "could not be read");
        assertThat(send(path + "/lists", "forWhom", "Station 4", "files", "abc 12 clip.mp4").getContentAsString()).contains(
                "could not be read");
        assertThat(lists.of(ref.id())).isEmpty();
        assertThat(send(path + "/lists", "forWhom", "Station 4", "clockFast", "-75", "files", sum + " 4 gate 1 <b>.mp4\n").getStatus())
                .isEqualTo(302);
        Document page = page(path);
        String link = page.select("#given a[href$=.txt]").attr("href");
        String text = mvc.perform(get(link).with(user(ref.staff()))).andReturn().getResponse().getContentAsString();
        assertThat(text).contains("# Footage of Post, given out for Station 4", "The camera's clock was 75 s slow.", "# 1 file;",
                sum + "  gate 1 <b>.mp4\n");
        assertThat(mvc.perform(get(link).with(user(demo.staff("petra")))).andReturn().getResponse().getStatus()).isEqualTo(404);
    }
}
