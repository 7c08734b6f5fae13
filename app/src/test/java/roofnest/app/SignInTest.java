package roofnest.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import java.util.List;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.stream.IntStream;

import jakarta.servlet.http.Cookie;

import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.AbstractMockHttpServletRequestBuilder;

@AppTest
class SignInTest {
    private static final String PASSWORD = "weir steps nine";

    @Autowired private MockMvc mvc;
    @Autowired private DemoPlaces demo;

    @BeforeEach
    void nobodyGuessedYet() {
        demo.jdbc().sql("delete from rate_limit").update();
    }

    @Test
    void the_right_password_opens_the_door_whatever_the_case_of_the_address() throws Exception {
        assertThat(attempt("Tamsin@LADDERHALL.example", "weir steps nine")).isEqualTo("/");
    }

    @Test
    void a_wrong_password_keeps_the_address_in_the_field() throws Exception {
        assertThat(attempt("odile@ladderhall.example", "no")).isEqualTo("/sign-in?wrong&email=odile%40ladderhall.example");
    }

    /** A right one in between gives the count back, so that five slips over a month keep nobody waiting. */
    @Test
    void after_five_wrong_guesses_even_the_right_password_has_to_wait() throws Exception {
        String address = "192.0.2.10";
        for (int i = 0; i < 4; i++) {
            assertThat(from(address, "wynn@ladderhall.example", "guess " + i)).contains("wrong");
        }
        assertThat(from(address, "wynn@ladderhall.example", PASSWORD)).isEqualTo("/");
        for (int i = 0; i < 5; i++) {
            assertThat(from(address, "wynn@ladderhall.example", "guess " + i)).contains("wrong");
        }
        assertThat(from(address, "wynn@ladderhall.example", PASSWORD)).contains("wait=");
        assertThat(from("192.0.2.11", "wynn@ladderhall.example", PASSWORD)).as("from elsewhere").isEqualTo("/");
    }

    @Test
    void an_address_that_nobody_has_waits_just_the_same() throws Exception {
        for (int i = 0; i < 5; i++) {
            assertThat(from("192.0.2.12", "nobody@nowhere.example", "guess " + i)).contains("wrong");
        }
        assertThat(from("192.0.2.12", "nobody@nowhere.example", "guess")).contains("wait=");
    }

    /** Somebody guesses at Odile's account from many addresses until it is slowed; her own phone is let in all the same. */
    @Test
    void whoever_signed_in_from_a_browser_before_is_not_kept_out_by_the_guesses_of_others() throws Exception {
        String email = "odile@ladderhall.example";
        Cookie device = mvc.perform(signIn("192.0.2.20", email, PASSWORD)).andReturn().getResponse().getCookie("roofnest-device");
        assertThat(device.isHttpOnly()).isTrue();
        for (int i = 0; i < 20; i++) {
            assertThat(from("198.51.100." + i, email, "guess " + i)).contains("wrong");
        }
        assertThat(from("203.0.113.7", email, PASSWORD)).as("a browser that nobody knows").contains("wait=");
        assertThat(mvc.perform(signIn("203.0.113.7", email, PASSWORD).cookie(device)).andReturn().getResponse().getRedirectedUrl())
                .isEqualTo("/");
        assertThat(mvc.perform(signIn("203.0.113.8", "petra@marramlane.example", "guess").cookie(device)).andReturn().getResponse()
                .getRedirectedUrl()).as("known for one person is not known for another").contains("wrong");
        int looked = 0;
        while (mvc.perform(signIn("203.0.113.9", email, "guess").cookie(device)).andReturn().getResponse().getRedirectedUrl()
                .contains("wrong")) {
            looked++;
        }
        assertThat(looked).as("a stolen browser guesses no faster").isEqualTo(10);
    }

    @Test
    void one_guess_at_each_of_many_accounts_is_slowed_too_and_a_whole_home_network_counts_as_one() throws Exception {
        int looked = 0;
        while (looked < 100 && from("2001:db8:7:1::" + Integer.toHexString(looked + 1), "s" + looked + "@ford.example", "summer")
                .contains("wrong")) {
            looked++;
        }
        assertThat(looked).as("thirty, and what comes back while they are looked at").isBetween(30, 33);
        assertThat(from("2001:db8:7:2::1", "s200@ford.example", "summer")).as("the neighbour's").contains("wrong");
    }

    @Test
    void guesses_sent_at_once_do_not_get_past_the_count() throws Exception {
        ExecutorService pool = Executors.newFixedThreadPool(12);
        try {
            List<Callable<String>> guesses = IntStream.range(0, 24)
                    .mapToObj(i -> (Callable<String>) () -> from("192.0.2.30", "at-once@ford.example", "guess " + i)).toList();
            int looked = 0;
            for (Future<String> answer : pool.invokeAll(guesses)) {
                looked += answer.get().contains("wrong") ? 1 : 0;
            }
            assertThat(looked).isEqualTo(5);
        } finally {
            pool.shutdownNow();
        }
    }

    /** Whatever is put into the two fields, the page comes back. */
    @ParameterizedTest
    @ValueSource(ints = {0, 1, 255, 300_000})
    void an_address_of_any_length_and_of_any_signs_is_only_wrong(int length) throws Exception {
        for (String sign : List.of("a", "\u0000", "\r\n", "\ud83d")) {
            assertThat(from("192.0.2." + (40 + length % 100), sign.repeat(length), sign.repeat(length))).contains("/sign-in?");
        }
    }

    private static AbstractMockHttpServletRequestBuilder<?> signIn(String address, String email, String password) {
        return post("/sign-in").with(csrf()).with(request -> {
            request.setRemoteAddr(address);
            return request;
        }).param("email", email).param("password", password);
    }

    private String from(String address, String email, String password) throws Exception {
        return mvc.perform(signIn(address, email, password)).andReturn().getResponse().getRedirectedUrl();
    }

    private String attempt(String email, String password) throws Exception {
        return mvc.perform(post("/sign-in").with(csrf()).param("email", email).param("password", password))
                .andReturn().getResponse().getRedirectedUrl();
    }
}
