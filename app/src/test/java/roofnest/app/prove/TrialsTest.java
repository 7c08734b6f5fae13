package roofnest.app.prove;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;

import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

import roofnest.app.AppTest;
import roofnest.app.DemoPlaces;
import roofnest.app.household.Frames;
import roofnest.app.records.CameraRepository;
import roofnest.app.records.JudgedHouseholds;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.PromiseRepository;
import roofnest.app.records.ProofRepository;
import roofnest.app.web.BadInput;
import roofnest.app.web.Conflict;
import roofnest.app.web.Form;
import roofnest.core.judge.Camera;
import roofnest.core.judge.HouseholdJudge;
import roofnest.core.judge.Judged;
import roofnest.core.judge.TestsWanted;
import roofnest.core.power.Climate;
import roofnest.core.promise.Evidence;
import roofnest.core.promise.Finding;
import roofnest.core.promise.Promise;
import roofnest.core.promise.PromiseKey;
import roofnest.core.promise.Stage;
import roofnest.core.promise.Standing;
import roofnest.core.trial.Protocol;
import roofnest.core.view.CameraPose;

/** Which promise each test fills, and when it does not. */
@AppTest
class TrialsTest {
    @Autowired private Trials trials;
    @Autowired private TrialRepository rows;
    @Autowired private Frames frames;
    @Autowired private ProofRepository proofs;
    @Autowired private PromiseRepository promises;
    @Autowired private CameraRepository cameras;
    @Autowired private JudgedHouseholds households;
    @Autowired private DemoPlaces demo;

    private HouseholdRef ref;
    private long camera;

    @BeforeEach
    void aJoinedCameraLooksAlongTheRoad() {
        ref = demo.ref("Osgood", "jory");
        camera = joined(new CameraPose(3.2, -0.35, 2.4, 215, 10));
    }

    @AfterEach
    void whatItProvedIsNobodyElses() {
        demo.jdbc().sql("delete from proof where camera_id = :camera").param("camera", camera).update();
        demo.touched(ref.id());
    }

    @Test
    void a_live_picture_at_home_proves_the_link_with_the_signal_that_was_read() {
        decide(Protocol.LIVE_HOME, Map.of("passed", "true", "seconds", "2.5", "signalDbm", "-59"));
        Finding link = finding("link");
        assertThat(link.evidence()).isEqualTo(Evidence.PROVED);
        assertThat(link.measured()).hasValue(-59);
        assertThat(link.reason()).contains("A moving picture after 2.5 s, \u221259 dBm in the app.");
        TrialRepository.Trial trial = newest();
        assertThat(trial.seconds()).hasValue(2.5);
        assertThat(trial.timed()).isEqualTo(TrialRepository.Timed.TYPED);
        assertThat(trial.decidedBy()).isEqualTo("Jory Penhale");
        assertThat(trial.onStandIns()).isFalse();
    }

    @Test
    void without_a_signal_read_a_picture_proves_no_link() {
        decide(Protocol.LIVE_HOME, Map.of("passed", "true", "seconds", "2.5", "timed", "phone"));
        assertThat(finding("link").evidence()).isEqualTo(Evidence.PREDICTED);
        assertThat(newest().timed()).isEqualTo(TrialRepository.Timed.BY_PHONE);
    }

    @Test
    void no_picture_breaks_the_link_whatever_was_predicted() {
        assertThat(finding("link").standing()).isNotEqualTo(Standing.BROKEN);
        decide(Protocol.LIVE_HOME, Map.of("passed", "false"));
        assertThat(finding("link").standing()).isEqualTo(Standing.BROKEN);
        assertThat(finding("link").reason()).contains("The test on site failed", "No moving picture came.", "Predicted: ");
        decide(Protocol.LIVE_HOME, Map.of("passed", "true", "seconds", "2.5"));
        assertThat(finding("link").standing()).as("it came again").isNotEqualTo(Standing.BROKEN);
        assertThat(finding("link").evidence()).isEqualTo(Evidence.PREDICTED);
        decide(Protocol.LIVE_AWAY, Map.of("passed", "false"));
        assertThat(finding("link").standing()).as("the line's fault, not the link's").isNotEqualTo(Standing.BROKEN);
    }

