package roofnest.app.pair;

import java.security.SecureRandom;
import java.time.Clock;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

import roofnest.app.firm.Staff;
import roofnest.app.models.Models;
import roofnest.app.web.BadInput;
import roofnest.app.web.Form;
import roofnest.app.web.HouseholdRef;
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
    private final RunForms forms;
    private final Runs jobs;
    private final Models models;
    private final List<Exercise> exercises;
    private final Clock clock;
    private final SecureRandom random;

    Rehearsals(RehearsalRepository rehearsals, RunRepository runs, RunForms forms, Runs jobs, Models models, Catalogue catalogue,
            Clock clock, SecureRandom random) {
        this.rehearsals = rehearsals;
        this.runs = runs;
        this.forms = forms;
        this.jobs = jobs;
        this.models = models;
        this.exercises = Exercises.all(catalogue);
        this.clock = clock;
        this.random = random;
    }

    /** @param open the run of the part that it stands at; the last one once it is over */
    record Sheet(RehearsalRepository.Rehearsal rehearsal, Exercise exercise, int part, Runs.Open open) {}

    /** A part as it was played, beside the shortest way. */
    record PartDebrief(Exercise.Part part, Debrief own, SimulatedInstaller.Result shortest) {}

    List<Exercise> exercises() {
        return exercises;
    }

    List<RehearsalRepository.Rehearsal> of(Staff staff) {
        return rehearsals.of(staff.firmId());
    }

    List<Progress.Done> doneBy(Staff staff) {
        return rehearsals.of(staff.firmId()).stream().filter(each -> each.over() && each.person().equals(staff.name()))
                .map(each -> new Progress.Done(each.exercise(), each.hidden(), each.minutes(), each.shortest(), each.wrong())).toList();
    }

    /** @param surprise whether a fault is hidden that the story does not tell of */
    @Transactional
    long start(Staff staff, int number, boolean surprise, int speed) {
        Exercise exercise = exercise(number);
        if (speed < 1 || speed > 60) {
            throw new BadInput("Choose a speed from 1 to 60.");
        }
        Set<Fault> hidden = new HashSet<>();
        if (surprise) {
            Progress.toHide(exercise, doneBy(staff), exercises, random).ifPresent(hidden::add);
        }
        long id = rehearsals.start(staff.firmId(), staff.name(), number, hidden, speed);
        begin(id, exercise, 0, exercise.faultsByPart(hidden).get(0), staff.name());
        return id;
    }

    /** A household's job as it stands, on the stand-ins: nothing of it goes back to the household. */
    @Transactional
    long startJob(HouseholdRef ref, String title, boolean surprise, int speed) {
        if (speed < 1 || speed > 60) {
            throw new BadInput("Choose a speed from 1 to 60.");
        }
        List<RehearsalRepository.JobPart> parts = jobs.job(ref, PhoneKind.THROUGH_SETTINGS);
        if (parts.isEmpty()) {
            throw new BadInput("There is nothing to join in this job yet. Put a camera on the plan at Survey.");
        }
        Exercise exercise = ofJob(title, parts);
        Set<Fault> hidden = new HashSet<>();
        if (surprise) {
            Progress.toHide(exercise, doneBy(ref.staff()), exercises, random).ifPresent(hidden::add);
        }
        long id = rehearsals.startJob(ref.staff().firmId(), ref.by(), title, parts, hidden, speed);
        begin(id, exercise, 0, exercise.faultsByPart(hidden).get(0), ref.by());
        return id;
    }

    private Exercise ofJob(String title, List<RehearsalRepository.JobPart> parts) {
        return new Exercise(0, title, "The job as it stood when the rehearsal began: its network, its cameras, its hub.",
                parts.stream().map(part -> {
                    Joinable device = part.hub() ? models.hub(part.modelKey()) : models.get(part.modelKey());
                    Setting setting = new Setting(device, part.place().networkName(), part.place().phone(),
                            device instanceof DeviceModel model ? models.hubOf(model) : Optional.empty(),
                            Optional.ofNullable(part.address()), List.of());
                    return new Exercise.Part(device, part.way(), setting, part.place(), Set.of());
                }).toList(), "");
    }

    private Exercise exerciseOf(RehearsalRepository.Rehearsal rehearsal) {
        return rehearsal.job() == null ? exercise(rehearsal.exercise()) : ofJob(rehearsal.job(), rehearsals.jobParts(rehearsal.id()));
    }

    private void begin(long rehearsal, Exercise exercise, int index, List<Fault> faults, String by) {
        Exercise.Part part = exercise.parts().get(index);
        long run = runs.startPart(rehearsal, index, part.way(), part.place().phone(), part.place().networkName(), by);
        runs.add(run, new BenchAct.Waited(0));
        faults.forEach(fault -> runs.add(run, new BenchAct.Set(0, fault)));
    }

    Sheet sheet(Staff staff, long id) {
        RehearsalRepository.Rehearsal rehearsal = rehearsals.find(staff.firmId(), id).orElseThrow(NoSuchPage::new);
        Exercise exercise = exerciseOf(rehearsal);
        List<RunRepository.Run> all = runs.ofRehearsal(id);
        RunRepository.Run run = all.get(all.size() - 1);
        return new Sheet(rehearsal, exercise, run.part(), open(rehearsal, exercise, run));
    }

    private Runs.Open open(RehearsalRepository.Rehearsal rehearsal, Exercise exercise, RunRepository.Run run) {
        Exercise.Part part = exercise.parts().get(run.part());
        Script script = Scripts.of(run.way(), part.setting());
        List<RunEvent> events = runs.events(run.id());
        RunRepository.Acts acts = actsOf(rehearsal.id(), run.part());
        Bench bench = Bench.replay(part.device(), part.place(), acts.acts(), acts.clockMs(OffsetDateTime.now(clock), rehearsal.speed()));
        return new Runs.Open(run, part.device().fullName(), part.device(), Optional.empty(), script, RunState.replay(script, events),
                events, Optional.of(bench), rehearsal.speed());
    }

    /** A part that was given up for another way goes on on the same bench. */
    private RunRepository.Acts actsOf(long rehearsal, int part) {
        List<BenchAct> acts = new ArrayList<>();
        List<OffsetDateTime> storedAt = new ArrayList<>();
        for (RunRepository.Run run : runs.ofRehearsal(rehearsal)) {
            if (run.part() == part) {
                RunRepository.Acts own = runs.acts(run.id());
                acts.addAll(own.acts());
                storedAt.addAll(own.storedAt());
            }
        }
        return new RunRepository.Acts(acts, storedAt);
    }

    @Transactional
    void answer(Staff staff, long id, String stepId, String answerId) {
        change(staff, id, sheet -> {
            Runs.requireStep(sheet.open(), stepId);
            if (sheet.open().state().step().answer(answerId).isEmpty()) {
                throw new BadInput("That is not one of the answers to this step.");
            }
            runs.add(sheet.open().run().id(), new RunEvent.Answered(clock.instant(), staff.name(), stepId, answerId));
        });
    }

    @Transactional
    void lookAgain(Staff staff, long id, String stepId) {
        change(staff, id, sheet -> {
            Runs.requireStep(sheet.open(), stepId);
            runs.add(sheet.open().run().id(), new RunEvent.LookedAgain(clock.instant(), staff.name(), stepId));
        });
    }

    @Transactional
    void stillWaiting(Staff staff, long id, String stepId) {
        change(staff, id, sheet -> {
            Runs.requireStep(sheet.open(), stepId);
            runs.add(sheet.open().run().id(), new RunEvent.Waited(clock.instant(), staff.name(), stepId));
        });
    }

    @Transactional
    void undo(Staff staff, long id) {
        change(staff, id, sheet -> {
            if (sheet.open().state().canUndo()) {
                runs.add(sheet.open().run().id(), new RunEvent.Undone(clock.instant(), staff.name()));
            }
        });
    }

    @Transactional
    void handsOn(Staff staff, long id) {
        change(staff, id, sheet -> sheet.open().state().step().act().ifPresent(
                act -> runs.add(sheet.open().run().id(), new BenchAct.Hands(
                        notBefore(sheet, SimulatedInstaller.handsMs(sheet.open().state().step())), act, sheet.open().run().way()))));
    }

    @Transactional
    void skipAhead(Staff staff, long id) {
        change(staff, id, sheet -> sheet.open().bench().flatMap(Bench::nextChange).ifPresent(
                next -> runs.add(sheet.open().run().id(), new BenchAct.Waited(Math.max(next.atMs(), clockOf(sheet))))));
    }

    @Transactional
    void fill(Staff staff, long id, String stepId, Form form) {
        change(staff, id, sheet -> {
            Runs.requireStep(sheet.open(), stepId);
            forms.rehearse(sheet.open().device(), sheet.open().state().step().form(), form)
                    .ifPresent(note -> {
                        runs.add(sheet.open().run().id(),
                                new BenchAct.Waited(notBefore(sheet, sheet.open().state().step().expected().toMillis())));
                        runs.add(sheet.open().run().id(), new RunEvent.Filled(clock.instant(), staff.name(), stepId, note));
                    });
        });
    }

    @Transactional
    void changeWay(Staff staff, long id, PairingMethod.Way way) {
        change(staff, id, sheet -> {
            if (sheet.open().device().setUp().method(way).isEmpty()) {
                throw new BadInput("This run cannot go on by " + way.words() + ".");
            }
            Exercise.Part part = sheet.exercise().parts().get(sheet.part());
            runs.giveUp(sheet.open().run().id());
            runs.startPart(id, sheet.part(), way, part.place().phone(), part.place().networkName(), staff.name());
        });
    }

    /** What else can be tried in the exercise's house. */
    List<MethodOrder.Ranked> otherWays(Sheet sheet) {
        Exercise.Part part = sheet.exercise().parts().get(sheet.part());
        MethodOrder.Here here
                = new MethodOrder.Here(part.place().pushButton(), part.place().isolated(), part.setting().hub().isPresent(), true, true);
        return MethodOrder.of(part.device(), here, Map.of()).ways().stream().filter(way -> way.way() != sheet.open().run().way()).toList();
    }

    private interface Taking {
        void from(Sheet sheet);
    }

    private void change(Staff staff, long id, Taking taking) {
        rehearsals.find(staff.firmId(), id).orElseThrow(NoSuchPage::new);
        rehearsals.lock(id);
        Sheet before = sheet(staff, id);
        if (before.rehearsal().over()) {
            throw new BadInput("This rehearsal is over.");
        }
        taking.from(before);
        Sheet after = sheet(staff, id);
        if (after.open().state().finished()) {
            runs.finish(after.open().run().id());
            if (after.part() + 1 < after.exercise().parts().size()) {
                begin(id, after.exercise(), after.part() + 1,
                        after.exercise().faultsByPart(after.rehearsal().hidden()).get(after.part() + 1), staff.name());
            } else {
                List<PartDebrief> parts = debrief(after.rehearsal(), after.exercise());
                rehearsals.over(id, parts.stream().mapToDouble(part -> part.own().minutes()).sum(),
                        parts.stream().mapToDouble(part -> part.shortest().minutes()).sum(),
                        parts.stream().mapToInt(part -> part.own().wrong().size()).sum());
            }
        }
    }

    List<PartDebrief> debrief(RehearsalRepository.Rehearsal rehearsal, Exercise exercise) {
        List<List<Fault>> faults = exercise.faultsByPart(rehearsal.hidden());
        List<RunRepository.Run> all = runs.ofRehearsal(rehearsal.id());
        List<PartDebrief> parts = new ArrayList<>();
        for (int i = 0; i < exercise.parts().size(); i++) {
            int index = i;
            RunRepository.Acts acts = actsOf(rehearsal.id(), i);
            List<Debrief.Played> played = all.stream().filter(run -> run.part() == index)
                    .map(run -> new Debrief.Played(run.way(), runs.events(run.id()).stream()
                            .map(event -> new Debrief.Moment(acts.clockMs(event.at().atOffset(ZoneOffset.UTC), rehearsal.speed()), event))
                            .toList()))
                    .toList();
            if (!played.isEmpty()) {
                parts.add(new PartDebrief(exercise.parts().get(i), Debrief.of(exercise.parts().get(i), acts.acts(), played),
                        SimulatedInstaller.play(exercise.parts().get(i), faults.get(i))));
            }
        }
        return parts;
    }

    /** What a tap does at once takes hands their time on site: never sooner than that after the step was reached. */
    private long notBefore(Sheet sheet, long handsMs) {
        long reached = sheet.open().state().since().map(
                since -> actsOf(sheet.rehearsal().id(), sheet.part()).clockMs(since.atOffset(ZoneOffset.UTC), sheet.rehearsal().speed()))
                .orElse(0L);
        return Math.max(clockOf(sheet), reached + handsMs);
    }

    private long clockOf(Sheet sheet) {
        return actsOf(sheet.rehearsal().id(), sheet.part()).clockMs(OffsetDateTime.now(clock), sheet.rehearsal().speed());
    }

    Exercise exercise(int number) {
        return exercises.stream().filter(exercise -> exercise.number() == number).findFirst().orElseThrow(NoSuchPage::new);
    }
}
