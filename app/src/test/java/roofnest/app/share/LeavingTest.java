package roofnest.app.share;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import java.time.LocalDate;
import java.util.HashMap;
import java.util.Map;
import java.util.Set;

import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;

import roofnest.app.AppTest;
import roofnest.app.DemoPlaces;
import roofnest.app.household.Frame;
import roofnest.app.household.Frames;
import roofnest.app.records.AccessRepository;
import roofnest.app.records.CameraRepository;
import roofnest.app.records.Changes;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.HouseholdRepository;
import roofnest.app.records.LedgerRepository;
import roofnest.app.records.LogRepository;
import roofnest.app.records.NetworkRepository;
import roofnest.app.records.PromiseRepository;
import roofnest.app.records.ResidentRepository;
import roofnest.app.secrets.SecretStore;
import roofnest.app.web.Conflict;
import roofnest.app.web.Form;
import roofnest.app.web.NoSuchPage;
import roofnest.core.access.Access;
import roofnest.core.access.LeavingPlan;
import roofnest.core.access.Secret;
import roofnest.core.catalogue.Band;
import roofnest.core.catalogue.WifiSecurity;
import roofnest.core.judge.Camera;
import roofnest.core.network.HomeNetwork;
import roofnest.core.promise.Finding;
import roofnest.core.promise.Promise;
import roofnest.core.promise.Stage;
import roofnest.core.promise.Standing;
import roofnest.core.view.CameraPose;

/** Who can look is what they know and were given, and somebody is out when that is gone and their own try was refused. */
@AppTest
class LeavingTest {
    private static final LeavingPlan.Wish PICTURES = new LeavingPlan.Wish(false, false);

    @Autowired private LeavingDesk desk;
    @Autowired private Knowing knowing;
    @Autowired private Grants grants;
    @Autowired private AccessRepository access;
    @Autowired private LedgerRepository ledger;
    @Autowired private ResidentRepository residents;
    @Autowired private NetworkRepository networks;
    @Autowired private SecretStore secrets;
    @Autowired private Frames frames;
    @Autowired private Changes changes;
    @Autowired private HouseholdRepository households;
    @Autowired private CameraRepository cameras;
    @Autowired private PromiseRepository promises;
    @Autowired private DemoPlaces demo;
    @Autowired private Lessons lessons;
    @Autowired private LogRepository log;
    @Autowired private MockMvc mvc;

    private HouseholdRef ref;
    private long gate;
    private long yard;
    private long ida;
    private long lodger;

    @BeforeEach
    void aHouseWithALodger() {
        ref = new HouseholdRef(households.add(demo.staff("jory").firmId(), "Shared", "7 Staithe", LocalDate.now().plusDays(2), "share"),
                demo.staff("jory"));
        changes.run(ref, Stage.SHARE, () -> {
            gate = cameras.add(ref.id(), "Gate eye", "dunmark-post", new CameraPose(0, 0, 2.4, 0, 10), Camera.Settings.DEFAULT);
            yard = cameras.add(ref.id(), "Hen yard", "tarrowby-turn", new CameraPose(4, 0, 2.4, 0, 10), Camera.Settings.DEFAULT);
            for (long camera : new long[] {gate, yard}) {
                cameras.markJoined(ref.id(), camera);
                cameras.markOwnPassword(ref.id(), camera);
            }
            promises.onlyThese(ref.id());
            networks.save(ref.id(), new HomeNetwork("Staithe", "plainwords22", Set.of(Band.GHZ_2_4), WifiSecurity.WPA2, false), 0,
                    "Jory");
            ida = residents.add(ref.id(), "Ida", "ida@staithe.example", Access.Tie.LIVES_HERE, null);
            lodger = residents.add(ref.id(), "Corin", "corin@staithe.example", Access.Tie.LIVES_HERE, null);
            access.grant(ref.id(), ida, gate, Access.Role.OWNER, null);
        });
        set(lodger, gate, "VIEWER");
        set(lodger, yard, "VIEWER");
        set(ida, yard, "OWNER");
    }

