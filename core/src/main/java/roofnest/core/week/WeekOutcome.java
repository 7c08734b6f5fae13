package roofnest.core.week;

import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;

import org.hipparchus.stat.descriptive.rank.Percentile;

import roofnest.core.alert.DeviceRule;
import roofnest.core.plan.PlanPoint;

/**
 * What many weeks come to.
 *
 * @param weeks that were drawn
 * @param rings of all cameras in a week; a clip counts once, however many phones it rings, and not if it rings none
 * @param ringsByHour a week, by hour of the week
 * @param missed arrivals in a week of which nobody was told
 * @param phones each phone by itself, and {@code held} how often each rule between devices came to hold
 * @param middleWeek the drawn week whose rings are nearest to the middle, from 0
 */
public record WeekOutcome(int weeks, List<OfCamera> cameras, Spread rings, Map<SourceKind.Want, Spread> ringsByWant,
        Map<SourceKind.Want, double[]> ringsByHour, List<Arrivals> arrivals, Spread missed, int middleWeek,
        List<OfPhone> phones, List<OfRule> held) {
    /** Nine weeks in ten lie from {@code low} to {@code high}; in none of those drawn was it more than {@code most}. */
    public record Spread(double mean, double low, double middle, double high, double most) {
        private static final double LOW_PERCENT = 5;
        private static final double HIGH_PERCENT = 95;

        static Spread of(double[] values) {
            Percentile percentile = new Percentile();
            percentile.setData(values);
            return new Spread(Arrays.stream(values).average().orElse(0), percentile.evaluate(LOW_PERCENT), percentile.evaluate(50),
                    percentile.evaluate(HIGH_PERCENT), Arrays.stream(values).max().orElse(0));
        }

        /** Of a day. */
        public double aDay() {
            return mean / Week.DAYS;
        }
    }

    /** Where a camera notices something, and how many clips a week that begins. */
    public record Spot(SourceKind kind, PlanPoint at, double aWeek) {}

    /**
     * One camera's weeks.
     *
     * @param byKind clips a week, by what began them, and {@code ringsByKind} those that rang a phone
     * @param byHour clips a week, by hour of the week
     * @param noticedAWeek all that it noticed and that counts, also while a clip ran or it rested
     * @param darkShare of its clips that begin in the dark; 0 without clips
     * @param recordedS of a week, and {@code levelS}: of them showing somebody at the level asked for; seconds
     */
    public record OfCamera(long cameraId, String name, Spread clips, Map<SourceKind, Double> byKind,
            Map<SourceKind, Double> ringsByKind, double[] byHour, double noticedAWeek, Spread recordedS, Spread levelS, double darkShare,
            List<Spot> spots) {
        /** Noticed a day, before any clip or cool-down swallows it. */
        public double noticedADay() {
            return noticedAWeek / Week.DAYS;
        }
    }

    /**
     * One phone's weeks.
     *
     * @param byHour rings a week, by hour of the week
     * @param stormsAWeek how often it rings {@link Rings#STORM_RINGS} times within {@link Rings#STORM_S}
     */
    public record OfPhone(long personId, String name, Spread rings, double[] byHour, double stormsAWeek) {}

    /** How often a rule between devices came to hold in a week, by what set it off. */
    public record OfRule(DeviceRule rule, Map<SourceKind, Double> byKind) {
        public double aWeek() {
            return byKind.values().stream().mapToDouble(Double::doubleValue).sum();
        }
    }

    /** The phone that rings most in the busiest weeks; empty where none can ring. */
    public Optional<OfPhone> loudestPhone() {
        return phones.stream().max(Comparator.comparingDouble(phone -> phone.rings().high()));
    }

    /** Those who come to a place: how many came in all the weeks, and of how many somebody was told, or has a recording. */
    public record Arrivals(String placeId, long came, long told, long recorded, int weeks) {
        public double aWeek() {
            return came / (double) weeks;
        }

        /** Of a hundred, how many somebody is told of; not a number where nobody came. */
        public double toldInHundred() {
            return 100.0 * told / came;
        }

        public double recordedInHundred() {
            return 100.0 * recorded / came;
        }
    }
}
