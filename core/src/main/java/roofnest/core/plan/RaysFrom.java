package roofnest.core.plan;

import java.util.Arrays;
import java.util.Comparator;
import java.util.stream.IntStream;

/**
 * What rays from one point of the plan go through, for the many thousand rays that a map, a picture or a walk asks about.
 * The circle around the point is cut into {@link #SECTORS} sectors; each knows the few obstacles that reach into it,
 * nearest first, so that a ray tests those alone and stops at the first that begins beyond its end. Sectors are counted
 * along the square around the point rather than by angle, which orders headings the same and needs no arc tangent.
 */
public final class RaysFrom {
    private static final int SECTORS = 256;
    /** A sector takes in what reaches this near to its edge, so that rounding loses nothing; in quarters of a turn. */
    private static final double EDGE_QUARTERS = 1e-6;

    private final WallCrossings crossings;
    private final double xM;
    private final double yM;
    private final int[][] obstacles = new int[SECTORS][];
    private final double[] nearestM;

    RaysFrom(WallCrossings crossings, double xM, double yM) {
        this.crossings = crossings;
        this.xM = xM;
        this.yM = yM;
        int count = crossings.size();
        this.nearestM = new double[count];
        for (int i = 0; i < count; i++) {
            nearestM[i] = crossings.nearestM(i, xM, yM);
        }
        int[][] found = new int[SECTORS][8];
        int[] lengths = new int[SECTORS];
        // Taken nearest first, so that every sector's own list is in that order.
        for (int i : IntStream.range(0, count).boxed().sorted(Comparator.comparingDouble(i -> nearestM[i])).mapToInt(Integer::intValue)
                .toArray()) {
            double[] arc = crossings.arc(i, xM, yM);
            int first = (int) Math.floor((arc[0] - EDGE_QUARTERS) * SECTORS / 4);
            int last = (int) Math.floor((arc[1] + EDGE_QUARTERS) * SECTORS / 4);
            for (int step = first; step <= Math.min(last, first + SECTORS - 1); step++) {
                int sector = Math.floorMod(step, SECTORS);
                if (lengths[sector] == found[sector].length) {
                    found[sector] = Arrays.copyOf(found[sector], 2 * lengths[sector]);
                }
                found[sector][lengths[sector]++] = i;
            }
        }
        for (int sector = 0; sector < SECTORS; sector++) {
            obstacles[sector] = Arrays.copyOf(found[sector], lengths[sector]);
        }
    }

    /** Tells the visitor of everything crossed on the way to a point, roughly nearest first. */
    public void walk(double fromZM, double toXM, double toYM, double toZM, WallCrossings.Visitor visitor) {
        double dx = toXM - xM;
        double dy = toYM - yM;
        double length = Math.sqrt(dx * dx + dy * dy);
        int firstBank = crossings.firstBank();
        for (int i : obstacles[sector(dx, dy)]) {
            if (nearestM[i] > length) {
                break;
            }
            if (i < firstBank && !crossings.cross(i, xM, yM, fromZM, toXM, toYM, toZM, visitor)) {
                return;
            }
        }
        crossings.walkRoofs(xM, yM, fromZM, toXM, toYM, toZM, visitor);
    }

    /** Whether nothing that light cannot pass stands on the way. */
    public boolean inSight(double fromZM, double toXM, double toYM, double toZM) {
        return hider(fromZM, toXM, toYM, toZM) == null;
    }

    /** Tells of the edges of everything that stands over the line in a direction of length one. */
    public void edges(double ux, double uy, double reachM, WallCrossings.EdgeVisitor visitor) {
        for (int i : obstacles[sector(ux, uy)]) {
            if (nearestM[i] > reachM) {
                return;
            }
            crossings.edges(i, xM, yM, ux, uy, reachM, visitor);
        }
    }

    public WallCrossings crossings() {
        return crossings;
    }

    /** What light meets first on the way; null when nothing hides the point. */
    public WallCrossings.Hider firstHider(double fromZM, double toXM, double toYM, double toZM) {
        return crossings.first(xM, yM, fromZM, toXM, toYM, toZM);
    }

    private WallCrossings.Hider hider(double fromZM, double toXM, double toYM, double toZM) {
        double dx = toXM - xM;
        double dy = toYM - yM;
        double length = Math.sqrt(dx * dx + dy * dy);
        for (int i : obstacles[sector(dx, dy)]) {
            if (nearestM[i] > length) {
                break;
            }
            if (crossings.hides(i, xM, yM, fromZM, toXM, toYM, toZM)) {
                return crossings.kind(i);
            }
        }
        return crossings.lying(xM, yM, fromZM, toXM, toYM, toZM);
    }

    public int slabsTo(double fromZM, double toXM, double toYM, double toZM) {
        return crossings.slabsBetween(xM, yM, fromZM, toXM, toYM, toZM);
    }

    private static int sector(double dx, double dy) {
        return Math.min(SECTORS - 1, (int) (quarters(dx, dy) * SECTORS / 4));
    }

    /** Runs from 0 to 4 once round with the heading, clockwise from the y axis. */
    static double quarters(double dx, double dy) {
        double size = Math.abs(dx) + Math.abs(dy);
        if (size == 0) {
            return 0;
        }
        return dx >= 0 ? 1 - dy / size : 3 + dy / size;
    }
}
