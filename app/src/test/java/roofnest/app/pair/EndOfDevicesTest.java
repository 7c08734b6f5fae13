package roofnest.app.pair;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;
import java.util.Set;

import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;

import roofnest.app.AppTest;
import roofnest.app.DemoPlaces;
import roofnest.app.records.AccessRepository;
import roofnest.app.records.AppointmentRepository;
import roofnest.app.records.CameraRepository;
import roofnest.app.records.DeviceBeforeRepository;
import roofnest.app.records.FaultCaseRepository;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.HouseholdRepository;
import roofnest.app.records.HubRepository;
import roofnest.app.records.LogRepository;
import roofnest.app.records.MailRepository;
import roofnest.app.records.MountPhotoRepository;
import roofnest.app.records.NetworkRepository;
import roofnest.app.records.ResidentRepository;
import roofnest.app.records.TermRepository;
import roofnest.app.records.TheftRepository;
import roofnest.app.secrets.SecretStore;
import roofnest.core.access.Access;
import roofnest.core.care.Coming;
import roofnest.core.catalogue.Band;
import roofnest.core.catalogue.WifiSecurity;
import roofnest.core.fault.Cause;
import roofnest.core.judge.Camera;
import roofnest.core.network.HomeNetwork;
import roofnest.core.view.CameraPose;
import roofnest.core.view.MaskCell;

/** Devices that break, are replaced, stolen or taken down, before the hand-over and long after it. */
@AppTest
class EndOfDevicesTest {
    @Autowired private MockMvc mvc;
    @Autowired private DemoPlaces demo;
    @Autowired private HouseholdRepository households;
    @Autowired private CameraRepository cameras;
    @Autowired private HubRepository hubs;
    @Autowired private NetworkRepository networks;
    @Autowired private ResidentRepository residents;
    @Autowired private AccessRepository access;
    @Autowired private AppointmentRepository appointments;
    @Autowired private DeviceBeforeRepository before;
    @Autowired private TheftRepository thefts;
    @Autowired private TermRepository terms;
    @Autowired private MountPhotoRepository photos;
    @Autowired private FaultCaseRepository cases;
    @Autowired private SecretStore secrets;
    @Autowired private MailRepository mail;
    @Autowired private LogRepository log;

    private HouseholdRef ref;
    private long gate;
    private long yard;

    @BeforeEach
    void aHouseWithTwoJoinedCameras() {
        ref = new HouseholdRef(households.add(demo.staff("tamsin").firmId(), "Ended", "8 Ferry Bank", LocalDate.now().plusDays(13), ""),
                demo.staff("tamsin"));
        networks.save(ref.id(), new HomeNetwork("ferrybank", "seven-otters-swim", Set.of(Band.GHZ_2_4), WifiSecurity.WPA2, false), 0,
                ref.by());
        gate = cameras.add(ref.id(), "Gate", "dunmark-post", new CameraPose(0, 0, 2.4, 0, 10), Camera.Settings.DEFAULT);
        yard = cameras.add(ref.id(), "Yard", "pellan-drift", new CameraPose(2, 0, 2.4, 0, 10), Camera.Settings.DEFAULT);
        for (long camera : List.of(gate, yard)) {
            cameras.markJoined(ref.id(), camera);
            cameras.markOwnPassword(ref.id(), camera);
            cameras.markMounted(ref.id(), camera);
        }
        cameras.keepSticker(ref.id(), gate, "DM-4471", "pack");
        cameras.mask(ref.id(), gate, Set.of(new MaskCell(0, 0)), cameras.get(ref.id(), gate).version());
        demo.touched(ref.id());
    }

