package roofnest.core.visit;

import java.util.HashMap;
import java.util.List;
import java.util.Map;

import roofnest.core.lang.Require;

/**
 * How a firm's own hands compare with ordinary practice: minutes really taken over minutes planned, by kind of task. The
 * ordinary figure counts as {@link Learned#PRIOR_WEIGHT} observations of 1, as in {@link Learned}.
 */
public record Pace(Map<String, Double> factors) {
    public static final Pace ORDINARY = new Pace(Map.of());
    /** What took less was ticked off when it was long done, and says nothing of its time. */
    private static final double TICKED_OFF_MINUTES = 0.5;
    private static final double FASTEST = 0.25;
    private static final double SLOWEST = 4;

    public Pace {
        factors = Map.copyOf(factors);
        factors.values().forEach(factor -> Require.inRange("pace", factor, FASTEST, SLOWEST));
    }

    /** One task of the log. @param kind of it, such as "mount" */
    public record Seen(String kind, double plannedMinutes, double realMinutes) {}

    public static Pace from(List<Seen> log) {
        Map<String, double[]> sums = new HashMap<>();
        for (Seen seen : log) {
            if (seen.plannedMinutes() > 0 && seen.realMinutes() >= TICKED_OFF_MINUTES) {
                double ratio = Math.max(FASTEST, Math.min(SLOWEST, seen.realMinutes() / seen.plannedMinutes()));
                double[] sum = sums.computeIfAbsent(seen.kind(), kind -> new double[2]);
                sum[0] += ratio;
                sum[1]++;
            }
        }
        Map<String, Double> factors = new HashMap<>();
        sums.forEach((kind, sum) -> factors.put(kind, (Learned.PRIOR_WEIGHT + sum[0]) / (Learned.PRIOR_WEIGHT + sum[1])));
        return new Pace(factors);
    }

    public double of(String kind) {
        return factors.getOrDefault(kind, 1.0);
    }

    /** Whole minutes at this pace, at least one. */
    int minutes(String kind, double ordinaryMinutes) {
        return Math.max(1, (int) Math.round(ordinaryMinutes * of(kind)));
    }

    /** The kind of a task, from its id: what follows the camera's number. */
    public static String kindOf(String taskId) {
        return taskId.replaceFirst("^camera [0-9]+ ", "");
    }
}
