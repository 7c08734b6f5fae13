package roofnest.core.judge;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;

import roofnest.core.catalogue.PowerSpec;
import roofnest.core.plan.HousePlan;
import roofnest.core.power.BatteryYear;
import roofnest.core.power.Climate;
import roofnest.core.power.PanelLight;
import roofnest.core.power.Weather;
import roofnest.core.radio.LinkBudget;
import roofnest.core.view.CameraPose;
import roofnest.core.view.PanelShade;

/** Years of batteries, each found once and kept: a year is the same as long as all that it depends on is. */
final class BatteryYears {
    /** Years of weather that a battery is run through. */
    static final int YEARS = 100;
    static final long SEED = 20_260_101;
    private static final int KEPT = 256;
    private static final int KEPT_SUNS = 24;
    /** Data rate at and above which the radio sends no longer than it must, Mbit/s. */
    private static final double EASY_RATE_MBPS = 26;
    /** The panel sits over the lens, metres. */
    private static final double OVER_LENS_M = 0.15;
    /** Where a house has no plan, and so no latitude, a middle one is taken. */
    static final double NO_PLAN_LATITUDE_DEG = 50;

    private final Optional<House> house;
    private final Function<Camera, CameraEye> eyes;
    private final Cache<Key, BatteryYear.Outcome> kept = Caffeine.newBuilder().executor(Runnable::run).maximumSize(KEPT).build();
    private final Cache<SunKey, BatteryYear> suns = Caffeine.newBuilder().executor(Runnable::run).maximumSize(KEPT_SUNS).build();
    private final Cache<Climate, Weather> weathers = Caffeine.newBuilder().executor(Runnable::run).maximumSize(4).build();

    /** All that a battery's year depends on. */
    private record Key(SunKey sun, double drawMahPerDay, LocalDate from, int chargeEveryDays) {}

    /** All that the sun's part depends on; a camera without a panel is the same wherever it hangs. */
    private record SunKey(PowerSpec power, Climate climate, double latitudeDeg, double openSkyShare, double slopeDeg, double headingDeg,
            double xM, double yM, double zM) {}

    /** @param eyes whose rays are the panels' too, since a panel hangs over its lens */
    BatteryYears(Optional<House> house, Function<Camera, CameraEye> eyes) {
        this.house = house;
        this.eyes = eyes;
    }

    BatteryYear.Outcome of(HouseholdFacts facts, Camera camera, Optional<LinkBudget> link, int chargeEveryDays) {
        double draw = draw(camera, link);
        SunKey sun = sun(facts, camera);
        LocalDate from = camera.lastCharged().orElse(facts.today());
        return kept.get(new Key(sun, draw, from, chargeEveryDays),
                key -> suns.get(sun, sunKey -> year(sunKey, camera)).of(draw, new BatteryYear.Plan(from, chargeEveryDays)));
    }

    /** Whether a pack that is charged every so many days certainly falls under a charge in the bad year, percent. */
    boolean fallsUnder(double percent, HouseholdFacts facts, Camera camera, Optional<LinkBudget> link, int chargeEveryDays) {
        SunKey sun = sun(facts, camera);
        return suns.get(sun, sunKey -> year(sunKey, camera)).fallsUnder(percent, draw(camera, link),
                new BatteryYear.Plan(camera.lastCharged().orElse(facts.today()), chargeEveryDays));
    }

    private static double draw(Camera camera, Optional<LinkBudget> link) {
        double uplink = link.map(budget -> uplinkFactor(budget.rssiDbm())).orElse(1.0);
        return camera.settings().dailyUse().chargeMah(camera.model().power(), camera.model().motion(), uplink);
    }

    /** Each day of the year from the last charge on, in all years at once. */
    List<BatteryYear.Band> band(HouseholdFacts facts, Camera camera, Optional<LinkBudget> link, int chargeEveryDays) {
        double draw = draw(camera, link);
        SunKey sun = sun(facts, camera);
        return suns.get(sun, sunKey -> year(sunKey, camera)).band(draw, new BatteryYear.Plan(camera.lastCharged().orElse(facts.today()),
                chargeEveryDays));
    }

    /** Days of a mean year on which a panel gives nothing because it freezes for as long as there is light. */
    double frozenDays(HouseholdFacts facts, Camera camera) {
        SunKey sun = sun(facts, camera);
        return suns.get(sun, sunKey -> year(sunKey, camera)).frozenDays();
    }

    /** Days that a pack lasts from a full charge on, with nobody charging, in the bad year. */
    int lastsDays(HouseholdFacts facts, Camera camera, Optional<LinkBudget> link, LocalDate full) {
        double draw = draw(camera, link);
        SunKey sun = sun(facts, camera);
        return suns.get(sun, sunKey -> year(sunKey, camera)).lastsDays(draw, full);
    }

    /** What is to be expected of a pack between two days. */
    BatteryYear.Between between(HouseholdFacts facts, Camera camera, Optional<LinkBudget> link, LocalDate from, LocalDate to) {
        double draw = draw(camera, link);
        SunKey sun = sun(facts, camera);
        return suns.get(sun, sunKey -> year(sunKey, camera)).between(draw, from, to);
    }

    private SunKey sun(HouseholdFacts facts, Camera camera) {
        PowerSpec power = camera.model().power();
        double latitude = facts.plan().map(HousePlan::latitudeDeg).orElse(NO_PLAN_LATITUDE_DEG);
        if (power.panelW() == 0) {
            return new SunKey(power, facts.climate(), latitude, 0, 0, 0, 0, 0, 0);
        }
        CameraPose pose = camera.pose();
        double slope = camera.settings().panelSlopeDeg();
        return new SunKey(power, facts.climate(), latitude, camera.settings().openSkyShare(), slope,
                slope == 0 ? 0 : camera.settings().panelHeadingDeg(), pose.xM(), pose.yM(), pose.heightM() + OVER_LENS_M);
    }

    private BatteryYear year(SunKey key, Camera camera) {
        Weather weather = house.isPresent() ? house.get().weather(key.climate())
                : weathers.get(key.climate(), climate -> new Weather(climate, key.latitudeDeg(), YEARS, SEED));
        return new BatteryYear(key.power(), weather, light(key, camera), key.openSkyShare());
    }

    private PanelLight light(SunKey key, Camera camera) {
        if (house.isEmpty() || key.power().panelW() == 0) {
            return PanelLight.open(key.latitudeDeg(), key.slopeDeg(), key.headingDeg());
        }
        PanelShade shade = PanelShade.of(eyes.apply(camera).eye(), house.get().sun(), key.zM(), key.slopeDeg(), key.headingDeg(),
                PanelLight.STEPS_A_DAY);
        double trueHeading = key.headingDeg() - house.get().plan().trueNorthDeg();
        return new PanelLight(key.latitudeDeg(), key.slopeDeg(), trueHeading, shade.lit(), shade.skyShare());
    }

    /** A slow link keeps the radio on for longer: up to twice the current's time when the rate falls to its lowest. */
    static double uplinkFactor(double rssiDbm) {
        double rate = Math.max(6.5, LinkBudget.rateMbps(rssiDbm));
        return 1 + Math.max(0, Math.min(1, (EASY_RATE_MBPS / rate - 1) / 3));
    }
}
