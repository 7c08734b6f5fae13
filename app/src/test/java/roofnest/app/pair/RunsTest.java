package roofnest.app.pair;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import java.time.LocalDate;
import java.util.Map;
import java.util.UUID;

import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.AbstractMockHttpServletRequestBuilder;

import roofnest.app.AppTest;
import roofnest.app.DemoPlaces;
import roofnest.app.models.Models;
import roofnest.app.secrets.SecretStore;
import roofnest.app.records.CameraRepository;
import roofnest.app.records.Changes;
import roofnest.app.records.JudgedHouseholds;
import roofnest.app.web.BadInput;
import roofnest.app.web.Conflict;
import roofnest.app.web.Form;
import roofnest.app.records.HouseholdRef;
import roofnest.core.catalogue.DeviceDocument;
import roofnest.core.catalogue.DeviceState;
import roofnest.core.catalogue.PairingMethod;
import roofnest.core.catalogue.PhoneKind;
import roofnest.core.catalogue.Sight;
import roofnest.core.judge.Camera;
import roofnest.core.judge.HouseholdJudge;
import roofnest.core.promise.Stage;
import roofnest.core.view.CameraPose;
import roofnest.standins.Bench;
import roofnest.standins.Fault;

/** Runs on the bench: branches, the way back, and that a run is nothing but what was stored. */
@AppTest
class RunsTest {
    @Autowired private Runs runs;
    @Autowired private RunHands hands;
    @Autowired private RunDesk desk;
    @Autowired private Sites sites;
    @Autowired private CameraRepository cameras;
    @Autowired private SecretStore secrets;
    @Autowired private JudgedHouseholds judged;
    @Autowired private Changes changes;
    @Autowired private DemoPlaces demo;
    @Autowired private Models models;
    @Autowired private MockMvc mvc;

    private HouseholdRef ref;
    private long camera;
    private long run;

    @BeforeEach
    void aCameraWaitsToBeJoined() {
        ref = demo.ref("Osgood", "jory");
        camera = cameras.add(ref.id(), "Eye " + UUID.randomUUID().toString().substring(0, 8), "dunmark-post",
                new CameraPose(3, -0.4, 2.4, 180, 10), Camera.Settings.DEFAULT);
        demo.touched(ref.id());
        changes.run(ref, Stage.PAIR, () -> {});
        run = runs.start(ref, camera, PairingMethod.Way.HOTSPOT, true);
    }

    /** What stands on the bench is what the model's own document says, so a firm's own bell is a bell. */
    @ParameterizedTest
    @CsvSource({"bell, 'rx=\"22\"', 'M82 124'", "phone, 'rx=\"9\"', 'M82 124'", "camera, 'M82 124', 'rx=\"22\"'"})
    void a_firms_own_model_is_drawn_as_its_document_says(String body, String drawn, String notDrawn) throws Exception {
        String shipped = new DeviceDocument().write(models.get("dunmark-post"));
        String key = "own-" + body;
        assertThat(shipped).contains("\"name\" : \"Post\"", "\"body\" : \"camera\"");
        String document = shipped.replace("dunmark-post", key).replace("\"name\" : \"Post\"", "\"name\" : \"Post " + body + "\"")
                .replace("\"body\" : \"camera\"", "\"body\" : \"" + body + "\"");
        assertThat(answer(post("/models").param("document", document)).getStatus()).isEqualTo(302);
        long own = cameras.add(ref.id(), "Own " + body, "own-" + demo.staff("jory").firmId() + "-" + key,
                new CameraPose(5, -0.4, 2.4, 180, 10),
                Camera.Settings.DEFAULT);
        demo.touched(ref.id());
        long started = runs.start(ref, own, PairingMethod.Way.HOTSPOT, true);
        assertThat(answer(get("/households/" + ref.id() + "/pair/runs/" + started)).getContentAsString()).contains(drawn)
                .doesNotContain(notDrawn);
    }

    @Test
    void starting_twice_opens_the_same_run() {
        assertThat(runs.start(ref, camera, PairingMethod.Way.HOTSPOT, true)).isEqualTo(run);
    }

