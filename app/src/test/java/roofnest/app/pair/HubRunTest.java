package roofnest.app.pair;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import java.time.LocalDate;
import java.util.Map;
import java.util.Set;

import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;

import roofnest.app.AppTest;
import roofnest.app.DemoPlaces;
import roofnest.app.records.CameraRepository;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.HouseholdRepository;
import roofnest.app.records.HubRepository;
import roofnest.app.records.NetworkRepository;
import roofnest.app.secrets.SecretStore;
import roofnest.app.web.BadInput;
import roofnest.app.web.Form;
import roofnest.app.web.NoSuchPage;
import roofnest.core.catalogue.Band;
import roofnest.core.catalogue.PairingMethod.Way;
import roofnest.core.catalogue.PhoneKind;
import roofnest.core.catalogue.WifiSecurity;
import roofnest.core.judge.Camera;
import roofnest.core.network.HomeNetwork;
import roofnest.core.view.CameraPose;

/** A hub is joined by a run of its own, before the cameras that join through it. */
@AppTest
class HubRunTest {
    @Autowired private MockMvc mvc;
    @Autowired private DemoPlaces demo;
    @Autowired private HouseholdRepository households;
    @Autowired private CameraRepository cameras;
    @Autowired private NetworkRepository networks;
    @Autowired private SecretStore secrets;
    @Autowired private Runs runs;
    @Autowired private RunHands hands;
    @Autowired private RunDesk desk;
    @Autowired private Sites sites;

    private HouseholdRef ref;
    private long door;

    @BeforeEach
    void aHubKit() {
        ref = new HouseholdRef(households.add(demo.staff("jory").firmId(), "Hubbed", "2 Staithe", LocalDate.now().plusDays(15), "hub kit"),
                demo.staff("jory"));
        networks.save(ref.id(), new HomeNetwork("staithe2", "nine-herons-wade", Set.of(Band.GHZ_2_4), WifiSecurity.WPA2, false), 0,
                ref.by());
        door = cameras.add(ref.id(), "Door", "pellan-drift", new CameraPose(0, 0, 2.4, 0, 10), Camera.Settings.DEFAULT);
    }

    @Test
    void the_hub_goes_first_and_is_secured_like_everything_else() throws Exception {
        assertThat(page()).contains("Perch", "not joined yet, goes first");
        long drift = runs.start(ref, door, Way.HUB_BUTTON, false);
        assertThat(sites.of(ref).waitsForHub(runs.port(ref, drift).open())).contains("Pellan Perch");
        long run = runs.startHub(ref, "pellan-perch", Way.HOTSPOT, PhoneKind.ONE_TAP, false);
        assertThat(runs.startHub(ref, "pellan-perch", Way.HOTSPOT, PhoneKind.ONE_TAP, false)).as("the same run").isEqualTo(run);
        hands.answer(ref, run, "power", "ready");
        hands.answer(ref, run, "hotspot", "on-hotspot");
        hands.answer(ref, run, "details", "joining");
        hands.answer(ref, run, "joining", "joined");
        hands.answer(ref, run, "live", "live");
        assertThat(sites.of(ref).waitsForHub(runs.port(ref, drift).open())).isEmpty();
        Form factory = new Form(Map.of("devicePassword", "perch-0000"));
        hands.fill(ref, run, "password", factory);
        assertThat(factory.faultAt("devicePassword")).contains("came with");
        hands.fill(ref, run, "password", new Form(Map.of("devicePassword", "Wharf-31-roof")));
        hands.answer(ref, run, "update", "updated");
        hands.fill(ref, run, "settle", new Form(Map.of("firmware", "5.0", "clockSet", "true")));
        hands.fill(ref, run, "sticker", new Form(Map.of("serial", "PE-1", "stickerKept", "in the guide")));
        Form taken = new Form(Map.of("cameraName", "door"));
        hands.fill(ref, run, "name", taken);
        assertThat(taken.faultAt("cameraName")).contains("Another camera");
        hands.fill(ref, run, "name", new Form(Map.of("cameraName", "Hall perch")));
        hands.answer(ref, run, "last-1", "put-right");
        assertThat(runs.port(ref, run).open().state().finished()).isTrue();
        HubRepository.Hub hub = sites.of(ref).hub("pellan-perch").orElseThrow();
        assertThat(hub.name()).isEqualTo("Hall perch");
        assertThat(hub.joined() && hub.ownPassword()).isTrue();
        assertThat(secrets.revealHubPassword(ref.id(), hub.id(), hub.name(), ref.by(), "test")).contains("Wharf-31-roof");
        assertThat(page()).contains("Hall perch", "joined, secured and named", "serial PE-1").doesNotContain("Wharf-31-roof");
    }

    @Test
    void what_is_no_hub_and_no_way_of_one_is_refused() {
        assertThatThrownBy(() -> runs.startHub(ref, "dunmark-post", Way.HOTSPOT, PhoneKind.ONE_TAP, true)).isInstanceOf(NoSuchPage.class);
        assertThatThrownBy(() -> runs.startHub(ref, "pellan-perch", Way.BROWSER, PhoneKind.ONE_TAP, true)).isInstanceOf(BadInput.class);
    }

    @Test
    void taking_the_hub_out_warns_of_its_cameras_and_takes_them_along() throws Exception {
        runs.startHub(ref, "pellan-perch", Way.WIRED, PhoneKind.ONE_TAP, true);
        HubRepository.Hub hub = sites.of(ref).hub("pellan-perch").orElseThrow();
        demo.jdbc().sql("update hub set joined_at = now() where id = :id").param("id", hub.id()).update();
        cameras.markJoined(ref.id(), door);
        demo.touched(ref.id());
        String path = "/households/" + ref.id() + "/pair/hubs/" + hub.id() + "/remove";
        assertThat(mvc.perform(get(path).with(user(ref.staff()))).andReturn().getResponse().getContentAsString())
                .contains("takes Door out with it");
        assertThat(mvc.perform(post(path).with(user(ref.staff())).with(csrf())).andReturn().getResponse().getStatus()).isEqualTo(422);
        assertThat(cameras.get(ref.id(), door).camera().joined()).isTrue();
        assertThat(
                mvc.perform(post(path).param("owner", "Kerra").with(user(ref.staff())).with(csrf())).andReturn().getResponse().getStatus())
                .isEqualTo(302);
        assertThat(cameras.get(ref.id(), door).camera().joined()).isFalse();
        assertThat(sites.of(ref).hub("pellan-perch")).isEmpty();
        assertThat(runs.startHub(ref, "pellan-perch", Way.WIRED, PhoneKind.ONE_TAP, true)).as("another one may come").isPositive();
        assertThat(mvc.perform(get(path).with(user(ref.staff()))).andReturn().getResponse().getStatus()).isEqualTo(404);
    }

    private String page() throws Exception {
        return mvc.perform(get("/households/" + ref.id() + "/pair").with(user(ref.staff()))).andReturn().getResponse().getContentAsString();
    }
}
