package roofnest.core.visit;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

import roofnest.core.lang.Require;

/**
 * A day of several households, minutes after midnight: the order that comes home first, each visit begun within its
 * window. Exact by dynamic programming over subsets (Held and Karp 1962, with the windows of Desrochers and Soumis 1988):
 * of all ways to have served a set of households and to stand at the last of them, only the earliest has to be kept,
 * since leaving earlier never arrives later.
 *
 * @param visits in the order in which they are made
 * @param missed households that no order reaches in their window along with the others
 * @param homeMinute back where the day began
 * @param travelMinutes on the road altogether
 */
public record Round(List<Visit> visits, List<Stop> missed, int homeMinute, int travelMinutes) {
    /** More are not done in a day, and the exact search is not meant for more. */
    public static final int MOST_STOPS = 8;
    private static final int NEVER = Integer.MAX_VALUE;
    private static final int MIDNIGHT = 24 * 60;

    public Round {
        visits = List.copyOf(visits);
        missed = List.copyOf(missed);
    }

    /**
     * A household to visit.
     *
     * @param minutes there
     * @param fromMinute when somebody is at home, after midnight
     * @param untilMinute latest beginning
     */
    public record Stop(long id, String name, int minutes, int fromMinute, int untilMinute) {
        public Stop {
            Require.inRange("minutes there", minutes, 1, 900);
            Require.inRange("earliest beginning", fromMinute, 0, MIDNIGHT);
            Require.inRange("latest beginning", untilMinute, fromMinute, MIDNIGHT);
        }
    }

    /** @param waitMinutes at the door until somebody is at home */
    public record Visit(Stop stop, int travelMinutes, int waitMinutes, int beginMinute) {
        public int endMinute() {
            return beginMinute + stop.minutes();
        }
    }

    /**
     * The best order: of those that serve the most households, the one that comes home first.
     *
     * @param travelMinutes between any two, in the order of the stops; the last row and column are where the day begins
     */
    public static Round best(List<Stop> stops, int[][] travelMinutes, int departMinute) {
        int n = stops.size();
        Require.inRange("households in a day", n, 0, MOST_STOPS);
        Require.inRange("departure", departMinute, 0, MIDNIGHT);
        if (travelMinutes.length != n + 1 || Arrays.stream(travelMinutes)
                .anyMatch(row -> row.length != n + 1 || Arrays.stream(row).anyMatch(minutes -> minutes < 0 || minutes > 600))) {
            throw new IllegalArgumentException("travel minutes are a square of " + (n + 1) + " rows, each from 0 to 600");
        }
        int[][] end = new int[1 << n][n];
        int[][] before = new int[1 << n][n];
        Arrays.stream(end).forEach(row -> Arrays.fill(row, NEVER));
        for (int set = 1; set < 1 << n; set++) {
            for (int last = 0; last < n; last++) {
                if ((set & 1 << last) != 0) {
                    extend(stops, travelMinutes, departMinute, end, before, set, last);
                }
            }
        }
        int bestSet = 0;
        int bestLast = -1;
        int bestHome = departMinute;
        for (int set = 1; set < 1 << n; set++) {
            for (int last = 0; last < n; last++) {
                if (end[set][last] != NEVER) {
                    int home = end[set][last] + travelMinutes[last][n];
                    int more = Integer.bitCount(set) - Integer.bitCount(bestSet);
                    if (more > 0 || more == 0 && home < bestHome) {
                        bestSet = set;
                        bestLast = last;
                        bestHome = home;
                    }
                }
            }
        }
        return walkBack(stops, travelMinutes, departMinute, before, bestSet, bestLast, bestHome);
    }

    private static void extend(List<Stop> stops, int[][] travel, int depart, int[][] end, int[][] before, int set, int last) {
        int rest = set & ~(1 << last);
        int home = stops.size();
        for (int previous = rest == 0 ? home : 0; previous <= home; previous++) {
            boolean there = previous == home ? rest == 0 : (rest & 1 << previous) != 0 && end[rest][previous] != NEVER;
            if (there) {
                int left = previous == home ? depart : end[rest][previous];
                int begin = Math.max(left + travel[previous][last], stops.get(last).fromMinute());
                if (begin <= stops.get(last).untilMinute() && begin + stops.get(last).minutes() < end[set][last]) {
                    end[set][last] = begin + stops.get(last).minutes();
                    before[set][last] = previous;
                }
            }
        }
    }

    private static Round walkBack(List<Stop> stops, int[][] travel, int depart, int[][] before, int bestSet, int bestLast, int home) {
        List<Integer> order = new ArrayList<>();
        int set = bestSet;
        for (int at = bestLast; at != -1 && at != stops.size();) {
            order.add(0, at);
            int previous = before[set][at];
            set &= ~(1 << at);
            at = previous;
        }
        List<Visit> visits = new ArrayList<>();
        int clock = depart;
        int from = stops.size();
        int road = 0;
        for (int at : order) {
            int arrive = clock + travel[from][at];
            int begin = Math.max(arrive, stops.get(at).fromMinute());
            visits.add(new Visit(stops.get(at), travel[from][at], begin - arrive, begin));
            road += travel[from][at];
            clock = begin + stops.get(at).minutes();
            from = at;
        }
        List<Stop> missed = new ArrayList<>();
        for (int i = 0; i < stops.size(); i++) {
            if ((bestSet & 1 << i) == 0) {
                missed.add(stops.get(i));
            }
        }
        return new Round(visits, missed, home, order.isEmpty() ? 0 : road + travel[from][stops.size()]);
    }
}
