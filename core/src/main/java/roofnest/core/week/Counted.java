package roofnest.core.week;

import org.hipparchus.distribution.continuous.GammaDistribution;
import org.hipparchus.special.Beta;

import roofnest.core.lang.Require;

/**
 * A rate as it was expected, and as it is after something was counted: a gamma prior of mean m worth w weeks, n seen in t weeks, so that
 * the mean is {@code (m w + n)/(w + t)}. What was to be expected of the count is the negative binomial of that prior.
 *
 * <p>Source: Gelman et al., "Bayesian Data Analysis", 3rd edition, 2.6.
 *
 * @param expectedAWeek before anything was counted
 * @param seen in {@code weeks} weeks
 * @param mean a week, now; nine in ten that the true rate lies from {@code low} to {@code high}
 * @param expectedLow and {@code expectedHigh}: the count lay between them in nine of ten houses like this
 */
public record Counted(double expectedAWeek, long seen, double weeks, double mean, double low, double high, long expectedLow,
        long expectedHigh) {
    /** Ordinary rates are good to a factor of two: as good as having counted so many events. */
    static final double WORTH_EVENTS = 4;
    /** A rate that was expected to be nothing is not known any better than this many a week. */
    static final double LEAST_A_WEEK = 0.05;
    private static final double LOW = 0.05;
    private static final double HIGH = 0.95;

    /** How a count lies to what was expected. */
    public enum Verdict {
        FEWER("fewer than was to be expected"), AS_EXPECTED("within what was to be expected"), MORE("more than was to be expected");

        private final String words;

        Verdict(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /** Of ordinary rates, good to a factor of two. */
    public static Counted of(double expectedAWeek, long seen, double weeks) {
        double expected = Math.max(LEAST_A_WEEK, expectedAWeek);
        return of(expected, WORTH_EVENTS / expected, seen, weeks);
    }

    /** @param worthWeeks how many weeks of counting the expectation is worth, more than 0 */
    public static Counted of(double expectedAWeek, double worthWeeks, long seen, double weeks) {
        Require.inRange("expected a week", expectedAWeek, Double.MIN_VALUE, 1e7);
        Require.inRange("weeks that the expectation is worth", worthWeeks, Double.MIN_VALUE, 1e6);
        Require.inRange("weeks counted", weeks, 1.0 / Week.HOURS, 60);
        Require.inRange("seen", (double) seen, 0, 1e8);
        double shape = expectedAWeek * worthWeeks + seen;
        double rate = worthWeeks + weeks;
        GammaDistribution now = new GammaDistribution(shape, 1 / rate);
        double prior = expectedAWeek * worthWeeks;
        double share = worthWeeks / rate;
        return new Counted(expectedAWeek, seen, weeks, shape / rate, now.inverseCumulativeProbability(LOW),
                now.inverseCumulativeProbability(HIGH), quantile(prior, share, LOW), quantile(prior, share, HIGH));
    }

    /** The least count with so much of a negative binomial at or under it. */
    private static long quantile(double shape, double share, double probability) {
        long high = 1;
        while (upTo(high, shape, share) < probability) {
            high *= 2;
        }
        long low = -1;
        while (high - low > 1) {
            long middle = low + (high - low) / 2;
            if (upTo(middle, shape, share) >= probability) {
                high = middle;
            } else {
                low = middle;
            }
        }
        return high;
    }

    private static double upTo(long count, double shape, double share) {
        return count < 0 ? 0 : Beta.regularizedBeta(share, shape, count + 1.0);
    }

    public Verdict verdict() {
        return seen < expectedLow ? Verdict.FEWER : seen > expectedHigh ? Verdict.MORE : Verdict.AS_EXPECTED;
    }

    /** How many times as often as was expected. */
    public double times() {
        return mean / expectedAWeek;
    }
}
