package roofnest.app.care;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import java.time.LocalDate;

import org.jsoup.Jsoup;
import org.jsoup.nodes.Document;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;

import roofnest.app.AppTest;
import roofnest.app.DemoPlaces;
import roofnest.app.firm.Staff;
import roofnest.app.records.CameraRepository;
import roofnest.app.records.Changes;
import roofnest.app.records.FaultCaseRepository;
import roofnest.app.records.FaultCaseRepository.Season;
import roofnest.app.records.FaultCaseRepository.State;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.HouseholdRepository;
import roofnest.app.records.LogRepository;
import roofnest.core.fault.Cause;
import roofnest.core.judge.Camera;
import roofnest.core.promise.Stage;
import roofnest.core.visit.Errand;
import roofnest.core.view.CameraPose;

/** A call is asked step by step, each step can be taken back, and what it was in the end moves the next one. */
@AppTest
class CasePageTest {
    @Autowired private Changes changes;
    @Autowired private HouseholdRepository households;
    @Autowired private CameraRepository cameras;
    @Autowired private FaultCaseRepository cases;
    @Autowired private LogRepository log;
    @Autowired private DemoPlaces demo;
    @Autowired private MockMvc mvc;

    private HouseholdRef ref;
    private long eye;

    @BeforeEach
    void aHouseWithOneCamera() {
        ref = new HouseholdRef(households.add(demo.staff("jory").firmId(), "Calls", "3 Staithe", LocalDate.now().plusDays(2), "gone dark"),
                demo.staff("jory"));
        eye = changes.make(ref, Stage.TUNE, () -> cameras.add(ref.id(), "Eye", "cairnlow-eave", new CameraPose(1, 1, 2.4, 0, 5),
                Camera.Settings.DEFAULT));
    }

    @AfterEach
    void nothingIsLearntFromIt() {
        demo.jdbc().sql("delete from fault_case where household_id = :id").param("id", ref.id()).update();
    }

    private MockHttpServletResponse send(Staff staff, String path, String... fields) throws Exception {
        var request = post(ref.path() + "/care/cases" + path).with(user(staff)).with(csrf());
        for (int i = 0; i < fields.length; i += 2) {
            request = request.param(fields[i], fields[i + 1]);
        }
        return mvc.perform(request).andReturn().getResponse();
    }

    private long open() throws Exception {
        String to = send(ref.staff(), "", "about", String.valueOf(eye), "said", "It is <gone>.").getRedirectedUrl();
        return Long.parseLong(to.replaceAll(".*/", ""));
    }

    private Document page(long id, String query) throws Exception {
        return Jsoup.parse(mvc.perform(get(ref.path() + "/care/cases/" + id + query).with(user(ref.staff()))).andReturn().getResponse()
                .getContentAsString());
    }

    private String version(long id) {
        return String.valueOf(cases.get(ref.id(), id).version());
    }

    private MockHttpServletResponse answer(long id, String question, int answer) throws Exception {
        return send(ref.staff(), "/" + id + "/answer", "version", version(id), "question", question, "answer", String.valueOf(answer));
    }

    private static double percent(Document page, String words) {
        return page.select(".suspects li:contains(" + words + ") b").stream().mapToDouble(b -> Double.parseDouble(b.text().replaceAll(
                "[^0-9]", ""))).findFirst().orElse(0);
    }

