package roofnest.app.share;

import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;

import org.springframework.stereotype.Service;

import roofnest.app.household.Frame;
import roofnest.app.household.Frames;
import roofnest.app.records.Changes;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.LogRepository;
import roofnest.app.records.ResidentRepository;
import roofnest.app.web.BadInput;
import roofnest.app.web.Conflict;
import roofnest.app.web.NoSuchPage;
import roofnest.core.access.Access;
import roofnest.core.access.Lesson;
import roofnest.core.judge.Camera;
import roofnest.core.promise.Stage;

/** Teaches the people of a household, one by one, and asks them again a week later. */
@Service
public class Lessons {
    private final Changes changes;
    private final Frames frames;
    private final LessonRepository rows;
    private final ResidentRepository residents;
    private final LogRepository log;
    private final Clock clock;

    Lessons(Changes changes, Frames frames, LessonRepository rows, ResidentRepository residents, LogRepository log, Clock clock) {
        this.changes = changes;
        this.frames = frames;
        this.rows = rows;
        this.residents = residents;
        this.log = log;
        this.clock = clock;
    }

    /** What somebody is to learn, by the cameras that they may look through. */
    public Lesson of(Frame frame, long residentId) {
        Access access = frame.facts().access();
        Set<Long> open = new TreeSet<>();
        access.waysOf(residentId, frame.facts().kit()).forEach(way -> open.addAll(way.cameraIds()));
        List<Lesson.Taught> taught = new ArrayList<>();
        boolean rings = false;
        for (Camera camera : frame.facts().cameras()) {
            Optional<Access.Grant> grant = access.grant(residentId, camera.id());
            if (grant.isPresent() || open.contains(camera.id())) {
                taught.add(new Lesson.Taught(camera.name(), camera.model(), grant.map(Access.Grant::role).orElse(Access.Role.VIEWER)));
                rings |= grant.filter(Access.Grant::alerts).isPresent();
            }
        }
        return Lesson.of(taught, rings);
    }

    LessonView view(Frame frame, long residentId) {
        ResidentRepository.Resident resident = residents.find(frame.ref().id(), residentId).orElseThrow(NoSuchPage::new);
        return LessonView.of(resident, of(frame, residentId), rows.of(frame.ref().id(), residentId), clock.getZone());
    }

    /** @param what {@code shown}, {@code alone}, {@code still}, {@code lost} or {@code untick} */
    void tick(HouseholdRef ref, long residentId, String item, String what) {
        changes.run(ref, Stage.SHARE, () -> {
            Frame frame = frames.frame(ref, Stage.SHARE);
            LessonView before = view(frame, residentId);
            Lesson.Key key = Arrays.stream(Lesson.Key.values()).filter(each -> each.name().equals(item)).findFirst()
                    .orElseThrow(() -> new BadInput("There is no such thing to learn."));
            if (of(frame, residentId).items().stream().noneMatch(each -> each.key() == key)) {
                throw new Conflict(before.name() + " has nothing to do with that any more: what they may look through was changed.");
            }
            switch (what) {
                case "shown" -> rows.shown(ref.id(), residentId, key, ref.by());
                case "alone" -> rows.alone(ref.id(), residentId, key, ref.by());
                case "still" -> rows.again(ref.id(), residentId, key, true, ref.by());
                case "lost" -> rows.again(ref.id(), residentId, key, false, ref.by());
                case "untick" -> rows.untick(ref.id(), residentId, key);
                default -> throw new BadInput("Say whether it was shown or done alone.");
            }
            Map<Lesson.Key, LessonRepository.Learnt> learnt = rows.of(ref.id(), residentId);
            if (!before.learnt() && view(frame, residentId).learnt() && learnt.values().stream().allMatch(each -> each.again().isEmpty())) {
                LocalDate today = LocalDate.now(clock);
                log.add(ref.id(), new LogRepository.Said(null, LogRepository.Kind.NOTE, before.name()
                        + " did everything alone on their own phone. To be asked again.", today, today.plusDays(Lesson.ASKED_AGAIN_DAYS)),
                        ref.by());
            }
        });
    }
}
