package roofnest.core.power;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

import roofnest.core.catalogue.PowerSpec;
import roofnest.core.lang.Require;

/**
 * State of charge of a battery camera, day by day for a year from a full charge. Cold locks part of the pack away; a
 * pack below freezing is not charged; packs leak 3 % a month; the panel gives peak sun hours × clearness × open sky ×
 * losses. Temperature is the month's mean, so single frosts are not seen. The panel is taken as lying level.
 */
public final class BatteryYear {
    private static final double SELF_DISCHARGE_A_DAY = 0.03 / 30;
    /** Panel to pack: dirt, angle and conversion 0.65, charging 0.9. */
    private static final double PANEL_LOSSES = 0.65 * 0.9;
    private static final int DAYS = 365;

    private BatteryYear() {}

    /**
     * @param openSkyShare share of the sky's light that the panel gets, 0 to 1
     * @param chargeEveryDays how often somebody charges the pack; 0 when only the sun does
     */
    public record Plan(LocalDate from, double latitudeDeg, double openSkyShare, int chargeEveryDays) {
        public Plan {
            Require.inRange("open sky share", openSkyShare, 0, 1);
            Require.inRange("days between charges", chargeEveryDays, 0, 365);
        }
    }

    /** Charge that can be used at the end of a day, percent of the full pack. */
    public record Day(LocalDate date, double percent) {}

    /**
     * @param drawMahPerDay what the camera uses
     * @param firstWarning first day at or under the model's warning level, if any
     */
    public record Outcome(List<Day> days, Day lowest, double drawMahPerDay, Optional<Day> firstWarning) {
        /** The lowest day of each calendar month met, in order. */
        public List<Day> lowestByMonth() {
            List<Day> lowest = new ArrayList<>();
            for (Day day : days) {
                int last = lowest.size() - 1;
                if (last < 0 || lowest.get(last).date().getMonth() != day.date().getMonth()) {
                    lowest.add(day);
                } else if (day.percent() < lowest.get(last).percent()) {
                    lowest.set(last, day);
                }
            }
            return lowest;
        }
    }

    /** Share of the pack that can be used at a temperature: 1.0 at 20 °C, 0.9 at 0 °C, 0.75 at −10 °C, linear between. */
    public static double coldFactor(double celsius) {
        if (celsius >= 0) {
            return Math.min(1, 0.9 + 0.1 * celsius / 20);
        }
        return Math.max(0.5, 0.9 + 0.15 * celsius / 10);
    }

    /** What the panel puts into the pack on a day, mAh. */
    public static double sunMah(PowerSpec power, Climate climate, Plan plan, LocalDate date) {
        int month = date.getMonthValue() - 1;
        if (climate.meanC().get(month) < 0) {
            return 0;
        }
        double hours = Sunlight.peakSunHours(plan.latitudeDeg(), date.getDayOfYear()) * climate.clearness().get(month);
        double wattHours = power.panelW() * hours * plan.openSkyShare() * PANEL_LOSSES;
        return wattHours / power.packVolts() * 1000;
    }

    public static Outcome of(PowerSpec power, double drawMahPerDay, Climate climate, Plan plan) {
        Require.inRange("capacity in mAh", power.capacityMah(), 1, 100_000);
        double fullMah = power.capacityMah();
        double mah = fullMah;
        List<Day> days = new ArrayList<>(DAYS);
        Day lowest = null;
        Day warning = null;
        for (int n = 1; n <= DAYS; n++) {
            LocalDate date = plan.from().plusDays(n);
            if (plan.chargeEveryDays() > 0 && n % plan.chargeEveryDays() == 0) {
                mah = fullMah;
            }
            mah = Math.min(fullMah, mah + sunMah(power, climate, plan, date));
            mah = Math.max(0, mah - drawMahPerDay - mah * SELF_DISCHARGE_A_DAY);
            double lockedAway = 1 - coldFactor(climate.meanC().get(date.getMonthValue() - 1));
            Day day = new Day(date, Math.max(0, 100 * (mah / fullMah - lockedAway)));
            days.add(day);
            if (lowest == null || day.percent() < lowest.percent()) {
                lowest = day;
            }
            if (warning == null && day.percent() <= power.warnPercent()) {
                warning = day;
            }
        }
        return new Outcome(List.copyOf(days), lowest, drawMahPerDay, Optional.ofNullable(warning));
    }
}
