package roofnest.core.visit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class WeeksAheadTest {
    private static final int DAY = 300;

    @Test
    void without_households_nobody_drives() {
        WeeksPlan plan = new WeeksAhead(List.of(), 5, 1, DAY, new int[1][1]).plan(0.1, told -> {});

        assertThat(plan).isEqualTo(new WeeksPlan(List.of(), List.of(), 0, 0));
        assertThat(plan.proved()).isTrue();
    }

    @Test
    void two_neighbours_whose_days_meet_are_one_day_out_and_two_whose_days_do_not_are_two() {
        int[][] near = {{0, 2, 20}, {2, 0, 20}, {20, 20, 0}};
        WeeksPlan together = plan(List.of(stop(0, 0, 2, false), stop(1, 2, 4, false)), near);
        WeeksPlan apart = plan(List.of(stop(0, 0, 1, false), stop(1, 2, 4, false)), near);

        assertThat(together.daysOut()).singleElement().satisfies(day -> {
            assertThat(day.day()).isEqualTo(2);
            assertThat(day.stops()).containsExactlyInAnyOrder(0, 1);
            assertThat(day.travelMinutes()).isEqualTo(42);
        });
        assertThat(together.effort()).isEqualTo(42 + WeeksAhead.DAY_OUT_MINUTES);
        assertThat(apart.daysOut()).hasSize(2);
        assertThat(apart.effort()).isEqualTo(80 + 2 * WeeksAhead.DAY_OUT_MINUTES);
    }

    @Test
    void ladders_go_out_together() {
        int[][] same = new int[5][5];
        // Two days of two each: four hours fill a day. Ladders on one of them.
        List<WeeksAhead.Stop> stops = IntStream.range(0, 4).mapToObj(i -> new WeeksAhead.Stop(i, 140, 0, 4, i % 2 == 0)).toList();

        WeeksPlan plan = new WeeksAhead(stops, 5, 1, DAY, same).plan(0.1, told -> {});

        assertThat(plan.daysOut()).hasSize(2);
        assertThat(plan.daysOut().stream().filter(WeeksPlan.DayOut::ladder)).hasSize(1);
    }

    @Test
    void what_no_day_has_room_for_is_left_and_said() {
        List<WeeksAhead.Stop> stops = List.of(new WeeksAhead.Stop(0, 200, 0, 0, false), new WeeksAhead.Stop(1, 150, 0, 0, false),
                new WeeksAhead.Stop(2, 90, 0, 0, false));

        WeeksPlan plan = new WeeksAhead(stops, 1, 1, DAY, new int[4][4]).plan(0.1, told -> {});

        assertThat(plan.left()).hasSize(1);
        assertThat(plan.daysOut()).singleElement().satisfies(day -> assertThat(day.minutes()).isLessThanOrEqualTo(DAY));
        assertThat(new WeeksAhead(stops, 1, 2, DAY, new int[4][4]).plan(0.1, told -> {}).left()).isEmpty();
    }

    @Test
    void the_plan_takes_what_the_best_of_all_plans_takes() {
        Random random = new Random(7);
        for (int k = 0; k < 25; k++) {
            WeeksAhead ahead = drawn(random, 1 + random.nextInt(5), 3, 1 + random.nextInt(2));
            WeeksPlan plan = ahead.plan(0.1, told -> {});

            assertThat(plan.left().size() * 100_000 + plan.effort()).as("case %d", k).isEqualTo(leastOfAll(ahead));
            assertThat(plan.proved()).isTrue();
            holds(ahead, plan);
        }
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6})
    void no_bound_lies_over_the_best_plan_and_no_routed_plan_under_it(long seed) {
        WeeksAhead ahead = drawn(new Random(seed), 9, 6, 1 + (int) (seed % 2));
        WeeksPlan exact = new ExactWeeks(ahead).best();
        WeeksPlan routed = new RoutedWeeks(ahead).best(0.3, told -> assertThat(told.bound()).isLessThanOrEqualTo(told.effort()));

        List<Integer> served = IntStream.range(0, 9).filter(i -> !exact.left().contains(i)).boxed().toList();
        assertThat(new WeeksBound(ahead, served).minutes(exact.effort())).isBetween(0, exact.effort());
        holds(ahead, exact);
        holds(ahead, routed);
        assertThat(routed.left().size()).isGreaterThanOrEqualTo(exact.left().size());
        if (routed.left().size() == exact.left().size()) {
            assertThat(routed.effort()).isBetween(exact.left().isEmpty() ? exact.effort() : 0, exact.effort() * 3 / 2);
        }
        assertThat(routed.bound()).isLessThanOrEqualTo(routed.effort());
    }

    /** Half of what is taken would be no bound worth showing. */
    @Test
    void the_bound_of_forty_households_is_near_the_plan() {
        WeeksAhead drawn = drawn(new Random(3), 40, 20, 1);
        List<WeeksAhead.Stop> stops = drawn.stops().stream().map(each -> new WeeksAhead.Stop(each.id(), 30, 0, Math.min(19, each.untilDay()
                + 8), each.ladder())).toList();
        WeeksAhead ahead = new WeeksAhead(stops, 20, 1, 480, ways(drawn, 40));
        List<WeeksPlan.Progress> told = new ArrayList<>();

        WeeksPlan plan = ahead.plan(2, told::add);

        holds(ahead, plan);
        assertThat(plan.left()).isEmpty();
        assertThat(plan.bound()).isGreaterThan(plan.effort() / 2).isLessThanOrEqualTo(plan.effort());
        assertThat(told).isNotEmpty();
        assertThat(told.get(told.size() - 1).effort()).isEqualTo(plan.effort());
    }

    @Test
    void more_days_more_vans_and_a_shorter_way_never_take_more() {
        Random random = new Random(11);
        for (int k = 0; k < 20; k++) {
            WeeksAhead ahead = drawn(random, 6, 4, 1);
            int before = worth(ahead);
            int[][] shorter = IntStream.rangeClosed(0, 6).mapToObj(i -> IntStream.rangeClosed(0, 6).map(j -> ahead.travel(i, j) * 3 / 4)
                    .toArray()).toArray(int[][]::new);
            int[][] same = ways(ahead, 6);

            assertThat(worth(new WeeksAhead(ahead.stops(), 5, 1, DAY, same))).isLessThanOrEqualTo(before);
            assertThat(worth(new WeeksAhead(ahead.stops(), 4, 2, DAY, same))).isLessThanOrEqualTo(before);
            assertThat(worth(new WeeksAhead(ahead.stops(), 4, 1, DAY, shorter))).isLessThanOrEqualTo(before);
        }
    }

    @Test
    void what_cannot_be_is_refused() {
        assertThatThrownBy(() -> new WeeksAhead(List.of(stop(0, 0, 5, false)), 5, 1, DAY, new int[2][2])).hasMessageContaining(
                "within the days");
        assertThatThrownBy(() -> new WeeksAhead(List.of(), 5, 1, DAY, new int[2][2])).hasMessageContaining("a square of 1 rows");
        assertThatThrownBy(() -> new WeeksAhead(List.of(), 0, 1, DAY, new int[1][1])).hasMessageContaining("working days");
        assertThatThrownBy(() -> stop(0, 3, 2, false)).hasMessageContaining("last day");
    }

    private static int[][] ways(WeeksAhead ahead, int last) {
        return IntStream.rangeClosed(0, last).mapToObj(i -> IntStream.rangeClosed(0, last).map(j -> ahead.travel(i, j)).toArray()).toArray(
                int[][]::new);
    }

    private static int worth(WeeksAhead ahead) {
        WeeksPlan plan = new ExactWeeks(ahead).best();
        return plan.left().size() * 100_000 + plan.effort();
    }

    private static WeeksPlan plan(List<WeeksAhead.Stop> stops, int[][] travel) {
        return new WeeksAhead(stops, 5, 1, DAY, travel).plan(0.1, told -> {});
    }

    private static WeeksAhead.Stop stop(long id, int from, int until, boolean ladder) {
        return new WeeksAhead.Stop(id, 30, from, until, ladder);
    }

    private static WeeksAhead drawn(Random random, int n, int days, int vans) {
        double[][] at = new double[n + 1][];
        for (int i = 0; i <= n; i++) {
            at[i] = new double[] {random.nextDouble() * 50, random.nextDouble() * 50};
        }
        int[][] travel = new int[n + 1][n + 1];
        for (int i = 0; i <= n; i++) {
            for (int j = 0; j <= n; j++) {
                travel[i][j] = (int) Math.round(Math.hypot(at[i][0] - at[j][0], at[i][1] - at[j][1]));
            }
        }
        List<WeeksAhead.Stop> stops = IntStream.range(0, n).mapToObj(i -> {
            int from = random.nextInt(days);
            return new WeeksAhead.Stop(i, 20 + random.nextInt(60), from, from + random.nextInt(days - from), random.nextInt(3) == 0);
        }).toList();
        return new WeeksAhead(stops, days, vans, DAY, travel);
    }

    /** Every stop once, on one of its days, and each day within its minutes. */
    private static void holds(WeeksAhead ahead, WeeksPlan plan) {
        List<Integer> seen = new ArrayList<>(plan.left());
        for (WeeksPlan.DayOut day : plan.daysOut()) {
            seen.addAll(day.stops());
            assertThat(day.minutes()).isLessThanOrEqualTo(ahead.dayMinutes());
            assertThat(day.stops()).hasSizeBetween(1, Round.MOST_STOPS).allMatch(i -> ahead.stops().get(i).on(day.day()));
            assertThat(day.ladder()).isEqualTo(day.stops().stream().anyMatch(i -> ahead.stops().get(i).ladder()));
            assertThat(plan.daysOut().stream().filter(each -> each.day() == day.day()).count()).isLessThanOrEqualTo(ahead.vans());
        }
        assertThat(seen).containsExactlyInAnyOrderElementsOf(IntStream.range(0, ahead.stops().size()).boxed().toList());
    }

    /** By going through every way to put every stop on a day and a van or to leave it, and every order of each day. */
    private static int leastOfAll(WeeksAhead ahead) {
        int n = ahead.stops().size();
        int slots = ahead.days() * ahead.vans();
        int least = Integer.MAX_VALUE;
        for (long code = 0; code < Math.pow(slots + 1, n); code++) {
            List<List<Integer>> groups = new ArrayList<>();
            IntStream.rangeClosed(0, slots).forEach(slot -> groups.add(new ArrayList<>()));
            boolean may = true;
            long rest = code;
            for (int i = 0; i < n; i++) {
                int slot = (int) (rest % (slots + 1));
                rest /= slots + 1;
                groups.get(slot).add(i);
                may &= slot == slots || ahead.stops().get(i).on(slot / ahead.vans());
            }
            int worth = groups.get(slots).size() * 100_000;
            for (int slot = 0; slot < slots && may; slot++) {
                List<Integer> group = groups.get(slot);
                if (!group.isEmpty()) {
                    int road = shortest(ahead, ahead.yard(), group);
                    int there = group.stream().mapToInt(i -> ahead.stops().get(i).minutes()).sum();
                    may = road + there <= ahead.dayMinutes();
                    worth += road + WeeksAhead.DAY_OUT_MINUTES
                            + (group.stream().anyMatch(i -> ahead.stops().get(i).ladder()) ? WeeksAhead.LADDER_MINUTES : 0);
                }
            }
            least = may ? Math.min(least, worth) : least;
        }
        return least;
    }

    private static int shortest(WeeksAhead ahead, int from, List<Integer> open) {
        if (open.isEmpty()) {
            return ahead.travel(from, ahead.yard());
        }
        return open.stream().mapToInt(next -> {
            List<Integer> rest = new ArrayList<>(open);
            rest.remove(next);
            return ahead.travel(from, next) + shortest(ahead, next, rest);
        }).min().orElseThrow();
    }
}
