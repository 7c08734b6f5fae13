package roofnest.app.prove;

import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;

import org.springframework.stereotype.Service;

import roofnest.core.trial.Protocol;
import roofnest.core.judge.TestsWanted;
import roofnest.app.records.CameraRepository;
import roofnest.app.records.Changes;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.JudgedHousehold;
import roofnest.app.records.JudgedHouseholds;
import roofnest.app.records.PromiseRepository;
import roofnest.app.records.ProofRepository;
import roofnest.app.web.BadInput;
import roofnest.app.web.Conflict;
import roofnest.app.web.Form;
import roofnest.app.web.NoSuchPage;
import roofnest.core.access.Access;
import roofnest.core.judge.Camera;
import roofnest.core.judge.Judged;
import roofnest.core.judge.Proof;
import roofnest.core.plan.HousePlan;
import roofnest.core.promise.Light;
import roofnest.core.promise.Promise;
import roofnest.core.promise.PromiseKey;
import roofnest.core.promise.Stage;
import roofnest.core.radio.LinkBudget;
import roofnest.core.view.Eye;
import roofnest.standins.CloudStandIn;

/**
 * Tests of real cameras, which prove promises or break them, and rehearsals of them on stand-ins, which do neither.
 */
@Service
public class Trials {
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

    /**
     * A test under way.
     *
     * @param scene what the stand-in shows; empty for a real camera
     * @param watched promises of places that this camera is the one to watch or has in sight; asked at a walk
     * @param predicted link of the camera
     * @param phones of whom it has to be made, each on their own
     */
    record Running(TrialRepository.Trial trial, CameraRepository.Record camera, Optional<LiveScene> scene, List<Judged> watched,
            Optional<LinkBudget> predicted, boolean firstAway, List<Access.Person> phones) {}

    /** Begins the test of a real camera. */
    public long begin(HouseholdRef ref, long cameraId, Protocol kind) {
        return changes.make(ref, stage(ref, kind), () -> begun(ref, cameraId, kind));
    }

    private long begun(HouseholdRef ref, long cameraId, Protocol kind) {
        Camera camera = cameras.get(ref.id(), cameraId).camera();
        if (!camera.joined()) {
            throw new BadInput(camera.name() + " is not joined yet; pair it first.");
        }
        if (!TestsWanted.of(camera, promises.of(ref.id()), households.of(ref.id()).facts().climate()).contains(kind)) {
            throw new BadInput("Nothing that is promised of " + camera.name() + " wants this test.");
        }
        return trials.begin(ref.id(), cameraId, kind, OptionalDouble.empty(), ref.by());
    }

    /** Every test of a real camera that could be begun: the camera and the kind. */
    List<Wanted> wanted(HouseholdRef ref) {
        JudgedHousehold household = households.of(ref.id());
        return household.facts().cameras().stream().filter(Camera::joined)
                .flatMap(camera -> TestsWanted.of(camera, promises.of(ref.id()), household.facts().climate()).stream()
                        .map(kind -> new Wanted(camera.id(), kind)))
                .toList();
    }

    record Wanted(long cameraId, Protocol kind) {}

    /** A test as it would begin now; it is not begun by being looked at. */
    Running ahead(HouseholdRef ref, long cameraId, Protocol kind) {
        return running(ref, new TrialRepository.Trial(0, cameraId, kind, false, OptionalDouble.empty(), null, Optional.empty(), null,
                OffsetDateTime.now(clock), ref.by(), null, null, null, Map.of()), trials.of(ref.id()));
    }

    /** A test that was begun and seen through without a line, in one: as {@link #begin} and then {@link #decide}. */
    void made(HouseholdRef ref, long cameraId, Protocol kind, Form form) {
        Running running = ahead(ref, cameraId, kind);
        Seen.read(form, running).ifPresent(
                seen -> changes.run(ref, stage(ref, kind), () -> keep(ref, begun(ref, cameraId, kind), running, seen)));
    }

    /** A test that is made later is a matter of care once the house was handed over; all others want the case open. */
    private Stage stage(HouseholdRef ref, Protocol kind) {
        return kind.later() && households.of(ref.id()).household().handedOver() ? Stage.CARE : Stage.PROVE;
    }

