package roofnest.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import java.nio.charset.StandardCharsets;

import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;

import roofnest.core.plan.PlanDocument;

/** What the stages show of the demo's troubles, as their people would look for it. */
@AppTest
class StagePagesTest {
    @Autowired private MockMvc mvc;
    @Autowired private DemoPlaces demo;
    @Autowired private PlanDocument plans;

    @Test
    void the_front_page_groups_by_stage_and_flags_what_is_overdue() throws Exception {
        // Other tests may have moved its work on meanwhile.
        demo.jdbc().sql("""
            update household set due_on = current_date - 1, due_what = 'alerts all day from the road', due_by_hand = true
            where name = 'Osgood'
            """).update();
        StringBuilder pages = new StringBuilder();
        for (int number = 1; number <= 4; number++) {
            pages.append(mvc.perform(get("/").param("page", "" + number).with(user(demo.staff("odile")))).andReturn().getResponse()
                    .getContentAsString());
        }
        String page = pages.toString();
        assertThat(page.indexOf("Tansley")).isLessThan(page.indexOf("Verrall"));
        assertThat(page.indexOf("Verrall")).isLessThan(page.indexOf("Peverell"));
        long theirs = demo.jdbc().sql("select count(*) from household where firm_id = :firm and archived_at is null")
                .param("firm", demo.staff("odile").firmId())
                .query(Long.class).single();
        assertThat(theirs).isGreaterThanOrEqualTo(8);
        assertThat(page).contains("alerts all day from the road", "· overdue", theirs + " households");
    }

    @Test
    void a_router_that_is_too_new_bars_the_old_cameras_and_the_page_says_what_to_set() throws Exception {
        assertThat(page("Verrall", "ready")).contains("cannot join", "which Dunmark Post is too old for",
                "Set the router to WPA2 and WPA3 mixed");
    }

    @Test
    void alerts_all_day_break_what_the_card_has_to_keep() throws Exception {
        assertThat(page("Osgood", "tune")).contains("Keeps 14 days of footage", "clips of 30 s in a bad week", "GB card");
    }

    @Test
    void a_model_for_indoors_on_a_plug_gets_its_own_cautions_and_cable() throws Exception {
        assertThat(page("Verrall", "mount")).contains("This model is for indoors", "licensed electrician", "from the hall socket", "clips");
    }

    @Test
    void an_exported_plan_imports_again_without_loss() throws Exception {
        String exported = mvc.perform(get("/households/" + demo.household("Quiller") + "/survey/plan.json").with(user(demo.staff("jory"))))
                .andReturn().getResponse().getContentAsString(StandardCharsets.UTF_8);
        String again = plans.write(plans.read(exported));
        assertThat(plans.read(again)).isEqualTo(plans.read(exported));
        assertThat(plans.read(exported).walls()).hasSize(18);
    }

    @Test
    void the_example_plan_reads() throws Exception {
        String example
                = mvc.perform(get("/households/" + demo.household("Tansley") + "/survey/example-plan.json").with(user(demo.staff("jory"))))
                        .andReturn().getResponse().getContentAsString(StandardCharsets.UTF_8);
        assertThat(plans.read(example).walls()).hasSizeGreaterThan(9);
    }

    @Test
    void a_household_opens_where_its_work_stands_and_moves_on_by_a_press() throws Exception {
        String address = "/households/" + demo.household("Tansley");
        assertThat(mvc.perform(get(address).with(user(demo.staff("jory")))).andReturn().getResponse().getRedirectedUrl())
                .isEqualTo(address + "/brief");
        mvc.perform(post(address + "/reach/survey").with(user(demo.staff("jory"))).with(csrf()));
        assertThat(mvc.perform(get(address).with(user(demo.staff("jory")))).andReturn().getResponse().getRedirectedUrl())
                .isEqualTo(address + "/survey");
        assertThat(page("Tansley", "survey")).contains("No plan yet");
        assertThat(mvc.perform(post(address + "/reach/nowhere").with(user(demo.staff("jory"))).with(csrf())).andReturn().getResponse()
                .getStatus()).isEqualTo(404);
        demo.jdbc().sql("update household set stage = 'BRIEF' where name = 'Tansley'").update();
    }

    @Test
    void a_new_household_starts_at_its_brief() throws Exception {
        String address = mvc
                .perform(post("/households").with(user(demo.staff("odile"))).with(csrf()).param("name", "Wistow").param("address",
                        "1 Ferry Lane"))
                .andReturn().getResponse().getRedirectedUrl();
        assertThat(address).matches("/households/[0-9]+/brief");
        assertThat(page("Wistow", "brief")).contains("Nothing yet. Turn each wish into a sentence",
                "There is no plan yet: say in words which place is meant.");
        long id = demo.household("Wistow");
        demo.jdbc().sql("delete from household where id = :id").param("id", id).update();
    }

    private String page(String household, String stage) throws Exception {
        return mvc.perform(get("/households/" + demo.household(household) + "/" + stage).with(user(demo.staff("jory")))).andReturn()
                .getResponse()
                .getContentAsString(StandardCharsets.UTF_8);
    }
}
