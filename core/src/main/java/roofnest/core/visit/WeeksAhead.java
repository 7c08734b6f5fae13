package roofnest.core.visit;

import java.util.Arrays;
import java.util.List;
import java.util.function.Consumer;

import roofnest.core.lang.Require;

/**
 * Which households on which days, so that each is reached on one of its days with the least effort: minutes on the road, more for every
 * day on which a van goes out, and more again where it takes the ladder. Few households are planned exactly, many by the routing solver,
 * with a bound that no plan can go under.
 */
public final class WeeksAhead {
    /** Loading, leaving and tidying away again, by which a day out counts, minutes. */
    public static final int DAY_OUT_MINUTES = 30;
    /** Ladder on the roof and off it, by which a day with it counts, minutes. */
    public static final int LADDER_MINUTES = 15;
    public static final int MOST_STOPS = 600;
    public static final int MOST_DAYS = 60;
    private static final int MOST_VANS = 4;
    private static final int LONGEST_DAY = 900;
    private static final int LONGEST_WAY = 600;

    private final List<Stop> stops;
    private final int days;
    private final int vans;
    private final int dayMinutes;
    private final int[][] travel;

    /**
     * A household to be reached once.
     *
     * @param fromDay the first working day on which it may be, from 0
     * @param untilDay the last
     */
    public record Stop(long id, int minutes, int fromDay, int untilDay, boolean ladder) {
        public Stop {
            Require.inRange("minutes there", minutes, 1, LONGEST_DAY);
            Require.inRange("first day", fromDay, 0, MOST_DAYS - 1);
            Require.inRange("last day", untilDay, fromDay, MOST_DAYS - 1);
        }

        boolean on(int day) {
            return fromDay <= day && day <= untilDay;
        }
    }

    /**
     * @param days working days, from the first
     * @param vans that may go out on a day
     * @param dayMinutes from leaving until back
     * @param travelMinutes between any two, in the order of the stops; the last row and column are where the days begin. The same both ways
     */
    public WeeksAhead(List<Stop> stops, int days, int vans, int dayMinutes, int[][] travelMinutes) {
        this.stops = List.copyOf(stops);
        this.days = Require.inRange("working days", days, 1, MOST_DAYS);
        this.vans = Require.inRange("vans", vans, 1, MOST_VANS);
        this.dayMinutes = Require.inRange("minutes of a day", dayMinutes, 1, LONGEST_DAY);
        int n = Require.inRange("households", stops.size(), 0, MOST_STOPS);
        if (stops.stream().anyMatch(stop -> stop.untilDay() >= days)) {
            throw new IllegalArgumentException("a household has to be reached within the days that are planned");
        }
        if (travelMinutes.length != n + 1 || Arrays.stream(travelMinutes)
                .anyMatch(row -> row.length != n + 1 || Arrays.stream(row).anyMatch(minutes -> minutes < 0 || minutes > LONGEST_WAY))) {
            throw new IllegalArgumentException("travel minutes are a square of " + (n + 1) + " rows, each from 0 to " + LONGEST_WAY);
        }
        this.travel = shortest(travelMinutes);
    }

    /** No way is longer than one over a third place (Floyd 1962), so that leaving a stop out never makes a day longer. */
    private static int[][] shortest(int[][] travel) {
        int n = travel.length;
        int[][] ways = Arrays.stream(travel).map(int[]::clone).toArray(int[][]::new);
        for (int i = 0; i < n; i++) {
            for (int j = 0; j < i; j++) {
                ways[i][j] = Math.min(ways[i][j], ways[j][i]);
                ways[j][i] = ways[i][j];
            }
            ways[i][i] = 0;
        }
        for (int over = 0; over < n; over++) {
            for (int i = 0; i < n; i++) {
                int to = ways[i][over];
                for (int j = 0; j < n; j++) {
                    ways[i][j] = Math.min(ways[i][j], to + ways[over][j]);
                }
            }
        }
        return ways;
    }

    /**
     * The best plan found.
     *
     * @param mostSeconds for which the solver may look for a better one; few households take none of it
     * @param progress told of each better plan, and of the bound
     */
    public WeeksPlan plan(double mostSeconds, Consumer<WeeksPlan.Progress> progress) {
        Require.inRange("seconds of solving", mostSeconds, 0.05, 600);
        WeeksPlan plan = stops.size() <= ExactWeeks.MOST ? new ExactWeeks(this).best() : new RoutedWeeks(this).best(mostSeconds, progress);
        progress.accept(new WeeksPlan.Progress(plan.effort(), plan.bound(), plan.left().size()));
        return plan;
    }

    public List<Stop> stops() {
        return stops;
    }

    int days() {
        return days;
    }

    int vans() {
        return vans;
    }

    int dayMinutes() {
        return dayMinutes;
    }

    int travel(int i, int j) {
        return travel[i][j];
    }

    /** Number of the place where days begin. */
    int yard() {
        return stops.size();
    }

    /** In the order that is driven least; exact. */
    WeeksPlan.DayOut dayOut(int day, List<Integer> chosen) {
        List<Round.Stop> round
                = chosen.stream().map(i -> new Round.Stop(i, String.valueOf(i), stops.get(i).minutes(), 0, 24 * 60)).toList();
        int[][] ways = new int[chosen.size() + 1][chosen.size() + 1];
        for (int i = 0; i <= chosen.size(); i++) {
            for (int j = 0; j <= chosen.size(); j++) {
                ways[i][j] = travel[i == chosen.size() ? yard() : chosen.get(i)][j == chosen.size() ? yard() : chosen.get(j)];
            }
        }
        Round best = Round.best(round, ways, 0);
        List<Integer> order = best.visits().stream().map(visit -> (int) visit.stop().id()).toList();
        return new WeeksPlan.DayOut(day, order, best.travelMinutes(), best.homeMinute(), order.stream().anyMatch(i -> stops.get(i)
                .ladder()));
    }
}
