package roofnest.app.visit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.List;
import java.util.concurrent.TimeUnit;

import org.awaitility.Awaitility;
import org.jsoup.Jsoup;
import org.jsoup.nodes.Document;
import org.jsoup.nodes.Element;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;

import roofnest.app.AppTest;
import roofnest.app.DemoPlaces;
import roofnest.app.firm.Hiring;
import roofnest.app.firm.FirmRepository;
import roofnest.app.firm.Role;
import roofnest.app.firm.Staff;
import roofnest.app.records.CameraRepository;
import roofnest.app.records.Changes;
import roofnest.app.records.ComingRepository;
import roofnest.app.records.FootageRepository;
import roofnest.app.records.Household;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.HouseholdRepository;
import roofnest.app.records.LogRepository;
import roofnest.app.records.TermRepository;
import roofnest.core.care.Coming;
import roofnest.core.judge.Camera;
import roofnest.core.promise.Stage;
import roofnest.core.view.CameraPose;
import roofnest.core.visit.Errand;

@AppTest
class ComingPageTest {
    private static final List<DayOfWeek> EVERY_DAY = List.of(DayOfWeek.values());
    private static int firms;

    @Autowired private MockMvc mvc;
    @Autowired private DemoPlaces demo;
    @Autowired private Hiring hiring;
    @Autowired private FirmRepository firmRepository;
    @Autowired private HouseholdRepository households;
    @Autowired private CameraRepository cameras;
    @Autowired private FootageRepository footage;
    @Autowired private TermRepository terms;
    @Autowired private LogRepository log;
    @Autowired private ComingRepository coming;
    @Autowired private VisitWeeks weeks;
    @Autowired private Changes changes;

    private final LocalDate today = LocalDate.now();
    private Staff staff;

    @BeforeEach
    void a_firm_of_its_own() {
        firms++;
        String email = "owner" + firms + "@coming.example";
        hiring.foundFirm("Coming " + firms, new Hiring.NewPerson("Una Tern", email, Role.OWNER, "weir steps nine"));
        staff = firmRepository.findByEmail(email).orElseThrow();
    }

    @Test
    void what_comes_up_stands_in_its_week_and_is_chosen_by_kind_and_area() throws Exception {
        inCare("Sandholm", "1 Pan Lane, Saltern", today.minusDays(300), today.minusDays(20));
        long other = inCare("Reedmoor", "2 Pan Lane, Quay", today.minusDays(300), today.minusDays(20));
        changes.run(new HouseholdRef(other, staff), Stage.CARE, () -> terms.add(other, new TermRepository.Row(0, Coming.Kind.WARRANTY, null,
                "", today.plusDays(5), "the siren’s warranty ends", "Una", 0)));

        Document page = page(get("/coming"));
        assertThat(page.select("h1").text()).contains("come up until");
        assertThat(page.text()).contains("Sandholm", "Reedmoor", "the siren’s warranty ends", "charge Eye");
        Document byKind = page(get("/coming").param("kind", "WARRANTY"));
        assertThat(byKind.select(".coming-rows").text()).contains("Reedmoor").doesNotContain("Sandholm");
        Document byArea = page(get("/coming").param("area", "Saltern"));
        assertThat(byArea.select(".coming-rows").text()).contains("Sandholm").doesNotContain("Reedmoor");
        assertThat(page(get("/coming").param("kind", "NONE").param("area", "%")).select("h1").text()).startsWith("Nothing comes up");
        assertThat(mvc.perform(get("/coming").with(user(demo.staff("jory")))).andReturn().getResponse().getContentAsString())
                .doesNotContain(
                        "Reedmoor");
    }

    @Test
    void what_was_not_reckoned_is_said_and_not_taken_for_nothing() throws Exception {
        long house = households.carryIn(staff.firmId(), household("Unreckoned", "3 Pan Lane, Saltern", today.minusDays(100)));
        cameras.add(house, "Eye", "dunmark-post", new CameraPose(0, 0, 2.4, 0, 10), Camera.Settings.DEFAULT);

        assertThat(page(get("/coming")).text()).contains("One household was not reckoned for thirty days");
        assertThat(perform(post("/coming/reckon")).getStatus()).isEqualTo(302);
        assertThat(page(get("/coming")).text()).doesNotContain("not reckoned");
        assertThat(coming.ofHousehold(house)).extracting(Coming::kind).contains(Coming.Kind.LOOK);
    }

    @Test
    void a_house_that_is_opened_again_comes_up_no_more_and_a_log_entry_moves_what_comes() {
        long house = inCare("Opened", "4 Pan Lane, Saltern", today.minusDays(300), today.minusDays(20));
        LocalDate before = look(house);
        changes.run(new HouseholdRef(house, staff), Stage.CARE, () -> log.add(house, null, LogRepository.Kind.LOOK, "All well.", today,
                "Una"));
        assertThat(look(house)).isEqualTo(today.plusDays(365)).isAfter(before);

        demo.jdbc().sql("update household set stage = 'PROVE', handed_over_at = null where id = :id").param("id", house).update();
        changes.reckon(house);
        assertThat(coming.ofHousehold(house)).isEmpty();
    }

