package roofnest.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.multipart;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.put;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.MediaType;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.mock.web.MockMultipartFile;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.AbstractMockHttpServletRequestBuilder;

/** Wrong, impossible, over-long and stale input: a message at the field, what was typed is kept, nothing is half saved. */
@AppTest
class BadInputTest {
    @Autowired private MockMvc mvc;
    @Autowired private DemoPlaces demo;

    @ParameterizedTest
    @ValueSource(strings = {"[]", "{}", "not json",
        "{\"format\":\"roofnest-plan/1\",\"name\":\"x\",\"latitudeDeg\":NaN,\"storeys\":[],\"walls\":[]}",
        "{\"format\":\"roofnest-plan/1\",\"name\":\"x\",\"latitudeDeg\":50,\"storeys\":"
                + "[{\"id\":\"g\",\"name\":\"G\",\"floorM\":0,\"heightM\":-2.5}],\"walls\":[]}"})
    void an_impossible_plan_is_refused_whole_and_the_old_one_stays(String document) throws Exception {
        String before = plan();
        MockHttpServletResponse response
                = perform(multipart(path("/survey/plan")).file(new MockMultipartFile("plan", document.getBytes())));
        assertThat(response.getStatus()).isEqualTo(422);
        assertThat(response.getContentAsString()).contains("The plan was refused and nothing was changed").doesNotContain("Exception",
                "at roofnest");
        assertThat(plan()).isEqualTo(before);
    }

