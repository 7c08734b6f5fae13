package roofnest.app.ready;

import java.time.LocalDateTime;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;

import roofnest.core.lang.Numbers;
import roofnest.core.visit.Learned;
import roofnest.core.visit.Task;
import roofnest.core.visit.Timeline;

/**
 * The visit's hours and the charging before it, drawn.
 *
 * @param title how long it takes, in a sentence
 * @param saved against the straight order, in a sentence
 * @param charging when it has to begin, in a sentence
 */
record HoursView(
        String title, String saved, Chart visit, List<StepRow> steps, List<String> learned, Chart packs, String charging, boolean late, Hours.Asked asked) {
    /** Room for names at the left, and the clock's length, of the wide drawing and of the one in the side column. */
    private static final double LEFT = 132;
    private static final double WIDTH = 760;
    private static final double SIDE_LEFT = 84;
    private static final double SIDE_WIDTH = 270;
    private static final int MOST_TICKS = 12;
    private static final int SIDE_TICKS = 5;
    private static final double ROW = 30;
    private static final double TOP = 22;
    private static final DateTimeFormatter WHEN = DateTimeFormatter.ofPattern("EEEE d MMMM, HH:mm", Locale.ENGLISH);

    /** @param rows names at the left @param ticks of the clock */
    record Chart(double width, double height, List<RowName> rows, List<Tick> ticks, List<Bar> bars) {}

    record RowName(String name, double y) {}

    record Tick(String label, double x) {}

    /** @param kind {@code hands}, {@code second} installer's, or {@code free} @param number of its step; empty on what runs by itself */
    record Bar(String kind, double x, double y, double width, double height, String number, String title) {}

    /** @param who empty with one installer */
    record StepRow(int number, String at, String what, String row, String minutes, String who, String needs) {}

    static HoursView of(Hours.Planned planned, Hours.Asked asked) {
        Timeline shortest = planned.shortest();
        int saved = planned.straight().finishMinutes() - shortest.finishMinutes();
        String title = "The visit takes " + clock(shortest.finishMinutes()) + " h" + (planned.installers() > 1 ? " with two" : "");
        String proof = shortest.proved() ? "no order is shorter" : "at best " + clock(shortest.boundMinutes()) + " h could be reached";
        String against = saved <= 0 ? "Straight on takes as long; " + proof + "." : saved + " min less than one thing after another (" + clock(planned.straight().finishMinutes()) + " h), by working while things boot, join and update; " + proof + ".";
        return new HoursView(title, against, visit(shortest, planned.installers()), steps(shortest, planned.installers()),
                planned.learned().entrySet().stream().sorted(Map.Entry.comparingByKey()).map(entry -> learned(entry.getKey(), entry.getValue())).toList(),
                packs(planned), charging(planned, asked), planned.late(), asked);
    }

    private static String learned(String camera, Learned learned) {
        return camera + ": joining about " + Numbers.fixed(learned.minutes(), 0) + " min, " + (learned.runs() == 0 ? "by the catalogue" : "by " + learned.runs() + (learned.runs() == 1 ? " run" : " runs") + " of ours and the catalogue");
    }

    private static String charging(Hours.Planned planned, Hours.Asked asked) {
        if (planned.startBy().isEmpty()) {
            return "No pack has to be charged for this visit.";
        }
        LocalDateTime start = planned.startBy().get();
        String by = "All packs are full after " + clock(planned.charging().minutesNeeded()) + " h on " + asked.chargers() + (asked.chargers() == 1 ? " charger" : " chargers") + ". ";
        return by + (planned.late() ? "That had to begin on " + WHEN.format(start) + ": they will not all be full when the van leaves on " + WHEN.format(planned.leave()) + "."
                : "Begin by " + WHEN.format(start) + ", to leave on " + WHEN.format(planned.leave()) + ".");
    }

    private static List<StepRow> steps(Timeline timeline, int installers) {
        List<StepRow> rows = new ArrayList<>();
        for (Timeline.Placed placed : timeline.placed()) {
            Task task = placed.task();
            String minutes = task.handsOnMinutes() + " min" + (task.handsFreeMinutes() > 0 ? ", then " + task.handsFreeMinutes() + " by itself" : "");
            String needs = String.join(" and ", task.needs().stream().sorted().map(need -> need.name().toLowerCase(Locale.ROOT)).toList());
            rows.add(new StepRow(rows.size() + 1, clock(placed.startMinute()), task.what(), task.row(), minutes, installers == 1 ? "" : placed.installer() == 0 ? "first" : "second", needs));
        }
        return rows;
    }

    private static Chart visit(Timeline timeline, int installers) {
        List<String> names = timeline.placed().stream().map(placed -> placed.task().row()).distinct().sorted((a, b) -> Boolean.compare(b.equals("House"), a.equals("House"))).toList();
        double perMinute = WIDTH / Math.max(1, timeline.finishMinutes());
        List<Bar> bars = new ArrayList<>();
        int number = 0;
        for (Timeline.Placed placed : timeline.placed()) {
            number++;
            double y = TOP + ROW * names.indexOf(placed.task().row()) + 4;
            double x = LEFT + placed.startMinute() * perMinute;
            double handsOn = placed.task().handsOnMinutes() * perMinute;
            bars.add(new Bar(placed.installer() == 0 || installers == 1 ? "hands" : "second", x, y, handsOn, ROW - 8, handsOn > 15 ? String.valueOf(number) : "", placed.task().what()));
            if (placed.task().handsFreeMinutes() > 0) {
                bars.add(new Bar("free", x + handsOn, y, placed.task().handsFreeMinutes() * perMinute, ROW - 8, "", placed.task().what() + ", by itself"));
            }
        }
        return chart(names, timeline.finishMinutes(), 30, bars, LEFT, WIDTH, MOST_TICKS);
    }

    private static Chart packs(Hours.Planned planned) {
        Timeline timeline = planned.charging().timeline();
        List<String> names = new ArrayList<>();
        for (int charger = 1; charger <= planned.charging().chargers(); charger++) {
            names.add("Charger " + charger);
        }
        double perMinute = SIDE_WIDTH / Math.max(1, timeline.finishMinutes());
        List<Bar> bars = timeline.placed().stream().map(placed -> new Bar("charge", SIDE_LEFT + placed.startMinute() * perMinute, TOP + ROW * placed.installer() + 4,
                placed.task().handsOnMinutes() * perMinute - 2, ROW - 8, placed.task().row(), placed.task().what())).toList();
        return chart(names, timeline.finishMinutes(), 60, bars, SIDE_LEFT, SIDE_WIDTH, SIDE_TICKS);
    }

    private static Chart chart(List<String> names, int minutes, int tickMinutes, List<Bar> bars, double left, double width, int mostTicks) {
        List<RowName> rows = new ArrayList<>();
        for (String name : names) {
            rows.add(new RowName(name, TOP + ROW * rows.size() + 20));
        }
        List<Tick> ticks = new ArrayList<>();
        int step = tickMinutes * Math.max(1, (int) Math.ceil(minutes / (double) tickMinutes / mostTicks));
        for (int at = 0; at <= minutes; at += step) {
            ticks.add(new Tick(clock(at), left + at * width / Math.max(1, minutes)));
        }
        return new Chart(left + width + 24, TOP + ROW * names.size() + 6, rows, ticks, bars);
    }

    private static String clock(int minutes) {
        return String.format(Locale.ROOT, "%d:%02d", minutes / 60, minutes % 60);
    }
}