    /** What is hard to believe is asked about once, at its field, and taken when it was meant so. */
    @Test
    void a_signal_that_cannot_be_is_questioned_and_taken_only_when_it_is_meant() {
        long trial = trials.begin(ref, camera, Protocol.LIVE_HOME);
        Form doubted = new Form(Map.of("passed", "true", "seconds", "2.5", "signalDbm", "-20"));
        assertThat(read(trial, doubted)).isEmpty();
        assertThat(doubted.faultAt("signalSure")).contains("on top of a router");
        assertThat(read(trial, new Form(Map.of("passed", "true", "seconds", "2.5", "signalDbm", "-20", "signalSure", "true")))).isPresent();
        Form nothing = new Form(Map.of("passed", "true"));
        assertThat(read(trial, nothing)).as("nothing is filled in beforehand").isEmpty();
        assertThat(nothing.faultAt("seconds")).isNotNull();
    }

    @Test
    void five_rings_are_wanted_and_the_slowest_counts() {
        long trial = trials.begin(ref, camera, Protocol.ALERT);
        Form three = new Form(Map.of("ring1", "3", "ring2", "3", "ring3", "3"));
        assertThat(read(trial, three)).isEmpty();
        assertThat(three.faultAt("ring4")).isNotNull();
        Seen rang = read(trial, new Form(Map.of("ring1", "3", "ring2", "3.4", "ring3", "3", "ring4", "2", "ring5", "2.1"))).orElseThrow();
        assertThat(rang.passed()).isTrue();
        assertThat(rang.seconds()).hasValue(3.4);
        Seen silent
                = read(trial, new Form(Map.of("ring1", "3", "ring2", "3.4", "ring3", "3", "ring4", "2", "silent5", "true"))).orElseThrow();
        assertThat(silent.passed()).isFalse();
        assertThat(silent.said()).startsWith("1 of 5 times it did not ring");
    }

    /** Each place is asked about on its own; where nobody walked nothing is proved. */
    @Test
    void a_walk_keeps_what_the_clip_showed_and_breaks_what_it_did_not() {
        List<Judged> watched = trials.running(ref, trials.begin(ref, camera, Protocol.WALK)).watched();
        assertThat(watched).isNotEmpty();
        Judged asked = watched.get(0);
        long trial = trials.begin(ref, camera, Protocol.WALK);
        Form unsaid = new Form(Map.of("passed", "true", "light", "DAY"));
        assertThat(read(trial, unsaid)).isEmpty();
        assertThat(unsaid.faultAt(Seen.field(asked))).contains("Say whether the clip showed it");
        Form unlit = new Form(Map.of("passed", "true", Seen.field(asked), "untried"));
        assertThat(read(trial, unlit)).isEmpty();
        assertThat(unlit.faultAt("light")).contains("by day or in the dark");
        Form noClip = new Form(Map.of("passed", "false", "light", "DAY", Seen.field(asked), "yes"));
        assertThat(read(trial, noClip)).isEmpty();
        assertThat(noClip.faultAt(Seen.field(asked))).contains("Without a clip");
        Map<String, String> no = new HashMap<>(Map.of("passed", "true", "light", "DAY"));
        watched.forEach(judged -> no.put(Seen.field(judged), "untried"));
        no.put(Seen.field(asked), "no");
        trials.decide(ref, trial, new Form(no));
        assertThat(of(asked.promise().key()).reason()).as("another camera is relied on there")
                .endsWith("did not show it on site; Road eye is still to be tried.");
        assertThat(of(asked.promise().key()).evidence()).isEqualTo(Evidence.PREDICTED);
        no.put(Seen.field(asked), "yes");
        decide(Protocol.WALK, no);
        assertThat(of(asked.promise().key()).evidence()).as("the dark is still to be tried").isEqualTo(Evidence.PREDICTED);
        no.put("light", "NIGHT");
        decide(Protocol.WALK, no);
        assertThat(of(asked.promise().key()).standing()).isEqualTo(Standing.KEPT);
        assertThat(of(asked.promise().key()).evidence()).isEqualTo(Evidence.PROVED);
    }

