package roofnest.app.visit;

import java.time.Clock;
import java.time.Duration;
import java.time.LocalTime;
import java.time.OffsetDateTime;
import java.time.format.DateTimeFormatter;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

import org.springframework.stereotype.Service;

import roofnest.app.household.Frame;
import roofnest.app.ready.Hours;
import roofnest.app.records.CameraRepository;
import roofnest.app.records.Changes;
import roofnest.app.records.ExperienceRepository;
import roofnest.app.records.HouseholdRepository;
import roofnest.app.web.BadInput;
import roofnest.app.web.Conflict;
import roofnest.app.records.HouseholdRef;
import roofnest.core.visit.Day;
import roofnest.core.visit.Task;
import roofnest.core.visit.Timeline;

/** A visit under way: its plan is frozen as it begins, then held against what is really done. */
@Service
class Visits {
    private final VisitRepository visits;
    private final CameraRepository cameras;
    private final HouseholdRepository households;
    private final ExperienceRepository experience;
    private final Changes changes;
    private final Hours hours;
    private final Clock clock;

    Visits(VisitRepository visits, CameraRepository cameras, HouseholdRepository households, ExperienceRepository experience,
            Changes changes, Hours hours, Clock clock) {
        this.visits = visits;
        this.cameras = cameras;
        this.households = households;
        this.experience = experience;
        this.changes = changes;
        this.hours = hours;
        this.clock = clock;
    }

    /** @param minute of the visit that it is now */
    record Open(VisitRepository.Visit visit, List<VisitRepository.Row> rows, Map<String, Day.Mark> marks, int minute, Day day) {}

    /** What is done to a task. */
    enum Step { BEGIN, HANDS_OFF, DONE, BACK }

    /** Solved before anybody is kept waiting; then begun, unless the household was changed or the visit begun meanwhile. */
    void start(HouseholdRef ref, Frame frame, int installers) {
        Timeline plan = hours.plan(frame, new Hours.Asked(installers, 1, 1000, LocalTime.of(8, 0))).shortest();
        changes.aside(ref.id(), () -> {
            visits.open(ref.id()).ifPresent(open -> {
                throw new Conflict(open.startedBy() + " began this visit at " + clock(open.startedAt()) + ".");
            });
            if (households.changes(ref.id()) != frame.household().changes()) {
                throw new Conflict("Somebody changed this household while the visit was being planned. Look at it and begin again.");
            }
            long visit = visits.start(ref.id(), installers, now(), ref.by());
            visits.add(visit, plan.placed());
            return visit;
        });
    }

    Optional<Open> open(HouseholdRef ref) {
        return visits.open(ref.id()).map(visit -> {
            List<VisitRepository.Row> rows = visits.rows(visit.id());
            int minute = minute(visit, now());
            Map<String, Day.Mark> marks = marks(ref, visit, rows);
            return new Open(visit, rows, marks, minute,
                    Day.at(rows.stream().map(VisitRepository.Row::planned).toList(), marks, minute, visit.installers()));
        });
    }

    /** How far a task is, by its taps. */
    enum State { OPEN, BEGUN, HANDS_OFF, DONE }

    /**
     * Marks a task further, or one step back.
     *
     * @param seen how far the page showed it to be; empty when it did not say
     */
    void mark(HouseholdRef ref, String taskId, Step step, Optional<State> seen) {
        changes.aside(ref.id(), () -> {
            VisitRepository.Visit visit = visits.open(ref.id()).orElseThrow(() -> new BadInput("No visit is under way here."));
            VisitRepository.Row row = row(visit, taskId);
            if (seen.isPresent() && seen.get() != state(row)) {
                throw new Conflict((row.by() == null ? "Somebody" : row.by()) + " has marked “" + row.planned().task().what()
                        + "” meanwhile.");
            }
            mark(ref, visit, row, step);
            return null;
        });
    }

    private void mark(HouseholdRef ref, VisitRepository.Visit visit, VisitRepository.Row row, Step step) {
        String taskId = row.planned().task().id();
        OffsetDateTime now = now();
        OffsetDateTime begun = row.begunAt() == null ? now : row.begunAt();
        OffsetDateTime off = row.handsOffAt() == null ? now : row.handsOffAt();
        boolean noWait = row.planned().task().handsFreeMinutes() == 0;
        switch (step) {
            case BEGIN -> visits.mark(visit.id(), taskId, begun, row.handsOffAt(), row.doneAt(), ref.by());
            case HANDS_OFF -> visits.mark(visit.id(), taskId, begun, off, noWait ? off : row.doneAt(), ref.by());
            case DONE -> visits.mark(visit.id(), taskId, begun, off, now, ref.by());
            case BACK -> visits.mark(visit.id(), taskId, row.handsOffAt() == null ? null : row.begunAt(),
                    row.doneAt() == null || noWait ? null : row.handsOffAt(), null, ref.by());
        }
    }

