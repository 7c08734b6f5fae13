package roofnest.standins;

import java.util.Random;

import roofnest.core.catalogue.DeviceModel;

/**
 * The maker's cloud and the phone network, as far as they make people wait: how long until a live picture shows and
 * until an alert rings. Repeatable by seed.
 */
public final class CloudStandIn {
    private static final double LOCAL_LIVE_S = 1.2;
    /** The first connection over the phone network sets up a relay; later ones find it there. */
    private static final double FIRST_RELAY_S = 14;
    private static final double RELAY_LIVE_S = 3.1;
    private static final double PUSH_S = 1.4;
    /** Size of the still picture that goes with an alert, megabits. */
    private static final double STILL_MBIT = 1.6;
    private static final double READING_SIGMA_DB = 2;

    private final Random random;

    public CloudStandIn(long seed) {
        this.random = new Random(seed);
    }

    /** Seconds until a live picture on the house's own Wi-Fi. */
    public double liveAtHomeSeconds(DeviceModel model) {
        return model.motion().wakeSeconds() + LOCAL_LIVE_S + jitter(0.4);
    }

    /** Seconds until a live picture over mobile data. */
    public double liveAwaySeconds(DeviceModel model, boolean first) {
        return model.motion().wakeSeconds() + (first ? FIRST_RELAY_S : RELAY_LIVE_S) + jitter(1.5);
    }

    /** Seconds from the trigger until the phone rings, its still picture sent at {@code uplinkMbps}. */
    public double alertSeconds(DeviceModel model, double uplinkMbps) {
        return model.motion().wakeSeconds() + STILL_MBIT / Math.max(0.2, uplinkMbps) + PUSH_S + jitter(0.6);
    }

    /** What the app's signal line says where {@code expectedDbm} is to be expected: a reading is never quite the mean. */
    public double readingDbm(double expectedDbm) {
        return expectedDbm + random.nextGaussian() * READING_SIGMA_DB;
    }

    private double jitter(double upToSeconds) {
        return random.nextDouble() * upToSeconds;
    }
}