    @Test
    void a_wrong_password_shows_itself_and_the_way_back_joins() {
        desk.setFault(runs.port(ref, run), Fault.PASSWORD_MISTYPED);
        toDetails();
        hands.handsOn(ref, run);
        hands.answer(ref, run, "details", "joining");
        hands.skipAhead(ref, run);
        assertThat(bench().deviceState()).as("the waiting light came back").isEqualTo(DeviceState.READY);
        hands.answer(ref, run, "joining", "ready");
        assertThat(step()).isEqualTo("wrong-details");
        lookItOverAndComeBack();
        hands.handsOn(ref, run);
        hands.answer(ref, run, "details", "joining");
        hands.skipAhead(ref, run);
        assertThat(bench().deviceState()).isEqualTo(DeviceState.JOINED);
        assertThat(runs.port(ref, run).open().state().failures()).isEqualTo(1);
    }

    /** A look belongs to the step that wants the password, of a run of this very house, and the log says for what it was. */
    @Test
    void the_password_is_shown_at_the_step_that_wants_it_and_at_no_other() throws Exception {
        long before = demo.count("secret_reveal");
        assertThat(reveal("Osgood").getStatus()).as("at the first step").isEqualTo(409);
        assertThat(reveal("Brannock").getStatus()).as("through another house").isEqualTo(404);
        assertThat(demo.count("secret_reveal")).isEqualTo(before);
        toDetails();
        assertThat(reveal("Osgood").getContentAsString()).contains(demo.wifiPassword(ref.id()).orElseThrow());
        assertThat(secrets.reveals(ref.id())).first()
                .satisfies(look -> assertThat(look.what()).contains("shown in the run of Eye"));
    }

    private MockHttpServletResponse reveal(String house) throws Exception {
        return mvc.perform(post("/households/" + demo.household(house) + "/pair/runs/" + run + "/reveal").with(user(demo.staff("jory")))
                .with(csrf()).cookie(demo.justProved())).andReturn().getResponse();
    }

    @Test
    void a_phone_that_went_home_is_brought_back() {
        desk.setFault(runs.port(ref, run), Fault.PHONE_FALLS_BACK);
        hands.handsOn(ref, run);
        hands.skipAhead(ref, run);
        hands.answer(ref, run, "power", "ready");
        hands.handsOn(ref, run);
        assertThat(bench().phoneWifi()).isEqualTo("saltgate");
        hands.answer(ref, run, "hotspot", "went-home");
        hands.handsOn(ref, run);
        assertThat(bench().phoneWifi()).startsWith("POST-");
    }

    @Test
    void closing_takes_password_sticker_and_name_and_seals_the_password() {
        onTheRealThing();
        assertThat(cameras.get(ref.id(), camera).camera().joined()).isTrue();

        Form factory = new Form(Map.of("devicePassword", "post1234"));
        step(() -> hands.fill(ref, run, "password", factory));
        assertThat(factory.faultAt("devicePassword")).contains("came with");
        assertThat(step()).isEqualTo("password");
        assertThat(cameras.get(ref.id(), camera).camera().ownPassword()).isFalse();

        step(() -> hands.fill(ref, run, "password", new Form(Map.of("devicePassword", "Heron-44-wharf"))));
        step(() -> hands.answer(ref, run, "update", "updated"));
        Form unset = new Form(Map.of("firmware", "2.4.1"));
        step(() -> hands.fill(ref, run, "settle", unset));
        assertThat(unset.faultAt("clockSet")).contains("Set its clock");
        step(() -> hands.fill(ref, run, "settle", new Form(Map.of("firmware", "2.4.1", "clockSet", "true"))));
        step(() -> hands.fill(ref, run, "sticker", new Form(Map.of("serial", "PO-1", "stickerKept", "under the plate"))));
        Form taken = new Form(Map.of("cameraName", "road EYE"));
        step(() -> hands.fill(ref, run, "name", taken));
        assertThat(taken.faultAt("cameraName")).contains("Another camera");
        step(() -> hands.fill(ref, run, "name", new Form(Map.of("cameraName", "Herons " + run))));
        assertThat(runs.port(ref, run).open().state().finished()).isTrue();
        assertThat(secrets.revealCameraPassword(ref.id(), camera, "camera", ref.by(), "test")).contains("Heron-44-wharf");
        assertThatThrownBy(() -> desk.undo(runs.port(ref, run), step())).isInstanceOf(BadInput.class).hasMessageContaining("finished");
    }

