package roofnest.app.records;

import java.time.format.DateTimeFormatter;
import java.util.Locale;
import java.util.function.BooleanSupplier;
import java.util.function.Supplier;

import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;

import roofnest.app.watch.Metrics;
import roofnest.app.web.Conflict;
import roofnest.core.promise.Stage;

/**
 * The one way in which a household is changed: alone, as a whole or not at all, and judged again before anyone sees it.
 * Whatever a change checks is checked inside it, under the household's lock.
 */
@Service
public class Changes {
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMMM yyyy", Locale.ENGLISH);

    private final HouseholdRepository households;
    private final JudgedHouseholds judged;
    private final FindingRepository findings;
    private final DueLines dues;
    private final Metrics metrics;

    Changes(HouseholdRepository households, JudgedHouseholds judged, FindingRepository findings, DueLines dues,
            Metrics metrics) {
        this.households = households;
        this.judged = judged;
        this.findings = findings;
        this.dues = dues;
        this.metrics = metrics;
    }

    /** Makes the change of a stage's work, which the household has then reached. */
    @Transactional
    public <T> T make(HouseholdRef ref, Stage stage, Supplier<T> change) {
        HouseholdRepository.Locked locked = open(metrics.waitingForLock(() -> households.lock(ref.id())), stage);
        T result = change.get();
        households.reach(locked, stage);
        judge(locked);
        return result;
    }

    @Transactional
    public void run(HouseholdRef ref, Stage stage, Runnable change) {
        make(ref, stage, () -> {
            change.run();
            return null;
        });
    }

    /** Makes a change that the householder asks for by a link of theirs: no stage is reached by it. */
    @Transactional
    public void byHousehold(long householdId, Runnable change) {
        HouseholdRepository.Locked locked = metrics.waitingForLock(() -> households.lock(householdId));
        change.run();
        judge(locked);
    }

    /**
     * Makes a change of something that no promise rests on, such as a mark of a visit: under the lock, without judging.
     * Nothing that was read of the household's facts grows old by it.
     */
    @Transactional
    public <T> T aside(long householdId, Supplier<T> change) {
        metrics.waitingForLock(() -> households.hold(householdId));
        return change.get();
    }

    /** Does a stage's work that no promise rests on, such as beginning a run: under the lock, without judging. */
    @Transactional
    public <T> T unjudged(HouseholdRef ref, Stage stage, Supplier<T> work) {
        HouseholdRepository.Locked held = open(metrics.waitingForLock(() -> households.hold(ref.id())), stage);
        T result = work.get();
        households.reach(held, stage);
        return result;
    }

    /**
     * Takes one step of a stage's work under the household's lock. Most steps of a run change nothing that a promise rests
     * on, so only a step that says it did is judged.
     *
     * @param step tells whether anything was changed that promises are judged by
     */
    @Transactional
    public void step(HouseholdRef ref, Stage stage, BooleanSupplier step) {
        HouseholdRepository.Locked held = open(metrics.waitingForLock(() -> households.hold(ref.id())), stage);
        boolean judged = step.getAsBoolean();
        households.reach(held, stage);
        if (judged) {
            judge(households.lock(ref.id()));
        }
    }

    /** What is next is found anew, though nothing that promises rest on was changed: an appointment, somebody's own day. */
    @Transactional
    public <T> T ahead(HouseholdRef ref, Supplier<T> change) {
        HouseholdRepository.Locked locked = metrics.waitingForLock(() -> households.lock(ref.id()));
        T result = change.get();
        judge(locked);
        return result;
    }

    /** What comes up is reckoned anew, though nothing was changed: days have gone by. */
    @Transactional
    public void reckon(long householdId) {
        judge(metrics.waitingForLock(() -> households.lock(householdId)));
    }

    /** The work of a house that was handed over is done, but for its care, until somebody opens the case again. */
    private static HouseholdRepository.Locked open(HouseholdRepository.Locked locked, Stage stage) {
        if (locked.handedOverAt() != null && stage != Stage.CARE) {
            throw new Conflict("This house was handed over on " + locked.handedOverAt().format(DAY)
                    + ". Open the case again at Prove, with a reason, before anything of the work is changed.");
        }
        return locked;
    }

    private void judge(HouseholdRepository.Locked locked) {
        Household household = households.get(locked.id());
        JudgedHouseholds.Anew anew = judged.anew(household);
        JudgedHouseholds.Kept now = anew.kept();
        findings.replace(locked.id(), now.judgement());
        households.tally(locked.id(), now.judgement());
        dues.follow(household, anew.facts(), anew.judge(), now.judgement());
        TransactionSynchronizationManager.registerSynchronization(new TransactionSynchronization() {
            @Override
            public void afterCommit() {
                judged.keep(locked.id(), now);
            }
        });
    }
}
