package roofnest.app.care;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import java.time.LocalDate;
import java.util.Optional;

import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.jsoup.Jsoup;
import org.jsoup.nodes.Document;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;

import roofnest.app.AppTest;
import roofnest.app.DemoPlaces;
import roofnest.app.Made;
import roofnest.app.firm.FirmRepository;
import roofnest.app.firm.Hiring;
import roofnest.app.firm.Role;
import roofnest.app.firm.Staff;
import roofnest.app.records.CameraRepository;
import roofnest.app.records.Changes;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.HouseholdRepository;
import roofnest.app.records.RouterRepository;
import roofnest.app.web.Language;
import roofnest.core.judge.Camera;
import roofnest.core.promise.Stage;
import roofnest.core.view.CameraPose;

@AppTest
class RecallPageTest {
    private static int firms;

    @Autowired private MockMvc mvc;
    @Autowired private DemoPlaces demo;
    @Autowired private Hiring hiring;
    @Autowired private FirmRepository firmRepository;
    @Autowired private HouseholdRepository households;
    @Autowired private CameraRepository cameras;
    @Autowired private RouterRepository routers;
    @Autowired private Changes changes;

    private Staff staff;
    private long one;
    private long two;
    private long eye;

    @BeforeEach
    void a_firm_with_two_houses() {
        firms++;
        String email = "owner" + firms + "@recall.example";
        hiring.foundFirm("Recall " + firms, new Hiring.NewPerson("Una Tern", email, Role.OWNER, "weir steps nine"));
        staff = firmRepository.findByEmail(email).orElseThrow();
        one = house("Alder", "1 Recall Row");
        two = house("Birch", "2 Recall Row");
        eye = camera(one, "Front eye", "dunmark-post");
        camera(two, "Yard eye", "dunmark-post");
        camera(two, "Sill eye", "oskarra-sill");
    }

    @Test
    void who_has_a_model_is_found_told_and_done_and_what_is_left_is_counted() throws Exception {
        String recall = open("MODEL", "model", "dunmark-post");
        Document page = page(get(recall));
        assertThat(page.select("tbody tr")).hasSize(2);
        assertThat(page.text()).contains("Alder", "Birch", "0 of 2 are done, 2 not told yet", "nothing yet", "since ")
                .doesNotContain("Sill eye");
        assertThat(perform(step(recall, "told", one, eye)).getStatus()).isEqualTo(302);
        assertThat(page(get(recall)).text()).contains("told ", "1 not told yet");
        assertThat(perform(step(recall, "done", one, eye)).getStatus()).isEqualTo(302);
        assertThat(page(get(recall)).text()).contains("1 of 2 are done, 1 not told yet");
        assertThat(perform(step(recall, "back", one, eye)).getStatus()).isEqualTo(302);
        assertThat(perform(step(recall, "back", one, eye)).getStatus()).as("two at once").isEqualTo(409);
        assertThat(perform(step(recall, "told", two, eye)).getStatus()).as("a camera of another house").isEqualTo(422);
        assertThat(perform(post(recall + "/told").param("household", "x")).getStatus()).isEqualTo(422);
    }

    @Test
    void whoever_has_it_no_more_is_remembered_if_something_was_done_and_a_new_one_joins_the_list() throws Exception {
        String recall = open("MODEL", "model", "dunmark-post");
        perform(step(recall, "done", one, eye));
        changes.run(new HouseholdRef(one, staff), Stage.PAIR, () -> cameras.remove(one, eye, "Una"));
        Document page = page(get(recall));
        assertThat(page.text()).contains("0 of 1 is done", "1 more had it when something was done about it");
        camera(one, "New eye", "dunmark-post");
        assertThat(page(get(recall)).text()).contains("New eye", "0 of 2 are done");
    }

    @Test
    void of_a_firmware_those_are_counted_of_which_nobody_knows_it() throws Exception {
        changes.run(new HouseholdRef(one, staff), Stage.PAIR, () -> cameras.settle(one, eye, "3.2.1", null));
        String recall = openWith(post("/recalls").param("kind", "FIRMWARE").param("model", "dunmark-post").param("release", "3.2.1"));
        Document page = page(get(recall));
        assertThat(page.select("tbody tr")).hasSize(1);
        assertThat(page.text()).contains("Of 1 more camera of this model nobody wrote the firmware down");
    }