    @Test
    void another_device_takes_over_what_it_can_and_nothing_is_said_to_be_joined() throws Exception {
        secrets.sealCameraPassword(ref.id(), gate, "Heron-44-wharf", ref.by());
        long wren = residents.add(ref.id(), "Wren Alder", "", Access.Tie.LIVES_HERE, null);
        access.grant(ref.id(), wren, gate, Access.Role.VIEWER, null);
        demo.touched(ref.id());
        int version = cameras.get(ref.id(), gate).version();
        assertThat(page("/pair/cameras/" + gate + "/replace?by=dunmark-gate")).contains("Another device for Gate", "blacked-out cells",
                "What no longer holds");
        MockHttpServletResponse refused = perform(post(path("/pair/cameras/" + gate + "/replace")).param("by", "no-such").param("why",
                "BROKEN").param("on", LocalDate.now().plusDays(1).toString()).param("version", String.valueOf(version)));
        assertThat(refused.getStatus()).isEqualTo(422);
        assertThat(refused.getContentAsString()).contains("Choose the model that comes", "This day is still to come");
        assertThat(cameras.get(ref.id(), gate).serial()).isEqualTo("DM-4471");

        assertThat(replace("dunmark-gate", version).getStatus()).isEqualTo(302);
        CameraRepository.Record now = cameras.get(ref.id(), gate);
        assertThat(now.camera().model().key()).isEqualTo("dunmark-gate");
        assertThat(now.camera().joined() || now.camera().ownPassword() || now.camera().mounted()).isFalse();
        assertThat(now.serial()).isNull();
        assertThat(now.camera().masked()).as("cells of another picture").isEmpty();
        assertThat(access.roleOf(ref.id(), wren, gate)).contains(Access.Role.VIEWER);
        assertThat(secrets.revealCameraPassword(ref.id(), gate, "Gate", ref.by(), "test")).isEmpty();
        assertThat(before.of(ref.id())).singleElement().satisfies(gone -> {
            assertThat(gone.model()).isEqualTo("Dunmark Post");
            assertThat(gone.serial()).isEqualTo("DM-4471");
            assertThat(gone.joinedOn()).isNotNull();
        });
        assertThat(log.of(ref.id())).anySatisfy(entry -> {
            assertThat(entry.kind()).isEqualTo(LogRepository.Kind.REPLACED);
            assertThat(entry.words()).contains("DM-4471", "Dunmark Gate takes its place");
        });
        assertThat(page("/pair/cameras/" + gate + "/replace")).contains("Before it", "DM-4471");
    }

    /** Somebody saved the camera after the page was opened, or replaced it already: nothing is replaced twice. */
    @Test
    void a_page_that_has_grown_old_replaces_nothing() throws Exception {
        int version = cameras.get(ref.id(), gate).version();
        assertThat(replace("dunmark-post", version).getStatus()).isEqualTo(302);
        MockHttpServletResponse old = replace("dunmark-gate", version);
        assertThat(old.getStatus()).isEqualTo(409);
        assertThat(old.getContentAsString()).contains("was changed by");
        assertThat(cameras.get(ref.id(), gate).camera().model().key()).isEqualTo("dunmark-post");
        assertThat(before.of(ref.id())).hasSize(1);
    }

    /** What failed and was replaced is among what fails, for as long as it was there; its calls are not those of what came after it. */
    @Test
    void a_device_that_was_replaced_still_counts_among_what_fails() throws Exception {
        long call = cases.open(ref.id(), gate, "dark", "dunmark-post", FaultCaseRepository.Season.WINTER, "Tamsin");
        cases.close(ref.id(), call, Optional.of(Cause.POWER), "Tamsin", 1);
        demo.jdbc().sql("update camera set joined_at = now() - interval '400 days' where id = :id").param("id", gate).update();
        FaultCaseRepository.Failed posts = failed("dunmark-post");
        assertThat(posts.cases()).isPositive();
        assertThat(replace("dunmark-gate", cameras.get(ref.id(), gate).version()).getStatus()).isEqualTo(302);
        assertThat(failed("dunmark-post").cameras()).isEqualTo(posts.cameras());
        assertThat(failed("dunmark-post").cases()).isEqualTo(posts.cases());
        assertThat(failed("dunmark-post").years()).isCloseTo(posts.years(), within(2 / 365.0));
        int gates = failed("dunmark-gate").cases();
        cameras.markJoined(ref.id(), gate);
        assertThat(failed("dunmark-gate").cases()).as("the call was about the one before").isEqualTo(gates);
        demo.jdbc().sql("delete from fault_case where id = :id").param("id", call).update();
    }

