package roofnest.core.week;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Predicate;

import roofnest.core.catalogue.MotionSpec;
import roofnest.core.lang.Require;
import roofnest.core.plan.Ground;
import roofnest.core.plan.PlanPoint;
import roofnest.core.plan.Walk;

/**
 * What walks before a camera say of its sensor. Range and fan are shares of what its document states, with what is known beforehand
 * (log-normal about one) on a grid of equal steps of the logarithm; each walk that was noticed or not weighs each pair by whether that
 * pair foretells it, one in ten wrong either way. The wake is what is left of the seconds that were counted after the moment at which the
 * sensor should have felt somebody, added to the document's as to one reading among others.
 */
public final class SensorFit {
    static final double LEAST_RANGE = 0.4;
    static final double MOST_RANGE = 1 / LEAST_RANGE;
    private static final int RANGES = 25;
    private static final double[] FANS = {0.85, 1, 1 / 0.85};
    /** Of the logarithm of the range, and of the fan. */
    static final double RANGE_SPREAD = 0.25;
    static final double FAN_SPREAD = 0.1;
    /** A walk comes out otherwise than it should so often. */
    static final double WRONG = 0.1;
    /** Seconds by which a document's wake, and a counted one, are off. */
    static final double WAKE_SPREAD_S = 1;
    static final double COUNTED_SPREAD_S = 0.8;
    private static final double LOW = 0.05;
    private static final double HIGH = 0.95;
    /** A proposed walk, metres, and how its middles are spread: so many bearings, and distances as shares of the range. */
    static final double WALK_M = 3;
    private static final double[] DISTANCES = {0.45, 0.65, 0.85, 1.05, 1.25, 1.5};
    private static final double[] BEARINGS = {-0.8, -0.4, 0, 0.4, 0.8};
    static final int PROPOSED = 3;
    private static final double APART_M = 2;
    /** One that is as good as certain tells nothing. */
    private static final double UNSURE = 0.03;

    private final Watch watch;
    private final Ground ground;

    /**
     * A walk somebody made before the camera, at an ordinary pace.
     *
     * @param seconds from setting out to the beginning of its clip or its sign; empty where nobody counted
     * @param airC while it was walked
     * @param dark whether it was walked by night
     */
    public record Walked(PlanPoint from, PlanPoint to, boolean noticed, OptionalDouble seconds, double airC, boolean dark) {
        /** Longest wait for a sign, seconds. */
        public static final double MOST_S = 60;
        public static final double LEAST_M = 0.5;
        public static final double MOST_M = 100;

        public Walked {
            seconds.ifPresent(s -> Require.inRange("seconds to the sign", s, 0, MOST_S));
            Require.inRange("air in °C", airC, -50, 60);
            Require.inRange("length of the walk in metres", from.distanceM(to), LEAST_M, MOST_M);
        }

        Walk way() {
            return new Walk("w", "walk", List.of(from, to));
        }
    }

    /**
     * What was found.
     *
     * @param motion as the sensor is taken to be
     * @param rangeShare of the range that its document states, and within which nine in ten lie
     * @param walks that it rests on
     */
    public record Fit(MotionSpec motion, double rangeShare, double lowShare, double highShare, double fanShare, int walks) {}

    /** A walk that would tell most. @param chance that it is noticed, as far as is known */
    public record Proposal(PlanPoint from, PlanPoint to, double chance) {}

    /** @param watch with the sensor of its document, as it hangs and is set */
    public SensorFit(Watch watch, Ground ground) {
        this.watch = watch;
        this.ground = ground;
    }

    public Fit fit(List<Walked> walks) {
        double[][] weights = weights(walks);
        double logRange = 0;
        double logFan = 0;
        double[] marginal = new double[RANGES];
        for (int r = 0; r < RANGES; r++) {
            for (int f = 0; f < FANS.length; f++) {
                logRange += weights[r][f] * Math.log(range(r));
                logFan += weights[r][f] * Math.log(FANS[f]);
                marginal[r] += weights[r][f];
            }
        }
        double range = Math.exp(logRange);
        double fan = Math.exp(logFan);
        MotionSpec stated = watch.model().motion();
        MotionSpec bent = new MotionSpec(stated.sensing(), clamp(stated.rangeM() * range, 1, 40), clamp(stated.fanDeg() * fan, 10, 180),
                clamp(wake(walks, range), 0, 10), stated.prerollSeconds());
        return new Fit(bent, range, quantile(marginal, LOW, -0.5), quantile(marginal, HIGH, 0.5), fan, walks.size());
    }

    /** Walks of which it is least sure whether they would be noticed, the most telling first; none where all are as good as certain. */
    public List<Proposal> proposals(List<Walked> walks, Predicate<PlanPoint> walkable, double airC, boolean dark) {
        double[][] weights = weights(walks);
        PlanPoint at = watch.vision().eye().pose().onPlan();
        double heading = watch.vision().eye().pose().headingDeg();
        double halfFan = watch.model().motion().fanDeg() / 2;
        List<Proposal> all = new ArrayList<>();
        for (double share : DISTANCES) {
            for (double bearing : BEARINGS) {
                PlanPoint middle = at.towards(heading + bearing * halfFan, share * watch.rangeM());
                for (double turned : new double[] {90, 0}) {
                    PlanPoint from = middle.towards(heading + bearing * halfFan + turned, WALK_M / 2);
                    PlanPoint to = middle.towards(heading + bearing * halfFan + turned + 180, WALK_M / 2);
                    if (walkable.test(from) && walkable.test(middle) && walkable.test(to)) {
                        all.add(new Proposal(from, to, chance(weights, new Walked(from, to, true, OptionalDouble.empty(), airC, dark))));
                    }
                }
            }
        }
        List<Proposal> best = new ArrayList<>();
        all.stream().filter(one -> one.chance() > WRONG + UNSURE && one.chance() < 1 - WRONG - UNSURE)
                .sorted(Comparator.comparingDouble(one -> Math.abs(one.chance() - 0.5))).forEach(one -> {
                    if (best.size() < PROPOSED && best.stream().allMatch(other -> other.from().distanceM(one.from()) >= APART_M
                            || other.to().distanceM(one.to()) >= APART_M)) {
                        best.add(one);
                    }
                });
        return best;
    }

