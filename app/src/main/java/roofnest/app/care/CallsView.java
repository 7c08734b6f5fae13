package roofnest.app.care;

import java.time.format.DateTimeFormatter;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Function;

import roofnest.app.records.FaultCaseRepository;
import roofnest.app.records.FaultCaseRepository.Season;
import roofnest.app.records.FaultCaseRepository.State;
import roofnest.core.fault.Cause;
import roofnest.core.fault.FaultRate;
import roofnest.core.lang.Numbers;

/**
 * Calls of all houses of a firm: those that are open, and what failed so far.
 *
 * @param more whether there are more open ones than are shown
 * @param closed cases that were closed with a cause
 */
record CallsView(List<Open> open, boolean more, List<OfModel> models, List<OfCause> causes, int closed) {
    static final int MOST_OPEN = 50;
    private static final DateTimeFormatter AT = DateTimeFormatter.ofPattern("d MMM yyyy, HH:mm", Locale.ENGLISH);
    /** Younger cameras say nothing of a rate yet, years of all of a model together. */
    private static final double LEAST_YEARS = 0.1;

    record Open(String path, String house, String camera, String state, String since) {}

    /** @param rate of one camera in a year, with its interval, or why none is said */
    record OfModel(String name, int cameras, String years, int cases, String rate) {}

    record OfCause(String words, int cases, int winter, int spring, int summer, int autumn) {}

    static CallsView of(List<FaultCaseRepository.OpenCall> open, List<FaultCaseRepository.OfModel> models, Function<String, String> names,
            Map<Cause, Map<Season, Integer>> causes) {
        return new CallsView(open.stream().limit(MOST_OPEN).map(call -> new Open("/households/" + call.householdId() + "/care/cases/" + call
                .id(), call.household(), call.camera(), call.state() == State.VISIT ? "waits for a visit" : "open",
                AT.format(call.openedAt())
                        + ", " + call.by()))
                .toList(), open.size() > MOST_OPEN,
                models.stream().map(each -> new OfModel(names.apply(each
                        .modelKey()), each.cameras(), each.years() < LEAST_YEARS ? "under 0.1" : Numbers.fixed(each.years(), 1),
                        each.cases(), rate(each))).toList(),
                causes
                        .entrySet().stream().map(each -> cause(each.getKey(), each.getValue())).sorted(Comparator.comparingInt(
                                OfCause::cases).reversed())
                        .toList(),
                causes.values().stream().flatMap(each -> each.values()
                        .stream()).mapToInt(Integer::intValue).sum());
    }

    private static String rate(FaultCaseRepository.OfModel of) {
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
