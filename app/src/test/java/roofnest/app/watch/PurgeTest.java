package roofnest.app.watch;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;

import java.time.OffsetDateTime;
import java.util.List;

import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;

import roofnest.app.AppTest;
import roofnest.app.DemoPlaces;

/** What the firm sees of its own machine, and what the machine forgets. */
@AppTest
class PurgeTest {
    @Autowired private Purge purge;
    @Autowired private DemoPlaces demo;
    @Autowired private MockMvc mvc;

    @Test
    void a_failed_log_in_is_forgotten_a_day_after_its_wait_and_not_before() {
        OffsetDateTime now = OffsetDateTime.now();
        attempt("long-ago@ford.example", now.minusHours(25));
        attempt("today@ford.example", now.minusHours(23));
        attempt("waiting@ford.example", now.plusMinutes(5));
        purge.purge();
        assertThat(demo.jdbc().sql("select id from rate_limit where id like '%@ford.example'").query(String.class).list())
                .containsExactlyInAnyOrder("today@ford.example", "waiting@ford.example");
        demo.jdbc().sql("delete from rate_limit where id like '%@ford.example'").update();
    }

    /** The number on the page is the number in the answer's head, by which the log is searched; no two are the same. */
    @Test
    void a_page_that_tells_of_a_problem_shows_the_requests_number() throws Exception {
        MockHttpServletResponse first = page("/households/999999/brief", "tamsin");
        MockHttpServletResponse second = page("/households/999999/brief", "tamsin");
        String number = first.getHeader("X-Request-Number");
        assertThat(number).isNotBlank().isNotEqualTo(second.getHeader("X-Request-Number"));
        assertThat(first.getContentAsString()).contains(number);
    }

    @Test
    void figures_of_the_machine_are_the_owners_alone() throws Exception {
        assertThat(page("/actuator/metrics/roofnest.judge", "tamsin").getStatus()).isEqualTo(200);
        for (String name : List.of("roofnest.solver", "roofnest.lock.wait", "roofnest.statement", "cache.gets")) {
            assertThat(page("/actuator/metrics/" + name, "tamsin").getStatus()).as(name).isEqualTo(200);
        }
        assertThat(page("/actuator/metrics/roofnest.judge", "jory").getStatus()).isEqualTo(403);
        assertThat(mvc.perform(get("/actuator/metrics")).andReturn().getResponse().getStatus()).isEqualTo(302);
    }

    private MockHttpServletResponse page(String address, String who) throws Exception {
        return mvc.perform(get(address).accept("text/html", "application/json").with(user(demo.staff(who)))).andReturn().getResponse();
    }

    private void attempt(String email, OffsetDateTime next) {
        demo.jdbc().sql("insert into rate_limit (id, state, expires_at) values (:email, '', :next)").param("email", email)
                .param("next", next.toInstant().toEpochMilli()).update();
    }
}
