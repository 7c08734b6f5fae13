package roofnest.core.still;

import java.util.List;
import java.util.Optional;

import org.hipparchus.geometry.euclidean.threed.Rotation;
import org.hipparchus.geometry.euclidean.threed.RotationConvention;
import org.hipparchus.geometry.euclidean.threed.Vector3D;
import org.hipparchus.exception.MathIllegalStateException;
import org.hipparchus.linear.Array2DRowRealMatrix;
import org.hipparchus.linear.ArrayRealVector;
import org.hipparchus.linear.RealMatrix;
import org.hipparchus.linear.RealVector;
import org.hipparchus.optim.nonlinear.vector.leastsquares.LeastSquaresFactory;
import org.hipparchus.optim.nonlinear.vector.leastsquares.LeastSquaresOptimizer;
import org.hipparchus.optim.nonlinear.vector.leastsquares.LevenbergMarquardtOptimizer;
import org.hipparchus.util.Pair;

import roofnest.core.catalogue.LensSpec;
import roofnest.core.plan.SpacePoint;
import roofnest.core.view.CameraPose;
import roofnest.core.view.Projection;
import roofnest.core.view.Projection.Pixel;

/**
 * One space resection: the pose under which known points fall nearest to where they were tapped.
 *
 * <p>Unknown are the lens's place, its turn as a rotation vector about the pose that the search began with, and, where it is asked
 * for, the field of view. A residual is the angle between the line of sight through the tapped pixel and the line to the point, as a
 * vector in the picture and in pixels there: equal to the distance in pixels where it is small, and defined behind the lens too, so
 * that a search may begin with points out of sight.
 *
 * <p>Source: Luhmann, Robson, Kyle and Boehm, "Close-Range Photogrammetry and 3D Imaging", 3rd ed. 2019, 4.2.3 (space
 * resection); Levenberg–Marquardt after Moré, "The Levenberg-Marquardt algorithm: implementation and theory", 1978.
 */
final class Resection {
    /** Place and turn. */
    static final int POSE = 6;
    private static final int MOST_ROUNDS = 30;
    private static final double ENOUGH = 1e-8;
    private static final double STEP_DEG = 1e-4;
    private static final double HALF_PX = 0.5;
    private static final double WIDEST_DEG = 178;
    private static final double NARROWEST_DEG = 11;
    /** Nearer to the lens a point has no direction, metres. */
    private static final double TOUCHING_M = 1e-9;
    private static final double ALONG = 1e-12;
    private static final double SMALL_SINE = 1e-4;
    private static final Vector3D[] AXES = {Vector3D.PLUS_I, Vector3D.PLUS_J, Vector3D.PLUS_K};

    /** A pose whose axes are the plan's: a direction seen in it is one in the lens's axes, to the right, ahead, upwards. */
    private static final CameraPose LEVEL = new CameraPose(0, 0, 1, 0, 0);

    private final LensSpec lens;
    private final List<Tap> taps;
    private final boolean widthToo;
    private final List<Sight> sights;

    /** A line of sight in the lens's axes, and by what a pixel to the right and one downwards turn it. */
    private record Sight(Vector3D through, Vector3D right, Vector3D down) {
        private interface Pixels {
            void take(double x, double y);
        }

        /** What turns the line of sight a little, as a way in the picture. */
        void inPixels(Vector3D off, Pixels into) {
            double rr = right.dotProduct(right);
            double dd = down.dotProduct(down);
            double rd = right.dotProduct(down);
            double or = off.dotProduct(right);
            double od = off.dotProduct(down);
            double determinant = rr * dd - rd * rd;
            into.take((or * dd - od * rd) / determinant, (od * rr - or * rd) / determinant);
        }
    }

    /** @param widthToo whether the field of view is unknown too */
    Resection(LensSpec lens, List<Tap> taps, boolean widthToo) {
        this.lens = lens;
        this.taps = taps;
        this.widthToo = widthToo;
        this.sights = sights(lens);
    }

    /**
     * @param information JᵀJ of the residuals at the end, in pixels: its inverse times the taps' variance is the covariance of place
     *     (metres), turn (radians) and, where it was asked for, field of view (degrees)
     * @param sumOfSquares of the residuals, square pixels
     */
    record Solved(CameraPose pose, double hfovDeg, Rotation turn, RealMatrix information, double sumOfSquares) {
        /** Heading, tilt and roll of the pose with its turn moved on by a rotation vector, radians. */
        double[] turned(double[] vector) {
            return angles(exp(vector).compose(turn, RotationConvention.VECTOR_OPERATOR));
        }
    }