    /** Whether the sensor of the document would notice a walk at all. */
    public boolean foretold(Walked walk) {
        return passage(1, walk).noticeWithin(warmth(walk), walk.dark()).isPresent();
    }

    /**
     * What a sensor answers that is otherwise than its document says.
     *
     * @param rangeShare and {@code fanShare}: of what the document states
     * @return whether it notices the walk, and after how many seconds its sign comes; the seconds are empty where it does not
     */
    public Walked answered(Walked walk, double rangeShare, double fanShare, double wakeS) {
        Require.inRange("share of the range", rangeShare, LEAST_RANGE, MOST_RANGE);
        Require.inRange("share of the fan", fanShare, 0.5, 2);
        Optional<Passage.Noticed> felt = passage(fanShare, walk).noticeWithin(warmth(walk) * rangeShare, walk.dark());
        return new Walked(walk.from(), walk.to(), felt.isPresent(), felt.map(noticed -> OptionalDouble.of(Math.min(Walked.MOST_S,
                noticed.triggerS() + wakeS))).orElse(OptionalDouble.empty()), walk.airC(), walk.dark());
    }

    /** The stated sensor. */
    public MotionSpec stated() {
        return watch.model().motion();
    }

    private double chance(double[][] weights, Walked walk) {
        boolean[][] noticed = noticed(walk);
        double chance = 0;
        for (int r = 0; r < RANGES; r++) {
            for (int f = 0; f < FANS.length; f++) {
                chance += weights[r][f] * (noticed[r][f] ? 1 - WRONG : WRONG);
            }
        }
        return chance;
    }

    private double[][] weights(List<Walked> walks) {
        double[][] weights = new double[RANGES][FANS.length];
        for (int r = 0; r < RANGES; r++) {
            for (int f = 0; f < FANS.length; f++) {
                weights[r][f] = Math.exp(-square(Math.log(range(r)) / RANGE_SPREAD) / 2 - square(Math.log(FANS[f]) / FAN_SPREAD) / 2);
            }
        }
        for (Walked walk : walks) {
            boolean[][] noticed = noticed(walk);
            for (int r = 0; r < RANGES; r++) {
                for (int f = 0; f < FANS.length; f++) {
                    weights[r][f] *= noticed[r][f] == walk.noticed() ? 1 - WRONG : WRONG;
                }
            }
        }
        double sum = 0;
        for (double[] row : weights) {
            for (double each : row) {
                sum += each;
            }
        }
        for (double[] row : weights) {
            for (int f = 0; f < row.length; f++) {
                row[f] /= sum;
            }
        }
        return weights;
    }

    /** What each pair of range and fan foretells of a walk. */
    private boolean[][] noticed(Walked walk) {
        boolean[][] noticed = new boolean[RANGES][FANS.length];
        for (int f = 0; f < FANS.length; f++) {
            Passage passage = passage(FANS[f], walk);
            for (int r = 0; r < RANGES; r++) {
                noticed[r][f] = passage.noticeWithin(warmth(walk) * range(r), walk.dark()).isPresent();
            }
        }
        return noticed;
    }

    private Passage passage(double fanShare, Walked walk) {
        MotionSpec stated = watch.model().motion();
        MotionSpec other = new MotionSpec(stated.sensing(), stated.rangeM(), clamp(stated.fanDeg() * fanShare, 10, 180),
                stated.wakeSeconds(), stated.prerollSeconds());
        return new Passage(watch.noticing(other), new Source.Way("w", "walk", walk.way(), 1, 0, ""), SourceKind.Body.GROWN, ground);
    }

    private double warmth(Walked walk) {
        return watch.model().motion().sensing() == MotionSpec.Sensing.PICTURE ? 1
                : Warmth.factor(SourceKind.Body.GROWN, walk.airC());
    }

    /** Mean of the document's wake and of what was counted, each by how sure it is. */
    private double wake(List<Walked> walks, double range) {
        double weight = 1 / square(WAKE_SPREAD_S);
        double sum = watch.model().motion().wakeSeconds() * weight;
        for (Walked walk : walks) {
            Optional<Passage.Noticed> felt = passage(1, walk).noticeWithin(warmth(walk) * range, walk.dark());
            if (walk.noticed() && walk.seconds().isPresent() && felt.isPresent()) {
                sum += Math.max(0, walk.seconds().getAsDouble() - felt.get().triggerS()) / square(COUNTED_SPREAD_S);
                weight += 1 / square(COUNTED_SPREAD_S);
            }
        }
        return sum / weight;
    }

    /** @param edge of the grid's cell that is meant, in steps from its middle */
    private static double quantile(double[] marginal, double share, double edge) {
        double sum = 0;
        for (int r = 0; r < marginal.length; r++) {
            sum += marginal[r];
            if (sum >= share) {
                return range(r + edge);
            }
        }
        return MOST_RANGE;
    }

    private static double range(double step) {
        return LEAST_RANGE * Math.pow(MOST_RANGE / LEAST_RANGE, step / (RANGES - 1.0));
    }

    private static double square(double value) {
        return value * value;
    }

    private static double clamp(double value, double least, double most) {
        return Math.max(least, Math.min(most, value));
    }
}
