package roofnest.core.still;

import java.util.Optional;

import roofnest.core.catalogue.LensSpec;
import roofnest.core.lang.Require;
import roofnest.core.plan.SpacePoint;
import roofnest.core.view.CameraPose;
import roofnest.core.view.Projection;

/**
 * How a camera hangs now, if it was only turned, found from two stills: the turn through which the edges of the first, sent through its
 * lens, are most like those of the second. A wide lens moves what lies at its side by more than what lies in its middle, so that the shift
 * of the picture alone would say up to twice the turn.
 *
 * @param pose in which it hangs by it
 * @param likeness of the edges through that turn, 1 for the same picture
 * @param spreadDeg within which other turns are as like, either way, degrees
 */
public record PictureTurn(CameraPose pose, double likeness, double spreadDeg) {
    /** A turn of more than this is not looked for, degrees. */
    private static final double MOST_HEADING_DEG = 20;
    private static final double MOST_TILT_DEG = 12;
    private static final double COARSE_DEG = 1;
    private static final double FINE_DEG = 0.1;
    private static final int FINE_STEPS = 12;
    /** Degrees within which another turn is the same one. */
    private static final double NEAR_DEG = 2.5;
    /** Points looked at: of every so many columns and rows one. */
    private static final int COARSE_EVERY = 3;
    private static final int FINE_EVERY = 2;
    /** Of the points of the first picture so many lie in the second at least. */
    private static final double LEAST_OVERLAP = 0.35;
    /** Turns whose likeness is less by no more than this cannot be told apart. */
    private static final double AS_LIKE = 0.03;
    private static final double LEAST_SPREAD_DEG = 0.3;
    private static final double FAR_M = 1000;
    private static final double LEAST_VARIANCE = 1e-12;

    public PictureTurn {
        Require.inRange("likeness", likeness, -1, 1 + 1e-9);
        Require.inRange("spread in degrees", spreadDeg, 0, 90);
    }

    /** Empty where no turn makes the two alike enough, or more than one does. @param was the pose of the first */
    public static Optional<PictureTurn> of(PictureShift.Gray then, PictureShift.Gray now, LensSpec lens, CameraPose was) {
        if (then.columns() != now.columns() || then.rows() != now.rows()) {
            throw new IllegalArgumentException("The two pictures have not the same shape.");
        }
        double[] from = then.edges();
        double[] to = now.edges();
        int across = (int) (MOST_HEADING_DEG / COARSE_DEG);
        int along = (int) (MOST_TILT_DEG / COARSE_DEG);
        double[][] coarse = new double[2 * across + 1][2 * along + 1];
        double[] best = {Double.NEGATIVE_INFINITY, 0, 0};
        for (int i = -across; i <= across; i++) {
            for (int j = -along; j <= along; j++) {
                coarse[i + across][j + along]
                        = alike(then, from, to, lens, was, turned(was, i * COARSE_DEG, j * COARSE_DEG), COARSE_EVERY);
                keep(best, coarse[i + across][j + along], i * COARSE_DEG, j * COARSE_DEG);
            }
        }
        double runnerUp = Double.NEGATIVE_INFINITY;
        for (int i = -across; i <= across; i++) {
            for (int j = -along; j <= along; j++) {
                if (Math.abs(i * COARSE_DEG - best[1]) > NEAR_DEG || Math.abs(j * COARSE_DEG - best[2]) > NEAR_DEG) {
                    runnerUp = Math.max(runnerUp, coarse[i + across][j + along]);
                }
            }
        }
        return best[0] - runnerUp < PictureShift.LEAST_LEAD ? Optional.empty() : fine(then, from, to, lens, was, best[1], best[2]);
    }

