package roofnest.app.pair;

import java.security.SecureRandom;
import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;

import org.springframework.stereotype.Service;

import roofnest.app.household.FactsLoader;
import roofnest.app.household.HouseholdChanges;
import roofnest.app.models.Models;
import roofnest.app.ready.NetworkRepository;
import roofnest.app.ready.RouterRepository;
import roofnest.app.survey.CameraRepository;
import roofnest.app.web.BadInput;
import roofnest.app.web.Form;
import roofnest.app.web.HouseholdRef;
import roofnest.app.web.NoSuchPage;
import roofnest.core.catalogue.DeviceModel;
import roofnest.core.catalogue.HubModel;
import roofnest.core.catalogue.Joinable;
import roofnest.core.catalogue.PairingMethod;
import roofnest.core.catalogue.PhoneKind;
import roofnest.core.judge.Camera;
import roofnest.core.judge.HouseholdFacts;
import roofnest.core.network.HomeNetwork;
import roofnest.core.pairing.CameraName;
import roofnest.core.pairing.MethodOrder;
import roofnest.core.pairing.RunEvent;
import roofnest.core.pairing.RunState;
import roofnest.core.pairing.Script;
import roofnest.core.pairing.Scripts;
import roofnest.core.pairing.Setting;
import roofnest.core.pairing.Step;
import roofnest.core.promise.Promise;
import roofnest.core.promise.Stage;
import roofnest.core.view.CameraPose;
import roofnest.core.view.Projection;
import roofnest.standins.Bench;
import roofnest.standins.BenchAct;
import roofnest.standins.Fault;
import roofnest.standins.Place;

/** Takes runs forward: each step is stored the moment it is taken, and a run is whatever its stored events make of it. */
@Service
public class Runs {
    private static final Setting.Extra FORMAT_CARD = new Setting.Extra("Format its card in it",
            "In the app, never in a computer: what it has not formatted it may not keep.", 30, false);

    private final RunRepository runs;
    private final CameraRepository cameras;
    private final HouseholdChanges changes;
    private final FactsLoader facts;
    private final HouseForBench house;
    private final NetworkRepository networks;
    private final RouterRepository routers;
    private final Models models;
    private final RunForms forms;
    private final HubRepository hubs;
    private final Subjects subjects;
    private final Clock clock;
    private final SecureRandom random;

    Runs(
            RunRepository runs, CameraRepository cameras, HouseholdChanges changes, FactsLoader facts, HouseForBench house,
            NetworkRepository networks, RouterRepository routers, Models models,
            RunForms forms, HubRepository hubs, Subjects subjects, Clock clock, SecureRandom random) {
        this.runs = runs;
        this.cameras = cameras;
        this.changes = changes;
        this.facts = facts;
        this.house = house;
        this.networks = networks;
        this.routers = routers;
        this.models = models;
        this.forms = forms;
        this.hubs = hubs;
        this.subjects = subjects;
        this.clock = clock;
        this.random = random;
    }

    /**
     * A run as it stands, of a camera of a house or of a part of an exercise.
     *
     * @param camera empty in an exercise
     * @param speed virtual seconds of its bench to a real one
     */
    record Open(
            RunRepository.Run run, String deviceName, Joinable device, Optional<CameraRepository.Record> camera, Script script,
            RunState state, List<RunEvent> events, Optional<Bench> bench, int speed) {}

    /** The camera's open run, or a new one. */
    public long start(HouseholdRef ref, long cameraId, PairingMethod.Way way, boolean bench) {
        return start(ref, cameraId, way, PhoneKind.THROUGH_SETTINGS, false, bench);
    }