    private String set(long person, long camera, String role) {
        Form form = new Form(new HashMap<>(Map.of("role", role)));
        String said = grants.set(ref, person, camera, form);
        assertThat(form.ok()).as("%s", form.faultAt("cell-" + person + "-" + camera)).isTrue();
        return said;
    }

    private Finding onlyThese() {
        Frame frame = frames.frame(ref, Stage.SHARE);
        return frame.judgement().promises().stream().filter(judged -> judged.promise() instanceof Promise.OnlyThese).findFirst()
                .orElseThrow().finding();
    }

    private LeavingDesk.State state(boolean standIns) {
        return desk.state(frames.frame(ref, Stage.SHARE), lodger, standIns, PICTURES);
    }

    private long begun(boolean standIns) {
        desk.begin(ref, lodger, standIns, PICTURES);
        return state(standIns).leaving().orElseThrow().id();
    }

    @Test
    void taking_a_name_off_kit_that_is_shared_by_a_password_takes_nothing_back_and_says_so() {
        assertThat(set(lodger, yard, ""))
                .isEqualTo("Corin is off the list of Hen yard, and knows its ID and password until they are changed.");
        assertThat(set(lodger, gate, "")).isEqualTo("Corin is off Gate eye.");
        residents.change(ref.id(), lodger, "Corin", "corin@staithe.example", Access.Tie.LEFT, LocalDate.now(), 0);
        demo.touched(ref.id());
        assertThat(onlyThese().standing()).isEqualTo(Standing.BROKEN);
        assertThat(onlyThese().reason()).isEqualTo("Corin (has left) can still look: knows the ID and password of Hen yard.");
        knowing.changed(ref, new Form(new HashMap<>(Map.of("changed", "DEVICE-" + yard))));
        assertThat(onlyThese().reason()).as("Ida has not been told the new one").isEqualTo("One person can look, as agreed.");
        set(ida, yard, "OWNER");
        assertThat(frames.frame(ref, Stage.SHARE).facts().access().known()).extracting(Access.Known::personId).containsExactly(ida);
    }

    @Test
    void a_lodger_is_shut_out_step_by_step_and_proved_out_by_their_own_try() {
        secrets.sealCameraPassword(ref.id(), yard, "Lamp-oak-22", "Jory");
        long id = begun(false);
        assertThat(residents.find(ref.id(), lodger).orElseThrow().tie()).isEqualTo(Access.Tie.LEFT);
        assertThat(onlyThese().standing()).isEqualTo(Standing.BROKEN);
        assertThat(state(false).changes()).extracting(LeavingPlan.Change::key).containsExactly("TAKE_BACK-" + gate,
                "DEVICE_PASSWORD-" + yard);
        assertThatThrownBy(() -> desk.over(ref, id)).isInstanceOf(Conflict.class).hasMessage("2 steps are still to be done.");

        desk.done(ref, id, "TAKE_BACK-" + gate);
        assertThat(access.roleOf(ref.id(), lodger, gate)).isEmpty();
        assertThatThrownBy(() -> desk.done(ref, id, "TAKE_BACK-" + gate)).isInstanceOf(Conflict.class);
        desk.done(ref, id, "DEVICE_PASSWORD-" + yard);
        assertThat(secrets.known(ref.id())).extracting(SecretStore.Held::words).as("the old password is shown to nobody")
                .doesNotContain("password of Hen yard");
        assertThat(state(false).following()).extracting(step -> step.words())
                .containsExactly("Tell Ida the ID and password of Hen yard.");
        desk.followed(ref, id, state(false).following().get(0).id());
        assertThat(access.of(ref.id()).known()).extracting(Access.Known::personId).containsExactly(ida);

        assertThatThrownBy(() -> desk.over(ref, id)).hasMessage("Their try to look is still to be refused at Gate eye, Hen yard.");
        desk.tried(ref, id, gate, new Form(new HashMap<>(Map.of("refused", "true", "said", "no longer shared"))));
        desk.tried(ref, id, yard, new Form(new HashMap<>(Map.of("refused", "false"))));
        assertThat(onlyThese().standing()).as("the ledger says out, the phone says in").isEqualTo(Standing.BROKEN);
        assertThat(onlyThese().reason()).contains("a try to look at Hen yard was not refused");
        assertThat(state(false).changes()).extracting(LeavingPlan.Change::key).containsExactly("RESET-" + yard);
        desk.done(ref, id, "RESET-" + yard);
        assertThat(state(false).untried()).as("what was tried before a change says nothing of after it").containsExactly("Gate eye",
                "Hen yard");
        for (long camera : new long[] {gate, yard}) {
            desk.tried(ref, id, camera, new Form(new HashMap<>(Map.of("refused", "true"))));
        }
        desk.over(ref, id);
        assertThat(onlyThese().standing()).isEqualTo(Standing.KEPT);
        assertThat(onlyThese().reason()).endsWith("Corin's own try to look was refused at Gate eye, Hen yard.");
        assertThatThrownBy(() -> desk.done(ref, id, "RESET-" + yard)).isInstanceOf(Conflict.class).hasMessageContaining("over already");
    }

