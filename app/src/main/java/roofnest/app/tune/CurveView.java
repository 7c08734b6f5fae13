package roofnest.app.tune;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.stream.DoubleStream;
import java.util.stream.IntStream;
import java.util.stream.Stream;

import roofnest.app.web.Form;
import roofnest.core.judge.ComingsAndGoings;
import roofnest.core.lang.Numbers;
import roofnest.core.week.DayCurve;
import roofnest.core.week.Rates;
import roofnest.core.week.SourceKind;
import roofnest.core.week.Week;

/**
 * How often something comes by the hour, to be drawn.
 *
 * @param said where the curve comes from, and how many a day it makes
 * @param most at the top of the drawing, events an hour
 * @param drawn whether somebody drew it
 */
record CurveView(String name, String value, String said, double most, List<Chart> charts, List<Hour> hours, List<Kind> kinds, boolean drawn,
        int version) {
    static final double WIDTH = 480;
    static final double HEIGHT = 140;
    /** Above the highest hour there is so much room to draw higher. */
    private static final double ROOM = 1.6;
    private static final double LEAST_TOP = 0.5;
    private static final double HOUR = WIDTH / Week.HOURS_A_DAY;

    record Kind(String value, String name, boolean now, boolean drawn) {}

    record Bar(int hour, double x, double y, double height) {}

    /** @param field its hours begin with. @param usual the outline of the ordinary day */
    record Chart(String field, String name, String usual, List<Bar> bars, List<Grid> grid) {}

    record Grid(double y, String label) {}

    record Hour(String name, String weekday, String weekend) {}

    static CurveView of(ComingsAndGoings comings, int version, Rates rates, SourceKind kind) {
        DayCurve usual = rates.curve(kind, rates.aWeekday(kind, comings.house()));
        DayCurve now = now(comings, rates, kind);
        double most = nice(Math.max(LEAST_TOP, ROOM * Stream.of(usual, now).flatMap(each -> Stream.of(each.weekday(), each.weekend()))
                .flatMap(List::stream).mapToDouble(each -> each).max().orElse(0)));
        boolean drawn = comings.curves().containsKey(kind);
        String said = (drawn ? "As it was drawn for this house" : comings.aWeekday().containsKey(kind)
                ? "At the rate that was said of this house, at ordinary hours" : "Ordinary, as for " + comings.house().words()) + ": "
                + times(now.aWeekday()) + " on a weekday, " + times(now.aWeekendDay()) + " on a day of the weekend.";
        return new CurveView(kind.words(), kind.name(), said, most,
                List.of(chart("wd-", "A weekday", usual.weekday(), now.weekday(), most),
                        chart("we-", "Saturday and Sunday", usual.weekend(), now.weekend(), most)),
                IntStream.range(0, Week.HOURS_A_DAY).mapToObj(hour -> new Hour(String.format(Locale.ROOT, "%02d–%02d", hour, hour + 1),
                        typed(now.weekday().get(hour)), typed(now.weekend().get(hour)))).toList(),
                Stream.of(SourceKind.values()).map(each -> new Kind(each.name(), each.words(), each == kind,
                        comings.curves().containsKey(each))).toList(),
                drawn, version);
    }

    private static DayCurve now(ComingsAndGoings comings, Rates rates, SourceKind kind) {
        double aWeekday = comings.aWeekday().getOrDefault(kind, rates.aWeekday(kind, comings.house()));
        return comings.curves().containsKey(kind) ? comings.curves().get(kind).at(aWeekday) : rates.curve(kind, aWeekday);
    }

    private static String times(double aDay) {
        return Numbers.plain(Math.round(aDay * 10) / 10.0) + (aDay == 1 ? " time" : " times");
    }

    private static String typed(double events) {
        return Numbers.plain(Math.round(events * 100) / 100.0);
    }

    /** The next of 1, 2, 5 times a power of ten. */
    private static double nice(double top) {
        double ten = Math.pow(10, Math.floor(Math.log10(top)));
        return DoubleStream.of(1, 2, 5, 10).map(times -> times * ten).filter(each -> each >= top - 1e-9).findFirst().orElse(top);
    }

    private static Chart chart(String field, String name, List<Double> usual, List<Double> now, double most) {
        List<Bar> bars = new ArrayList<>();
        StringBuilder outline = new StringBuilder("M0 " + HEIGHT);
        for (int hour = 0; hour < Week.HOURS_A_DAY; hour++) {
            double height = HEIGHT * Math.min(1, now.get(hour) / most);
            bars.add(new Bar(hour, hour * HOUR, HEIGHT - height, height));
            outline.append(String.format(Locale.ROOT, "V%.1fH%.1f", HEIGHT * (1 - Math.min(1, usual.get(hour) / most)), (hour + 1) * HOUR));
        }
        return new Chart(field, name, outline + "V" + HEIGHT, bars, IntStream.rangeClosed(0, 2)
                .mapToObj(i -> new Grid(HEIGHT * (1 - i / 2.0), Numbers.plain(most * i / 2))).toList());
    }

    /** What was drawn or typed. */
    static DayCurve read(Form form) {
        List<Double> weekday = read(form, "wd-", "on a weekday");
        List<Double> weekend = read(form, "we-", "at the weekend");
        List<Double> none = IntStream.range(0, Week.HOURS_A_DAY).mapToObj(hour -> 0.0).toList();
        Stream.of("wd-", "we-").filter(field -> (field.equals("wd-") ? weekday : weekend).stream().mapToDouble(each -> each)
                .sum() > Rates.MOST_A_DAY).forEach(field -> form.fault(field + "0", "Together they are more than "
                        + Numbers.plain(Rates.MOST_A_DAY) + " a day."));
        return form.ok() ? new DayCurve(weekday, weekend) : new DayCurve(none, none);
    }

    private static List<Double> read(Form form, String field, String when) {
        return IntStream.range(0, Week.HOURS_A_DAY)
                .mapToObj(hour -> form.decimal(field + hour, "how often " + when + " from " + hour + " to "
                        + (hour + 1) + ",", 0, Rates.MOST_AN_HOUR, "times"))
                .toList();
    }
}
