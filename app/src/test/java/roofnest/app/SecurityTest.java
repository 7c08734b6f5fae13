package roofnest.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import java.nio.charset.StandardCharsets;
import java.util.List;

import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;

import roofnest.app.secrets.SecretStore;

@AppTest
class SecurityTest {
    @Autowired private MockMvc mvc;
    @Autowired private DemoPlaces demo;
    @Autowired private SecretStore secrets;

    @Test
    void the_content_security_policy_is_strict_on_every_page() throws Exception {
        for (String page : List.of("/sign-in", "/", "/households/" + demo.household("Quiller") + "/survey", "/nowhere")) {
            MockHttpServletResponse response = mvc.perform(get(page).with(user(demo.staff("jory")))).andReturn().getResponse();
            String policy = response.getHeader("Content-Security-Policy");
            assertThat(policy).as(page).contains("default-src 'none'", "script-src 'self'", "style-src 'self'", "frame-ancestors 'none'")
                    .doesNotContain("unsafe", "*", "http");
            assertThat(response.getHeader("X-Content-Type-Options")).isEqualTo("nosniff");
        }
    }

    /** A page and a file of a page, asked for over TLS, by somebody and by nobody. */
    @Test
    void every_answer_says_the_same_of_itself() throws Exception {
        for (String address : List.of("/sign-in", "/css/roofnest.css", "/sw.js", "/css/none.css")) {
            MockHttpServletResponse response = mvc.perform(get(address).secure(true)).andReturn().getResponse();
            assertThat(response.getHeader("Strict-Transport-Security")).as(address).isEqualTo("max-age=31536000");
            assertThat(response.getHeader("X-Frame-Options")).as(address).isEqualTo("DENY");
            assertThat(response.getHeader("X-Content-Type-Options")).as(address).isEqualTo("nosniff");
            assertThat(response.getHeader("X-XSS-Protection")).as(address).isEqualTo("0");
            assertThat(response.getHeader("Referrer-Policy")).as(address).isEqualTo("same-origin");
            assertThat(response.getHeader("Content-Security-Policy")).as(address).contains("default-src 'none'");
        }
        assertThat(mvc.perform(get("/sign-in")).andReturn().getResponse().getHeader("Cache-Control"))
                .isEqualTo("no-cache, no-store, max-age=0, must-revalidate");
    }

    @Test
    void no_page_carries_inline_script_or_style() throws Exception {
        for (String stage : List.of("brief", "survey", "ready", "pair", "mount", "tune", "share", "prove", "care")) {
            String page = mvc.perform(get("/households/" + demo.household("Quiller") + "/" + stage).with(user(demo.staff("jory"))))
                    .andReturn().getResponse().getContentAsString();
            assertThat(page).as(stage).doesNotContainPattern("<script(?![^>]*\\bsrc=)").doesNotContainPattern("\\sstyle=")
                    .doesNotContainPattern("\\son[a-z]+=\"").doesNotContain("<style");
        }
    }

    @Test
    void a_form_without_its_token_is_refused() throws Exception {
        String path = "/households/" + demo.household("Quiller") + "/brief/notes";
        assertThat(mvc.perform(post(path).with(user(demo.staff("jory"))).param("notes", "x")).andReturn().getResponse().getStatus())
                .isEqualTo(403);
    }

    /** A new session in the answer would take the place of the one in which the user is signing in again. */
    @Test
    void a_page_that_asks_while_signed_out_is_told_so_and_given_no_session() throws Exception {
        String survey = "/households/" + demo.household("Quiller") + "/survey";
        for (var request : List.of(post(survey + "/pose"), post(survey + "/pose").with(csrf()), get(survey))) {
            var answer = mvc.perform(request.header("X-Requested-With", "XMLHttpRequest")).andReturn();
            assertThat(answer.getResponse().getStatus()).isEqualTo(401);
            assertThat(answer.getRequest().getSession(false)).isNull();
        }
        assertThat(mvc.perform(get(survey)).andReturn().getResponse().getRedirectedUrl()).endsWith("/sign-in");
        assertThat(mvc.perform(get(survey).header("X-Requested-With", "XMLHttpRequest").with(user(demo.staff("jory")))).andReturn()
                .getResponse().getStatus()).isEqualTo(200);
    }

