package roofnest.core.care;

import java.time.LocalDate;

import roofnest.core.lang.Require;
import roofnest.core.power.BatteryYear;

/**
 * When a pack has to be charged next: the agreed day, or a week before the model would warn, whichever is sooner; at
 * the latest a year on.
 *
 * @param percentThen what is expected to be left
 */
public record NextCharge(LocalDate on, double percentThen, String why) {
    private static final int AHEAD_OF_WARNING_DAYS = 7;

    /**
     * @param untouched the year from the last full charge with nobody charging
     * @param chargeEveryDays as agreed with the household; 0 when only the sun charges
     */
    public static NextCharge after(BatteryYear.Outcome untouched, LocalDate lastCharged, int chargeEveryDays) {
        Require.inRange("days between charges", chargeEveryDays, 0, 365);
        LocalDate lastDay = untouched.days().get(untouched.days().size() - 1).date();
        LocalDate agreed = chargeEveryDays == 0 ? lastDay : lastCharged.plusDays(chargeEveryDays);
        LocalDate forced = untouched.firstWarning()
                .map(day -> day.date().minusDays(AHEAD_OF_WARNING_DAYS))
                .orElse(lastDay);
        LocalDate soonest = lastCharged.plusDays(1);
        LocalDate on = agreed.isAfter(forced) ? forced : agreed;
        if (on.isBefore(soonest)) {
            on = soonest;
        }
        String why = on.equals(agreed) && chargeEveryDays > 0 ? "as agreed, every " + chargeEveryDays + " days"
                : untouched.firstWarning().isPresent() ? "a week before it would warn" : "once a year, to look it over";
        return new NextCharge(on, percentOn(untouched, on), why);
    }

    private static double percentOn(BatteryYear.Outcome year, LocalDate date) {
        return year.days().stream().filter(day -> day.date().equals(date)).findFirst()
                .orElse(year.days().get(year.days().size() - 1)).percent();
    }
}