    @ParameterizedTest
    @CsvSource({"-1,Height in metres must be from 0.2 to 12", "99,Height in metres must be from 0.2 to 12", "null,A pose needs"})
    void an_impossible_height_is_a_problem_in_words(String height, String sentence) throws Exception {
        for (boolean save : new boolean[] {true, false}) {
            MockHttpServletResponse response
                    = pose(save, "{\"x\":11,\"y\":0,\"heightM\":" + height + ",\"headingDeg\":0,\"tiltDeg\":10,\"version\":0}");
            assertThat(response.getStatus()).isEqualTo(422);
            assertThat(response.getContentType()).isEqualTo(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
            assertThat(response.getContentAsString()).contains(sentence, "Nothing was changed");
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "{", "{\"x\":NaN}", "[1,2]", "\"pose\""})
    void what_is_no_pose_at_all_is_refused_without_a_trace_of_the_inside(String body) throws Exception {
        MockHttpServletResponse response = pose(true, body);
        assertThat(response.getStatus()).isBetween(400, 422);
        assertThat(response.getContentAsString()).doesNotContain("Exception", "jackson");
    }

    @Test
    void a_stale_pose_is_a_conflict_and_changes_nothing() throws Exception {
        MockHttpServletResponse response = pose(true, "{\"x\":1,\"y\":1,\"heightM\":2,\"headingDeg\":0,\"tiltDeg\":0,\"version\":77}");
        assertThat(response.getStatus()).isEqualTo(409);
        assertThat(response.getContentAsString()).contains("changed by somebody else", "It hangs at x 11.40 m");
        assertThat(
                demo.jdbc().sql("select x_m from camera where id = :id").param("id", demo.camera("Quiller")).query(Double.class).single())
                .isEqualTo(11.4);
    }

    @Test
    void a_stale_network_form_keeps_what_was_typed_and_can_be_sent_again() throws Exception {
        MockHttpServletResponse response = perform(post(path("/ready/network")).param("version", "9").param("ssid", "typed-by-me")
                .param("security", "WPA2").param("band-GHZ_2_4", "on"));
        assertThat(response.getStatus()).isEqualTo(409);
        assertThat(response.getContentAsString()).contains("typed-by-me", "changed by somebody else", "name=\"version\" value=\"1\"");
        assertThat(demo.jdbc().sql("select name from network where household_id = :id").param("id", demo.household("Quiller"))
                .query(String.class).single())
                .isEqualTo("Mühle & Wehr");
    }

    @Test
    void an_over_long_network_name_is_counted_in_bytes_at_its_field() throws Exception {
        String name = "é".repeat(17);
        MockHttpServletResponse response
                = perform(post(path("/ready/network")).param("version", "1").param("ssid", name).param("security", "WPA2"));
        assertThat(response.getStatus()).isEqualTo(422);
        assertThat(response.getContentAsString()).contains("34 bytes long", name, "id=\"ssid-fault\"", "Tick at least one band");
    }

    @Test
    void a_typed_password_is_never_sent_back_to_the_page() throws Exception {
        MockHttpServletResponse response
                = perform(post(path("/ready/network")).param("version", "1").param("ssid", "").param("security", "WPA2")
                        .param("password", "secret-that-was-typed"));
        assertThat(response.getStatus()).isEqualTo(422);
        assertThat(response.getContentAsString()).doesNotContain("secret-that-was-typed");
    }

    @Test
    void an_over_long_name_is_said_at_its_field_and_kept() throws Exception {
        String name = "Q".repeat(81);
        MockHttpServletResponse response = perform(post("/households").param("name", name).param("address", "1 Somewhere"));
        assertThat(response.getStatus()).isEqualTo(422);
        assertThat(response.getContentAsString()).contains("It has 81 characters; at most 80 fit", name, "1 Somewhere");
    }

    @Test
    void a_promise_about_a_place_that_is_not_on_the_plan_is_not_written() throws Exception {
        long before = demo.count("promise");
        MockHttpServletResponse response = perform(post(path("/brief/promises")).param("kind", "MAKE_OUT").param("level", "RECOGNISE")
                .param("light", "DAY").param("place", "moon"));
        assertThat(response.getStatus()).isEqualTo(422);
        assertThat(response.getContentAsString()).contains("Choose a place of the plan");
        response = perform(post(path("/brief/promises")).param("kind", "KEEPS_DAYS").param("days", "9999"));
        assertThat(response.getContentAsString()).contains("from 1 to 365 days", "value=\"9999\"");
        assertThat(demo.count("promise")).isEqualTo(before);
    }

    @Test
    void settings_outside_the_models_limits_are_each_said_at_their_field() throws Exception {
        MockHttpServletResponse response
                = perform(post(path("/tune/" + demo.camera("Quiller"))).param("version", "0").param("clipSeconds", "900")
                        .param("coolDownSeconds", "-3").param("cardGb", "4096").param("visitsPerDay", "many").param("liveMinutes", "NaN")
                        .param("openSky", "55")
                        .param("chargeEveryDays", "90"));
        assertThat(response.getStatus()).isEqualTo(422);
        assertThat(response.getContentAsString()).contains("from 5 to 60 s", "from 0 to 3600 s", "from 0 to 128 GB", "from 0 to 2000",
                "from 0 to 1440 min",
                "value=\"900\"", "value=\"many\"");
    }

    @Test
    void nobody_who_left_is_given_access_and_a_guest_needs_a_last_day() throws Exception {
        long lodger = demo.jdbc().sql("select id from resident where name = 'Corin Ashdown'").query(Long.class).single();
        long hesper = demo.jdbc().sql("select id from resident where name = 'Hesper Quiller'").query(Long.class).single();
        assertThat(perform(post(path("/share/" + lodger + "/" + demo.camera("Quiller"))).param("role", "MANAGER")).getContentAsString())
                .contains("has left; give access to people who belong here");
        MockHttpServletResponse guest = perform(post(path("/share/" + hesper + "/" + demo.camera("Quiller"))).param("role", "GUEST"));
        assertThat(guest.getStatus()).isEqualTo(422);
        assertThat(guest.getContentAsString()).contains("A guest needs a last day");
    }

    @Test
    void a_camera_that_is_not_joined_is_neither_hung_nor_tested() throws Exception {
        assertThat(perform(post(path("/mount/" + demo.camera("Quiller") + "/hung"))).getContentAsString())
                .contains("before any hole is drilled");
        MockHttpServletResponse trial = perform(post(path("/prove/" + demo.camera("Quiller") + "/trials")).param("kind", "ALERT"));
        assertThat(trial.getStatus()).isEqualTo(422);
        assertThat(demo.jdbc().sql("select mounted_at is null from camera where id = :id").param("id", demo.camera("Quiller"))
                .query(Boolean.class).single()).isTrue();
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "M1 1", "javascript:alert(1)", "M1 1L2 2\"><script>", "M99999 1L1 1L1 1L1 1L1 1L1 1L1 1L1 1"})
    void a_signature_that_was_not_drawn_is_not_taken(String strokes) throws Exception {
        MockHttpServletResponse response = perform(post(path("/prove/signature")).param("signer", "Ida Quiller").param("strokes", strokes));
        assertThat(response.getStatus()).isEqualTo(422);
        assertThat(response.getContentAsString()).contains("Sign in the box", "Ida Quiller").doesNotContain("<script>");
        assertThat(demo.jdbc().sql("select count(*) from signature where household_id = :id").param("id", demo.household("Quiller"))
                .query(Long.class).single()).isZero();
    }

