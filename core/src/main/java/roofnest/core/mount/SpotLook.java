package roofnest.core.mount;

import roofnest.core.lang.Require;
import roofnest.core.plan.PlanPoint;
import roofnest.core.view.CameraPose;

/**
 * What somebody who stood where steps or a ladder go up says of the spot, which no plan shows.
 *
 * @param linesNear whether overhead lines are within reach of what is carried or raised there
 * @param firm whether the ground is firm, dry and level
 * @param at the camera's place at the time, and {@code heightM} its height over the plan's ground, metres
 */
public record SpotLook(boolean linesNear, boolean firm, PlanPoint at, double heightM, String by) {
    /** A camera that is planned farther than this from where it was looked at is another spot, metres. */
    static final double SAME_SPOT_M = 0.5;

    public SpotLook {
        Require.finite("height in metres", heightM);
        by = Require.text("who looked", by, 120);
    }

    /** Whether it was said of the spot at which a camera is planned now. */
    public boolean isOf(CameraPose pose) {
        return at.distanceM(pose.onPlan()) <= SAME_SPOT_M && Math.abs(heightM - pose.heightM()) <= SAME_SPOT_M;
    }
}
