package roofnest.app.household;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

import org.springframework.stereotype.Component;

import roofnest.core.judge.House;
import roofnest.core.judge.HouseholdFacts;
import roofnest.core.judge.HouseholdJudge;
import roofnest.core.plan.HousePlan;
import roofnest.core.radio.Reading;

/**
 * Judges of the houses most lately looked at. A judge keeps its house's geometry and whatever its cameras were found to
 * see, which is what makes a board quick while one camera is dragged.
 */
@Component
public class Judges {
    private static final int KEPT = 24;

    private final Map<Key, HouseholdJudge> judges = Collections.synchronizedMap(new LinkedHashMap<>(KEPT, 0.75f, true) {
        @Override
        protected boolean removeEldestEntry(Map.Entry<Key, HouseholdJudge> eldest) {
            return size() > KEPT;
        }
    });

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
        if (facts.plan().isEmpty()) {
            return new HouseholdJudge(Optional.empty());
        }
        return judges.computeIfAbsent(new Key(facts.plan().get(), facts.readings()),
                key -> new HouseholdJudge(Optional.of(new House(key.plan(), key.readings()))));
    }
}