    /** A clip alone is no passed walk: what it did not show counts, and the dark is a walk of its own. */
    @Test
    void a_walk_passes_only_with_every_place_shown_and_in_every_light_that_is_promised() {
        List<Judged> watched = trials.running(ref, trials.begin(ref, camera, Protocol.WALK)).watched();
        Map<String, String> walk = new HashMap<>(Map.of("passed", "true", "light", "DAY"));
        watched.forEach(judged -> walk.put(Seen.field(judged), "no"));
        decide(Protocol.WALK, walk);
        assertThat(newest().passed()).isFalse();
        assertThat(newest().said()).contains("By day: a clip was played back, and", "not shown as promised.");
        assertThat(walkTest().standing()).isEqualTo("broken");
        watched.forEach(judged -> walk.put(Seen.field(judged), "yes"));
        decide(Protocol.WALK, walk);
        assertThat(newest().passed()).isTrue();
        assertThat(walkTest().standing()).isEqualTo("untried");
        assertThat(walkTest().result()).isEqualTo("in the dark not tried");
        walk.put("light", "NIGHT");
        decide(Protocol.WALK, walk);
        assertThat(walkTest().standing()).isEqualTo("kept");
    }

    /** Ground that is never to show is looked for in the picture, at each camera on its own. */
    @Test
    void private_ground_found_in_the_picture_breaks_its_promise_and_not_found_at_one_camera_proves_it_of_no_other() {
        PromiseKey key = promises.of(ref.id()).stream().filter(Promise.NeverShows.class::isInstance).findFirst().orElseThrow().key();
        Form unsaid = new Form(new HashMap<>());
        trials.decide(ref, trials.begin(ref, camera, Protocol.PRIVATE), unsaid);
        assertThat(unsaid.faultAt("seen-" + key.value())).contains("whether any of it");
        decide(Protocol.PRIVATE, Map.of("seen-" + key.value(), "no"));
        assertThat(of(key).reason()).contains("still to be tried");
        assertThat(of(key).evidence()).isEqualTo(Evidence.PREDICTED);
        decide(Protocol.PRIVATE, Map.of("seen-" + key.value(), "yes"));
        assertThat(of(key).standing()).isEqualTo(Standing.BROKEN);
        assertThat(of(key).reason()).contains("It shows in the live picture.");
        assertThat(TestsWanted.of(cameras.get(ref.id(), camera).camera(), List.of(), Climate.MILD_COAST))
                .as("nothing promised, nothing to try")
                .doesNotContain(Protocol.PRIVATE, Protocol.FOOTAGE);
    }

    @Test
    void footage_is_counted_after_a_week_and_breaks_what_it_does_not_come_to() {
        PromiseKey key = promises.of(ref.id()).stream().filter(Promise.KeepsDays.class::isInstance).findFirst().orElseThrow().key();
        Form early = new Form(new HashMap<>(Map.of("oldestDays", "3", "usedPercent", "10")));
        trials.decide(ref, trials.begin(ref, camera, Protocol.FOOTAGE), early);
        assertThat(early.faultAt("oldestDays")).contains("count again when the oldest clip is 7 days old");
        decide(Protocol.FOOTAGE, Map.of("oldestDays", "8", "usedPercent", "99"));
        assertThat(newest().passed()).as("8 days on a full card").isFalse();
        assertThat(of(key).standing()).isEqualTo(Standing.BROKEN);
        assertThat(of(key).reason()).contains("The card is full and its oldest clip 8 days old.");
        decide(Protocol.FOOTAGE, Map.of("oldestDays", "8", "usedPercent", "20"));
        assertThat(newest().passed()).isTrue();
        assertThat(of(key).reason()).as("the other camera's card was not counted").contains("still to be tried");
    }

    @Test
    void of_a_house_that_was_handed_over_footage_can_still_be_counted_and_nothing_else_tried() {
        demo.jdbc().sql("update household set handed_over_at = now() where id = :id").param("id", ref.id()).update();
        demo.touched(ref.id());
        try {
            assertThatThrownBy(() -> trials.begin(ref, camera, Protocol.ALERT)).isInstanceOf(Conflict.class);
            decide(Protocol.FOOTAGE, Map.of("oldestDays", "9", "usedPercent", "20"));
            assertThat(newest().said()).startsWith("Oldest clip 9 days old");
        } finally {
            demo.jdbc().sql("update household set handed_over_at = null where id = :id").param("id", ref.id()).update();
            demo.touched(ref.id());
        }
    }

