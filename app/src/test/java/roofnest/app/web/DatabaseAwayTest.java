package roofnest.app.web;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.sql.SQLException;
import java.util.List;

import javax.sql.DataSource;

import jakarta.servlet.DispatcherType;
import jakarta.servlet.RequestDispatcher;
import jakarta.servlet.http.Cookie;
import jakarta.servlet.http.HttpServletResponse;

import org.jsoup.Jsoup;
import org.jsoup.nodes.Document;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.webmvc.test.autoconfigure.AutoConfigureMockMvc;
import org.springframework.boot.webmvc.test.autoconfigure.MockMvcPrint;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.context.annotation.Import;
import org.springframework.mock.web.MockHttpServletRequest;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.annotation.DirtiesContext;
import org.springframework.test.context.ContextConfiguration;
import org.springframework.test.context.support.TestPropertySourceUtils;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.transaction.TransactionSystemException;
import org.springframework.web.servlet.HandlerMapping;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;

import com.zaxxer.hikari.HikariDataSource;

import roofnest.app.DemoPlaces;
import roofnest.app.Routes;
import roofnest.app.TestDatabase;
import roofnest.app.firm.Staff;
import roofnest.standins.Line;

/** The line to the database is cut and mended, and the database stops taking anything: what is said, and that all goes on after. */
@SpringBootTest(properties = "roofnest.demo=true")
@AutoConfigureMockMvc(print = MockMvcPrint.NONE)
@ContextConfiguration(initializers = DatabaseAwayTest.ByLine.class)
@Import({DemoPlaces.class, Routes.class})
@DirtiesContext
class DatabaseAwayTest {
    /** One line for this test alone. */
    static class ByLine extends TestDatabase {
        @Override
        public void initialize(ConfigurableApplicationContext context) {
            super.initialize(context);
            try {
                String server = System.getenv("ROOFNEST_TEST_DB");
                Line line = new Line(server);
                context.getBeanFactory().registerSingleton("line", line);
                String direct = context.getEnvironment().getProperty("spring.datasource.url");
                TestPropertySourceUtils.addInlinedPropertiesToEnvironment(context,
                        "spring.datasource.url=" + direct.replace(server, line.address()));
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        }
    }

    @Autowired private MockMvc mvc;
    @Autowired private DatabaseAway away;
    @Autowired private DemoPlaces demo;
    @Autowired private Line line;
    @Autowired private DataSource dataSource;

    @AfterEach
    void mended() throws SQLException {
        mend();
    }

    /**
     * The line is whole again; the pool looks for it every now and then, so a try or two may still be in vain. It trusts what was used
     * within the last half a second, which is longer than a line is cut here.
     */
    private void mend() throws SQLException {
        line.mend();
        dataSource.unwrap(HikariDataSource.class).getHikariPoolMXBean().softEvictConnections();
        for (int tries = 0; tries < 10; tries++) {
            try (var connection = dataSource.getConnection()) {
                return;
            } catch (SQLException stillAway) {
                assertThat(tries).isLessThan(9);
            }
        }
    }

    private MockHttpServletResponse as(Staff staff, MockHttpServletRequestBuilder request) throws Exception {
        return mvc.perform(request.accept("text/html").with(user(staff)).with(csrf())).andReturn().getResponse();
    }

