package roofnest.app.practice;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import java.util.Map;

import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;

import roofnest.app.AppTest;
import roofnest.app.DemoPlaces;
import roofnest.app.records.JudgedHouseholds;
import roofnest.core.catalogue.Practice.Figure;
import roofnest.core.judge.Judged;
import roofnest.core.promise.Finding;
import roofnest.core.promise.Promise;
import roofnest.core.promise.Standing;

/** A firm's own figures count at once and everywhere; the owner alone changes them. */
@AppTest
class PracticeTest {
    @Autowired private MockMvc mvc;
    @Autowired private DemoPlaces demo;
    @Autowired private JudgedHouseholds judged;
    @Autowired private Figures figures;

    private long house;

    @BeforeEach
    void place() {
        house = demo.household("Quiller");
    }

    @AfterEach
    void asItWas() {
        demo.jdbc().sql("delete from practice").update();
        demo.jdbc().sql("update household set changes = changes + 1").update();
    }

    @Test
    void what_a_hand_reaches_is_judged_at_once_in_every_household() throws Exception {
        double before = reach().limit().value();
        assertThat(before).isEqualTo(2.3);
        assertThat(change("tamsin", 0, Map.of("out-of-reach", "2,9")).getStatus()).isEqualTo(302);
        assertThat(reach().limit().value()).isEqualTo(2.9);
        assertThat(reach().standing()).isEqualTo(Standing.BROKEN);
        assertThat(demo.jdbc().sql("select count(*) from finding where promise_key like '%reach%' and standing = 'BROKEN'"
                + " and household_id = :id").param("id", house).query(Integer.class).single()).as("the front page counts it").isPositive();
        assertThat(page("tamsin")).contains("the firm’s own; ordinarily 2.3 m", "value=\"2.9\"");
        assertThat(change("tamsin", 1, Map.of("out-of-reach", "")).getStatus()).isEqualTo(302);
        assertThat(reach().limit().value()).isEqualTo(2.3);
    }

    @Test
    void the_visit_and_the_kit_follow() throws Exception {
        String quick = perform(get("/households/" + house + "/ready/hours"), "tamsin").getContentAsString();
        String kit = perform(get("/households/" + house + "/ready/kit"), "tamsin").getContentAsString();
        assertThat(change("tamsin", 0, Map.of("mount", "60", "spare-fixings", "3")).getStatus()).isEqualTo(302);
        assertThat(perform(get("/households/" + house + "/ready/hours"), "tamsin").getContentAsString()).isNotEqualTo(quick);
        assertThat(kit).contains(", and 20 % more").doesNotContain(", and 200 % more");
        assertThat(perform(get("/households/" + house + "/ready/kit"), "tamsin").getContentAsString()).contains(", and 200 % more");
    }

    @Test
    void bad_figures_are_told_at_their_fields_and_nothing_typed_is_lost() throws Exception {
        String page = change("tamsin", 0, Map.of("mount", "many", "aim", "7.5", "from-the-ground", "2.6", "from-steps", "2.4"))
                .getContentAsString();
        assertThat(page).contains("Enter a figure from 0 to 120 min.", "value=\"many\"", "value=\"7.5\"",
                "From steps one works at least as high as from the ground, 2.6 m.");
        assertThat(figures.of(firm()).version()).isZero();
    }

    @Test
    void two_at_once_do_not_overwrite_each_other() throws Exception {
        assertThat(change("tamsin", 0, Map.of("aim", "9")).getStatus()).isEqualTo(302);
        MockHttpServletResponse late = change("tamsin", 0, Map.of("aim", "12"));
        assertThat(late.getContentAsString()).contains("The sheet of figures was changed by somebody else");
        assertThat(figures.of(firm()).practice().of(Figure.AIM)).isEqualTo(9);
    }

    @Test
    void only_the_owner_changes_them_and_another_firm_has_its_own() throws Exception {
        assertThat(change("jory", 0, Map.of("aim", "9")).getStatus()).isEqualTo(403);
        assertThat(page("jory")).contains("The owner of the firm changes these.").doesNotContain("Keep and judge every household");
        assertThat(change("tamsin", 0, Map.of("aim", "9")).getStatus()).isEqualTo(302);
        assertThat(figures.of(firm() + 1_000_000).practice().own()).isEmpty();
    }

    private Finding reach() {
        return judged.of(house).judgement().promises().stream().filter(j -> j.promise() instanceof Promise.OutOfReach)
                .map(Judged::finding).findFirst().orElseThrow();
    }

    private String page(String who) throws Exception {
        return perform(get("/people/figures"), who).getContentAsString();
    }

    private MockHttpServletResponse change(String who, int version, Map<String, String> values) throws Exception {
        MockHttpServletRequestBuilder request = post("/people/figures").param("version", String.valueOf(version));
        values.forEach(request::param);
        return perform(request, who);
    }

    private long firm() {
        return demo.staff("tamsin").firmId();
    }

    private MockHttpServletResponse perform(MockHttpServletRequestBuilder asked, String who) throws Exception {
        return mvc.perform(asked.with(user(demo.staff(who))).with(csrf())).andReturn().getResponse();
    }
}
