package roofnest.core.power;

import java.util.List;
import java.util.stream.Stream;

import roofnest.core.catalogue.MotionSpec;
import roofnest.core.catalogue.PowerSpec;
import roofnest.core.lang.Require;
import roofnest.core.lang.Worded;

/**
 * What a day takes of a pack, by cause. Cold draws nothing and leaves less: it is what would have to be drawn besides for the pack to last
 * as long as it does.
 *
 * @param shares in the order of their causes; a cause that takes nothing is left out
 */
public record UseShares(List<Share> shares) {
    /** A pack that is used down leaks as one half full. */
    private static final double MEAN_LEVEL = 0.5;
    private static final double SECONDS_AN_HOUR = 3600;

    public enum Cause implements Worded {
        STANDBY("standing by"), NOTICE("waking up"), CLIPS("recording clips"), LIVE("being watched live"), LIGHT("its light by night"),
        LINK("a weak link"), COLD("the cold"), LEAK("leaking away");

        private final String words;

        Cause(String words) {
            this.words = words;
        }

        @Override
        public String words() {
            return words;
        }
    }

    /** @param mah of a day */
    public record Share(Cause cause, double mah) {}

    public UseShares {
        shares = List.copyOf(shares);
    }

    /**
     * @param uplinkFactor how many times longer the radio sends than at full rate, 1 or more
     * @param coldFactor share of the pack that can be used at the night's lowest, as {@link BatteryYear#coldFactor}
     */
    public static UseShares of(DailyUse use, PowerSpec power, MotionSpec motion, double uplinkFactor, double coldFactor) {
        Require.inRange("uplink factor", uplinkFactor, 1, 10);
        Require.inRange("share of the pack in the cold", coldFactor, 0.1, 1);
        double wakeHours = use.clipsPerDay() * motion.wakeSeconds() / SECONDS_AN_HOUR;
        double clipHours = use.clipsPerDay() * use.clipSeconds() / SECONDS_AN_HOUR;
        double live = use.liveMinutes() / 60 * power.liveMa();
        double drawn = use.chargeMah(power, motion, uplinkFactor);
        double leak = power.capacityMah() * MEAN_LEVEL * BatteryYear.SELF_DISCHARGE_A_DAY;
        return new UseShares(Stream.of(new Share(Cause.STANDBY, power.standbyMa() * 24), new Share(Cause.NOTICE, wakeHours
                * power.recordMa()), new Share(Cause.CLIPS, clipHours * power.recordMa()), new Share(Cause.LIVE, live),
                new Share(Cause.LIGHT, (wakeHours + clipHours) * use.nightShare() * power.lightMa()),
                new Share(Cause.LINK, (uplinkFactor - 1) * ((wakeHours + clipHours) * power.recordMa() + live)),
                new Share(Cause.COLD, (drawn + leak) * (1 / coldFactor - 1)), new Share(Cause.LEAK, leak))
                .filter(share -> share.mah() > 0).toList());
    }

    /** Of a day, all causes together, mAh. */
    public double mahADay() {
        return shares.stream().mapToDouble(Share::mah).sum();
    }

    public double mah(Cause cause) {
        return shares.stream().filter(share -> share.cause() == cause).mapToDouble(Share::mah).sum();
    }

    /** How long a full pack lasts down to its warning, without any sun; a year and more is not told apart by whoever says it. */
    public double packDays(PowerSpec power) {
        return power.capacityMah() * (100 - power.warnPercent()) / 100 / mahADay();
    }
}
