package roofnest.bench;

import java.util.List;
import java.util.Locale;
import java.util.Map;

import roofnest.core.fault.CaseCounts;
import roofnest.core.fault.Cause;
import roofnest.core.fault.FinderTrial;
import roofnest.core.fault.FinderTrial.By;
import roofnest.core.fault.FinderTrial.Result;

/** The table of {@code docs/fault-finder.md}: 10,000 drawn cases by the finder, by a checklist and by the likeliest first. */
public final class FinderTable {
    private static final int CASES = 10_000;
    private static final long SEED = 20_260_127;

    private FinderTable() {}

    public static void main(String[] args) {
        Map<Cause, Double> chances = CaseCounts.NONE.chances();
        List<FinderTrial.Case> cases = FinderTrial.cases(CASES, chances, SEED);
        FinderTrial trial = new FinderTrial();
        say("| cause | cases | finder | checklist | likeliest first | works again, finder | without a visit |");
        say("|---|---|---|---|---|---|---|");
        Map<Cause, Result> finder = trial.byCause(cases, By.FINDER, chances);
        Map<Cause, Result> checklist = trial.byCause(cases, By.CHECKLIST, chances);
        Map<Cause, Result> likeliest = trial.byCause(cases, By.LIKELIEST, chances);
        finder.forEach((cause, result) -> row(cause.words(), result, checklist.get(cause), likeliest.get(cause)));
        row("**all**", trial.all(cases, By.FINDER, chances), trial.all(cases, By.CHECKLIST, chances), trial.all(cases, By.LIKELIEST,
                chances));
        FinderTrial worse = new FinderTrial(0.125, 0.2);
        row("all, with one answer in eight mistaken and one in five not known", worse.all(cases, By.FINDER, chances), worse.all(cases,
                By.CHECKLIST, chances), worse.all(cases, By.LIKELIEST, chances));
    }

    private static void row(String name, Result finder, Result checklist, Result likeliest) {
        say(String.format(Locale.ROOT, "| %s | %d | %.1f | %.1f | %.1f | %.1f | %.0f %% |", name, finder.cases(), finder.toTheCause(),
                checklist.toTheCause(), likeliest.toTheCause(), finder.untilItWorks(), 100 * finder.withoutVisit()));
    }

    private static void say(String line) {
        System.out.println(line);
    }
}