    @Test
    void passwords_lie_sealed_and_the_seal_belongs_to_its_household() {
        long quiller = demo.household("Quiller");
        byte[] sealed = demo.jdbc().sql("select sealed from secret where household_id = :id and kind = 'WIFI_PASSWORD'")
                .param("id", quiller).query(byte[].class).single();
        assertThat(new String(sealed, StandardCharsets.ISO_8859_1)).doesNotContain("Stufen", "Flu");
        assertThat(demo.wifiPassword(quiller)).contains("Flußlauf 9 Stufen");

        byte[] theirs = demo.jdbc().sql("select sealed from secret where household_id = :id and kind = 'WIFI_PASSWORD'")
                .param("id", demo.household("Verrall")).query(byte[].class).single();
        long osgood = demo.household("Osgood");
        byte[] before = demo.jdbc().sql("select sealed from secret where household_id = :id and kind = 'WIFI_PASSWORD'").param("id", osgood)
                .query(byte[].class).single();
        overwrite(osgood, theirs);
        assertThat(demo.wifiPassword(osgood)).as("another household's seal").isEmpty();
        overwrite(osgood, before);
    }

    @Test
    void an_apprentice_cannot_open_secrets_or_hand_over_and_an_installer_leaves_a_trace() throws Exception {
        String base = "/households/" + demo.household("Verrall");
        long before = demo.count("secret_reveal");
        for (String path : List.of("/ready/reveal", "/prove/sealed-sheet", "/prove/hand-over")) {
            assertThat(mvc.perform(post(base + path).with(user(demo.staff("wynn"))).with(csrf())).andReturn().getResponse().getStatus())
                    .as(path).isEqualTo(403);
        }
        assertThat(demo.count("secret_reveal")).isEqualTo(before);
        mvc.perform(post(base + "/ready/reveal").with(user(demo.staff("jory"))).with(csrf())
                .cookie(demo.justProved()));
        assertThat(secrets.reveals(demo.household("Verrall"))).first()
                .satisfies(reveal -> assertThat(reveal.by()).isEqualTo("Jory Penhale"));
    }

    @Test
    void only_the_owner_adds_people_and_only_to_the_own_firm() throws Exception {
        var request
                = post("/people").with(csrf()).param("name", "New Hand").param("email", "new@ladderhall.example").param("role", "INSTALLER")
                        .param("password", "a long enough word");
        assertThat(mvc.perform(request.with(user(demo.staff("jory")))).andReturn().getResponse().getStatus()).isEqualTo(403);
        mvc.perform(post("/people").with(csrf()).with(user(demo.staff("tamsin"))).param("name", "New Hand")
                .param("email", "New@Ladderhall.example")
                .param("role", "INSTALLER").param("password", "a long enough word"));
        assertThat(demo.staff("new").firmName()).isEqualTo("Ladderhall");
    }

    @Test
    void the_health_check_says_up_or_down_and_nothing_else_is_exposed() throws Exception {
        MockHttpServletResponse health = mvc.perform(get("/actuator/health")).andReturn().getResponse();
        assertThat(health.getStatus()).isEqualTo(200);
        assertThat(health.getContentAsString()).contains("UP").doesNotContain("components", "postgres", "disk");
        assertThat(mvc.perform(get("/actuator/env").with(user(demo.staff("tamsin")))).andReturn().getResponse().getStatus()).isEqualTo(404);
    }

    @Test
    void the_owner_alone_sees_the_figures_of_the_machine() throws Exception {
        mvc.perform(get("/households/" + demo.household("Quiller") + "/brief").with(user(demo.staff("jory"))));
        assertThat(mvc.perform(get("/actuator/metrics").with(user(demo.staff("jory")))).andReturn().getResponse().getStatus())
                .isEqualTo(403);
        assertThat(mvc.perform(get("/actuator/metrics")).andReturn().getResponse().getStatus()).isEqualTo(302);
        for (String figure : List.of("roofnest.judge", "roofnest.lock.wait", "roofnest.statement", "roofnest.request.statements",
                "cache.gets")) {
            MockHttpServletResponse shown = mvc.perform(get("/actuator/metrics/" + figure).with(user(demo.staff("tamsin")))).andReturn()
                    .getResponse();
            assertThat(shown.getStatus()).as(figure).isEqualTo(200);
        }
    }

    private void overwrite(long household, byte[] sealed) {
        demo.jdbc().sql("update secret set sealed = :sealed where household_id = :id and kind = 'WIFI_PASSWORD'")
                .param("sealed", sealed).param("id", household).update();
    }
}
