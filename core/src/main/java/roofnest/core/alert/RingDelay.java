package roofnest.core.alert;

import java.util.Arrays;
import java.util.SplittableRandom;

import org.hipparchus.distribution.continuous.LogNormalDistribution;
import org.hipparchus.stat.descriptive.rank.Percentile;

import roofnest.core.catalogue.DeviceModel;
import roofnest.core.catalogue.MotionSpec;
import roofnest.core.footage.Retention;
import roofnest.core.lang.Require;
import roofnest.core.motion.WalkTest;

/**
 * How long a phone takes to ring from the moment that somebody moves in range: notice, wake, upload and push, one after another. Medians
 * add up; the spread is sampled with a lognormal for each part.
 *
 * @param noticeS a person on foot crosses what the sensor needs at half its range, or moves so long in the picture; median, seconds
 * @param uploadS of what the alert brings with it; of a whole clip with the clip itself, which must be over first
 */
public record RingDelay(double noticeS, double wakeS, double uploadS, double pushS) {
    /** Messages take so long over the phone's own network, median, seconds. */
    public static final double PUSH_S = 1.0;
    public static final double THUMBNAIL_MB = 0.06;
    /** What a house's line sends where nobody measured it, Mbit/s. */
    public static final double USUAL_UP_MBPS = 5;
    /** A camera alone does not send faster, Mbit/s. */
    public static final double MOST_CAMERA_MBPS = 20;
    /** Of the logarithm: notice, wake, upload, push. */
    private static final double[] SPREAD = {0.35, 0.2, 0.5, 0.6};
    private static final double WALKS_M_PER_S = 1.4;
    private static final int SAMPLES = 4000;
    private static final long SEED = 20_260_217;

    public RingDelay {
        Require.inRange("seconds to notice", noticeS, 0, 300);
        Require.inRange("seconds to wake", wakeS, 0, 300);
        Require.inRange("seconds to send", uploadS, 0, 1e5);
        Require.inRange("seconds of the message", pushS, 0, 300);
    }

    /** @param upMbps of the house's line, Mbit/s */
    public static RingDelay of(DeviceModel model, int clipSeconds, Content content, double upMbps) {
        Require.inRange("upload in Mbit/s", upMbps, 0.01, 10_000);
        MotionSpec motion = model.motion();
        double notice = motion.sensing() == MotionSpec.Sensing.PICTURE ? WalkTest.PICTURE_S
                : Math.tan(Math.toRadians(WalkTest.WEDGE_DEG)) * WalkTest.WEDGES_TO_TRIGGER * motion.rangeM() / 2 / WALKS_M_PER_S;
        double sends = Math.min(upMbps, MOST_CAMERA_MBPS);
        double upload = switch (content) {
            case TEXT -> 0;
            case THUMBNAIL -> THUMBNAIL_MB * 8 / sends;
            case EVERYTHING -> clipSeconds + Retention.clipMb(clipSeconds, model.recording().bitrateMbps()) * 8 / sends;
        };
        return new RingDelay(notice, motion.wakeSeconds(), upload, PUSH_S);
    }

    public double medianS() {
        return noticeS + wakeS + uploadS + pushS;
    }

    /** Nine in ten ring within, seconds. */
    public double nineInTenS() {
        double[] medians = {noticeS, wakeS, uploadS, pushS};
        SplittableRandom random = new SplittableRandom(SEED);
        double[] sums = new double[SAMPLES];
        for (int part = 0; part < medians.length; part++) {
            if (medians[part] == 0) {
                continue;
            }
            LogNormalDistribution spread = new LogNormalDistribution(Math.log(medians[part]), SPREAD[part]);
            for (int i = 0; i < SAMPLES; i++) {
                sums[i] += spread.inverseCumulativeProbability(random.nextDouble(1e-9, 1 - 1e-9));
            }
        }
        return Arrays.stream(sums).allMatch(sum -> sum == 0) ? 0 : new Percentile(90).evaluate(sums);
    }
}
