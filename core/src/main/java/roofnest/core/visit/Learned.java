package roofnest.core.visit;

import roofnest.core.lang.Require;

/**
 * Minutes as the firm's own log teaches them: the catalogue's figure counts as {@link #PRIOR_WEIGHT} observations, and
 * each run of the log as one, {@code (w·prior + Σ seen) / (w + n)} (the posterior mean of a normal mean under a normal
 * prior of that many observations' weight; Gelman et al., Bayesian Data Analysis, 2.5).
 */
public record Learned(double minutes, int runs) {
    public static final double PRIOR_WEIGHT = 3;
    /** A run that took longer was left lying, minutes. */
    public static final double LONGEST_MINUTES = 120;

    /**
     * @param runs of the log that took at most {@link #LONGEST_MINUTES}
     * @param sumMinutes that they took together
     */
    public static Learned from(double priorMinutes, int runs, double sumMinutes) {
        Require.inRange("minutes", priorMinutes, 0, LONGEST_MINUTES);
        Require.inRange("minutes together", sumMinutes, 0, LONGEST_MINUTES * runs);
        return new Learned((PRIOR_WEIGHT * priorMinutes + sumMinutes) / (PRIOR_WEIGHT + runs), runs);
    }
}
