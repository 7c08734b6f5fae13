package roofnest.app.pair;

import java.time.Clock;
import java.time.Duration;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;

import org.springframework.stereotype.Service;
import org.springframework.ui.Model;

import roofnest.app.household.Frames;
import roofnest.app.models.Models;
import roofnest.app.records.CameraRepository;
import roofnest.app.records.Changes;
import roofnest.app.records.ExperienceRepository;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.HubRepository;
import roofnest.app.records.NetworkRepository;
import roofnest.app.records.Rehearsed;
import roofnest.app.web.BadInput;
import roofnest.app.web.Conflict;
import roofnest.app.web.Form;
import roofnest.app.web.NoSuchPage;
import roofnest.core.catalogue.DeviceModel;
import roofnest.core.catalogue.HubModel;
import roofnest.core.catalogue.Joinable;
import roofnest.core.catalogue.PairingMethod;
import roofnest.core.catalogue.PhoneKind;
import roofnest.core.judge.Camera;
import roofnest.core.judge.HouseholdFacts;
import roofnest.core.pairing.Attention;
import roofnest.core.pairing.CameraName;
import roofnest.core.pairing.Meanwhile;
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

/** Runs of households: begun, found again, and what follows from their steps. A run is whatever its stored events make of it. */
@Service
public class Runs {
    private static final Setting.Extra FORMAT_CARD = new Setting.Extra("Format its card in it",
            "In the app, never in a computer: what it has not formatted it may not keep.", 30, false);
    private static final Duration WORTH_USING = Duration.ofSeconds(15);

    private final RunRepository runs;
    private final CameraRepository cameras;
    private final HubRepository hubs;
    private final NetworkRepository networks;
    private final ExperienceRepository experience;
    private final List<Rehearsed> rehearsed;
    private final Changes changes;
    private final Sites sites;
    private final Frames frames;
    private final Models models;
    private final Subjects subjects;
    private final Clock clock;

    Runs(
            RunRepository runs, CameraRepository cameras, HubRepository hubs, NetworkRepository networks, ExperienceRepository experience,
            List<Rehearsed> rehearsed, Changes changes, Sites sites, Frames frames, Models models, Subjects subjects, Clock clock) {
        this.runs = runs;
        this.cameras = cameras;
        this.hubs = hubs;
        this.networks = networks;
        this.experience = experience;
        this.rehearsed = rehearsed;
        this.changes = changes;
        this.sites = sites;
        this.frames = frames;
        this.models = models;
        this.subjects = subjects;
        this.clock = clock;
    }

    /** The camera's open run, or a new one. */
    public long start(HouseholdRef ref, long cameraId, PairingMethod.Way way, boolean bench) {
        return start(ref, cameraId, way, PhoneKind.THROUGH_SETTINGS, false, bench);
    }

    /** @param atPlace whether it is set up where it will hang, rather than beside the router */
    public long start(HouseholdRef ref, long cameraId, PairingMethod.Way way, PhoneKind phone, boolean atPlace, boolean bench) {
        Site site = sites.of(ref);
        Camera camera = site.household().camera(cameraId).camera();
        requireWay(camera.model(), way);
        String network = site.network()
                .orElseThrow(() -> new BadInput("Write down the house's Wi-Fi at Ready first; the camera has to be told it.")).name();
        return changes.unjudged(ref, Stage.PAIR, () -> goOn(runs.openRunOf(ref.id(), cameraId), bench).orElseGet(() -> {
            cameras.get(ref.id(), cameraId);
            long run = runs.start(ref.id(), cameraId, way, phone, atPlace, network, bench, ref.by());
            if (bench && site.flat(camera)) {
                runs.add(run, new BenchAct.Set(0, Fault.FLAT_PACK));
            }
            return run;
        }));
    }

    /** The open run of the household's hub of a model, or a new one. */
    public long startHub(HouseholdRef ref, String modelKey, PairingMethod.Way way, PhoneKind phone, boolean bench) {
        HubModel model = models.hub(modelKey);
        requireWay(model, way);
        String network = sites.of(ref).network()
                .orElseThrow(() -> new BadInput("Write down the house's Wi-Fi at Ready first; the hub has to be told it.")).name();
        return changes.unjudged(ref, Stage.PAIR, () -> {
            long hub = hubs.ensure(ref.id(), modelKey, model.name());
            return goOn(runs.openRunOfHub(ref.id(), hub), bench)
                    .orElseGet(() -> runs.startHub(ref.id(), hub, way, phone, network, bench, ref.by()));
        });
    }

