package roofnest.app.models;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.multipart;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;

import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.mock.web.MockMultipartFile;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.AbstractMockHttpServletRequestBuilder;

import roofnest.app.AppTest;
import roofnest.app.DemoPlaces;
import roofnest.app.firm.Staff;
import roofnest.app.records.HouseholdRepository;
import roofnest.app.records.CameraRepository;
import roofnest.app.web.BadInput;
import roofnest.app.web.Form;
import roofnest.app.web.RegionForms;
import roofnest.core.catalogue.DeviceDocument;
import roofnest.core.catalogue.DeviceModel;
import roofnest.core.judge.Camera;
import roofnest.core.view.CameraPose;

@AppTest
class ModelsTest {
    @Autowired private MockMvc mvc;
    @Autowired private DemoPlaces demo;
    @Autowired private Models models;
    @Autowired private HouseholdRepository households;
    @Autowired private CameraRepository cameras;

    @Test
    void a_model_started_from_another_is_added_and_put_on_a_plan_by_its_own_firm_alone() throws Exception {
        Staff jory = demo.staff("jory");
        Staff petra = demo.staff("petra");
        assertThat(page(jory, "/models?from=dunmark-post")).contains("&quot;key&quot; : &quot;dunmark-post&quot;");
        String document = models.document(models.find(jory.firmId(), "dunmark-post").orElseThrow());
        String ours = document.replace("dunmark-post", "post-mark-two").replace("\"Post\"", "\"Post mark two\"");
        assertThat(perform(jory, multipart("/models").file(new MockMultipartFile("file", ours.getBytes()))).getStatus()).isEqualTo(302);

        String key = "own-" + jory.firmId() + "-post-mark-two";
        assertThat(models.get(key).fullName()).isEqualTo("Dunmark Post mark two");
        assertThat(page(jory, "/models")).contains("Dunmark Post mark two", "by Jory Penhale");
        assertThat(page(petra, "/models")).doesNotContain("mark two");
        assertThat(models.find(petra.firmId(), key)).isEmpty();
        assertThat(perform(petra, get("/models/" + key + "/document")).getStatus()).isEqualTo(404);
        assertThat(perform(jory, get("/models/" + key + "/document")).getContentAsString()).isEqualToIgnoringNewLines(ours);

        long house = households.add(jory.firmId(), "Mantel", "9 Tithe Lane", LocalDate.now().plusDays(20), "survey");
        long camera = cameras.add(house, "Porch eye", key, new CameraPose(0, 0, 2.5, 0, 10), Camera.Settings.DEFAULT);
        assertThat(cameras.of(house).get(0).model().name()).isEqualTo("Post mark two");
        assertThatThrownBy(() -> models.remove(jory.firmId(), "post-mark-two")).isInstanceOf(BadInput.class)
                .hasMessageContaining("A camera is of this model");
        demo.jdbc().sql("delete from camera where id = :id").param("id", camera).update();
        assertThat(perform(jory, post("/models/post-mark-two/remove")).getStatus()).isEqualTo(302);
        assertThat(models.own(jory.firmId())).isEmpty();
    }

    /** The stored standing of a house's promises follows, and so does a board that is open on it. */
    @Test
    void a_model_that_is_replaced_judges_every_house_that_has_it_anew() throws Exception {
        Staff jory = demo.staff("jory");
        String document = models.document(models.find(jory.firmId(), "dunmark-post").orElseThrow()).replace("dunmark-post", "post-mark-six")
                .replace("\"Post\"", "\"Post mark six\"");
        models.add(jory.firmId(), document, "Jory");
        long quiller = demo.household("Quiller");
        long camera = demo.camera("Quiller");
        String before = demo.jdbc().sql("select model_key from camera where id = :id").param("id", camera).query(String.class).single();
        String elsewhere = findings(demo.household("Tansley"));
        demo.jdbc().sql("update camera set model_key = :key where id = :id").param("key", "own-" + jory.firmId() + "-post-mark-six")
                .param("id", camera).update();
        models.add(jory.firmId(), document, "Jory");
        String wide = findings(quiller);
        String pose = "/households/" + quiller + "/survey?camera=" + camera;
        String board = page(jory, pose);
        perform(jory, post("/models").param("document", document.replaceFirst("\"hfovDeg\" : [0-9.]+", "\"hfovDeg\" : 21")));
        assertThat(findings(quiller)).as("judged by the narrow lens").isNotEqualTo(wide);
        assertThat(page(jory, pose)).isNotEqualTo(board);
        models.add(jory.firmId(), document, "Jory");
        assertThat(findings(quiller)).isEqualTo(wide);
        assertThat(findings(demo.household("Tansley"))).as("a house without it").isEqualTo(elsewhere);
        demo.jdbc().sql("update camera set model_key = :key where id = :id").param("key", before).param("id", camera).update();
        models.remove(jory.firmId(), "post-mark-six");
        demo.touched(quiller);
    }

