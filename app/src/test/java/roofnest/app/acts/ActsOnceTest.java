package roofnest.app.acts;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.OffsetDateTime;
import java.time.format.DateTimeFormatter;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Locale;
import java.util.UUID;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.stream.IntStream;

import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletRequest;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.security.authentication.TestingAuthenticationToken;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.TransactionExecution;
import org.springframework.transaction.support.TransactionTemplate;

import roofnest.app.AppTest;
import roofnest.app.DemoPlaces;
import roofnest.app.records.HouseholdRepository;

/** What a phone kept is carried out once, however often and by however many lines it comes, and at the time at which it was done. */
@AppTest
class ActsOnceTest {
    @Autowired private MockMvc mvc;
    @Autowired private ActsOnce once;
    @Autowired private PlatformTransactionManager transactions;
    @Autowired private DemoPlaces demo;
    @Autowired private HouseholdRepository households;

    private String house;

    @BeforeEach
    void aHouse() {
        house = "/households/" + households.add(demo.staff("jory").firmId(), "Kept", "5 Ford Row", LocalDate.now().plusDays(2), "install");
    }

    private MockHttpServletRequestBuilder entry(String number, String words) {
        Instant acted = Instant.now().minus(50, ChronoUnit.MINUTES);
        return post(house + "/care/log").param("kind", "NOTE").param("words", words)
                .param("on",
                        LocalDate.ofInstant(acted, ZoneId.systemDefault())
                                .format(DateTimeFormatter.ofPattern("d MMM uuuu", Locale.ENGLISH)))
                .header("X-Act", number).header("X-Acted-At", acted.toString());
    }

    private MockHttpServletResponse as(String who, MockHttpServletRequestBuilder request) throws Exception {
        return mvc.perform(request.accept("text/html").with(user(demo.staff(who))).with(csrf())).andReturn().getResponse();
    }

    private int entries() {
        return demo.jdbc().sql("select count(*) from log_entry where household_id = :id")
                .param("id", Long.valueOf(house.replace("/households/", ""))).query(Integer.class).single();
    }

    /** The session is kept in a transaction of its own, also when the act's own broke: by that one no act counts as carried out. */
    @Test
    void no_act_is_numbered_in_a_transaction_that_is_not_its_own() {
        String number = UUID.randomUUID().toString();
        assertThatThrownBy(() -> answered(number, () -> {
            new TransactionTemplate(transactions).execute(status -> demo.jdbc().sql("update act set path = path").update());
            throw new IllegalStateException("the act's own transaction broke before");
        })).isInstanceOf(IllegalStateException.class);
        assertThat(numbered(number)).isZero();
    }

    @Test
    void what_is_taken_back_after_it_takes_no_act_back() throws Exception {
        String number = UUID.randomUUID().toString();
        TransactionTemplate own = new TransactionTemplate(transactions);
        own.setName("own");
        answered(number, () -> {
            own.execute(status -> demo.jdbc().sql("update act set path = path").update());
            new TransactionTemplate(transactions).executeWithoutResult(TransactionExecution::setRollbackOnly);
        });
        assertThat(numbered(number)).isEqualTo(1);
    }

    private void answered(String number, Runnable handler) throws Exception {
        MockHttpServletRequest request = new MockHttpServletRequest("POST", house + "/care/log");
        request.addHeader("X-Act", number);
        SecurityContextHolder.getContext().setAuthentication(new TestingAuthenticationToken(demo.staff("jory"), null));
        try {
            once.doFilter(request, new MockHttpServletResponse(), (asked, answer) -> handler.run());
        } finally {
            SecurityContextHolder.clearContext();
        }
    }

    private int numbered(String number) {
        return demo.jdbc().sql("select count(*) from act where id = cast(:id as uuid)").param("id", number).query(Integer.class).single();
    }

    @Test
    void sent_again_it_is_known_and_not_done_again() throws Exception {
        String number = UUID.randomUUID().toString();
        assertThat(as("jory", entry(number, "Gate eye cleaned.")).getStatus()).isEqualTo(302);
        MockHttpServletResponse again = as("jory", entry(number, "Gate eye cleaned."));
        assertThat(again.getStatus()).isEqualTo(204);
        assertThat(again.getHeader("X-Act-Known")).isEqualTo("true");
        assertThat(entries()).isEqualTo(1);
        assertThat(as("jory", entry(UUID.randomUUID().toString(), "Gate eye cleaned.")).getStatus()).as("another act").isEqualTo(302);
        assertThat(entries()).isEqualTo(2);
        OffsetDateTime acted = demo.jdbc().sql("select acted_at from act where id = cast(:id as uuid)").param("id", number)
                .query(OffsetDateTime.class).single();
        assertThat(acted).isBetween(OffsetDateTime.now().minusMinutes(51), OffsetDateTime.now().minusMinutes(49));
    }

    @Test
    void sent_by_four_lines_at_once_it_is_done_once() throws Exception {
        String number = UUID.randomUUID().toString();
        ExecutorService pool = Executors.newFixedThreadPool(4);
        try {
            List<Callable<Integer>> lines = IntStream.range(0, 4)
                    .mapToObj(i -> (Callable<Integer>) () -> as("jory", entry(number, "Ladder moved.")).getStatus()).toList();
            int refused = 0;
            for (Future<Integer> line : pool.invokeAll(lines)) {
                refused += line.get() >= 400 ? 1 : 0;
            }
            assertThat(refused).as("nobody is told that it was not done").isZero();
        } finally {
            pool.shutdownNow();
        }
        assertThat(entries()).isEqualTo(1);
    }

    @Test
    void what_was_refused_may_be_sent_again_and_nobody_elses_number_counts() throws Exception {
        String number = UUID.randomUUID().toString();
        assertThat(as("jory", entry(number, "")).getStatus()).isEqualTo(422);
        assertThat(as("jory", entry(number, "Now with words.")).getStatus()).isEqualTo(302);
        assertThat(entries()).isEqualTo(1);
        assertThat(as("jory", entry("no number at all", "Without a number.")).getStatus()).as("as if it had none").isEqualTo(302);
        assertThat(entries()).isEqualTo(2);
    }
}