    @Test
    void one_visit_is_made_for_all_reasons_of_a_house_and_neighbours_share_a_day() {
        long one = inCare("Tarnside", "1 Tern Row, Staithe", today.minusDays(360), today.minusDays(60));
        long two = inCare("Ternside", "2 Tern Row, Staithe", today.minusDays(360), today.minusDays(60));

        VisitWeeks.Found found = weeks.find(staff, today, new VisitWeeks.Asked(6, 1, 480, EVERY_DAY));

        assertThat(found.plan()).hasValueSatisfying(plan -> {
            assertThat(plan.daysOut()).hasSize(1);
            assertThat(plan.proved()).isTrue();
        });
        assertThat(found.prepared().errands()).extracting(each -> each.household()).containsExactlyInAnyOrder(one, two);
        assertThat(found.prepared().reasons()).isGreaterThan(2);
    }

    @Test
    void of_two_visits_to_one_house_only_the_one_for_what_is_past_its_day_is_said_to_be() {
        long house = inCare("Twice", "1 Tern Row, Staithe", today.minusDays(10), today.minusDays(2));
        changes.run(new HouseholdRef(house, staff), Stage.CARE, () -> {
            log.add(house, new LogRepository.Said(null, LogRepository.Kind.REPAIR, "The bracket has sagged.", today.minusDays(9), null),
                    "Una");
            log.add(house, null, LogRepository.Kind.FIRMWARE, "Looked at.", today.minusDays(100), "Una");
        });

        VisitWeeks.Prepared prepared = weeks.find(staff, today, new VisitWeeks.Asked(12, 1, 480, EVERY_DAY)).prepared();

        assertThat(prepared.errands()).hasSizeGreaterThan(1);
        assertThat(prepared.late()).hasSize(1);
        assertThat(prepared.errands().get(prepared.late().get(0)).reasons()).extracting(Errand.Reason::what).contains(
                "The bracket has sagged.");
    }

    @Test
    void what_no_van_can_reach_by_its_last_day_is_said_to_be_past_it() {
        long house = inCare("Weekend", "1 Tern Row, Staithe", today.minusDays(10), today.minusDays(2));
        changes.run(new HouseholdRef(house, staff), Stage.CARE, () -> log.add(house, new LogRepository.Said(null, LogRepository.Kind.REPAIR,
                "The bracket has sagged.", today, today.plusDays(1)), "Una"));
        List<DayOfWeek> later = List.of(today.plusDays(3).getDayOfWeek());

        VisitWeeks.Found found = weeks.find(staff, today, new VisitWeeks.Asked(1, 1, 480, later));

        assertThat(found.plan().orElseThrow().daysOut()).hasSize(1);
        assertThat(found.prepared().late()).containsExactly(0);
        assertThat(weeks.find(staff, today, new VisitWeeks.Asked(1, 1, 480, EVERY_DAY)).prepared().late()).isEmpty();
    }

    @Test
    void a_day_is_booked_whole_and_only_while_nobody_set_another() throws Exception {
        inCare("Bookham", "1 Tern Row, Staithe", today.minusDays(360), today.minusDays(60));
        inCare("Brookham", "2 Tern Row, Staithe", today.minusDays(360), today.minusDays(60));
        Element form = weeksPage().select("form[action=/coming/weeks/book]").first();
        MockHttpServletRequestBuilder first = book(form);
        MockHttpServletRequestBuilder again = book(form);

        assertThat(perform(first).getRedirectedUrl()).isEqualTo("/round?on=" + form.select("[name=on]").val());
        LocalDate on = LocalDate.parse(form.select("[name=on]").val());
        assertThat(households.all(staff.firmId())).allSatisfy(each -> {
            assertThat(each.dueOn()).isEqualTo(on);
            assertThat(each.dueWhat()).contains("look over all cameras");
        });
        assertThat(perform(again).getStatus()).as("the same again").isEqualTo(409);
        Document booked = weeksPage();
        assertThat(booked.text()).contains("set for this day");
        assertThat(booked.select("form[action=/coming/weeks/book]")).isEmpty();
        Document round = page(get("/round").param("on", on.toString()));
        assertThat(round.text()).contains("Bookham", "Brookham", "Bring a charged pack");
        assertThat(perform(post("/coming/weeks/book").param("on", "soon")).getStatus()).isEqualTo(422);
        assertThat(perform(post("/coming/weeks/book").param("on", today.minusDays(1).toString())).getStatus()).isEqualTo(422);
        assertThat(perform(post("/coming/weeks/book").param("on", on.toString())).getStatus()).isEqualTo(422);
    }

