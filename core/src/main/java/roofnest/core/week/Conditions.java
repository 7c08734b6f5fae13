package roofnest.core.week;

import java.util.Arrays;

import roofnest.core.lang.Require;

/**
 * The air and the light of an ordinary day of a month.
 *
 * @param month 1 to 12, as the seasons go at the house: July is summer, also in the far south
 * @param airC of each hour, °C
 * @param dark whether an hour's middle lies in the dark
 */
public record Conditions(int month, double[] airC, boolean[] dark) {
    /** Weeks are as much warmer or colder than the mean, °C: one in four each way. */
    static final double[] OFFSETS_C = {-4, 0, 4};
    static final double[] OFFSET_SHARES = {0.25, 0.5, 0.25};
    /** The warmest hour of a day. */
    private static final int WARMEST_HOUR = 15;
    private static final int INSECTS_FROM = 5;
    private static final int INSECTS_TO = 9;
    /** Rooms are heated on days colder than this on the mean, °C. */
    private static final double HEATED_BELOW_C = 14;

    public Conditions {
        Require.inRange("month", month, 1, 12);
        Require.inRange("hours of temperature", airC.length, Week.HOURS_A_DAY, Week.HOURS_A_DAY);
        Require.inRange("hours of light", dark.length, Week.HOURS_A_DAY, Week.HOURS_A_DAY);
        Arrays.stream(airC).forEach(c -> Require.inRange("temperature in °C", c, -70, 60));
        airC = airC.clone();
        dark = dark.clone();
    }

    /** Of a day's mean and swing: warmest at three in the afternoon. */
    public static Conditions of(int month, double meanC, double swingC, boolean[] dark) {
        double[] air = new double[Week.HOURS_A_DAY];
        for (int hour = 0; hour < air.length; hour++) {
            air[hour] = meanC + swingC / 2 * Math.cos(2 * Math.PI * (hour + 0.5 - WARMEST_HOUR) / Week.HOURS_A_DAY);
        }
        return new Conditions(month, air, dark);
    }

    boolean insects() {
        return month >= INSECTS_FROM && month <= INSECTS_TO;
    }

    boolean heated() {
        return Arrays.stream(airC).average().orElseThrow() < HEATED_BELOW_C;
    }

    @Override
    public double[] airC() {
        return airC.clone();
    }

    @Override
    public boolean[] dark() {
        return dark.clone();
    }

    double airC(int hour, int offset) {
        return airC[hour] + OFFSETS_C[offset];
    }

    boolean dark(int hour) {
        return dark[hour];
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof Conditions that && month == that.month && Arrays.equals(airC, that.airC) && Arrays.equals(dark, that.dark);
    }

    @Override
    public int hashCode() {
        return 31 * month + Arrays.hashCode(airC);
    }

    @Override
    public String toString() {
        return "month " + month + ", " + Arrays.toString(airC) + " °C";
    }
}
