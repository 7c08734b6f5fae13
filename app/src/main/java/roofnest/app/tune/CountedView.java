package roofnest.app.tune;

import java.time.format.DateTimeFormatter;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.IntFunction;
import java.util.stream.Collectors;

import roofnest.app.records.CountedWeekRepository;
import roofnest.core.catalogue.AlertSpec;
import roofnest.core.judge.ComingsAndGoings;
import roofnest.core.lang.Numbers;
import roofnest.core.week.Counted;
import roofnest.core.week.Quietest;
import roofnest.core.week.Rates;
import roofnest.core.week.SourceKind;
import roofnest.core.week.Week;
import roofnest.core.week.WeekOutcome;

/**
 * What one camera really did beside what was reckoned.
 *
 * @param said in a sentence; empty while nothing was counted
 * @param next the one change that comes next; empty while nothing was counted
 * @param bends whether rates can be bent by it: something was counted for nothing, and somebody who came was told apart
 */
record CountedView(long cameraId, String name, List<Row> rows, String said, String standing, String next, boolean bends) {
    /** A kind that begins less than this share of what rings for nothing is left as it is. */
    private static final double LEAST_SHARE = 0.01;
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMM yyyy", Locale.ENGLISH);

    record Row(long id, String words) {}

    /** @param all that were counted, and {@code counts} of them while the camera hung and was set as it is now */
    static CountedView of(WeekOutcome.OfCamera now, List<CountedWeekRepository.Row> all, List<CountedWeekRepository.Row> counts,
            IntFunction<WeekOutcome.OfCamera> ofMonth,
            Optional<Quietest.Found> quieter) {
        List<Row> rows = all.stream().map(row -> new Row(row.id(), "From " + DAY.format(row.from()) + ", " + days(row.days()) + ": "
                + row.clips() + " clips"
                + (row.wanted().isPresent() ? ", " + row.wanted().getAsInt() + " of them for somebody who came" : "")
                + (row.kinds().isEmpty() ? "" : "; its app calls " + kinds(row.kinds()))
                + ", counted by " + row.by() + (counts.contains(row) ? "" : "; it hung or was set otherwise then, so it is not compared")))
                .toList();
        if (counts.isEmpty()) {
            return new CountedView(now.cameraId(), now.name(), rows, "", "", "", false);
        }
        Counted clips = clips(counts, ofMonth);
        Optional<Counted> nothing = nothing(counts, ofMonth);
        String said = "Reckoned " + aDay(clips.expectedAWeek()) + " clips a day, counted " + aDay(clips.seen() / clips.weeks()) + ": "
                + clips.verdict().words() + ", which was " + clips.expectedLow() + " to " + clips.expectedHigh()
                + " in those days. From now on "
                + aDay(clips.mean()) + " a day, nine in ten from " + aDay(clips.low()) + " to " + aDay(clips.high()) + "."
                + nothing.map(
                        n -> " For nothing: reckoned " + aDay(n.expectedAWeek()) + ", counted " + aDay(n.seen() / n.weeks()) + " a day.")
                        .orElse(byBody(counts, ofMonth).isEmpty() ? " How many were for somebody who came was not told apart." : "");
        boolean apart = nothing.isPresent() || !byBody(counts, ofMonth).isEmpty();
        return new CountedView(now.cameraId(), now.name(), rows, said + byBody(counts, ofMonth).entrySet().stream()
                .map(entry -> " " + capitalized(entry.getKey().words()) + ": reckoned " + aDay(entry.getValue().expectedAWeek())
                        + ", counted " + aDay(entry.getValue().seen() / entry.getValue().weeks()) + " a day.")
                .collect(Collectors.joining()),
                clips.verdict() == Counted.Verdict.AS_EXPECTED ? "kept" : "thin", next(clips, apart, quieter), apart);
    }

    private static String days(int days) {
        return days == 1 ? "1 day" : days + " days";
    }

    private static String aDay(double aWeek) {
        return Numbers.fixed(aWeek / Week.DAYS, aWeek < 70 ? 1 : 0);
    }

    private static String next(Counted all, boolean apart, Optional<Quietest.Found> quieter) {
        if (all.verdict() != Counted.Verdict.AS_EXPECTED && apart) {
            return "Bend the rates by it: then the week, and what quieter settings would do, are this house’s own.";
        }
        if (!apart) {
            return "Count how many were for somebody who came: then it can be told what the others were for.";
        }
        return quieter.filter(found -> found.watchful().ringsADay() < found.now().ringsADay() / 2)
                .map(found -> "Take its watchful setting: from " + Numbers.fixed(found.now().ringsADay(), 0) + " to "
                        + Numbers.fixed(found.watchful().ringsADay(), 0) + " rings a day, as reckoned.")
                .orElse("Leave it as it is: no setting rings much less without missing more.");
    }

