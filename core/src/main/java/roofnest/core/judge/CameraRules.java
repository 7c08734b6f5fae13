package roofnest.core.judge;

import java.time.format.TextStyle;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

import roofnest.core.catalogue.Band;
import roofnest.core.lang.Numbers;
import roofnest.core.mount.HeightChoice;
import roofnest.core.network.CredentialFit;
import roofnest.core.network.FitIssue;
import roofnest.core.network.SafeCredentials;
import roofnest.core.plan.HousePlan;
import roofnest.core.power.BatteryYear;
import roofnest.core.power.Climate;
import roofnest.core.promise.Evidence;
import roofnest.core.promise.Finding;
import roofnest.core.promise.Limit;
import roofnest.core.promise.PromiseKey;
import roofnest.core.promise.Remedy;
import roofnest.core.promise.Standing;
import roofnest.core.promise.Unit;
import roofnest.core.radio.LinkBudget;
import roofnest.core.radio.PathLoss;
import roofnest.core.radio.SignalModel;
import roofnest.core.view.Bounce;

/** The promises that every camera brings with it. */
final class CameraRules {
    private static final double REACH_TOLERANCE_M = 0.1;
    private static final double CLEAR_TOLERANCE_M = 0.1;
    /** A reading this near to the lens was made where it hangs, metres. */
    private static final double READ_HERE_M = 2;
    private static final double BATTERY_TOLERANCE_PERCENT = 10;
    /** A remedy that wins less than this is not worth saying. */
    private static final double LEAST_GAIN_PERCENT = 2;
    /** Charging is agreed in whole weeks. */
    private static final int CHARGE_STEP_DAYS = 7;
    private static final int LONGEST_INTERVAL_DAYS = 91;
    /** Data rate at and above which the radio sends no longer than it must, Mbit/s. */
    private static final double EASY_RATE_MBPS = 26;

    private final HouseholdFacts facts;
    private final Map<BatteryKey, BatteryYear.Outcome> years;

    /** @param years found so far; a year is the same as long as its key is */
    CameraRules(HouseholdFacts facts, Map<BatteryKey, BatteryYear.Outcome> years) {
        this.facts = facts;
        this.years = years;
    }

    /** All that a battery's year depends on. */
    record BatteryKey(String modelKey, double drawMahPerDay, Climate climate, BatteryYear.Plan plan) {}

    /** The band a camera will use: 2.4 GHz where it and the house have it. */
    static Band band(Camera camera, HouseholdFacts facts) {
        boolean both = camera.model().radio().bands().contains(Band.GHZ_2_4);
        boolean announced = facts.network().map(network -> network.bands().contains(Band.GHZ_2_4)).orElse(true);
        return both && announced ? Band.GHZ_2_4 : camera.model().radio().bands().stream().sorted().findFirst().orElse(Band.GHZ_2_4);
    }

    static Optional<LinkBudget> link(Camera camera, HouseholdFacts facts, SignalModel signal) {
        return signal.cameraLink(camera.pose().lens(), band(camera, facts), camera.model().radio());
    }

    Finding holdsLink(PromiseKey key, Camera camera, Optional<LinkBudget> link) {
        if (link.isEmpty()) {
            return Finding.untried(key, Limit.atLeast(LinkBudget.TWO_BARS_DBM, 0, Unit.DBM), "The plan shows no router yet.");
        }
        LinkBudget budget = link.get();
        Limit limit = Limit.atLeast(LinkBudget.TWO_BARS_DBM, budget.sureMarginDb(), Unit.DBM);
        double sure = 100 * budget.chanceAtLeast(LinkBudget.TWO_BARS_DBM);
        String through = budget.ray().walls().isEmpty() && budget.ray().slabs() == 0 ? "in sight of it"
                : "walls and floors take " + Numbers.fixed(budget.ray().wallsDb() + budget.ray().slabsDb(), 0) + " dB";
        boolean read = facts.readings().stream().anyMatch(reading -> reading.band() == band(camera, facts));
        String reason = Numbers.fixed(budget.ray().distanceM(), 1) + " m to " + budget.peer() + ", " + through
                + (read ? ", readings taken in; " : "; ") + Numbers.fixed(sure, 0)
                + " % sure of two bars (" + Unit.DBM.format(LinkBudget.TWO_BARS_DBM) + ").";
        List<Remedy> remedies = new ArrayList<>();
        double missingDb = limit.value() + limit.tolerance() - budget.rssiDbm();
        if (missingDb > 0) {
            budget.ray().walls().stream()
                    .max(Comparator.comparingDouble(wall -> PathLoss.wallDb(wall, band(camera, facts))))
                    .ifPresent(wall -> remedies.add(new Remedy(
                            "Find a line to the router that misses the " + wall.material().words() + " wall",
                            "about " + Numbers.fixed(PathLoss.wallDb(wall, band(camera, facts)), 0) + " dB better")));
            remedies.add(new Remedy("Bring the router or an access point nearer", Numbers.fixed(missingDb, 0) + " dB are wanting"));
        }
        boolean here = facts.readings().stream().anyMatch(reading -> reading.band() == band(camera, facts)
                && reading.at().distanceM(camera.pose().lens()) <= READ_HERE_M);
        return Finding.of(key, budget.rssiDbm(), limit, here ? Evidence.READ : Evidence.PREDICTED, reason, remedies);
    }

