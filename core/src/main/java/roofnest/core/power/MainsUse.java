package roofnest.core.power;

import roofnest.core.catalogue.MotionSpec;
import roofnest.core.catalogue.PowerSpec;
import roofnest.core.lang.Require;

/** What a camera on mains takes of it, and how long a small buffer keeps a router going. */
public final class MainsUse {
    /** Of what an adapter takes from the wall, the camera gets so much. */
    public static final double ADAPTER_SHARE = 0.8;
    /** Of what stands on a buffer's label, so much comes out of it. */
    public static final double BUFFER_SHARE = 0.85;
    /** A router takes so much, and a hub, watts: ordinary figures. */
    public static final double ROUTER_W = 10;
    public static final double HUB_W = 4;
    /** A recorder with one disk, watts. */
    public static final double RECORDER_W = 10;
    private static final double DAYS_A_YEAR = 365.25;
    private static final double W_A_KW = 1000;

    private MainsUse() {}

    /** Kilowatt-hours of a year, from the wall. */
    public static double kwhAYear(DailyUse use, PowerSpec power, MotionSpec motion) {
        return use.chargeMah(power, motion, 1) / 1000 * power.packVolts() / ADAPTER_SHARE * DAYS_A_YEAR / W_A_KW;
    }

    /** Kilowatt-hours of a year of what takes so many watts all the time. */
    public static double kwhAYear(double watts) {
        return Require.inRange("watts", watts, 0, 10_000) * 24 * DAYS_A_YEAR / W_A_KW;
    }

    /** Hours that a buffer keeps so many watts going. @param wh on its label, watt-hours */
    public static double bufferHours(double wh, double watts) {
        Require.inRange("watt-hours of a buffer", wh, 1, 100_000);
        Require.inRange("watts on a buffer", watts, 0.1, 10_000);
        return wh * BUFFER_SHARE / watts;
    }
}
