package roofnest.standins.sensing;

import java.util.SplittableRandom;

import roofnest.core.catalogue.MotionSpec;
import roofnest.core.week.SensorFit;

/**
 * A sensor of a model that reaches farther or less far, wider or narrower and wakes sooner or later than its document says, as single ones
 * do. It answers walks as it is, and one in twelve otherwise. The same seed is the same sensor.
 */
public final class SensorStandIn {
    /** Of the logarithm of its range. */
    private static final double RANGE_SPREAD = 0.25;
    private static final double MOST_SPREADS = 2;
    private static final double FAN_SPREAD = 0.1;
    private static final double WAKE_SPREAD_S = 0.6;
    private static final int WRONG_ONE_IN = 12;

    private final SensorFit fit;
    private final long seed;
    private final double rangeShare;
    private final double fanShare;
    private final double wakeS;

    public SensorStandIn(SensorFit fit, long seed) {
        this.fit = fit;
        this.seed = seed;
        SplittableRandom random = new SplittableRandom(seed);
        this.rangeShare = Math.exp(RANGE_SPREAD * spread(random));
        this.fanShare = Math.exp(FAN_SPREAD * spread(random));
        this.wakeS = Math.max(0, fit.stated().wakeSeconds() + WAKE_SPREAD_S * spread(random));
    }

    private static double spread(SplittableRandom random) {
        return Math.max(-MOST_SPREADS, Math.min(MOST_SPREADS, random.nextGaussian()));
    }

    /** @param asked of which noticing and seconds are of no account. @param nth walk before it, from 0 */
    public SensorFit.Walked answer(SensorFit.Walked asked, int nth) {
        SensorFit.Walked answer = fit.answered(asked, rangeShare, fanShare, wakeS);
        boolean wrong = new SplittableRandom(seed ^ (nth + 1L) * 0x9E3779B97F4A7C15L).nextInt(WRONG_ONE_IN) == 0;
        return wrong ? new SensorFit.Walked(asked.from(), asked.to(), !answer.noticed(), java.util.OptionalDouble.empty(), asked.airC(),
                asked.dark()) : answer;
    }

    /** What it truly is. */
    public MotionSpec truth() {
        MotionSpec stated = fit.stated();
        return new MotionSpec(stated.sensing(), stated.rangeM() * rangeShare, Math.max(10, Math.min(180, stated.fanDeg() * fanShare)),
                wakeS,
                stated.prerollSeconds());
    }
}
