package roofnest.core.power;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;

import roofnest.core.lang.Require;

/**
 * The twelve months of a place, as they are north of the equator: {@link #month} turns them by six in the south.
 *
 * @param meanC mean temperature of each month, °C, January first
 * @param swingC mean of each day's highest less its lowest temperature, °C
 * @param clearness share of the sunlight above the air that reaches the ground, each month, 0 to 1
 */
public record Climate(String name, List<Double> meanC, List<Double> swingC, List<Double> clearness) {
    /** A damp, mild coast of the northern middle latitudes; of {@code climates.csv}. */
    public static final Climate MILD_COAST = new Climate("mild coast",
            List.of(5.0, 5.0, 7.0, 9.0, 13.0, 16.0, 18.0, 18.0, 15.0, 12.0, 8.0, 6.0),
            List.of(5.0, 6.0, 7.0, 8.0, 8.0, 8.0, 8.0, 8.0, 7.0, 6.0, 5.0, 5.0),
            List.of(0.30, 0.34, 0.38, 0.42, 0.44, 0.44, 0.44, 0.43, 0.41, 0.36, 0.31, 0.28));

    /** Air cools with height, °C a kilometre (ICAO standard atmosphere). */
    private static final double LAPSE_C_A_KM = 6.5;

    public Climate {
        name = Require.text("climate", name, 60);
        meanC = List.copyOf(meanC);
        swingC = List.copyOf(swingC);
        clearness = List.copyOf(clearness);
        Require.inRange("months of temperature", meanC.size(), 12, 12);
        Require.inRange("months of daily swing", swingC.size(), 12, 12);
        Require.inRange("months of clearness", clearness.size(), 12, 12);
        meanC.forEach(value -> Require.inRange("temperature in °C", value, -60, 50));
        swingC.forEach(value -> Require.inRange("daily swing in °C", value, 0, 40));
        clearness.forEach(value -> Require.inRange("clearness", value, 0.02, 0.95));
    }

    /** Index into the lists of a month of the calendar at a latitude. */
    public static int month(int monthOfYear, double latitudeDeg) {
        return (monthOfYear - 1 + (latitudeDeg < 0 ? 6 : 0)) % 12;
    }

    /** Where nights of a month are this cold or colder on the mean, °C, some of its nights freeze. */
    public static final double FROST_NIGHT_C = 2;

    /** First day from which a night may freeze, today or later; empty where none does. */
    public Optional<LocalDate> firstFrost(LocalDate today, double latitudeDeg) {
        return IntStream.rangeClosed(0, 12).mapToObj(ahead -> today.plusMonths(ahead)).filter(day -> {
            int month = month(day.getMonthValue(), latitudeDeg);
            return meanC.get(month) - swingC.get(month) / 2 <= FROST_NIGHT_C;
        }).findFirst().map(day -> day.equals(today) ? day : day.withDayOfMonth(1));
    }

    /** The same months so much higher over the sea. */
    public Climate atHeightM(double heightM) {
        return heightM == 0 ? this
                : new Climate(name, meanC.stream().map(c -> Math.max(-60, c - LAPSE_C_A_KM * heightM / 1000)).toList(), swingC, clearness);
    }
}
