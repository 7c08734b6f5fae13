package roofnest.core.power;

import java.util.List;
import java.util.Random;

import org.hipparchus.distribution.continuous.BetaDistribution;
import org.hipparchus.special.Erf;

import roofnest.core.lang.Require;

/**
 * Years of ordinary weather by day at a place, made from its climate and a seed: cold snaps and grey weeks come in them as
 * they come in the world. The same climate, latitude and seed give the same years.
 *
 * <p>A day's mean temperature is the month's, running smoothly from the middle of one to the middle of the next, and an
 * autoregression of lag one day; its clearness is beta-distributed about the month's mean, holds on from day to day, and
 * goes with warmth in the warm half of the year and with cold in the cold half. Clear days swing more. Over a day the
 * temperature follows a cosine with its highest at two in the afternoon.
 */
public final class Weather {
    /** Days of a year; the last of a leap year is as the one before. */
    public static final int DAYS = 365;
    private static final double LAG_TEMPERATURE = 0.7;
    private static final double LAG_CLEARNESS = 0.5;
    /** Standard deviation of daily means about the month's, as a share of the daily swing, and its bounds in °C. */
    private static final double DEVIATION_OF_SWING = 0.45;
    private static final double LEAST_DEVIATION_C = 1.5;
    private static final double MOST_DEVIATION_C = 5;
    /** Alpha and beta of the clearness add up to this: its standard deviation is then about 0.2. */
    private static final double CONCENTRATION = 5;
    /** How much of the clearness goes with the temperature in the height of a season. */
    private static final double PAIRED = 0.3;
    private static final int QUANTILES = 200;
    private static final double WARMEST_HOUR = 14;
    private static final double LEAST_CLEARNESS = 0.02;
    private static final double MOST_CLEARNESS = 0.85;

    private final double latitudeDeg;
    private final float[][] meanC;
    private final float[][] lowestC;
    private final float[][] clearness;
    private final float[][] chargeable;
    // By day and then by year, so that one day of every year is reckoned at once.
    private final float[][] beamMj;
    private final float[][] diffuseMj;
    private final float[][] lockedAway;

    public Weather(Climate climate, double latitudeDeg, int years, long seed) {
        Require.inRange("years", years, 1, 1000);
        this.latitudeDeg = Require.inRange("latitude in degrees", latitudeDeg, -90, 90);
        meanC = new float[years][DAYS];
        lowestC = new float[years][DAYS];
        clearness = new float[years][DAYS];
        chargeable = new float[years][DAYS];
        beamMj = new float[DAYS][years];
        diffuseMj = new float[DAYS][years];
        lockedAway = new float[DAYS][years];
        double[] sunset = new double[DAYS];
        double[] aboveMj = new double[DAYS];
        for (int day = 0; day < DAYS; day++) {
            sunset[day] = Sunlight.sunsetRad(latitudeDeg, day + 1);
            aboveMj[day] = Sunlight.aboveTheAirMjPerM2(latitudeDeg, day + 1, Sunlight.SOLAR_CONSTANT_W_PER_M2);
        }
        double[][] quantiles = quantiles(climate);
        double least = climate.meanC().stream().mapToDouble(Double::doubleValue).min().orElse(0);
        double most = climate.meanC().stream().mapToDouble(Double::doubleValue).max().orElse(0);
        Random random = new Random(seed);
        double warmth = random.nextGaussian();
        double clear = random.nextGaussian();
        for (int year = 0; year < years; year++) {
            for (int day = 0; day < DAYS; day++) {
                warmth = LAG_TEMPERATURE * warmth + Math.sqrt(1 - LAG_TEMPERATURE * LAG_TEMPERATURE) * random.nextGaussian();
                clear = LAG_CLEARNESS * clear + Math.sqrt(1 - LAG_CLEARNESS * LAG_CLEARNESS) * random.nextGaussian();
                double monthly = between(climate.meanC(), day);
                double swing = between(climate.swingC(), day);
                double season = most > least ? 2 * (monthly - least) / (most - least) - 1 : 0;
                double paired = PAIRED * season;
                double z = paired * warmth + Math.sqrt(1 - paired * paired) * clear;
                double usual = between(climate.clearness(), day);
                double k = quantile(quantiles[Climate.month(monthOf(day), latitudeDeg)], z);
                double deviation = Math.max(LEAST_DEVIATION_C, Math.min(MOST_DEVIATION_C, DEVIATION_OF_SWING * swing));
                double mean = monthly + deviation * warmth;
                double ownSwing = swing * (0.5 + 0.5 * Math.min(2, k / usual));
                meanC[year][day] = (float) mean;
                lowestC[year][day] = (float) (mean - ownSwing / 2);
                clearness[year][day] = (float) k;
                lockedAway[day][year] = (float) (1 - BatteryYear.coldFactor(mean - ownSwing / 2));
                chargeable[year][day] = (float) chargeable(mean, ownSwing, day);
                double diffuse = Sunlight.diffuseShare(k, sunset[day]);
                beamMj[day][year] = (float) (aboveMj[day] * k * (1 - diffuse) * chargeable[year][day]);
                diffuseMj[day][year] = (float) (aboveMj[day] * k * diffuse * chargeable[year][day]);
            }
        }
    }

