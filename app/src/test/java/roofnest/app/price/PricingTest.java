package roofnest.app.price;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import java.io.StringReader;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;

import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVRecord;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.dao.DataAccessException;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;

import roofnest.app.AppTest;
import roofnest.app.DemoPlaces;
import roofnest.app.Made;
import roofnest.app.household.Frames;
import roofnest.app.records.CameraRepository;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.HouseholdRepository;
import roofnest.app.web.BadInput;
import roofnest.app.web.Conflict;
import roofnest.app.web.Form;
import roofnest.app.web.Words;
import roofnest.core.judge.Camera;
import roofnest.core.kit.KitList;
import roofnest.core.kit.Quotation;
import roofnest.core.promise.Stage;
import roofnest.core.view.CameraPose;

/** A quotation is numbered and never changes; the bill follows what was accepted; nothing is used twice. */
@AppTest
class PricingTest {
    @Autowired private Pricing pricing;
    @Autowired private MoneyPapers papers;
    @Autowired private Words words;
    @Autowired private Frames frames;
    @Autowired private HouseholdRepository households;
    @Autowired private CameraRepository cameras;
    @Autowired private DemoPlaces demo;
    @Autowired private MockMvc mvc;

    private HouseholdRef ref;

    @BeforeEach
    void aJobWithOneCamera() {
        ref = new HouseholdRef(households.add(demo.staff("jory").firmId(), "Priced", "3 Staithe", LocalDate.now().plusDays(2), "price"),
                demo.staff("jory"));
        cameras.add(ref.id(), "Gate eye", "dunmark-post", new CameraPose(0, 0, 2.4, 0, 10), Camera.Settings.DEFAULT);
        demo.touched(ref.id());
        List<String> keys = new ArrayList<>(state().kit().stream().filter(KitList.Line::sold).map(KitList.Line::key).toList());
        keys.add(Quotation.KM);
        for (String key : keys) {
            demo.jdbc().sql("insert into price (firm_id, item_key, cents) values (:firm, :key, 1000) on conflict do nothing")
                    .param("firm", ref.staff().firmId()).param("key", key).update();
        }
    }

    private Pricing.State state() {
        return pricing.state(frames.frame(ref, Stage.READY));
    }

    private static Form form(String... pairs) {
        Map<String, String> values = new HashMap<>();
        for (int i = 0; i < pairs.length; i += 2) {
            values.put(pairs[i], pairs[i + 1]);
        }
        return new Form(values);
    }

    private MoneyPapers.Quoted quoted() {
        pricing.quote(ref);
        return state().waiting().orElseThrow();
    }

    private void answer(MoneyPapers.Quoted quoted, String answer) {
        pricing.answer(ref, form("of", "" + quoted.paper().id(), "answer", answer, "answeredBy", "Ida Priced"));
    }

    @Test
    void a_quotation_keeps_what_it_said_whatever_is_agreed_later() {
        pricing.agree(ref, form("travelKm", "20", "discount", "5", "version", "0"));
        MoneyPapers.Quoted first = quoted();
        assertThat(first.title()).matches("Q-20[0-9]{2}-[0-9]{4}");
        assertThat(first.paper().addressedTo()).isEqualTo("Priced\n3 Staithe");
        assertThat(first.paper().sums().lines()).extracting(line -> line.what()).contains("Kilometre of travel");
        assertThat(first.paper().sums().discountCents()).isPositive();
        pricing.addLine(ref, form("what", "Two signs", "quantity", "2", "each", "11,50"));
        assertThat(papers.quotation(ref.id(), first.paper().id()).orElseThrow().paper().sums()).isEqualTo(first.paper().sums());
        MoneyPapers.Quoted second = quoted();
        assertThat(second.paper().number()).isGreaterThan(first.paper().number());
        assertThat(second.paper().sums().linesCents()).isEqualTo(first.paper().sums().linesCents() + 2_300);
        assertThat(papers.quotation(ref.id(), first.paper().id()).orElseThrow().answer()).contains(MoneyPapers.Answer.REPLACED);
        assertThatThrownBy(() -> demo.jdbc().sql("update quotation set net_cents = 1 where id = :id").param("id", second.paper().id())
                .update()).isInstanceOf(DataAccessException.class).hasMessageContaining("an issued paper is never changed");
    }

    @Test
    void nothing_is_quoted_that_leaves_a_price_out() {
        pricing.agree(ref, form("travelKm", "10", "discount", "0", "version", "0"));
        demo.jdbc().sql("delete from price where firm_id = :firm and item_key = 'km'").param("firm", ref.staff().firmId()).update();
        assertThatThrownBy(() -> pricing.quote(ref)).isInstanceOf(BadInput.class)
                .hasMessageContaining("Without a price: ").hasMessageContaining("too low");
        assertThat(state().quotations()).isEmpty();
    }