    @Test
    void a_second_phone_that_is_a_step_behind_is_told_where_the_run_stands() {
        hands.answer(ref, run, "power", "ready");
        HouseholdRef tamsin = demo.ref("Osgood", "tamsin");
        assertThatThrownBy(() -> hands.answer(tamsin, run, "power", "off")).isInstanceOf(Conflict.class)
                .hasMessageContaining("moved on").hasMessageContaining("Put the phone on the camera's own network");
    }

    @Test
    void what_is_no_answer_to_the_step_is_not_stored() {
        assertThatThrownBy(() -> hands.answer(ref, run, "power", "purple")).isInstanceOf(BadInput.class);
        assertThat(runs.port(ref, run).open().events()).isEmpty();
    }

    @Test
    void undo_and_still_waiting_are_stored_too() {
        desk.stillWaiting(runs.port(ref, run), "power");
        hands.answer(ref, run, "power", "ready");
        assertThatThrownBy(() -> desk.undo(runs.port(ref, run), "power")).as("asked from a page that is a step behind")
                .isInstanceOf(Conflict.class);
        desk.undo(runs.port(ref, run), step());
        assertThat(step()).isEqualTo("power");
        assertThat(runs.port(ref, run).open().events()).hasSize(3);
    }

    @Test
    void a_way_that_the_model_does_not_know_is_refused() {
        assertThatThrownBy(() -> runs.start(ref, camera, PairingMethod.Way.WIRED, false)).isInstanceOf(BadInput.class)
                .hasMessageContaining("does not join by cable");
    }

    @Test
    void the_password_on_its_own_sticker_is_not_its_own() {
        secrets.sealInitialPassword(ref.id(), camera, "Lantern-8-first", "Jory Penhale");
        onTheRealThing();
        Form label = new Form(Map.of("devicePassword", "Lantern-8-first"));
        hands.fill(ref, run, "password", label);
        assertThat(label.faultAt("devicePassword")).contains("came with");
    }

    @Test
    void after_two_failures_another_way_is_begun_and_the_log_remembers_both() {
        toDetails();
        for (int i = 0; i < 2; i++) {
            desk.setFault(runs.port(ref, run), Fault.PASSWORD_MISTYPED);
            hands.handsOn(ref, run);
            hands.answer(ref, run, "details", "joining");
            hands.skipAhead(ref, run);
            hands.answer(ref, run, "joining", "ready");
            lookItOverAndComeBack();
        }
        assertThat(runs.port(ref, run).open().state().changeMethod()).isTrue();
        long other = goOnBy(ref, run, PairingMethod.Way.STICKER);
        assertThat(runs.port(ref, other).open().run().way()).isEqualTo(PairingMethod.Way.STICKER);
        assertThat(runs.port(ref, run).open().run().givenUp()).isTrue();
        assertThatThrownBy(() -> hands.answer(ref, run, "hotspot", "on-hotspot")).isInstanceOf(BadInput.class)
                .hasMessageContaining("finished");
        assertThatThrownBy(() -> goOnBy(ref, other, PairingMethod.Way.WIRED)).isInstanceOf(BadInput.class);
    }

    @Test
    void the_firms_own_runs_move_the_order_and_those_on_stand_ins_do_not() {
        CameraRepository.Record record = cameras.get(ref.id(), camera);
        double before = chance(record);
        goOnBy(ref, run, PairingMethod.Way.STICKER);
        assertThat(chance(record)).as("stand-ins say nothing").isEqualTo(before);
        long real = cameras.add(ref.id(), "Real " + run, "dunmark-post", new CameraPose(3, -0.4, 2.4, 180, 10), Camera.Settings.DEFAULT);
        demo.touched(ref.id());
        long begun = runs.start(ref, real, PairingMethod.Way.HOTSPOT, false);
        goOnBy(ref, begun, PairingMethod.Way.STICKER);
        assertThat(chance(record)).isLessThan(before);
        demo.jdbc().sql("delete from run_experience where firm_id = :firm").param("firm", ref.staff().firmId()).update();
    }

