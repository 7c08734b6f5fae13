package roofnest.standins.hanging;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

import roofnest.core.mount.HangScript;
import roofnest.core.mount.HangScript.Event;
import roofnest.core.mount.HangScript.Shape;
import roofnest.core.mount.HangScript.Step;
import roofnest.standins.hanging.HangBench.Hidden;

/** What is hidden shows once, is put right by the script's own way, and whoever answers what shows reaches the end. */
class HangBenchTest {
    private static final HangScript ALL = new HangScript(new Shape(true, true, true, true, true));

    @ParameterizedTest
    @EnumSource(Hidden.class)
    void who_answers_what_shows_finds_it_and_ends_well(Hidden hidden) {
        HangBench bench = new HangBench(hidden, ALL);
        List<Event> events = new ArrayList<>();
        while (ALL.replay(events).step() != Step.DONE) {
            HangScript.State state = ALL.replay(events);
            assertThat(bench.shows(state.step(), state.answered())).isNotEmpty();
            String truth = bench.truth(state.step(), state.answered());
            assertThat(bench.against(state.step(), truth, state.answered())).isFalse();
            events.add(new Event.Answered(state.step(), truth));
            assertThat(events).as("no circle").hasSizeLessThan(40);
        }
        assertThat(bench.found(ALL.replay(events).answered())).isEqualTo(hidden != Hidden.NOTHING);
    }

    @Test
    void an_answer_that_nothing_shows_goes_against_the_bench() {
        HangBench bench = new HangBench(Hidden.WRONG_PLUG, ALL);
        assertThat(bench.against(Step.PLUG, "flush", List.of())).isTrue();
        assertThat(bench.against(Step.PLUG, "turns", List.of())).isFalse();
        assertThat(bench.against(Step.PLUG, "flush", List.of(new Event.Answered(Step.PLUG, "turns")))).as("put right").isFalse();
        assertThat(bench.against(Step.TUG, "moves", List.of())).as("it does not").isTrue();
        assertThat(bench.against(Step.STILL, "later", List.of())).as("as one likes").isFalse();
    }

    @Test
    void only_what_fits_the_work_is_hidden_and_all_of_it_in_time() {
        HangScript bare = new HangScript(new Shape(false, false, false, false, false));
        Set<Hidden> seen = EnumSet.noneOf(Hidden.class);
        for (long seed = 0; seed < 200; seed++) {
            seen.add(HangBench.by(seed, bare));
            assertThat(HangBench.by(seed, bare)).isEqualTo(HangBench.by(seed, bare));
        }
        assertThat(seen).containsExactlyInAnyOrder(Hidden.NOTHING, Hidden.LOOSE_BRACKET, Hidden.SUN_IN_THE_LENS);
    }
}