    private String findings(long household) {
        return demo.jdbc().sql("select string_agg(f::text, '|' order by f::text) from finding f where household_id = :id")
                .param("id", household).query(String.class).single();
    }

    @Test
    void a_refused_document_comes_back_whole_with_every_fault() throws Exception {
        String bad = models.document(models.find(demo.staff("jory").firmId(), "oskarra-sill").orElseThrow())
                .replace("oskarra-sill", "our-sill")
                .replaceFirst("\"hfovDeg\" : [0-9.]+", "\"hfovDeg\" : 900").replaceFirst("\"screws\" : [0-9]+", "\"screws\" : \"four\"");
        MockHttpServletResponse response = perform(demo.staff("jory"), post("/models").param("document", bad));
        assertThat(response.getStatus()).isEqualTo(422);
        assertThat(response.getContentAsString()).contains("/lens/hfovDeg", "/mount/screws", "our-sill", "nothing was changed");
        assertThat(perform(demo.staff("jory"), post("/models").param("document", "{")).getContentAsString()).contains("not readable JSON");
        assertThat(models.own(demo.staff("jory").firmId())).isEmpty();
    }

    @Test
    void a_shipped_models_key_is_taken_and_an_apprentice_adds_none() throws Exception {
        String shipped = models.document(models.find(demo.staff("jory").firmId(), "oskarra-sill").orElseThrow());
        assertThat(perform(demo.staff("jory"), post("/models").param("document", shipped)).getContentAsString())
                .contains("ships with the application");
        assertThat(perform(demo.staff("wynn"), post("/models").param("document", shipped)).getStatus()).isEqualTo(403);
        assertThat(page(demo.staff("wynn"), "/models")).doesNotContain("Add a model");
        assertThat(perform(demo.staff("wynn"), get("/models/schema")).getContentAsString()).contains("Roof Nest device model");
    }

    @Test
    void every_model_survives_the_form() throws Exception {
        Staff jory = demo.staff("jory");
        for (DeviceModel model : models.of(jory.firmId())) {
            DeviceModel back = new DeviceDocument().read(ModelForm.document(new Form(ModelForm.values(models.document(model)))));
            assertThat(back).usingRecursiveComparison().ignoringFields("setUp.reset")
                    .ignoringCollectionOrderInFields("setUp.methods", "alerts.kinds").isEqualTo(model);
        }
    }

    @Test
    void a_form_with_faults_comes_back_as_typed_with_each_at_its_field() throws Exception {
        Map<String, String> typed
                = new HashMap<>(ModelForm.values(models.document(models.find(demo.staff("jory").firmId(), "oskarra-ledge").orElseThrow())));
        typed.put("/key", "our-ledge");
        typed.put("/lens/hfovDeg", "wide");
        typed.put("/power/leadM", "900");
        typed.put("/setUp/methods/wired/chance", "7");
        typed.put("/setUp/cues/joined/rhythm", "quick");
        typed.put("/setUp/cues/joined/voice", "");
        typed.put("/setUp/limits/codeToCm", "5");
        MockHttpServletResponse refused = perform(demo.staff("jory"), filled(typed));
        assertThat(refused.getStatus()).isEqualTo(422);
        String page = refused.getContentAsString();
        assertThat(page).contains("value=\"wide\"", "value=\"900\"", "value=\"our-ledge\"", "all that was typed is kept");
        for (String field : List.of("/lens/hfovDeg", "/power/leadM", "/setUp/methods/wired/chance")) {
            assertThat(page).containsPattern("name=\"" + field + "\"[^>]*aria-invalid=\"true\"");
        }
        typed.putAll(Map.of("/lens/hfovDeg", "98", "/power/leadM", "2", "/setUp/methods/wired/chance", "0.9"));
        String sense = perform(demo.staff("jory"), filled(typed)).getContentAsString();
        assertThat(sense).contains("looks and sounds the same", "nearer than the nearest");
        typed.putAll(Map.of("/setUp/cues/joined/rhythm", "steady", "/setUp/limits/codeToCm", "22"));
        assertThat(perform(demo.staff("jory"), filled(typed)).getStatus()).isEqualTo(302);
        assertThat(models.find(demo.staff("jory").firmId(), "own-" + demo.staff("jory").firmId() + "-our-ledge")).isPresent();
        models.remove(demo.staff("jory").firmId(), "our-ledge");
    }

