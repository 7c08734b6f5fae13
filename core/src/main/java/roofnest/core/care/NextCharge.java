package roofnest.core.care;

import java.time.LocalDate;
import java.util.Optional;

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
     * @param warnsIn days after that charge on which the model would warn in the bad year; empty where it would not within a year
     * @param chargeEveryDays as agreed with the household; 0 when only the sun charges
     */
    public static NextCharge after(BatteryYear.Outcome untouched, Optional<Integer> warnsIn, LocalDate lastCharged, int chargeEveryDays) {
        Require.inRange("days between charges", chargeEveryDays, 0, 365);
        LocalDate lastDay = untouched.days().get(untouched.days().size() - 1).date();
        LocalDate agreed = chargeEveryDays == 0 ? lastDay : lastCharged.plusDays(chargeEveryDays);
        LocalDate forced = warnsIn.map(days -> lastCharged.plusDays(days - AHEAD_OF_WARNING_DAYS)).orElse(lastDay);
        LocalDate soonest = lastCharged.plusDays(1);
        LocalDate on = agreed.isAfter(forced) ? forced : agreed;
        if (on.isBefore(soonest)) {
            on = soonest;
        }
        String why = on.equals(agreed) && chargeEveryDays > 0 ? "as agreed, every " + chargeEveryDays + " days"
                : warnsIn.isPresent() ? "a week before it would warn" : "once a year, to look it over";
        return new NextCharge(on, percentOn(untouched, on), why);
    }

    private static double percentOn(BatteryYear.Outcome year, LocalDate date) {
        return year.days().stream().filter(day -> day.date().equals(date)).findFirst()
                .orElse(year.days().get(year.days().size() - 1)).percent();
    }
}
