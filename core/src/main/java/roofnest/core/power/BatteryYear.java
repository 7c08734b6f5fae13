package roofnest.core.power;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;

import roofnest.core.catalogue.PowerSpec;
import roofnest.core.lang.Require;

/**
 * State of charge of a battery camera, day by day through many years of a place's {@link Weather}, each from a full charge.
 * The coldest hour of a day locks part of the pack away; light that comes while it freezes does not charge; packs leak 3 % a
 * month. What counts is the bad year: of all of them the one in twenty whose lowest day is lowest.
 */
public final class BatteryYear {
    private static final double SELF_DISCHARGE_A_DAY = 0.03 / 30;
    /** Panel to pack: conversion, warmth and wiring 0.65, charging 0.9. */
    private static final double PANEL_LOSSES = 0.65 * 0.9;
    private static final double MJ_A_PEAK_HOUR = 3.6;
    /** One year in so many is worse than the one that counts. */
    public static final int ONE_IN = 20;
    private static final int DAYS = Weather.DAYS;

    private final PowerSpec power;
    private final Weather weather;
    /** What the panel puts into the pack on each day of each year, mAh. */
    private final float[][] sunMah;

    /** @param chargeEveryDays how often somebody charges the pack; 0 when only the sun does */
    public record Plan(LocalDate from, int chargeEveryDays) {
        public Plan {
            Require.inRange("days between charges", chargeEveryDays, 0, 365);
        }
    }

    /** Charge that can be used at the end of a day, percent of the full pack. */
    public record Day(LocalDate date, double percent) {}

    /**
     * The bad year, and what the others come to.
     *
     * @param drawMahPerDay what the camera uses
     * @param firstWarning first day at or under the model's warning level, if any
     * @param years how many were reckoned
     * @param middleLowestPercent lowest day of the year in the middle of all
     */
    public record Outcome(List<Day> days, Day lowest, double drawMahPerDay, Optional<Day> firstWarning, int years,
            double middleLowestPercent) {
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

    /** @param openSkyShare light left by what the plan does not show, by snow and dirt, 0 to 1 */
    public BatteryYear(PowerSpec power, Weather weather, PanelLight panel, double openSkyShare) {
        Require.inRange("capacity in mAh", power.capacityMah(), 1, 100_000);
        Require.inRange("open sky share", openSkyShare, 0, 1);
        this.power = power;
        this.weather = weather;
        this.sunMah = new float[weather.years()][DAYS];
        double mahAPeakHour = power.panelW() * openSkyShare * PANEL_LOSSES / power.packVolts() * 1000;
        if (power.panelW() == 0) {
            return;
        }
        double mahAMj = mahAPeakHour / MJ_A_PEAK_HOUR;
        double diffuse = mahAMj * panel.ofDiffuse();
        double[] beam = IntStream.range(0, DAYS).mapToDouble(day -> mahAMj * panel.ofBeam(day)).toArray();
        for (int year = 0; year < weather.years(); year++) {
            float[] beamMj = weather.beamMj(year);
            float[] diffuseMj = weather.diffuseMj(year);
            float[] sun = sunMah[year];
            for (int day = 0; day < DAYS; day++) {
                sun[day] = (float) (beamMj[day] * beam[day] + diffuseMj[day] * diffuse);
            }
        }
    }

    /** Share of the pack that can be used at a temperature: 1.0 at 20 °C, 0.9 at 0 °C, 0.75 at −10 °C, linear between. */
    public static double coldFactor(double celsius) {
        if (celsius >= 0) {
            return Math.min(1, 0.9 + 0.1 * celsius / 20);
        }
        return Math.max(0.5, 0.9 + 0.15 * celsius / 10);
    }

    /** What the panel puts into the pack on a day of a year of the weather, mAh. */
    double sunMah(int year, int day) {
        return sunMah[year][day];
    }

    public Outcome of(double drawMahPerDay, Plan plan) {
        int years = weather.years();
        double[] lowest = new double[years];
        for (int year = 0; year < years; year++) {
            lowest[year] = run(year, drawMahPerDay, plan, null);
        }
        Integer[] order = IntStream.range(0, years).boxed().toArray(Integer[]::new);
        Arrays.sort(order, Comparator.comparingDouble(year -> lowest[year]));
        // Of a hundred years the fifth lowest: one in twenty is as bad or worse.
        int bad = order[Math.max(0, (years + ONE_IN - 1) / ONE_IN - 1)];
        double[] percent = new double[DAYS];
        run(bad, drawMahPerDay, plan, percent);
        List<Day> days = new ArrayList<>(DAYS);
        Day least = null;
        Day warning = null;
        for (int n = 1; n <= DAYS; n++) {
            Day day = new Day(plan.from().plusDays(n), percent[n - 1]);
            days.add(day);
            least = least == null || day.percent() < least.percent() ? day : least;
            warning = warning == null && day.percent() <= power.warnPercent() ? day : warning;
        }
        return new Outcome(List.copyOf(days), least, drawMahPerDay, Optional.ofNullable(warning), years, lowest[order[years / 2]]);
    }

    /** Returns the lowest charge of the year, percent; each day's goes into {@code percents} unless that is null. */
    private double run(int year, double drawMahPerDay, Plan plan, double[] percents) {
        double fullMah = power.capacityMah();
        double mah = fullMah;
        double aShare = 1 / fullMah;
        double lowest = 100;
        float[] sun = sunMah[year];
        float[] lockedAway = weather.lockedAway(year);
        int day = (plan.from().getDayOfYear() - 1) % DAYS;
        int untilCharged = plan.chargeEveryDays() == 0 ? Integer.MAX_VALUE : plan.chargeEveryDays();
        // Divisions would take longer here than all the rest.
        for (int n = 1; n <= DAYS; n++) {
            day = day + 1 == DAYS ? 0 : day + 1;
            if (--untilCharged == 0) {
                mah = fullMah;
                untilCharged = plan.chargeEveryDays();
            }
            mah = Math.min(fullMah, mah + sun[day]);
            mah = Math.max(0, mah - drawMahPerDay - mah * SELF_DISCHARGE_A_DAY);
            double percent = Math.max(0, 100 * (mah * aShare - lockedAway[day]));
            lowest = Math.min(lowest, percent);
            if (percents != null) {
                percents[n - 1] = percent;
            }
        }
        return lowest;
    }
}