    /** The householder's phone that rings says nothing of the daughter's. */
    @Test
    void an_alert_is_passed_on_every_phone_that_is_rung_and_names_those_that_are_wanting() {
        long ida = lives("Ida");
        long wren = lives("Wren");
        Map<String, String> five = new HashMap<>(Map.of("ring1", "3", "ring2", "3.4", "ring3", "3", "ring4", "2", "ring5", "2.1"));
        Form unsaid = new Form(new HashMap<>(five));
        trials.decide(ref, trials.begin(ref, camera, Protocol.ALERT), unsaid);
        assertThat(unsaid.faultAt("phone-" + ida)).contains("or that it was not tried");
        five.putAll(Map.of("phone-" + ida, "no", "phone-" + wren, "untried"));
        Form nobodys = new Form(new HashMap<>(five));
        trials.decide(ref, trials.begin(ref, camera, Protocol.ALERT), nobodys);
        assertThat(nobodys.faultAt("phone-" + ida)).contains("to which?");
        five.put("phone-" + ida, "yes");
        decide(Protocol.ALERT, five);
        assertThat(newest().passed()).isTrue();
        assertThat(newest().phones()).containsExactly(Map.entry(ida, true));
        assertThat(test(Protocol.ALERT).standing()).isEqualTo("untried");
        assertThat(test(Protocol.ALERT).result()).isEqualTo("not tried: Wren");
        five.putAll(Map.of("phone-" + ida, "untried", "phone-" + wren, "yes"));
        decide(Protocol.ALERT, five);
        assertThat(test(Protocol.ALERT).standing()).isEqualTo("kept");
        five.putAll(Map.of("phone-" + ida, "yes", "phone-" + wren, "no"));
        decide(Protocol.ALERT, five);
        assertThat(newest().passed()).isFalse();
        assertThat(newest().said()).endsWith("On the phone of Ida. Nothing rang on the phone of Wren.");
        assertThat(test(Protocol.ALERT).result()).isEqualTo("failed: Wren");
    }

    @Test
    void a_picture_from_away_keeps_what_was_promised_of_it_on_every_phone_that_may_look() {
        long ida = lives("Ida");
        promises.liveAway(ref.id(), 12);
        demo.touched(ref.id());
        PromiseKey key = promises.of(ref.id()).stream().filter(Promise.LiveAway.class::isInstance).findFirst().orElseThrow().key();
        try {
            Form contrary = new Form(new HashMap<>(Map.of("passed", "false", "phone-" + ida, "yes")));
            trials.decide(ref, trials.begin(ref, camera, Protocol.LIVE_AWAY), contrary);
            assertThat(contrary.faultAt("phone-" + ida)).contains("there was something to time");
            decide(Protocol.LIVE_AWAY, Map.of("passed", "true", "seconds", "30", "phone-" + ida, "yes"));
            assertThat(of(key).standing()).as("it came, and too late").isEqualTo(Standing.BROKEN);
            decide(Protocol.LIVE_AWAY, Map.of("passed", "true", "seconds", "4", "phone-" + ida, "yes"));
            assertThat(of(key).reason()).contains("still to be tried").doesNotContain("Ida’s phone");
        } finally {
            promises.remove(ref.id(), Long.parseLong(key.value().substring(1)), "Jory");
        }
    }

    @Test
    void a_clock_of_another_zone_sound_against_what_was_agreed_and_a_camera_that_stays_away_fail() {
        decide(Protocol.CLOCK, Map.of("clock", "AHEAD", "off", "1", "offUnit", "h"));
        assertThat(newest().passed()).isFalse();
        assertThat(newest().said()).isEqualTo("The clock is 1 h ahead: its time zone or summer time is wrong.");
        decide(Protocol.CLOCK, Map.of("clock", "RIGHT"));
        assertThat(newest().passed()).isTrue();
        assertThat(faults(Protocol.CLOCK, Map.of("clock", "BEHIND")).faultAt("off")).isNotNull();
        assertThat(faults(Protocol.CLOCK, Map.of()).faultAt("clock")).isNotNull();
        decide(Protocol.SOUND, Map.of("agreed", "no", "heard", "yes"));
        assertThat(newest().passed()).as("nobody agreed to being heard").isFalse();
        decide(Protocol.SOUND, Map.of("agreed", "no", "heard", "no"));
        assertThat(newest().passed()).isTrue();
        decide(Protocol.POWER_CUT, Map.of("passed", "false"));
        assertThat(newest().said()).isEqualTo("It did not come back by itself.");
        decide(Protocol.POWER_CUT, Map.of("passed", "true", "seconds", "74", "clockAfter", "no"));
        assertThat(newest().passed()).isFalse();
        decide(Protocol.POWER_CUT, Map.of("passed", "true", "seconds", "74", "clockAfter", "yes"));
        assertThat(newest().passed()).isTrue();
    }