    /** Whoever comes straight from a page that was open through a restart waits for the solver outside of any lock. */
    @Test
    void a_job_that_nobody_has_reckoned_yet_is_quoted_all_the_same() {
        for (int i = 0; i < 3; i++) {
            cameras.add(ref.id(), "Wall eye " + i, "dunmark-post", new CameraPose(1.5 * i, 0, 3.1 + i / 10.0, 90, 10),
                    Camera.Settings.DEFAULT);
        }
        demo.touched(ref.id());
        demo.jdbc().sql("""
            insert into price (firm_id, item_key, cents)
            select firm_id, 'card 64', 1490 from household where id = :id on conflict do nothing
            """).param("id", ref.id()).update();
        pricing.quote(ref);
        assertThat(state().waiting().orElseThrow().paper().sums().lines()).anyMatch(line -> line.quantity() == 4);
    }

    @Test
    void a_bill_follows_what_was_accepted_with_what_was_agreed_since_and_only_once() {
        assertThatThrownBy(() -> pricing.bill(ref)).isInstanceOf(Conflict.class);
        MoneyPapers.Quoted quoted = quoted();
        assertThatThrownBy(() -> pricing.bill(ref)).as("nobody accepted it yet").isInstanceOf(Conflict.class);
        answer(quoted, "ACCEPTED");
        pricing.addLine(ref, form("what", "A longer cable", "quantity", "1", "each", "20"));
        assertThat(PriceView.of(state(), Map.of(), LocalDate.now(), words).toBill())
                .isEqualTo(quoted.title() + " and one line agreed since");
        pricing.bill(ref);
        MoneyPapers.Bill bill = state().bills().get(0);
        assertThat(bill.paper().sums().linesCents()).isEqualTo(quoted.paper().sums().linesCents() + 2_000);
        assertThatThrownBy(() -> pricing.bill(ref)).as("billed already").isInstanceOf(Conflict.class);

        pricing.cancel(ref, bill.paper().id());
        MoneyPapers.Bill back = state().bills().get(0);
        assertThat(back.paper().sums().totalCents()).isEqualTo(-bill.paper().sums().totalCents());
        assertThat(back.paper().number()).isEqualTo(bill.paper().number() + 1);
        assertThatThrownBy(() -> pricing.cancel(ref, bill.paper().id())).isInstanceOf(Conflict.class);
        assertThatThrownBy(() -> pricing.cancel(ref, back.paper().id())).as("what takes back is not taken back")
                .isInstanceOf(Conflict.class);
        assertThatThrownBy(() -> pricing.paid(ref, bill.paper().id(), form("paidOn", LocalDate.now().toString())))
                .isInstanceOf(Conflict.class);
        pricing.bill(ref);
        MoneyPapers.Bill again = state().bills().get(0);
        assertThatThrownBy(() -> pricing.paid(ref, again.paper().id(), form("paidOn", LocalDate.now().plusDays(1).toString())))
                .isInstanceOf(BadInput.class).hasMessageContaining("between the day it was issued and today");
        pricing.paid(ref, again.paper().id(), form("paidOn", LocalDate.now().toString()));
        assertThat(state().bills().get(0).open()).isFalse();
        assertThatThrownBy(() -> pricing.cancel(ref, again.paper().id())).hasMessageContaining("noted as paid");
        pricing.notPaid(ref, again.paper().id());
        assertThat(state().bills().get(0).open()).isTrue();
    }

    @Test
    void an_answer_is_to_the_quotation_that_was_on_the_page_and_in_time() {
        MoneyPapers.Quoted first = quoted();
        MoneyPapers.Quoted second = quoted();
        assertThatThrownBy(() -> answer(first, "ACCEPTED")).isInstanceOf(Conflict.class).hasMessageContaining(second.title());
        demo.jdbc().sql("update quotation set valid_until = current_date - 1 where id = :id").param("id", second.paper().id()).update();
        assertThatThrownBy(() -> answer(second, "ACCEPTED")).isInstanceOf(BadInput.class).hasMessageContaining("Issue it anew");
        answer(second, "DECLINED");
        assertThatThrownBy(() -> answer(second, "ACCEPTED")).isInstanceOf(Conflict.class);
        Form nobody = form("of", "1", "answer", "ACCEPTED");
        pricing.answer(ref, nobody);
        assertThat(nobody.faultAt("answeredBy")).isNotNull();
    }

