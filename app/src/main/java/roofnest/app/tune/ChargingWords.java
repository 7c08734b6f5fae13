package roofnest.app.tune;

import java.util.List;

import roofnest.core.judge.Camera;
import roofnest.core.lang.Numbers;
import roofnest.core.power.ChargeVisits;
import roofnest.core.visit.Charging;

/** How long the packs of a visit take to charge, on chargers as at Ready. */
final class ChargingWords {
    private static final int CHARGERS = 2;
    private static final int CHARGER_MA = 1000;
    private static final double MINUTES_AN_HOUR = 60;
    private static final double ALL_PERCENT = 100;

    private ChargingWords() {}

    /** Of the first visit; empty where there is none. */
    static String first(List<Camera> packs, ChargeVisits plan) {
        return plan.visits().isEmpty() ? ""
                : of(packs.stream().filter(camera -> plan.visits().get(0).packs().contains(camera.id())).toList());
    }

    /** Down to their warnings, as they are by then at the lowest. */
    static String of(List<Camera> packs) {
        if (packs.isEmpty()) {
            return "";
        }
        int longest = packs.stream().mapToInt(camera -> Charging.minutes(new Charging.Pack(camera.name(), camera.model().power()
                .capacityMah(), camera.model().power().warnPercent() / ALL_PERCENT), CHARGER_MA)).max().orElse(0);
        // One after another on each charger, none longer than the longest: never less than it really takes.
        int minutes = (packs.size() + CHARGERS - 1) / CHARGERS * longest;
        return (packs.size() == 1 ? "The pack is full after " : "The " + packs.size() + " packs are full after ") + Numbers.fixed(minutes
                / MINUTES_AN_HOUR, 1) + " h at most, on " + CHARGERS + " chargers of " + CHARGER_MA
                + " mA; with spare ones charged the day before nobody waits.";
    }
}