    @Test
    void questionsComeOneByOneAndEachIsExplainedAndTakenBack() throws Exception {
        long id = open();
        Document first = page(id, "");
        assertThat(first.select("h1").text()).isEqualTo("Eye: open");
        assertThat(first.select(".theirs").text()).isEqualTo("It is <gone>.");
        assertThat(first.select(".ask .meta").last().text()).contains("it tells most for its minutes", "bits in");
        assertThat(first.select(".answers-list li").last().text()).isEqualTo("don’t know");
        assertThat(first.select(".side").text()).contains("the firm has closed", "Nothing yet");
        assertThat(percent(first, "pack is flat")).as("on mains").isZero();
        assertThat(answer(id, "MAY_RING", 1).getStatus()).isEqualTo(302);
        Document second = page(id, "");
        assertThat(percent(second, "does not let the app ring")).isGreaterThan(percent(first, "does not let the app ring") + 30);
        assertThat(second.select(".side").text()).contains("What do the phone’s settings say", "they are not allowed", "Jory Penhale");
        assertThat(second.select(".ask h2").text()).doesNotContain("What do the phone’s settings say");
        assertThat(answer(id, "MAY_RING", 0).getContentAsString()).contains("answered already");
        assertThat(send(ref.staff(), "/" + id + "/undo", "version", version(id)).getStatus()).isEqualTo(302);
        assertThat(percent(page(id, ""), "does not let the app ring")).isEqualTo(percent(first, "does not let the app ring"));
        assertThat(page(id, "?ask=CLOCK").select(".ask h2").text()).as("out of turn").isEqualTo("Is the time in the picture right?");
        assertThat(page(id, "?ask=NONSENSE").select(".ask h2").text()).isEqualTo(first.select(".ask h2").text());
    }

    @Test
    void aVisitHasItsPartsInTheKitAndItsMinutesInTheRound() throws Exception {
        changes.run(ref, Stage.CARE, () -> {});
        long id = open();
        answer(id, "LIGHT", 0);
        Document before = page(id, "");
        assertThat(send(ref.staff(), "/" + id + "/visit", "version", version(id)).getStatus()).isEqualTo(302);
        FaultCaseRepository.Case visit = cases.get(ref.id(), id);
        assertThat(before.text()).contains("there " + visit.visitMinutes() + " min");
        assertThat(visit.visitParts()).isNotEmpty();
        Document kit = Jsoup.parse(mvc.perform(get(ref.path() + "/ready/kit").with(user(ref.staff()))).andReturn().getResponse()
                .getContentAsString());
        visit.visitParts().forEach(part -> assertThat(kit.select(".kit").text().toLowerCase()).contains("1 × " + part));
        assertThat(kit.text()).contains("for the call about Eye");
        assertThat(mvc.perform(post(ref.path() + "/ready/kit/check").param("item", "care " + visit.visitParts().get(0)).with(user(ref
                .staff())).with(csrf())).andReturn().getResponse().getStatus()).isEqualTo(302);
        LocalDate day = LocalDate.now().plusDays(40);
        mvc.perform(post("/round/book").param("on", day.toString()).param("household", "" + ref.id()).with(user(ref.staff())).with(csrf()));
        Document round
                = Jsoup.parse(mvc.perform(get("/round").param("on", day.toString()).with(user(ref.staff()))).andReturn().getResponse()
                        .getContentAsString());
        int known = round.select("#minutes-" + ref.id()).val().isEmpty() ? 0 : Integer.parseInt(round.select("#minutes-" + ref.id()).val());
        assertThat(known).isGreaterThanOrEqualTo(visit.visitMinutes() + Errand.AT_THE_DOOR_MINUTES);
        assertThat(round.text()).contains("Bring", visit.visitParts().get(0));
        send(ref.staff(), "/" + id + "/close", "version", version(id), "was", "POWER");
        assertThat(log.of(ref.id())).as("the repair is done with its call").noneMatch(LogRepository.Entry::open);
        assertThat(mvc.perform(get(ref.path() + "/ready/kit").with(user(ref.staff()))).andReturn().getResponse().getContentAsString())
                .doesNotContain("for the call about Eye");
    }