    @Test
    void a_house_without_a_signature_is_not_handed_over() throws Exception {
        assertThat(perform(post(path("/prove/hand-over"))).getContentAsString()).contains("The householder has not signed yet");
        assertThat(demo.jdbc().sql("select handed_over_at is null from household where id = :id").param("id", demo.household("Quiller"))
                .query(Boolean.class).single()).isTrue();
    }

    @Test
    void the_log_takes_no_day_that_is_still_to_come() throws Exception {
        MockHttpServletResponse response
                = perform(post(path("/care/log")).param("kind", "CHARGE").param("words", "charged").param("on", "2099-01-01"));
        assertThat(response.getContentAsString()).contains("still to come", "which camera", "value=\"charged\"");
    }

    @Test
    void typed_markup_is_shown_as_text() throws Exception {
        perform(post(path("/brief/notes")).param("notes", "<script>alert(1)</script>").param("version", String.valueOf(version())));
        String page = perform(get(path("/brief"))).getContentAsString();
        assertThat(page).contains("&lt;script&gt;alert(1)").doesNotContain("<script>alert(1)");
    }

    @Test
    void stale_notes_keep_both_texts_on_the_page_and_only_theirs_in_the_store() throws Exception {
        int version = version();
        perform(post(path("/brief/notes")).param("notes", "theirs: dog bites").param("version", String.valueOf(version)));
        MockHttpServletResponse response
                = perform(post(path("/brief/notes")).param("notes", "mine: key under pot").param("version", String.valueOf(version)));
        assertThat(response.getStatus()).isEqualTo(409);
        assertThat(response.getContentAsString()).contains("theirs: dog bites", "mine: key under pot", "changed by somebody else");
        assertThat(demo.jdbc().sql("select notes from household where id = :id").param("id", demo.household("Quiller")).query(String.class)
                .single())
                .isEqualTo("theirs: dog bites");
        assertThat(perform(post(path("/brief/notes")).param("notes", "both").param("version", String.valueOf(version + 1))).getStatus())
                .isEqualTo(302);
    }

    private int version() {
        return demo.jdbc().sql("select version from household where id = :id").param("id", demo.household("Quiller")).query(Integer.class)
                .single();
    }

    private MockHttpServletResponse pose(boolean save, String body) throws Exception {
        String camera = path("/survey/cameras/" + demo.camera("Quiller"));
        var request = save ? put(camera + "/pose") : post(camera + "/try");
        return perform(request.contentType(MediaType.APPLICATION_JSON).accept("text/html", "application/problem+json").content(body));
    }

    private MockHttpServletResponse perform(AbstractMockHttpServletRequestBuilder<?> request) throws Exception {
        request.with(user(demo.staff("jory"))).with(csrf());
        return mvc.perform(request).andReturn().getResponse();
    }

    private String path(String rest) {
        return "/households/" + demo.household("Quiller") + rest;
    }

    private String plan() {
        return demo.jdbc().sql("select plan::text from household where id = :id").param("id", demo.household("Quiller")).query(String.class)
                .single();
    }
}