    /** Ears first. Only a model that has a siren is asked for it. */
    @Test
    void a_siren_is_not_noted_before_everybody_was_told_and_not_asked_of_a_camera_without_one() {
        assertThatThrownBy(() -> trials.begin(ref, camera, Protocol.SIREN)).isInstanceOf(BadInput.class);
        camera = joined("dunmark-gate", new CameraPose(3.2, -0.35, 2.4, 35, 10));
        assertThat(faults(Protocol.SIREN, Map.of("sirenHeard", "yes", "stopped", "yes")).faultAt("told")).contains("within earshot");
        decide(Protocol.SIREN, Map.of("told", "true", "sirenHeard", "yes", "stopped", "no"));
        assertThat(newest().passed()).isFalse();
        decide(Protocol.SIREN, Map.of("told", "true", "sirenHeard", "yes", "stopped", "yes"));
        assertThat(newest().passed()).isTrue();
    }

    /** A pack that dies of the first frost breaks its promise; one that lives proves nothing of the dark months. */
    @Test
    void the_first_frost_breaks_what_a_pack_does_not_live_through_and_proves_no_more_than_itself() {
        Finding before = finding("battery");
        assertThat(faults(Protocol.FROST, Map.of("percent", "60")).faultAt("alive")).isNotNull();
        decide(Protocol.FROST, Map.of("alive", "no", "percent", "60"));
        assertThat(newest().passed()).isFalse();
        assertThat(finding("battery").standing()).isEqualTo(Standing.BROKEN);
        assertThat(finding("battery").reason()).contains("Not alive on a frosty morning, 60 % of charge.");
        decide(Protocol.FROST, Map.of("alive", "yes", "percent", "5"));
        assertThat(newest().said()).contains("less than its warning level");
        assertThat(finding("battery").standing()).isEqualTo(Standing.BROKEN);
        decide(Protocol.FROST, Map.of("alive", "yes", "percent", "60"));
        assertThat(finding("battery").standing()).isEqualTo(before.standing());
        assertThat(finding("battery").evidence()).isEqualTo(Evidence.PREDICTED);
        assertThat(finding("battery").reason()).endsWith("It lived through a frost on site; the dark months are still to come.");
    }

    private Form faults(Protocol kind, Map<String, String> typed) {
        Form form = new Form(new HashMap<>(typed));
        trials.decide(ref, trials.begin(ref, camera, kind), form);
        return form;
    }

    /** Somebody who may look through the camera and is rung by it. */
    private long lives(String name) {
        long id = demo.jdbc().sql("""
            insert into resident (household_id, name, email, tie) values (:household, :name, '', 'LIVES_HERE') returning id
            """).param("household", ref.id()).param("name", name).query(Long.class).single();
        demo.jdbc().sql("insert into access_grant (household_id, resident_id, camera_id, role) values (:household, :id, :camera, 'VIEWER')")
                .param("household", ref.id()).param("id", id).param("camera", camera).update();
        demo.touched(ref.id());
        return id;
    }

    private ProveView.Test walkTest() {
        return test(Protocol.WALK);
    }

    private ProveView.Test test(Protocol kind) {
        return ProveView.of(frames.frame(ref, Stage.PROVE), cameras.records(ref.id()), rows.of(ref.id()), Optional.empty()).cameras()
                .stream()
                .filter(each -> each.id() == camera).flatMap(each -> each.tests().stream())
                .filter(test -> test.kind() == kind).findFirst().orElseThrow();
    }

