package roofnest.core.power;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.function.BiFunction;

import roofnest.core.lang.Require;

/**
 * What readings of a pack's percent say of its draw and of its panel, as shares of what was reckoned. Each stretch between two readings
 * without a charge weighs every pair on a grid (equal steps of the logarithm, log-normal beforehand) by how well it foretells the later
 * reading; what a full pack cannot take is lost.
 */
public final class PackFit {
    static final double LEAST_DRAW = 0.4;
    static final double MOST_DRAW = 2.5;
    static final double LEAST_SUN = 0.2;
    static final double MOST_SUN = 1.6;
    private static final int DRAWS = 61;
    private static final int SUNS = 25;
    /** Of the logarithm, beforehand. */
    static final double DRAW_SPREAD = 0.3;
    static final double SUN_SPREAD = 0.35;
    /** A gauge is off by so much, percent of the pack; and days are not alike, as a share of what was drawn. */
    static final double GAUGE_PERCENT = 2;
    static final double DAYS_SHARE = 0.05;
    private static final double LOW = 0.05;
    private static final double HIGH = 0.95;
    private static final double FULL = 100;
    private static final int MOST_DAYS = 365;

    private PackFit() {}

    /** @param afterCharge whether it had just been charged, so that nothing follows from the reading before */
    public record Reading(LocalDate on, double percent, boolean afterCharge) {
        public Reading {
            Require.inRange("percent of the pack", percent, 0, FULL);
        }
    }

    /**
     * Shares of what was reckoned, each with where nine in ten lie.
     *
     * @param sun of the panel; 1 for a pack without one
     * @param stretches between two readings that it rests on
     */
    public record Fit(double draw, double drawLow, double drawHigh, double sun, double sunLow, double sunHigh, int stretches) {}

    /** From one reading to the next. */
    record Stretch(Reading from, Reading to, BatteryYear.Between expected) {
        /** Percent at its end, by shares of draw and sun. */
        double foretold(double draw, double sun) {
            double charge = from.percent() + expected.lockedFrom();
            double after = charge - draw * expected.draw() - expected.leak(charge) + sun * expected.sun();
            return Math.max(0, Math.min(FULL, after) - expected.lockedTo());
        }

        double variance(double draw, double sun) {
            return 2 * square(GAUGE_PERCENT) + square(DAYS_SHARE * draw * expected.draw()) + square(sun * expected.sunSpread());
        }
    }

    /**
     * @param readings in any order
     * @param expected of a stretch, from a day to a later one
     * @param panel whether it has one
     */
    public static Fit of(List<Reading> readings, BiFunction<LocalDate, LocalDate, BatteryYear.Between> expected, boolean panel) {
        List<Stretch> stretches = stretches(readings, expected);
        double[][] weights = new double[DRAWS][panel ? SUNS : 1];
        double most = Double.NEGATIVE_INFINITY;
        for (int d = 0; d < DRAWS; d++) {
            for (int s = 0; s < weights[d].length; s++) {
                double sun = panel ? sun(s) : 1;
                double log = -square(Math.log(draw(d)) / DRAW_SPREAD) / 2 - square(Math.log(sun) / SUN_SPREAD) / 2;
                for (Stretch stretch : stretches) {
                    double variance = stretch.variance(draw(d), sun);
                    log -= square(stretch.to().percent() - stretch.foretold(draw(d), sun)) / variance / 2 + Math.log(variance) / 2;
                }
                weights[d][s] = log;
                most = Math.max(most, log);
            }
        }
        double[] byDraw = new double[DRAWS];
        double[] bySun = new double[weights[0].length];
        double sum = 0;
        for (int d = 0; d < DRAWS; d++) {
            for (int s = 0; s < bySun.length; s++) {
                double weight = Math.exp(weights[d][s] - most);
                byDraw[d] += weight;
                bySun[s] += weight;
                sum += weight;
            }
        }
        double draw = 0;
        double sun = 0;
        for (int d = 0; d < DRAWS; d++) {
            byDraw[d] /= sum;
            draw += byDraw[d] * Math.log(draw(d));
        }
        for (int s = 0; s < bySun.length; s++) {
            bySun[s] /= sum;
            sun += bySun[s] * (panel ? Math.log(sun(s)) : 0);
        }
        return new Fit(Math.exp(draw), draw(quantile(byDraw, LOW, -0.5)), draw(quantile(byDraw, HIGH, 0.5)), Math.exp(sun),
                panel ? sun(quantile(bySun, LOW, -0.5)) : 1, panel ? sun(quantile(bySun, HIGH, 0.5)) : 1, stretches.size());
    }

    private static List<Stretch> stretches(List<Reading> readings, BiFunction<LocalDate, LocalDate, BatteryYear.Between> expected) {
        // Read before and after a charge on one day, the one after is the later.
        List<Reading> sorted = readings.stream().sorted(Comparator.comparing(Reading::on).thenComparing(Reading::afterCharge)).toList();
        List<Stretch> stretches = new ArrayList<>();
        for (int i = 1; i < sorted.size(); i++) {
            Reading from = sorted.get(i - 1);
            Reading to = sorted.get(i);
            if (!to.afterCharge() && from.on().isBefore(to.on()) && !from.on().plusDays(MOST_DAYS).isBefore(to.on())) {
                stretches.add(new Stretch(from, to, expected.apply(from.on(), to.on())));
            }
        }
        return stretches;
    }

    private static double draw(double step) {
        return LEAST_DRAW * Math.pow(MOST_DRAW / LEAST_DRAW, step / (DRAWS - 1));
    }

    private static double sun(double step) {
        return LEAST_SUN * Math.pow(MOST_SUN / LEAST_SUN, step / (SUNS - 1));
    }

    /** @param edge of the grid's cell that is meant, in steps from its middle */
    private static double quantile(double[] shares, double share, double edge) {
        double sum = 0;
        for (int i = 0; i < shares.length; i++) {
            sum += shares[i];
            if (sum >= share) {
                return i + edge;
            }
        }
        return shares.length - 1 + edge;
    }

    private static double square(double value) {
        return value * value;
    }
}
