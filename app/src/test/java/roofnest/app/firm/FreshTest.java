package roofnest.app.firm;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import jakarta.servlet.http.Cookie;

import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;

import roofnest.app.AppTest;
import roofnest.app.DemoPlaces;

/** A sign-in lasts a day, and before a password is shown the person proves again that it is them. */
@AppTest
class FreshTest {
    @Autowired private MockMvc mvc;
    @Autowired private DemoPlaces demo;

    @BeforeEach
    void nobodyGuessedYet() {
        demo.jdbc().sql("delete from rate_limit").update();
    }

    private MockHttpServletResponse jory(MockHttpServletRequestBuilder request, Cookie session) throws Exception {
        return mvc.perform(request.with(user(demo.staff("jory"))).with(csrf()).cookie(session)).andReturn().getResponse();
    }

    private String ready() {
        return "/households/" + demo.household("Verrall") + "/ready";
    }

    @Test
    void a_password_is_shown_to_whoever_has_just_proved_who_they_are_in_that_one_answer_and_kept_nowhere() throws Exception {
        long before = demo.count("secret_reveal");
        String password = demo.wifiPassword(demo.household("Verrall")).orElseThrow();
        Cookie early = demo.proved(16);
        MockHttpServletResponse asked = jory(post(ready() + "/reveal").header("Referer", "http://localhost" + ready()), early);
        assertThat(asked.getRedirectedUrl()).isEqualTo("/again?back=" + ready().replace("/", "%2F"));
        assertThat(demo.count("secret_reveal")).as("nothing was shown").isEqualTo(before);
        assertThat(jory(post("/again").param("password", "wrong").param("back", ready()), early).getStatus()).isEqualTo(422);
        assertThat(jory(post(ready() + "/reveal"), early).getRedirectedUrl()).startsWith("/again");
        assertThat(jory(post("/again").param("password", "weir steps nine").param("back", ready()), early).getRedirectedUrl())
                .isEqualTo(ready());
        MockHttpServletResponse shown = jory(post(ready() + "/reveal"), early);
        assertThat(shown.getContentAsString()).contains(password);
        assertThat(shown.getHeader("Cache-Control")).contains("no-store");
        assertThat(demo.count("secret_reveal")).isEqualTo(before + 1);
        assertThat(jory(get(ready()), early).getContentAsString()).as("the next page").doesNotContain(password);
        assertThat(demo.jdbc().sql("select string_agg(encode(attribute_bytes, 'escape'), ' ') from spring_session_attributes")
                .query(String.class).single()).doesNotContain(password);
    }

    /** A clock put back makes nobody fresh for longer. */
    @Test
    void a_proof_from_the_future_counts_for_nothing() throws Exception {
        assertThat(jory(post(ready() + "/reveal"), demo.proved(-5)).getRedirectedUrl()).startsWith("/again");
        assertThat(jory(post(ready() + "/code"), demo.proved(15)).getRedirectedUrl()).startsWith("/again");
        assertThat(jory(post(ready() + "/code"), demo.proved(14)).getStatus()).isEqualTo(200);
    }

    @Test
    void guessing_here_is_as_slow_as_at_the_door() throws Exception {
        Cookie session = demo.proved(60);
        for (int i = 0; i < 5; i++) {
            assertThat(jory(post("/again").param("password", "guess " + i), session).getContentAsString())
                    .contains("not the password that you sign in with");
        }
        assertThat(jory(post("/again").param("password", "weir steps nine"), session).getContentAsString()).contains("Wait ");
    }

    @ParameterizedTest
    @ValueSource(
            strings = {"https://evil.example/", "//evil.example", "/\\evil.example", "/a?b=//x", "javascript:alert(1)", "", "/../x%0d%0a"})
    void nobody_is_sent_to_another_site_from_here(String back) throws Exception {
        String sent = jory(post("/again").param("password", "weir steps nine").param("back", back), demo.proved(60)).getRedirectedUrl();
        assertThat(sent).isEqualTo("/");
    }

    @Test
    void whoever_may_not_see_passwords_is_told_so_and_not_asked_for_their_own() throws Exception {
        assertThat(mvc.perform(post(ready() + "/reveal").with(user(demo.staff("wynn"))).with(csrf())).andReturn().getResponse().getStatus())
                .isEqualTo(403);
    }
}