    /** On stand-ins one may try everything; of the real camera it says nothing. */
    @Test
    void a_rehearsal_proves_nothing_and_is_cleared_with_one_act() {
        long other = cameras.add(ref.id(), "T " + UUID.randomUUID().toString().substring(0, 8), "dunmark-post",
                new CameraPose(3.2, -0.35, 2.4, 215, 10), Camera.Settings.DEFAULT);
        assertThatThrownBy(() -> trials.begin(ref, other, Protocol.ALERT)).isInstanceOf(BadInput.class)
                .hasMessageContaining("is not joined yet");
        assertThatThrownBy(() -> trials.rehearse(ref, other, Protocol.ALERT)).isInstanceOf(BadInput.class)
                .hasMessageContaining("rehearse its run first");
        rehearsedRun(other);
        demo.touched(ref.id());
        int before = proofs.of(ref.id()).size();
        for (Protocol kind : Arrays.stream(Protocol.values()).filter(Protocol::rehearsable).toList()) {
            trials.rehearsed(ref, trials.rehearse(ref, other, kind), kind != Protocol.WALK);
        }
        assertThat(proofs.of(ref.id())).hasSize(before);
        assertThatThrownBy(() -> trials.decide(ref, trials.rehearse(ref, other, Protocol.ALERT), any()))
                .isInstanceOf(BadInput.class).hasMessageContaining("proves nothing");
        assertThat(cameras.get(ref.id(), other).camera().joined()).isFalse();
        assertThat(rows.clearRehearsed(ref.id())).isEqualTo(5);
        assertThat(rows.of(ref.id())).noneMatch(TrialRepository.Trial::onStandIns);
    }

    @Test
    void a_real_test_is_not_confirmed_as_a_rehearsal() {
        long trial = trials.begin(ref, camera, Protocol.LIVE_AWAY);
        assertThatThrownBy(() -> trials.rehearsed(ref, trial, true)).isInstanceOf(BadInput.class).hasMessageContaining("say what was seen");
    }

    @Test
    void a_test_is_confirmed_once() {
        long trial = trials.begin(ref, camera, Protocol.LIVE_HOME);
        trials.decide(ref, trial, any());
        assertThatThrownBy(() -> trials.decide(ref, trial, any())).isInstanceOf(Conflict.class).hasMessageContaining("confirmed already");
    }

    @Test
    void moving_the_camera_takes_the_proof_back_by_name() {
        decide(Protocol.LIVE_HOME, Map.of("passed", "true", "seconds", "2.5", "signalDbm", "-59"));
        CameraRepository.Record now = cameras.get(ref.id(), camera);
        cameras.aim(ref.id(), camera, new CameraPose(4.4, -0.35, 2.4, 215, 10), now.version());
        demo.touched(ref.id());
        assertThat(finding("link").evidence()).isEqualTo(Evidence.PREDICTED);
        assertThat(finding("link").reason()).endsWith(now.camera().name()
                + " was moved since the test: to be tested again.");
    }

    private void decide(Protocol kind, Map<String, String> typed) {
        trials.decide(ref, trials.begin(ref, camera, kind), new Form(new HashMap<>(typed)));
    }

    private Optional<Seen> read(long trial, Form form) {
        Trials.Running running = trials.running(ref, trial);
        return Seen.read(form, running);
    }

    private static Form any() {
        return new Form(new HashMap<>(Map.of("passed", "true", "seconds", "3")));
    }

    private TrialRepository.Trial newest() {
        return rows.of(ref.id()).stream().reduce((older, newer) -> newer).orElseThrow();
    }

    private void rehearsedRun(long cameraId) {
        demo.jdbc().sql("""
            insert into run (household_id, camera_id, way, network_name, bench, started_at, started_by, finished_at)
            values (:household, :camera, 'HOTSPOT', 'n', true, now(), 'Jory', now())
            """).param("household", ref.id()).param("camera", cameraId).update();
    }

    private long joined(CameraPose pose) {
        return joined("dunmark-post", pose);
    }

    private long joined(String model, CameraPose pose) {
        long id = cameras.add(ref.id(), "T " + UUID.randomUUID().toString().substring(0, 8), model, pose, Camera.Settings.DEFAULT);
        cameras.markJoined(ref.id(), id);
        demo.touched(ref.id());
        return id;
    }

    private Finding finding(String what) {
        return of(PromiseKey.ofCamera(camera, what));
    }

    private Finding of(PromiseKey key) {
        return HouseholdJudge.judge(households.of(ref.id()).facts()).promises().stream().map(Judged::finding)
                .filter(finding -> finding.promise().equals(key)).findFirst().orElseThrow();
    }
}