    Finding joins(PromiseKey key, Camera camera) {
        Limit none = Limit.atMost(0, 0, Unit.FAULTS);
        if (facts.network().isEmpty()) {
            return Finding.untried(key, none, "The house's Wi-Fi name and password are not written down yet.");
        }
        List<FitIssue> issues = CredentialFit.judge(facts.network().get(), camera.model());
        long blocking = issues.stream().filter(FitIssue::blocks).count();
        // Something that only has to be done first is no fault, but the margin is gone.
        Limit limit = Limit.atMost(0, issues.size() > blocking ? 1 : 0, Unit.FAULTS);
        String reason = issues.isEmpty()
                ? "Name, password, band and security all suit " + camera.model().fullName() + "."
                : issues.get(0).sentence();
        String cost = SafeCredentials.rejoinCost(facts.otherThings());
        List<Remedy> remedies = issues.stream().limit(3)
                .map(issue -> new Remedy(issue.remedy(), issue.blocks() ? cost : "nothing has to rejoin")).toList();
        return Finding.of(key, blocking, limit, Evidence.PREDICTED, reason, remedies);
    }

    Finding ownPassword(PromiseKey key, Camera camera) {
        Limit none = Limit.atMost(0, 0, Unit.FAULTS);
        if (!camera.joined()) {
            return Finding.untried(key, none, camera.name() + " is not joined yet.");
        }
        return Finding.of(key, camera.ownPassword() ? 0 : 1, none, Evidence.READ,
                camera.ownPassword() ? "The factory password was changed when it joined." : "It still has its factory password.",
                camera.ownPassword() ? List.of() : List.of(new Remedy("Change it in a run", "about 1 min")));
    }

    Finding clearLens(PromiseKey key, Camera camera, Optional<Bounce> bounce) {
        Limit limit = Limit.atLeast(Bounce.CLEAR_M, CLEAR_TOLERANCE_M, Unit.METRES);
        if (bounce.isEmpty()) {
            return Finding.untried(key, limit, "The house has no plan yet.");
        }
        Bounce near = bounce.get();
        boolean soffit = near.worstM() < near.nearestM();
        String reason;
        String remedy;
        if (near.insideWall()) {
            reason = "The lens is inside a wall.";
            remedy = "Move it out to the wall's face";
        } else if (soffit) {
            reason = "The eaves or floor above are " + Unit.METRES.format(near.soffitM()) + " over the lens; it needs "
                    + Unit.METRES.format(Bounce.SOFFIT_M) + ".";
            remedy = "Lower it or bring it out from under the eaves";
        } else if (near.nearestM() >= Bounce.LOOKED_M) {
            reason = "Nothing in its view is nearer than " + Unit.METRES.format(Bounce.LOOKED_M) + ".";
            remedy = "";
        } else {
            reason = "The nearest thing in its view is " + Unit.METRES.format(near.nearestM()) + " away.";
            remedy = "Turn it away from the wall or bring it out on an arm";
        }
        List<Remedy> remedies = limit.standing(near.worstM()) == Standing.KEPT || remedy.isEmpty() ? List.of()
                : List.of(new Remedy(remedy, "its light no longer comes back"));
        return Finding.of(key, near.worstM(), limit, Evidence.PREDICTED, reason, remedies);
    }

    Finding outOfReach(PromiseKey key, Camera camera) {
        Limit limit = Limit.atLeast(HeightChoice.ARMS_REACH_M, REACH_TOLERANCE_M, Unit.METRES);
        double height = camera.pose().heightM();
        double missing = limit.value() + limit.tolerance() - height;
        return Finding.of(key, height, limit, camera.mounted() ? Evidence.READ : Evidence.PREDICTED,
                "A raised hand reaches about " + Unit.METRES.format(HeightChoice.ARMS_REACH_M) + ".",
                missing > 0 ? List.of(new Remedy("Hang it " + Numbers.fixed(missing, 2) + " m higher", "the face angle grows with it"))
                        : List.of());
    }

