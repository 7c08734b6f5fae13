package roofnest.core.footage;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

import roofnest.core.lang.Numbers;
import roofnest.core.lang.Require;

/**
 * A month's data over the line, in decimal gigabytes: clips that are sent up, and live minutes that are watched from
 * outside. {@code clips · seconds · Mbit/s / 8000 · 30}, {@code minutes · 60 · Mbit/s / 8000 · 30}.
 */
public final class MonthData {
    private static final int DAYS = 30;
    /** Of clips kept in the house, the share that somebody looks at from outside. */
    public static final double LOOKED_AT_SHARE = 0.15;

    private MonthData() {}

    /** @param cloud whether every clip goes up, rather than only those looked at */
    public record Use(String camera, double clipsPerDay, double clipSeconds, double bitrateMbps, double liveMinutes, boolean cloud) {
        public Use {
            Require.inRange("clips a day", clipsPerDay, 0, 2000);
            Require.inRange("clip length in seconds", clipSeconds, 1, 600);
            Require.inRange("bit rate in Mbit/s", bitrateMbps, 0, 100);
            Require.inRange("live minutes a day", liveMinutes, 0, 1440);
        }

        public double clipsGb() {
            return clipsPerDay * Retention.clipMb(clipSeconds, bitrateMbps) / 1000 * DAYS * (cloud ? 1 : LOOKED_AT_SHARE);
        }

        public double liveGb() {
            return Retention.clipMb(liveMinutes * 60, bitrateMbps) / 1000 * DAYS;
        }

        public double gb() {
            return clipsGb() + liveGb();
        }
    }

    public static double totalGb(List<Use> uses) {
        return uses.stream().mapToDouble(Use::gb).sum();
    }

    /** @param savesGb a month */
    public record TurnDown(String what, double savesGb) {}

    /** What to turn down first: the greatest saving first. */
    public static List<TurnDown> turnDown(List<Use> uses) {
        List<TurnDown> ways = new ArrayList<>();
        for (Use use : uses) {
            if (use.liveGb() > 0) {
                ways.add(new TurnDown(use.camera() + ": " + Numbers.plain(use.liveMinutes() / 2) + " live minutes a day instead of "
                        + Numbers.plain(use.liveMinutes()), use.liveGb() / 2));
            }
            if (use.cloud() && use.clipsGb() > 0) {
                ways.add(new TurnDown(use.camera() + ": clips on a card, sent only when looked at", use.clipsGb() * (1 - LOOKED_AT_SHARE)));
            }
            if (use.clipsGb() > 0) {
                ways.add(new TurnDown(use.camera() + ": clips of " + Numbers.fixed(use.clipSeconds() / 2, 0) + " s instead of "
                        + Numbers.fixed(use.clipSeconds(), 0) + " s", use.clipsGb() / 2));
            }
        }
        ways.sort(Comparator.comparingDouble(TurnDown::savesGb).reversed());
        return ways;
    }
}
