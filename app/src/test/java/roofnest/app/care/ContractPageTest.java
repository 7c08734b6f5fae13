package roofnest.app.care;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import java.time.LocalDate;
import java.time.ZoneOffset;

import org.jsoup.Jsoup;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;

import roofnest.app.AppTest;
import roofnest.app.DemoPlaces;
import roofnest.app.records.CameraRepository;
import roofnest.app.records.Changes;
import roofnest.app.records.ComingRepository;
import roofnest.app.records.ContractRepository;
import roofnest.app.records.FaultCaseRepository;
import roofnest.app.records.Household;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.HouseholdRepository;
import roofnest.app.records.LogRepository;
import roofnest.app.records.PriceBook;
import roofnest.app.records.TermRepository;
import roofnest.core.care.Coming;
import roofnest.core.judge.Camera;
import roofnest.core.kit.Quotation;
import roofnest.core.promise.Stage;
import roofnest.core.view.CameraPose;

/** Contracts of care, and who pays for a call. */
@AppTest
class ContractPageTest {
    @Autowired private MockMvc mvc;
    @Autowired private DemoPlaces demo;
    @Autowired private HouseholdRepository households;
    @Autowired private CameraRepository cameras;
    @Autowired private ContractRepository contracts;
    @Autowired private FaultCaseRepository cases;
    @Autowired private ComingRepository coming;
    @Autowired private TermRepository terms;
    @Autowired private LogRepository log;
    @Autowired private PriceBook prices;
    @Autowired private Changes changes;

    private final LocalDate today = LocalDate.now();
    private HouseholdRef ref;
    private long first;
    private long second;

    @BeforeEach
    void twoCallsOfAHouseInCare() {
        long id = households.carryIn(demo.staff("petra").firmId(), new Household(0, 0, "Covered", "13 Log Lane, Saltern", "", Stage.CARE,
                null, null, "", today.minusDays(200).atTime(12, 0).atOffset(ZoneOffset.UTC), null, null, 0, 0, 0));
        ref = new HouseholdRef(id, demo.staff("petra"));
        changes.run(ref, Stage.CARE, () -> {
            long eye = cameras.add(id, "Eye", "dunmark-post", new CameraPose(0, 0, 2.4, 0, 10), Camera.Settings.DEFAULT);
            first = cases.open(id, eye, "dark", "dunmark-post", FaultCaseRepository.Season.WINTER, "Petra");
            second = cases.open(id, eye, "dark again", "dunmark-post", FaultCaseRepository.Season.WINTER, "Petra");
            prices.set(ref.staff().firmId(), Quotation.HOUR, 6000);
            prices.set(ref.staff().firmId(), PriceBook.VISIT, 2500);
        });
    }

    @AfterEach
    void nothingIsLeft() {
        demo.jdbc().sql("delete from fault_case where household_id = :id").param("id", ref.id()).update();
        prices.clear(ref.staff().firmId(), Quotation.HOUR);
        prices.clear(ref.staff().firmId(), PriceBook.VISIT);
    }

    private MockHttpServletRequestBuilder contract(String visits, int version, String... covers) {
        MockHttpServletRequestBuilder request = post(ref.path() + "/care/contract").param("from", today.minusMonths(3).toString()).param(
                "months", "12").param("price", "240").param("renews", "true").param("visits", visits).param("version", String.valueOf(
                        version));
        for (String each : covers) {
            request.param(each, "true");
        }
        return request;
    }

    private MockHttpServletRequestBuilder money(long call, int version, String visits, String minutes, String parts) {
        return post(ref.path() + "/care/cases/" + call + "/money").param("workOn", today.toString()).param("phoneMinutes", "10").param(
                "visits", visits).param("visitMinutes", minutes).param("parts", parts).param("version", String.valueOf(version));
    }

