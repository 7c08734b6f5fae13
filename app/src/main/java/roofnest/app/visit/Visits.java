package roofnest.app.visit;

import java.time.Clock;
import java.time.Duration;
import java.time.LocalTime;
import java.time.OffsetDateTime;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

import roofnest.app.household.Frame;
import roofnest.app.ready.Hours;
import roofnest.app.survey.CameraRepository;
import roofnest.app.web.BadInput;
import roofnest.app.web.HouseholdRef;
import roofnest.core.judge.Camera;
import roofnest.core.visit.Day;
import roofnest.core.visit.Pace;
import roofnest.core.visit.Task;
import roofnest.core.visit.Timeline;

/** A visit under way: its plan is frozen as it begins, then held against what is really done. */
@Service
class Visits {
    private static final Pattern OF_CAMERA = Pattern.compile("camera ([0-9]+) .*");

    private final VisitRepository visits;
    private final CameraRepository cameras;
    private final Hours hours;
    private final Clock clock;

    Visits(VisitRepository visits, CameraRepository cameras, Hours hours, Clock clock) {
        this.visits = visits;
        this.cameras = cameras;
        this.hours = hours;
        this.clock = clock;
    }

    /** @param minute of the visit that it is now */
    record Open(VisitRepository.Visit visit, List<VisitRepository.Row> rows, Map<String, Day.Mark> marks, int minute, Day day) {}

    /** What is done to a task. */
    enum Step { BEGIN, HANDS_OFF, DONE, BACK }

    @Transactional
    void start(HouseholdRef ref, Frame frame, int installers) {
        if (visits.open(ref.id()).isPresent()) {
            return;
        }
        Timeline plan = hours.plan(frame, new Hours.Asked(installers, 1, 1000, LocalTime.of(8, 0))).shortest();
        long visit = visits.start(ref.id(), installers, now(), ref.by());
        List<Camera> inOrder = frame.facts().cameras();
        for (int i = 0; i < plan.placed().size(); i++) {
            Timeline.Placed placed = plan.placed().get(i);
            Matcher ofCamera = OF_CAMERA.matcher(placed.task().id());
            visits.add(visit, i, placed, ofCamera.matches() ? inOrder.get(Integer.parseInt(ofCamera.group(1)) - 1).id() : null);
        }
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

    @Transactional
    void mark(HouseholdRef ref, String taskId, Step step) {
        VisitRepository.Visit visit = visits.open(ref.id()).orElseThrow(() -> new BadInput("No visit is under way here."));
        VisitRepository.Row row = visits.rows(visit.id()).stream().filter(each -> each.planned().task().id().equals(taskId)).findFirst()
                .orElseThrow(() -> new BadInput("There is no such task in this visit."));
        OffsetDateTime now = now();
        OffsetDateTime begun = row.begunAt() == null ? now : row.begunAt();
        OffsetDateTime off = row.handsOffAt() == null ? now : row.handsOffAt();
        switch (step) {
            case BEGIN -> visits.mark(visit.id(), taskId, begun, row.handsOffAt(), row.doneAt(), ref.by());
            case HANDS_OFF ->
                visits.mark(visit.id(), taskId, begun, off, row.planned().task().handsFreeMinutes() == 0 ? off : row.doneAt(), ref.by());
            case DONE -> visits.mark(visit.id(), taskId, begun, off, now, ref.by());
            case BACK -> {
                boolean last = row.planned().task().handsFreeMinutes() == 0 && row.doneAt() != null;
                visits.mark(visit.id(), taskId, row.handsOffAt() == null ? null : row.begunAt(),
                        row.doneAt() == null || last ? null : row.handsOffAt(), null, ref.by());
            }
        }
    }

    void over(HouseholdRef ref) {
        visits.open(ref.id()).ifPresent(visit -> visits.over(visit.id(), now()));
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
                    : recorded(visit, task, byId.get(row.cameraId())).map(over -> upTo(tapped, over)).orElse(tapped));
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
        OffsetDateTime at = switch (Pace.kindOf(task.id())) {
            case "unpack", "pair" -> camera.joinedAt();
            case "try", "mount" -> camera.mountedAt();
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
