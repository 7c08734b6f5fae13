package roofnest.core.power;

import roofnest.core.lang.Require;

/**
 * What years and charging leave of a lithium-ion pack. Standing half full at ordinary warmth it loses about {@link #LOST_A_YEAR} of its
 * capacity a year, and {@link #LOST_BY_CYCLES} with so many full charges as {@link #CYCLES}; both add up. What makers guarantee of cells
 * (80 % after 500 cycles at 25 °C) and what is found of those that stand are such figures; single packs differ by half as much again.
 *
 * @param years since it was new
 * @param cyclesAYear full charges that go through it in a year, from whichever source
 */
public record PackAge(double years, double cyclesAYear) {
    public static final double LOST_A_YEAR = 0.02;
    public static final double LOST_BY_CYCLES = 0.2;
    public static final double CYCLES = 500;
    /** A pack that holds less is due for another. */
    public static final double DUE_SHARE = 0.8;
    /** Below this nothing is reckoned any more: it fails in other ways. */
    static final double LEAST_SHARE = 0.5;
    private static final double DAYS_A_YEAR = 365;

    public PackAge {
        Require.inRange("years of a pack", years, 0, 100);
        Require.inRange("full charges a year", cyclesAYear, 0, 1e5);
    }

    /** @param drawMahPerDay what goes through a pack of that capacity in a day */
    public static PackAge of(double years, double drawMahPerDay, double capacityMah) {
        Require.inRange("draw in mAh a day", drawMahPerDay, 0, 1e6);
        Require.inRange("capacity in mAh", capacityMah, 1, 100_000);
        return new PackAge(years, drawMahPerDay * DAYS_A_YEAR / capacityMah);
    }

    private double lostAYear() {
        return LOST_A_YEAR + LOST_BY_CYCLES * cyclesAYear / CYCLES;
    }

    /** Share of what it held when it was new, from a half to 1. */
    public double health() {
        return Math.max(LEAST_SHARE, 1 - years * lostAYear());
    }

    /** Years from new until it is due for another. */
    public double dueAfterYears() {
        return (1 - DUE_SHARE) / lostAYear();
    }
}
