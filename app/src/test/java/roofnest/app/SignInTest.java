package roofnest.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;

@AppTest
class SignInTest {
    @Autowired private MockMvc mvc;
    @Autowired private DemoPlaces demo;

    @Test
    void the_right_password_opens_the_door_whatever_the_case_of_the_address() throws Exception {
        assertThat(attempt("Tamsin@LADDERHALL.example", "weir steps nine")).isEqualTo("/");
    }

    @Test
    void a_wrong_password_keeps_the_address_in_the_field() throws Exception {
        assertThat(attempt("odile@ladderhall.example", "no")).isEqualTo("/sign-in?wrong&email=odile%40ladderhall.example");
    }

    @Test
    void from_the_third_failure_on_even_the_right_password_has_to_wait() throws Exception {
        for (int i = 0; i < 3; i++) {
            assertThat(attempt("wynn@ladderhall.example", "guess " + i)).contains("wrong");
        }
        assertThat(attempt("wynn@ladderhall.example", "weir steps nine")).contains("wait=");
        demo.jdbc().sql("update login_attempt set next_try_at = now() - interval '1 second' where email = 'wynn@ladderhall.example'")
                .update();
        assertThat(attempt("wynn@ladderhall.example", "weir steps nine")).isEqualTo("/");
        assertThat(demo.jdbc().sql("select count(*) from login_attempt where email = 'wynn@ladderhall.example'").query(Long.class).single())
                .isZero();
    }

    @Test
    void an_address_that_nobody_has_waits_just_the_same() throws Exception {
        for (int i = 0; i < 3; i++) {
            assertThat(attempt("nobody@nowhere.example", "guess " + i)).contains("wrong");
        }
        assertThat(attempt("nobody@nowhere.example", "guess")).contains("wait=");
    }

    private String attempt(String email, String password) throws Exception {
        return mvc.perform(post("/sign-in").with(csrf()).param("email", email).param("password", password))
                .andReturn().getResponse().getRedirectedUrl();
    }
}