    @Test
    void a_rehearsal_is_tried_by_a_simulated_phone_and_changes_nothing_real() {
        long id = begun(true);
        desk.phoneTries(ref, id);
        assertThat(state(true).tries()).extracting(tried -> tried.refused()).containsExactly(false, false);
        desk.done(ref, id, "TAKE_BACK-" + gate);
        desk.phoneTries(ref, id);
        assertThat(state(true).tries()).extracting(tried -> tried.refused()).as("one step short").containsExactly(true, false);
        desk.done(ref, id, "DEVICE_PASSWORD-" + yard);
        desk.phoneTries(ref, id);
        assertThat(state(true).open()).isEmpty();
        assertThat(access.roleOf(ref.id(), lodger, gate)).contains(Access.Role.VIEWER);
        assertThat(residents.find(ref.id(), lodger).orElseThrow().tie()).isEqualTo(Access.Tie.LIVES_HERE);
        assertThat(access.of(ref.id()).looks()).as("a simulated phone proves nothing of the real one").isEmpty();
        desk.clear(ref, id);
        assertThat(state(true).leaving()).isEmpty();
    }

    @Test
    void what_is_noted_is_checked_and_a_mistake_is_taken_back() {
        Form nothing = new Form(new HashMap<>());
        assertThat(nothing.save(() -> knowing.note(ref, nothing))).isFalse();
        assertThat(nothing.faultAt("how")).isNotNull();
        Form own = new Form(new HashMap<>(Map.of("knower", "" + ida, "secret", "ACCOUNT-" + ida, "how", "hers")));
        assertThat(own.save(() -> knowing.note(ref, own))).isFalse();
        assertThat(own.faultAt("secret")).contains("their own log-in");
        Form elsewhere = new Form(new HashMap<>(Map.of("knower", "" + ida, "secret", "WIFI-999999", "how", "told")));
        assertThat(elsewhere.save(() -> knowing.note(ref, elsewhere))).isFalse();
        Form shared = new Form(new HashMap<>(Map.of("knower", "" + lodger, "secret", "ACCOUNT-" + ida, "how", "signed in with it")));
        assertThat(shared.save(() -> knowing.note(ref, shared))).isTrue();
        assertThat(access.of(ref.id()).sharedLogins()).singleElement().satisfies(login -> assertThat(login.others()).hasSize(1));
        long noted = ledger.history(ref.id()).stream().filter(row -> row.secret().kind() == Secret.Kind.ACCOUNT).findFirst().orElseThrow()
                .id();
        knowing.mistaken(ref, noted);
        assertThat(access.of(ref.id()).sharedLogins()).isEmpty();
        assertThatThrownBy(() -> knowing.mistaken(ref, noted)).isInstanceOf(Conflict.class);
    }

