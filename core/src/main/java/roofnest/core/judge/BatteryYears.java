package roofnest.core.judge;

import java.util.Optional;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;

import roofnest.core.catalogue.PowerSpec;
import roofnest.core.plan.HousePlan;
import roofnest.core.power.BatteryYear;
import roofnest.core.power.Climate;
import roofnest.core.radio.LinkBudget;

/** Years of batteries, each found once and kept: a year is the same as long as all that it depends on is. */
final class BatteryYears {
    private static final int KEPT = 256;
    /** Data rate at and above which the radio sends no longer than it must, Mbit/s. */
    private static final double EASY_RATE_MBPS = 26;

    private final Cache<Key, BatteryYear.Outcome> kept = Caffeine.newBuilder().maximumSize(KEPT).build();

    /** All that a battery's year depends on. */
    private record Key(PowerSpec power, double drawMahPerDay, Climate climate, BatteryYear.Plan plan) {}

    BatteryYear.Outcome of(HouseholdFacts facts, Camera camera, Optional<LinkBudget> link, int chargeEveryDays) {
        double uplink = link.map(budget -> uplinkFactor(budget.rssiDbm())).orElse(1.0);
        double draw = camera.settings().dailyUse().chargeMah(camera.model().power(), camera.model().motion(), uplink);
        double latitude = facts.plan().map(HousePlan::latitudeDeg).orElse(50.0);
        BatteryYear.Plan plan = new BatteryYear.Plan(
                camera.lastCharged().orElse(facts.today()), latitude, camera.settings().openSkyShare(), chargeEveryDays);
        return kept.get(new Key(camera.model().power(), draw, facts.climate(), plan),
                key -> BatteryYear.of(camera.model().power(), draw, facts.climate(), plan));
    }

    /** A slow link keeps the radio on for longer: up to twice the current's time when the rate falls to its lowest. */
    private static double uplinkFactor(double rssiDbm) {
        double rate = Math.max(6.5, LinkBudget.rateMbps(rssiDbm));
        return 1 + Math.max(0, Math.min(1, (EASY_RATE_MBPS / rate - 1) / 3));
    }
}