    @Test
    void a_page_says_that_the_database_is_away_asks_again_and_everything_goes_on_after() throws Exception {
        Cookie session = mvc.perform(post("/sign-in").with(csrf()).param("email", "jory@ladderhall.example").param("password",
                "weir steps nine")).andReturn().getResponse().getCookie("roofnest");
        String page = "/households/" + demo.household("Quiller") + "/brief";
        assertThat(mvc.perform(get(page).cookie(session)).andReturn().getResponse().getStatus()).isEqualTo(200);
        assertThat(mvc.perform(get("/actuator/health")).andReturn().getResponse().getStatus()).isEqualTo(200);
        line.cut();
        MockHttpServletResponse away = mvc.perform(get(page).cookie(session).accept("text/html")).andReturn().getResponse();
        assertThat(away.getStatus()).isEqualTo(503);
        assertThat(away.getHeader("Retry-After")).isEqualTo("5");
        Document said = Jsoup.parse(away.getContentAsString());
        assertThat(said.title()).startsWith("The database is away");
        assertThat(said.select("meta[http-equiv=refresh]").attr("content")).isEqualTo("5");
        assertThat(said.text()).contains("What was saved before is safe").doesNotContain("sent");
        assertThat(said.select("[style], script")).isEmpty();
        for (String style : said.select("link[rel=stylesheet]").eachAttr("href")) {
            assertThat(mvc.perform(get(style).cookie(session)).andReturn().getResponse().getStatus()).as("needs no session: " + style)
                    .isEqualTo(200);
        }
        assertThat(mvc.perform(get("/sign-in").accept("text/html")).andReturn().getResponse().getStatus()).isEqualTo(503);
        assertThat(mvc.perform(get("/actuator/health")).andReturn().getResponse().getStatus()).as("health tells").isEqualTo(503);
        MockHttpServletResponse refusal = mvc.perform(get("/error").cookie(session).accept("text/html").with(request -> {
            request.setDispatcherType(DispatcherType.ERROR);
            request.setAttribute(RequestDispatcher.ERROR_STATUS_CODE, 404);
            request.setAttribute(RequestDispatcher.ERROR_REQUEST_URI, page);
            return request;
        })).andReturn().getResponse();
        assertThat(refusal.getStatus()).as("gone while a refusal was told").isEqualTo(503);
        MockHttpServletResponse script = mvc.perform(get(page).cookie(session).header("X-Requested-With", "XMLHttpRequest")
                .accept("application/problem+json")).andReturn().getResponse();
        assertThat(script.getStatus()).isEqualTo(503);
        assertThat(script.getContentAsString()).contains("\"detail\":\"Roof Nest is here");
        mend();
        assertThat(mvc.perform(get(page).cookie(session)).andReturn().getResponse().getStatus()).as("still signed in").isEqualTo(200);
        assertThat(mvc.perform(get("/actuator/health")).andReturn().getResponse().getStatus()).isEqualTo(200);
    }

    /** The refusal was decided; that the session could not be kept after it makes no fault of it. */
    @Test
    void a_refusal_stays_a_refusal_when_the_line_breaks_after_it() throws Exception {
        MockHttpServletResponse response = new MockHttpServletResponse();
        away.doFilter(new MockHttpServletRequest("GET", "/households/1/care"), response, (asked, answer) -> {
            ((HttpServletResponse) answer).sendError(404);
            throw new TransactionSystemException("JDBC rollback failed", new SQLException("Connection is closed"));
        });
        assertThat(response.getStatus()).isEqualTo(404);
    }

    /** What is left on the request by a refusal that could not be told would make the server put a page of its own over this one. */
    @Test
    void a_refusal_that_broke_off_leaves_nothing_that_covers_the_page() throws Exception {
        MockHttpServletRequest request = new MockHttpServletRequest("GET", "/households/1/care");
        request.addHeader("Accept", "text/html");
        MockHttpServletResponse response = new MockHttpServletResponse();
        away.doFilter(request, response, (asked, answer) -> {
            asked.setAttribute(RequestDispatcher.ERROR_EXCEPTION, new NoSuchPage());
            throw new TransactionSystemException("JDBC rollback failed", new SQLException("Connection is closed"));
        });
        assertThat(response.getStatus()).isEqualTo(503);
        assertThat(request.getAttribute(RequestDispatcher.ERROR_EXCEPTION)).isNull();
    }

    /** It was done and answered: a redirect that is on its way is no fault for a session that was not kept; half an answer is. */
    @Test
    void an_answer_that_was_made_whole_stands_and_half_of_one_does_not_pass_for_it() throws Exception {
        Answered answered = new Answered();
        TransactionSystemException broken
                = new TransactionSystemException("JDBC rollback failed", new SQLException("Connection is closed"));
        MockHttpServletResponse whole = new MockHttpServletResponse();
        away.doFilter(new MockHttpServletRequest("POST", "/households/1/care/log"), whole, (asked, answer) -> {
            answered.doFilter(asked, answer, (inner, to) -> ((HttpServletResponse) to).sendRedirect("/households/1/care"));
            throw broken;
        });
        assertThat(whole.getStatus()).isEqualTo(302);
        MockHttpServletResponse half = new MockHttpServletResponse();
        assertThatThrownBy(() -> away.doFilter(new MockHttpServletRequest("GET", "/carry/people.csv"), half, (asked, answer) -> {
            answered.doFilter(asked, answer, (inner, to) -> {
                to.getWriter().write("name,e-mail");
                to.flushBuffer();
                throw broken;
            });
        })).isSameAs(broken);
    }