    @Test
    void a_screen_is_a_looker_and_is_unlinked_with_whoever_linked_it() {
        Form form
                = new Form(new HashMap<>(Map.of("screen", "Display", "room", "kitchen", "linkedBy", "" + lodger, "shows-" + gate, "true")));
        assertThat(form.save(() -> knowing.link(ref, form))).isTrue();
        assertThat(onlyThese().reason()).endsWith("So can whoever stands before Display in kitchen.");
        long screen = ledger.screens(ref.id()).get(0).id();
        assertThat(state(false).plan().changes()).extracting(LeavingPlan.Change::key).contains("UNLINK-" + screen);
        Form empty = new Form(new HashMap<>(Map.of("screen", "Display", "room", "hall", "linkedBy", "" + ida)));
        assertThat(empty.save(() -> knowing.link(ref, empty))).isFalse();
        assertThat(empty.faultAt("shows")).isNotNull();
    }

    @Test
    void guests_come_by_dates_and_a_full_camera_takes_nobody_more() {
        String cell = "cell-" + lodger + "-" + gate;
        Form back = new Form(new HashMap<>(Map.of("role", "GUEST", "from", LocalDate.now().plusDays(9).toString(), "until",
                LocalDate.now().plusDays(5).toString())));
        assertThat(back.save(() -> grants.set(ref, lodger, gate, back))).isFalse();
        assertThat(back.faultAt(cell)).isEqualTo("The first day is after the last one.");
        Form guest = new Form(new HashMap<>(Map.of("role", "GUEST", "from", LocalDate.now().plusDays(2).toString(), "until",
                LocalDate.now().plusDays(5).toString(), "alertsAsked", "true")));
        assertThat(guest.save(() -> grants.set(ref, lodger, gate, guest))).isTrue();
        assertThat(access.of(ref.id()).grant(lodger, gate)).hasValueSatisfying(grant -> {
            assertThat(grant.from()).contains(LocalDate.now().plusDays(2));
            assertThat(grant.alerts()).isFalse();
        });
        for (int i = 0; i < 2; i++) {
            set(residents.add(ref.id(), "Aunt " + i, "", Access.Tie.FAMILY, null), yard, "VIEWER");
        }
        long fifth = residents.add(ref.id(), "Aunt 5", "", Access.Tie.FAMILY, null);
        Form full = new Form(new HashMap<>(Map.of("role", "VIEWER")));
        assertThat(full.save(() -> grants.set(ref, fifth, yard, full))).isFalse();
        assertThat(full.faultAt("cell-" + fifth + "-" + yard)).contains("takes 4 people");
    }

    @Test
    void the_pages_lead_through_it_and_another_firms_leaving_is_not_there() throws Exception {
        String base = ref.path() + "/share/leaving/" + lodger;
        assertThat(mvc.perform(get(ref.path() + "/share").with(user(demo.staff("jory")))).andReturn().getResponse().getContentAsString())
                .contains("knows the ID and password of Hen yard", "If Corin leaves");
        String page = mvc.perform(get(base).with(user(demo.staff("jory")))).andReturn().getResponse().getContentAsString();
        assertThat(page).contains("Take Corin off Gate eye.", "Change the ID and password of Hen yard.", "Begin, for real");
        assertThat(mvc.perform(post(base + "/begin").with(csrf()).with(user(demo.staff("jory"))).param("standIns", "true")).andReturn()
                .getResponse().getRedirectedUrl()).endsWith("?standIns=true");
        long id = state(true).leaving().orElseThrow().id();
        assertThat(mvc.perform(post(base + "/" + id + "/tried").with(csrf()).with(user(demo.staff("jory"))).param("camera", "" + gate)
                .param("standIns", "true").param("refused", "true")).andReturn().getResponse().getContentAsString())
                .contains("On stand-ins their phone tries by itself.");
        assertThat(mvc.perform(get(base).with(user(demo.staff("petra")))).andReturn().getResponse().getStatus()).isEqualTo(404);
        HouseholdRef other = demo.ref("Quiller", "jory");
        assertThatThrownBy(() -> desk.done(other, id, "TAKE_BACK-" + gate)).isInstanceOf(NoSuchPage.class);
        assertThat(state(true).changes()).hasSize(2);
    }

