package roofnest.standins.rehearsal;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Set;

import org.junit.jupiter.api.Test;

import roofnest.core.catalogue.Catalogue;
import roofnest.standins.Fault;

/** Keeps the published table of exercises and faults true. To write it anew after a change: {@code -Dexercises.write=true}. */
class ExerciseTableTest {
    private static final Path PUBLISHED = Path.of("../docs/exercises.md");

    @Test
    void the_published_table_is_what_the_exercises_come_to() throws IOException {
        String table = table();
        if (Boolean.getBoolean("exercises.write")) {
            Files.writeString(PUBLISHED, table);
        }
        assertThat(Files.readString(PUBLISHED)).isEqualTo(table);
    }

    private static String table() {
        List<Exercise> exercises = Exercises.all(Catalogue.shipped());
        StringBuilder text = new StringBuilder(
                """
                    # The set exercises

                    Each exercise of the rehearsal room, played by the simulated installer on the stand-ins' virtual clock: plain, and \
                    with each fault that concerns it hidden in it. A figure is the minutes until every \
                    device of it is joined, secured and named; a dash, that the fault does not concern it. \
                    Nothing here is typed by hand: a test writes the table and holds it against what is played.

                    | Exercise | Plain |""");
        Arrays.stream(Fault.values()).forEach(fault -> text.append(' ').append(letter(fault)).append(" |"));
        text.append("\n|---|---:|").append("---:|".repeat(Fault.values().length)).append('\n');
        for (Exercise exercise : exercises) {
            text.append("| ").append(exercise.number()).append(' ').append(exercise.title()).append(" | ")
                    .append(cell(SimulatedInstaller.play(exercise, Set.of()))).append(" |");
            for (Fault fault : Fault.values()) {
                text.append(' ')
                        .append(exercise.applicable().contains(fault) ? cell(SimulatedInstaller.play(exercise, Set.of(fault))) : "–")
                        .append(" |");
            }
            text.append('\n');
        }
        text.append("\nThe faults:\n\n");
        Arrays.stream(Fault.values()).forEach(fault -> text.append("- ").append(letter(fault)).append(": ").append(fault.words())
                .append(fault.once() ? "" : ", until it is put right").append('\n'));
        return text.toString();
    }

    private static String letter(Fault fault) {
        return String.valueOf((char) ('A' + fault.ordinal()));
    }

    private static String cell(SimulatedInstaller.Outcome outcome) {
        String minutes = String.format(Locale.ROOT, "%.1f", outcome.minutes());
        return switch (outcome.end()) {
            case JOINED_AND_SECURED -> minutes;
            case REFUSED -> "refused after " + minutes;
            case STUCK -> "stuck";
        };
    }
}
