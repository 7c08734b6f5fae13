package roofnest.core.power;

import roofnest.core.lang.Require;

/**
 * Daily solar radiation on a level surface above the air, and its share that the air scatters.
 * <pre>
 *   H0 = 24·3600/π · Gsc · (1 + 0.033 cos(360 n/365)) · (cos φ cos δ sin ωs + ωs sin φ sin δ)
 *   δ  = 23.45° sin(360 (284 + n)/365),  cos ωs = −tan φ tan δ, held to −1 … 1
 * </pre>
 * n is the day of the year, φ the latitude, δ the declination, ωs the sunset hour angle: 0 through the polar night, 180°
 * through the polar day. Diffuse share after Erbs, Klein and Duffie.
 * Source: Duffie and Beckman, Solar Engineering of Thermal Processes, 4th ed. 2013, eq. 1.10.3, 1.6.1, 1.6.10 and 2.11.1.
 */
final class Sunlight {
    /** Solar constant, W/m². */
    public static final double SOLAR_CONSTANT_W_PER_M2 = 1361;
    private static final double SECONDS_A_DAY = 24 * 3600;
    /** Sunset hour angle, degrees, from which on Erbs's summer form holds. */
    private static final double SUMMER_SUNSET_DEG = 81.4;

    private Sunlight() {}

    static double declinationRad(int dayOfYear) {
        Require.inRange("day of the year", dayOfYear, 1, 366);
        return Math.toRadians(23.45) * Math.sin(Math.toRadians(360.0 * (284 + dayOfYear) / 365));
    }

    /** Hour angle of sunset, radians: 0 while the sun does not rise, π while it does not set. */
    static double sunsetRad(double latitudeDeg, int dayOfYear) {
        Require.inRange("latitude in degrees", latitudeDeg, -90, 90);
        double tangents = -Math.tan(Math.toRadians(latitudeDeg)) * Math.tan(declinationRad(dayOfYear));
        return Math.acos(Math.max(-1, Math.min(1, tangents)));
    }

    /** H0 of a day, MJ/m²; 0 through the polar night. */
    public static double aboveTheAirMjPerM2(double latitudeDeg, int dayOfYear, double solarConstantWPerM2) {
        double latitude = Math.toRadians(latitudeDeg);
        double declination = declinationRad(dayOfYear);
        double sunset = sunsetRad(latitudeDeg, dayOfYear);
        double orbit = 1 + 0.033 * Math.cos(Math.toRadians(360.0 * dayOfYear / 365));
        double day = Math.cos(latitude) * Math.cos(declination) * Math.sin(sunset)
                + sunset * Math.sin(latitude) * Math.sin(declination);
        return Math.max(0, SECONDS_A_DAY / Math.PI * solarConstantWPerM2 * orbit * day / 1e6);
    }

    /** Share of a day's radiation that comes from the whole sky and not from the sun, by its clearness. */
    static double diffuseShare(double clearness, double sunsetRad) {
        double k = Require.inRange("clearness", clearness, 0, 1);
        if (Math.toDegrees(sunsetRad) <= SUMMER_SUNSET_DEG) {
            return k < 0.715 ? 1 - 0.2727 * k + 2.4495 * k * k - 11.9514 * k * k * k + 9.3879 * k * k * k * k : 0.143;
        }
        return k < 0.722 ? 1 + 0.2832 * k - 2.5557 * k * k + 0.8448 * k * k * k : 0.175;
    }
}