    private static double weeks(List<CountedWeekRepository.Row> counts) {
        return counts.stream().mapToDouble(row -> row.days() / (double) Week.DAYS).sum();
    }

    private static Counted clips(List<CountedWeekRepository.Row> counts, IntFunction<WeekOutcome.OfCamera> ofMonth) {
        double expected = counts.stream().mapToDouble(row -> ofMonth.apply(row.from().getMonthValue()).clips().mean() * row.days()).sum()
                / counts.stream().mapToInt(CountedWeekRepository.Row::days).sum();
        return Counted.of(expected, counts.stream().mapToLong(CountedWeekRepository.Row::clips).sum(), weeks(counts));
    }

    /** Of clips for nothing alone, by the counts that told them apart. */
    static Optional<Counted> nothing(List<CountedWeekRepository.Row> counts, IntFunction<WeekOutcome.OfCamera> ofMonth) {
        List<CountedWeekRepository.Row> apart = counts.stream().filter(row -> row.wanted().isPresent()).toList();
        if (apart.isEmpty()) {
            return Optional.empty();
        }
        double expected = apart.stream().mapToDouble(row -> forNothing(ofMonth.apply(row.from().getMonthValue())) * row.days()).sum()
                / apart.stream().mapToInt(CountedWeekRepository.Row::days).sum();
        return Optional
                .of(Counted.of(expected, apart.stream().mapToLong(row -> row.clips() - row.wanted().getAsInt()).sum(), weeks(apart)));
    }

    private static String capitalized(String words) {
        return words.substring(0, 1).toUpperCase(Locale.ROOT) + words.substring(1);
    }

    private static String kinds(Map<AlertSpec.Kind, Integer> kinds) {
        return kinds.entrySet().stream().sorted(Map.Entry.<AlertSpec.Kind, Integer>comparingByValue().reversed())
                .map(entry -> entry.getValue() + " of them " + entry.getKey().words()).collect(Collectors.joining(", "));
    }

    /** Of people, vehicles and animals alone, by the counts of apps that told them apart. */
    static Map<AlertSpec.Kind, Counted> byBody(List<CountedWeekRepository.Row> counts, IntFunction<WeekOutcome.OfCamera> ofMonth) {
        List<CountedWeekRepository.Row> apart = counts.stream()
                .filter(row -> SourceKind.BODIES_TOLD.stream().anyMatch(kind -> row.kinds().getOrDefault(kind, 0) > 0)).toList();
        Map<AlertSpec.Kind, Counted> found = new EnumMap<>(AlertSpec.Kind.class);
        for (AlertSpec.Kind kind : apart.isEmpty() ? List.<AlertSpec.Kind>of() : SourceKind.BODIES_TOLD) {
            long seen = apart.stream().mapToLong(row -> row.kinds().getOrDefault(kind, 0)).sum();
            double expected = apart.stream().mapToDouble(row -> ofMonth.apply(row.from().getMonthValue()).byKind().entrySet().stream()
                    .filter(entry -> entry.getKey().isTakenFor(kind)).mapToDouble(Map.Entry::getValue).sum() * row.days()).sum()
                    / apart.stream().mapToInt(CountedWeekRepository.Row::days).sum();
            if (seen > 0 || expected > 0) {
                found.put(kind, Counted.of(expected, seen, weeks(apart)));
            }
        }
        return found;
    }

    private static double forNothing(WeekOutcome.OfCamera week) {
        return week.byKind().entrySet().stream().filter(entry -> entry.getKey().want() == SourceKind.Want.NOTHING)
                .mapToDouble(Map.Entry::getValue).sum();
    }

    /**
     * Rates of all that this camera rings for, as often as was counted: by what its app calls it where it told people, vehicles and animals
     * apart, else of what nobody wants alone.
     */
    static ComingsAndGoings bent(ComingsAndGoings now, Rates rates, WeekOutcome.OfCamera week, Optional<Counted> nothing,
            Map<AlertSpec.Kind, Counted> byBody) {
        Map<SourceKind, Double> bent = new EnumMap<>(SourceKind.class);
        bent.putAll(now.aWeekday());
        week.byKind().forEach((kind, aWeek) -> {
            Optional<Counted> told = byBody.entrySet().stream().filter(entry -> kind.isTakenFor(entry.getKey())).map(Map.Entry::getValue)
                    .findFirst().or(() -> byBody.isEmpty() && kind.want() == SourceKind.Want.NOTHING
                            && aWeek > LEAST_SHARE * forNothing(week) ? nothing : Optional.empty());
            told.ifPresent(counted -> {
                double before = now.aWeekday().getOrDefault(kind, rates.aWeekday(kind, now.house()));
                bent.put(kind, Math.min(Rates.MOST_A_DAY, Math.round(before * counted.times() * 100) / 100.0));
            });
        });
        return now.withRates(bent);
    }
}
