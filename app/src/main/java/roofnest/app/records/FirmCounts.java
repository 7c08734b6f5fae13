package roofnest.app.records;

import java.time.LocalDate;
import java.util.List;
import java.util.concurrent.atomic.AtomicLong;
import java.util.function.Supplier;

import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;

import roofnest.app.watch.Metrics;

/**
 * How many households of a firm stand at each stage, kept until any household is changed: counted once and not at every
 * look. What is kept was counted after the newest change that anybody can see, for a change counts once it is committed.
 */
@Component
class FirmCounts {
    private static final int FIRMS = 256;

    private final AtomicLong changes = new AtomicLong();
    private final Cache<Long, Kept> kept;

    FirmCounts(Metrics metrics) {
        this.kept = metrics.watched("firm-counts", Caffeine.newBuilder().maximumSize(FIRMS).recordStats().build());
    }

    private record Kept(long changes, LocalDate today, List<HouseholdRepository.Tally> tallies) {}

    List<HouseholdRepository.Tally> of(long firmId, LocalDate today, Supplier<List<HouseholdRepository.Tally>> count) {
        long seen = changes.get();
        Kept now = kept.getIfPresent(firmId);
        if (now == null || now.changes() != seen || !now.today().equals(today)) {
            now = new Kept(seen, today, count.get());
            if (!TransactionSynchronizationManager.isActualTransactionActive()) {
                kept.put(firmId, now);
            }
        }
        return now.tallies();
    }

    /** A household was changed; it counts once the change is committed. */
    void changed() {
        if (TransactionSynchronizationManager.isSynchronizationActive()) {
            TransactionSynchronizationManager.registerSynchronization(new TransactionSynchronization() {
                @Override
                public void afterCompletion(int status) {
                    changes.incrementAndGet();
                }
            });
        } else {
            changes.incrementAndGet();
        }
    }
}
