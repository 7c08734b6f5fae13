package roofnest.app.pair;

import java.security.SecureRandom;
import java.time.Clock;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;
import org.springframework.ui.Model;

import roofnest.app.firm.Staff;
import roofnest.app.models.Models;
import roofnest.app.records.HouseholdRef;
import roofnest.app.web.BadInput;
import roofnest.app.web.Form;
import roofnest.app.web.NoSuchPage;
import roofnest.core.catalogue.Catalogue;
import roofnest.core.catalogue.DeviceModel;
import roofnest.core.catalogue.Joinable;
import roofnest.core.catalogue.PairingMethod;
import roofnest.core.catalogue.PhoneKind;
import roofnest.core.pairing.MethodOrder;
import roofnest.core.pairing.RunEvent;
import roofnest.core.pairing.RunState;
import roofnest.core.pairing.Script;
import roofnest.core.pairing.Scripts;
import roofnest.core.pairing.Setting;
import roofnest.core.pairing.Step;
import roofnest.standins.Bench;
import roofnest.standins.BenchAct;
import roofnest.standins.Fault;
import roofnest.standins.rehearsal.Debrief;
import roofnest.standins.rehearsal.Exercise;
import roofnest.standins.rehearsal.Exercises;
import roofnest.standins.rehearsal.Progress;
import roofnest.standins.rehearsal.SimulatedInstaller;

/** The rehearsal room: a set exercise is a run on stand-ins whose faults are hidden; nothing of it touches a household. */
@Service
class Rehearsals {
    private final RehearsalRepository rehearsals;
    private final RunRepository runs;
    private final Runs jobs;
    private final Models models;
    private final List<Exercise> exercises;
    private final TransactionTemplate transaction;
    private final Clock clock;
    private final SecureRandom random;

    Rehearsals(RehearsalRepository rehearsals, RunRepository runs, Runs jobs, Models models, Catalogue catalogue,
            TransactionTemplate transaction, Clock clock, SecureRandom random) {
        this.rehearsals = rehearsals;
        this.runs = runs;
        this.jobs = jobs;
        this.models = models;
        this.exercises = Exercises.all(catalogue);
        this.transaction = transaction;
        this.clock = clock;
        this.random = random;
    }

    /** @param open the run of the part that it stands at; the last one once it is over */
    record Sheet(RehearsalRepository.Rehearsal rehearsal, Exercise exercise, int part, Open open) {
        Exercise.Part atPart() {
            return exercise.parts().get(part);
        }
    }

    /** A part as it was played, beside the shortest way. */
    record PartDebrief(Exercise.Part part, Debrief own, SimulatedInstaller.Result shortest) {}

    List<Exercise> exercises() {
        return exercises;
    }

    List<RehearsalRepository.Result> results(Staff staff) {
        return rehearsals.results(staff.firmId());
    }

    List<RehearsalRepository.Rehearsal> openOf(Staff staff, int most) {
        return rehearsals.openOf(staff.id(), most);
    }

    private List<Progress.Done> doneBy(Staff staff) {
        return results(staff).stream().filter(result -> result.personId() == staff.id()).map(RehearsalRepository.Result::done).toList();
    }

    /** @param surprise whether a fault is hidden that the story does not tell of */
    @Transactional
    public long start(Staff staff, int number, boolean surprise, int speed) {
        Exercise exercise = exercise(number);
        requireSpeed(speed);
        Set<Fault> hidden = hidden(exercise, staff, surprise);
        long id = rehearsals.start(staff, number, hidden, speed);
        begin(id, exercise, 0, hidden, staff.name());
        return id;
    }

    /** A household's job as it stands, on the stand-ins: nothing of it goes back to the household. */
    @Transactional
    public long startJob(HouseholdRef ref, String title, boolean surprise, int speed) {
        requireSpeed(speed);
        List<RehearsalRepository.JobPart> parts = jobs.job(ref, PhoneKind.THROUGH_SETTINGS);
        if (parts.isEmpty()) {
            throw new BadInput("There is nothing to join in this job yet. Put a camera on the plan at Survey.");
        }
        Exercise exercise = ofJob(title, parts);
        Set<Fault> hidden = hidden(exercise, ref.staff(), surprise);
        long id = rehearsals.startJob(ref.staff(), ref.id(), title, parts, hidden, speed);
        begin(id, exercise, 0, hidden, ref.by());
        return id;
    }

    private static void requireSpeed(int speed) {
        if (speed < 1 || speed > 60) {
            throw new BadInput("Choose a speed from 1 to 60.");
        }
    }

