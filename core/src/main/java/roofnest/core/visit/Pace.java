package roofnest.core.visit;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;

import roofnest.core.lang.Require;

/**
 * How a firm's own hands compare with ordinary practice: minutes really taken over minutes planned, by kind of task. The
 * ordinary figure counts as {@link Learned#PRIOR_WEIGHT} observations of 1, as in {@link Learned}.
 */
public record Pace(Map<Task.Kind, Double> factors) {
    public static final Pace ORDINARY = new Pace(Map.of());
    /** What took less was ticked off when it was long done, and says nothing of its time. */
    public static final double TICKED_OFF_MINUTES = 0.5;
    /** A single task moves the pace as if it had taken between so many times the planned minutes. */
    public static final double FASTEST = 0.25;
    public static final double SLOWEST = 4;

    public Pace {
        factors = Map.copyOf(factors);
        factors.values().forEach(factor -> Require.inRange("pace", factor, FASTEST, SLOWEST));
    }

    /**
     * All of a firm's tasks of a kind.
     *
     * @param tasks how many there were
     * @param ratios sum over them of real by planned minutes, each held between {@link #FASTEST} and {@link #SLOWEST}
     */
    public record Seen(Task.Kind kind, long tasks, double ratios) {
        public Seen {
            Require.inRange("sum of ratios", ratios, FASTEST * tasks, SLOWEST * tasks);
        }
    }

    public static Pace from(List<Seen> log) {
        Map<Task.Kind, Double> factors = new EnumMap<>(Task.Kind.class);
        log.forEach(seen -> factors.put(seen.kind(), (Learned.PRIOR_WEIGHT + seen.ratios()) / (Learned.PRIOR_WEIGHT + seen.tasks())));
        return new Pace(factors);
    }

    public double of(Task.Kind kind) {
        return factors.getOrDefault(kind, 1.0);
    }

    /** Whole minutes at this pace, at least one. */
    int minutes(Task.Kind kind, double ordinaryMinutes) {
        return Math.max(1, (int) Math.round(ordinaryMinutes * of(kind)));
    }
}