    private FaultCaseRepository.Failed failed(String model) {
        return cases.by(ref.staff().firmId(), FaultCaseRepository.By.MODEL).stream().filter(each -> each.group().equals(model)).findFirst()
                .orElse(new FaultCaseRepository.Failed(model, 0, 0, 0));
    }

    @Test
    void a_theft_is_reckoned_before_anything_is_taken_out() throws Exception {
        long perch = hubs.ensure(ref.id(), "pellan-perch", "Perch");
        hubs.markJoined(ref.id(), perch);
        demo.touched(ref.id());
        assertThat(page("/pair/theft?camera-" + gate + "=true")).contains("What is left", "Nothing is left of it", "Change the Wi-Fi");
        assertThat(perform(post(path("/pair/theft"))).getContentAsString()).contains("Say what is gone.");
        assertThat(perform(post(path("/pair/theft")).param("camera-" + gate, "true").param("hub-" + perch, "true").param("on", LocalDate
                .now().minusDays(1).toString())).getStatus()).isEqualTo(302);
        assertThat(cameras.find(ref.id(), gate)).isEmpty();
        assertThat(cameras.get(ref.id(), yard).camera().joined()).as("it joined through the hub").isFalse();
        assertThat(hubs.of(ref.id())).isEmpty();
        TheftRepository.Row kept = thefts.of(ref.id()).get(0);
        assertThat(kept.things()).extracting(TheftRepository.Thing::serial).containsExactly("DM-4471", "");
        assertThat(kept.footage()).extracting(TheftRepository.Footage::camera).containsExactly("Gate", "Yard");
        assertThat(text("/care/theft/" + kept.id() + ".pdf")).contains("DM-4471", "Dunmark Post", "not noted");

        perform(post(path("/pair/theft/" + kept.id() + "/0")).param("done", "true"));
        assertThat(thefts.get(ref.id(), kept.id()).changes().get(0).doneBy()).isEqualTo(ref.by());
        perform(post(path("/pair/theft/" + kept.id() + "/0")));
        assertThat(thefts.get(ref.id(), kept.id()).changes().get(0).doneAt()).isNull();
        assertThat(perform(post(path("/pair/theft/" + kept.id() + "/99")).param("done", "true")).getStatus()).as("nothing to note")
                .isEqualTo(
                        404);
        assertThat(perform(post(path("/pair/theft/" + (kept.id() + 1000) + "/0")).param("done", "true")).getStatus()).isEqualTo(404);
    }

    @Test
    void a_claim_says_what_is_at_hand_and_what_is_not() throws Exception {
        assertThat(page("/care/cameras/" + gate + "/warranty")).contains("No warranty was written down", "The receipt", "DM-4471");
        assertThat(page("/care/cameras/" + gate + "/warranty")).contains("A picture of it where it hangs.").doesNotContain("stands on the "
                + "paper");
        photos.keep(ref.id(), gate, new byte[] {1}, ref.by());
        assertThat(page("/care/cameras/" + gate + "/warranty")).contains("stands on the paper").doesNotContain("A picture of it where");
        demo.jdbc().sql("delete from mount_photo where household_id = :id").param("id", ref.id()).update();
        terms.add(ref.id(), new TermRepository.Row(0, Coming.Kind.WARRANTY, gate, "", LocalDate.now(), "two years", ref.by(), 1));
        assertThat(page("/care/cameras/" + gate + "/warranty")).contains("was written down to run until").doesNotContain("which has passed",
                "The receipt");
        assertThat(perform(post(path("/care/cameras/" + gate + "/warranty")).param("fault", "")).getStatus()).isEqualTo(422);
        perform(post(path("/care/cameras/" + gate + "/warranty")).param("fault", "no light at all"));
        assertThat(log.of(ref.id())).anySatisfy(entry -> {
            assertThat(entry.open()).isTrue();
            assertThat(entry.words()).contains("Warranty: Dunmark Post, serial DM-4471. no light at all");
        });
        assertThat(text("/care/cameras/" + gate + "/warranty.pdf")).contains("DM-4471", "no light at all");
    }

