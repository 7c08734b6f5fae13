package roofnest.core.radio;

import roofnest.core.lang.Require;

/**
 * How much of a channel's time a stream takes: its bit rate over what of the radio's rate is left for data,
 * {@code bitrate / (0.6 × rate)}. Preambles, acknowledgements and contention take the rest.
 * Source: Bianchi, "Performance analysis of the IEEE 802.11 distributed coordination function", IEEE JSAC 18(3), 2000.
 */
public final class Airtime {
    /** Share of the radio's rate that carries data. */
    public static final double EFFICIENCY = 0.6;
    /** A band holds while all that sends in it, neighbours included, stays under this share of the time. */
    public static final double FULL_SHARE = 0.8;

    private Airtime() {}

    /** Share of the time, 0 to 1; 1 when the signal carries nothing at all. */
    public static double share(double bitrateMbps, double rssiDbm) {
        Require.inRange("bit rate in Mbit/s", bitrateMbps, 0, 1000);
        double rate = LinkBudget.rateMbps(rssiDbm);
        return rate == 0 ? 1 : Math.min(1, bitrateMbps / (EFFICIENCY * rate));
    }
}