    @Test
    void whoever_knows_something_is_not_taken_out_of_the_list() throws Exception {
        assertThat(mvc.perform(post(ref.path() + "/brief/people/" + lodger + "/remove").with(csrf()).with(user(demo.staff("jory"))))
                .andReturn().getResponse().getContentAsString())
                .contains("Corin knows the ID and password of Hen yard. Shut them out at Share first");
        assertThat(residents.find(ref.id(), lodger)).isPresent();
    }

    @Test
    void somebody_learns_alone_and_is_asked_again_a_week_later() throws Exception {
        String base = ref.path() + "/share/lesson/" + ida;
        assertThat(mvc.perform(get(base).with(user(demo.staff("jory")))).andReturn().getResponse().getContentAsString())
                .contains("Find a clip", "0 of", "not shown yet");
        lessons.tick(ref, ida, "LOOK", "shown");
        assertThat(view(ida).lines().get(0).standing()).as("only shown").isEqualTo("thin");
        view(ida).lines().forEach(line -> lessons.tick(ref, ida, line.key(), "alone"));
        assertThat(view(ida).learnt()).isTrue();
        assertThat(log.of(ref.id())).filteredOn(entry -> entry.words().startsWith("Ida did everything alone")).singleElement()
                .satisfies(entry -> assertThat(entry.nextOn()).isEqualTo(LocalDate.now().plusDays(7)));
        lessons.tick(ref, ida, "SAVE", "lost");
        assertThat(view(ida).lines().get(2).standing()).isEqualTo("broken");
        lessons.tick(ref, ida, "SAVE", "untick");
        assertThat(view(ida).learnt()).isFalse();
        assertThatThrownBy(() -> lessons.tick(ref, ida, "SIREN", "alone")).isInstanceOf(Conflict.class);
        byte[] card = mvc.perform(get(base + "/card.pdf").with(user(demo.staff("jory")))).andReturn().getResponse().getContentAsByteArray();
        try (PDDocument pdf = Loader.loadPDF(card)) {
            assertThat(new PDFTextStripper().getText(pdf)).contains("a card for Ida", "Charge a pack", "Whom to call");
        }
    }

    @Test
    void a_house_that_is_sold_gets_its_order_and_a_paper_without_names_or_passwords() throws Exception {
        secrets.sealCameraPassword(ref.id(), gate, "Lamp-oak-22", "Jory");
        String page = mvc.perform(get(ref.path() + "/share/sale").with(user(demo.staff("jory")))).andReturn().getResponse()
                .getContentAsString();
        assertThat(page.indexOf("Take Gate eye out")).isPositive().isLessThan(page.indexOf("Close the account of Ida"));
        byte[] paper = mvc.perform(get(ref.path() + "/share/sale/next-owner.pdf").with(user(demo.staff("jory")))).andReturn().getResponse()
                .getContentAsByteArray();
        try (PDDocument pdf = Loader.loadPDF(paper)) {
            assertThat(new PDFTextStripper().getText(pdf)).contains("Gate eye", "Hen yard", "Reset:", "7 Staithe")
                    .doesNotContain("Ida", "Lamp-oak-22");
        }
    }

    @Test
    void a_sign_says_of_sound_what_somebody_said() throws Exception {
        String path = ref.path() + "/share/sign.pdf";
        assertThat(mvc.perform(post(path).with(csrf()).with(user(demo.staff("jory"))).param("contact", "Ida")).andReturn().getResponse()
                .getContentAsString()).contains("Say whether sound is recorded.");
        byte[] sign = mvc.perform(post(path).with(csrf()).with(user(demo.staff("jory"))).param("contact", "Ida, at the house")
                .param("sound", "no")).andReturn().getResponse().getContentAsByteArray();
        try (PDDocument pdf = Loader.loadPDF(sign)) {
            assertThat(new PDFTextStripper().getText(pdf)).contains("Cameras record here", "No sound.", "Ida, at the house");
        }
    }

    private LessonView view(long person) {
        return lessons.view(frames.frame(ref, Stage.SHARE), person);
    }
}
