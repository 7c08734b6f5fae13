package roofnest.core.week;

import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;

import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVRecord;

import roofnest.core.lang.Require;

/** Ordinary comings and goings by kind of house ({@code rates.csv}), good to a factor of two; what is read on site wins. */
public final class Rates {
    /** No source is busier, events a day. */
    public static final double MOST_A_DAY = 20_000;
    /** Nor in one hour: one every second. */
    public static final double MOST_AN_HOUR = 3_600;

    private final Map<SourceKind, Row> rows = new EnumMap<>(SourceKind.class);

    private record Row(Profile profile, double weekendFactor, Map<HouseKind, Double> aDay) {}

    private Rates() {}

    /** Those that ship with the application. */
    public static Rates shipped() {
        Rates rates = new Rates();
        try (InputStream in = Rates.class.getResourceAsStream("/roofnest/rates.csv");
                InputStreamReader reader = new InputStreamReader(in, StandardCharsets.UTF_8)) {
            for (CSVRecord row : CSVFormat.DEFAULT.builder().setHeader().setSkipHeaderRecord(true).get().parse(reader)) {
                Map<HouseKind, Double> aDay = new EnumMap<>(HouseKind.class);
                for (HouseKind house : HouseKind.values()) {
                    aDay.put(house, Require.inRange("events a day", Double.parseDouble(row.get(house.name().toLowerCase(Locale.ROOT))), 0,
                            MOST_A_DAY));
                }
                rates.rows.put(SourceKind.valueOf(row.get("source").toUpperCase(Locale.ROOT)),
                        new Row(Profile.valueOf(row.get("profile").toUpperCase(Locale.ROOT)),
                                Require.inRange("weekend factor", Double.parseDouble(row.get("weekend_factor")), 0, 10), aDay));
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return rates;
    }

    public double aWeekday(SourceKind kind, HouseKind house) {
        return rows.get(kind).aDay().get(house);
    }

    public double weekendFactor(SourceKind kind) {
        return rows.get(kind).weekendFactor();
    }

    public Profile profile(SourceKind kind) {
        return rows.get(kind).profile();
    }

    /** Events in each hour of the week, Monday from midnight first. @param aWeekday events on a weekday */
    public double[] byHour(SourceKind kind, double aWeekday) {
        double[] hours = new double[Week.HOURS];
        for (int hour = 0; hour < hours.length; hour++) {
            double day = aWeekday * (hour >= Week.WEEKEND_FROM ? weekendFactor(kind) : 1);
            hours[hour] = day * profile(kind).share(hour % Week.HOURS_A_DAY);
        }
        return hours;
    }

    /** The ordinary curve of a day at a rate. @param aWeekday events on a weekday */
    public DayCurve curve(SourceKind kind, double aWeekday) {
        double[] hours = byHour(kind, aWeekday);
        return new DayCurve(hours(hours, 0), hours(hours, Week.WEEKEND_FROM));
    }

    private static List<Double> hours(double[] week, int from) {
        return Arrays.stream(week, from, from + Week.HOURS_A_DAY).map(events -> Math.min(MOST_AN_HOUR, events)).boxed().toList();
    }

    /**
     * What a firm has learned of houses of one kind, with the ordinary rate as if it were one house more: rates are multiplied rather than
     * added, so their logarithms are averaged.
     *
     * @param meanLog of the logarithms of what was said of its houses, events on a weekday
     * @param houses of which something was said, 1 or more
     */
    public double learned(SourceKind kind, HouseKind house, double meanLog, int houses) {
        Require.inRange("houses", houses, 1, 1_000_000);
        Require.finite("mean of the logarithms", meanLog);
        double usual = aWeekday(kind, house);
        return Math.min(MOST_A_DAY, usual == 0 ? Math.exp(meanLog) : Math.exp((meanLog * houses + Math.log(usual)) / (houses + 1)));
    }
}
