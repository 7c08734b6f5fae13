package roofnest.core.week;

import java.util.Set;

import roofnest.core.catalogue.AlertSpec;
import roofnest.core.lang.Require;

/**
 * How a camera is set to watch.
 *
 * @param sensitivity step, from 0, the dullest
 * @param kinds that count
 * @param coolDownSeconds between clips
 */
public record WatchSetting(int sensitivity, Set<AlertSpec.Kind> kinds, int clipSeconds, int coolDownSeconds) {
    /** Share of the range of the step in the middle that the dullest and the keenest step have. */
    static final double DULLEST = 0.6;
    static final double KEENEST = 1.4;

    public WatchSetting {
        Require.inRange("sensitivity step", sensitivity, 0, 99);
        Require.inRange("clip length in seconds", clipSeconds, 1, 600);
        Require.inRange("cool-down in seconds", coolDownSeconds, 0, 3600);
        kinds = Set.copyOf(kinds);
        Require.inRange("kinds that count", kinds.size(), 1, AlertSpec.Kind.values().length);
    }

    /** As it comes: the step in the middle, all movement. */
    public static WatchSetting usual(AlertSpec alerts, int clipSeconds, int coolDownSeconds) {
        return new WatchSetting((alerts.sensitivity().size() - 1) / 2, Set.of(AlertSpec.Kind.ANY), clipSeconds, coolDownSeconds);
    }

    /** Share of its stated range that a camera has at this step. @param steps that it offers */
    double rangeShare(int steps) {
        return steps == 1 ? 1 : DULLEST + (KEENEST - DULLEST) * Math.min(sensitivity, steps - 1) / (steps - 1);
    }
}
