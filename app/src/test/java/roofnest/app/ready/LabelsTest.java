package roofnest.app.ready;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.multipart;

import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.Map;

import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.mock.web.MockMultipartFile;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockMultipartHttpServletRequestBuilder;

import roofnest.app.AppTest;
import roofnest.app.DemoPlaces;
import roofnest.app.records.HouseholdRepository;
import roofnest.app.secrets.SecretStore;
import roofnest.app.records.CameraRepository;
import roofnest.app.records.HouseholdRef;
import roofnest.core.judge.Camera;
import roofnest.core.view.CameraPose;

@AppTest
class LabelsTest {
    private static final String POST = "MODEL:Post;SN:PO-60001-K;ID:DMK7Q2XX;PW:lantern8;LOT:7";

    @Autowired private MockMvc mvc;
    @Autowired private DemoPlaces demo;
    @Autowired private HouseholdRepository households;
    @Autowired private CameraRepository cameras;
    @Autowired private SecretStore secrets;

    private HouseholdRef ref;
    private long post;
    private long sill;

    @BeforeEach
    void freshHouse() {
        demo.jdbc().sql("delete from household where name = 'Labels'").update();
        long house = households.add(demo.staff("jory").firmId(), "Labels", "3 Reed Lane", LocalDate.now().plusDays(9), "install");
        ref = new HouseholdRef(house, demo.staff("jory"));
        sill = cameras.add(house, "Parlour", "oskarra-sill", new CameraPose(0, 0, 1.4, 0, 10), Camera.Settings.DEFAULT);
        post = cameras.add(house, "Gate", "dunmark-post", new CameraPose(2, 0, 2.4, 0, 10), Camera.Settings.DEFAULT);
    }

    @Test
    void a_photo_of_a_sticker_finds_its_camera_and_seals_its_password() throws Exception {
        MockHttpServletResponse response
                = send(CodePhotos.of("WIFI:T:WPA;S:other;P:abcdefgh;;", POST), Map.of("stickerKept", "inside the guide"));
        assertThat(response.getStatus()).isEqualTo(302);
        CameraRepository.Record gate = cameras.get(ref.id(), post);
        assertThat(gate.serial()).isEqualTo("PO-60001-K");
        assertThat(gate.deviceId()).isEqualTo("DMK7Q2XX");
        assertThat(gate.stickerKept()).isEqualTo("inside the guide");
        assertThat(cameras.get(ref.id(), sill).serial()).isNull();
        assertThat(new String(
                demo.jdbc().sql("select sealed from secret where camera_id = :id").param("id", post).query(byte[].class).single(),
                StandardCharsets.ISO_8859_1)).doesNotContain("lantern8");
        assertThat(page()).contains("PO-60001-K", "password sealed").doesNotContain("lantern8");
        assertThat(secrets.initialPasswordForRules(ref.id(), post)).contains("lantern8");
        assertThat(secrets.withInitialPassword(ref.id())).containsExactly(post);
    }

    @Test
    void a_label_of_another_model_is_refused_and_nothing_is_kept() throws Exception {
        MockHttpServletResponse response = send(CodePhotos.of(POST), Map.of("camera", String.valueOf(sill)));
        assertThat(response.getStatus()).isEqualTo(422);
        assertThat(response.getContentAsString()).contains("This label is of a Post; Parlour is a Oskarra Sill");
        assertThat(cameras.get(ref.id(), sill).serial()).isNull();
        assertThat(secrets.initialPasswordForRules(ref.id(), sill)).isEmpty();
    }

    @Test
    void two_cameras_never_share_a_serial() throws Exception {
        assertThat(send(CodePhotos.of(POST), Map.of()).getStatus()).isEqualTo(302);
        assertThat(send(CodePhotos.of("SN:PO-60001-K"), Map.of("camera", String.valueOf(sill))).getContentAsString())
                .contains("is that of Gate at Labels already");
        assertThat(send(CodePhotos.of("SN:PO-60001-K"), Map.of("camera", String.valueOf(post))).getStatus()).isEqualTo(302);
    }

    @Test
    void what_stands_on_it_can_be_typed_off_and_nothing_typed_is_lost() throws Exception {
        MockHttpServletResponse refused
                = send(new byte[0], Map.of("camera", String.valueOf(sill), "deviceId", "SIL0ABC", "stickerKept", "under the plate"));
        assertThat(refused.getStatus()).isEqualTo(422);
        assertThat(refused.getContentAsString()).contains("Enter the serial", "SIL0ABC", "under the plate");
        assertThat(send(new byte[0],
                Map.of("camera", String.valueOf(sill), "serial", "SI-1", "deviceId", "SIL0ABC", "initialPassword", "x-first-1"))
                .getStatus()).isEqualTo(302);
        assertThat(cameras.get(ref.id(), sill).deviceId()).isEqualTo("SIL0ABC");
        assertThat(secrets.initialPasswordForRules(ref.id(), sill)).contains("x-first-1");
    }

    @Test
    void a_photo_without_a_serial_is_refused_in_words() throws Exception {
        assertThat(send(CodePhotos.of("WIFI:T:WPA;S:other;P:abcdefgh;;"), Map.of()).getContentAsString()).contains("holds no serial");
        assertThat(send("no picture".getBytes(), Map.of()).getContentAsString()).contains("no picture that can be read");
    }

    private String page() throws Exception {
        return mvc.perform(get("/households/" + ref.id() + "/ready/kit").with(user(ref.staff()))).andReturn().getResponse()
                .getContentAsString();
    }

    private MockHttpServletResponse send(byte[] photo, Map<String, String> values) throws Exception {
        MockMultipartHttpServletRequestBuilder request
                = multipart("/households/" + ref.id() + "/ready/kit/label").file(new MockMultipartFile("photo", photo));
        values.forEach(request::param);
        return mvc.perform(request.with(user(ref.staff())).with(csrf())).andReturn().getResponse();
    }
}
