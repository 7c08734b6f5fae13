package roofnest.core.still;

import roofnest.core.lang.Require;

/**
 * By how much what a camera shows has moved in its picture, found from two stills: the shift at which their edges are most like one another
 * (normalised cross-correlation; Lewis, "Fast normalized cross-correlation", 1995). Edges and not light, so that a cloud is no change.
 *
 * @param rightShare by which things lie farther right now, of the picture's width
 * @param downShare by which they lie lower, of its width
 * @param likeness of the edges at this shift, 1 for the same picture
 * @param runnerUp the best likeness elsewhere
 */
public record PictureShift(double rightShare, double downShare, double likeness, double runnerUp) {
    /** Pictures are looked at in so many columns. */
    public static final int COLUMNS = 160;
    /** A shift of more than this share of the width or the height is not looked for. */
    public static final double MOST_SHARE = 0.3;
    /** Two pictures less alike than this show something else, or the same at another hour. */
    public static final double LEAST_LIKENESS = 0.35;
    /** The shift stands out when it is likelier than any other by so much. */
    public static final double LEAST_LEAD = 0.06;
    /** Columns within which another shift is the same one. */
    private static final int NEAR = 5;
    /** Either way in 95 of 100 cases, columns. */
    private static final double SPREAD_COLUMNS = 1.5;
    private static final double LEAST_VARIANCE = 1e-12;

    /** Light of a picture by rows, any scale. */
    public record Gray(int columns, int rows, double[] light) {
        public Gray {
            Require.inRange("columns", columns, 16, COLUMNS);
            Require.inRange("rows", rows, 16, 4 * COLUMNS);
            if (light.length != columns * rows) {
                throw new IllegalArgumentException("a picture of " + columns + " × " + rows + " has as many points");
            }
        }

        double[] edges() {
            double[] edges = new double[light.length];
            for (int y = 1; y < rows - 1; y++) {
                for (int x = 1; x < columns - 1; x++) {
                    int at = y * columns + x;
                    edges[at] = Math.hypot(light[at + 1] - light[at - 1], light[at + columns] - light[at - columns]);
                }
            }
            return edges;
        }
    }

    /** @throws IllegalArgumentException when the pictures have not the same shape */
    public static PictureShift of(Gray then, Gray now) {
        if (then.columns() != now.columns() || then.rows() != now.rows()) {
            throw new IllegalArgumentException("The two pictures have not the same shape.");
        }
        int right = (int) (then.columns() * MOST_SHARE);
        int down = (int) (then.rows() * MOST_SHARE);
        double[] a = then.edges();
        double[] b = now.edges();
        double[][] likeness = new double[2 * down + 1][2 * right + 1];
        int bestX = 0;
        int bestY = 0;
        for (int dy = -down; dy <= down; dy++) {
            for (int dx = -right; dx <= right; dx++) {
                likeness[dy + down][dx + right] = alike(a, b, then.columns(), then.rows(), dx, dy);
                if (likeness[dy + down][dx + right] > likeness[bestY + down][bestX + right]) {
                    bestX = dx;
                    bestY = dy;
                }
            }
        }
        double runnerUp = 0;
        for (int dy = -down; dy <= down; dy++) {
            for (int dx = -right; dx <= right; dx++) {
                if (Math.abs(dx - bestX) > NEAR || Math.abs(dy - bestY) > NEAR) {
                    runnerUp = Math.max(runnerUp, likeness[dy + down][dx + right]);
                }
            }
        }
        double width = then.columns();
        return new PictureShift(bestX / width, bestY / width, likeness[bestY + down][bestX + right], runnerUp);
    }

    /** Of what lies in both pictures, once the second is moved back. */
    private static double alike(double[] a, double[] b, int columns, int rows, int dx, int dy) {
        double n = 0;
        double sumA = 0;
        double sumB = 0;
        double sumAa = 0;
        double sumBb = 0;
        double sumAb = 0;
        for (int y = Math.max(1, 1 - dy); y < Math.min(rows - 1, rows - 1 - dy); y++) {
            for (int x = Math.max(1, 1 - dx); x < Math.min(columns - 1, columns - 1 - dx); x++) {
                double one = a[y * columns + x];
                double other = b[(y + dy) * columns + x + dx];
                n++;
                sumA += one;
                sumB += other;
                sumAa += one * one;
                sumBb += other * other;
                sumAb += one * other;
            }
        }
        double varianceA = sumAa - sumA * sumA / n;
        double varianceB = sumBb - sumB * sumB / n;
        return n == 0 || varianceA < LEAST_VARIANCE || varianceB < LEAST_VARIANCE ? 0
                : (sumAb - sumA * sumB / n) / Math.sqrt(varianceA
                        * varianceB);
    }

    /** Whether it can be told at all. */
    public boolean found() {
        return likeness >= LEAST_LIKENESS && likeness - runnerUp >= LEAST_LEAD;
    }

    /** Whether it is more than the pictures can be compared to. */
    public boolean moved() {
        return found() && Math.max(Math.abs(rightShare), Math.abs(downShare)) * COLUMNS > SPREAD_COLUMNS;
    }
}