    /** The line breaks under the commit: neither that nor taking it back is heard of, and half an answer may have been written as bytes. */
    @Test
    void a_commit_that_nobody_heard_of_is_told_as_that() throws Exception {
        MockHttpServletRequest request = new MockHttpServletRequest("POST", "/households/1/care/log");
        request.addHeader("Accept", "application/json");
        request.setAttribute(HandlerMapping.BEST_MATCHING_HANDLER_ATTRIBUTE, this);
        MockHttpServletResponse response = new MockHttpServletResponse();
        away.doFilter(request, response, (asked, answer) -> {
            answer.getOutputStream().write('{');
            throw new TransactionSystemException("JDBC rollback failed", new SQLException("Connection is closed"));
        });
        assertThat(response.getStatus()).isEqualTo(503);
        assertThat(response.getContentAsString()).startsWith("{\"title\"").contains("Whether what you sent was carried out is not known");
    }

    @Test
    void what_was_typed_comes_back_to_be_sent_again_but_for_passwords() throws Exception {
        Staff jory = demo.staff("jory");
        String path = "/households/" + demo.household("Quiller") + "/brief/notes";
        String version = demo.jdbc().sql("select version from household where name = 'Quiller'").query(String.class).single();
        line.cut();
        MockHttpServletResponse away = as(jory, post(path).param("notes", "The \"side\" gate <sticks>.").param("version", version));
        assertThat(away.getStatus()).isEqualTo(503);
        Document said = Jsoup.parse(away.getContentAsString());
        assertThat(said.select("form").attr("action")).isEqualTo(path);
        assertThat(said.select("input[name=notes]").attr("value")).isEqualTo("The \"side\" gate <sticks>.");
        assertThat(said.text()).contains("look first", "Send it again");
        MockHttpServletResponse secret
                = as(jory, post("/people/password").param("current", "weir steps nine").param("wanted", "seven geese")
                        .param("note", "kept"));
        assertThat(secret.getStatus()).isEqualTo(503);
        assertThat(secret.getContentAsString()).contains("but for passwords and files").doesNotContain("seven geese", "weir steps");
        mend();
        MockHttpServletRequestBuilder again = post(path);
        said.select("input").forEach(field -> again.param(field.attr("name"), field.attr("value")));
        assertThat(as(jory, again).getStatus()).isEqualTo(302);
        assertThat(demo.jdbc().sql("select notes from household where name = 'Quiller'").query(String.class).single())
                .isEqualTo("The \"side\" gate <sticks>.");
    }

    /** As a full disk does it: every write is refused, and everything can be read. */
    @Test
    void reading_works_while_nothing_can_be_kept() throws Exception {
        Cookie session = mvc.perform(post("/sign-in").with(csrf()).param("email", "jory@ladderhall.example").param("password",
                "weir steps nine")).andReturn().getResponse().getCookie("roofnest");
        String house = "/households/" + demo.household("Quiller");
        takesNothing(true);
        try {
            for (String page : List.of("/", house + "/brief", house + "/survey", house + "/ready", house + "/pair", house + "/mount",
                    house + "/tune", house + "/share", house + "/prove", house + "/care", "/people", "/models", "/round")) {
                assertThat(mvc.perform(get(page).cookie(session)).andReturn().getResponse().getStatus()).as(page).isEqualTo(200);
            }
            MockHttpServletResponse refused = mvc.perform(post(house + "/brief/notes").cookie(session).with(csrf()).accept("text/html")
                    .param("notes", "Two dogs.").param("version", "0")).andReturn().getResponse();
            assertThat(refused.getStatus()).isEqualTo(503);
            assertThat(refused.getContentAsString()).contains("Nothing can be kept at the moment", "disk is full", "Two dogs.");
        } finally {
            takesNothing(false);
        }
        assertThat(mvc.perform(get(house + "/brief").cookie(session)).andReturn().getResponse().getStatus()).isEqualTo(200);
    }

    private void takesNothing(boolean on) throws Exception {
        try (var connection = dataSource.getConnection(); var statement = connection.createStatement()) {
            statement.execute("set default_transaction_read_only = off");
            statement.execute("alter database " + connection.getCatalog() + " set default_transaction_read_only = " + (on ? "on" : "off"));
        }
        dataSource.unwrap(HikariDataSource.class).getHikariPoolMXBean().softEvictConnections();
    }
}
