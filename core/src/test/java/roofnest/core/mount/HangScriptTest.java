package roofnest.core.mount;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.IntStream;
import java.util.stream.Stream;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

import roofnest.core.mount.HangScript.Event;
import roofnest.core.mount.HangScript.Shape;
import roofnest.core.mount.HangScript.Step;

/** The steps of hanging, for every shape that the work can have. */
class HangScriptTest {
    static Stream<Shape> shapes() {
        return IntStream.range(0, 32).mapToObj(i -> new Shape((i & 1) > 0, (i & 2) > 0, (i & 4) > 0, (i & 8) > 0, (i & 16) > 0));
    }

    /** Every way without a circle from the first step to the end. */
    private static List<List<Step>> ways(HangScript script) {
        List<List<Step>> done = new ArrayList<>();
        walk(script, List.of(script.first()), done);
        return done;
    }

    private static void walk(HangScript script, List<Step> so, List<List<Step>> done) {
        Step at = so.get(so.size() - 1);
        if (at == Step.DONE) {
            done.add(so);
            return;
        }
        Set<Step> next = new HashSet<>();
        script.answers(at).forEach(answer -> next.add(answer.next()));
        for (Step step : next) {
            if (!so.contains(step)) {
                List<Step> on = new ArrayList<>(so);
                on.add(step);
                walk(script, on, done);
            }
        }
    }

    @ParameterizedTest
    @MethodSource("shapes")
    void nothing_hangs_untugged_or_without_a_live_picture_before_the_first_hole(Shape shape) {
        HangScript script = new HangScript(shape);
        assertThat(ways(script)).isNotEmpty().allSatisfy(way -> {
            assertThat(way).contains(Step.HOLD, Step.CLICK, Step.TUG, Step.STILL);
            if (shape.drills()) {
                assertThat(way.indexOf(Step.HOLD)).isLessThan(way.indexOf(Step.DRILL));
                assertThat(way.contains(Step.PLUG)).isEqualTo(shape.plugs());
            } else {
                assertThat(way).doesNotContain(Step.DRILL).contains(Step.FASTEN);
            }
            if (shape.climbs()) {
                assertThat(way.indexOf(Step.DAY)).isZero();
                assertThat(way.indexOf(Step.FOOT)).isEqualTo(1);
            }
            assertThat(way.contains(Step.LEAD)).isEqualTo(shape.lead());
            assertThat(way.contains(Step.JOIN)).isEqualTo(shape.joinsThere());
        });
        assertThat(script.steps()).allSatisfy(step -> assertThat(step == Step.DONE || !script.answers(step).isEmpty()).isTrue());
    }

    @Test
    void what_is_answered_is_folded_and_can_be_taken_back() {
        HangScript script = new HangScript(new Shape(true, true, true, false, false));
        List<Event> events = new ArrayList<>(List.of(new Event.Answered(Step.DAY, "wind"), new Event.Answered(Step.NOT_TODAY, "passed"),
                new Event.Answered(Step.DAY, "calm"), new Event.Answered(Step.FOOT, "lines")));
        assertThat(script.replay(events).step()).isEqualTo(Step.NOT_HERE);
        events.add(new Event.Undone());
        assertThat(script.replay(events).step()).isEqualTo(Step.FOOT);
        events.add(new Event.Answered(Step.FOOT, "clear"));
        assertThat(script.replay(events).step()).isEqualTo(Step.HOLD);
        assertThat(script.replay(events).answered()).extracting(Event.Answered::answer).containsExactly("wind", "passed", "calm", "clear");
        assertThat(script.replay(List.of(new Event.Undone())).step()).as("nothing to take back").isEqualTo(Step.DAY);
    }

    @Test
    void an_answer_to_another_step_or_none_of_its_answers_is_refused() {
        HangScript script = new HangScript(new Shape(false, true, false, false, false));
        assertThatThrownBy(() -> script.replay(List.of(new Event.Answered(Step.TUG, "fast")))).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> script.replay(List.of(new Event.Answered(Step.HOLD, "fast"))))
                .isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> script.answers(Step.PLUG)).isInstanceOf(IllegalArgumentException.class);
    }
}
