package roofnest.core.visit;

import java.util.List;

/**
 * Days on which vans go out, the earliest first.
 *
 * @param left numbers of stops that no day had room for
 * @param effort in minutes, as {@link WeeksAhead} counts it, without those that are left
 * @param bound no plan that serves the same stops takes less; equal to the effort where this one is proved to be the best
 */
public record WeeksPlan(List<DayOut> daysOut, List<Integer> left, int effort, int bound) {
    private static final double WHOLE = 100;

    public WeeksPlan {
        daysOut = List.copyOf(daysOut);
        left = List.copyOf(left);
        if (bound > effort) {
            throw new IllegalArgumentException("a bound of " + bound + " lies over the plan, which takes " + effort);
        }
    }

    /**
     * One van on one day.
     *
     * @param stops their numbers, in the order in which they are driven to
     * @param minutes from leaving until back
     */
    public record DayOut(int day, List<Integer> stops, int travelMinutes, int minutes, boolean ladder) {
        public DayOut {
            stops = List.copyOf(stops);
        }

        int effort() {
            return travelMinutes + WeeksAhead.DAY_OUT_MINUTES + (ladder ? WeeksAhead.LADDER_MINUTES : 0);
        }
    }

    /** How far the search is. @param effort of the best plan so far. @param left households that it does not reach */
    public record Progress(int effort, int bound, int left) {}

    public int travelMinutes() {
        return daysOut.stream().mapToInt(DayOut::travelMinutes).sum();
    }

    public boolean proved() {
        return effort == bound;
    }

    /** By how much another plan could take less at most, of a hundred. */
    public double gapPercent() {
        return effort == 0 ? 0 : WHOLE * (effort - bound) / effort;
    }

    static WeeksPlan of(List<DayOut> daysOut, List<Integer> left, int bound) {
        int effort = daysOut.stream().mapToInt(DayOut::effort).sum();
        return new WeeksPlan(daysOut, left, effort, Math.min(bound, effort));
    }
}