    @Test
    void whatNobodyCanAnswerIsRefusedAndTwoWhoAnswerAtOnceAreToldApart() throws Exception {
        long id = open();
        assertThat(answer(id, "MAY_RING", 7).getStatus()).isEqualTo(422);
        assertThat(answer(id, "GHOSTS", 0).getStatus()).isEqualTo(422);
        String before = version(id);
        answer(id, "WHAT", 2);
        assertThat(send(ref.staff(), "/" + id + "/answer", "version", before, "question", "LIGHT", "answer", "0").getContentAsString())
                .contains("somebody else");
        assertThat(cases.get(ref.id(), id).steps()).hasSize(1);
        send(ref.staff(), "/" + id + "/undo", "version", version(id));
        assertThat(send(ref.staff(), "/" + id + "/undo", "version", version(id)).getContentAsString()).contains("took that back");
        assertThat(send(ref.staff(), "", "about", "999999").getStatus()).isEqualTo(409);
        assertThat(send(ref.staff(), "", "about", String.valueOf(eye), "said", "x".repeat(401)).getStatus()).isEqualTo(422);
        assertThat(cases.of(ref.id())).as("no case without its words").hasSize(1);
        assertThat(mvc.perform(get(ref.path() + "/care/cases/" + id).with(user(demo.staff("petra")))).andReturn().getResponse().getStatus())
                .isEqualTo(404);
    }

    /** What works again is closed with its cause, stands in the log, and moves the chances of the next call of the firm and of no other. */
    @Test
    void whatHelpedIsLearntFrom() throws Exception {
        long id = open();
        answer(id, "WHAT", 2);
        assertThat(send(ref.staff(), "/" + id + "/tried", "version", version(id), "cause", "QUIET_HOURS", "works", "no").getStatus())
                .isEqualTo(302);
        assertThat(page(id, "").select(".side").text()).contains("End the quiet time", "tried; it did not help");
        assertThat(cases.get(ref.id(), id).state()).isEqualTo(State.OPEN);
        double before = percent(page(open(), ""), "app is too old");
        send(ref.staff(), "/" + id + "/tried", "version", version(id), "cause", "APP_OLD", "works", "yes");
        assertThat(cases.get(ref.id(), id).cause()).isEqualTo(Cause.APP_OLD);
        Document cured = page(id, "");
        assertThat(cured.select("h1").text()).isEqualTo("Eye: cured: the app is too old");
        assertThat(cured.select("form[action*=/care/cases/]:not([action$=/money])")).as("nothing can be changed any more").isEmpty();
        assertThat(log.of(ref.id()).get(0).words()).startsWith("It works again: the app is too old.");
        assertThat(answer(id, "LIGHT", 0).getStatus()).isEqualTo(409);
        assertThat(percent(page(open(), ""), "app is too old")).isGreaterThan(before);
        assertThat(cases.counts(demo.staff("petra").firmId(), "cairnlow-eave", Season.WINTER).firm()).isEmpty();
        assertThat(mvc.perform(get(ref.path() + "/care").with(user(ref.staff()))).andReturn().getResponse().getContentAsString()).contains(
                "Eye: the app is too old");
    }

    @Test
    void aVisitIsNotedWithWhatToBringAndClosedWithWhatItWas() throws Exception {
        long id = open();
        answer(id, "LIGHT", 0);
        answer(id, "WHAT", 0);
        assertThat(page(id, "").text()).contains("bring: adapter");
        assertThat(send(ref.staff(), "/" + id + "/visit", "version", version(id)).getStatus()).isEqualTo(302);
        assertThat(cases.get(ref.id(), id).state()).isEqualTo(State.VISIT);
        assertThat(log.of(ref.id())).anySatisfy(entry -> {
            assertThat(entry.kind()).isEqualTo(LogRepository.Kind.REPAIR);
            assertThat(entry.words()).contains("Likely: it has no power", "Bring: adapter");
        });
        assertThat(send(ref.staff(), "/" + id + "/visit", "version", version(id)).getStatus()).as("noted once").isEqualTo(409);
        assertThat(send(ref.staff(), "/" + id + "/close", "version", version(id), "was", "POWER").getStatus()).isEqualTo(302);
        assertThat(cases.get(ref.id(), id).state()).isEqualTo(State.CURED);
        long other = open();
        send(ref.staff(), "/" + other + "/close", "version", version(other), "was", "");
        assertThat(cases.get(ref.id(), other).state()).isEqualTo(State.DROPPED);
    }

