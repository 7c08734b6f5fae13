package roofnest.core.power;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
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
    static final double SELF_DISCHARGE_A_DAY = 0.03 / 30;
    /** Panel to pack: conversion, warmth and wiring 0.65, charging 0.9. */
    private static final double PANEL_LOSSES = 0.65 * 0.9;
    private static final double MJ_A_PEAK_HOUR = 3.6;
    /** One year in so many is worse than the one that counts. */
    public static final int ONE_IN = 20;
    private static final int DAYS = Weather.DAYS;

    private final PowerSpec power;
    private final Weather weather;
    /** What the panel puts into the pack of a MJ/m² that comes straight from the sun on each day of the calendar, mAh. */
    private final float[] mahABeam = new float[DAYS];
    /** The same of what comes from the whole sky. */
    private final float mahADiffuse;

    /** @param chargeEveryDays how often somebody charges the pack; 0 when only the sun does */
    public record Plan(LocalDate from, int chargeEveryDays) {
        public Plan {
            Require.inRange("days between charges", chargeEveryDays, 0, 365);
        }

        /** Whether somebody charges the pack so many days after the first charge. */
        boolean charges(int days) {
            return chargeEveryDays > 0 && days % chargeEveryDays == 0;
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
    public BatteryYear(PowerSpec power, Weather weather, PanelLight light, double openSkyShare) {
        Require.inRange("capacity in mAh", power.capacityMah(), 1, 100_000);
        Require.inRange("open sky share", openSkyShare, 0, 1);
        this.power = power;
        this.weather = weather;
        double mahAMj = power.panelW() * openSkyShare * PANEL_LOSSES / power.packVolts() * 1000 / MJ_A_PEAK_HOUR;
        boolean panel = power.panelW() > 0;
        mahADiffuse = panel ? (float) (mahAMj * light.ofDiffuse()) : 0;
        for (int day = 0; panel && day < DAYS; day++) {
            mahABeam[day] = (float) (mahAMj * light.ofBeam(day));
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
        return weather.beamMj(day)[year] * mahABeam[day] + weather.diffuseMj(day)[year] * mahADiffuse;
    }

    /**
     * How many days after a full charge, with nobody charging, a pack is at or under its warning for the first time: so early or earlier in
     * one year of twenty.
     *
     * @return a year where it is not; the later it was full, the later the day
     */
    public int lastsDays(double drawMahPerDay, LocalDate full) {
        int years = weather.years();
        float[] mah = new float[years];
        int[] first = new int[years];
        Arrays.fill(mah, (float) power.capacityMah());
        Arrays.fill(first, DAYS);
        float capacity = (float) power.capacityMah();
        for (int n = 1; n <= DAYS; n++) {
            int day = dayOfYear(full, n);
            for (int year = 0; year < years; year++) {
                float charged = Math.min(capacity, mah[year] + (float) sunMah(year, day));
                mah[year] = Math.max(0, charged * (float) (1 - SELF_DISCHARGE_A_DAY) - (float) drawMahPerDay);
                float percent = 100 * (mah[year] / capacity - weather.lockedAway(day)[year]);
                first[year] = first[year] == DAYS && percent <= power.warnPercent() ? n : first[year];
            }
        }
        Arrays.sort(first);
        return first[badRank(years)];
    }

    /**
     * What is to be expected of a pack between two days, percent of it.
     *
     * @param draw and {@code sun} in its means over the years
     * @param sunSpread standard deviation of what the sun gives
     * @param lockedFrom and {@code lockedTo}: what the cold keeps back on the first and the last day
     */
    public record Between(int days, double draw, double sun, double sunSpread, double lockedFrom, double lockedTo) {
        /** What leaks away at a mean level. */
        double leak(double percent) {
            return percent * SELF_DISCHARGE_A_DAY * days;
        }
    }

    /** @param to after {@code from}, at most a year */
    public Between between(double drawMahPerDay, LocalDate from, LocalDate to) {
        int days = Require.inRange("days between", (int) ChronoUnit.DAYS.between(from, to), 1, DAYS);
        double[] sums = new double[weather.years()];
        for (int n = 1; n <= days; n++) {
            for (int year = 0; year < sums.length; year++) {
                sums[year] += sunMah(year, dayOfYear(from, n));
            }
        }
        double percentAMah = 100 / power.capacityMah();
        double sun = Arrays.stream(sums).average().orElse(0);
        double spread = Math.sqrt(Arrays.stream(sums).map(each -> (each - sun) * (each - sun)).average().orElse(0));
        return new Between(days, days * drawMahPerDay * percentAMah, sun * percentAMah, spread * percentAMah, locked(dayOfYear(from, 0)),
                locked(dayOfYear(from, days)));
    }

    private double locked(int day) {
        double sum = 0;
        for (float share : weather.lockedAway(day)) {
            sum += 100 * share;
        }
        return sum / weather.years();
    }

    public Outcome of(double drawMahPerDay, Plan plan) {
        int years = weather.years();
        float[] lowest = lowest(drawMahPerDay, plan, Float.NEGATIVE_INFINITY);
        Integer[] order = IntStream.range(0, years).boxed().toArray(Integer[]::new);
        Arrays.sort(order, Comparator.comparingDouble(year -> lowest[year]));
        int bad = order[badRank(years)];
        List<Day> days = days(bad, drawMahPerDay, plan);
        Day least = days.get(0);
        Day warning = null;
        for (Day day : days) {
            least = day.percent() < least.percent() ? day : least;
            warning = warning == null && day.percent() <= power.warnPercent() ? day : warning;
        }
        return new Outcome(days, least, drawMahPerDay, Optional.ofNullable(warning), years,
                Math.max(0, lowest[order[years / 2]]));
    }

    /** A year's days from the full charge on. */
    private List<Day> days(int year, double drawMahPerDay, Plan plan) {
        double fullMah = power.capacityMah();
        double mah = fullMah;
        LocalDate date = plan.from();
        Day[] days = new Day[DAYS];
        for (int n = 1; n <= DAYS; n++) {
            int day = dayOfYear(plan.from(), n);
            mah = plan.charges(n) ? fullMah : mah;
            mah = Math.min(fullMah, mah + sunMah(year, day));
            mah = Math.max(0, mah - drawMahPerDay - mah * SELF_DISCHARGE_A_DAY);
            date = date.plusDays(1);
            days[n - 1] = new Day(date, Math.max(0, 100 * (mah / fullMah - weather.lockedAway(day)[year])));
        }
        return List.of(days);
    }

    /**
     * Lowest charge of every year, percent; below nought where the cold locks away more than there is. All years take each day
     * together, so that the processor reckons several at once.
     *
     * @param enough once the bad year is under this charge no further day is reckoned
     */
    private float[] lowest(double drawMahPerDay, Plan plan, float enough) {
        float[] mah = new float[weather.years()];
        float[] lowest = new float[weather.years()];
        Arrays.fill(mah, (float) power.capacityMah());
        Arrays.fill(lowest, 100);
        for (int n = 1; n <= DAYS; n++) {
            if (plan.charges(n)) {
                if (asBad(lowest, enough)) {
                    return lowest;
                }
                Arrays.fill(mah, (float) power.capacityMah());
            }
            passDay(mah, lowest, dayOfYear(plan.from(), n), (float) drawMahPerDay);
        }
        return lowest;
    }

    /** Rounding of all days of a year together is less, percent. */
    private static final double ROUNDING_PERCENT = 0.01;

    /**
     * Whether the bad year certainly falls under a charge; given up as soon as it is known. Within a hundredth of a percent of it the
     * answer may be no either way: then {@link #of} tells.
     */
    public boolean fallsUnder(double percent, double drawMahPerDay, Plan plan) {
        float under = (float) (percent - ROUNDING_PERCENT);
        return asBad(lowest(drawMahPerDay, plan, under), under);
    }

    /** Whether so many years are under a charge that the one that counts is among them; no pack has less than nothing. */
    private static boolean asBad(float[] lowest, float percent) {
        int count = 0;
        for (float each : lowest) {
            count += Math.max(0, each) < percent ? 1 : 0;
        }
        return count > badRank(lowest.length);
    }

    /** Where the year that counts stands, the lowest first: of a hundred the fifth, so that one in twenty is as bad or worse. */
    private static int badRank(int years) {
        return Math.max(0, (years + ONE_IN - 1) / ONE_IN - 1);
    }

    private void passDay(float[] mah, float[] lowest, int day, float drawMah) {
        float fullMah = (float) power.capacityMah();
        if (mahADiffuse == 0 && mahABeam[day] == 0) {
            passDay(mah, lowest, weather.lockedAway(day), fullMah, drawMah);
        } else {
            passDay(mah, lowest, weather.beamMj(day), mahABeam[day], weather.diffuseMj(day), mahADiffuse, weather.lockedAway(day), fullMah,
                    drawMah);
        }
    }

    private static void passDay(float[] mah, float[] lowest, float[] beamMj, float mahABeam, float[] diffuseMj, float mahADiffuse,
            float[] lockedAway, float fullMah, float drawMah) {
        float kept = (float) (1 - SELF_DISCHARGE_A_DAY);
        float percentAMah = 100 / fullMah;
        for (int year = 0; year < mah.length; year++) {
            float charged = Math.min(fullMah, mah[year] + (beamMj[year] * mahABeam + diffuseMj[year] * mahADiffuse));
            float left = Math.max(0, charged * kept - drawMah);
            mah[year] = left;
            lowest[year] = Math.min(lowest[year], left * percentAMah - 100 * lockedAway[year]);
        }
    }

    /** A day on which no light does anything, as on every day of a pack without a panel. */
    private static void passDay(float[] mah, float[] lowest, float[] lockedAway, float fullMah, float drawMah) {
        float kept = (float) (1 - SELF_DISCHARGE_A_DAY);
        float percentAMah = 100 / fullMah;
        for (int year = 0; year < mah.length; year++) {
            float left = Math.max(0, mah[year] * kept - drawMah);
            mah[year] = left;
            lowest[year] = Math.min(lowest[year], left * percentAMah - 100 * lockedAway[year]);
        }
    }

    /**
     * What all the years come to on one day, percent of the full pack.
     *
     * @param low one year in {@link #ONE_IN} is as low or lower, and {@code high} one in as many as high or higher
     */
    public record Band(LocalDate date, double low, double middle, double high) {}

    /** Each day of the year in all years at once, each day by itself: no year need run along the band's edge. */
    public List<Band> band(double drawMahPerDay, Plan plan) {
        int years = weather.years();
        float[] mah = new float[years];
        float[] percent = new float[years];
        Arrays.fill(mah, (float) power.capacityMah());
        int tail = badRank(years);
        Band[] days = new Band[DAYS];
        for (int n = 1; n <= DAYS; n++) {
            if (plan.charges(n)) {
                Arrays.fill(mah, (float) power.capacityMah());
            }
            int day = dayOfYear(plan.from(), n);
            Arrays.fill(percent, 100);
            passDay(mah, percent, day, (float) drawMahPerDay);
            Arrays.sort(percent);
            days[n - 1] = new Band(plan.from().plusDays(n), Math.max(0, percent[tail]), Math.max(0, percent[years / 2]),
                    Math.max(0, percent[years - 1 - tail]));
        }
        return List.of(days);
    }

    /** Days of a mean year on which the panel gives nothing because it freezes for as long as there is light. */
    public double frozenDays() {
        int frozen = 0;
        for (int day = 0; day < DAYS; day++) {
            for (int year = 0; year < weather.years(); year++) {
                frozen += weather.chargeable(year, day) == 0 ? 1 : 0;
            }
        }
        return power.panelW() == 0 ? 0 : frozen / (double) weather.years();
    }

    /** Of the calendar, from 0; the last of a leap year is as the one before. @param n days after the full charge */
    private static int dayOfYear(LocalDate from, int n) {
        return ((from.getDayOfYear() - 1) % DAYS + n) % DAYS;
    }
}