    @Test
    void a_contract_stands_among_what_comes_and_is_changed_by_one_at_a_time() throws Exception {
        assertThat(page(get(ref.path() + "/care"))).contains("None is written down.");
        assertThat(page(contract("2", 0, "CALLS"))).contains("Tick that visits are covered, or say 0.");
        assertThat(page(contract("0", 0, "VISITS"))).contains("Say how many visits of a term are covered.");
        assertThat(contracts.of(ref.id())).isEmpty();
        assertThat(perform(contract("2", 0, "CALLS", "VISITS")).getStatus()).isEqualTo(302);
        assertThat(page(get(ref.path() + "/care"))).contains("Its term runs until", "visits for calls");
        assertThat(coming.ofHousehold(ref.id())).anySatisfy(each -> {
            assertThat(each.kind()).isEqualTo(Coming.Kind.CONTRACT);
            assertThat(each.on()).isEqualTo(today.minusMonths(3).plusMonths(12).minusDays(1));
        });
        assertThat(perform(contract("1", 0, "VISITS")).getStatus()).as("opened before the first was there").isEqualTo(409);
        assertThat(perform(contract("1", 1, "VISITS")).getStatus()).isEqualTo(302);
        assertThat(contracts.of(ref.id()).orElseThrow().contract().visits()).isEqualTo(1);
        assertThat(perform(post(ref.path() + "/care/contract/remove")).getStatus()).isEqualTo(302);
        assertThat(perform(post(ref.path() + "/care/contract/remove")).getStatus()).isEqualTo(409);
        assertThat(coming.ofHousehold(ref.id())).noneMatch(each -> each.kind() == Coming.Kind.CONTRACT);
    }

    /** The term's one visit pays for the first call; what the second came to is the household's, until the first is corrected. */
    @Test
    void a_visit_of_the_term_is_used_once() throws Exception {
        perform(contract("1", 0, "VISITS"));
        assertThat(perform(money(first, 0, "1", "45", "0")).getStatus()).isEqualTo(302);
        assertThat(page(get(ref.path() + "/care/cases/" + first))).contains("Its contract covers 70.00", "The household pays 15.00");
        perform(money(second, 0, "1", "45", "0"));
        assertThat(page(get(ref.path() + "/care/cases/" + second))).contains("The household pays 85.00",
                "the visits of the term are used up");
        perform(money(first, 1, "0", "0", "0"));
        assertThat(page(get(ref.path() + "/care/cases/" + second))).as("the visit is free again").contains("Its contract covers 70.00");
        assertThat(perform(money(first, 1, "1", "45", "0")).getStatus()).as("somebody was quicker").isEqualTo(409);
    }

    @Test
    void what_a_term_has_given_is_counted_from_calls_and_logbook() throws Exception {
        perform(contract("2", 0, "VISITS", "LOOK", "PACKS"));
        assertThat(page(get(ref.path() + "/care"))).contains("0 of 2 visits are used.", "No yearly look of this term is in the logbook",
                "No pack was charged in this term");
        perform(money(first, 0, "1", "45", "0"));
        changes.run(ref, Stage.CARE, () -> log.add(ref.id(), null, LogRepository.Kind.LOOK, "All well", today, "Petra"));
        assertThat(page(get(ref.path() + "/care"))).contains("1 of 2 visits are used.", "The yearly look was on ",
                "No pack was charged in this term");
    }

    @Test
    void parts_under_warranty_cost_nobody_here() throws Exception {
        terms.add(ref.id(), new TermRepository.Row(0, Coming.Kind.WARRANTY, null, "", today, "two years", "Petra", 1));
        perform(money(first, 0, "0", "0", "80"));
        assertThat(page(get(ref.path() + "/care/cases/" + first))).contains("Under warranty: 80.00", "its warranty ran on that day");
    }

    /** Without prices nothing is said to be free, and what cannot be is refused where it was typed. */
    @Test
    void what_has_no_price_is_said_and_what_cannot_be_is_refused() throws Exception {
        prices.clear(ref.staff().firmId(), Quotation.HOUR);
        perform(money(first, 0, "1", "30", "12"));
        assertThat(page(get(ref.path() + "/care/cases/" + first))).contains("Without a price: By phone, 15 min", "in none of these sums");
        String refused = page(money(second, 0, "0", "30", "-1"));
        assertThat(refused).contains("Somebody was there: say how often.");
        assertThat(Jsoup.parse(perform(money(second, 0, "0", "30", "5")).getContentAsString()).select("#visitMinutes").val())
                .isEqualTo("30");
        assertThat(contracts.work(ref.id(), second)).isEmpty();
    }

    private String page(MockHttpServletRequestBuilder request) throws Exception {
        return Jsoup.parse(perform(request).getContentAsString()).text();
    }

    private MockHttpServletResponse perform(MockHttpServletRequestBuilder request) throws Exception {
        return mvc.perform(request.with(user(ref.staff())).with(csrf())).andReturn().getResponse();
    }
}
