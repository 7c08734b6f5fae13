package roofnest.core.judge;

import java.time.format.TextStyle;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

import roofnest.core.lang.Numbers;
import roofnest.core.power.BatteryYear;
import roofnest.core.promise.Evidence;
import roofnest.core.promise.Finding;
import roofnest.core.promise.Limit;
import roofnest.core.promise.Promise;
import roofnest.core.promise.PromiseKey;
import roofnest.core.promise.Remedy;
import roofnest.core.promise.Standing;
import roofnest.core.promise.Unit;
import roofnest.core.radio.LinkBudget;

/** The pack stays above its warning level between charges, through the year. */
final class BatteryLastsRule implements PromiseRule<Promise.BatteryLasts> {
    static final double BATTERY_TOLERANCE_PERCENT = 10;
    /** A remedy that wins less than this is not worth saying. */
    private static final double LEAST_GAIN_PERCENT = 2;
    /** Charging is agreed in whole weeks. */
    private static final int CHARGE_STEP_DAYS = 7;
    private static final int LONGEST_INTERVAL_DAYS = 91;

    @Override
    public Class<Promise.BatteryLasts> type() {
        return Promise.BatteryLasts.class;
    }

    @Override
    public Sighted judge(Promise.BatteryLasts promise, Hearing hearing) {
        Camera camera = hearing.camera(promise.cameraId());
        PromiseKey key = promise.key();
        HouseholdFacts facts = hearing.facts();
        Optional<LinkBudget> link = hearing.link(camera);
        double warn = camera.model().power().warnPercent();
        Limit limit = Limit.atLeast(warn, BATTERY_TOLERANCE_PERCENT, Unit.PERCENT);
        BatteryYear.Outcome year = hearing.years().of(facts, camera, link, camera.settings().chargeEveryDays());
        String reason = "In the bad year, one in " + BatteryYear.ONE_IN + ", lowest on " + day(year.lowest()) + "; in a middling one "
                + Unit.PERCENT.format(year.middleLowestPercent()) + ". Uses " + Numbers.fixed(year.drawMahPerDay(), 0) + " mAh a day, "
                + Numbers.fixed(camera.settings().clipsPerDay(), 0) + " clips, "
                + (camera.settings().chargeEveryDays() == 0 ? "sun only."
                        : "charged every " + camera.settings().chargeEveryDays() + " days.");
        List<Remedy> remedies = new ArrayList<>();
        if (limit.standing(year.lowest().percent()) != Standing.KEPT) {
            remedies.addAll(remedies(hearing, camera, link, limit, year.lowest().percent()));
        }
        return Sighted.of(Finding.of(key, year.lowest().percent(), limit, Evidence.PREDICTED, reason, remedies), camera);
    }

    @Override
    public String wording(Promise.BatteryLasts promise, Names names) {
        return "Battery lasts through the dark months";
    }

    /** Shorter clips if they help at all, and the longest interval between charges that keeps the promise. */
    private static List<Remedy> remedies(Hearing hearing, Camera camera, Optional<LinkBudget> link, Limit limit, double lowestNow) {
        List<Remedy> remedies = new ArrayList<>();
        Camera.Settings now = camera.settings();
        int shorter = Math.max(camera.model().recording().clipMinSeconds(), now.clipSeconds() / 2);
        double withShorter = lowest(hearing, camera, link, now.withClipSeconds(shorter));
        if (shorter < now.clipSeconds() && withShorter >= lowestNow + LEAST_GAIN_PERCENT) {
            remedies.add(new Remedy("Clips of " + shorter + " s", "lowest " + Unit.PERCENT.format(withShorter)));
        }
        int from = now.chargeEveryDays() == 0 ? LONGEST_INTERVAL_DAYS : now.chargeEveryDays() - CHARGE_STEP_DAYS;
        double keptFrom = limit.value() + limit.tolerance();
        for (int days = from; days >= CHARGE_STEP_DAYS; days -= CHARGE_STEP_DAYS) {
            if (hearing.years().fallsUnder(keptFrom, hearing.facts(), camera.withSettings(now.withChargeEveryDays(days)), link, days)) {
                continue;
            }
            double lowest = lowest(hearing, camera, link, now.withChargeEveryDays(days));
            if (limit.standing(lowest) == Standing.KEPT) {
                remedies.add(new Remedy("Charge every " + days + " days", "lowest " + Unit.PERCENT.format(lowest)));
                return remedies;
            }
        }
        remedies.add(new Remedy("Hang a model on mains power here",
                "no pack lasts a week at " + Numbers.fixed(now.clipsPerDay(), 0) + " clips a day"));
        return remedies;
    }

    private static double lowest(Hearing hearing, Camera camera, Optional<LinkBudget> link, Camera.Settings settings) {
        return hearing.years().of(hearing.facts(), camera.withSettings(settings), link, settings.chargeEveryDays()).lowest().percent();
    }

    private static String day(BatteryYear.Day day) {
        return day.date().getDayOfMonth() + " " + day.date().getMonth().getDisplayName(
                TextStyle.SHORT, Locale.ENGLISH);
    }
}
