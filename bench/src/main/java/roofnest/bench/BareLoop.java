package roofnest.bench;

import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;

import roofnest.core.plan.HousePlan;
import roofnest.core.plan.Thing;
import roofnest.core.plan.Wall;

/**
 * The wall tests of the contour grid as the plainest code that does them: for every grid point and transmitter, every wall
 * of the plan in flat arrays, crossed or not, and its loss added; no openings, floors or trees, no index, no objects.
 */
@State(Scope.Thread)
public class BareLoop {
    private static final double STEP_M = 0.25;
    private static final double HEIGHT_M = 2.4;

    private double[] x;
    private double[] y;
    private double[] wx;
    private double[] wy;
    private double[] base;
    private double[] top;
    private double[] loss;
    private double[][] transmitters;
    private double[] box;

    @Setup
    public void prepare() {
        HousePlan plan = Maltings.plan();
        int n = plan.walls().size();
        x = new double[n];
        y = new double[n];
        wx = new double[n];
        wy = new double[n];
        base = new double[n];
        top = new double[n];
        loss = new double[n];
        for (int i = 0; i < n; i++) {
            Wall wall = plan.walls().get(i);
            x[i] = wall.from().xM();
            y[i] = wall.from().yM();
            wx[i] = wall.to().xM() - x[i];
            wy[i] = wall.to().yM() - y[i];
            base[i] = plan.baseM(wall);
            top[i] = base[i] + wall.heightM();
            loss[i] = wall.material().lossDb24();
        }
        transmitters = plan.ofKind(Thing.Kind.ROUTER, Thing.Kind.ACCESS_POINT)
                .map(thing -> new double[] {thing.at().xM(), thing.at().yM(), thing.heightM()}).toArray(double[][]::new);
        box = plan.extentM();
    }

    double run() {
        double sum = 0;
        for (double py = box[1]; py <= box[3]; py += STEP_M) {
            for (double px = box[0]; px <= box[2]; px += STEP_M) {
                double least = Double.MAX_VALUE;
                for (double[] from : transmitters) {
                    least = Math.min(least, lossTo(from, px, py));
                }
                sum += least;
            }
        }
        return sum;
    }

    private double lossTo(double[] from, double px, double py) {
        double dx = px - from[0];
        double dy = py - from[1];
        double dz = HEIGHT_M - from[2];
        double db = 40.2 + 20 * Math.log10(Math.max(0.5, Math.sqrt(dx * dx + dy * dy + dz * dz)));
        for (int i = 0; i < x.length; i++) {
            double cross = dx * wy[i] - dy * wx[i];
            double ox = x[i] - from[0];
            double oy = y[i] - from[1];
            double share = (ox * wy[i] - oy * wx[i]) / cross;
            double along = (ox * dy - oy * dx) / cross;
            double z = from[2] + share * dz;
            if (share > 0 && share < 1 && along >= 0 && along <= 1 && z >= base[i] && z <= top[i]) {
                db += loss[i];
            }
        }
        return db;
    }
}