    private Set<Fault> hidden(Exercise exercise, Staff staff, boolean surprise) {
        Set<Fault> hidden = new HashSet<>();
        if (surprise) {
            Progress.toHide(exercise, doneBy(staff), exercises, random).ifPresent(hidden::add);
        }
        return hidden;
    }

    private Exercise ofJob(String title, List<RehearsalRepository.JobPart> parts) {
        return new Exercise(0, title, "The job as it stood when the rehearsal began: its network, its cameras, its hub.",
                parts.stream().map(this::part).toList(), "");
    }

    private Exercise.Part part(RehearsalRepository.JobPart part) {
        Joinable device = part.hub() ? models.hub(part.modelKey()) : models.get(part.modelKey());
        Setting setting = new Setting(device, part.place().networkName(), part.place().phone(),
                device instanceof DeviceModel model ? models.hubOf(model) : Optional.empty(), Optional.ofNullable(part.address()),
                List.of());
        return new Exercise.Part(device, part.way(), setting, part.place(), Set.of());
    }

    private void begin(long rehearsal, Exercise exercise, int index, Set<Fault> hidden, String by) {
        Exercise.Part part = exercise.parts().get(index);
        long run = runs.startPart(rehearsal, index, part.way(), part.place().phone(), part.place().networkName(), by);
        runs.add(run, new BenchAct.Waited(0));
        exercise.faultsByPart(hidden).get(index).forEach(fault -> runs.add(run, new BenchAct.Set(0, fault)));
    }

    int steps(Staff staff, long id) {
        return runs.stepsOfRehearsal(staff.firmId(), id).orElseThrow(NoSuchPage::new);
    }

    RunPort port(Staff staff, long id) {
        return new RehearsedRun(staff, id);
    }

    Sheet sheet(Staff staff, long id) {
        RehearsalRepository.Rehearsal rehearsal = rehearsals.find(staff.firmId(), id).orElseThrow(NoSuchPage::new);
        Exercise exercise = rehearsal.job() == null ? exercise(rehearsal.exercise()) : ofJob(rehearsal.job(), rehearsals.jobParts(id));
        List<RunRepository.Run> all = runs.ofRehearsal(id);
        RunRepository.Run run = all.get(all.size() - 1);
        return new Sheet(rehearsal, exercise, run.part(), open(rehearsal, exercise.parts().get(run.part()), run, acts(all, run.part())));
    }

    private Open open(RehearsalRepository.Rehearsal rehearsal, Exercise.Part part, RunRepository.Run run, RunRepository.Acts acts) {
        Script script = Scripts.of(run.way(), part.setting());
        List<RunEvent> events = runs.events(run.id());
        Bench bench = Bench.replay(part.device(), part.place(), acts.acts(), acts.clockMs(OffsetDateTime.now(clock), rehearsal.speed()));
        return new Open(run, part.device().fullName(), part.device(), Optional.empty(), script, RunState.replay(script, events), events,
                Optional.of(bench), acts, rehearsal.speed());
    }

    /** A part that was given up for another way goes on on the same bench. */
    private RunRepository.Acts acts(List<RunRepository.Run> all, int part) {
        List<Long> ids = all.stream().filter(run -> run.part() == part).map(RunRepository.Run::id).toList();
        Map<Long, RunRepository.Acts> byRun = runs.acts(ids);
        List<BenchAct> acts = new ArrayList<>();
        List<OffsetDateTime> storedAt = new ArrayList<>();
        ids.stream().map(id -> byRun.getOrDefault(id, RunRepository.Acts.NONE)).forEach(own -> {
            acts.addAll(own.acts());
            storedAt.addAll(own.storedAt());
        });
        return new RunRepository.Acts(acts, storedAt);
    }

    List<PartDebrief> debrief(RehearsalRepository.Rehearsal rehearsal, Exercise exercise) {
        List<List<Fault>> faults = exercise.faultsByPart(rehearsal.hidden());
        List<RunRepository.Run> all = runs.ofRehearsal(rehearsal.id());
        Map<Long, List<RunEvent>> events = runs.events(all.stream().map(RunRepository.Run::id).toList());
        List<PartDebrief> parts = new ArrayList<>();
        for (int i = 0; i < exercise.parts().size(); i++) {
            int index = i;
            RunRepository.Acts acts = acts(all, i);
            List<Debrief.Played> played = all.stream().filter(run -> run.part() == index).map(run -> new Debrief.Played(run.way(),
                    events.getOrDefault(run.id(), List.of()).stream().map(event -> new Debrief.Moment(
                            acts.clockMs(event.at().atOffset(ZoneOffset.UTC), rehearsal.speed()), event)).toList()))
                    .toList();
            if (!played.isEmpty()) {
                Exercise.Part part = exercise.parts().get(i);
                parts.add(new PartDebrief(part, Debrief.of(part, acts.acts(), played), SimulatedInstaller.play(part, faults.get(i))));
            }
        }
        return parts;
    }

