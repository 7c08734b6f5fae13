package roofnest.core.power;

import roofnest.core.lang.Require;

/**
 * Daily solar radiation on a level surface above the air.
 * <pre>
 *   H0 = 24·3600/π · Gsc · (1 + 0.033 cos(360 n/365)) · (cos φ cos δ sin ωs + ωs sin φ sin δ)
 *   δ  = 23.45° sin(360 (284 + n)/365),  cos ωs = −tan φ tan δ
 * </pre>
 * n is the day of the year, φ the latitude, δ the declination, ωs the sunset hour angle.
 * Source: Duffie and Beckman, Solar Engineering of Thermal Processes, 4th ed. 2013, eq. 1.10.3, 1.6.1 and 1.6.10.
 * Valid between the polar circles.
 */
final class Sunlight {
    /** Solar constant, W/m². */
    public static final double SOLAR_CONSTANT_W_PER_M2 = 1361;
    private static final double SECONDS_A_DAY = 24 * 3600;

    private Sunlight() {}

    /** H0 of a day, MJ/m². */
    public static double aboveTheAirMjPerM2(double latitudeDeg, int dayOfYear, double solarConstantWPerM2) {
        Require.inRange("latitude in degrees", latitudeDeg, -66, 66);
        Require.inRange("day of the year", dayOfYear, 1, 366);
        double latitude = Math.toRadians(latitudeDeg);
        double declination = Math.toRadians(23.45) * Math.sin(Math.toRadians(360.0 * (284 + dayOfYear) / 365));
        double sunset = Math.acos(-Math.tan(latitude) * Math.tan(declination));
        double orbit = 1 + 0.033 * Math.cos(Math.toRadians(360.0 * dayOfYear / 365));
        double day = Math.cos(latitude) * Math.cos(declination) * Math.sin(sunset)
                + sunset * Math.sin(latitude) * Math.sin(declination);
        return SECONDS_A_DAY / Math.PI * solarConstantWPerM2 * orbit * day / 1e6;
    }

    /** H0 of a day as hours of 1 kW/m². */
    public static double peakSunHours(double latitudeDeg, int dayOfYear) {
        return aboveTheAirMjPerM2(latitudeDeg, dayOfYear, SOLAR_CONSTANT_W_PER_M2) / 3.6;
    }
}
