package roofnest.app.records;

import java.time.LocalDate;
import java.util.List;
import java.util.function.Supplier;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionSynchronizationManager;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;

import roofnest.app.watch.Metrics;

/**
 * How many households of a firm stand at each stage, kept until any household is changed: counted once and not at every
 * look. The database itself counts the changes as they are committed, so what another instance changed counts too.
 */
@Component
class FirmCounts {
    private static final int FIRMS = 256;

    private final JdbcClient jdbc;
    private final Cache<Long, Kept> kept;

    FirmCounts(JdbcClient jdbc, Metrics metrics) {
        this.jdbc = jdbc;
        this.kept = metrics.watched("firm-counts", Caffeine.newBuilder().maximumSize(FIRMS).recordStats().build());
    }

    private record Kept(long changes, LocalDate today, List<HouseholdRepository.Tally> tallies) {}

    List<HouseholdRepository.Tally> of(long firmId, LocalDate today, Supplier<List<HouseholdRepository.Tally>> count) {
        // Before anything is counted: a change in between makes the next look count again, and never an old sum look new.
        long seen = jdbc.sql("select changes from firm_change where firm_id = :firm").param("firm", firmId).query(Long.class)
                .optional().orElse(0L);
        Kept now = kept.getIfPresent(firmId);
        if (now == null || now.changes() != seen || !now.today().equals(today)) {
            now = new Kept(seen, today, count.get());
            if (!TransactionSynchronizationManager.isActualTransactionActive()) {
                kept.put(firmId, now);
            }
        }
        return now.tallies();
    }
}
