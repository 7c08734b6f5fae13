package roofnest.core.visit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;

import org.junit.jupiter.api.Test;

import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;

class RoundTest {
    private static final int EIGHT = 8 * 60;

    @Test
    void three_on_a_line_are_visited_along_it_and_windows_turn_the_order() {
        int[][] line = {{0, 10, 20, 10}, {10, 0, 10, 20}, {20, 10, 0, 30}, {10, 20, 30, 0}};
        List<Round.Stop> open = List.of(stop(1, 60, EIGHT, 18 * 60), stop(2, 60, EIGHT, 18 * 60), stop(3, 60, EIGHT, 18 * 60));
        Round round = Round.best(open, line, EIGHT);
        assertThat(round.homeMinute()).isEqualTo(EIGHT + 10 + 60 + 10 + 60 + 10 + 60 + 30);
        assertThat(round.travelMinutes()).isEqualTo(60);
        List<Round.Stop> farFirst = List.of(stop(1, 60, EIGHT, 18 * 60), stop(2, 60, EIGHT, 18 * 60), stop(3, 60, EIGHT, EIGHT + 30));
        Round turned = Round.best(farFirst, line, EIGHT);
        assertThat(turned.visits()).extracting(visit -> visit.stop().id()).containsExactly(3L, 2L, 1L);
        assertThat(turned.visits().get(0).beginMinute()).isEqualTo(EIGHT + 30);
    }

    @Test
    void who_is_not_at_home_yet_is_waited_for_when_nothing_else_is_left() {
        Round round = Round.best(List.of(stop(1, 30, 10 * 60, 12 * 60)), new int[][] {{0, 15}, {15, 0}}, EIGHT);
        assertThat(round.visits()).singleElement().satisfies(visit -> {
            assertThat(visit.waitMinutes()).isEqualTo(105);
            assertThat(visit.endMinute()).isEqualTo(10 * 60 + 30);
        });
        assertThat(round.homeMinute()).isEqualTo(10 * 60 + 45);
    }

    @Test
    void windows_that_do_not_go_together_leave_the_fewest_out_and_say_whom() {
        int[][] near = {{0, 5, 5, 5}, {5, 0, 5, 5}, {5, 5, 0, 5}, {5, 5, 5, 0}};
        Round round = Round.best(
                List.of(stop(1, 240, EIGHT, EIGHT + 10), stop(2, 30, EIGHT, EIGHT + 20), stop(3, 30, EIGHT + 30, EIGHT + 60)), near, EIGHT);
        assertThat(round.visits()).extracting(visit -> visit.stop().id()).containsExactly(2L, 3L);
        assertThat(round.missed()).extracting(Round.Stop::id).containsExactly(1L);
    }

    @Test
    void no_stops_are_no_round_and_a_ragged_table_is_refused() {
        assertThat(Round.best(List.of(), new int[][] {{0}}, EIGHT).homeMinute()).isEqualTo(EIGHT);
        assertThatThrownBy(() -> Round.best(List.of(stop(1, 10, 0, 1000)), new int[][] {{0, 5}}, EIGHT))
                .hasMessageContaining("square of 2");
        assertThatThrownBy(() -> Round.best(List.of(stop(1, 10, 0, 1000)), new int[][] {{0, -5}, {5, 0}}, EIGHT))
                .hasMessageContaining("from 0 to 600");
        assertThatThrownBy(() -> stop(1, 10, 600, 500)).hasMessageContaining("latest beginning");
    }

    /** Against trying every order of every selection. */
    @Property(tries = 60)
    void no_order_serves_more_or_comes_home_sooner(@ForAll long seed, @ForAll @IntRange(min = 1, max = 5) int n) {
        Random random = new Random(seed);
        int[][] travel = new int[n + 1][n + 1];
        for (int[] row : travel) {
            Arrays.setAll(row, j -> random.nextInt(50));
        }
        List<Round.Stop> stops = new ArrayList<>();
        for (int i = 0; i < n; i++) {
            int from = EIGHT + random.nextInt(240);
            stops.add(stop(i, 10 + random.nextInt(120), from, from + random.nextInt(200)));
        }
        Round best = Round.best(stops, travel, EIGHT);
        int[] tried = {0, EIGHT};
        tryAll(stops, travel, new ArrayList<>(), EIGHT, tried);
        assertThat(best.visits()).hasSize(tried[0]);
        assertThat(best.homeMinute()).isEqualTo(tried[1]);
        assertThat(best.visits())
                .allSatisfy(visit -> assertThat(visit.beginMinute()).isBetween(visit.stop().fromMinute(), visit.stop().untilMinute()));
        assertThat(best.visits().size() + best.missed().size()).isEqualTo(n);
    }

    /** @param best most served, and the earliest at home with so many */
    private static void tryAll(List<Round.Stop> stops, int[][] travel, List<Integer> order, int clock, int[] best) {
        int n = stops.size();
        int at = order.isEmpty() ? n : order.get(order.size() - 1);
        int home = order.isEmpty() ? clock : clock + travel[at][n];
        if (order.size() > best[0] || order.size() == best[0] && home < best[1]) {
            best[0] = order.size();
            best[1] = home;
        }
        for (int next = 0; next < n; next++) {
            int begin = Math.max(clock + travel[at][next], stops.get(next).fromMinute());
            if (!order.contains(next) && begin <= stops.get(next).untilMinute()) {
                order.add(next);
                tryAll(stops, travel, order, begin + stops.get(next).minutes(), best);
                order.remove(order.size() - 1);
            }
        }
    }

    private static Round.Stop stop(long id, int minutes, int from, int until) {
        return new Round.Stop(id, "House " + id, minutes, from, until);
    }
}