    @Test
    void a_router_is_of_the_whole_house_and_passwords_are_of_joined_cameras() throws Exception {
        changes.run(new HouseholdRef(two, staff), Stage.READY, () -> routers.save(two, new RouterRepository.Router("Hedgeway", false, false,
                Optional.empty(), Optional.empty(), Optional.empty(), 0)));
        assertThat(page(get(openWith(post("/recalls").param("kind", "ROUTER").param("router", "hedgeway")))).select("tbody tr").text())
                .contains("Birch", "the whole house", "not known since when");
        changes.run(new HouseholdRef(one, staff), Stage.PAIR, () -> cameras.markOwnPassword(one, eye));
        assertThat(page(get(openWith(post("/recalls").param("kind", "PASSWORD")))).select("tbody").text()).contains("Yard eye", "Sill eye")
                .doesNotContain("Front eye");
    }

    @Test
    void letters_are_made_in_each_households_language_and_tell_nobody_by_themselves() throws Exception {
        households.speak(two, Language.GERMAN);
        String recall = open("MODEL", "model", "dunmark-post");
        byte[] pdf = Made.file(mvc, get(recall + "/letters.pdf").with(user(staff))).getContentAsByteArray();
        try (PDDocument document = Loader.loadPDF(pdf)) {
            assertThat(document.getNumberOfPages()).isEqualTo(2);
            assertThat(new PDFTextStripper().getText(document)).contains("Alder", "You have: Front eye.", "Birch", "Sie haben: Yard eye.",
                    "The pack swells.");
        }
        assertThat(page(get(recall)).text()).contains("2 not told yet");
        assertThat(perform(post(recall + "/sent")).getStatus()).isEqualTo(302);
        assertThat(page(get(recall)).text()).contains("0 of 2 are done").doesNotContain("not told yet");
        assertThat(perform(post(recall + "/sent")).getStatus()).isEqualTo(409);
        assertThat(perform(get(recall + "/letters.pdf")).getStatus()).isEqualTo(404);
    }

    @Test
    void a_closed_recall_takes_nothing_more_and_another_firm_sees_none_of_it() throws Exception {
        String recall = open("MODEL", "model", "dunmark-post");
        String version = page(get(recall)).select("[name=version]").val();
        assertThat(perform(post(recall + "/close").param("version", version)).getStatus()).isEqualTo(302);
        assertThat(perform(post(recall + "/close").param("version", version)).getStatus()).isEqualTo(409);
        assertThat(perform(step(recall, "done", one, eye)).getStatus()).isEqualTo(409);
        assertThat(page(get("/recalls")).text()).contains("closed on");
        assertThat(mvc.perform(get(recall).with(user(demo.staff("jory")))).andReturn().getResponse().getStatus()).isEqualTo(404);
        assertThat(mvc.perform(get("/recalls").with(user(demo.staff("jory")))).andReturn().getResponse().getContentAsString())
                .doesNotContain(
                        "The pack swells.");
        String again = page(get(recall)).select("[name=version]").val();
        assertThat(perform(post(recall + "/reopen").param("version", again)).getStatus()).isEqualTo(302);
        assertThat(perform(step(recall, "done", one, eye)).getStatus()).isEqualTo(302);
    }

    @Test
    void what_is_missing_is_told_at_its_field_and_nothing_typed_is_lost() throws Exception {
        Document page = page(post("/recalls").param("kind", "FIRMWARE").param("model", "no-such").param("what", "It reboots."));
        assertThat(page.select(".fault")).hasSize(3);
        assertThat(page.select("#what").val()).isEqualTo("It reboots.");
    }

    private String open(String kind, String field, String value) throws Exception {
        return openWith(post("/recalls").param("kind", kind).param(field, value));
    }

    private String openWith(MockHttpServletRequestBuilder request) throws Exception {
        MockHttpServletResponse response = perform(request.param("what", "The pack swells.").param("doing", "Take it out and call us."));
        assertThat(response.getStatus()).isEqualTo(302);
        return response.getRedirectedUrl();
    }

    private static MockHttpServletRequestBuilder step(String recall, String step, long household, long camera) {
        return post(recall + "/" + step).param("household", "" + household).param("camera", "" + camera);
    }

    private long house(String name, String address) {
        return households.add(staff.firmId(), name, address, LocalDate.now(), "survey");
    }

    private long camera(long house, String name, String model) {
        return changes.make(new HouseholdRef(house, staff), Stage.PAIR, () -> {
            long camera = cameras.add(house, name, model, new CameraPose(0, 0, 2.4, 0, 10), Camera.Settings.DEFAULT);
            cameras.markJoined(house, camera);
            return camera;
        });
    }

    private Document page(MockHttpServletRequestBuilder request) throws Exception {
        return Jsoup.parse(perform(request).getContentAsString());
    }

    private MockHttpServletResponse perform(MockHttpServletRequestBuilder request) throws Exception {
        return mvc.perform(request.with(user(staff)).with(csrf())).andReturn().getResponse();
    }
}
