package roofnest.app.visit;

import java.time.OffsetDateTime;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;

import roofnest.app.web.BarChart;
import roofnest.core.visit.Day;
import roofnest.core.visit.Task;

/**
 * A visit under way as its page shows it.
 *
 * @param head how far it is
 * @param end when it will be over, against the plan
 * @param then what comes next in the order of the new plan, and what comes later
 * @param done what is over, the newest first
 */
record DayView(
        String head, String end, boolean late, List<Card> inHand, List<Card> byItself, List<Card> now, List<Card> then, List<Card> later,
        List<Card> done, BarChart chart, double nowX, String startedBy) {
    private static final BarChart.Size SIZE = new BarChart.Size(104, 520, 9);
    /** As many of the next tasks are shown at once. */
    private static final int SHOWN = 5;
    private static final DateTimeFormatter CLOCK = DateTimeFormatter.ofPattern("HH:mm");

    /**
     * @param offWords of the button that lets go of it
     * @param canBegin whether all that it waits for is over
     * @param seen how far its taps are, for telling whether somebody else marked it since
     */
    record Card(String id, String what, String row, String when, String needs, String offWords, boolean overdue, boolean canBegin,
            boolean tapped, String seen, String begun, String handsOff, String over) {}

    static DayView of(Visits.Open open, ZoneId zone) {
        Day day = open.day();
        List<Card> done = new ArrayList<>();
        for (VisitRepository.Row row : open.rows()) {
            Day.Mark mark = open.marks().get(row.planned().task().id());
            if (mark.done().isPresent()) {
                done.add(0,
                        card(open, zone, row.planned().task(),
                                mark.done().get() > mark.begun().get()
                                        ? clock(open, zone, mark.begun().get()) + " to " + clock(open, zone, mark.done().get())
                                        : clock(open, zone, mark.done().get())));
            }
        }
        List<Card> then = day.left().stream().filter(placed -> day.now().stream().noneMatch(now -> now.id().equals(placed.task().id())))
                .map(placed -> card(open, zone, placed.task(), "about " + clock(open, zone, placed.startMinute()))).toList();
        int late = day.lateMinutes();
        String end = "It ends about " + clock(open, zone, day.finishMinute()) + ", planned " + clock(open, zone, day.plannedFinishMinute())
                + (late > 0 ? ": " + late + " min late." : late < 0 ? ": " + -late + " min early." : ": on time.");
        return new DayView(open.minute() + " min in, " + done.size() + " of " + open.rows().size() + " tasks over", end, late > 0,
                day.inHand().stream()
                        .map(task -> card(open, zone, task,
                                "since " + clock(open, zone, open.marks().get(task.id()).begun().get()) + ", usually "
                                        + task.handsOnMinutes() + " min"))
                        .toList(),
                day.byItself().stream().map(running -> byItself(open, zone, running)).toList(),
                day.now().stream()
                        .map(task -> card(open, zone, task,
                                task.handsOnMinutes() + " min"
                                        + (task.handsFreeMinutes() > 0 ? ", then " + task.handsFreeMinutes() + " by itself" : "")))
                        .toList(),
                then.subList(0, Math.min(SHOWN, then.size())), then.subList(Math.min(SHOWN, then.size()), then.size()), done, chart(open),
                SIZE.x(open.minute(), span(open)), open.visit().startedBy() + ", " + clock(open, zone, 0));
    }

    private static Card byItself(Visits.Open open, ZoneId zone, Day.Running running) {
        int left = running.untilMinute() - open.minute();
        String when = left > 0 ? "until about " + clock(open, zone, running.untilMinute()) + ", " + left + " min"
                : "should be over since " + clock(open, zone, running.untilMinute()) + ": look at it";
        Card card = card(open, zone, running.task(), when);
        return new Card(card.id(), card.what(), card.row(), when, "", "", left <= 0, false, true, card.seen(), card.begun(),
                card.handsOff(),
                card.over());
    }

    private static Card card(Visits.Open open, ZoneId zone, Task task, String when) {
        Task planned = open.rows().stream().map(row -> row.planned().task()).filter(each -> each.id().equals(task.id())).findFirst()
                .orElse(task);
        boolean canBegin = planned.after().stream().allMatch(id -> open.marks().get(id).done().isPresent());
        Optional<VisitRepository.Row> row
                = open.rows().stream().filter(each -> each.planned().task().id().equals(task.id())).findFirst();
        Visits.State state = row.map(Visits::state).orElse(Visits.State.OPEN);
        return new Card(task.id(), task.what(), task.row(), when,
                task.needs().stream().sorted().map(need -> need.name().toLowerCase(Locale.ROOT)).collect(Collectors.joining(" and ")),
                planned.handsFreeMinutes() > 0 ? "Hands off, it goes on by itself" : "Done", false, canBegin, state != Visits.State.OPEN,
                state.name(), time(row.map(VisitRepository.Row::begunAt), zone), time(row.map(VisitRepository.Row::handsOffAt), zone),
                time(row.map(VisitRepository.Row::doneAt), zone));
    }

    private static String time(Optional<OffsetDateTime> at, ZoneId zone) {
        return at.map(each -> each.atZoneSameInstant(zone).format(CLOCK)).orElse("");
    }

    private static int span(Visits.Open open) {
        return Math.max(Math.max(open.day().finishMinute(), open.day().plannedFinishMinute()), open.minute());
    }

    /** Planned in outline above, real filled below. */
    private static BarChart chart(Visits.Open open) {
        int span = span(open);
        List<String> names = open.rows().stream().map(row -> row.planned().task().row()).distinct()
                .sorted((a, b) -> Boolean.compare(b.equals("House"), a.equals("House"))).toList();
        List<BarChart.Bar> bars = new ArrayList<>();
        for (VisitRepository.Row row : open.rows()) {
            Task task = row.planned().task();
            double top = BarChart.TOP + BarChart.ROW * names.indexOf(task.row()) + 3;
            bar(bars, "planned", row.planned().startMinute(), row.planned().handsOffMinute(), top, span, "planned: " + task.what());
            Day.Mark mark = open.marks().get(task.id());
            if (mark.begun().isPresent()) {
                int off = mark.handsOff().orElse(open.minute());
                bar(bars, "hands", mark.begun().get(), off, top + 12, span, task.what());
                if (mark.handsOff().isPresent()) {
                    bar(bars, "free", off, mark.done().orElse(open.minute()), top + 12, span, task.what() + ", by itself");
                }
            }
        }
        return BarChart.of(names, span, 30, bars, SIZE);
    }

    private static void bar(List<BarChart.Bar> bars, String kind, int from, int to, double y, int span, String title) {
        double x = SIZE.x(from, span);
        bars.add(new BarChart.Bar(kind, x, y, Math.max(2, SIZE.x(to, span) - x), 10, "", title));
    }

    private static String clock(Visits.Open open, ZoneId zone, int minute) {
        return open.visit().startedAt().plusMinutes(minute).atZoneSameInstant(zone).format(CLOCK);
    }
}
