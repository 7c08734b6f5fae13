package roofnest.core.plan;

import java.util.Arrays;

/**
 * What rays from one point of the plan go through, for the many thousand rays that a map, a picture or a walk asks about.
 * The circle around the point is cut into {@link #SECTORS} sectors; each knows the few obstacles that reach into it,
 * nearest first, so that a ray tests those alone and stops at the first that begins beyond its end. Sectors are counted
 * along the square around the point rather than by angle, which orders headings the same and needs no arc tangent.
 */
public final class RaysFrom {
    /** A power of two. */
    private static final int SECTORS = 256;
    private static final int LAST_SECTOR = SECTORS - 1;
    /** A sector takes in what reaches this near to its edge, so that rounding loses nothing; in quarters of a turn. */
    private static final double EDGE_QUARTERS = 1e-6;

    private final WallCrossings crossings;
    private final double xM;
    private final double yM;
    /** Of all sectors one after the other; those of sector s lie from {@code starts[s]} up to {@code starts[s + 1]}. */
    private final int[] obstacles;
    private final int[] starts = new int[SECTORS + 1];
    private final double[] nearestM;

    RaysFrom(WallCrossings crossings, double xM, double yM) {
        this.crossings = crossings;
        this.xM = xM;
        this.yM = yM;
        int count = crossings.size();
        this.nearestM = new double[count];
        // How near and which one in a single number: distances that are not negative are ordered as their bits are.
        long[] order = new long[count];
        for (int i = 0; i < count; i++) {
            float near = notMore(crossings.nearestM(i, xM, yM));
            nearestM[i] = near;
            order[i] = (long) Float.floatToRawIntBits(near) << Integer.SIZE | i;
        }
        Arrays.sort(order);
        int[] first = new int[count];
        int[] last = new int[count];
        for (int i = 0; i < count; i++) {
            double[] arc = crossings.arc(i, xM, yM);
            first[i] = (int) Math.floor((arc[0] - EDGE_QUARTERS) * SECTORS / 4);
            last[i] = Math.min((int) Math.floor((arc[1] + EDGE_QUARTERS) * SECTORS / 4), first[i] + SECTORS - 1);
            for (int step = first[i]; step <= last[i]; step++) {
                starts[(step & LAST_SECTOR) + 1]++;
            }
        }
        for (int sector = 0; sector < SECTORS; sector++) {
            starts[sector + 1] += starts[sector];
        }
        obstacles = new int[starts[SECTORS]];
        int[] next = starts.clone();
        // Taken nearest first, so that every sector's own list is in that order.
        for (long nearAndIndex : order) {
            int i = (int) nearAndIndex;
            for (int step = first[i]; step <= last[i]; step++) {
                obstacles[next[step & LAST_SECTOR]++] = i;
            }
        }
    }

    private static float notMore(double distanceM) {
        float rounded = (float) distanceM;
        return rounded > distanceM ? Math.nextDown(rounded) : rounded;
    }

    /** Tells the visitor of everything crossed on the way to a point, roughly nearest first. */
    public void walk(double fromZM, double toXM, double toYM, double toZM, WallCrossings.Visitor visitor) {
        double dx = toXM - xM;
        double dy = toYM - yM;
        double length = Math.sqrt(dx * dx + dy * dy);
        int firstBank = crossings.firstBank();
        int sector = sector(dx, dy);
        for (int at = starts[sector]; at < starts[sector + 1]; at++) {
            int i = obstacles[at];
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
        int sector = sector(ux, uy);
        for (int at = starts[sector]; at < starts[sector + 1]; at++) {
            int i = obstacles[at];
            if (nearestM[i] > reachM) {
                return;
            }
            crossings.edges(i, xM, yM, ux, uy, reachM, visitor);
        }
    }

    public double xM() {
        return xM;
    }

    public double yM() {
        return yM;
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
        double rise = length == 0 ? Double.NaN : (toZM - fromZM) / length;
        int sector = sector(dx, dy);
        for (int at = starts[sector]; at < starts[sector + 1]; at++) {
            int i = obstacles[at];
            if (nearestM[i] > length) {
                break;
            }
            // A ray that is over an obstacle before it gets there, and rises, goes over it; so under it.
            double z = fromZM + rise * nearestM[i];
            boolean passes = rise > 0 ? z > crossings.highestM(i) : z < crossings.lowestM(i);
            if (!passes && crossings.hides(i, xM, yM, fromZM, toXM, toYM, toZM)) {
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
