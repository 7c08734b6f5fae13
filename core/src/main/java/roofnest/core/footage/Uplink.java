package roofnest.core.footage;

import java.util.List;

import roofnest.core.lang.Require;

/**
 * What a house's cameras send up the line at once. Each sends at its bit rate for a share of the busiest hour,
 * independently of the others; the sum's distribution is found exactly, by adding one camera after another on a grid of
 * {@link #STEP_MBPS}, and the line must carry what it exceeds one second in a hundred.
 */
public final class Uplink {
    public static final double STEP_MBPS = 0.1;
    public static final double RARE = 0.99;
    /** Share of a measured line that cameras may fill. */
    public static final double USABLE_SHARE = 0.75;

    private Uplink() {}

    /** @param busyShare of the busiest hour in which it sends, 0 to 1 */
    public record Stream(double bitrateMbps, double busyShare) {
        public Stream {
            Require.inRange("bit rate in Mbit/s", bitrateMbps, 0, 100);
            Require.inRange("share of the busiest hour", busyShare, 0, 1);
        }
    }

    /** The rate that is exceeded one second in a hundred, Mbit/s. */
    public static double rareMbps(List<Stream> streams) {
        double[] chance = {1};
        for (Stream stream : streams) {
            int steps = (int) Math.ceil(stream.bitrateMbps() / STEP_MBPS - 1e-9);
            double[] next = new double[chance.length + steps];
            for (int i = 0; i < chance.length; i++) {
                next[i] += chance[i] * (1 - stream.busyShare());
                next[i + steps] += chance[i] * stream.busyShare();
            }
            chance = next;
        }
        double below = 0;
        for (int i = 0; i < chance.length; i++) {
            below += chance[i];
            if (below >= RARE - 1e-12) {
                return i * STEP_MBPS;
            }
        }
        return (chance.length - 1) * STEP_MBPS;
    }

    public static boolean carries(double uploadMbps, double rareMbps) {
        return rareMbps <= USABLE_SHARE * uploadMbps + 1e-9;
    }
}