    /** A rehearsal never stands in the way of the real run; nor is a real run gone on with as if it were one. */
    private Optional<Long> goOn(Optional<RunRepository.Run> open, boolean bench) {
        if (open.isPresent() && open.get().bench() != bench) {
            if (bench) {
                throw new BadInput("Its run on the real thing is open, begun by " + open.get().startedBy()
                        + ". Finish that first, or rehearse in the rehearsal room.");
            }
            runs.giveUp(open.get().id());
            return Optional.empty();
        }
        return open.map(RunRepository.Run::id);
    }

    /** Everything that was tried on stand-ins in this household is forgotten, tests as well. @return how many records there were */
    int clearRehearsed(HouseholdRef ref) {
        return changes.make(ref, Stage.PAIR,
                () -> rehearsed.stream().mapToInt(rows -> rows.clearRehearsed(ref.id())).sum());
    }

    private static void requireWay(Joinable device, PairingMethod.Way way) {
        if (device.setUp().method(way).isEmpty()) {
            throw new BadInput(device.fullName() + " does not join by " + way.words() + ".");
        }
    }

    /** A run of the household's, or a page that is not there once it is opened. */
    RunPort port(HouseholdRef ref, long runId) {
        return new HouseholdRun(ref, runId);
    }

    /** How many steps of a run of the firm's are stored. */
    int steps(long firmId, long householdId, long runId) {
        return runs.steps(firmId, householdId, runId).orElseThrow(NoSuchPage::new);
    }

    List<RunRepository.Run> of(HouseholdRef ref) {
        return runs.of(ref.id());
    }

    /** Every run of the household that is not over, as it stands. */
    List<Open> openOnes(HouseholdRef ref, Site site) {
        List<RunRepository.Run> open = runs.openOf(ref.id());
        List<Long> ids = open.stream().map(RunRepository.Run::id).toList();
        Map<Long, List<RunEvent>> events = runs.events(ids);
        Map<Long, RunRepository.Acts> acts = runs.acts(ids);
        return open.stream().map(run -> opened(ref, site, run, events.getOrDefault(run.id(), List.of()),
                acts.getOrDefault(run.id(), RunRepository.Acts.NONE))).toList();
    }

    private Open opened(HouseholdRef ref, Site site, RunRepository.Run run, List<RunEvent> events, RunRepository.Acts acts) {
        Subject subject = subjects.of(ref, site, run);
        Script script = Scripts.of(run.way(), setting(site, run, subject));
        Optional<Bench> bench = run.bench() ? Optional.of(Bench.replay(subject.device(), site.placeOf(run, subject.device()), acts.acts(),
                acts.clockMs(OffsetDateTime.now(clock)))) : Optional.empty();
        return new Open(run, subject.name(), subject.device(), subject.camera(), script, RunState.replay(script, events), events, bench,
                acts, 1);
    }

    private Setting setting(Site site, RunRepository.Run run, Subject subject) {
        Optional<DeviceModel> model = subject.camera().map(record -> record.camera().model());
        Optional<String> address = model.flatMap(each -> site.recipe(subject.name(), each));
        List<Setting.Extra> extras = subject.device() instanceof HubModel hub && hub.cardMaxGb() > 0 ? List.of(FORMAT_CARD) : List.of();
        return new Setting(subject.device(), run.networkName(), run.phone(), model.flatMap(models::hubOf), address, extras, run.atPlace());
    }

    /** What to do now across all open runs. */
    List<RunView.DeviceLine> attention(Site site, List<Open> open) {
        OffsetDateTime now = OffsetDateTime.now(clock);
        List<Attention.Device> devices = open.stream().map(run -> new Attention.Device(
                run.deviceName(), run.step(), RunView.elapsed(run.state(), now), site.waitsForHub(run))).toList();
        return Attention.of(devices).stream().map(attention -> RunView.line(attention, open.stream()
                .filter(run -> run.deviceName().equals(attention.device())).findFirst().orElseThrow().run().id())).toList();
    }

