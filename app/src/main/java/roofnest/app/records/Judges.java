package roofnest.app.records;

import java.util.List;
import java.util.Optional;

import org.springframework.stereotype.Component;

import com.github.benmanes.caffeine.cache.Caffeine;
import com.github.benmanes.caffeine.cache.LoadingCache;

import roofnest.app.watch.Metrics;
import roofnest.core.judge.House;
import roofnest.core.judge.HouseholdFacts;
import roofnest.core.judge.HouseholdJudge;
import roofnest.core.plan.HousePlan;
import roofnest.core.radio.Reading;

/**
 * Judges of the houses most lately looked at. A judge keeps its house's geometry and whatever its cameras were found to
 * see, which is what makes a board quick while one camera is dragged. Each is made once, and while one is being made no
 * other house waits for it.
 */
@Component
public class Judges {
    private static final int KEPT = 24;

    private final LoadingCache<Key, HouseholdJudge> judges;

    Judges(Metrics metrics) {
        judges = metrics.watched("judges", Caffeine.newBuilder().maximumSize(KEPT).recordStats()
                .build(key -> new HouseholdJudge(Optional.of(new House(key.plan(), key.readings())))));
    }

    /** Stored plans are read once and kept, so the same plan is nearly always the same object: comparing is then quick. */
    private record Key(HousePlan plan, List<Reading> readings) {
        @Override
        public int hashCode() {
            return 31 * plan.walls().size() + plan.name().hashCode() + readings.size();
        }

        @Override
        public boolean equals(Object other) {
            return other instanceof Key that && (plan == that.plan || plan.equals(that.plan)) && readings.equals(that.readings);
        }
    }

    public HouseholdJudge of(HouseholdFacts facts) {
        return facts.plan().map(plan -> judges.get(new Key(plan, facts.readings()))).orElseGet(() -> new HouseholdJudge(Optional.empty()));
    }
}
