package roofnest.core.judge;

import java.util.EnumMap;
import java.util.HashMap;
import java.util.Map;

import roofnest.core.lang.Require;
import roofnest.core.week.DayCurve;
import roofnest.core.week.HouseKind;
import roofnest.core.week.Rates;
import roofnest.core.week.SourceKind;

/**
 * What goes on about a house.
 *
 * @param house by which ordinary rates are looked up
 * @param aWeekday events on a weekday, of kinds of which somebody knows better
 * @param curves days by the hour that somebody drew; each at the rate that is said of its kind, else at its own
 */
public record ComingsAndGoings(HouseKind house, Map<SourceKind, Double> aWeekday, Map<SourceKind, DayCurve> curves) {
    /** Where nobody said anything. */
    public static final ComingsAndGoings USUAL = new ComingsAndGoings(HouseKind.LANE, Map.of());

    public ComingsAndGoings {
        Map<SourceKind, Double> said = new HashMap<>();
        curves.forEach((kind, curve) -> said.put(kind, curve.aWeekday()));
        said.putAll(aWeekday);
        aWeekday = Map.copyOf(said);
        curves = Map.copyOf(curves);
        aWeekday.values().forEach(events -> Require.inRange("events a day", events, 0, Rates.MOST_A_DAY));
    }

    /** With ordinary days. */
    public ComingsAndGoings(HouseKind house, Map<SourceKind, Double> aWeekday) {
        this(house, aWeekday, Map.of());
    }

    /** One kind by the hour as it was drawn. */
    public ComingsAndGoings drawn(SourceKind kind, DayCurve curve) {
        Map<SourceKind, DayCurve> more = new EnumMap<>(SourceKind.class);
        more.putAll(curves);
        more.put(kind, curve);
        Map<SourceKind, Double> said = new EnumMap<>(SourceKind.class);
        said.putAll(aWeekday);
        said.put(kind, curve.aWeekday());
        return new ComingsAndGoings(house, said, more);
    }

    /** One kind at the hours at which it ordinarily comes, as often as is said. */
    public ComingsAndGoings undrawn(SourceKind kind) {
        Map<SourceKind, DayCurve> fewer = new EnumMap<>(SourceKind.class);
        fewer.putAll(curves);
        fewer.remove(kind);
        return new ComingsAndGoings(house, aWeekday, fewer);
    }

    /** Other rates, at the same hours. */
    public ComingsAndGoings withRates(Map<SourceKind, Double> other) {
        return new ComingsAndGoings(house, other, curves);
    }
}
