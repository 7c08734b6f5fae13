package roofnest.core.plan;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/**
 * What rays from one point of the plan go through, for the many thousand rays that a map, a picture or a walk asks about.
 * The circle around the point is cut into {@link #SECTORS} sectors; each knows the few obstacles that reach into it,
 * nearest first, so that a ray tests those alone and stops at the first that begins beyond its end. Sectors are counted
 * along the square around the point rather than by angle, which orders headings the same and needs no arc tangent.
 */
public final class RaysFrom {
    private static final int SECTORS = 256;
    /** A sector takes in what reaches this near to its edge, so that rounding loses nothing. */
    private static final double EDGE_DEG = 0.01;

    private final WallCrossings crossings;
    private final double xM;
    private final double yM;
    private final int[][] obstacles = new int[SECTORS][];
    private final double[] nearestM;

    RaysFrom(WallCrossings crossings, double xM, double yM) {
        this.crossings = crossings;
        this.xM = xM;
        this.yM = yM;
        this.nearestM = new double[crossings.size()];
        List<List<Integer>> found = new ArrayList<>();
        for (int sector = 0; sector < SECTORS; sector++) {
            found.add(new ArrayList<>());
        }
        for (int i = 0; i < crossings.size(); i++) {
            nearestM[i] = crossings.nearestM(i, xM, yM);
            double[] arc = crossings.arcDeg(i, xM, yM);
            int first = sectorAt(arc[0] - EDGE_DEG);
            int last = sectorAt(arc[0] + arc[1] + EDGE_DEG);
            int count = arc[1] >= 359 ? SECTORS : (last - first + SECTORS) % SECTORS + 1;
            for (int step = 0; step < count; step++) {
                found.get((first + step) % SECTORS).add(i);
            }
        }
        for (int sector = 0; sector < SECTORS; sector++) {
            obstacles[sector] = found.get(sector).stream()
                    .sorted(Comparator.comparingDouble(i -> nearestM[i])).mapToInt(Integer::intValue).toArray();
        }
    }

    /** Tells the visitor of everything crossed on the way to a point, roughly nearest first. */
    public void walk(double fromZM, double toXM, double toYM, double toZM, WallCrossings.Visitor visitor) {
        double dx = toXM - xM;
        double dy = toYM - yM;
        double length = Math.sqrt(dx * dx + dy * dy);
        for (int i : obstacles[sector(dx, dy)]) {
            if (nearestM[i] > length || !crossings.cross(i, xM, yM, fromZM, toXM, toYM, toZM, visitor)) {
                return;
            }
        }
    }

    /** Whether nothing that light cannot pass stands on the way. */
    public boolean inSight(double fromZM, double toXM, double toYM, double toZM) {
        double dx = toXM - xM;
        double dy = toYM - yM;
        double length = Math.sqrt(dx * dx + dy * dy);
        for (int i : obstacles[sector(dx, dy)]) {
            if (nearestM[i] > length) {
                return true;
            }
            if (!crossings.cross(i, xM, yM, fromZM, toXM, toYM, toZM, SEE_THROUGH)) {
                return false;
            }
        }
        return true;
    }

    private static final WallCrossings.Visitor SEE_THROUGH = (material, thicknessM, share) -> material.seeThrough();

    public int slabsTo(double fromZM, double toXM, double toYM, double toZM) {
        return crossings.slabsBetween(xM, yM, fromZM, toXM, toYM, toZM);
    }

    private static int sectorAt(double headingDeg) {
        double heading = Math.toRadians(headingDeg);
        return sector(Math.sin(heading), Math.cos(heading));
    }

    /** Runs once round with the heading, clockwise from the y axis. */
    private static int sector(double dx, double dy) {
        double size = Math.abs(dx) + Math.abs(dy);
        if (size == 0) {
            return 0;
        }
        double quarter = dx >= 0 ? 1 - dy / size : 3 + dy / size;
        return Math.min(SECTORS - 1, (int) (quarter * SECTORS / 4));
    }
}