    @Test
    void theLogIsCountedInAndSeasonsTurnSouthOfTheEquator() throws Exception {
        long id = open();
        double before = percent(page(id, ""), "Wi-Fi password was changed");
        changes.run(ref, Stage.CARE, () -> log.add(ref.id(), null, LogRepository.Kind.ROUTER, "new router", LocalDate.now().minusDays(2),
                "Jory Penhale"));
        assertThat(page(id, "").select(".side").text()).contains("router or password was changed 2 days ago");
        assertThat(percent(page(id, ""), "Wi-Fi password was changed")).isGreaterThan(2 * before);
        assertThat(Season.of(LocalDate.of(2026, 1, 5), 51)).isEqualTo(Season.WINTER);
        assertThat(Season.of(LocalDate.of(2026, 12, 5), 51)).isEqualTo(Season.WINTER);
        assertThat(Season.of(LocalDate.of(2026, 1, 5), -37)).isEqualTo(Season.SUMMER);
        assertThat(Season.of(LocalDate.of(2026, 10, 5), 0)).isEqualTo(Season.AUTUMN);
        assertThat(Season.of(LocalDate.of(2026, 10, 5), -1)).isEqualTo(Season.SPRING);
    }

    /** Open calls of all houses stand on one page, with what failed and how sure that is; another firm sees none of it. */
    @Test
    void allCallsOfTheFirmStandTogether() throws Exception {
        long id = open();
        changes.run(ref, Stage.PAIR, () -> cameras.markJoined(ref.id(), eye));
        demo.jdbc().sql("update camera set joined_at = joined_at - interval '1000 days' where id = :id").param("id", eye).update();
        Document calls = calls(ref.staff());
        assertThat(calls.select("tbody tr:contains(Calls)").text()).contains("Eye", "open", "Jory Penhale");
        assertThat(calls.select("a[href$=/care/cases/" + id + "]")).hasSize(1);
        assertThat(calls.select("tr:contains(Cairnlow Eave)").text()).contains("too few to tell: anything from");
        send(ref.staff(), "/" + id + "/close", "version", version(id), "was", "WEB");
        Document closed = calls(ref.staff());
        assertThat(closed.select("a[href$=/care/cases/" + id + "]")).isEmpty();
        assertThat(closed.select("tr:contains(a web or dirt)").text()).contains("1");
        changes.run(ref, Stage.PAIR, () -> cameras.remove(ref.id(), eye, "Jory Penhale"));
        assertThat(calls(ref.staff()).select("tr:contains(Cairnlow Eave)").text()).as("what failed and was taken out still counts")
                .isEqualTo(closed.select("tr:contains(Cairnlow Eave)").text());
        assertThat(closed.select("h2").eachText()).contains("What fails, by model", "By the way in", "By the wall", "By who set it up");
        assertThat(closed.select("tr:contains(a way that was not kept)").text()).contains("too few to tell");
        demo.jdbc().sql("""
            update camera set wall_base = 'STONE', wall_covering = 'TILES', wall_covering_mm = 20, wall_said_by = 'x', wall_said_at = now()
            where id = :id""").param("id", eye).update();
        assertThat(calls(ref.staff()).select("tr:contains(stone, hung tiles or slates) td.num").eachText().get(2)).isEqualTo("1");
        Document others = calls(demo.staff("petra"));
        assertThat(others.text()).doesNotContain("a web or dirt");
        assertThat(others.select("tr:contains(Cairnlow Eave) td.num").last().text()).as("closed calls of another firm").isEqualTo("0");
    }

    private Document calls(Staff staff) throws Exception {
        return Jsoup.parse(mvc.perform(get("/calls").with(user(staff))).andReturn().getResponse().getContentAsString());
    }
}
