package roofnest.core.visit;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;

/**
 * What no plan can go under. The vans that have to go out are counted from the stops that have to be reached between any two days. So many
 * rounds from one yard are one way through all stops and as many copies of the yard, which are never next to one another, and that way is
 * no shorter than its least 1-tree, whatever each place is charged besides (Held and Karp, "The traveling-salesman problem and minimum
 * spanning trees", part II, 1971). Two stops that cannot be reached by one van on one day are never next to one another either. More rounds
 * are looked at too, until they take more for their ways from the yard alone.
 */
final class WeeksBound {
    private static final int ASCENTS = 250;
    private static final double FIRST_STEP = 2;
    private static final double LEAST_STEP = 0.01;
    /** Ascents without a better bound after which they step by half as much. */
    private static final int PATIENCE = 8;
    private static final double ROUNDING = 1e-6;
    /** Two places that are never next to one another. */
    private static final double NEVER = 100_000;

    private final WeeksAhead ahead;
    private final List<Integer> stops;
    /** The shortest way to each stop from any place, and the shortest home from any. */
    private final int[] shortestTo;
    private final int shortestHome;

    /** @param stops those that are served */
    WeeksBound(WeeksAhead ahead, List<Integer> stops) {
        this.ahead = ahead;
        this.stops = List.copyOf(stops);
        this.shortestTo = new int[ahead.stops().size()];
        for (int i : stops) {
            shortestTo[i] = stops.stream().filter(j -> j != i).mapToInt(j -> ahead.travel(j, i)).reduce(ahead.travel(ahead.yard(), i),
                    Math::min);
        }
        this.shortestHome = stops.stream().mapToInt(i -> ahead.travel(i, ahead.yard())).min().orElse(0);
    }

    /** @param effort of a plan that serves them: the search for a bound steps by how far it is */
    int minutes(int effort) {
        if (stops.isEmpty()) {
            return 0;
        }
        int ladders = vansOut(stops.stream().filter(i -> ahead.stops().get(i).ladder()).toList()) * WeeksAhead.LADDER_MINUTES;
        return ladders + road(Math.min(vansOut(stops), stops.size()), effort - ladders);
    }

    /** How many vans have to go out for these at least. */
    int vansOut(List<Integer> some) {
        int[] out = new int[ahead.days()];
        for (int until = 0; until < ahead.days(); until++) {
            for (int from = until; from >= 0; from--) {
                int first = from;
                int last = until;
                List<Integer> within = some.stream().filter(i -> ahead.stops().get(i).fromDay() >= first && ahead.stops().get(i)
                        .untilDay() <= last).toList();
                int missing = needed(within) - Arrays.stream(out, from, until + 1).sum();
                for (int day = until; day >= from && missing > 0; day--) {
                    int more = Math.min(missing, ahead.vans() - out[day]);
                    out[day] += more;
                    missing -= more;
                }
            }
        }
        return Arrays.stream(out).sum();
    }

    /** Vans for so many stops, by their number, and by their minutes with the shortest way to each and home. */
    private int needed(List<Integer> within) {
        if (within.isEmpty()) {
            return 0;
        }
        // Each is driven to once, from wherever, and each van drives home.
        int minutes = within.stream().mapToInt(i -> ahead.stops().get(i).minutes() + shortestTo[i]).sum();
        int byCount = (within.size() + Round.MOST_STOPS - 1) / Round.MOST_STOPS;
        int room = ahead.dayMinutes() - shortestHome;
        return room <= 0 ? byCount : Math.max(byCount, (minutes + room - 1) / room);
    }

    /** Minutes on the road and of days out. @param least rounds that there are at least */
    private int road(int least, int upper) {
        if (stops.size() == 1) {
            return 2 * ahead.travel(ahead.yard(), stops.get(0)) + WeeksAhead.DAY_OUT_MINUTES;
        }
        int[] fromYard = stops.stream().mapToInt(i -> ahead.travel(ahead.yard(), i)).sorted().toArray();
        int[] to = stops.stream().mapToInt(i -> shortestTo[i]).sorted().toArray();
        double bound = upper;
        double[] charge = new double[stops.size()];
        for (int rounds = least; rounds <= stops.size() && crude(rounds, fromYard, to) < bound; rounds++) {
            bound = Math.min(bound,
                    rounds * WeeksAhead.DAY_OUT_MINUTES + ascend(rounds, charge, upper - rounds * WeeksAhead.DAY_OUT_MINUTES));
        }
        return (int) Math.ceil(bound - ROUNDING);
    }

