package roofnest.app.prove;

import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

import org.springframework.stereotype.Service;

import roofnest.app.records.CameraRepository;
import roofnest.app.records.Changes;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.JudgedHousehold;
import roofnest.app.records.JudgedHouseholds;
import roofnest.app.records.PromiseRepository;
import roofnest.app.records.ProofRepository;
import roofnest.app.web.BadInput;
import roofnest.app.web.Conflict;
import roofnest.app.web.NoSuchPage;
import roofnest.core.judge.Camera;
import roofnest.core.judge.HouseholdFacts;
import roofnest.core.judge.Proof;
import roofnest.core.motion.WalkTest;
import roofnest.core.plan.HousePlan;
import roofnest.core.plan.Place;
import roofnest.core.promise.Promise;
import roofnest.core.promise.PromiseKey;
import roofnest.core.promise.Stage;
import roofnest.core.radio.LinkBudget;
import roofnest.standins.CloudStandIn;

/** Begins tests against the stand-ins and, once confirmed, fills the promises that they prove. */
@Service
public class Trials {
    /** A walker passes a place when within this distance of it, metres. */
    private static final double PASSES_M = 2.5;
    private static final double NO_UPLINK_MBPS = 0;

    private final TrialRepository trials;
    private final ProofRepository proofs;
    private final CameraRepository cameras;
    private final Changes changes;
    private final JudgedHouseholds households;
    private final PromiseRepository promises;
    private final Clock clock;

    Trials(
            TrialRepository trials, ProofRepository proofs, CameraRepository cameras, Changes changes, JudgedHouseholds households,
            PromiseRepository promises, Clock clock) {
        this.trials = trials;
        this.proofs = proofs;
        this.cameras = cameras;
        this.changes = changes;
        this.households = households;
        this.promises = promises;
        this.clock = clock;
    }

    /** A test under way, with what the stand-in shows. */
    record Running(TrialRepository.Trial trial, CameraRepository.Record camera, HousePlan plan, LiveScene scene,
            Optional<Double> readingDbm,
            boolean firstAway) {}

    public long begin(HouseholdRef ref, long cameraId, TrialRepository.Kind kind) {
        JudgedHousehold household = households.of(ref.id());
        Camera camera = joined(household.camera(cameraId).camera());
        HouseholdFacts facts = household.facts();
        HousePlan plan = facts.plan().orElseThrow(() -> new BadInput("The house has no plan yet."));
        List<TrialRepository.Trial> before = trials.of(ref.id());
        CloudStandIn cloud = new CloudStandIn(31 * cameraId + before.size());
        double seconds = switch (kind) {
            case LIVE_HOME -> cloud.liveAtHomeSeconds(camera.model());
            case LIVE_AWAY -> cloud.liveAwaySeconds(camera.model(), isFirstAway(before, cameraId));
            case ALERT -> cloud.alertSeconds(camera.model(), uplinkMbps(household, camera));
            case WALK -> LiveScene.of(plan, camera).capture().walkS();
        };
        return changes.make(ref, Stage.PROVE, () -> {
            joined(cameras.get(ref.id(), cameraId).camera());
            return trials.begin(ref.id(), cameraId, kind, seconds, ref.by());
        });
    }

    private static Camera joined(Camera camera) {
        if (!camera.joined()) {
            throw new BadInput(camera.name() + " is not joined yet; pair it first.");
        }
        return camera;
    }

    Running running(HouseholdRef ref, long trialId) {
        TrialRepository.Trial trial = trials.find(ref.id(), trialId).orElseThrow(NoSuchPage::new);
        JudgedHousehold household = households.of(ref.id());
        CameraRepository.Record camera = household.camera(trial.cameraId());
        HousePlan plan = household.facts().plan().orElseThrow(NoSuchPage::new);
        Optional<Double> reading = household.judge().link(household.facts(), camera.camera())
                .map(link -> new CloudStandIn(trialId).readingDbm(link.rssiDbm()));
        List<TrialRepository.Trial> before = trials.of(ref.id()).stream().filter(t -> t.id() < trialId).toList();
        return new Running(trial, camera, plan, LiveScene.of(plan, camera.camera()), reading, isFirstAway(before, trial.cameraId()));
    }

    /** @param signalDbm as the app shows it, for a live picture at home */
    public void confirm(HouseholdRef ref, long trialId, boolean passed, Optional<Double> signalDbm) {
        Running running = running(ref, trialId);
        if (passed && running.trial().kind() == TrialRepository.Kind.WALK && !running.scene().capture().caught()) {
            throw new BadInput("No clip was recorded, so there is none to play back. Turn or move the camera and walk again.");
        }
        changes.run(ref, Stage.PROVE, () -> {
            if (!trials.confirm(ref.id(), trialId, passed)) {
                throw new Conflict("This test was confirmed already, by somebody else or in another window; begin it again to repeat it.");
            }
            if (passed) {
                proved(ref, running, signalDbm, promises.of(ref.id())).forEach(proof -> proofs.add(ref.id(), proof));
            }
        });
    }

    private List<Proof> proved(HouseholdRef ref, Running running, Optional<Double> signalDbm, List<Promise> written) {
        Camera camera = running.camera().camera();
        List<Proof> proved = new ArrayList<>();
        switch (running.trial().kind()) {
            case LIVE_HOME -> signalDbm.ifPresent(dbm -> proved.add(proof(PromiseKey.ofCamera(camera.id(), "link"), camera, dbm, ref)));
            case LIVE_AWAY -> {}
            case ALERT -> written.stream().filter(Promise.AlertWithin.class::isInstance)
                    .forEach(promise -> proved.add(proof(promise.key(), camera, running.trial().seconds(), ref)));
            case WALK -> written.stream()
                    .filter(Promise.MakeOut.class::isInstance).map(Promise.MakeOut.class::cast)
                    .forEach(promise -> running.plan().place(promise.placeId())
                            .flatMap(place -> recordedNear(running.scene().capture(), place))
                            .ifPresent(density -> proved.add(proof(promise.key(), camera, density, ref))));
        }
        return proved;
    }

    /** Best density recorded of the walker while passing a place, px/m. */
    private static Optional<Double> recordedNear(WalkTest.Capture capture, Place place) {
        return capture.moments().stream()
                .filter(moment -> moment.recorded() && moment.densityPxPerM() > 0 && moment.point().distanceM(place.at()) <= PASSES_M)
                .map(WalkTest.Moment::densityPxPerM).max(Double::compare);
    }

    private Proof proof(PromiseKey promise, Camera camera, double measured, HouseholdRef ref) {
        return new Proof(promise, camera.id(), measured, camera.poseMark(), clock.instant(), ref.by());
    }

    private static boolean isFirstAway(List<TrialRepository.Trial> before, long cameraId) {
        return before.stream().noneMatch(trial -> trial.cameraId() == cameraId && trial.kind() == TrialRepository.Kind.LIVE_AWAY);
    }

    private static double uplinkMbps(JudgedHousehold household, Camera camera) {
        return household.judge().link(household.facts(), camera).map(link -> LinkBudget.rateMbps(link.rssiDbm()) * 0.6)
                .orElse(NO_UPLINK_MBPS);
    }
}
