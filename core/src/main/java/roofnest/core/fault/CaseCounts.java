package roofnest.core.fault;

import java.util.EnumMap;
import java.util.Map;

import roofnest.core.lang.Require;

/**
 * How often each cause is the reason of a call, by what a firm has seen: a Dirichlet distribution about the ordinary figures, moved by the
 * firm's closed cases, and about that another, moved by those of one model in one season.
 *
 * @param firm closed cases by cause, and {@code here} those of the model and the season
 */
public record CaseCounts(Map<Cause, Integer> firm, Map<Cause, Integer> here) {
    /** The ordinary figures count as many cases, and the firm's as many for one model and season. */
    public static final double ORDINARY_CASES = 100;
    public static final double FIRM_CASES = 20;
    public static final CaseCounts NONE = new CaseCounts(Map.of(), Map.of());

    public CaseCounts {
        firm = Map.copyOf(firm);
        here = Map.copyOf(here);
        firm.values().forEach(count -> Require.inRange("closed cases", count, 0, 1_000_000));
        here.values().forEach(count -> Require.inRange("closed cases", count, 0, 1_000_000));
    }

    /** Of all causes, of 1. */
    public Map<Cause, Double> chances() {
        Map<Cause, Double> ordinary = new EnumMap<>(Cause.class);
        double sum = 0;
        for (Cause cause : Cause.values()) {
            sum += cause.ofHundredCalls();
        }
        for (Cause cause : Cause.values()) {
            ordinary.put(cause, cause.ofHundredCalls() / sum);
        }
        return moved(moved(ordinary, firm, ORDINARY_CASES), here, FIRM_CASES);
    }

    private static Map<Cause, Double> moved(Map<Cause, Double> about, Map<Cause, Integer> seen, double strength) {
        double all = seen.values().stream().mapToInt(Integer::intValue).sum();
        Map<Cause, Double> moved = new EnumMap<>(Cause.class);
        about.forEach((cause, chance) -> moved.put(cause, (strength * chance + seen.getOrDefault(cause, 0)) / (strength + all)));
        return moved;
    }
}
