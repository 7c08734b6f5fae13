package roofnest.app.practice;

import java.util.List;

import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;

import roofnest.app.records.Changes;
import roofnest.app.records.HouseholdRepository;
import roofnest.app.records.PracticeRepository;
import roofnest.core.catalogue.Practice;

/** Keeps a firm's figures, and judges every household of the firm by them. */
@Service
class Figures {
    private final PracticeRepository practices;
    private final HouseholdRepository households;
    private final Changes changes;
    private final TransactionTemplate transaction;

    Figures(PracticeRepository practices, HouseholdRepository households, Changes changes, TransactionTemplate transaction) {
        this.practices = practices;
        this.households = households;
        this.changes = changes;
        this.transaction = transaction;
    }

    PracticeRepository.Kept of(long firmId) {
        return practices.of(firmId);
    }

    /**
     * Each household is then judged under its own lock, so nobody who works at one waits for all others.
     *
     * @return how many households were judged anew
     */
    int keep(long firmId, Practice practice, int version) {
        transaction.executeWithoutResult(status -> practices.set(firmId, practice, version));
        List<Long> all = households.idsOf(firmId);
        all.forEach(id -> changes.byHousehold(id, () -> {
            // Nothing of the household itself is changed: it is only judged by other figures.
        }));
        return all.size();
    }
}