    /** Begins a rehearsal, of a camera whose run was rehearsed. */
    public long rehearse(HouseholdRef ref, long cameraId, Protocol kind) {
        JudgedHousehold household = households.of(ref.id());
        CameraRepository.Record record = rehearsed(household.camera(cameraId));
        Camera camera = record.camera();
        HousePlan plan = household.facts().plan().orElseThrow(() -> new BadInput("The house has no plan yet."));
        List<TrialRepository.Trial> before = trials.of(ref.id());
        CloudStandIn cloud = new CloudStandIn(31 * cameraId + before.size());
        double seconds = switch (kind) {
            case LIVE_HOME -> cloud.liveAtHomeSeconds(camera.model());
            case LIVE_AWAY -> cloud.liveAwaySeconds(camera.model(), isFirstAway(before, cameraId, true));
            case ALERT -> cloud.alertSeconds(camera.model(), uplinkMbps(household, camera));
            case WALK -> LiveScene.of(plan, camera).capture().walkS();
            case CLOCK, SOUND, SIREN, POWER_CUT, PRIVATE, FOOTAGE, FROST ->
                throw new BadInput("There is nothing to rehearse: no stand-in has neighbours, ears, a plug or weeks.");
        };
        return changes.make(ref, Stage.PROVE, () -> {
            rehearsed(cameras.get(ref.id(), cameraId));
            return trials.begin(ref.id(), cameraId, kind, OptionalDouble.of(seconds), ref.by());
        });
    }

    private static CameraRepository.Record rehearsed(CameraRepository.Record record) {
        if (record.rehearsedAt() == null) {
            throw new BadInput(record.camera().name() + " was not joined on stand-ins yet; rehearse its run first.");
        }
        return record;
    }

    Running running(HouseholdRef ref, long trialId) {
        TrialRepository.Trial trial = trials.find(ref.id(), trialId).orElseThrow(NoSuchPage::new);
        return running(ref, trial, trials.of(ref.id()).stream().filter(t -> t.id() < trialId).toList());
    }

    private Running running(HouseholdRef ref, TrialRepository.Trial trial, List<TrialRepository.Trial> before) {
        JudgedHousehold household = households.of(ref.id());
        CameraRepository.Record camera = household.camera(trial.cameraId());
        Optional<LiveScene> scene = trial.onStandIns()
                ? Optional.of(LiveScene.of(household.facts().plan().orElseThrow(NoSuchPage::new), camera.camera())) : Optional.empty();
        List<Judged> watched = household.judgement().promises().stream().filter(judged -> asked(household, camera, judged, trial.kind()))
                .toList();
        return new Running(trial, camera, scene, watched, household.judge().link(household.facts(), camera.camera()),
                isFirstAway(before, trial.cameraId(), trial.onStandIns()),
                trial.onStandIns() ? List.of() : TestsWanted.phones(trial.kind(), trial.cameraId(), household.facts()));
    }

    private static boolean asked(JudgedHousehold household, CameraRepository.Record camera, Judged judged, Protocol kind) {
        return switch (kind) {
            case PRIVATE -> judged.promise() instanceof Promise.NeverShows;
            case FROST -> judged.promise() instanceof Promise.BatteryLasts lasts && lasts.cameraId() == camera.id();
            default -> watches(household, camera, judged);
        };
    }

    /** Whether a promise is of a place that the camera is the one to watch, or has in sight. */
    private static boolean watches(JudgedHousehold household, CameraRepository.Record record, Judged judged) {
        String place = judged.promise() instanceof Promise.MakeOut makeOut ? makeOut.placeId()
                : judged.promise() instanceof Promise.RecordedBefore before ? before.placeId() : "";
        if (place.isEmpty() || judged.cameraId().filter(id -> id == record.id()).isPresent()) {
            return !place.isEmpty();
        }
        Camera camera = record.camera();
        return household.judge().house().flatMap(house -> house.plan().place(place).filter(seen -> {
            Eye eye = house.eye(camera.model().lens(), camera.pose());
            return eye.projection().pixel(seen.face()).filter(eye.projection()::inFrame).isPresent()
                    && eye.clearTo(seen.at().xM(), seen.at().yM(), seen.face().zM());
        })).isPresent();
    }

    /**
     * What was seen of a real camera, as it was typed; faults go to their fields and nothing is kept. It proves what it kept and
     * breaks what it did not, whatever was predicted.
     */
    public void decide(HouseholdRef ref, long trialId, Form form) {
        Running running = running(ref, trialId);
        if (running.trial().onStandIns()) {
            throw new BadInput("This is a rehearsal on stand-ins; it proves nothing.");
        }
        Seen.read(form, running)
                .ifPresent(seen -> changes.run(ref, stage(ref, running.trial().kind()), () -> keep(ref, trialId, running, seen)));
    }

