package roofnest.app.prove;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Optional;
import java.util.UUID;

import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

import roofnest.app.AppTest;
import roofnest.app.DemoPlaces;
import roofnest.app.records.CameraRepository;
import roofnest.app.records.JudgedHouseholds;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.ProofRepository;
import roofnest.app.web.BadInput;
import roofnest.app.web.Conflict;
import roofnest.core.judge.Camera;
import roofnest.core.judge.HouseholdJudge;
import roofnest.core.judge.Proof;
import roofnest.core.promise.Evidence;
import roofnest.core.promise.Finding;
import roofnest.core.promise.PromiseKey;
import roofnest.core.view.CameraPose;

/** Which promise each test fills, and when it does not. */
@AppTest
class TrialsTest {
    @Autowired private Trials trials;
    @Autowired private ProofRepository proofs;
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

    @Test
    void a_live_picture_at_home_proves_the_link_with_the_signal_that_was_read() {
        trials.confirm(ref, trials.begin(ref, camera, TrialRepository.Kind.LIVE_HOME), true, Optional.of(-59.0));
        Finding link = finding("link");
        assertThat(link.evidence()).isEqualTo(Evidence.PROVED);
        assertThat(link.measured()).hasValue(-59);
    }

    @Test
    void the_first_mobile_connection_is_the_slow_one() {
        long first = trials.begin(ref, camera, TrialRepository.Kind.LIVE_AWAY);
        assertThat(trials.running(ref, first).firstAway()).isTrue();
        trials.confirm(ref, first, true, Optional.empty());
        long second = trials.begin(ref, camera, TrialRepository.Kind.LIVE_AWAY);
        assertThat(trials.running(ref, second).firstAway()).isFalse();
        assertThat(trials.running(ref, second).trial().seconds()).isLessThan(trials.running(ref, first).trial().seconds());
    }

    @Test
    void a_test_that_failed_proves_nothing() {
        int before = ofCamera().size();
        trials.confirm(ref, trials.begin(ref, camera, TrialRepository.Kind.LIVE_HOME), false, Optional.of(-59.0));
        assertThat(ofCamera()).hasSize(before);
    }

    @Test
    void a_walk_that_the_camera_slept_through_cannot_be_confirmed_as_caught() {
        long blind = joined(new CameraPose(9.6, 8.3, 2.4, 20, 10));
        long trial = trials.begin(ref, blind, TrialRepository.Kind.WALK);
        assertThat(trials.running(ref, trial).scene().capture().caught()).isFalse();
        assertThatThrownBy(() -> trials.confirm(ref, trial, true, Optional.empty())).isInstanceOf(BadInput.class)
                .hasMessageContaining("No clip was recorded");
        trials.confirm(ref, trial, false, Optional.empty());
    }

    @Test
    void a_walk_that_was_caught_shows_the_walker_recorded_in_the_picture() {
        LiveScene scene = trials.running(ref, trials.begin(ref, camera, TrialRepository.Kind.WALK)).scene();
        assertThat(scene.capture().caught()).isTrue();
        assertThat(scene.frames()).anySatisfy(frame -> {
            assertThat(frame.recorded()).isTrue();
            assertThat(frame.body()).startsWith("M");
        });
        assertThat(scene.frames().get(0).recorded()).as("nothing is recorded before the camera woke").isFalse();
    }

    @Test
    void a_test_is_confirmed_once() {
        long trial = trials.begin(ref, camera, TrialRepository.Kind.ALERT);
        trials.confirm(ref, trial, true, Optional.empty());
        assertThatThrownBy(() -> trials.confirm(ref, trial, true, Optional.empty())).isInstanceOf(Conflict.class)
                .hasMessageContaining("confirmed already");
    }

    @Test
    void moving_the_camera_takes_the_proof_back() {
        trials.confirm(ref, trials.begin(ref, camera, TrialRepository.Kind.LIVE_HOME), true, Optional.of(-59.0));
        CameraRepository.Record now = cameras.get(ref.id(), camera);
        cameras.aim(ref.id(), camera, new CameraPose(4.4, -0.35, 2.4, 215, 10), now.version());
        demo.touched(ref.id());
        assertThat(finding("link").evidence()).isEqualTo(Evidence.PREDICTED);
        assertThat(finding("link").reason()).contains("moved or masked since");
    }

    private long joined(CameraPose pose) {
        long id = cameras.add(ref.id(), "T " + UUID.randomUUID().toString().substring(0, 8), "dunmark-post", pose, Camera.Settings.DEFAULT);
        cameras.markJoined(ref.id(), id);
        demo.touched(ref.id());
        return id;
    }

    private List<Proof> ofCamera() {
        return proofs.of(ref.id()).stream().filter(proof -> proof.cameraId() == camera).toList();
    }

    private Finding finding(String what) {
        PromiseKey key = PromiseKey.ofCamera(camera, what);
        return HouseholdJudge.judge(households.of(ref.id()).facts()).promises().stream().map(judged -> judged.finding())
                .filter(finding -> finding.promise().equals(key)).findFirst().orElseThrow();
    }
}