    @Test
    void at_its_place_the_signal_there_decides_and_coming_nearer_helps() {
        long far = cameras.add(ref.id(), "Far " + run, "dunmark-post", new CameraPose(450, 450, 2.4, 180, 10), Camera.Settings.DEFAULT);
        demo.touched(ref.id());
        assertThat(sites.of(ref).bars(cameras.get(ref.id(), far).camera())).contains(0);
        run = runs.start(ref, far, PairingMethod.Way.HOTSPOT, PhoneKind.ONE_TAP, true, true);
        assertThat(runs.port(ref, run).open().state().step().title()).isEqualTo("Power it on at its place");
        toDetails();
        hands.handsOn(ref, run);
        hands.answer(ref, run, "details", "joining");
        hands.skipAhead(ref, run);
        assertThat(bench().deviceState()).isEqualTo(DeviceState.READY);
        hands.answer(ref, run, "joining", "ready");
        hands.handsOn(ref, run);
        hands.answer(ref, run, "wrong-details", "ready");
        hands.handsOn(ref, run);
        assertThat(bench().sight()).contains(Sight.TOO_FAR);
        hands.answer(ref, run, "look-over", "too-far");
        hands.handsOn(ref, run);
        hands.answer(ref, run, "come-nearer", "put-right");
        hands.handsOn(ref, run);
        hands.answer(ref, run, "hotspot", "on-hotspot");
        hands.handsOn(ref, run);
        hands.answer(ref, run, "details", "joining");
        hands.skipAhead(ref, run);
        assertThat(bench().deviceState()).isEqualTo(DeviceState.JOINED);
    }

    @Test
    void a_pack_that_must_be_empty_by_now_shows_no_light_until_it_is_changed() {
        long bell = cameras.add(ref.id(), "Bell " + run, "pellan-knock", new CameraPose(3, -0.4, 1.4, 180, 5), Camera.Settings.DEFAULT);
        cameras.charged(ref.id(), bell, LocalDate.now().minusDays(700));
        demo.touched(ref.id());
        run = runs.start(ref, bell, PairingMethod.Way.HUB_BUTTON, true);
        hands.handsOn(ref, run);
        assertThat(bench().deviceState()).isEqualTo(DeviceState.OFF);
        hands.answer(ref, run, "power", "off");
        hands.handsOn(ref, run);
        assertThat(bench().deviceState()).isEqualTo(DeviceState.BOOTING);
        long fresh = cameras.add(ref.id(), "Fresh " + run, "pellan-knock", new CameraPose(3, -0.4, 1.4, 180, 5), Camera.Settings.DEFAULT);
        cameras.charged(ref.id(), fresh, LocalDate.now());
        demo.touched(ref.id());
        run = runs.start(ref, fresh, PairingMethod.Way.HUB_BUTTON, true);
        hands.handsOn(ref, run);
        assertThat(bench().deviceState()).isEqualTo(DeviceState.BOOTING);
    }

    private double chance(CameraRepository.Record record) {
        return sites.of(ref).order(record.camera().model(), PhoneKind.THROUGH_SETTINGS).ways().stream()
                .filter(way -> way.way() == PairingMethod.Way.HOTSPOT)
                .findFirst().orElseThrow().chance();
    }

    /** What a stand-in did, and what was typed to it, is nothing of the real camera's. */
    @Test
    void a_run_on_stand_ins_leaves_nothing_on_the_camera_and_is_cleared_with_one_act() {
        toDetails();
        hands.handsOn(ref, run);
        hands.answer(ref, run, "details", "joining");
        hands.skipAhead(ref, run);
        hands.answer(ref, run, "joining", "joined");
        hands.handsOn(ref, run);
        hands.answer(ref, run, "live", "live");
        hands.fill(ref, run, "password", new Form(Map.of("devicePassword", "Heron-44-wharf")));
        hands.handsOn(ref, run);
        hands.skipAhead(ref, run);
        hands.answer(ref, run, "update", "updated");
        hands.fill(ref, run, "settle", new Form(Map.of("firmware", "2.4.1", "clockSet", "true")));
        hands.fill(ref, run, "sticker", new Form(Map.of("serial", "PO-1", "stickerKept", "under the plate")));
        hands.fill(ref, run, "name", new Form(Map.of("cameraName", "Stand-in " + run)));
        assertThat(runs.port(ref, run).open().state().finished()).isTrue();
        CameraRepository.Record record = cameras.get(ref.id(), camera);
        assertThat(record.camera().joined() || record.camera().ownPassword()).isFalse();
        assertThat(record.serial()).isNull();
        assertThat(record.camera().name()).startsWith("Eye ");
        assertThat(record.rehearsedAt()).isNotNull();
        assertThat(secrets.revealCameraPassword(ref.id(), camera, "camera", ref.by(), "test")).isEmpty();
        assertThat(runs.clearRehearsed(ref)).isPositive();
        assertThat(cameras.get(ref.id(), camera).rehearsedAt()).isNull();
        assertThat(runs.clearRehearsed(ref)).isZero();
    }

