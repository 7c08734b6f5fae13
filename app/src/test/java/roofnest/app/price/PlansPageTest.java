package roofnest.app.price;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import org.jsoup.Jsoup;
import org.jsoup.nodes.Document;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;

import roofnest.app.AppTest;
import roofnest.app.DemoPlaces;
import roofnest.app.firm.Staff;
import roofnest.app.records.CloudPlanRepository;
import roofnest.core.footage.CloudPlan;

/** Paid plans of makers are each firm's own rows. */
@AppTest
class PlansPageTest {
    @Autowired private CloudPlanRepository plans;
    @Autowired private DemoPlaces demo;
    @Autowired private MockMvc mvc;

    private Document page(Staff staff, String query) throws Exception {
        return Jsoup.parse(mvc.perform(get("/models/plans" + query).with(user(staff))).andReturn().getResponse().getContentAsString());
    }

    private MockHttpServletResponse send(Staff staff, String path, String... fields) throws Exception {
        var request = post("/models/plans" + path).with(user(staff)).with(csrf());
        for (int i = 0; i < fields.length; i += 2) {
            request = request.param(fields[i], fields[i + 1]);
        }
        return mvc.perform(request).andReturn().getResponse();
    }

    private CloudPlanRepository.Row named(Staff staff, String name) {
        return plans.rows(staff.firmId()).stream().filter(row -> row.plan().name().equals(name)).findFirst().orElseThrow();
    }

    @Test
    void a_plan_is_written_down_changed_and_taken_out_by_its_own_firm_alone() throws Exception {
        Staff jory = demo.staff("jory");
        Staff petra = demo.staff("petra");
        assertThat(send(jory, "", "id", "", "version", "0", "name", "Fold", "maker", "Vellin", "price", "4,50", "cameras", "", "days", "30",
                "clip", "90", "kind-person", "on").getRedirectedUrl()).isEqualTo("/models/plans");
        CloudPlanRepository.Row row = named(jory, "Fold");
        assertThat(row.plan().centsAMonth()).isEqualTo(450);
        assertThat(row.plan().camerasMost()).as("any number").isZero();
        assertThat(page(jory, "").select("table").text()).contains("Fold Vellin 4.50 EUR any number 30 days, clips to 90 s people");
        assertThat(page(jory, "?edit=" + row.plan().id()).select("#price").val()).isEqualTo("4.50");
        assertThat(plans.of(petra.firmId())).extracting(CloudPlan::name).doesNotContain("Fold");
        assertThat(page(petra, "?edit=" + row.plan().id()).select("#price").val()).isEmpty();
        String[] change = {"id", "" + row.plan().id(), "version", "0", "name", "Fold", "maker", "Vellin", "price", "5", "cameras", "2",
            "days", "30", "clip", "90"};
        assertThat(send(petra, "", change).getStatus()).as("another firm's").isEqualTo(409);
        assertThat(send(jory, "", change).getStatus()).isEqualTo(302);
        assertThat(send(jory, "", change).getStatus()).as("the later of two").isEqualTo(409);
        assertThat(named(jory, "Fold").plan().centsFor(3)).isEqualTo(1000);
        assertThat(send(petra, "/" + row.plan().id() + "/remove").getStatus()).isEqualTo(404);
        assertThat(send(jory, "/" + row.plan().id() + "/remove").getStatus()).isEqualTo(302);
        assertThat(send(jory, "/" + row.plan().id() + "/remove").getStatus()).isEqualTo(404);
    }

    /** People only is a paid kind of that maker. */
    @Test
    void settings_that_need_a_plan_say_what_it_costs() throws Exception {
        String path = "/households/" + demo.household("Osgood") + "/tune/" + demo.camera("Osgood") + "/quiet";
        Staff jory = demo.staff("jory");
        assertThat(Jsoup.parse(mvc.perform(get(path).with(user(jory))).andReturn().getResponse().getContentAsString()).select(".choice")
                .text()).contains("with a paid plan, Watch one: 3.49 EUR a month");
    }

    @Test
    void what_makes_no_plan_is_refused_at_the_field_and_nothing_typed_is_lost() throws Exception {
        Staff jory = demo.staff("jory");
        MockHttpServletResponse response = send(jory, "", "id", "", "name", " ", "maker", "Vellin", "price", "-1", "days", "x", "clip", "0",
                "cameras", "2.5");
        assertThat(response.getStatus()).isEqualTo(422);
        Document again = Jsoup.parse(response.getContentAsString());
        assertThat(again.select(".fault")).hasSizeGreaterThanOrEqualTo(5);
        assertThat(again.select("#price").val()).isEqualTo("-1");
        assertThat(again.select("#maker").val()).isEqualTo("Vellin");
        MockHttpServletResponse twice = send(jory, "", "id", "", "name", "Watch one", "maker", "Dunmark", "price", "1", "days", "1", "clip",
                "10");
        assertThat(twice.getStatus()).isEqualTo(422);
        assertThat(twice.getContentAsString()).contains("has a plan of that name here already");
        assertThat(send(demo.staff("wynn"), "", "id", "", "name", "A", "maker", "B", "price", "1", "days", "1", "clip", "10").getStatus())
                .isEqualTo(403);
    }
}