    /** The least sum of squares downhill from a start; empty when it leads to where no camera hangs. */
    Optional<Solved> from(CameraPose start) {
        Rotation base = rotation(start);
        double[] first = new double[widthToo ? POSE + 1 : POSE];
        first[0] = start.xM();
        first[1] = start.yM();
        first[2] = start.heightM();
        if (widthToo) {
            first[POSE] = lens.hfovDeg();
        }
        try {
            LeastSquaresOptimizer.Optimum best = new LevenbergMarquardtOptimizer().withCostRelativeTolerance(ENOUGH)
                    .withParameterRelativeTolerance(ENOUGH).optimize(LeastSquaresFactory.create(
                            point -> both(point.toArray(), base), new ArrayRealVector(2 * taps.size()), new ArrayRealVector(first), null,
                            MOST_ROUNDS * 4, MOST_ROUNDS));
            return solved(best.getPoint().toArray(), base);
        } catch (MathIllegalStateException noEnd) {
            return Optional.empty();
        }
    }

    private Optional<Solved> solved(double[] at, Rotation base) {
        Rotation turn = turn(at, base);
        double[] angles = angles(turn);
        double hfov = hfov(at);
        try {
            CameraPose pose = new CameraPose(at[0], at[1], at[2], Math.toDegrees(angles[0]), Math.toDegrees(angles[1]),
                    Math.toDegrees(angles[2]));
            Pair<RealVector, RealMatrix> end = both(at, base);
            return Optional.of(new Solved(pose, hfov, turn, end.getSecond().transposeMultiply(end.getSecond()),
                    end.getFirst().dotProduct(end.getFirst())));
        } catch (IllegalArgumentException nowhere) {
            return Optional.empty();
        }
    }

    private double hfov(double[] at) {
        return widthToo ? Math.max(NARROWEST_DEG, Math.min(WIDEST_DEG, at[POSE])) : lens.hfovDeg();
    }

    private Pair<RealVector, RealMatrix> both(double[] at, Rotation base) {
        List<Sight> through = widthToo ? sights(withWidth(lens, hfov(at))) : sights;
        Rotation turn = turn(at, base);
        RealVector left = new ArrayRealVector(2 * taps.size());
        RealMatrix jacobian = new Array2DRowRealMatrix(2 * taps.size(), at.length);
        for (int i = 0; i < taps.size(); i++) {
            residual(through.get(i), at, turn, taps.get(i).landmark().at(), left, jacobian, 2 * i);
        }
        if (widthToo) {
            jacobian.setColumnVector(POSE, widened(at, base, STEP_DEG).subtract(widened(at, base, -STEP_DEG)).mapDivide(2 * STEP_DEG));
        }
        return new Pair<>(left, jacobian);
    }

    private RealVector widened(double[] at, Rotation base, double byDeg) {
        List<Sight> through = sights(withWidth(lens, hfov(at) + byDeg));
        RealVector left = new ArrayRealVector(2 * taps.size());
        for (int i = 0; i < taps.size(); i++) {
            residual(through.get(i), at, turn(at, base), taps.get(i).landmark().at(), left, null, 2 * i);
        }
        return left;
    }

    private List<Sight> sights(LensSpec wide) {
        Projection axes = new Projection(wide, LEVEL);
        return taps.stream().map(tap -> {
            double x = tap.at().x();
            double y = tap.at().y();
            return new Sight(direction(axes, x, y), direction(axes, x + HALF_PX, y).subtract(direction(axes, x - HALF_PX, y)),
                    direction(axes, x, y + HALF_PX).subtract(direction(axes, x, y - HALF_PX)));
        }).toList();
    }

    /** The two rows that a tap on a landmark would add to the Jacobian of a pose: place in metres, turn in radians. */
    static double[][] rows(LensSpec lens, CameraPose pose, Landmark landmark, Pixel pixel) {
        return new Resection(lens, List.of(new Tap(landmark, pixel)), false)
                .both(new double[] {pose.xM(), pose.yM(), pose.heightM(), 0, 0, 0}, rotation(pose)).getSecond().getData();
    }