    /** The rehearsal makes room for the real run; but nobody goes on with a real run who asked for stand-ins. */
    @Test
    void a_rehearsal_never_stands_in_the_way_of_the_real_run() {
        long real = runs.start(ref, camera, PairingMethod.Way.HOTSPOT, false);
        assertThat(real).isNotEqualTo(run);
        assertThat(runs.port(ref, real).open().bench()).isEmpty();
        assertThatThrownBy(() -> runs.start(ref, camera, PairingMethod.Way.HOTSPOT, true)).isInstanceOf(BadInput.class)
                .hasMessageContaining("Its run on the real thing is open, begun by Jory Penhale");
        assertThat(runs.start(ref, camera, PairingMethod.Way.HOTSPOT, false)).isEqualTo(real);
    }

    /** An answer that the bench contradicts is told of at once; one that would end the run well is not taken. */
    @Test
    void no_run_ends_well_on_a_stand_in_that_is_offline() {
        assertThat(desk.answer(runs.port(ref, run), "power", "ready")).hasValueSatisfying(
                told -> assertThat(told).contains("There was no light"));
        desk.undo(runs.port(ref, run), step());
        toDetails();
        desk.setFault(runs.port(ref, run), Fault.PASSWORD_MISTYPED);
        hands.handsOn(ref, run);
        assertThat(desk.answer(runs.port(ref, run), "details", "joining")).isEmpty();
        hands.skipAhead(ref, run);
        assertThat(desk.answer(runs.port(ref, run), "joining", "joined")).hasValueSatisfying(
                told -> assertThat(told).contains("The light was amber, slow"));
        hands.handsOn(ref, run);
        assertThatThrownBy(() -> desk.answer(runs.port(ref, run), "live", "live")).isInstanceOf(Conflict.class)
                .hasMessageStartingWith("The bench shows no picture.");
        assertThat(step()).isEqualTo("live");
    }

    private void onTheRealThing() {
        run = runs.start(ref, camera, PairingMethod.Way.HOTSPOT, false);
        hands.answer(ref, run, "power", "ready");
        hands.answer(ref, run, "hotspot", "on-hotspot");
        hands.answer(ref, run, "details", "joining");
        hands.answer(ref, run, "joining", "joined");
        hands.answer(ref, run, "live", "live");
    }

    private void toDetails() {
        hands.handsOn(ref, run);
        hands.skipAhead(ref, run);
        hands.answer(ref, run, "power", "ready");
        hands.handsOn(ref, run);
        hands.answer(ref, run, "hotspot", "on-hotspot");
    }

    private Bench bench() {
        return runs.port(ref, run).open().bench().orElseThrow();
    }

    private MockHttpServletResponse answer(AbstractMockHttpServletRequestBuilder<?> request) throws Exception {
        return mvc.perform(request.with(user(demo.staff("jory"))).with(csrf())).andReturn().getResponse();
    }

    private String step() {
        return runs.port(ref, run).open().state().step().id();
    }

    private long goOnBy(HouseholdRef ref, long run, PairingMethod.Way way) {
        String path = desk.changeWay(runs.port(ref, run), way).path();
        return Long.parseLong(path.substring(path.lastIndexOf('/') + 1));
    }

    /** The waiting light came back: looked over, nothing odd, and the phone on the camera's own network once more. */
    private void lookItOverAndComeBack() {
        hands.handsOn(ref, run);
        hands.answer(ref, run, "wrong-details", "ready");
        hands.handsOn(ref, run);
        hands.answer(ref, run, "look-over", "nothing-odd");
        hands.handsOn(ref, run);
        hands.answer(ref, run, "hotspot", "on-hotspot");
    }

    /** After every step what is stored of the household's promises is what the judge says of it now. */
    private void step(Runnable step) {
        step.run();
        assertThat(demo.jdbc().sql("select promise_key || ' ' || standing from finding where household_id = :id").param("id", ref.id())
                .query(String.class).list())
                .containsExactlyInAnyOrderElementsOf(HouseholdJudge.judge(judged.of(ref.id()).facts()).promises().stream()
                        .map(each -> each.promise().key().value() + " " + each.finding().standing()).toList());
    }
}