    private static Optional<PictureTurn> fine(PictureShift.Gray then, double[] from, double[] to, LensSpec lens, CameraPose was, double h0,
            double t0) {
        double[] best = {Double.NEGATIVE_INFINITY, 0, 0};
        double[][] fine = new double[2 * FINE_STEPS + 1][2 * FINE_STEPS + 1];
        for (int i = -FINE_STEPS; i <= FINE_STEPS; i++) {
            for (int j = -FINE_STEPS; j <= FINE_STEPS; j++) {
                double like = alike(then, from, to, lens, was, turned(was, h0 + i * FINE_DEG, t0 + j * FINE_DEG), FINE_EVERY);
                fine[i + FINE_STEPS][j + FINE_STEPS] = like;
                keep(best, like, h0 + i * FINE_DEG, t0 + j * FINE_DEG);
            }
        }
        if (best[0] < PictureShift.LEAST_LIKENESS) {
            return Optional.empty();
        }
        double spread = LEAST_SPREAD_DEG;
        for (int i = -FINE_STEPS; i <= FINE_STEPS; i++) {
            for (int j = -FINE_STEPS; j <= FINE_STEPS; j++) {
                if (fine[i + FINE_STEPS][j + FINE_STEPS] >= best[0] - AS_LIKE) {
                    spread = Math.max(spread, Math.max(Math.abs(h0 + i * FINE_DEG - best[1]), Math.abs(t0 + j * FINE_DEG - best[2])));
                }
            }
        }
        return Optional.of(new PictureTurn(turned(was, best[1], best[2]), Math.min(1, best[0]), spread));
    }

    /** Whether it is more than the pictures can be compared to. @param was the pose of the first */
    public boolean moved(CameraPose was) {
        double heading = Math.abs(((pose.headingDeg() - was.headingDeg()) % 360 + 540) % 360 - 180);
        return Math.max(heading, Math.abs(pose.tiltDeg() - was.tiltDeg())) > 2 * spreadDeg;
    }

    private static void keep(double[] best, double like, double heading, double tilt) {
        if (like > best[0]) {
            best[0] = like;
            best[1] = heading;
            best[2] = tilt;
        }
    }

    private static CameraPose turned(CameraPose was, double heading, double tilt) {
        return new CameraPose(was.xM(), was.yM(), was.heightM(), ((was.headingDeg() + heading) % 360 + 360) % 360,
                Math.max(-30, Math.min(90,
                        was.tiltDeg() + tilt)),
                was.rollDeg());
    }

    /** Of what lies in both. @param every so many columns and rows one point is looked at */
    private static double alike(PictureShift.Gray shape, double[] from, double[] to, LensSpec lens, CameraPose was, CameraPose is,
            int every) {
        Projection one = new Projection(lens, was);
        Projection other = new Projection(lens, is);
        SpacePoint eye = one.eye();
        double scaleX = (double) lens.widthPx() / shape.columns();
        double scaleY = (double) lens.heightPx() / shape.rows();
        int asked = 0;
        int n = 0;
        double sumA = 0;
        double sumB = 0;
        double sumAa = 0;
        double sumBb = 0;
        double sumAb = 0;
        for (int y = 1; y < shape.rows() - 1; y += every) {
            for (int x = 1; x < shape.columns() - 1; x += every) {
                asked++;
                double[] way = one.direction(new Projection.Pixel((x + 0.5) * scaleX, (y + 0.5) * scaleY));
                Optional<Projection.Pixel> at
                        = other.pixel(eye.xM() + FAR_M * way[0], eye.yM() + FAR_M * way[1], eye.zM() + FAR_M * way[2]);
                if (at.isEmpty()) {
                    continue;
                }
                double column = at.get().x() / scaleX - 0.5;
                double row = at.get().y() / scaleY - 0.5;
                if (column < 1 || row < 1 || column >= shape.columns() - 2 || row >= shape.rows() - 2) {
                    continue;
                }
                double a = from[y * shape.columns() + x];
                double b = between(to, shape.columns(), column, row);
                n++;
                sumA += a;
                sumB += b;
                sumAa += a * a;
                sumBb += b * b;
                sumAb += a * b;
            }
        }
        double varianceA = sumAa - sumA * sumA / Math.max(1, n);
        double varianceB = sumBb - sumB * sumB / Math.max(1, n);
        return n < LEAST_OVERLAP * asked || varianceA < LEAST_VARIANCE || varianceB < LEAST_VARIANCE ? -1
                : (sumAb - sumA * sumB / n) / Math.sqrt(varianceA * varianceB);
    }

    private static double between(double[] of, int columns, double column, double row) {
        int x = (int) column;
        int y = (int) row;
        double dx = column - x;
        double dy = row - y;
        int at = y * columns + x;
        return (1 - dy) * ((1 - dx) * of[at] + dx * of[at + 1]) + dy * ((1 - dx) * of[at + columns] + dx * of[at + columns + 1]);
    }
}