    @Test
    void another_firms_house_is_booked_by_nobody_else() throws Exception {
        long house = inCare("Ours", "1 Tern Row, Staithe", today.minusDays(360), today.minusDays(60));
        int version = households.get(house).particulars();

        assertThat(mvc.perform(post("/coming/weeks/book").param("on", today.plusDays(3).toString()).param("house-0", "" + house).param(
                "version-0", "" + version).param("what-0", "theirs").with(user(demo.staff("jory"))).with(csrf())).andReturn().getResponse()
                .getStatus()).isEqualTo(409);
        assertThat(households.get(house).dueWhat()).doesNotContain("theirs");
    }

    @Test
    void fields_of_the_weeks_that_read_as_nothing_are_told_and_the_usual_is_planned() throws Exception {
        Document page = page(get("/coming/weeks").param("weeks", "many").param("vans", "9").param("minutes", "480.5"));

        assertThat(page.select(".fault")).hasSize(3);
        assertThat(page.select("h1").text()).isEqualTo("Nobody has to be reached in these weeks");
    }

    @Test
    void a_calendar_is_read_by_its_link_until_it_is_ended_or_its_person_is_not_let_in() throws Exception {
        long house = inCare("Ferried", "1 Tern Row, Staithe", today.minusDays(360), today.minusDays(60));
        households.book(staff.firmId(), house, today.plusDays(4), "look; pack", households.get(house).particulars());
        String first = feed();

        assertThat(read(first).getContentAsString()).contains("BEGIN:VEVENT", "Ferried", "visit-" + house, "no time is", "TENTATIVE")
                .doesNotContain("Agreed with");
        assertThat(read(first).getHeader("Cache-Control")).contains("no-store");
        assertThat(weeksPage().text()).contains("last read on");
        assertThat(demo.jdbc().sql("select count(*) from calendar_feed where token_hash::text like '%' || :token || '%'").param("token",
                first).query(Integer.class).single()).as("in plain text").isZero();

        String second = feed();
        assertThat(read(first).getStatus()).as("the one before").isEqualTo(404);
        assertThat(read(second).getStatus()).isEqualTo(200);
        demo.jdbc().sql("update person set blocked_at = now(), blocked_by = 'x' where id = :id").param("id", staff.id()).update();
        assertThat(read(second).getStatus()).as("blocked").isEqualTo(404);
        demo.jdbc().sql("update person set blocked_at = null, blocked_by = null where id = :id").param("id", staff.id()).update();
        assertThat(perform(post("/coming/feed/end")).getStatus()).isEqualTo(302);
        assertThat(read(second).getStatus()).as("ended").isEqualTo(404);
        assertThat(perform(post("/coming/feed/end")).getStatus()).isEqualTo(409);
    }

    private String feed() throws Exception {
        return page(post("/coming/feed")).select("#address").val().replaceFirst(".*/feed/", "");
    }

    private MockHttpServletResponse read(String token) throws Exception {
        return mvc.perform(get("/feed/" + token)).andReturn().getResponse();
    }

    private static MockHttpServletRequestBuilder book(Element form) {
        MockHttpServletRequestBuilder request = post("/coming/weeks/book");
        form.select("input[type=hidden]").forEach(input -> request.param(input.attr("name"), input.val()));
        return request;
    }

    private Document weeksPage() throws Exception {
        Awaitility.await().atMost(30, TimeUnit.SECONDS).until(() -> perform(get("/coming/weeks").param("weeks", "6")).getStatus() == 200);
        return page(get("/coming/weeks").param("weeks", "6"));
    }

    private LocalDate look(long house) {
        return coming.ofHousehold(house).stream().filter(each -> each.kind() == Coming.Kind.LOOK).findFirst().orElseThrow().on();
    }

    private Document page(MockHttpServletRequestBuilder request) throws Exception {
        return Jsoup.parse(perform(request).getContentAsString());
    }

    private MockHttpServletResponse perform(MockHttpServletRequestBuilder request) throws Exception {
        return mvc.perform(request.with(user(staff)).with(csrf())).andReturn().getResponse();
    }

    private long inCare(String name, String address, LocalDate handedOver, LocalDate charged) {
        long house = households.carryIn(staff.firmId(), household(name, address, handedOver));
        changes.run(new HouseholdRef(house, staff), Stage.CARE, () -> {
            footage.say(house, new FootageRepository.House(0, true, 0));
            long camera = cameras.add(house, "Eye", "dunmark-post", new CameraPose(0, 0, 2.4, 0, 10), new Camera.Settings(12, 30, 0, 20, 3,
                    0.7, 90));
            cameras.markJoined(house, camera);
            cameras.markMounted(house, camera);
            cameras.charged(house, camera, charged);
        });
        return house;
    }

    private static Household household(String name, String address, LocalDate handedOver) {
        return new Household(0, 0, name, address, "", Stage.CARE, null, null, "", handedOver.atTime(12, 0).atOffset(ZoneOffset.UTC), null,
                null, 0, 0, 0);
    }
}
