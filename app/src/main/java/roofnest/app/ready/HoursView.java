package roofnest.app.ready;

import java.time.LocalDateTime;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;

import roofnest.app.web.BarChart;
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
        String title, String saved, BarChart visit, List<StepRow> steps, List<String> learned, BarChart packs, String charging,
        boolean late, Hours.Asked asked) {
    private static final BarChart.Size WIDE = new BarChart.Size(132, 760, 12);
    private static final BarChart.Size SIDE = new BarChart.Size(84, 270, 5);
    private static final DateTimeFormatter WHEN = DateTimeFormatter.ofPattern("EEEE d MMMM, HH:mm", Locale.ENGLISH);

    /** @param who empty with one installer */
    record StepRow(int number, String at, String what, String row, String minutes, String who, String needs) {}

    static HoursView of(Hours.Planned planned, Hours.Asked asked) {
        Timeline shortest = planned.shortest();
        int saved = planned.straight().finishMinutes() - shortest.finishMinutes();
        String title = "The visit takes " + BarChart.hours(shortest.finishMinutes()) + " h" + (planned.installers() > 1 ? " with two" : "");
        String proof
                = shortest.proved() ? "no order is shorter" : "at best " + BarChart.hours(shortest.boundMinutes()) + " h could be reached";
        String against = saved <= 0 ? "Straight on takes as long; " + proof + "." : saved + " min less than one thing after another ("
                + BarChart.hours(planned.straight().finishMinutes()) + " h), by working while things boot, join and update; " + proof + ".";
        return new HoursView(title, against, visit(shortest, planned.installers()), steps(shortest, planned.installers()),
                planned.learned().entrySet().stream().sorted(Map.Entry.comparingByKey())
                        .map(entry -> learned(entry.getKey(), entry.getValue())).toList(),
                packs(planned), charging(planned, asked), planned.late(), asked);
    }

    private static String learned(String camera, Learned learned) {
        return camera + ": joining about " + Numbers.fixed(learned.minutes(), 0) + " min, " + (learned.runs() == 0 ? "by the catalogue"
                : "by " + learned.runs() + (learned.runs() == 1 ? " run" : " runs") + " of ours and the catalogue");
    }

    private static String charging(Hours.Planned planned, Hours.Asked asked) {
        if (planned.startBy().isEmpty()) {
            return "No pack has to be charged for this visit.";
        }
        LocalDateTime start = planned.startBy().get();
        String by = "All packs are full after " + BarChart.hours(planned.charging().minutesNeeded()) + " h on " + asked.chargers()
                + (asked.chargers() == 1 ? " charger" : " chargers") + ". ";
        return by + (planned.late()
                ? "That had to begin on " + WHEN.format(start) + ": they will not all be full when the van leaves on "
                        + WHEN.format(planned.leave()) + "."
                : "Begin by " + WHEN.format(start) + ", to leave on " + WHEN.format(planned.leave()) + ".");
    }

    private static List<StepRow> steps(Timeline timeline, int installers) {
        List<StepRow> rows = new ArrayList<>();
        for (Timeline.Placed placed : timeline.placed()) {
            Task task = placed.task();
            String minutes = task.handsOnMinutes() + " min"
                    + (task.handsFreeMinutes() > 0 ? ", then " + task.handsFreeMinutes() + " by itself" : "");
            String needs = String.join(" and ", task.needs().stream().sorted().map(need -> need.name().toLowerCase(Locale.ROOT)).toList());
            rows.add(new StepRow(rows.size() + 1, BarChart.hours(placed.startMinute()), task.what(), task.row(), minutes,
                    installers == 1 ? "" : placed.installer() == 0 ? "first" : "second", needs));
        }
        return rows;
    }

    private static BarChart visit(Timeline timeline, int installers) {
        List<String> names = timeline.placed().stream().map(placed -> placed.task().row()).distinct()
                .sorted((a, b) -> Boolean.compare(b.equals("House"), a.equals("House"))).toList();
        double perMinute = WIDE.width() / Math.max(1, timeline.finishMinutes());
        List<BarChart.Bar> bars = new ArrayList<>();
        int number = 0;
        for (Timeline.Placed placed : timeline.placed()) {
            number++;
            double y = BarChart.TOP + BarChart.ROW * names.indexOf(placed.task().row()) + 4;
            double x = WIDE.left() + placed.startMinute() * perMinute;
            double handsOn = placed.task().handsOnMinutes() * perMinute;
            bars.add(new BarChart.Bar(placed.installer() == 0 || installers == 1 ? "hands" : "second", x, y, handsOn, BarChart.ROW - 8,
                    handsOn > 15 ? String.valueOf(number) : "", placed.task().what()));
            if (placed.task().handsFreeMinutes() > 0) {
                bars.add(new BarChart.Bar("free", x + handsOn, y, placed.task().handsFreeMinutes() * perMinute, BarChart.ROW - 8, "",
                        placed.task().what() + ", by itself"));
            }
        }
        return BarChart.of(names, timeline.finishMinutes(), 30, bars, WIDE);
    }

    private static BarChart packs(Hours.Planned planned) {
        Timeline timeline = planned.charging().timeline();
        List<String> names = new ArrayList<>();
        for (int charger = 1; charger <= planned.charging().chargers(); charger++) {
            names.add("Charger " + charger);
        }
        double perMinute = SIDE.width() / Math.max(1, timeline.finishMinutes());
        List<BarChart.Bar> bars = timeline.placed().stream()
                .map(placed -> new BarChart.Bar("charge", SIDE.left() + placed.startMinute() * perMinute,
                        BarChart.TOP + BarChart.ROW * placed.installer() + 4,
                        placed.task().handsOnMinutes() * perMinute - 2, BarChart.ROW - 8, placed.task().row(), placed.task().what()))
                .toList();
        return BarChart.of(names, timeline.finishMinutes(), 60, bars, SIDE);
    }

}
