package roofnest.app.firm;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

import jakarta.servlet.http.Cookie;

import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;

import roofnest.app.AppTest;
import roofnest.app.DemoPlaces;
import roofnest.app.web.BadInput;
import roofnest.app.web.Conflict;
import roofnest.app.web.Form;
import roofnest.app.web.NoSuchPage;

/** Passwords, roles and blocks: what is changed is felt at once, by everybody it is about and by nobody else. */
@AppTest
class AccountsTest {
    private static final String FIRST = "copper gull lantern";
    private static final String SECOND = "mossy tram whistle";

    @Autowired private Accounts accounts;
    @Autowired private FirmRepository firms;
    @Autowired private Hiring hiring;
    @Autowired private PasswordStrength strength;
    @Autowired private DemoPlaces demo;
    @Autowired private MockMvc mvc;

    private Staff owner;
    private Staff person;

    @BeforeEach
    void somebodyIsHired() {
        owner = demo.staff("tamsin");
        String email = "t" + UUID.randomUUID().toString().substring(0, 12) + "@ladderhall.example";
        hiring.hire(owner.firmId(), new Hiring.NewPerson("Morwen Tregarth", email, Role.INSTALLER, FIRST));
        person = firms.findByEmail(email).orElseThrow();
    }

    private static Form form(String... pairs) {
        Map<String, String> values = new HashMap<>();
        for (int i = 0; i < pairs.length; i += 2) {
            values.put(pairs[i], pairs[i + 1]);
        }
        return new Form(values);
    }

    private MockHttpServletResponse signIn(String password) throws Exception {
        return mvc.perform(post("/sign-in").with(csrf()).param("email", person.email()).param("password", password)).andReturn()
                .getResponse();
    }

    private Cookie session(String password) throws Exception {
        MockHttpServletResponse response = signIn(password);
        assertThat(response.getRedirectedUrl()).isEqualTo("/");
        return response.getCookie("roofnest");
    }

    private int status(Cookie session, String path) throws Exception {
        return mvc.perform(get(path).cookie(session)).andReturn().getResponse().getStatus();
    }

    @Test
    void ones_own_password_is_changed_with_the_old_one_and_ends_every_other_session() throws Exception {
        Cookie here = session(FIRST);
        Cookie elsewhere = session(FIRST);
        MockHttpServletResponse wrong = mvc.perform(post("/people/password").cookie(here).with(csrf()).param("current", "not it at all")
                .param("wanted", SECOND)).andReturn().getResponse();
        assertThat(wrong.getStatus()).isEqualTo(422);
        assertThat(wrong.getContentAsString()).contains("not the password that you sign in with").doesNotContain(SECOND);
        assertThat(
                mvc.perform(post("/people/password").cookie(here).with(csrf()).param("current", FIRST).param("wanted", FIRST)).andReturn()
                        .getResponse().getStatus())
                .as("the same again").isEqualTo(422);
        assertThat(mvc.perform(post("/people/password").cookie(here).with(csrf()).param("current", FIRST).param("wanted", SECOND))
                .andReturn().getResponse().getStatus()).isEqualTo(302);
        assertThat(status(here, "/people")).as("here they go on").isEqualTo(200);
        assertThat(status(elsewhere, "/people")).as("elsewhere they are out").isEqualTo(302);
        assertThat(signIn(FIRST).getRedirectedUrl()).contains("wrong");
        session(SECOND);
    }

    @Test
    void whoever_is_blocked_is_out_at_once_and_gets_no_further_with_the_right_password() throws Exception {
        Cookie session = session(FIRST);
        assertThat(status(session, "/people")).isEqualTo(200);
        String token = accounts.makeReset(owner, person.id());
        accounts.block(owner, person.id());
        assertThat(status(session, "/people")).isEqualTo(302);
        assertThat(signIn(FIRST).getRedirectedUrl()).contains("wrong");
        assertThatThrownBy(() -> accounts.ofReset(token)).as("no way round by an older link").isInstanceOf(NoSuchPage.class);
        assertThatThrownBy(() -> accounts.makeReset(owner, person.id())).isInstanceOf(BadInput.class);
        assertThatThrownBy(() -> accounts.block(owner, person.id())).isInstanceOf(Conflict.class);
        accounts.unblock(owner, person.id());
        assertThat(status(session, "/people")).as("an ended session stays ended").isEqualTo(302);
        session(FIRST);
        assertThatThrownBy(() -> accounts.unblock(owner, person.id())).isInstanceOf(Conflict.class);
    }

    @Test
    void another_role_is_felt_at_the_next_click_of_a_session_that_goes_on() throws Exception {
        Cookie session = session(FIRST);
        String sealed = "/households/" + demo.household("Brannock") + "/prove/sealed-sheet";
        accounts.setRole(owner, person.id(), Role.APPRENTICE);
        assertThat(mvc.perform(post(sealed).cookie(session).with(csrf())).andReturn().getResponse().getStatus()).isEqualTo(403);
        assertThat(status(session, "/people")).isEqualTo(200);
        accounts.setRole(owner, person.id(), Role.INSTALLER);
        assertThat(mvc.perform(post(sealed).cookie(session).with(csrf())).andReturn().getResponse().getStatus()).isEqualTo(200);
    }

