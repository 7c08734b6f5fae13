package roofnest.core.view;

import java.util.Optional;

import roofnest.core.catalogue.LensSpec;
import roofnest.core.plan.SpacePoint;

/**
 * From space to picture and back, for one lens in one pose. Pixels count from the picture's top left corner.
 * <pre>
 *   rectilinear   r = f tan θ,  f = W/2 / tan(HFOV/2)
 *   equidistant   r = f θ,      f = W / HFOV (radians)
 * </pre>
 * θ is the angle from the optical axis, r the distance from the picture's middle in pixels.
 * Source: Kannala and Brandt, "A generic camera model and calibration method", IEEE PAMI 28(8), 2006, eq. 1 and 3.
 */
public final class Projection {
    /** Points nearer to the lens plane than this are not drawn by a rectilinear lens, metres. */
    static final double NEAR_M = 0.05;

    private final LensSpec lens;
    private final SpacePoint eye;
    private final double[] right;
    private final double[] up;
    private final double[] forward;
    private final double focalPx;

    public Projection(LensSpec lens, CameraPose pose) {
        this.lens = lens;
        this.eye = pose.lens();
        double heading = Math.toRadians(pose.headingDeg());
        double tilt = Math.toRadians(pose.tiltDeg());
        forward = new double[] {
            Math.sin(heading) * Math.cos(tilt), Math.cos(heading) * Math.cos(tilt), -Math.sin(tilt)};
        double[] level = {Math.cos(heading), -Math.sin(heading), 0};
        double[] upright = cross(level, forward);
        double roll = Math.toRadians(pose.rollDeg());
        right = sum(level, Math.cos(roll), upright, -Math.sin(roll));
        up = sum(upright, Math.cos(roll), level, Math.sin(roll));
        focalPx = focalPx(lens);
    }

    /** Focal length in pixels. */
    public static double focalPx(LensSpec lens) {
        double hfov = Math.toRadians(lens.hfovDeg());
        return lens.projection() == LensSpec.Projection.RECTILINEAR
                ? lens.widthPx() / 2.0 / Math.tan(hfov / 2)
                : lens.widthPx() / hfov;
    }

    /** Vertical field of view through the picture's middle, degrees. */
    public static double vfovDeg(LensSpec lens) {
        return 2 * belowMiddleDeg(lens, 0);
    }

    /** How far below its middle a picture reaches straight down, degrees: rolled over it reaches as far as it is wide. */
    static double belowMiddleDeg(LensSpec lens, double rollDeg) {
        double roll = Math.toRadians(rollDeg);
        double half = Math.min(lens.heightPx() / 2.0 / Math.abs(Math.cos(roll)), lens.widthPx() / 2.0 / Math.abs(Math.sin(roll)))
                / focalPx(lens);
        return Math.toDegrees(lens.projection() == LensSpec.Projection.RECTILINEAR ? Math.atan(half) : half);
    }

    public SpacePoint eye() {
        return eye;
    }

    public LensSpec lens() {
        return lens;
    }

    /** A point of the picture, pixels; it may lie outside the frame. */
    public record Pixel(double x, double y) {}

    /** A point in the lens's own axes, metres: to the right, upwards, and ahead. */
    record InLens(double rightM, double upM, double aheadM) {}

    /** A direction in space, as a vector east, north, up, in the lens's axes. */
    InLens inLensAxes(double[] d) {
        return new InLens(dot(d, right), dot(d, up), dot(d, forward));
    }

    InLens inLens(SpacePoint point) {
        return inLens(point.xM(), point.yM(), point.zM());
    }

    /** Where a point falls; empty when it is behind the lens. */
    public Optional<Pixel> pixel(SpacePoint point) {
        InLens p = inLens(point);
        return p.aheadM() < NEAR_M ? Optional.empty() : Optional.of(pixel(p));
    }

    /** Where a point falls; empty when it is behind the lens. */
    public Optional<Pixel> pixel(double xM, double yM, double zM) {
        InLens p = inLens(xM, yM, zM);
        return p.aheadM() < NEAR_M ? Optional.empty() : Optional.of(pixel(p));
    }

    InLens inLens(double xM, double yM, double zM) {
        double dx = xM - eye.xM();
        double dy = yM - eye.yM();
        double dz = zM - eye.zM();
        return new InLens(dx * right[0] + dy * right[1] + dz * right[2], dx * up[0] + dy * up[1] + dz * up[2],
                dx * forward[0] + dy * forward[1] + dz * forward[2]);
    }

    Pixel pixel(InLens p) {
        double scale;
        if (lens.projection() == LensSpec.Projection.RECTILINEAR) {
            scale = focalPx / p.aheadM();
        } else {
            double across = Math.sqrt(p.rightM() * p.rightM() + p.upM() * p.upM());
            scale = across == 0 ? 0 : focalPx * Math.atan2(across, p.aheadM()) / across;
        }
        return new Pixel(lens.widthPx() / 2.0 + scale * p.rightM(), lens.heightPx() / 2.0 - scale * p.upM());
    }

    public boolean inFrame(Pixel pixel) {
        return pixel.x() >= 0 && pixel.x() <= lens.widthPx() && pixel.y() >= 0 && pixel.y() <= lens.heightPx();
    }

    /** The direction in space that a pixel looks, as a vector of length one: east, north, up. */
    public double[] direction(Pixel pixel) {
        double[] direction = new double[3];
        direction(pixel.x(), pixel.y(), direction);
        return direction;
    }

    /** @see #direction(Pixel) */
    void direction(double xPx, double yPx, double[] into) {
        double px = xPx - lens.widthPx() / 2.0;
        double py = lens.heightPx() / 2.0 - yPx;
        double ahead;
        double across;
        if (lens.projection() == LensSpec.Projection.RECTILINEAR) {
            ahead = focalPx / Math.sqrt(focalPx * focalPx + px * px + py * py);
            across = ahead / focalPx;
        } else {
            double r = Math.sqrt(px * px + py * py);
            ahead = Math.cos(r / focalPx);
            across = r == 0 ? 0 : Math.sin(r / focalPx) / r;
        }
        for (int i = 0; i < 3; i++) {
            into[i] = ahead * forward[i] + across * (px * right[i] + py * up[i]);
        }
    }

    /** Where the line of a pixel meets flat ground at {@code groundM}; empty at or above the horizon. */
    public Optional<SpacePoint> onGround(Pixel pixel, double groundM) {
        double[] d = direction(pixel);
        double drop = groundM - eye.zM();
        if (d[2] * drop <= 0 || Math.abs(d[2]) < 1e-9) {
            return Optional.empty();
        }
        double t = drop / d[2];
        return Optional.of(new SpacePoint(eye.xM() + t * d[0], eye.yM() + t * d[1], groundM));
    }

    private static double dot(double[] a, double[] b) {
        return a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
    }

    private static double[] sum(double[] a, double ofA, double[] b, double ofB) {
        return new double[] {ofA * a[0] + ofB * b[0], ofA * a[1] + ofB * b[1], ofA * a[2] + ofB * b[2]};
    }

    private static double[] cross(double[] a, double[] b) {
        return new double[] {a[1] * b[2] - a[2] * b[1], a[2] * b[0] - a[0] * b[2], a[0] * b[1] - a[1] * b[0]};
    }
}
