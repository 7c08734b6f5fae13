package roofnest.core.motion;

import roofnest.core.plan.Ground;
import roofnest.core.plan.PlanPoint;
import roofnest.core.plan.Walk;

/** Somebody's way along a path, step by step; found once and walked before any number of cameras. Never changes. */
public final class Track {
    /** Length of a step, seconds. */
    public static final double STEP_S = 0.05;

    private final Walker walker;
    private final double walkS;
    private final double[] xM;
    private final double[] yM;
    private final double[] headingRad;
    private final double[] groundM;

    public Track(Walk walk, Walker walker, Ground ground) {
        this.walker = walker;
        this.walkS = walk.lengthM() / walker.speedMPerS();
        int steps = (int) Math.floor(walkS / STEP_S) + 1;
        xM = new double[steps];
        yM = new double[steps];
        headingRad = new double[steps];
        groundM = new double[steps];
        for (int step = 0; step < steps; step++) {
            Walk.Position position = walk.at(step * STEP_S * walker.speedMPerS());
            xM[step] = position.point().xM();
            yM[step] = position.point().yM();
            headingRad[step] = Math.toRadians(position.headingDeg());
            groundM[step] = ground.heightM(position.point());
        }
    }

    public Walker walker() {
        return walker;
    }

    /** How long the whole walk takes, seconds. */
    public double walkS() {
        return walkS;
    }

    int steps() {
        return xM.length;
    }

    double x(int step) {
        return xM[step];
    }

    double y(int step) {
        return yM[step];
    }

    double headingRad(int step) {
        return headingRad[step];
    }

    double groundM(int step) {
        return groundM[step];
    }

    PlanPoint point(int step) {
        return new PlanPoint(xM[step], yM[step]);
    }
}