    /**
     * Puts the times of a task right. A time that is empty has not come.
     *
     * @param seen how far the page showed it to be
     */
    void times(HouseholdRef ref, String taskId, State seen, Times times) {
        changes.aside(ref.id(), () -> {
            VisitRepository.Visit visit = visits.open(ref.id()).orElseThrow(() -> new BadInput("No visit is under way here."));
            VisitRepository.Row row = row(visit, taskId);
            if (seen != state(row)) {
                throw new Conflict((row.by() == null ? "Somebody" : row.by()) + " has marked “" + row.planned().task().what()
                        + "” meanwhile.");
            }
            OffsetDateTime begun = on(visit, times.begun());
            OffsetDateTime off = on(visit, times.handsOff());
            OffsetDateTime done = on(visit, times.done());
            visits.mark(visit.id(), taskId, begun, off, done, ref.by());
            return null;
        });
    }

    /** Times of day; null where it has not come. Each may only be there when the one before is, and not before it. */
    record Times(LocalTime begun, LocalTime handsOff, LocalTime done) {
        Times {
            if (handsOff != null && (begun == null || handsOff.isBefore(begun))
                    || done != null && (handsOff == null || done.isBefore(handsOff))) {
                throw new BadInput("First hands on, then hands off, then over: these times run backwards.");
            }
        }
    }

    private OffsetDateTime on(VisitRepository.Visit visit, LocalTime time) {
        if (time == null) {
            return null;
        }
        OffsetDateTime at = visit.startedAt().atZoneSameInstant(clock.getZone()).with(time).toOffsetDateTime();
        if (at.isAfter(now())) {
            throw new BadInput(time + " is still to come.");
        }
        return at;
    }

    private VisitRepository.Row row(VisitRepository.Visit visit, String taskId) {
        return visits.rows(visit.id()).stream().filter(each -> each.planned().task().id().equals(taskId)).findFirst()
                .orElseThrow(() -> new BadInput("There is no such task in this visit."));
    }

    static State state(VisitRepository.Row row) {
        return row.doneAt() != null ? State.DONE
                : row.handsOffAt() != null ? State.HANDS_OFF : row.begunAt() != null ? State.BEGUN : State.OPEN;
    }

    /** From now on it counts for the firm's pace. */
    void over(HouseholdRef ref) {
        changes.aside(ref.id(), () -> {
            visits.open(ref.id()).ifPresent(visit -> {
                visits.over(visit.id(), now());
                experience.visitOver(ref.staff().firmId(), visit.id());
            });
            return null;
        });
    }

    private String clock(OffsetDateTime at) {
        return at.atZoneSameInstant(clock.getZone()).format(DateTimeFormatter.ofPattern("HH:mm"));
    }

    /** As tapped; where nobody tapped, what the records show: a camera that has joined was unpacked, one that hangs was tried. */
    private Map<String, Day.Mark> marks(HouseholdRef ref, VisitRepository.Visit visit, List<VisitRepository.Row> rows) {
        Map<Long, CameraRepository.Record> byId = new HashMap<>();
        cameras.records(ref.id()).forEach(record -> byId.put(record.id(), record));
        Map<String, Day.Mark> marks = new HashMap<>();
        for (VisitRepository.Row row : rows) {
            Task task = row.planned().task();
            Day.Mark tapped = new Day.Mark(marked(visit, row.begunAt()), marked(visit, row.handsOffAt()), marked(visit, row.doneAt()));
            marks.put(task.id(), tapped.done().isPresent() ? tapped
                    : recorded(visit, task, task.about().camera().map(byId::get).orElse(null)).map(over -> upTo(tapped, over))
                            .orElse(tapped));
        }
        return marks;
    }

    private static Day.Mark upTo(Day.Mark tapped, int over) {
        int begun = Math.min(tapped.begun().orElse(over), over);
        return new Day.Mark(Optional.of(begun), Optional.of(Math.max(begun, Math.min(tapped.handsOff().orElse(over), over))),
                Optional.of(over));
    }

    private Optional<Integer> recorded(VisitRepository.Visit visit, Task task, CameraRepository.Record camera) {
        if (camera == null) {
            return Optional.empty();
        }
        OffsetDateTime at = switch (task.about().kind()) {
            case UNPACK, PAIR -> camera.joinedAt();
            case TRY, MOUNT -> camera.mountedAt();
            default -> null;
        };
        return at == null || at.isBefore(visit.startedAt()) ? Optional.empty() : Optional.of(minute(visit, at));
    }

    private static Optional<Integer> marked(VisitRepository.Visit visit, OffsetDateTime at) {
        return at == null ? Optional.empty() : Optional.of(minute(visit, at));
    }

    private static int minute(VisitRepository.Visit visit, OffsetDateTime at) {
        return (int) Math.max(0, Math.min(24 * 60, Duration.between(visit.startedAt(), at).toMinutes()));
    }

    private OffsetDateTime now() {
        return OffsetDateTime.now(clock);
    }
}