    /** Good once, for an hour, and the newest alone; it is shown in no later answer and stands in no table. */
    @Test
    void a_link_sets_a_password_once_and_lets_whoever_waited_in_again() throws Exception {
        for (int i = 0; i < 5; i++) {
            signIn("a wrong guess " + i);
        }
        assertThat(signIn(FIRST).getRedirectedUrl()).as("five wrong guesses").contains("wait=");
        String older = accounts.makeReset(owner, person.id());
        MockHttpServletResponse made = mvc.perform(post("/people/" + person.id() + "/reset").with(user(owner)).with(csrf())).andReturn()
                .getResponse();
        assertThat(made.getHeader("Cache-Control")).contains("no-store");
        Matcher link = Pattern.compile("/reset/([A-Za-z0-9_-]{20,})").matcher(made.getContentAsString());
        assertThat(link.find()).isTrue();
        String token = link.group(1);
        assertThat(mvc.perform(get("/people").with(user(owner))).andReturn().getResponse().getContentAsString()).doesNotContain(token);
        assertThat(mvc.perform(get("/reset/" + older)).andReturn().getResponse().getStatus()).as("replaced").isEqualTo(404);
        assertThat(mvc.perform(get("/reset/guessed")).andReturn().getResponse().getStatus()).isEqualTo(404);
        MockHttpServletResponse page = mvc.perform(get("/reset/" + token)).andReturn().getResponse();
        assertThat(page.getHeader("Referrer-Policy")).isEqualTo("no-referrer");
        assertThat(page.getContentAsString()).contains("A new password for Morwen Tregarth");
        assertThat(mvc.perform(post("/reset/" + token).with(csrf()).param("wanted", "morwen1234")).andReturn().getResponse().getStatus())
                .as("their own name").isEqualTo(422);
        MockHttpServletResponse set = mvc.perform(post("/reset/" + token).with(csrf()).param("wanted", SECOND)).andReturn().getResponse();
        assertThat(set.getRedirectedUrl()).isEqualTo("/sign-in?set");
        assertThat(mvc.perform(post("/sign-in").with(csrf()).cookie(set.getCookie("roofnest-device")).param("email", person.email())
                .param("password", SECOND)).andReturn().getResponse().getRedirectedUrl()).as("in the browser that the link was opened in")
                .isEqualTo("/");
        assertThat(mvc.perform(post("/reset/" + token).with(csrf()).param("wanted", FIRST)).andReturn().getResponse().getStatus())
                .as("used").isEqualTo(404);
        String late = accounts.makeReset(owner, person.id());
        demo.jdbc().sql("update password_reset set expires_at = now() - interval '1 minute' where person_id = :id").param("id", person.id())
                .update();
        assertThat(mvc.perform(get("/reset/" + late)).andReturn().getResponse().getStatus()).as("an hour later").isEqualTo(404);
    }

    @Test
    void two_who_use_a_link_at_once_set_one_password() throws Exception {
        String token = accounts.makeReset(owner, person.id());
        ExecutorService pool = Executors.newFixedThreadPool(2);
        try {
            Callable<Boolean> first = () -> used(token, FIRST);
            Callable<Boolean> second = () -> used(token, SECOND);
            int set = 0;
            for (Future<Boolean> each : pool.invokeAll(List.of(first, second))) {
                set += each.get() ? 1 : 0;
            }
            assertThat(set).isEqualTo(1);
        } finally {
            pool.shutdownNow();
        }
    }

    private boolean used(String token, String password) {
        try {
            accounts.reset(token, form("wanted", password));
            return true;
        } catch (Conflict | NoSuchPage late) {
            return false;
        }
    }

    @Test
    void nobody_locks_themselves_out_and_no_other_firm_is_reached() throws Exception {
        assertThatThrownBy(() -> accounts.block(owner, owner.id())).isInstanceOf(BadInput.class);
        assertThatThrownBy(() -> accounts.setRole(owner, owner.id(), Role.OFFICE)).isInstanceOf(BadInput.class);
        Staff petra = demo.staff("petra");
        for (String act : List.of("role", "block", "unblock", "reset")) {
            assertThat(mvc.perform(post("/people/" + person.id() + "/" + act).with(user(petra)).with(csrf()).param("role", "OFFICE"))
                    .andReturn().getResponse().getStatus()).as(act).isEqualTo(404);
            assertThat(mvc.perform(post("/people/" + person.id() + "/" + act).with(user(demo.staff("jory"))).with(csrf())
                    .param("role", "OFFICE")).andReturn().getResponse().getStatus()).as("no owner: " + act).isEqualTo(403);
        }
        assertThat(firms.person(person.id()).orElseThrow()).satisfies(still -> {
            assertThat(still.role()).isEqualTo(Role.INSTALLER);
            assertThat(still.blocked()).isFalse();
        });
    }

    /** Two owners who take the role from each other: the first does, and the firm keeps one. */
    @Test
    void whoever_is_no_owner_any_more_takes_nobody_else_out() {
        accounts.setRole(owner, person.id(), Role.OWNER);
        Staff second = firms.person(person.id()).orElseThrow();
        accounts.setRole(owner, second.id(), Role.OFFICE);
        assertThatThrownBy(() -> accounts.setRole(second, owner.id(), Role.OFFICE)).isInstanceOf(Conflict.class);
        assertThatThrownBy(() -> accounts.block(second, owner.id())).isInstanceOf(Conflict.class);
        assertThat(firms.person(owner.id()).orElseThrow().role()).isEqualTo(Role.OWNER);
    }

    @ParameterizedTest
    @CsvSource({"short, true", "password123, true", "qwertyuiop, true", "aaaaaaaaaaaaaaa, true", "ladderhall2026, true",
        "ladderhalltamsin, true", "roofnest2026!, true", "weir steps nine, false", "copper gull lantern, false", "Tz8#qpW!v2mL, false"})
    void what_is_tried_first_is_refused(String password, boolean refused) {
        assertThat(strength.fault(password, Accounts.about(owner)).isPresent()).isEqualTo(refused);
    }

    @Test
    void what_the_hash_does_not_take_in_is_refused() {
        assertThat(strength.fault("zażółć gęślą jaźń ".repeat(5), List.of())).isPresent();
    }
}