    /** Long after the hand-over a camera still breaks; taking it down opens no case again. */
    @Test
    void what_is_taken_down_after_the_hand_over_is_care() throws Exception {
        handedOver();
        assertThat(replace("dunmark-post", cameras.get(ref.id(), gate).version()).getStatus()).isEqualTo(302);
        assertThat(perform(post(path("/pair/cameras/" + yard + "/remove")).param("to", "TAKEN_DOWN").param("card", "NONE").param("owner",
                "Wren").param("outOfAccount", "true")).getStatus()).isEqualTo(302);
        assertThat(cameras.find(ref.id(), yard)).isEmpty();
        assertThat(log.of(ref.id())).anySatisfy(entry -> assertThat(entry.words()).contains("taken down and kept"));
    }

    /** That somebody comes is said only where that was agreed. */
    @Test
    void the_household_is_told_of_the_routers_day_ahead() throws Exception {
        handedOver();
        LocalDate day = LocalDate.now().plusDays(9);
        assertThat(perform(tell(LocalDate.now(), "wren@alder.example")).getContentAsString()).contains("They are told ahead");
        assertThat(perform(tell(day, "wren@alder.example")).getStatus()).isEqualTo(302);
        MailRepository.Mail first = mail.of(ref.id(), false).get(0);
        assertThat(first.body()).contains("Give the new router just the same name and password", "Gate", "If something does not come back")
                .doesNotContain("as agreed", "seven-otters-swim");
        assertThat(log.of(ref.id())).anySatisfy(entry -> assertThat(entry.nextOn()).isEqualTo(day));
        assertThat(demo.jdbc().sql("select what from coming where household_id = :id and on_day = :day").param("id", ref.id()).param("day",
                day).query(String.class).list()).anyMatch(what -> what.contains("The router changes"));
        appointments.appoint(ref.id(), day, new AppointmentRepository.Window(540, 600, 60), true);
        residents.add(ref.id(), "Old Lodger", "", Access.Tie.LEFT, LocalDate.now().minusDays(3));
        demo.touched(ref.id());
        perform(tell(day, "wren@alder.example"));
        assertThat(mail.of(ref.id(), false).get(0).body()).contains("comes to you on that day, as agreed",
                "do not come back by themselves");
    }

    private void handedOver() {
        demo.jdbc().sql("update household set handed_over_at = :at, stage = 'CARE', due_by_hand = false"
                + " where id = :id")
                .param("at", OffsetDateTime.now()
                        .minusYears(1))
                .param("id", ref.id()).update();
        demo.touched(ref.id());
    }

    private MockHttpServletRequestBuilder tell(LocalDate day, String to) {
        return post(path("/pair/rejoin/tell")).param("day", day.toString()).param("to", to);
    }

    private MockHttpServletResponse replace(String by, int version) throws Exception {
        return perform(post(path("/pair/cameras/" + gate + "/replace")).param("by", by).param("why", "BETTER").param("on", LocalDate.now()
                .toString()).param("version", String.valueOf(version)));
    }

    private String text(String rest) throws Exception {
        try (PDDocument document = Loader.loadPDF(perform(get(path(rest))).getContentAsByteArray())) {
            return new PDFTextStripper().getText(document);
        }
    }

    private String page(String rest) throws Exception {
        return perform(get(path(rest))).getContentAsString();
    }

    private String path(String rest) {
        return "/households/" + ref.id() + rest;
    }

    private MockHttpServletResponse perform(MockHttpServletRequestBuilder request) throws Exception {
        return mvc.perform(request.with(user(ref.staff())).with(csrf())).andReturn().getResponse();
    }
}
