package roofnest.core.footage;

import java.util.OptionalDouble;

import org.hipparchus.distribution.discrete.PoissonDistribution;

import roofnest.core.lang.Require;

/**
 * Days of clips that a card holds in a bad week. Where ordinary weeks were drawn, that is the worst of them; else clips arrive at random,
 * and the week counted on is the one that only one week in a hundred exceeds (Poisson, 99th percentile).
 * <pre>
 *   GB a day = week/7 · seconds · Mbit/s / 8000,  days = 0.93 · card GB / GB a day
 * </pre>
 */
public record Retention(double clipsWorstWeek, double gbPerDay, double days) {
    /** Part of a card's decimal gigabytes that clips can fill. */
    public static final double USABLE_SHARE = 0.93;
    private static final double RARE_WEEK = 0.99;
    /** Longer than this is not told apart: cards rarely live so long. */
    public static final double MOST_DAYS = 365;

    public static Retention onCard(double cardGb, double clipsPerDay, double clipSeconds, double bitrateMbps) {
        return onCard(cardGb, clipsPerDay, clipSeconds, bitrateMbps, OptionalDouble.empty());
    }

    /** @param worstWeekShare how much more than a mean week the worst of those that were drawn records; empty where none were */
    public static Retention onCard(double cardGb, double clipsPerDay, double clipSeconds, double bitrateMbps,
            OptionalDouble worstWeekShare) {
        Require.inRange("card in GB", cardGb, 1, 100_000);
        Require.inRange("clips a day", clipsPerDay, 0, 2000);
        Require.inRange("clip length in seconds", clipSeconds, 1, 600);
        double mean = 7 * clipsPerDay;
        double week = mean == 0 ? 0 : worstWeekShare.isPresent() ? mean * worstWeekShare.getAsDouble()
                : new PoissonDistribution(mean).inverseCumulativeProbability(RARE_WEEK);
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
