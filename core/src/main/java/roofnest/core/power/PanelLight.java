package roofnest.core.power;

import java.util.Arrays;

import roofnest.core.lang.Require;

/**
 * What reaches a panel that leans and is shaded, of what falls on level ground in the open: the sun's part by its path, the
 * sky's by how much of it the panel sees, and a little thrown up from the ground.
 * <pre>
 *   HT = H (1 − d) Rb + H d (1 + cos β)/2 · s + H ρ (1 − cos β)/2,  Rb = Σ lit · cos θ / Σ cos θz
 * </pre>
 * H the day's radiation on level ground, d its diffuse share, β the slope, s the share left of the sky, ρ 0.2; the sums run
 * along the sun's path from rise to set.
 * Source: Duffie and Beckman, Solar Engineering of Thermal Processes, 4th ed. 2013, eq. 1.6.2, 2.19.1 (isotropic sky).
 */
public final class PanelLight {
    /** The sun's path is looked at so often in a day. */
    public static final int STEPS_A_DAY = 96;
    private static final double GROUND = 0.2;
    /** Of the hour angle at each step, noon in the middle. */
    private static final double[] COS = new double[STEPS_A_DAY];
    private static final double[] SIN = new double[STEPS_A_DAY];
    /** Of the cosines before each step. */
    private static final double[] COS_SUMS = new double[STEPS_A_DAY + 1];

    static {
        for (int step = 0; step < STEPS_A_DAY; step++) {
            double angle = 2 * Math.PI * ((step + 0.5) / STEPS_A_DAY - 0.5);
            COS[step] = Math.cos(angle);
            SIN[step] = Math.sin(angle);
            COS_SUMS[step + 1] = COS_SUMS[step] + COS[step];
        }
    }

    /** A low sun on a steep panel is not reckoned with beyond this many times level ground. */
    private static final double MOST_RATIO = 100;

    private final double slopeRad;
    private final double skyPart;
    private final double groundPart;
    private final double[] beam = new double[Weather.DAYS];
    private final Key key;

    private record Key(double latitudeDeg, double slopeDeg, double headingDeg, double skyShare, int lit) {}

    /**
     * @param slopeDeg from level, 0 to 90
     * @param headingDeg that it faces, degrees clockwise from true north
     * @param lit for each month, January first, and each step of the day from midnight by the sun, whether the sun reaches it
     * @param skyShare of the sky that it faces which nothing hides, 0 to 1
     */
    public PanelLight(double latitudeDeg, double slopeDeg, double headingDeg, boolean[][] lit, double skyShare) {
        Require.inRange("slope in degrees", slopeDeg, 0, 90);
        Require.finite("heading in degrees", headingDeg);
        this.slopeRad = Math.toRadians(slopeDeg);
        this.skyPart = (1 + Math.cos(slopeRad)) / 2 * skyShare;
        this.groundPart = GROUND * (1 - Math.cos(slopeRad)) / 2;
        Require.inRange("share of the sky", skyShare, 0, 1);
        this.key = new Key(latitudeDeg, slopeDeg, headingDeg, skyShare, Arrays.deepHashCode(lit));
        reckonBeam(Math.toRadians(latitudeDeg), Math.toRadians(headingDeg), lit);
    }

    /** A panel in the open. */
    public static PanelLight open(double latitudeDeg, double slopeDeg, double headingDeg) {
        boolean[][] lit = new boolean[12][STEPS_A_DAY];
        for (boolean[] month : lit) {
            Arrays.fill(month, true);
        }
        return new PanelLight(latitudeDeg, slopeDeg, headingDeg, lit, 1);
    }

    /**
     * Both sums of each day divided by cos δ, so that what differs from day to day is one figure only, tan δ.
     */
    private void reckonBeam(double latitude, double heading, boolean[][] lit) {
        double eastward = Math.sin(slopeRad) * Math.sin(heading);
        double northward = Math.sin(slopeRad) * Math.cos(heading);
        double upward = Math.cos(slopeRad);
        double sinLatitude = Math.sin(latitude);
        double cosLatitude = Math.cos(latitude);
        double facingATan = sinLatitude * upward + cosLatitude * northward;
        double[] facing = new double[STEPS_A_DAY];
        for (int step = 0; step < STEPS_A_DAY; step++) {
            facing[step] = (cosLatitude * upward - sinLatitude * northward) * COS[step] - SIN[step] * eastward;
        }
        int rise = 0;
        for (int day = 0; day < Weather.DAYS; day++) {
            double tan = Math.tan(Sunlight.declinationRad(day + 1));
            boolean[] reached = lit[Math.min(11, (int) (day / (Weather.DAYS / 12.0)))];
            // From one day to the next the sun rises a step earlier or later at most, but for the days on which it begins or ceases to.
            while (rise > 0 && cosLatitude * COS[rise - 1] + sinLatitude * tan > 0) {
                rise--;
            }
            while (rise < STEPS_A_DAY / 2 && cosLatitude * COS[rise] + sinLatitude * tan <= 0) {
                rise++;
            }
            double level = cosLatitude * (COS_SUMS[STEPS_A_DAY - rise] - COS_SUMS[rise]) + (STEPS_A_DAY - 2 * rise) * sinLatitude * tan;
            double leaning = 0;
            // As long before noon as after it.
            for (int step = rise; step < STEPS_A_DAY - rise; step++) {
                double straight = facing[step] + facingATan * tan;
                leaning += reached[step] && straight > 0 ? straight : 0;
            }
            beam[day] = rise == STEPS_A_DAY / 2 ? 0 : Math.min(MOST_RATIO, leaning / level);
        }
    }

    /** Radiation on the panel on a day of so much clearness, MJ/m². @param day of the year, from 0 */
    public double mjPerM2(int day, double clearness) {
        double level = clearness * Sunlight.aboveTheAirMjPerM2(key.latitudeDeg(), day + 1, Sunlight.SOLAR_CONSTANT_W_PER_M2);
        double diffuse = Sunlight.diffuseShare(clearness, Sunlight.sunsetRad(key.latitudeDeg(), day + 1));
        return level * (1 - diffuse) * ofBeam(day) + level * diffuse * ofDiffuse();
    }

    /** What reaches the panel of the light straight from the sun on level ground, with what the ground gives back of it. */
    double ofBeam(int day) {
        return beam[day] + groundPart;
    }

    /** What reaches the panel of the light that the whole sky sends on level ground, with what the ground gives back of it. */
    double ofDiffuse() {
        return skyPart + groundPart;
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof PanelLight that && key.equals(that.key);
    }

    @Override
    public int hashCode() {
        return key.hashCode();
    }
}
