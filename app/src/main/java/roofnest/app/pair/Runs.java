package roofnest.app.pair;

import java.security.SecureRandom;
import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

import org.springframework.stereotype.Service;

import roofnest.app.household.FactsLoader;
import roofnest.app.household.HouseholdChanges;
import roofnest.app.ready.NetworkRepository;
import roofnest.app.secrets.SecretStore;
import roofnest.app.survey.CameraRepository;
import roofnest.app.web.BadInput;
import roofnest.app.web.Form;
import roofnest.app.web.HouseholdRef;
import roofnest.app.web.NoSuchPage;
import roofnest.core.catalogue.DeviceModel;
import roofnest.core.catalogue.PairingMethod;
import roofnest.core.judge.HouseholdFacts;
import roofnest.core.network.CredentialFit;
import roofnest.core.network.FitIssue;
import roofnest.core.pairing.CameraName;
import roofnest.core.pairing.RunEvent;
import roofnest.core.pairing.RunState;
import roofnest.core.pairing.Script;
import roofnest.core.pairing.Scripts;
import roofnest.core.pairing.Step;
import roofnest.core.promise.Promise;
import roofnest.core.promise.Stage;
import roofnest.core.view.CameraPose;
import roofnest.core.view.Projection;
import roofnest.standins.Bench;
import roofnest.standins.BenchAct;
import roofnest.standins.Fault;
import roofnest.standins.RouterStandIn;

/** Takes runs forward: each step is stored the moment it is taken, and a run is whatever its stored events make of it. */
@Service
public class Runs {
    private final RunRepository runs;
    private final CameraRepository cameras;
    private final HouseholdChanges changes;
    private final FactsLoader facts;
    private final SecretStore secrets;
    private final NetworkRepository networks;
    private final Clock clock;
    private final SecureRandom random;

    Runs(
            RunRepository runs, CameraRepository cameras, HouseholdChanges changes, FactsLoader facts, SecretStore secrets,
            NetworkRepository networks, Clock clock, SecureRandom random) {
        this.runs = runs;
        this.cameras = cameras;
        this.changes = changes;
        this.facts = facts;
        this.secrets = secrets;
        this.networks = networks;
        this.clock = clock;
        this.random = random;
    }

    /** A run as it stands. */
    record Open(RunRepository.Run run, CameraRepository.Record camera, Script script, RunState state, List<RunEvent> events, Optional<Bench> bench) {
        DeviceModel model() {
            return camera.camera().model();
        }
    }

    /** The camera's open run, or a new one. */
    public long start(HouseholdRef ref, long cameraId, PairingMethod.Way way, boolean bench) {
        CameraRepository.Record camera = cameras.get(ref.id(), cameraId);
        if (camera.camera().model().setUp().method(way).isEmpty()) {
            throw new BadInput(camera.camera().model().fullName() + " does not join by " + way.words() + ".");
        }
        String network = facts.load(ref.id()).network()
                .orElseThrow(() -> new BadInput("Write down the house's Wi-Fi at Ready first; the camera has to be told it.")).name();
        return changes.make(ref, Stage.PAIR, () -> runs.openRunOf(ref.id(), cameraId).map(RunRepository.Run::id)
                .orElseGet(() -> runs.start(ref.id(), cameraId, way, network, bench, ref.by())));
    }

    Open open(HouseholdRef ref, long runId) {
        RunRepository.Run run = runs.find(ref.id(), runId).orElseThrow(NoSuchPage::new);
        CameraRepository.Record camera = cameras.get(ref.id(), run.cameraId());
        Script script = Scripts.of(run.way(), camera.camera().model(), run.networkName());
        List<RunEvent> events = runs.events(runId);
        Optional<Bench> bench = run.bench() ? Optional.of(bench(ref, run, camera.camera().model())) : Optional.empty();
        return new Open(run, camera, script, RunState.replay(script, events), events, bench);
    }

    List<RunRepository.Run> of(HouseholdRef ref) {
        return runs.of(ref.id());
    }

    /** Stores what was seen, if it is an answer to the step that the run stands at; otherwise says so. */
    public void answer(HouseholdRef ref, long runId, String stepId, String answerId) {
        change(ref, runId, open -> {
            requireStep(open, stepId);
            if (open.state().step().answer(answerId).isEmpty()) {
                throw new BadInput("That is not one of the answers to this step.");
            }
            runs.add(runId, new RunEvent.Answered(clock.instant(), ref.by(), stepId, answerId));
        });
    }

    public void lookAgain(HouseholdRef ref, long runId, String stepId) {
        change(ref, runId, open -> {
            requireStep(open, stepId);
            runs.add(runId, new RunEvent.LookedAgain(clock.instant(), ref.by(), stepId));
        });
    }

    public void stillWaiting(HouseholdRef ref, long runId, String stepId) {
        change(ref, runId, open -> {
            requireStep(open, stepId);
            runs.add(runId, new RunEvent.Waited(clock.instant(), ref.by(), stepId));
        });
    }

    public void undo(HouseholdRef ref, long runId) {
        change(ref, runId, open -> {
            if (open.state().canUndo()) {
                runs.add(runId, new RunEvent.Undone(clock.instant(), ref.by()));
            }
        });
    }

    /** Does on the bench what the step asks hands to do. */
    public void handsOn(HouseholdRef ref, long runId) {
        change(ref, runId, open -> open.state().step().act().ifPresent(
                act -> runs.add(runId, new BenchAct.Hands(clockOf(open), act))));
    }

