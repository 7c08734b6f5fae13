package roofnest.core.week;

import java.util.List;
import java.util.stream.Stream;

import com.fasterxml.jackson.annotation.JsonIgnore;

import roofnest.core.lang.Require;

/**
 * How often something comes in each hour of a day, as somebody drew it.
 *
 * @param weekday events in each hour from midnight, 24 of them
 * @param weekend the same for Saturday and Sunday
 */
public record DayCurve(List<Double> weekday, List<Double> weekend) {
    public DayCurve {
        weekday = List.copyOf(weekday);
        weekend = List.copyOf(weekend);
        Require.inRange("hours of a weekday", weekday.size(), Week.HOURS_A_DAY, Week.HOURS_A_DAY);
        Require.inRange("hours of a day of the weekend", weekend.size(), Week.HOURS_A_DAY, Week.HOURS_A_DAY);
        Stream.concat(weekday.stream(), weekend.stream()).forEach(events -> Require.inRange("events in an hour", events, 0,
                Rates.MOST_AN_HOUR));
        Require.inRange("events on a weekday", sum(weekday), 0, Rates.MOST_A_DAY);
        Require.inRange("events on a day of the weekend", sum(weekend), 0, Rates.MOST_A_DAY);
    }

    private static double sum(List<Double> hours) {
        return hours.stream().mapToDouble(each -> each).sum();
    }

    /** Events of a weekday. */
    @JsonIgnore
    public double aWeekday() {
        return sum(weekday);
    }

    /** Events of a day of the weekend. */
    @JsonIgnore
    public double aWeekendDay() {
        return sum(weekend);
    }

    /** The same shape, at so many events on a weekday; a curve on whose weekdays nothing comes has no such shape and stays as it is. */
    public DayCurve at(double aWeekday) {
        double times = aWeekday() == 0 ? 1 : aWeekday / aWeekday();
        return new DayCurve(times(weekday, times), times(weekend, times));
    }

    private static List<Double> times(List<Double> hours, double times) {
        double most = Math.min(times, Rates.MOST_A_DAY / Math.max(1, sum(hours)));
        return hours.stream().map(events -> Math.min(Rates.MOST_AN_HOUR, events * most)).toList();
    }

    /** In each hour of the week, Monday from midnight first. */
    double[] byHour() {
        double[] hours = new double[Week.HOURS];
        for (int hour = 0; hour < hours.length; hour++) {
            hours[hour] = (hour >= Week.WEEKEND_FROM ? weekend : weekday).get(hour % Week.HOURS_A_DAY);
        }
        return hours;
    }
}
