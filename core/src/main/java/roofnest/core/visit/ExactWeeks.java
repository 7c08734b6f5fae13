package roofnest.core.visit;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * Few stops, exactly: what each set of them takes in one day by dynamic programming over subsets (Held and Karp 1962), and then the best
 * way to have served each set after so many days.
 */
final class ExactWeeks {
    /** Every subset of so many is gone through for every day. */
    static final int MOST = 11;
    private static final int NEVER = 100_000_000;
    /** One household more is worth any driving. */
    private static final int LEFT = 100_000;

    private final WeeksAhead ahead;
    private final int n;

    ExactWeeks(WeeksAhead ahead) {
        this.ahead = ahead;
        this.n = ahead.stops().size();
    }

    WeeksPlan best() {
        int sets = 1 << n;
        int[] dayEffort = dayEfforts();
        int slots = ahead.days() * ahead.vans();
        int[] best = new int[sets];
        Arrays.fill(best, NEVER);
        best[0] = 0;
        int[][] took = new int[slots][sets];
        for (int slot = 0; slot < slots; slot++) {
            int open = on(slot / ahead.vans());
            int[] before = best;
            best = before.clone();
            for (int set = 0; set < sets; set++) {
                if (before[set] < NEVER) {
                    for (int more = open & ~set; more > 0; more = more - 1 & open & ~set) {
                        int effort = before[set] + dayEffort[more];
                        if (effort < best[set | more]) {
                            best[set | more] = effort;
                            took[slot][set | more] = more;
                        }
                    }
                }
            }
        }
        int served = 0;
        for (int set = 0; set < sets; set++) {
            served = best[set] + LEFT * (n - Integer.bitCount(set)) < best[served] + LEFT * (n - Integer.bitCount(served)) ? set : served;
        }
        List<WeeksPlan.DayOut> daysOut = new ArrayList<>();
        int set = served;
        for (int slot = slots - 1; slot >= 0; slot--) {
            int here = took[slot][set];
            if (here != 0) {
                daysOut.add(0, ahead.dayOut(slot / ahead.vans(), members(here)));
                set &= ~here;
            }
        }
        return WeeksPlan.of(daysOut, members(~served & sets - 1), best[served]);
    }

    private int on(int day) {
        int open = 0;
        for (int i = 0; i < n; i++) {
            open |= ahead.stops().get(i).on(day) ? 1 << i : 0;
        }
        return open;
    }

    /** What each set takes on a day of its own; {@link #NEVER} where it does not fit into one. */
    private int[] dayEfforts() {
        int sets = 1 << n;
        int[][] road = new int[sets][n];
        int[] effort = new int[sets];
        Arrays.fill(effort, NEVER);
        for (int set = 1; set < sets; set++) {
            int home = NEVER;
            int there = 0;
            boolean ladder = false;
            for (int last = 0; last < n; last++) {
                if ((set & 1 << last) != 0) {
                    road[set][last] = to(road, set & ~(1 << last), last);
                    home = Math.min(home, road[set][last] + ahead.travel(last, n));
                    there += ahead.stops().get(last).minutes();
                    ladder |= ahead.stops().get(last).ladder();
                }
            }
            if (Integer.bitCount(set) <= Round.MOST_STOPS && home + there <= ahead.dayMinutes()) {
                effort[set] = home + WeeksAhead.DAY_OUT_MINUTES + (ladder ? WeeksAhead.LADDER_MINUTES : 0);
            }
        }
        return effort;
    }

    private int to(int[][] road, int before, int last) {
        int shortest = before == 0 ? ahead.travel(n, last) : NEVER;
        for (int i = 0; i < n; i++) {
            if ((before & 1 << i) != 0) {
                shortest = Math.min(shortest, road[before][i] + ahead.travel(i, last));
            }
        }
        return shortest;
    }

    private List<Integer> members(int set) {
        List<Integer> members = new ArrayList<>();
        for (int i = 0; i < n; i++) {
            if ((set & 1 << i) != 0) {
                members.add(i);
            }
        }
        return members;
    }
}
