package roofnest.app.firm;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Base64;
import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

import jakarta.servlet.http.Cookie;

import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.session.FindByIndexNameSessionRepository;
import org.springframework.session.Session;
import org.springframework.test.web.servlet.MockMvc;

import roofnest.app.AppTest;

/** A browser that asks for many things at once, as one does that has just signed in. */
@AppTest
class SessionsAtOnceTest {
    private static final int AT_ONCE = 8;
    private static final Pattern TOKEN = Pattern.compile("name=\"csrf-token\" content=\"([^\"]+)\"");

    @Autowired private FindByIndexNameSessionRepository<? extends Session> sessions;
    @Autowired private MockMvc mvc;
    @Autowired private JdbcClient jdbc;

    @Test
    void the_same_noted_twice_at_once_is_no_failure() {
        noted(sessions);
    }

    private static <S extends Session> void noted(FindByIndexNameSessionRepository<S> sessions) {
        S made = sessions.createSession();
        sessions.save(made);
        S one = sessions.findById(made.getId());
        S other = sessions.findById(made.getId());
        one.setAttribute("seen", "first");
        other.setAttribute("seen", "second");
        sessions.save(one);
        sessions.save(other);
        assertThat(sessions.findById(made.getId()).<String>getAttribute("seen")).isEqualTo("second");
        sessions.deleteById(made.getId());
    }

    /** Whichever of the pages is used first, its forms are taken. */
    @Test
    void all_pages_after_the_sign_in_carry_a_token_that_counts() throws Exception {
        Cookie session = signedIn();
        ExecutorService browser = Executors.newFixedThreadPool(AT_ONCE);
        try {
            List<String> pages = new ArrayList<>();
            Callable<String> people = () -> mvc.perform(get("/people").cookie(session)).andReturn().getResponse().getContentAsString();
            for (Future<String> page : browser.invokeAll(Collections.nCopies(AT_ONCE, people))) {
                pages.add(page.get());
            }
            Set<Integer> statuses = new HashSet<>();
            for (String page : pages) {
                MockHttpServletResponse sent
                        = mvc.perform(post("/households").cookie(session).param("_csrf", token(page))).andReturn().getResponse();
                statuses.add(sent.getStatus());
            }
            assertThat(statuses).as("refused for its empty fields, not for its token").containsExactly(422);
        } finally {
            browser.shutdownNow();
        }
    }

    @Test
    void a_page_writes_nothing_to_its_session_within_a_minute_and_its_last_use_after_one() throws Exception {
        Cookie session = signedIn();
        mvc.perform(get("/people").cookie(session));
        String id = new String(Base64.getDecoder().decode(session.getValue()), StandardCharsets.UTF_8);
        String row = "select xmin || ' ' || last_access_time from spring_session where session_id = ?";
        String noted = jdbc.sql(row).param(id).query(String.class).single();
        mvc.perform(get("/people").cookie(session));
        assertThat(jdbc.sql(row).param(id).query(String.class).single()).isEqualTo(noted);

        String last = "select last_access_time from spring_session where session_id = ?";
        jdbc.sql("update spring_session set last_access_time = last_access_time - 60000 where session_id = ?").param(id).update();
        long older = jdbc.sql(last).param(id).query(Long.class).single();
        mvc.perform(get("/people").cookie(session));
        assertThat(jdbc.sql(last).param(id).query(Long.class).single()).isGreaterThanOrEqualTo(older + 60_000);
    }

    private Cookie signedIn() throws Exception {
        MockHttpServletResponse door = mvc.perform(get("/sign-in")).andReturn().getResponse();
        return mvc.perform(post("/sign-in").cookie(door.getCookie("roofnest")).param("_csrf", token(door.getContentAsString()))
                .param("email", "jory@ladderhall.example").param("password", "weir steps nine")).andReturn().getResponse()
                .getCookie("roofnest");
    }

    private static String token(String page) {
        Matcher token = TOKEN.matcher(page);
        assertThat(token.find()).as(page).isTrue();
        return token.group(1);
    }
}