    Exercise exercise(int number) {
        return exercises.stream().filter(exercise -> exercise.number() == number).findFirst().orElseThrow(NoSuchPage::new);
    }

    /** The part that a rehearsal stands at, under the rehearsal's lock. */
    private final class RehearsedRun implements RunPort {
        private final Staff staff;
        private final long id;
        private Sheet sheet;

        private RehearsedRun(Staff staff, long id) {
            this.staff = staff;
            this.id = id;
        }

        @Override
        public String path() {
            return "/rehearsals/" + id;
        }

        @Override
        public String by() {
            return staff.name();
        }

        @Override
        public Open open() {
            sheet = sheet(staff, id);
            return sheet.open();
        }

        @Override
        public void alone(Taking taking) {
            transaction.executeWithoutResult(status -> {
                Open before = locked();
                List<RunEvent> events = new ArrayList<>(before.events());
                events.addAll(taking.from(before));
                if (RunState.replay(before.script(), events).finished()) {
                    runs.finish(before.run().id());
                    partOver();
                }
            });
        }

        private Open locked() {
            rehearsals.find(staff.firmId(), id).orElseThrow(NoSuchPage::new);
            rehearsals.lock(id);
            Open before = open();
            if (sheet.rehearsal().over()) {
                throw new BadInput("This rehearsal is over.");
            }
            return before;
        }

        private void partOver() {
            int next = sheet.part() + 1;
            if (next < sheet.exercise().parts().size()) {
                begin(id, sheet.exercise(), next, sheet.rehearsal().hidden(), staff.name());
                return;
            }
            List<PartDebrief> parts = debrief(sheet.rehearsal(), sheet.exercise());
            rehearsals.over(id, parts.stream().mapToDouble(part -> part.own().minutes()).sum(),
                    parts.stream().mapToDouble(part -> part.shortest().minutes()).sum(),
                    parts.stream().mapToInt(part -> part.own().wrong().size()).sum());
        }

        @Override
        public long takesMs(Step step) {
            return step.form() == Step.Form.NONE ? SimulatedInstaller.handsMs(step) : step.expected().toMillis();
        }

        @Override
        public Subject subject(Open open) {
            return RehearsedSubject.inTheRoom(open.device());
        }

        @Override
        public RunPort goOnBy(PairingMethod.Way way) {
            transaction.executeWithoutResult(status -> {
                Open before = locked();
                if (before.device().setUp().method(way).isEmpty()) {
                    throw new BadInput("This run cannot go on by " + way.words() + ".");
                }
                runs.giveUp(before.run().id());
                runs.startPart(id, sheet.part(), way, sheet.atPart().place().phone(), sheet.atPart().place().networkName(), staff.name());
            });
            return this;
        }

        /** What else can be tried in the exercise's house. */
        @Override
        public List<MethodOrder.Ranked> otherWays(Open open) {
            Exercise.Part part = sheet.atPart();
            MethodOrder.Here here = new MethodOrder.Here(
                    part.place().pushButton(), part.place().isolated(), part.setting().hub().isPresent(), true, true);
            return MethodOrder.of(part.device(), here, new HashMap<>()).ways().stream().filter(way -> way.way() != open.run().way())
                    .toList();
        }

        @Override
        public List<Joinable> beside(Open open) {
            return List.of();
        }

        @Override
        public String suggestedName(Open open) {
            return "Practice eye";
        }

        @Override
        public String reveal(Open open) {
            throw new BadInput("Stand-ins know the password of their own network; nothing is shown here.");
        }

        @Override
        public Optional<String> addTo(Model model, Open open, Form form) {
            model.addAttribute("exercise", sheet.exercise());
            model.addAttribute("part", sheet.part() + 1);
            if (sheet.rehearsal().over()) {
                model.addAttribute("debrief", DebriefView.of(sheet.rehearsal(), debrief(sheet.rehearsal(), sheet.exercise())));
                return Optional.of("debrief");
            }
            return Optional.empty();
        }

        @Override
        public String view() {
            return "rehearsal";
        }
    }
}
