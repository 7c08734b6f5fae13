package roofnest.app.pair;

import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

import roofnest.core.lang.Numbers;
import roofnest.standins.Fault;
import roofnest.standins.rehearsal.Exercise;
import roofnest.standins.rehearsal.Progress;

/**
 * The rehearsal room.
 *
 * @param next the exercise to take now, with the reason
 * @param people results by person
 */
record RoomView(Optional<Row> next, String why, List<Row> exercises, List<Person> people, List<Open> open) {
    private static final DateTimeFormatter WHEN = DateTimeFormatter.ofPattern("d MMM, HH:mm", Locale.ENGLISH);

    /** @param mine how this person did it best; empty when not yet */
    record Row(int number, String title, String story, int level, String devices, String mine, boolean mastered) {}

    record Person(String name, int done, int mastered, String lost, String weakest) {}

    record Open(long id, String title, String person, String since) {}

    static RoomView of(
            List<Exercise> exercises, List<RehearsalRepository.Result> results, List<RehearsalRepository.Rehearsal> open, long me,
            ZoneId zone) {
        List<Progress.Done> mine
                = results.stream().filter(result -> result.personId() == me).map(RehearsalRepository.Result::done).toList();
        List<Row> rows = exercises.stream().map(exercise -> row(exercise, mine)).toList();
        Optional<Exercise> next = Progress.next(mine, exercises);
        String why = next.map(exercise -> why(exercise, mine, exercises))
                .orElse("Every exercise is mastered. Take any of them with a hidden fault.");
        return new RoomView(next.map(exercise -> row(exercise, mine)), why, rows, people(results, exercises),
                open.stream()
                        .map(each -> new Open(each.id(), each.job() == null ? title(exercises, each.exercise()) : each.job(), each.person(),
                                each.startedAt().atZoneSameInstant(zone).format(WHEN)))
                        .toList());
    }

    /** Results belong to a person, whatever they were called then; of those who have left, to the name that is left of them. */
    private static List<Person> people(List<RehearsalRepository.Result> results, List<Exercise> exercises) {
        record Who(long id, String name) {}
        Map<Who, List<Progress.Done>> byPerson = new LinkedHashMap<>();
        results.forEach(result -> byPerson.computeIfAbsent(new Who(result.personId(), result.person()), who -> new ArrayList<>())
                .add(result.done()));
        return byPerson.entrySet().stream().map(entry -> person(entry.getKey().name(), entry.getValue(), exercises)).toList();
    }

    private static String why(Exercise exercise, List<Progress.Done> mine, List<Exercise> exercises) {
        if (mine.isEmpty()) {
            return "The easiest to begin with: the run says each move, the bench shows what it does.";
        }
        Optional<Fault> weakest = weakest(mine, exercises).filter(fault -> exercise.applicable().contains(fault)
                || exercise.parts().stream().anyMatch(part -> part.faults().contains(fault)));
        return "Level " + exercise.level() + ", not mastered yet"
                + weakest.map(fault -> ", and it can meet what went wrong most: " + lower(fault.words())).orElse("") + ".";
    }

    private static Row row(Exercise exercise, List<Progress.Done> mine) {
        List<Progress.Done> own = mine.stream().filter(done -> done.exercise() == exercise.number()).toList();
        String best = own.stream().min(Comparator.comparingInt(Progress.Done::wrongMoves).thenComparingDouble(Progress.Done::minutes))
                .map(done -> Numbers.fixed(done.minutes(), 0) + " min of " + Numbers.fixed(done.shortestMinutes(), 0) + " at best, "
                        + (done.wrongMoves() == 0 ? "no wrong move"
                                : done.wrongMoves() + (done.wrongMoves() == 1 ? " wrong move" : " wrong moves")))
                .orElse("");
        return new Row(exercise.number(), exercise.title(), exercise.story(), exercise.level(),
                String.join(", ", exercise.parts().stream().map(part -> part.device().fullName() + " by " + part.way().words()).toList()),
                best,
                own.stream().anyMatch(Progress.Done::mastered));
    }

    private static Person person(String name, List<Progress.Done> done, List<Exercise> exercises) {
        double lost = done.stream().mapToDouble(each -> Math.max(0, each.minutes() - each.shortestMinutes())).sum();
        return new Person(name, done.size(),
                (int) done.stream().filter(Progress.Done::mastered).map(Progress.Done::exercise).distinct().count(),
                Numbers.fixed(lost, 0) + " min",
                weakest(done, exercises).map(Fault::words).orElse("nothing yet"));
    }

    private static Optional<Fault> weakest(List<Progress.Done> done, List<Exercise> exercises) {
        return Progress.weakness(done, exercises).entrySet().stream().filter(entry -> entry.getValue() > 0)
                .max(Map.Entry.comparingByValue()).map(Map.Entry::getKey);
    }

    private static String title(List<Exercise> exercises, int number) {
        return exercises.stream().filter(exercise -> exercise.number() == number).map(Exercise::title).findFirst().orElse("");
    }

    private static String lower(String words) {
        return Character.toLowerCase(words.charAt(0)) + words.substring(1);
    }
}
