package roofnest.core.view;

import roofnest.core.plan.RaysFrom;

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
    private static final double OVER_ALL_M = 0.01;
    private static final int AROUND = 24;
    private static final int UP = 6;
    private static final SunTrack.Towards[][] SKY = new SunTrack.Towards[UP][AROUND];

    static {
        for (int step = 0; step < UP; step++) {
            for (int around = 0; around < AROUND; around++) {
                SKY[step][around] = SunTrack.Towards.of(360.0 * around / AROUND, 90 * (step + 0.5) / UP);
            }
        }
    }

    /**
     * @param eye of the camera that it hangs over
     * @param zM of the panel, metres above the ground
     * @param headingDeg that the panel faces on the plan
     */
    public static PanelShade of(Eye eye, SunTrack sun, double zM, double slopeDeg, double headingDeg, int stepsADay) {
        RaysFrom rays = eye.rays();
        SunTrack.Towards[][] path = sun.path(stepsADay);
        boolean[][] lit = new boolean[path.length][stepsADay];
        for (int month = 0; month < path.length; month++) {
            for (int step = 0; step < stepsADay; step++) {
                lit[month][step] = path[month][step].up() > 0 && clear(rays, zM, path[month][step]);
            }
        }
        return new PanelShade(lit, sky(rays, zM, SunTrack.Towards.of(headingDeg, 90 - slopeDeg)));
    }

    /** @param square the way that the panel faces */
    private static double sky(RaysFrom rays, double zM, SunTrack.Towards square) {
        double all = 0;
        double open = 0;
        for (int step = 0; step < UP; step++) {
            // A ring of sky is the smaller the higher it is.
            double ring = Math.cos(Math.toRadians(90 * (step + 0.5) / UP));
            for (int around = 0; around < AROUND; around++) {
                SunTrack.Towards to = SKY[step][around];
                double facing = to.east() * square.east() + to.north() * square.north() + to.up() * square.up();
                if (facing > 0) {
                    all += facing * ring;
                    open += clear(rays, zM, to) ? facing * ring : 0;
                }
            }
        }
        return all == 0 ? 0 : open / all;
    }

    private static boolean clear(RaysFrom rays, double zM, SunTrack.Towards to) {
        // Over the highest of the house nothing is met any more.
        double reach = Math.min(REACH_M, (rays.crossings().highestM() - zM + OVER_ALL_M) / to.up());
        return reach <= 0 || rays.inSight(zM, rays.xM() + reach * to.east(), rays.yM() + reach * to.north(), zM + reach * to.up());
    }
}
