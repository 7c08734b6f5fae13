package roofnest.app.visit;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.time.format.TextStyle;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

import roofnest.core.lang.Numbers;
import roofnest.core.visit.Errand;
import roofnest.core.visit.WeeksPlan;

/**
 * The coming weeks, day by day.
 *
 * @param sure how good the plan is, and by what that is known
 * @param facts what it is made of
 * @param left households that no day had room for
 */
record WeeksView(String head, String sure, List<String> facts, List<Day> days, List<String> left, List<String> elsewhere, Chart chart,
        int weeks, int vans, int minutes, List<Workday> workdays, String from, String until) {
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("EEEE d MMMM", Locale.ENGLISH);
    private static final DateTimeFormatter SHORT = DateTimeFormatter.ofPattern("d MMM", Locale.ENGLISH);
    private static final int MINUTES_AN_HOUR = 60;
    private static final int MOST_DRAWN = 60;
    private static final double NAMES = 170;
    private static final double WIDTH = 820;
    private static final double TOP = 26;
    private static final double APART = 50;
    private static final double ROW = 18;

    /** @param open whether somebody of it is not on this day yet, so that it can be put there */
    record Day(String on, String title, String sums, String bring, List<Stop> stops, boolean open, boolean ladder) {}

    /** @param window the days on which it may be. @param booked whether it was set on this day already */
    record Stop(String path, String house, String what, String window, int minutes, boolean booked, boolean late, long id, int version) {}

    record Workday(String name, String words, boolean chosen) {}

    /** Households as rows, days across: when each may be reached, and when it is. */
    record Chart(double width, double height, List<Line> lines, List<Row> rows, int undrawn) {}

    /** @param words empty where the next one stands too near */
    record Line(double x, String words) {}

    /** @param at where it is put; NaN for one that is left */
    record Row(double y, String house, double from, double width, double at, boolean late, boolean booked, boolean ladder, String title) {}

    static WeeksView of(VisitWeeks.Prepared asked, WeeksPlan plan) {
        List<Day> days = plan.daysOut().stream().map(day -> day(asked, day)).toList();
        int ladders = (int) plan.daysOut().stream().filter(WeeksPlan.DayOut::ladder).count();
        int served = asked.errands().size() - plan.left().size();
        String head = asked.errands().isEmpty() ? "Nobody has to be reached in these weeks" : served + (served == 1 ? " visit" : " visits")
                + " on " + days.size() + (days.size() == 1 ? " day out" : " days out") + ", for " + asked.reasons() + (asked.reasons() == 1
                        ? " reason" : " reasons");
        return new WeeksView(head, sure(asked, plan, ladders), facts(asked), days, plan.left().stream().map(i -> asked.houses().get(asked
                .errands().get(i).household()).name() + ", " + window(asked.errands().get(i))).toList(),
                asked.elsewhere().entrySet().stream().map(each -> asked.houses().get(each.getKey()).name() + ", " + SHORT.format(each
                        .getValue())).toList(),
                chart(asked, plan), asked.asked().weeks(), asked.asked().vans(), asked.asked().dayMinutes(),
                Arrays.stream(DayOfWeek.values()).map(day -> new Workday(day.name(), day.getDisplayName(TextStyle.SHORT, Locale.ENGLISH),
                        asked.asked().workdays().contains(day))).toList(),
                SHORT.format(asked.today()), SHORT.format(asked.today().plusWeeks(asked
                        .asked().weeks()).minusDays(1)));
    }

    /** How far the search for a plan is. */
    static String progress(VisitWeeks.Found found) {
        int stops = found.prepared().stops().size();
        return found.progress().map(now -> "Best so far: " + hours(now.effort()) + (now.left() > 0 ? ", " + now.left() + " not reached yet"
                : "") + (now.bound() > 0 ? "; none takes less than " + hours(now.bound()) : "") + ".").orElse(stops
                        + " visits are put on days.");
    }

    private static String sure(VisitWeeks.Prepared asked, WeeksPlan plan, int ladders) {
        if (plan.daysOut().isEmpty()) {
            return "";
        }
        String takes = hours(plan.travelMinutes()) + " on the road, the ladder along on " + ladders + (ladders == 1 ? " day. " : " days. ");
        return takes + (plan.proved() ? "No plan takes less." : "Others could take " + Numbers.fixed(Math.ceil(plan.gapPercent()), 0)
                + " % less at most: it is proved that none is under " + hours(plan.bound()) + ", days out and ladders counted in; this one "
                + "takes " + hours(plan.effort()) + ".");
    }

    private static List<String> facts(VisitWeeks.Prepared asked) {
        List<String> facts = new ArrayList<>();
        int ways = asked.ways().told() + asked.ways().byArea() + asked.ways().ordinary();
        if (!asked.errands().isEmpty()) {
            facts.add("Of " + ways + (ways == 1 ? " way " : " ways ") + asked.ways().told() + " were told at the round, " + asked.ways()
                    .byArea() + " are the middle of those told between the same areas, " + asked.ways().ordinary()
                    + " are reckoned at 6 min within an area and 15 min else.");
            facts.add("A day out counts as 30 min more, a ladder on it as 15; eight visits a day at most. What is past its day is reached "
                    + "within a week.");
        }
        if (asked.later() > 0) {
            facts.add(asked.later() + (asked.later() == 1 ? " more visit can" : " more visits can") + " wait until after these weeks.");
        }
        if (asked.more()) {
            facts.add("There are more than are planned together; the earliest are in it.");
        }
        return facts;
    }

    private static Day day(VisitWeeks.Prepared asked, WeeksPlan.DayOut day) {
        LocalDate on = asked.days().get(day.day());
        List<Stop> stops = day.stops().stream().map(i -> stop(asked, i)).toList();
        String bring = day.stops().stream().flatMap(i -> asked.errands().get(i).bring().stream())
                .collect(Collectors.groupingBy(each -> each,
                        LinkedHashMap::new, Collectors.counting()))
                .entrySet().stream().map(each -> each.getValue() == 1 ? each.getKey()
                        : each.getValue() + " × " + each.getKey())
                .collect(Collectors.joining(", "));
        return new Day(on.toString(), DAY.format(on), stops.size() + (stops.size() == 1 ? " visit, " : " visits, ") + day.travelMinutes()
                + " min on the road, " + hours(day.minutes()) + " in all; leaving at " + clock(Rounds.DEPART) + ", back at "
                + clock(Rounds.DEPART + day.minutes()), (day.ladder() ? "the ladder" + (bring.isEmpty() ? "" : ", ") : "") + bring, stops,
                stops.stream().anyMatch(stop -> !stop.booked()), day.ladder());
    }

    private static Stop stop(VisitWeeks.Prepared asked, int i) {
        Errand errand = asked.errands().get(i);
        VisitWeeks.House house = asked.houses().get(errand.household());
        return new Stop("/households/" + errand.household() + "/care", house.name() + (house.area().isEmpty() ? "" : ", " + house.area()),
                errand.reasons().stream().map(each -> each.what().replaceAll("[.]+$", "")).collect(Collectors.joining("; ")),
                window(errand), errand.minutes(),
                asked
                        .booked().contains(i),
                asked.late().contains(i), errand.household(), house.version());
    }

    private static String window(Errand errand) {
        return errand.from().equals(errand.until()) ? "on " + SHORT.format(errand.from()) : SHORT.format(errand.from()) + " to "
                + SHORT.format(errand.until());
    }

    private static Chart chart(VisitWeeks.Prepared asked, WeeksPlan plan) {
        int n = Math.min(MOST_DRAWN, asked.stops().size());
        int days = Math.max(1, asked.days().size());
        double step = (WIDTH - NAMES) / days;
        List<Line> lines = new ArrayList<>();
        for (int day = asked.days().size() - 1; day >= 0; day--) {
            if (day == 0 || asked.days().get(day).getDayOfWeek().getValue() < asked.days().get(day - 1).getDayOfWeek().getValue()) {
                double x = NAMES + day * step;
                lines.add(new Line(x, !lines.isEmpty() && lines.get(lines.size() - 1).x() - x < APART ? "" : SHORT.format(asked.days().get(
                        day))));
            }
        }
        int[] on = new int[asked.stops().size()];
        Arrays.fill(on, -1);
        plan.daysOut().forEach(day -> day.stops().forEach(i -> on[i] = day.day()));
        List<Row> rows = new ArrayList<>();
        List<Integer> order = IntStream.range(0, asked.stops().size()).boxed().sorted((a, b) -> on[a] != on[b] ? Integer.compare(on[a] < 0
                ? days : on[a], on[b] < 0 ? days : on[b]) : Integer.compare(a, b)).limit(n).toList();
        for (int i : order) {
            VisitWeeks.House house = asked.houses().get(asked.errands().get(i).household());
            rows.add(new Row(TOP + ROW * rows.size(), house.name(), NAMES + asked.stops().get(i).fromDay() * step,
                    step * (asked.stops().get(
                            i).untilDay() - asked.stops().get(i).fromDay() + 1),
                    on[i] < 0 ? Double.NaN : NAMES + (on[i] + 0.5) * step, asked.late()
                            .contains(i),
                    asked.booked().contains(i), asked.stops().get(i).ladder(), house.name() + ": may be " + window(asked.errands().get(i))
                            + (on[i] < 0 ? ", is left" : ", is on " + SHORT.format(asked.days().get(on[i])))));
        }
        return new Chart(WIDTH, TOP + ROW * n + 4, lines, rows, asked.stops().size() - n);
    }

    private static String hours(int minutes) {
        return minutes < MINUTES_AN_HOUR ? minutes + " min" : minutes / MINUTES_AN_HOUR + " h" + (minutes % MINUTES_AN_HOUR == 0 ? "" : " "
                + minutes % MINUTES_AN_HOUR + " min");
    }

    private static String clock(int minute) {
        return String.format(Locale.ROOT, "%02d:%02d", minute / MINUTES_AN_HOUR, minute % MINUTES_AN_HOUR);
    }
}
