package roofnest.core.mount;

import roofnest.core.lang.Require;
import roofnest.core.plan.PlanPoint;
import roofnest.core.view.CameraPose;

/**
 * The way of a lead as somebody chose and measured it on site; it wins over every way that is found on the plan.
 *
 * @param alongM of the way itself, metres, without slack
 * @param holes that it goes through
 * @param at the camera's place at the time, and {@code heightM} its height over the plan's ground, metres
 */
public record SaidLead(String socket, double alongM, int holes, PlanPoint at, double heightM, String by) {
    /** Longer ones are no lead any more, metres. */
    public static final double LONGEST_M = 100;
    public static final int MOST_HOLES = 20;

    public SaidLead {
        socket = Require.text("socket", socket, 80);
        Require.inRange("way in metres", alongM, 0, LONGEST_M);
        Require.inRange("holes", holes, 0, MOST_HOLES);
        Require.finite("height in metres", heightM);
        by = Require.text("who measured", by, 120);
    }

    /** Whether it was measured to the spot at which a camera is planned now. */
    public boolean isOf(CameraPose pose) {
        return at.distanceM(pose.onPlan()) <= SpotLook.SAME_SPOT_M && Math.abs(heightM - pose.heightM()) <= SpotLook.SAME_SPOT_M;
    }

    /** With slack and something to spare. @param leadM that comes with the camera, metres */
    public CableRun run(double leadM) {
        return CableRun.of(socket, alongM, leadM);
    }
}