    /** The month's figure in its middle, running straight to the next month's. */
    private double between(List<Double> months, int day) {
        double at = (day + 0.5) / DAYS * 12 - 0.5;
        int from = (int) Math.floor(at);
        double share = at - from;
        double one = months.get(Climate.month(Math.floorMod(from, 12) + 1, latitudeDeg));
        double other = months.get(Climate.month(Math.floorMod(from + 1, 12) + 1, latitudeDeg));
        return one + share * (other - one);
    }

    private static int monthOf(int day) {
        return Math.min(12, (int) (day / (DAYS / 12.0)) + 1);
    }

    private static double[][] quantiles(Climate climate) {
        double[][] table = new double[12][QUANTILES + 1];
        for (int month = 0; month < 12; month++) {
            double mean = climate.clearness().get(month);
            BetaDistribution beta = new BetaDistribution(CONCENTRATION * mean, CONCENTRATION * (1 - mean));
            for (int q = 0; q <= QUANTILES; q++) {
                table[month][q] = beta.inverseCumulativeProbability(Math.max(1e-4, Math.min(1 - 1e-4, q / (double) QUANTILES)));
            }
        }
        return table;
    }

    private static double quantile(double[] table, double z) {
        double at = 0.5 * (1 + Erf.erf(z / Math.sqrt(2))) * QUANTILES;
        int from = Math.min(QUANTILES - 1, (int) at);
        double k = table[from] + (at - from) * (table[from + 1] - table[from]);
        return Math.max(LEAST_CLEARNESS, Math.min(MOST_CLEARNESS, k));
    }

    /** Share of the day's light that comes while it is not freezing: below 0 °C a pack is not charged. */
    private double chargeable(double mean, double swing, int day) {
        if (mean - swing / 2 >= 0) {
            return 1;
        }
        double latitude = Math.toRadians(latitudeDeg);
        double declination = Sunlight.declinationRad(day + 1);
        double all = 0;
        double warm = 0;
        for (int hour = 0; hour < 24; hour++) {
            double angle = Math.toRadians(15 * (hour + 0.5 - 12));
            double high = Math.sin(latitude) * Math.sin(declination) + Math.cos(latitude) * Math.cos(declination) * Math.cos(angle);
            if (high > 0) {
                all += high;
                warm += mean + swing / 2 * Math.cos(Math.PI / 12 * (hour + 0.5 - WARMEST_HOUR)) >= 0 ? high : 0;
            }
        }
        return all == 0 ? 0 : warm / all;
    }

    public int years() {
        return meanC.length;
    }

    public double latitudeDeg() {
        return latitudeDeg;
    }

    /** @param day of the year, from 0 */
    public double meanC(int year, int day) {
        return meanC[year][day];
    }

    public double lowestC(int year, int day) {
        return lowestC[year][day];
    }

    public double clearness(int year, int day) {
        return clearness[year][day];
    }

    /** Light of one day of each year straight from the sun on level ground while a pack can be charged, MJ/m². Not to be written to. */
    float[] beamMj(int day) {
        return beamMj[day];
    }

    /** The same of the light that comes from the whole sky. */
    float[] diffuseMj(int day) {
        return diffuseMj[day];
    }

    /** Share of a pack that the cold of one day of each year keeps back. Not to be written to. */
    float[] lockedAway(int day) {
        return lockedAway[day];
    }

    public double chargeable(int year, int day) {
        return chargeable[year][day];
    }
}