    Finding batteryLasts(PromiseKey key, Camera camera, Optional<LinkBudget> link) {
        double warn = camera.model().power().warnPercent();
        Limit limit = Limit.atLeast(warn, BATTERY_TOLERANCE_PERCENT, Unit.PERCENT);
        BatteryYear.Outcome year = batteryYear(camera, link, camera.settings().chargeEveryDays());
        String reason = "Lowest on " + day(year.lowest()) + "; uses " + Numbers.fixed(year.drawMahPerDay(), 0) + " mAh a day, "
                + Numbers.fixed(camera.settings().clipsPerDay(), 0) + " clips, "
                + (camera.settings().chargeEveryDays() == 0 ? "sun only."
                        : "charged every " + camera.settings().chargeEveryDays() + " days.");
        List<Remedy> remedies = new ArrayList<>();
        if (limit.standing(year.lowest().percent()) != Standing.KEPT) {
            remedies.addAll(batteryRemedies(camera, link, limit, year.lowest().percent()));
        }
        return Finding.of(key, year.lowest().percent(), limit, Evidence.PREDICTED, reason, remedies);
    }

    /** Shorter clips if they help at all, and the longest interval between charges that keeps the promise. */
    private List<Remedy> batteryRemedies(Camera camera, Optional<LinkBudget> link, Limit limit, double lowestNow) {
        List<Remedy> remedies = new ArrayList<>();
        Camera.Settings now = camera.settings();
        int shorter = Math.max(camera.model().recording().clipMinSeconds(), now.clipSeconds() / 2);
        double withShorter = lowest(camera, link, now.withClipSeconds(shorter));
        if (shorter < now.clipSeconds() && withShorter >= lowestNow + LEAST_GAIN_PERCENT) {
            remedies.add(new Remedy("Clips of " + shorter + " s", "lowest " + Unit.PERCENT.format(withShorter)));
        }
        int from = now.chargeEveryDays() == 0 ? LONGEST_INTERVAL_DAYS : now.chargeEveryDays() - CHARGE_STEP_DAYS;
        for (int days = from; days >= CHARGE_STEP_DAYS; days -= CHARGE_STEP_DAYS) {
            double lowest = lowest(camera, link, now.withChargeEveryDays(days));
            if (limit.standing(lowest) == Standing.KEPT) {
                remedies.add(new Remedy("Charge every " + days + " days", "lowest " + Unit.PERCENT.format(lowest)));
                return remedies;
            }
        }
        remedies.add(new Remedy("Hang a model on mains power here",
                "no pack lasts a week at " + Numbers.fixed(now.clipsPerDay(), 0) + " clips a day"));
        return remedies;
    }

    private double lowest(Camera camera, Optional<LinkBudget> link, Camera.Settings settings) {
        return batteryYear(camera.withSettings(settings), link, settings.chargeEveryDays()).lowest().percent();
    }

    BatteryYear.Outcome batteryYear(Camera camera, Optional<LinkBudget> link, int chargeEveryDays) {
        double uplink = link.map(budget -> uplinkFactor(budget.rssiDbm())).orElse(1.0);
        double draw = camera.settings().dailyUse().chargeMah(camera.model().power(), camera.model().motion(), uplink);
        double latitude = facts.plan().map(HousePlan::latitudeDeg).orElse(50.0);
        BatteryYear.Plan plan = new BatteryYear.Plan(
                camera.lastCharged().orElse(facts.today()), latitude, camera.settings().openSkyShare(), chargeEveryDays);
        return years.computeIfAbsent(new BatteryKey(camera.model().key(), draw, facts.climate(), plan),
                key -> BatteryYear.of(camera.model().power(), draw, facts.climate(), plan));
    }

    /** A slow link keeps the radio on for longer: up to twice the current's time when the rate falls to its lowest. */
    private static double uplinkFactor(double rssiDbm) {
        double rate = Math.max(6.5, LinkBudget.rateMbps(rssiDbm));
        return 1 + Math.max(0, Math.min(1, (EASY_RATE_MBPS / rate - 1) / 3));
    }

    static String day(BatteryYear.Day day) {
        return day.date().getDayOfMonth() + " " + day.date().getMonth().getDisplayName(
                TextStyle.SHORT, Locale.ENGLISH);
    }
}
