package roofnest.core.view;

import roofnest.core.plan.RaysFrom;
import roofnest.core.plan.WallCrossings;

/**
 * What a house and its trees keep from a panel: when the sun reaches it, month by month along its path, and how much of the
 * sky that it faces is open.
 *
 * @param lit for each month, January first, and each step of the day, whether the sun is up and nothing stands before it
 * @param skyShare of the sky that the panel faces, weighed by how squarely it faces it, 0 to 1
 */
public record PanelShade(boolean[][] lit, double skyShare) {
    /** Nothing farther away shades: it would have to be taller than houses are, metres. */
    private static final double REACH_M = 120;
    private static final int AROUND = 24;
    private static final int UP = 6;

    /**
     * @param zM of the panel, metres above the ground
     * @param headingDeg that the panel faces on the plan
     */
    public static PanelShade of(WallCrossings house, SunTrack sun, double xM, double yM, double zM, double slopeDeg, double headingDeg,
            int stepsADay) {
        RaysFrom rays = house.from(xM, yM);
        SunTrack.Sun[][] path = sun.path(stepsADay);
        boolean[][] lit = new boolean[path.length][stepsADay];
        for (int month = 0; month < path.length; month++) {
            for (int step = 0; step < stepsADay; step++) {
                lit[month][step] = path[month][step].up() && clear(rays, xM, yM, zM, path[month][step].headingDeg(),
                        path[month][step].altitudeDeg());
            }
        }
        return new PanelShade(lit, sky(rays, xM, yM, zM, slopeDeg, headingDeg));
    }

    private static double sky(RaysFrom rays, double xM, double yM, double zM, double slopeDeg, double headingDeg) {
        double slope = Math.toRadians(slopeDeg);
        double all = 0;
        double open = 0;
        for (int step = 0; step < UP; step++) {
            double altitude = 90 * (step + 0.5) / UP;
            for (int around = 0; around < AROUND; around++) {
                double heading = 360.0 * around / AROUND;
                double up = Math.sin(Math.toRadians(altitude));
                double out = Math.cos(Math.toRadians(altitude));
                double facing = up * Math.cos(slope) + out * Math.sin(slope) * Math.cos(Math.toRadians(heading - headingDeg));
                if (facing > 0) {
                    // A ring of sky is the smaller the higher it is.
                    all += facing * out;
                    open += clear(rays, xM, yM, zM, heading, altitude) ? facing * out : 0;
                }
            }
        }
        return all == 0 ? 0 : open / all;
    }

    private static boolean clear(RaysFrom rays, double xM, double yM, double zM, double headingDeg, double altitudeDeg) {
        double heading = Math.toRadians(headingDeg);
        double flat = REACH_M * Math.cos(Math.toRadians(altitudeDeg));
        return rays.inSight(zM, xM + flat * Math.sin(heading), yM + flat * Math.cos(heading),
                zM + REACH_M * Math.sin(Math.toRadians(altitudeDeg)));
    }
}
