package roofnest.standins.rehearsal;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Set;
import java.util.stream.Stream;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

import roofnest.core.catalogue.Catalogue;
import roofnest.core.catalogue.PairingMethod.Way;
import roofnest.standins.Fault;
import roofnest.standins.rehearsal.SimulatedInstaller.End;

class ExercisesTest {
    private static final List<Exercise> ALL = Exercises.all(Catalogue.shipped());

    static List<Exercise> all() {
        return ALL;
    }

    static Stream<Arguments> withEachFault() {
        return ALL.stream().flatMap(exercise -> exercise.applicable().stream().map(fault -> Arguments.of(exercise, fault)));
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("all")
    void every_exercise_ends_joined_and_secured(Exercise exercise) {
        SimulatedInstaller.Outcome outcome = SimulatedInstaller.play(exercise, Set.of());
        assertThat(outcome.end()).as(String.join("\n", outcome.parts().stream().flatMap(part -> part.steps().stream()).toList()))
                .isEqualTo(End.JOINED_AND_SECURED);
        assertThat(outcome.parts()).allMatch(SimulatedInstaller::reallyJoined);
        assertThat(outcome.parts())
                .allSatisfy(part -> assertThat(part.steps()).anyMatch(step -> step.startsWith("Change its own password")));
        assertThat(outcome.minutes()).isBetween(3.0, 60.0);
    }

    @ParameterizedTest(name = "{0} with {1}")
    @MethodSource("withEachFault")
    void with_any_fault_it_still_ends_joined_and_takes_no_less_time(Exercise exercise, Fault fault) {
        SimulatedInstaller.Outcome plain = SimulatedInstaller.play(exercise, Set.of());
        SimulatedInstaller.Outcome outcome = SimulatedInstaller.play(exercise, Set.of(fault));
        assertThat(outcome.end()).as(String.join("\n", outcome.parts().stream().flatMap(part -> part.steps().stream()).toList()))
                .isEqualTo(End.JOINED_AND_SECURED);
        assertThat(outcome.parts()).allMatch(SimulatedInstaller::reallyJoined);
        assertThat(outcome.minutes()).isGreaterThan(plain.minutes() - 1e-9);
    }

    @Test
    void they_go_all_ten_ways_and_every_fault_is_in_one_of_them() {
        assertThat(ALL).extracting(Exercise::number).containsExactly(1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12, 13, 14, 15, 16, 17, 18, 19, 20);
        assertThat(ALL.stream().flatMap(exercise -> exercise.parts().stream()).map(Exercise.Part::way)).contains(Way.values());
        assertThat(ALL.stream().flatMap(exercise -> Stream.concat(exercise.applicable().stream(),
                exercise.parts().stream().flatMap(part -> part.faults().stream())))).contains(Fault.values());
        assertThat(ALL.stream().map(Exercise::level)).contains(1, 2, 3);
    }

    @Test
    void a_house_that_does_not_suit_is_refused_after_every_way_was_tried_twice() {
        Exercise.Part post = ALL.get(0).parts().get(0);
        SimulatedInstaller.Result result = SimulatedInstaller
                .play(new Exercise.Part(post.device(), post.way(), post.setting(), post.place().suiting(false), Set.of()), List.of());
        assertThat(result.end()).isEqualTo(End.REFUSED);
        assertThat(result.ways()).containsExactlyInAnyOrder(Way.HOTSPOT, Way.STICKER, Way.SEARCH);
        assertThat(SimulatedInstaller.reallyJoined(result)).isFalse();
    }

    @Test
    void the_same_exercise_gives_the_same_run() {
        assertThat(SimulatedInstaller.play(ALL.get(3), Set.of(Fault.BAD_DOWNLOAD)).parts().get(0).steps())
                .isEqualTo(SimulatedInstaller.play(ALL.get(3), Set.of(Fault.BAD_DOWNLOAD)).parts().get(0).steps());
    }
}
