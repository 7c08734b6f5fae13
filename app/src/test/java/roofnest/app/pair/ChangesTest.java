package roofnest.app.pair;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import java.time.LocalDate;
import java.util.Set;

import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;

import roofnest.app.AppTest;
import roofnest.app.DemoPlaces;
import roofnest.app.records.ResidentRepository;
import roofnest.app.records.LogRepository;
import roofnest.app.records.HouseholdRepository;
import roofnest.app.records.NetworkRepository;
import roofnest.app.secrets.SecretStore;
import roofnest.app.records.CameraRepository;
import roofnest.app.records.HouseholdRef;
import roofnest.core.access.Access;
import roofnest.core.catalogue.Band;
import roofnest.core.catalogue.PairingMethod;
import roofnest.core.catalogue.WifiSecurity;
import roofnest.core.judge.Camera;
import roofnest.core.network.HomeNetwork;
import roofnest.core.view.CameraPose;

@AppTest
class ChangesTest {
    @Autowired private MockMvc mvc;
    @Autowired private DemoPlaces demo;
    @Autowired private HouseholdRepository households;
    @Autowired private CameraRepository cameras;
    @Autowired private NetworkRepository networks;
    @Autowired private ResidentRepository residents;
    @Autowired private SecretStore secrets;
    @Autowired private LogRepository log;
    @Autowired private Runs runs;
    @Autowired private RunHands hands;
    @Autowired private RunDesk desk;
    @Autowired private Sites sites;

    private HouseholdRef ref;
    private long gate;
    private long sill;

    @BeforeEach
    void aHouseWithTwoJoinedCameras() {
        ref = new HouseholdRef(
                households.add(demo.staff("jory").firmId(), "Changed", "6 Ferry Bank", LocalDate.now().plusDays(13), "new router"),
                demo.staff("jory"));
        networks.save(ref.id(), new HomeNetwork("ferrybank", "seven-otters-swim", Set.of(Band.GHZ_2_4), WifiSecurity.WPA2, false), 0,
                ref.by());
        gate = cameras.add(ref.id(), "Gate", "dunmark-post", new CameraPose(0, 0, 2.4, 0, 10), Camera.Settings.DEFAULT);
        sill = cameras.add(ref.id(), "Parlour", "oskarra-sill", new CameraPose(2, 0, 1.4, 0, 10), Camera.Settings.DEFAULT);
        cameras.markJoined(ref.id(), gate);
        cameras.markJoined(ref.id(), sill);
    }

    @Test
    void sound_credentials_are_advised_to_be_kept_and_those_a_leaver_knows_are_not() throws Exception {
        assertThat(page("/pair/rejoin")).contains("Keep the old name and password", "comes back by itself")
                .doesNotContain("seven-otters-swim");
        residents.add(ref.id(), "Old Lodger", "", Access.Tie.LEFT, LocalDate.now().minusDays(3));
        demo.touched(ref.id());
        assertThat(page("/pair/rejoin")).contains("They could be kept, and should not be", "Old Lodger has left");
    }

    @Test
    void progress_is_kept_over_two_visits_by_runs_and_by_ticks() throws Exception {
        assertThat(page("/pair/rejoin")).contains("0 of 2 devices are back", "The router has changed");
        perform(post(path("/pair/rejoin/begin")));
        perform(post(path("/pair/rejoin/back")).param("camera", String.valueOf(sill)));
        assertThat(page("/pair/rejoin")).contains("1 of 2 devices are back");
        long run = runs.start(ref, gate, PairingMethod.Way.HOTSPOT, true);
        demo.jdbc().sql("update run set finished_at = now() where id = :id").param("id", run).update();
        assertThat(page("/pair/rejoin")).contains("2 of 2 devices are back");
        perform(post(path("/pair/rejoin/back")).param("camera", String.valueOf(sill)).param("back", "false"));
        assertThat(page("/pair/rejoin")).contains("1 of 2 devices are back");
        perform(post(path("/pair/rejoin/over")));
        assertThat(page("/pair/rejoin")).contains("The router has changed");
        assertThat(perform(post(path("/pair/rejoin/back")).param("camera", String.valueOf(sill))).getStatus()).isEqualTo(404);
    }

    @Test
    void a_way_given_up_does_not_count_as_back() throws Exception {
        perform(post(path("/pair/rejoin/begin")));
        long run = runs.start(ref, gate, PairingMethod.Way.HOTSPOT, true);
        goOnBy(ref, run, PairingMethod.Way.STICKER);
        assertThat(page("/pair/rejoin")).contains("0 of 2 devices are back");
    }

    @Test
    void a_camera_leaves_the_house_with_its_secrets_and_stays_in_the_log() throws Exception {
        secrets.sealCameraPassword(ref.id(), gate, "Heron-44-wharf", ref.by());
        assertThat(page("/pair/cameras/" + gate + "/remove")).contains("out of the account first", "rubber flap");
        MockHttpServletResponse refused
                = perform(post(path("/pair/cameras/" + gate + "/remove")).param("owner", "Ida").param("card", "KEPT"));
        assertThat(refused.getStatus()).isEqualTo(422);
        assertThat(refused.getContentAsString()).contains("Take it out of the account first, then tick this", "value=\"Ida\"");
        assertThat(cameras.find(ref.id(), gate)).isPresent();
        assertThat(perform(
                post(path("/pair/cameras/" + gate + "/remove")).param("owner", "Ida").param("card", "KEPT").param("outOfAccount", "true"))
                .getStatus()).isEqualTo(302);
        assertThat(cameras.find(ref.id(), gate)).isEmpty();
        assertThat(cameras.of(ref.id())).extracting(Camera::name).containsExactly("Parlour");
        assertThat(secrets.revealCameraPassword(ref.id(), gate, "Gate", ref.by(), "test")).isEmpty();
        assertThat(log.of(ref.id()))
                .anySatisfy(entry -> assertThat(entry.words()).contains("Gate (Dunmark Post) taken out", "Ida said so"));
        assertThat(cameras.add(ref.id(), "Gate", "dunmark-post", new CameraPose(0, 0, 2.4, 0, 10), Camera.Settings.DEFAULT))
                .as("its name is free again").isPositive();
        assertThat(perform(get(path("/pair/cameras/" + gate + "/remove"))).getStatus()).isEqualTo(404);
    }

    private String page(String rest) throws Exception {
        return perform(get(path(rest))).getContentAsString();
    }

    private String path(String rest) {
        return "/households/" + ref.id() + rest;
    }

    private MockHttpServletResponse perform(MockHttpServletRequestBuilder request) throws Exception {
        return mvc.perform(request.with(user(demo.staff("jory"))).with(csrf())).andReturn().getResponse();
    }

    private long goOnBy(HouseholdRef ref, long run, PairingMethod.Way way) {
        String path = desk.changeWay(runs.port(ref, run), way).path();
        return Long.parseLong(path.substring(path.lastIndexOf('/') + 1));
    }
}
