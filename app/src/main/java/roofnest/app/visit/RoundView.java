package roofnest.app.visit;

import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;

import roofnest.app.find.Finder;
import roofnest.app.web.BarChart;
import roofnest.core.visit.Round;

/**
 * A day's households in their best order.
 *
 * @param head when it begins and ends, in a sentence
 * @param warnings what the order leaves out or takes for granted
 * @param others households that were looked for, to put on this day
 */
record RoundView(
        String title, LocalDate day, String on, String previous, String next, String depart, String head, List<String> warnings,
        List<Stop> stops,
        List<String> names, List<Row> table, BarChart chart,
        List<Other> others) {
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("EEEE d MMMM", Locale.ENGLISH);
    private static final BarChart.Size SIZE = new BarChart.Size(120, 700, 12);
    private static final int MIDNIGHT = 24 * 60;

    /** @param at "09:10 to 11:25" @param way how it is reached; both empty when it is left out. @param bring empty for nothing */
    record Stop(long id, int number, String name, String address, String what, String at, String way, String from, String until,
            int minutes, String bring) {}

    /** A row of the travel table: the cells to those before it. */
    record Row(String name, List<Cell> cells) {}

    record Cell(String field, int minutes, String what, boolean told) {}

    /** @param stage how far its work is */
    record Other(long id, String name, String stage) {}

    static RoundView of(Rounds.Planned planned, List<Finder.Found> found) {
        Round round = planned.round();
        Map<Long, RoundRepository.Due> byId = new HashMap<>();
        planned.due().forEach(due -> byId.put(due.id(), due));
        List<Stop> stops = new ArrayList<>();
        List<BarChart.Bar> bars = new ArrayList<>();
        int start = planned.departMinute();
        int span = Math.max(60, round.homeMinute() - start);
        for (Round.Visit visit : round.visits()) {
            int number = stops.size() + 1;
            stops.add(
                    stop(byId.get(visit.stop().id()), planned.bring().get(visit.stop().id()), visit.stop(), number,
                            clock(visit.beginMinute()) + " to " + clock(visit.endMinute()),
                            visit.travelMinutes() + " min on the road"
                                    + (visit.waitMinutes() > 0 ? ", " + visit.waitMinutes() + " min until somebody is there" : "")));
            double y = BarChart.TOP + BarChart.ROW * (number - 1) + 4;
            int arrive = visit.beginMinute() - visit.waitMinutes();
            bar(bars, "free", arrive - visit.travelMinutes() - start, arrive - start, y, span, "", "on the road");
            bar(bars, "planned", Math.max(0, visit.stop().fromMinute() - start), visit.stop().untilMinute() - start, y, span, "",
                    "may begin");
            bar(bars, "hands", visit.beginMinute() - start, visit.endMinute() - start, y, span, String.valueOf(number),
                    visit.stop().name());
        }
        round.missed().forEach(missed -> stops.add(stop(byId.get(missed.id()), planned.bring().get(missed.id()), missed, 0, "", "")));
        BarChart hours = BarChart.of(round.visits().stream().map(visit -> visit.stop().name()).toList(), span, 60, bars, SIZE);
        BarChart chart = new BarChart(hours.width(), hours.height(), hours.rows(), ticks(start, span), hours.bars());
        String head = round.visits().isEmpty() ? "Nobody is visited." : "Leave at " + clock(start) + ", back at "
                + clock(round.homeMinute()) + "; " + round.travelMinutes() + " min on the road. No other order is back sooner.";
        return new RoundView(planned.day().format(DAY), planned.day(), planned.day().toString(), planned.day().minusDays(1).toString(),
                planned.day().plusDays(1).toString(), clock(start), head,
                warnings(planned), stops, planned.stops().stream().map(Round.Stop::name).toList(), table(planned), chart,
                found.stream().filter(each -> planned.due().stream().noneMatch(due -> due.id() == each.household()))
                        .map(each -> new Other(each.household(), each.name() + ", " + each.address(), each.stage())).toList());
    }

    private static List<String> warnings(Rounds.Planned planned) {
        List<String> warnings = new ArrayList<>();
        planned.round().missed().forEach(stop -> warnings.add("No order reaches " + stop.name() + " between " + clock(stop.fromMinute())
                + " and " + clock(stop.untilMinute()) + " along with the others. Ask for another time, or put it on another day."));
        if (planned.due().size() > Round.MOST_STOPS) {
            warnings.add((planned.due().size() - Round.MOST_STOPS) + " more are due on this day than the " + Round.MOST_STOPS
                    + " that are ordered.");
        }
        if (!planned.reckoned().isEmpty()) {
            warnings.add("Reckoned by the plan of hours, or by what comes up, from 08:00 to 17:00, since nobody noted a time: "
                    + String.join(", ", planned.reckoned()) + ".");
        }
        if (!planned.untold().isEmpty()) {
            warnings.add(planned.untold().size() + (planned.untold().size() == 1 ? " way is" : " ways are")
                    + " reckoned at 15 min until its minutes are told below.");
        }
        return warnings;
    }

    private static List<Row> table(Rounds.Planned planned) {
        List<Round.Stop> stops = planned.stops();
        List<Row> rows = new ArrayList<>();
        for (int i = 0; i <= stops.size(); i++) {
            long id = i == 0 ? RoundRepository.YARD : stops.get(i - 1).id();
            String name = i == 0 ? "Our yard" : stops.get(i - 1).name();
            List<Cell> cells = new ArrayList<>();
            for (int j = 0; j < i; j++) {
                RoundRepository.Way way = RoundRepository.Way.between(id, j == 0 ? RoundRepository.YARD : stops.get(j - 1).id());
                cells.add(new Cell(Rounds.field(way), planned.travel().get(way),
                        name + " to " + (j == 0 ? "our yard" : stops.get(j - 1).name()) + ", minutes", !planned.untold().contains(way)));
            }
            rows.add(new Row(name, cells));
        }
        return rows;
    }

    private static Stop stop(RoundRepository.Due due, List<String> bring, Round.Stop stop, int number, String at, String way) {
        return new Stop(due.id(), number, due.name(), due.address(), due.what() == null ? "" : due.what(), at, way,
                clock(stop.fromMinute()), clock(stop.untilMinute()), stop.minutes(), String.join(", ", bring));
    }

    private static List<BarChart.Tick> ticks(int start, int span) {
        List<BarChart.Tick> ticks = new ArrayList<>();
        for (int at = (start + 59) / 60 * 60; at <= start + span; at += 60) {
            ticks.add(new BarChart.Tick(clock(at), SIZE.x(at - start, span)));
        }
        return ticks;
    }

    private static void bar(List<BarChart.Bar> bars, String kind, int from, int to, double y, int span, String number, String title) {
        double x = SIZE.x(Math.min(from, span), span);
        bars.add(new BarChart.Bar(kind, x, y, Math.max(1, SIZE.x(Math.min(to, span), span) - x), BarChart.ROW - 8, number, title));
    }

    private static String clock(int minute) {
        return minute >= MIDNIGHT ? "after midnight" : LocalTime.ofSecondOfDay(minute * 60L).toString();
    }

    /** When a visit begins, on its day. */
    static LocalDateTime moment(LocalDate day, int minute) {
        return day.atStartOfDay().plusMinutes(minute);
    }
}
