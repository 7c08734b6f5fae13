package roofnest.core.footage;

import org.hipparchus.distribution.discrete.PoissonDistribution;

import roofnest.core.lang.Require;

/**
 * Days of clips that a card holds in a bad week. Clips arrive at random, so the week counted on is the one that only
 * one week in a hundred exceeds (Poisson, 99th percentile).
 * <pre>
 *   GB a day = week/7 · seconds · Mbit/s / 8000,  days = 0.93 · card GB / GB a day
 * </pre>
 */
public record Retention(double clipsWorstWeek, double gbPerDay, double days) {
    /** Part of a card's decimal gigabytes that clips can fill. */
    public static final double USABLE_SHARE = 0.93;
    private static final double RARE_WEEK = 0.99;
    /** Longer than this is not told apart: cards rarely live so long. */
    private static final double MOST_DAYS = 365;

    public static Retention onCard(double cardGb, double clipsPerDay, double clipSeconds, double bitrateMbps) {
        Require.inRange("card in GB", cardGb, 1, 10_000);
        Require.inRange("clips a day", clipsPerDay, 0, 2000);
        Require.inRange("clip length in seconds", clipSeconds, 1, 600);
        double week = clipsPerDay == 0 ? 0 : new PoissonDistribution(7 * clipsPerDay).inverseCumulativeProbability(RARE_WEEK);
        double gbPerDay = week / 7 * clipMb(clipSeconds, bitrateMbps) / 1000;
        double days = gbPerDay == 0 ? MOST_DAYS : Math.min(MOST_DAYS, USABLE_SHARE * cardGb / gbPerDay);
        return new Retention(week, gbPerDay, days);
    }

    /** Size of one clip, megabytes. */
    public static double clipMb(double clipSeconds, double bitrateMbps) {
        return clipSeconds * bitrateMbps / 8;
    }

    /** Continuous recording, gigabytes a day: 10.8 for each Mbit/s. */
    public static double continuousGbPerDay(double bitrateMbps) {
        return bitrateMbps * 86_400 / 8000;
    }
}