    /** @param atPlace whether it is set up where it will hang, rather than beside the router */
    public long start(HouseholdRef ref, long cameraId, PairingMethod.Way way, PhoneKind phone, boolean atPlace, boolean bench) {
        CameraRepository.Record camera = cameras.get(ref.id(), cameraId);
        if (camera.camera().model().setUp().method(way).isEmpty()) {
            throw new BadInput(camera.camera().model().fullName() + " does not join by " + way.words() + ".");
        }
        String network = facts.load(ref.id()).network()
                .orElseThrow(() -> new BadInput("Write down the house's Wi-Fi at Ready first; the camera has to be told it.")).name();
        return changes.make(ref, Stage.PAIR, () -> runs.openRunOf(ref.id(), cameraId).map(RunRepository.Run::id).orElseGet(() -> {
            long run = runs.start(ref.id(), cameraId, way, phone, atPlace, network, bench, ref.by());
            if (bench && house.flat(ref, camera.camera())) {
                runs.add(run, new BenchAct.Set(0, Fault.FLAT_PACK));
            }
            return run;
        }));
    }

    /** The open run of the household's hub of a model, or a new one. */
    public long startHub(HouseholdRef ref, String modelKey, PairingMethod.Way way, PhoneKind phone, boolean bench) {
        HubModel model = models.hub(modelKey);
        if (model.setUp().method(way).isEmpty()) {
            throw new BadInput(model.fullName() + " does not join by " + way.words() + ".");
        }
        String network = facts.load(ref.id()).network()
                .orElseThrow(() -> new BadInput("Write down the house's Wi-Fi at Ready first; the hub has to be told it.")).name();
        return changes.make(ref, Stage.PAIR, () -> {
            long hub = hubs.ensure(ref.id(), modelKey, model.name());
            return runs.of(ref.id()).stream().filter(run -> run.hubId() == hub && !run.finished()).map(RunRepository.Run::id).findFirst()
                    .orElseGet(() -> runs.startHub(ref.id(), hub, way, phone, network, bench, ref.by()));
        });
    }

    /** Gives a way up for another, on the same bench or on none. @return the new run */
    public long changeWay(HouseholdRef ref, long runId, PairingMethod.Way way) {
        Open before = open(ref, runId);
        RunRepository.Run run = before.run();
        if (before.device().setUp().method(way).isEmpty() || run.finished()) {
            throw new BadInput("This run cannot go on by " + way.words() + ".");
        }
        return changes.make(ref, Stage.PAIR, () -> {
            runs.giveUp(runId);
            return run.hubId() > 0 ? runs.startHub(ref.id(), run.hubId(), way, run.phone(), run.networkName(), run.bench(), ref.by())
                    : runs.start(ref.id(), run.cameraId(), way, run.phone(), run.atPlace(), run.networkName(), run.bench(), ref.by());
        });
    }

    Open open(HouseholdRef ref, long runId) {
        return opened(ref, runs.find(ref.id(), runId).orElseThrow(NoSuchPage::new));
    }

    private Open opened(HouseholdRef ref, RunRepository.Run run) {
        Subjects.Subject subject = subjects.of(ref, run);
        Script script = Scripts.of(run.way(), setting(ref, run, subject));
        List<RunEvent> events = runs.events(run.id());
        Optional<Bench> bench = run.bench() ? Optional.of(bench(ref, run, subject.device())) : Optional.empty();
        return new Open(run, subject.name(), subject.device(), subject.camera(), script, RunState.replay(script, events), events, bench, 1);
    }

    /** The hub that stands beside it, whose light is easily taken for its own. */
    Optional<Joinable> hubOf(Open open) {
        return open.camera().flatMap(camera -> models.hubOf(camera.camera().model())).map(Joinable.class::cast);
    }

    /** Every run of the household that is not over, as it stands. */
    List<Open> openOnes(HouseholdRef ref) {
        return runs.of(ref.id()).stream().filter(run -> !run.finished()).map(run -> opened(ref, run)).toList();
    }

    private Setting setting(HouseholdRef ref, RunRepository.Run run, Subjects.Subject subject) {
        Optional<DeviceModel> model = subject.camera().map(record -> record.camera().model());
        Optional<String> address = model.flatMap(each -> house.recipe(ref, subject.name(), each));
        return new Setting(subject.device(), run.networkName(), run.phone(), model.flatMap(models::hubOf), address,
                subject.device() instanceof HubModel hub && hub.cardMaxGb() > 0 ? List.of(FORMAT_CARD) : List.of(), run.atPlace());
    }