    /** So many rounds have two ways from the yard each, and one way to each other stop; no stop has more than two. */
    private static int crude(int rounds, int[] fromYard, int[] to) {
        int minutes = rounds * WeeksAhead.DAY_OUT_MINUTES;
        for (int k = 0; k < 2 * rounds; k++) {
            minutes += fromYard[k / 2];
        }
        for (int k = 0; k < to.length - rounds; k++) {
            minutes += to[k];
        }
        return minutes;
    }

    /** @param first what each stop was charged for fewer rounds, to begin with; takes what it is charged now */
    private double ascend(int rounds, double[] first, double upper) {
        double[][] ways = ways(rounds);
        int n = ways.length;
        double[] charge = Arrays.copyOf(first, n);
        double best = 0;
        double step = FIRST_STEP;
        int since = 0;
        for (int ascent = 0; ascent < ASCENTS && best < upper - ROUNDING && step > LEAST_STEP; ascent++) {
            int[] degree = new int[n];
            double tree = oneTree(ways, charge, degree) - 2 * Arrays.stream(charge).sum();
            int off = Arrays.stream(degree).map(d -> (d - 2) * (d - 2)).sum();
            since++;
            if (tree > best + ROUNDING) {
                best = tree;
                since = 0;
                System.arraycopy(charge, 0, first, 0, first.length);
            }
            if (off == 0) {
                break;
            }
            if (since == PATIENCE) {
                step /= 2;
                since = 0;
            }
            double by = step * Math.max(upper - tree, 1) / off;
            for (int i = 0; i < n; i++) {
                charge[i] += by * (degree[i] - 2);
            }
        }
        return best;
    }

    /** Between stops, then copies of the yard. */
    private double[][] ways(int rounds) {
        int m = stops.size();
        double[][] ways = new double[m + rounds][m + rounds];
        for (int i = 0; i < m; i++) {
            for (int j = 0; j < m; j++) {
                ways[i][j] = together(stops.get(i), stops.get(j)) ? ahead.travel(stops.get(i), stops.get(j)) : NEVER;
            }
            for (int copy = m; copy < m + rounds; copy++) {
                ways[i][copy] = ahead.travel(stops.get(i), ahead.yard());
                ways[copy][i] = ways[i][copy];
            }
        }
        for (int i = m; i < m + rounds; i++) {
            Arrays.fill(ways[i], m, m + rounds, NEVER);
        }
        return ways;
    }

    /** Whether one van can reach both on one day. */
    private boolean together(int i, int j) {
        WeeksAhead.Stop one = ahead.stops().get(i);
        WeeksAhead.Stop other = ahead.stops().get(j);
        return one.fromDay() <= other.untilDay() && other.fromDay() <= one.untilDay()
                && ahead.travel(ahead.yard(), i) + one.minutes() + ahead.travel(i, j) + other.minutes() + ahead.travel(j, ahead
                        .yard()) <= ahead.dayMinutes();
    }

    /** Least tree over all places but the last (Prim 1957), and the two shortest ways from that. @param degree of each place */
    private static double oneTree(double[][] ways, double[] charge, int[] degree) {
        int n = charge.length;
        int last = n - 1;
        double[] nearest = new double[last];
        int[] by = new int[last];
        boolean[] in = new boolean[last];
        Arrays.fill(nearest, Double.POSITIVE_INFINITY);
        nearest[0] = 0;
        by[0] = -1;
        double sum = 0;
        for (int k = 0; k < last; k++) {
            int next = -1;
            for (int i = 0; i < last; i++) {
                next = !in[i] && (next == -1 || nearest[i] < nearest[next]) ? i : next;
            }
            in[next] = true;
            sum += nearest[next];
            if (by[next] >= 0) {
                degree[next]++;
                degree[by[next]]++;
            }
            for (int i = 0; i < last; i++) {
                double way = in[i] ? Double.POSITIVE_INFINITY : ways[next][i] + charge[next] + charge[i];
                if (way < nearest[i]) {
                    nearest[i] = way;
                    by[i] = next;
                }
            }
        }
        List<Integer> others = new ArrayList<>();
        for (int i = 0; i < last; i++) {
            others.add(i);
        }
        others.sort(Comparator.comparingDouble(i -> ways[last][i] + charge[i]));
        for (int i : others.subList(0, Math.min(2, others.size()))) {
            sum += ways[last][i] + charge[last] + charge[i];
            degree[i]++;
            degree[last]++;
        }
        return sum;
    }
}
