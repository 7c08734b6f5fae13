package roofnest.core.fault;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;

import org.junit.jupiter.api.Test;

import roofnest.core.fault.FinderTrial.By;
import roofnest.core.fault.FinderTrial.Result;

/** The finder, measured over drawn cases against a checklist and against trying the likeliest first. */
class FinderTrialTest {
    private static final int CASES = 300;
    private static final Map<Cause, Double> ORDINARY = CaseCounts.NONE.chances();

    @Test
    void itComesToTheCauseInHalfTheMinutesOfAChecklistAndSoonerThanByTheLikeliest() {
        List<FinderTrial.Case> cases = FinderTrial.cases(CASES, ORDINARY, 7);
        FinderTrial trial = new FinderTrial();
        Result finder = trial.all(cases, By.FINDER, ORDINARY);
        Result checklist = trial.all(cases, By.CHECKLIST, ORDINARY);
        Result likeliest = trial.all(cases, By.LIKELIEST, ORDINARY);
        assertThat(finder.toTheCause()).isLessThan(checklist.toTheCause() / 2).isLessThan(likeliest.toTheCause() / 2);
        assertThat(finder.untilItWorks()).isLessThan(checklist.untilItWorks()).isLessThan(likeliest.untilItWorks());
        assertThat(finder.withoutVisit()).isGreaterThan(checklist.withoutVisit());
        assertThat(finder.cases()).isEqualTo(CASES);
    }

    /** People who mistake one answer in eight and do not know one in five: it holds, though it takes longer. */
    @Test
    void itHoldsWithCallersWhoAreWorseThanItTakesThemToBe() {
        List<FinderTrial.Case> cases = FinderTrial.cases(CASES / 2, ORDINARY, 8);
        FinderTrial worse = new FinderTrial(0.125, 0.2);
        Result finder = worse.all(cases, By.FINDER, ORDINARY);
        assertThat(finder.toTheCause()).isGreaterThan(new FinderTrial().all(cases, By.FINDER, ORDINARY).toTheCause());
        assertThat(finder.toTheCause()).isLessThan(worse.all(cases, By.CHECKLIST, ORDINARY).toTheCause() / 2);
    }

    /** A firm whose calls are otherwise than the ordinary ones is better off for its log, on calls like its own. */
    @Test
    void moreOfTheLogNeverMakesItWorseOnItsOwnCases() {
        Map<Cause, Double> own = new EnumMap<>(ORDINARY);
        own.replaceAll(
                (cause, chance) -> cause == Cause.WEB || cause == Cause.ADDRESS_TAKEN || cause == Cause.APP_OLD ? 10 * chance : chance);
        double sum = own.values().stream().mapToDouble(Double::doubleValue).sum();
        own.replaceAll((cause, chance) -> chance / sum);
        List<FinderTrial.Case> cases = FinderTrial.cases(CASES, own, 9);
        FinderTrial trial = new FinderTrial();
        double before = trial.all(cases, By.FINDER, ORDINARY).untilItWorks();
        Map<Cause, Integer> log = new EnumMap<>(Cause.class);
        FinderTrial.cases(400, own, 10).forEach(each -> log.merge(each.truth().iterator().next(), 1, Integer::sum));
        double after = trial.all(cases, By.FINDER, new CaseCounts(log, Map.of()).chances()).untilItWorks();
        assertThat(after).as("from %s minutes", before).isLessThanOrEqualTo(before);
    }
}