    /** Hubs that the household's cameras join through, or that are there already. */
    List<HubModel> hubsOf(HouseholdRef ref) {
        List<HubModel> needed = new ArrayList<>();
        cameras.of(ref.id()).stream().filter(camera -> camera.model().radio().viaHub())
                .flatMap(camera -> models.hubOf(camera.model()).stream()).distinct().forEach(needed::add);
        hubs.of(ref.id()).stream().map(hub -> models.hub(hub.modelKey())).filter(hub -> !needed.contains(hub)).forEach(needed::add);
        return needed;
    }

    Optional<HubRepository.Hub> hub(HouseholdRef ref, String modelKey) {
        return hubs.of(ref.id()).stream().filter(hub -> hub.modelKey().equals(modelKey)).findFirst();
    }

    /** Name of the hub that a device waits for; empty when it needs none, or its hub is online. */
    Optional<String> waitsForHub(HouseholdRef ref, Open open) {
        return open.camera().map(record -> record.camera().model()).filter(model -> open.run().way() == PairingMethod.Way.HUB_BUTTON)
                .flatMap(models::hubOf)
                .filter(hub -> hub(ref, hub.key()).filter(HubRepository.Hub::joined).isEmpty()).map(HubModel::fullName);
    }

    String hubNameFor(DeviceModel model) {
        return models.hubOf(model).map(HubModel::fullName).orElse("its hub");
    }

    /** Whether a hub was joined again since then. */
    boolean hubBack(HouseholdRef ref, long hubId, Optional<OffsetDateTime> since) {
        return since.isPresent() && runs.of(ref.id()).stream()
                .anyMatch(run -> run.hubId() == hubId && run.finished() && !run.givenUp() && run.finishedAt().isAfter(since.get()));
    }

    MethodOrder hubOrder(HouseholdRef ref, HubModel hub) {
        boolean isolated = facts.load(ref.id()).network().filter(HomeNetwork::isolated).isPresent();
        return MethodOrder.of(hub, new MethodOrder.Here(routers.of(ref.id()).pushButton(), isolated, true, true, true), Map.of());
    }

    MethodOrder orderOf(HouseholdRef ref, Open open) {
        return open.camera().map(camera -> order(ref, camera, open.run().phone())).orElseGet(() -> hubOrder(ref, (HubModel) open.device()));
    }

    List<RunRepository.Run> of(HouseholdRef ref) {
        return runs.of(ref.id());
    }

