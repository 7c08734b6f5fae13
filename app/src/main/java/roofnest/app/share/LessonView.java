package roofnest.app.share;

import java.time.OffsetDateTime;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

import roofnest.app.records.ResidentRepository;
import roofnest.core.access.Lesson;

/** What one person learns. @param learnt whether they did everything alone; not so when there is nothing to learn */
record LessonView(long person, String name, List<Line> lines, boolean learnt, String counts) {
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMM", Locale.ENGLISH);

    /** @param standing of the three eggs: untried, thin while only shown, kept when done alone, broken when forgotten since */
    record Line(String key, String title, String shown, String alone, String standing, String said, boolean wasShown, boolean wasAlone) {}

    static LessonView of(ResidentRepository.Resident resident, Lesson lesson, Map<Lesson.Key, LessonRepository.Learnt> learnt,
            ZoneId zone) {
        List<Line> lines = lesson.items().stream().map(item -> line(item, Optional.ofNullable(learnt.get(item.key())), zone)).toList();
        long alone = lines.stream().filter(Line::wasAlone).count();
        return new LessonView(resident.id(), resident.name(), lines, !lines.isEmpty() && alone == lines.size(),
                alone + " of " + lines.size() + " done alone");
    }

    private static Line line(Lesson.Item item, Optional<LessonRepository.Learnt> learnt, ZoneId zone) {
        Optional<OffsetDateTime> shown = learnt.map(LessonRepository.Learnt::shownAt);
        Optional<OffsetDateTime> alone = learnt.map(LessonRepository.Learnt::aloneAt);
        Optional<Boolean> again = learnt.flatMap(LessonRepository.Learnt::again);
        String standing = again.filter(still -> !still).isPresent() ? "broken" : alone.isPresent() ? "kept"
                : shown.isPresent() ? "thin" : "untried";
        String said = again.map(still -> still ? "asked again: still can" : "asked again: no longer can")
                .or(() -> alone.map(at -> "done alone on " + at.atZoneSameInstant(zone).format(DAY)))
                .or(() -> shown.map(at -> "shown on " + at.atZoneSameInstant(zone).format(DAY))).orElse("not shown yet");
        return new Line(item.key().name(), item.title(), item.shown(), item.alone(), standing, said, shown.isPresent(),
                alone.isPresent());
    }
}