    static LensSpec withWidth(LensSpec lens, double hfovDeg) {
        return hfovDeg == lens.hfovDeg() ? lens
                : new LensSpec(lens.projection(), lens.widthPx(), lens.heightPx(), hfovDeg, lens.nightRangeM());
    }

    /**
     * From the tapped pixel to where the point falls, pixels, and how it changes with place and turn.
     *
     * @param jacobian null where it is not asked for
     */
    private void residual(Sight sight, double[] place, Rotation turn, SpacePoint point, RealVector left, RealMatrix jacobian, int row) {
        Vector3D to = turn.applyTo(new Vector3D(point.xM() - place[0], point.yM() - place[1], point.zM() - place[2]));
        double far = Math.max(TOUCHING_M, to.getNorm());
        Vector3D predicted = to.scalarMultiply(1 / far);
        double ahead = predicted.dotProduct(sight.through());
        Vector3D aside = predicted.subtract(sight.through().scalarMultiply(ahead));
        double sine = Math.max(ALONG, aside.getNorm());
        double angle = Math.atan2(sine, ahead);
        double longer = angle / sine;
        sight.inPixels(aside.scalarMultiply(longer), (x, y) -> {
            left.setEntry(row, x);
            left.setEntry(row + 1, y);
        });
        if (jacobian == null) {
            return;
        }
        // d(θ/sin θ)/d(cos θ); −1/3 where the two lines of sight are the same.
        double bends = sine < SMALL_SINE ? -1.0 / 3 : (longer * ahead - 1) / (sine * sine);
        for (int column = 0; column < POSE; column++) {
            Vector3D axis = AXES[column % 3];
            Vector3D moved = column < 3 ? turn.applyTo(axis).negate() : axis.crossProduct(to);
            Vector3D turned = moved.subtract(predicted.scalarMultiply(moved.dotProduct(predicted))).scalarMultiply(1 / far);
            double nearer = turned.dotProduct(sight.through());
            Vector3D off = turned.subtract(sight.through().scalarMultiply(nearer)).scalarMultiply(longer)
                    .add(bends * nearer, aside);
            int at = column;
            sight.inPixels(off, (x, y) -> {
                jacobian.setEntry(row, at, x);
                jacobian.setEntry(row + 1, at, y);
            });
        }
    }

    private static Vector3D direction(Projection axes, double xPx, double yPx) {
        return new Vector3D(axes.direction(new Pixel(xPx, yPx)));
    }

    private static Rotation turn(double[] at, Rotation base) {
        return exp(new double[] {at[3], at[4], at[5]}).compose(base, RotationConvention.VECTOR_OPERATOR);
    }

    private static Rotation exp(double[] vector) {
        Vector3D axis = new Vector3D(vector);
        double angle = axis.getNorm();
        return angle < 1e-14 ? Rotation.IDENTITY : new Rotation(axis, angle, RotationConvention.VECTOR_OPERATOR);
    }

    /** From the plan's axes to the lens's: to the right, ahead, upwards. */
    static Rotation rotation(CameraPose pose) {
        return new Rotation(Vector3D.PLUS_J, Math.toRadians(-pose.rollDeg()), RotationConvention.VECTOR_OPERATOR)
                .compose(new Rotation(Vector3D.PLUS_I, Math.toRadians(pose.tiltDeg()), RotationConvention.VECTOR_OPERATOR),
                        RotationConvention.VECTOR_OPERATOR)
                .compose(new Rotation(Vector3D.PLUS_K, Math.toRadians(pose.headingDeg()), RotationConvention.VECTOR_OPERATOR),
                        RotationConvention.VECTOR_OPERATOR);
    }

    /** Heading, tilt and roll of a turn from the plan's axes, radians. */
    private static double[] angles(Rotation turn) {
        Vector3D ahead = turn.applyInverseTo(Vector3D.PLUS_J);
        Vector3D right = turn.applyInverseTo(Vector3D.PLUS_I);
        double heading = Math.atan2(ahead.getX(), ahead.getY());
        double tilt = -Math.asin(Math.max(-1, Math.min(1, ahead.getZ())));
        Vector3D level = new Vector3D(Math.cos(heading), -Math.sin(heading), 0);
        double roll = Math.atan2(-right.dotProduct(level.crossProduct(ahead)), right.dotProduct(level));
        return new double[] {heading, tilt, roll};
    }
}
