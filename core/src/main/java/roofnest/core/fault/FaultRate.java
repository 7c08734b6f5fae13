package roofnest.core.fault;

import org.hipparchus.distribution.continuous.GammaDistribution;

import roofnest.core.lang.Require;

/**
 * How often something fails, with how sure that is: cases over years are Poisson, and beforehand nothing is known (Jeffreys), so that the
 * rate is gamma-distributed with {@code cases + 1/2} and the years.
 *
 * @param aYear cases a year of one. @param low and {@code high}: nine in ten lie between
 */
public record FaultRate(int cases, double years, double aYear, double low, double high) {
    private static final double KNOWS_NOTHING = 0.5;
    private static final double LOW = 0.05;
    private static final double HIGH = 0.95;
    /** An interval wider than so many times its low end tells nothing yet. */
    public static final double TELLS_WITHIN = 5;

    /** @param years of all of them together, more than none */
    public static FaultRate of(int cases, double years) {
        Require.inRange("cases", cases, 0, 1_000_000);
        Require.inRange("years", years, 0.001, 1e7);
        GammaDistribution rate = new GammaDistribution(cases + KNOWS_NOTHING, 1 / years);
        return new FaultRate(cases, years, cases / years, rate.inverseCumulativeProbability(LOW), rate.inverseCumulativeProbability(HIGH));
    }

    /** Whether there are enough of them to say anything. */
    public boolean tells() {
        return high <= TELLS_WITHIN * low;
    }

    /** Whether it is surely more than the other: no rate of one is as low as any of the other. */
    public boolean surelyMoreThan(FaultRate other) {
        return low > other.high;
    }
}
