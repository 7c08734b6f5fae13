package roofnest.core.week;

import java.util.Arrays;
import java.util.List;

import roofnest.core.lang.Require;
import roofnest.core.plan.Walk;

/**
 * What comes by, how often, and on which ways.
 *
 * @param byHour events in each hour of the week, Monday from midnight first
 * @param ways empty for what stirs before the camera itself, and for what the plan gives no way to
 */
public record Source(SourceKind kind, double[] byHour, List<Way> ways) {
    /**
     * One way.
     *
     * @param share of the source's events that take it; ways back are besides, so that the sum may be two
     * @param asideM to the right of the drawn line, metres
     * @param toPlace id of the place that somebody arrives at by it; empty for all others
     */
    public record Way(String id, String name, Walk walk, double share, double asideM, String toPlace) {
        public Way {
            Require.inRange("share of a way", share, 0, 2);
            Require.finite("metres aside", asideM);
        }

        public boolean arrives() {
            return !toPlace.isEmpty();
        }
    }

    public Source {
        Require.inRange("hours of a week", byHour.length, Week.HOURS, Week.HOURS);
        Arrays.stream(byHour).forEach(events -> Require.inRange("events in an hour", events, 0, Rates.MOST_A_DAY));
        byHour = byHour.clone();
        ways = List.copyOf(ways);
    }

    @Override
    public double[] byHour() {
        return byHour.clone();
    }

    double inHour(int hour) {
        return byHour[hour];
    }

    /** Events of a whole week. */
    public double aWeek() {
        return Arrays.stream(byHour).sum();
    }

    /** So many times as often. */
    public Source times(double factor) {
        return new Source(kind, Arrays.stream(byHour).map(events -> events * factor).toArray(), ways);
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof Source that && kind == that.kind && Arrays.equals(byHour, that.byHour) && ways.equals(that.ways);
    }

    @Override
    public int hashCode() {
        return 31 * kind.hashCode() + Arrays.hashCode(byHour);
    }

    @Override
    public String toString() {
        return kind + ", " + aWeek() + " a week";
    }
}