    private void keep(HouseholdRef ref, long trialId, Running running, Seen seen) {
        Camera camera = cameras.get(ref.id(), running.camera().id()).camera();
        List<Proof> made = proofs(running, camera, seen, promises.of(ref.id()), ref);
        boolean footage = running.trial().kind() == Protocol.FOOTAGE;
        boolean passed = seen.passed() && (!footage || made.stream().allMatch(Proof::passed));
        decided(ref, trialId, new TrialRepository.Decided(passed, footage ? OptionalDouble.empty() : seen.seconds(),
                seen.timed(), seen.light(), seen.said(), seen.phones()));
        made.forEach(proof -> proofs.add(ref.id(), proof));
    }

    /** How a rehearsal went. */
    public void rehearsed(HouseholdRef ref, long trialId, boolean passed) {
        Running running = running(ref, trialId);
        LiveScene scene = running.scene().orElseThrow(() -> new BadInput("This is a real test: say what was seen."));
        if (passed && running.trial().kind() == Protocol.WALK && !scene.capture().caught()) {
            throw new BadInput("No clip was recorded, so there is none to play back. Turn or move the camera and walk again.");
        }
        changes.run(ref, Stage.PROVE, () -> decided(ref, trialId,
                new TrialRepository.Decided(passed, OptionalDouble.empty(), null, Optional.empty(), "rehearsed on stand-ins", Map.of())));
    }

    private void decided(HouseholdRef ref, long trialId, TrialRepository.Decided decided) {
        if (!trials.decide(ref.id(), trialId, decided, ref.by())) {
            throw new Conflict("This test was confirmed already, by somebody else or in another window; begin it again to repeat it.");
        }
    }

    private List<Proof> proofs(Running running, Camera camera, Seen seen, List<Promise> written, HouseholdRef ref) {
        return switch (running.trial().kind()) {
            case LIVE_HOME -> List.of(proof(new Promise.HoldsLink(PromiseKey.ofCamera(camera.id(), "link"), camera.id()), camera,
                    seen.passed(), seen.signalDbm(), seen, seen.said(), ref));
            // Nothing is promised in so many words: the gate names these tests until they are passed.
            case CLOCK, SOUND, SIREN, POWER_CUT -> List.of();
            case LIVE_AWAY -> written.stream().filter(Promise.LiveAway.class::isInstance)
                    .map(promise -> proof(promise, camera, seen.passed(), seen.seconds(), seen, seen.said(), ref)).toList();
            case ALERT -> written.stream().filter(Promise.AlertWithin.class::isInstance)
                    .map(promise -> proof(promise, camera, seen.passed(), seen.seconds(), seen, seen.said(), ref)).toList();
            case WALK -> written.stream().filter(promise -> seen.places().containsKey(promise.key())).map(promise -> proof(promise, camera,
                    seen.places().get(promise.key()), OptionalDouble.empty(), seen,
                    seen.places().get(promise.key()) ? "It was so on the clip that was played back." : "It was not so on the clip.", ref))
                    .toList();
            case PRIVATE -> written.stream().filter(promise -> seen.places().containsKey(promise.key())).map(promise -> proof(promise,
                    camera, seen.places().get(promise.key()), OptionalDouble.empty(), seen, seen.places().get(promise.key())
                            ? "The live picture was searched at its widest: none of it shows." : "It shows in the live picture.",
                    ref))
                    .toList();
            // One morning proves nothing of the dark months, but a pack that did not live through it breaks what was promised.
            case FROST -> List.of(proof(new Promise.BatteryLasts(PromiseKey.ofCamera(camera.id(), "battery"), camera.id()), camera,
                    seen.passed(), OptionalDouble.empty(), seen, seen.said(), ref));
            case FOOTAGE -> written.stream().filter(Promise.KeepsDays.class::isInstance).map(promise -> proof(promise, camera,
                    seen.seconds().orElseThrow() >= ((Promise.KeepsDays) promise).days(), seen.seconds(), seen, seen.said(), ref))
                    .toList();
        };
    }

    private Proof proof(Promise promise, Camera camera, boolean passed, OptionalDouble measured, Seen seen, String said,
            HouseholdRef ref) {
        JudgedHousehold household = households.of(ref.id());
        return new Proof(promise.key(), camera.id(), passed, measured, seen.light(), said,
                household.judge().proofMark(household.facts(), camera, promise), clock.instant(), ref.by(), seen.phones());
    }

    private static boolean isFirstAway(List<TrialRepository.Trial> before, long cameraId, boolean onStandIns) {
        return before.stream().noneMatch(trial -> trial.cameraId() == cameraId && trial.kind() == Protocol.LIVE_AWAY
                && trial.onStandIns() == onStandIns);
    }

    private static double uplinkMbps(JudgedHousehold household, Camera camera) {
        return household.judge().link(household.facts(), camera).map(link -> LinkBudget.rateMbps(link.rssiDbm()) * 0.6)
                .orElse(NO_UPLINK_MBPS);
    }
}