    /** Winds the bench's clock on to the next change of its light. */
    public void skipAhead(HouseholdRef ref, long runId) {
        change(ref, runId, open -> open.bench().flatMap(Bench::nextChange).ifPresent(
                next -> runs.add(runId, new BenchAct.Waited(Math.max(next.atMs(), clockOf(open))))));
    }

    public void setFault(HouseholdRef ref, long runId, Fault fault) {
        change(ref, runId, open -> {
            if (open.bench().isPresent()) {
                runs.add(runId, new BenchAct.Set(clockOf(open), fault));
            }
        });
    }

    /** Takes what was typed at the run's step; faults go to their fields and nothing is stored. */
    public void fill(HouseholdRef ref, long runId, String stepId, Form form) {
        change(ref, runId, open -> {
            requireStep(open, stepId);
            Step step = open.state().step();
            Optional<String> note = switch (step.form()) {
                case NONE -> throw new BadInput("Nothing is to be typed at this step.");
                case DEVICE_PASSWORD -> fillPassword(ref, open, form);
                case STICKER -> fillSticker(ref, open, form);
                case NAME -> fillName(ref, open, form);
            };
            note.ifPresent(words -> runs.add(runId, new RunEvent.Filled(clock.instant(), ref.by(), stepId, words)));
        });
    }

    /** What else has to rejoin, once the network was changed from what it was first written down as. */
    int thingsToRejoin(HouseholdRef ref) {
        boolean changed = networks.find(ref.id()).filter(network -> network.version() > 1).isPresent();
        return changed ? networks.otherThingsCount(ref.id()) : 0;
    }

    String suggestPassword(DeviceModel model) {
        return model.passwordRule().suggest(random);
    }

    /** From the place that it sees and is most to make out at; else from the nearest. */
    String suggestName(HouseholdRef ref, Open open) {
        HouseholdFacts household = facts.load(ref.id());
        List<String> taken = cameras.namesOfOthers(ref.id(), open.camera().id());
        CameraPose pose = open.camera().camera().pose();
        Projection projection = new Projection(open.model().lens(), pose);
        return household.plan()
                .flatMap(plan -> household.written().stream()
                        .filter(Promise.MakeOut.class::isInstance).map(Promise.MakeOut.class::cast)
                        .sorted(Comparator.comparing(Promise.MakeOut::level).reversed())
                        .flatMap(promise -> plan.place(promise.placeId()).stream())
                        .filter(place -> projection.pixel(place.face()).filter(projection::inFrame).isPresent())
                        .findFirst()
                        .or(() -> plan.places().stream().min(Comparator.comparingDouble(place -> place.at().distanceM(pose.onPlan())))))
                .map(place -> CameraName.suggest(place.name(), taken)).orElse(open.camera().camera().name());
    }

    private Optional<String> fillPassword(HouseholdRef ref, Open open, Form form) {
        String password = form.raw("devicePassword");
        Optional<String> fault = open.model().passwordRule().fault(password, open.model().factoryPassword());
        if (fault.isPresent()) {
            form.fault("devicePassword", fault.get());
            return Optional.empty();
        }
        secrets.sealCameraPassword(ref.id(), open.camera().id(), password, ref.by());
        cameras.markOwnPassword(ref.id(), open.camera().id());
        return Optional.of("own password sealed");
    }

    private Optional<String> fillSticker(HouseholdRef ref, Open open, Form form) {
        String serial = form.text("serial", "the serial from the sticker", 40);
        String kept = form.text("stickerKept", "where the sticker is kept", 120);
        if (!form.ok()) {
            return Optional.empty();
        }
        cameras.keepSticker(ref.id(), open.camera().id(), serial, kept);
        return Optional.of("serial " + serial);
    }

    private Optional<String> fillName(HouseholdRef ref, Open open, Form form) {
        String name = form.raw("cameraName").strip();
        Optional<String> fault = CameraName.fault(name, cameras.namesOfOthers(ref.id(), open.camera().id()));
        if (fault.isPresent()) {
            form.fault("cameraName", fault.get());
            return Optional.empty();
        }
        cameras.rename(ref.id(), open.camera().id(), name);
        return Optional.of("named " + name);
    }

    private interface Taking {
        void from(Open open);
    }

    /** One step under the household's lock, so that two phones on one run cannot both take it. */
    private void change(HouseholdRef ref, long runId, Taking taking) {
        changes.run(ref, Stage.PAIR, () -> {
            Open before = open(ref, runId);
            if (before.run().finished()) {
                throw new BadInput("This run is finished.");
            }
            taking.from(before);
            RunState after = RunState.replay(before.script(), runs.events(runId));
            if (after.step().form() == Step.Form.DEVICE_PASSWORD) {
                cameras.markJoined(ref.id(), before.camera().id());
            }
            if (after.finished()) {
                runs.finish(runId);
            }
        });
    }

    private static void requireStep(Open open, String stepId) {
        if (!open.state().step().id().equals(stepId)) {
            throw new BadInput("The run has moved on meanwhile, on another phone or in another window. It now stands at “" + open.state().step().title() + "”.");
        }
    }

    private long clockOf(Open open) {
        return runs.acts(open.run().id()).clockMs(OffsetDateTime.now(clock));
    }

    private Bench bench(HouseholdRef ref, RunRepository.Run run, DeviceModel model) {
        RunRepository.Acts acts = runs.acts(run.id());
        boolean suits = facts.load(ref.id()).network()
                .map(network -> CredentialFit.judge(network, model).stream().noneMatch(FitIssue::blocks)).orElse(false);
        return Bench.replay(model, new RouterStandIn(run.networkName(), suits), acts.acts(), acts.clockMs(OffsetDateTime.now(clock)));
    }
}
