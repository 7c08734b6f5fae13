package roofnest.core.power;

import java.util.List;

import roofnest.core.lang.Require;

/**
 * The twelve months of a place.
 *
 * @param meanC mean temperature of each month, °C, January first
 * @param clearness share of the sunlight above the air that reaches the ground, each month, 0 to 1
 */
public record Climate(String name, List<Double> meanC, List<Double> clearness) {
    /** A damp, mild coast of the northern middle latitudes: the default until the firm sets its own. */
    public static final Climate MILD_COAST = new Climate("mild coast",
            List.of(2.5, 3.0, 5.5, 8.5, 12.0, 15.0, 17.0, 16.8, 14.2, 10.6, 6.4, 3.4),
            List.of(0.30, 0.35, 0.40, 0.44, 0.46, 0.46, 0.45, 0.44, 0.42, 0.37, 0.31, 0.27));

    public Climate {
        meanC = List.copyOf(meanC);
        clearness = List.copyOf(clearness);
        Require.inRange("months of temperature", meanC.size(), 12, 12);
        Require.inRange("months of clearness", clearness.size(), 12, 12);
        meanC.forEach(value -> Require.inRange("temperature in °C", value, -60, 50));
        clearness.forEach(value -> Require.inRange("clearness", value, 0, 1));
    }
}