    /** Ways in of a camera, by the firm's log with such phones. */
    MethodOrder order(HouseholdRef ref, CameraRepository.Record camera, PhoneKind phone) {
        DeviceModel model = camera.camera().model();
        boolean isolated = facts.load(ref.id()).network().filter(HomeNetwork::isolated).isPresent();
        MethodOrder.Here here
                = new MethodOrder.Here(routers.of(ref.id()).pushButton(), isolated, models.hubOf(model).isPresent(), true, true);
        return MethodOrder.of(model, here, runs.log(ref.staff().firmId(), model.key(), phone));
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
                act -> runs.add(runId, new BenchAct.Hands(clockOf(open), act, open.run().way()))));
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
            Optional<String> note = forms.take(subjects.of(ref, open.run()), open.state().step().form(), form);
            note.ifPresent(words -> runs.add(runId, new RunEvent.Filled(clock.instant(), ref.by(), stepId, words)));
        });
    }

    /** What else has to rejoin, once the network was changed from what it was first written down as. */
    int thingsToRejoin(HouseholdRef ref) {
        boolean changed = networks.find(ref.id()).filter(network -> network.version() > 1).isPresent();
        return changed ? networks.otherThingsCount(ref.id()) : 0;
    }

    String suggestPassword(Joinable device) {
        return device.passwordRule().suggest(random);
    }

    /** From the place that it sees and is most to make out at; else from the nearest. */
    String suggestName(HouseholdRef ref, Open open) {
        HouseholdFacts household = facts.load(ref.id());
        List<String> taken = cameras.namesOfOthers(ref.id(), open.run().cameraId());
        if (open.camera().isEmpty()) {
            return open.deviceName();
        }
        Camera camera = open.camera().get().camera();
        CameraPose pose = camera.pose();
        Projection projection = new Projection(camera.model().lens(), pose);
        return household.plan()
                .flatMap(plan -> household.written().stream()
                        .filter(Promise.MakeOut.class::isInstance).map(Promise.MakeOut.class::cast)
                        .sorted(Comparator.comparing(Promise.MakeOut::level).reversed())
                        .flatMap(promise -> plan.place(promise.placeId()).stream())
                        .filter(place -> projection.pixel(place.face()).filter(projection::inFrame).isPresent())
                        .findFirst()
                        .or(() -> plan.places().stream().min(Comparator.comparingDouble(place -> place.at().distanceM(pose.onPlan())))))
                .map(place -> CameraName.suggest(place.name(), taken)).orElse(camera.name());
    }

    private interface Taking {
        void from(Open open);
    }

    /** One step under the household's lock, so that two phones on one run cannot both take it. */
    private void change(HouseholdRef ref, long runId, Taking taking) {
        changes.step(ref, Stage.PAIR, () -> {
            Open before = open(ref, runId);
            if (before.run().finished()) {
                throw new BadInput("This run is finished.");
            }
            taking.from(before);
            RunState after = RunState.replay(before.script(), runs.events(runId));
            boolean seenLive = after.step().form() == Step.Form.DEVICE_PASSWORD || after.step().id().equals("update");
            if (seenLive) {
                subjects.of(ref, before.run()).markJoined();
            }
            if (after.finished()) {
                runs.finish(runId);
            }
            return seenLive || before.state().step().form() != Step.Form.NONE;
        });
    }

    static void requireStep(Open open, String stepId) {
        if (!open.state().step().id().equals(stepId)) {
            throw new BadInput("The run has moved on meanwhile, on another phone or in another window. It now stands at “"
                    + open.state().step().title() + "”.");
        }
    }

    private long clockOf(Open open) {
        return runs.acts(open.run().id()).clockMs(OffsetDateTime.now(clock));
    }

    private Bench bench(HouseholdRef ref, RunRepository.Run run, Joinable device) {
        RunRepository.Acts acts = runs.acts(run.id());
        return Bench.replay(device, house.placeOf(ref, run, device), acts.acts(), acts.clockMs(OffsetDateTime.now(clock)));
    }

    /** The job as its parts stand now, to be rehearsed: hubs first, then the cameras that have not joined, or all of them when all have. */
    List<RehearsalRepository.JobPart> job(HouseholdRef ref, PhoneKind phone) {
        String network = facts.load(ref.id()).network()
                .orElseThrow(() -> new BadInput("Write down the house's Wi-Fi at Ready first; without it there is nothing to join."))
                .name();
        List<RehearsalRepository.JobPart> parts = new ArrayList<>();
        hubsOf(ref).stream().filter(hub -> hub(ref, hub.key()).filter(HubRepository.Hub::joined).isEmpty())
                .forEach(hub -> parts.add(new RehearsalRepository.JobPart(hub.key(), true, hubOrder(ref, hub).ways().get(0).way(),
                        house.beside(ref, hub, network, phone), null)));
        List<CameraRepository.Record> all = cameras.records(ref.id());
        List<CameraRepository.Record> open = all.stream().filter(record -> !record.camera().joined()).toList();
        for (CameraRepository.Record record : open.isEmpty() ? all : open) {
            DeviceModel model = record.camera().model();
            Place place = house.beside(ref, model, network, phone);
            order(ref, record, phone).ways().stream().findFirst().ifPresent(way -> parts.add(new RehearsalRepository.JobPart(model.key(),
                    false, way.way(), place, house.recipe(ref, record.camera().name(), model).orElse(null))));
        }
        return parts;
    }
}
