package roofnest.core.mount;

import java.util.List;

import roofnest.core.lang.Require;
import roofnest.core.plan.PlanPoint;
import roofnest.core.plan.SpacePoint;
import roofnest.core.view.CameraPose;

/**
 * The way of a lead as somebody chose it: measured on site, or drawn on the plan. It wins over every way that is found there.
 *
 * @param alongM of the way itself, metres, without slack
 * @param holes that it goes through
 * @param turns of a way that was drawn, between socket and camera, heights over the plan's ground; empty for one that was measured.
 *         What a drawn way comes to is reckoned from the plan as it is, so that length and holes are those of the day it was drawn
 * @param at the camera's place at the time, and {@code heightM} its height over the plan's ground, metres
 */
public record SaidLead(String socket, double alongM, int holes, List<SpacePoint> turns, PlanPoint at, double heightM, String by) {
    /** Longer ones are no lead any more, metres. */
    public static final double LONGEST_M = 100;
    public static final int MOST_HOLES = 20;
    public static final int MOST_TURNS = 12;

    public SaidLead {
        socket = Require.text("socket", socket, 80);
        Require.inRange("way in metres", alongM, 0, LONGEST_M);
        Require.inRange("holes", holes, 0, MOST_HOLES);
        turns = List.copyOf(turns);
        Require.inRange("turns", turns.size(), 0, MOST_TURNS);
        Require.finite("height in metres", heightM);
        by = Require.text("who measured", by, 120);
    }

    /** As it was measured on site. */
    public SaidLead(String socket, double alongM, int holes, PlanPoint at, double heightM, String by) {
        this(socket, alongM, holes, List.of(), at, heightM, by);
    }

    /** Whether it was drawn on the plan, and nobody measured it. */
    public boolean drawn() {
        return !turns.isEmpty();
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
