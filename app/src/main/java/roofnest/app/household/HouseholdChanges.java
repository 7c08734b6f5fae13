package roofnest.app.household;

import java.util.function.BooleanSupplier;
import java.util.function.Supplier;

import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

import roofnest.app.web.HouseholdRef;
import roofnest.core.judge.HouseholdFacts;
import roofnest.core.promise.Stage;

/**
 * The one way in which a household is changed: alone, as a whole or not at all, and judged again before anyone sees it.
 */
@Service
public class HouseholdChanges {
    private final HouseholdRepository households;
    private final FactsLoader facts;
    private final FindingRepository findings;
    private final Judges judges;

    HouseholdChanges(HouseholdRepository households, FactsLoader facts, FindingRepository findings, Judges judges) {
        this.judges = judges;
        this.households = households;
        this.facts = facts;
        this.findings = findings;
    }

    /** Makes the change of a stage's work, which the household has then reached. */
    @Transactional
    public <T> T make(HouseholdRef ref, Stage stage, Supplier<T> change) {
        T result = judged(ref.id(), change);
        households.reach(ref.id(), stage);
        return result;
    }

    /** Makes a change that the householder asks for by a link of theirs: no stage is reached by it. */
    @Transactional
    public void byHousehold(long householdId, Runnable change) {
        judged(householdId, () -> {
            change.run();
            return null;
        });
    }

    /**
     * Takes one step of a stage's work under the household's lock. Most steps of a run change nothing that a promise rests
     * on, so only a step that says it did is judged.
     *
     * @param step tells whether anything was changed that promises are judged by
     */
    @Transactional
    public void step(HouseholdRef ref, Stage stage, BooleanSupplier step) {
        households.lock(ref.id());
        if (step.getAsBoolean()) {
            judge(ref.id());
        }
        households.reach(ref.id(), stage);
    }

    private <T> T judged(long householdId, Supplier<T> change) {
        households.lock(householdId);
        T result = change.get();
        judge(householdId);
        return result;
    }

    private void judge(long householdId) {
        HouseholdFacts now = facts.load(householdId);
        findings.replace(householdId, judges.of(now).again(now));
    }

    @Transactional
    public void run(HouseholdRef ref, Stage stage, Runnable change) {
        make(ref, stage, () -> {
            change.run();
            return null;
        });
    }
}
