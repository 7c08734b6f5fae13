package roofnest.app.care;

import java.time.format.DateTimeFormatter;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Function;

import roofnest.app.records.FaultCaseRepository;
import roofnest.app.records.FaultCaseRepository.By;
import roofnest.app.records.FaultCaseRepository.Season;
import roofnest.app.records.FaultCaseRepository.State;
import roofnest.core.catalogue.PairingMethod;
import roofnest.core.fault.Cause;
import roofnest.core.fault.FaultRate;
import roofnest.core.lang.Numbers;
import roofnest.core.mount.Base;
import roofnest.core.mount.Covering;

/**
 * Calls of all houses of a firm: those that are open, and what failed so far.
 *
 * @param more whether there are more open ones than are shown
 * @param reports what failed, by each thing that cameras differ in
 * @param closed cases that were closed with a cause
 */
record CallsView(List<Open> open, boolean more, List<Report> reports, List<OfCause> causes, int closed) {
    static final int MOST_OPEN = 50;
    private static final DateTimeFormatter AT = DateTimeFormatter.ofPattern("d MMM yyyy, HH:mm", Locale.ENGLISH);
    /** Younger cameras say nothing of a rate yet, years of all of a model together. */
    private static final double LEAST_YEARS = 0.1;

    record Open(String path, String house, String camera, String state, String since) {}

    /** @param by what the cameras are told apart by, as the head of a column */
    record Report(String title, String by, List<Row> rows) {}

    /** @param rate of one camera in a year, with its interval, or why none is said */
    record Row(String name, int cameras, String years, int cases, String rate) {}

    record OfCause(String words, int cases, int winter, int spring, int summer, int autumn) {}

    static CallsView of(List<FaultCaseRepository.OpenCall> open, Function<String, String> names,
            Function<By, List<FaultCaseRepository.Failed>> failed, Map<Cause, Map<Season, Integer>> causes) {
        List<Open> calls = open.stream().limit(MOST_OPEN).map(call -> new Open("/households/" + call.householdId() + "/care/cases/" + call
                .id(), call.household(), call.camera(), call.state() == State.VISIT ? "waits for a visit" : "open",
                AT.format(call.openedAt())
                        + ", " + call.by()))
                .toList();
        List<Report> reports = List.of(report("What fails, by model", "Model", failed.apply(By.MODEL), names), report("By the way in",
                "Joined by", failed.apply(By.WAY), CallsView::way), report("By the wall", "Wall", failed.apply(By.WALL), CallsView::wall),
                report("By who set it up", "Set up by", failed.apply(By.PERSON), who -> who.isEmpty() ? "nobody that was kept" : who));
        return new CallsView(calls, open.size() > MOST_OPEN, reports, causes.entrySet().stream().map(each -> cause(each.getKey(), each
                .getValue())).sorted(Comparator.comparingInt(OfCause::cases).reversed()).toList(), causes.values().stream().flatMap(
                        each -> each.values().stream()).mapToInt(Integer::intValue).sum());
    }

    private static Report report(String title, String by, List<FaultCaseRepository.Failed> failed, Function<String, String> words) {
        return new Report(title, by,
                failed.stream()
                        .map(each -> new Row(words.apply(each.group()), each.cameras(),
                                each.years() < LEAST_YEARS ? "under 0.1" : Numbers.fixed(each.years(), 1), each.cases(), rate(each)))
                        .toList());
    }

    private static String way(String way) {
        return way.isEmpty() ? "a way that was not kept" : PairingMethod.Way.valueOf(way).words();
    }

    private static String wall(String wall) {
        if (wall.isEmpty()) {
            return "a wall that nobody said";
        }
        String[] parts = wall.split("/");
        return Base.valueOf(parts[0]).words() + (Covering.valueOf(parts[1]) == Covering.NONE ? "" : ", " + Covering.valueOf(parts[1])
                .words());
    }

    private static String rate(FaultCaseRepository.Failed of) {
        if (of.years() < LEAST_YEARS) {
            return "too young to tell";
        }
        FaultRate rate = FaultRate.of(of.cases(), of.years());
        String between = Numbers.fixed(rate.low(), 2) + " to " + Numbers.fixed(rate.high(), 2);
        return rate.tells() ? Numbers.fixed(rate.aYear(), 2) + " a year, nine in ten from " + between
                : "too few to tell: anything from " + between + " a year";
    }

    private static OfCause cause(Cause cause, Map<Season, Integer> seasons) {
        return new OfCause(cause.words(), seasons.values().stream().mapToInt(Integer::intValue).sum(),
                seasons.getOrDefault(Season.WINTER, 0),
                seasons.getOrDefault(Season.SPRING, 0), seasons.getOrDefault(Season.SUMMER, 0), seasons.getOrDefault(Season.AUTUMN, 0));
    }
}
