package roofnest.core.judge;

import java.util.Map;

import roofnest.core.lang.Require;
import roofnest.core.week.HouseKind;
import roofnest.core.week.Rates;
import roofnest.core.week.SourceKind;

/**
 * What goes on about a house.
 *
 * @param house by which ordinary rates are looked up
 * @param aWeekday events on a weekday, of kinds of which somebody knows better
 */
public record ComingsAndGoings(HouseKind house, Map<SourceKind, Double> aWeekday) {
    /** Where nobody said anything. */
    public static final ComingsAndGoings USUAL = new ComingsAndGoings(HouseKind.LANE, Map.of());

    public ComingsAndGoings {
        aWeekday = Map.copyOf(aWeekday);
        aWeekday.values().forEach(events -> Require.inRange("events a day", events, 0, Rates.MOST_A_DAY));
    }
}