    /** Numbers follow one another with no gap and none twice, however many issue at once; a removed household gives none back. */
    @Test
    void numbers_are_used_once_even_at_once_and_bills_stay_when_the_household_is_removed() throws Exception {
        answer(quoted(), "ACCEPTED");
        pricing.bill(ref);
        int before = state().bills().get(0).paper().number();
        try (Closing pool = new Closing(Executors.newFixedThreadPool(4))) {
            List<Future<Object>> all = pool.of().invokeAll(List.of(quoting(), quoting(), quoting(), quoting()));
            for (Future<Object> each : all) {
                each.get();
            }
        }
        List<Integer> numbers = state().quotations().stream().map(each -> each.paper().number()).toList();
        assertThat(numbers).hasSize(5).doesNotHaveDuplicates();
        long bill = state().bills().get(0).paper().id();
        households.remove(ref.staff().firmId(), ref.id(), "Tamsin");
        assertThat(demo.jdbc().sql("select addressed_to from bill where id = :id and household_id is null").param("id", bill)
                .query(String.class).single()).isEqualTo("Priced\n3 Staithe");
        assertThat(demo.jdbc().sql("select count(*) from quotation where household_id = :id").param("id", ref.id()).query(Long.class)
                .single()).isZero();
        aJobWithOneCamera();
        answer(quoted(), "ACCEPTED");
        pricing.bill(ref);
        assertThat(state().bills().get(0).paper().number()).isEqualTo(before + 1);
        assertThat(state().quotations().get(0).paper().number()).isGreaterThan(numbers.get(0));
    }

    private Callable<Object> quoting() {
        return () -> {
            pricing.quote(ref);
            return null;
        };
    }

    private record Closing(ExecutorService of) implements AutoCloseable {
        @Override
        public void close() {
            of.shutdownNow();
        }
    }

    @Test
    void the_papers_say_what_was_issued_and_the_bookkeepers_list_adds_up() throws Exception {
        MoneyPapers.Quoted quoted = quoted();
        assertThat(text(ref.path() + "/ready/quotation.pdf")).contains("a draft, not issued");
        assertThat(text(ref.path() + "/ready/price/quotations/" + quoted.paper().id() + ".pdf")).contains(quoted.title(), "Priced",
                "3 Staithe", "It holds until", "licensed electrician").doesNotContain("draft");
        answer(quoted, "ACCEPTED");
        pricing.bill(ref);
        MoneyPapers.Bill bill = state().bills().get(0);
        assertThat(text(ref.path() + "/ready/price/bills/" + bill.paper().id() + ".pdf")).contains(bill.title(), "To be paid by");
        pricing.cancel(ref, bill.paper().id());
        String csv = mvc.perform(get("/lists/bills.csv").with(user(ref.staff()))).andReturn().getResponse().getContentAsString();
        List<CSVRecord> rows = CSVFormat.RFC4180.builder().setHeader().setSkipHeaderRecord(true).get().parse(new StringReader(csv))
                .getRecords().stream().filter(row -> row.get("addressed_to").equals("Priced, 3 Staithe")).toList();
        CSVRecord issued = rows.stream().filter(row -> row.get("number").equals(bill.title())).findFirst().orElseThrow();
        CSVRecord back = rows.stream().filter(row -> row.get("takes_back").equals(bill.title())).findFirst().orElseThrow();
        assertThat(Math.round(100 * Double.parseDouble(issued.get("total")))).isEqualTo(bill.paper().sums().totalCents());
        assertThat(Double.parseDouble(back.get("total"))).isEqualTo(-Double.parseDouble(issued.get("total")));
        assertThat(mvc.perform(get(ref.path() + "/ready/price/bills/999999.pdf").with(user(ref.staff()))).andReturn().getResponse()
                .getStatus()).isEqualTo(404);
    }

    /** Whoever learns the trade may look and write lines down; what goes out with a number is not theirs. */
    @Test
    void an_apprentice_issues_nothing() throws Exception {
        for (String act : List.of("quotations", "quotations/answer", "bills", "bills/1/paid", "bills/1/cancel", "bills/1/not-paid")) {
            MockHttpServletResponse refused = mvc.perform(post(ref.path() + "/ready/price/" + act).with(user(demo.staff("wynn")))
                    .with(csrf())).andReturn().getResponse();
            assertThat(refused.getStatus()).as(act).isEqualTo(403);
        }
        assertThat(mvc.perform(get(ref.path() + "/ready/price").with(user(demo.staff("wynn")))).andReturn().getResponse()
                .getContentAsString()).contains("What the job costs", "Your\n  role asks for this").doesNotContain("Our prices and terms");
    }

    private String text(String path) throws Exception {
        try (PDDocument document = Loader.loadPDF(Made.file(mvc, get(path).with(user(ref.staff()))).getContentAsByteArray())) {
            return new PDFTextStripper().getText(document);
        }
    }
}
