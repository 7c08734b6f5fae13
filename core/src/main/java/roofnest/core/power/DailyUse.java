package roofnest.core.power;

import roofnest.core.catalogue.MotionSpec;
import roofnest.core.catalogue.PowerSpec;
import roofnest.core.lang.Require;

/**
 * What a camera does in a day.
 *
 * @param nightShare of the clips that need the model's light, 0 to 1
 */
public record DailyUse(double clipsPerDay, double clipSeconds, double liveMinutes, double nightShare) {
    public DailyUse {
        Require.inRange("clips a day", clipsPerDay, 0, 20_000);
        Require.inRange("clip length in seconds", clipSeconds, 1, 600);
        Require.inRange("live minutes a day", liveMinutes, 0, 1440);
        Require.inRange("share of clips at night", nightShare, 0, 1);
    }

    /**
     * Charge used in a day, mAh: standby·24 + clips·(wake + length)·record/3600 + live·minutes/60 + light.
     *
     * @param uplinkFactor how many times longer the radio sends than at full rate, 1 or more
     */
    public double chargeMah(PowerSpec power, MotionSpec motion, double uplinkFactor) {
        Require.inRange("uplink factor", uplinkFactor, 1, 10);
        double clipHours = clipsPerDay * (motion.wakeSeconds() + clipSeconds) / 3600;
        return power.standbyMa() * 24
                + clipHours * power.recordMa() * uplinkFactor
                + liveMinutes / 60 * power.liveMa() * uplinkFactor
                + clipHours * nightShare * power.lightMa();
    }
}
