package roofnest.app.web;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/**
 * Bars on a clock, a row for each thing, in the drawing's own units.
 *
 * @param rows names at the left
 * @param ticks of the clock
 */
public record BarChart(double width, double height, List<RowName> rows, List<Tick> ticks, List<Bar> bars) {
    public static final double ROW = 30;
    public static final double TOP = 22;

    public record RowName(String name, double y) {}

    public record Tick(String label, double x) {}

    /** @param kind the style it is drawn in @param number upon it; empty for none */
    public record Bar(String kind, double x, double y, double width, double height, String number, String title) {}

    /** Room for names at the left, and the clock's length. */
    public record Size(double left, double width, int mostTicks) {
        public double x(double minute, int minutes) {
            return left + minute * width / Math.max(1, minutes);
        }
    }

    /** @param tickMinutes between two ticks; a multiple when there would be too many */
    public static BarChart of(List<String> names, int minutes, int tickMinutes, List<Bar> bars, Size size) {
        List<RowName> rows = new ArrayList<>();
        for (String name : names) {
            rows.add(new RowName(name, TOP + ROW * rows.size() + 20));
        }
        List<Tick> ticks = new ArrayList<>();
        int step = tickMinutes * Math.max(1, (int) Math.ceil(minutes / (double) tickMinutes / size.mostTicks()));
        for (int at = 0; at <= minutes; at += step) {
            ticks.add(new Tick(hours(at), size.x(at, minutes)));
        }
        return new BarChart(size.left() + size.width() + 24, TOP + ROW * names.size() + 6, rows, ticks, bars);
    }

    /** Minutes as hours and minutes, "1:05". */
    public static String hours(int minutes) {
        return String.format(Locale.ROOT, "%d:%02d", minutes / 60, minutes % 60);
    }
}