    /** A pack of {@code 6,400} mAh is no pack of 6.4 where people part thousands by a comma. */
    @Test
    void figures_of_a_model_are_read_as_the_region_writes_them() throws Exception {
        Map<String, String> typed
                = new HashMap<>(ModelForm.values(models.document(models.find(demo.staff("jory").firmId(), "pellan-swift").orElseThrow())));
        typed.putAll(Map.of("/power/capacityMah", "6,400", "/lens/hfovDeg", "98,5", "/picture/night", "spotlight 9 1,400",
                "/mount/holes", "\u22120,5 27; 23 -13", "/setUp/methods/hub-button/minutes", "2,5"));
        DeviceModel here = new DeviceDocument().read(ModelForm.document(new Form(typed, new RegionForms(Locale.UK))));
        assertThat(here.power().capacityMah()).isEqualTo(6400);
        assertThat(here.lens().hfovDeg()).isEqualTo(98.5);
        assertThat(here.picture().night().get(0).lightMa()).isEqualTo(1400);
        assertThat(here.mount().holes().get(0).xMm()).isEqualTo(-0.5);
        typed.put("/power/capacityMah", "6.400,5");
        DeviceModel there = new DeviceDocument().read(ModelForm.document(new Form(typed, new RegionForms(Locale.GERMANY))));
        assertThat(there.power().capacityMah()).isEqualTo(6400.5);
        assertThat(ModelForm.number(new Form(Map.of(), new RegionForms(Locale.UK)), "6,400").asInt()).isEqualTo(6400);
        assertThat(ModelForm.number(new Form(Map.of(), new RegionForms(Locale.FRANCE)), "6,400").asDouble()).isEqualTo(6.4);
        for (String none : List.of("", "1e9", "1234567890", "0.1234567", "NaN")) {
            assertThat(ModelForm.number(new Form(Map.of()), none).isNumber()).as(none).isFalse();
        }
    }

    @Test
    void an_empty_form_is_refused_and_a_shipped_key_is_told_at_its_field() throws Exception {
        assertThat(perform(demo.staff("jory"), post("/models/form")).getStatus()).isEqualTo(422);
        Map<String, String> shipped
                = ModelForm.values(models.document(models.find(demo.staff("jory").firmId(), "oskarra-sill").orElseThrow()));
        assertThat(perform(demo.staff("jory"), filled(shipped)).getContentAsString())
                .containsPattern("(?s)id=\"/key-fault\">[^<]*ships with the application");
        assertThat(perform(demo.staff("wynn"), get("/models/form")).getStatus()).isEqualTo(403);
    }

    @Test
    void a_models_page_says_its_ways_cues_and_resets() throws Exception {
        assertThat(page(demo.staff("wynn"), "/models/pellan-swift")).contains(
                "Pellan Perch, may join through it; within 2 m, at most 8 cameras", "Tells people", "with its hub",
                "Hold the button under the body for 10 seconds, until it says", "before anything else works");
    }

    private static AbstractMockHttpServletRequestBuilder<?> filled(Map<String, String> values) {
        var request = post("/models/form");
        values.forEach(request::param);
        return request;
    }

    private String page(Staff staff, String path) throws Exception {
        return perform(staff, get(path)).getContentAsString();
    }

    private MockHttpServletResponse perform(Staff staff, AbstractMockHttpServletRequestBuilder<?> request) throws Exception {
        return mvc.perform(request.with(user(staff)).with(csrf())).andReturn().getResponse();
    }
}