    /**
     * The job as its parts stand now, to be rehearsed: hubs first, then the cameras that have not joined, or all of them when
     * all have.
     */
    List<RehearsalRepository.JobPart> job(HouseholdRef ref, PhoneKind phone) {
        Site site = sites.of(ref);
        String network = site.network()
                .orElseThrow(() -> new BadInput("Write down the house's Wi-Fi at Ready first; without it there is nothing to join."))
                .name();
        List<RehearsalRepository.JobPart> parts = new ArrayList<>();
        site.hubModels().stream().filter(hub -> site.hub(hub.key()).filter(HubRepository.Hub::joined).isEmpty())
                .forEach(hub -> parts.add(new RehearsalRepository.JobPart(
                        hub.key(), true, site.order(hub).ways().get(0).way(), site.beside(hub, network, phone), null)));
        List<Camera> all = site.household().facts().cameras();
        List<Camera> open = all.stream().filter(camera -> !camera.joined()).toList();
        for (Camera camera : open.isEmpty() ? all : open) {
            DeviceModel model = camera.model();
            Place place = site.beside(model, network, phone);
            site.order(model, phone).ways().stream().findFirst().ifPresent(way -> parts.add(new RehearsalRepository.JobPart(
                    model.key(), false, way.way(), place, site.recipe(camera.name(), model).orElse(null))));
        }
        return parts;
    }

    /** A way is given up, or its device taken out. */
    void giveUp(HouseholdRef ref, RunRepository.Run run, String modelKey) {
        runs.giveUp(run.id());
        over(ref, run, modelKey, false);
    }

    /** Real runs of cameras teach the firm. */
    private void over(HouseholdRef ref, RunRepository.Run run, String modelKey, boolean worked) {
        if (!run.bench() && run.cameraId() > 0) {
            experience.runOver(ref.staff().firmId(), modelKey, run.way(), run.phone(), worked,
                    Duration.between(run.startedAt(), OffsetDateTime.now(clock)));
        }
    }

    /** A run of a household's device, under the household's lock. */
    private final class HouseholdRun implements RunPort {
        private final HouseholdRef ref;
        private final long runId;
        private Site site;

        private HouseholdRun(HouseholdRef ref, long runId) {
            this.ref = ref;
            this.runId = runId;
        }

        @Override
        public String path() {
            return ref.path() + "/pair/runs/" + runId;
        }

        @Override
        public String by() {
            return ref.by();
        }

        @Override
        public Open open() {
            RunRepository.Run run = runs.find(ref.id(), runId).orElseThrow(NoSuchPage::new);
            site = sites.of(ref);
            return opened(ref, site, run, runs.events(runId), runs.acts(runId));
        }

        @Override
        public void alone(Taking taking) {
            changes.step(ref, Stage.PAIR, () -> {
                Open before = open();
                if (before.run().finished()) {
                    throw new BadInput("This run is finished.");
                }
                List<RunEvent> events = new ArrayList<>(before.events());
                events.addAll(taking.from(before));
                RunState after = RunState.replay(before.script(), events);
                boolean seenLive = after.step().is(Step.Trait.SEEN_LIVE);
                if (seenLive) {
                    subject(before).markJoined();
                }
                if (after.finished()) {
                    runs.finish(runId);
                    over(ref, before.run(), before.device().key(), true);
                }
                return seenLive || before.step().form() != Step.Form.NONE;
            });
        }

        @Override
        public long takesMs(Step step) {
            return 0;
        }

        @Override
        public Subject subject(Open open) {
            return subjects.of(ref, site, open.run());
        }

        @Override
        public RunPort goOnBy(PairingMethod.Way way) {
            return new HouseholdRun(ref, changes.unjudged(ref, Stage.PAIR, () -> {
                Open before = open();
                RunRepository.Run run = before.run();
                if (run.finished()) {
                    throw new Conflict(goneOn(run));
                }
                if (before.device().setUp().method(way).isEmpty()) {
                    throw new BadInput("This run cannot go on by " + way.words() + ".");
                }
                giveUp(ref, run, before.device().key());
                return run.hubId() > 0
                        ? runs.startHub(ref.id(), run.hubId(), way, run.phone(), run.networkName(), run.bench(), ref.by())
                        : runs.start(ref.id(), run.cameraId(), way, run.phone(), run.atPlace(), run.networkName(), run.bench(), ref.by());
            }));
        }

        private String goneOn(RunRepository.Run run) {
            Optional<RunRepository.Run> now = run.hubId() > 0 ? runs.openRunOfHub(ref.id(), run.hubId())
                    : runs.openRunOf(ref.id(), run.cameraId());
            return now.map(other -> other.startedBy() + " has gone on by " + other.way().words() + " meanwhile.")
                    .orElse("This run is finished.");
        }

        @Override
        public List<MethodOrder.Ranked> otherWays(Open open) {
            return site.order(open).ways().stream().filter(way -> way.way() != open.run().way()).toList();
        }

        @Override
        public List<Joinable> beside(Open open) {
            List<Joinable> beside = new ArrayList<>();
            open.camera().flatMap(camera -> models.hubOf(camera.camera().model())).ifPresent(beside::add);
            site.household().facts().cameras().stream().filter(camera -> camera.id() != open.run().cameraId())
                    .forEach(camera -> beside.add(camera.model()));
            return beside;
        }

        /** From the place that it sees and is most to make out at; else from the nearest. */
        @Override
        public String suggestedName(Open open) {
            if (open.camera().isEmpty()) {
                return open.deviceName();
            }
            HouseholdFacts household = site.household().facts();
            Camera camera = open.camera().get().camera();
            List<String> taken = household.cameras().stream().filter(other -> other.id() != camera.id()).map(Camera::name).toList();
            CameraPose pose = camera.pose();
            Projection projection = new Projection(camera.model().lens(), pose);
            return household.plan().flatMap(plan -> household.written().stream()
                    .filter(Promise.MakeOut.class::isInstance).map(Promise.MakeOut.class::cast)
                    .sorted(Comparator.comparing(Promise.MakeOut::level).reversed())
                    .flatMap(promise -> plan.place(promise.placeId()).stream())
                    .filter(place -> projection.pixel(place.face()).filter(projection::inFrame).isPresent())
                    .findFirst()
                    .or(() -> plan.places().stream().min(Comparator.comparingDouble(place -> place.at().distanceM(pose.onPlan())))))
                    .map(place -> CameraName.suggest(place.name(), taken)).orElse(camera.name());
        }

        @Override
        public String reveal(Open open) {
            site.household().household().requireSecretsOpen();
            return subjects.revealNetwork(ref, open);
        }

        @Override
        public Optional<String> addTo(Model model, Open open, Form form) {
            frames.frame(ref, Stage.PAIR, model, site.household());
            model.addAttribute("devices", lines());
            model.addAttribute("meanwhile", meanwhile(open));
            return Optional.empty();
        }

        /** Open runs first, in the order in which they want hands; then the cameras without one. */
        private List<RunView.DeviceLine> lines() {
            List<RunView.DeviceLine> lines = new ArrayList<>(attention(site, openOnes(ref, site)));
            for (Camera camera : site.household().facts().cameras()) {
                if (lines.stream().noneMatch(line -> line.name().equals(camera.name()))) {
                    lines.add(new RunView.DeviceLine(camera.name(), camera.ownPassword() ? "joined, own password"
                            : camera.joined() ? "joined, still on its factory password" : "waiting its turn",
                            camera.joined() ? "done" : "waiting", 0, 0));
                }
            }
            return lines;
        }

        private List<String> meanwhile(Open open) {
            if (open.step().expected().compareTo(WORTH_USING) < 0) {
                return List.of();
            }
            List<String> waiting = site.household().facts().cameras().stream()
                    .filter(camera -> !camera.joined() && camera.id() != open.run().cameraId()).map(Camera::name).toList();
            return Meanwhile.of(open.camera().filter(camera -> camera.serial() == null).isEmpty(), open.device().setUp().stickerPlace(),
                    waiting, thingsToRejoin());
        }

        /** What else has to rejoin, once the network was changed from what it was first written down as. */
        private int thingsToRejoin() {
            boolean changed = networks.find(ref.id()).filter(network -> network.version() > 1).isPresent();
            return changed ? Math.max(0, site.household().facts().otherThings()) : 0;
        }

        @Override
        public String view() {
            return "run";
        }
    }
}
