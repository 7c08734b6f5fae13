package roofnest.core.view;

import roofnest.core.catalogue.LensSpec;
import roofnest.core.lang.Require;
import roofnest.core.plan.Place;

/** The trigonometry between a mount and the ground or a face. Lengths in metres, angles in degrees. */
public final class Sightline {
    /** Up to this face angle a face is seen well. */
    public static final double GOOD_FACE_DEG = 15;
    /** Up to this face angle a face is usable; above it caps and hoods win. */
    public static final double USABLE_FACE_DEG = 30;

    private Sightline() {}

    /**
     * How far out the ground under a camera stays unseen: {@code h / tan(tilt + VFOV/2)}; 0 when the picture reaches
     * straight down, infinite when its lower edge never meets the ground.
     */
    public static double blindGroundM(double heightM, double tiltDeg, double vfovDeg) {
        Require.inRange("height in metres", heightM, 0, 50);
        double lowerEdgeDeg = tiltDeg + vfovDeg / 2;
        if (lowerEdgeDeg >= 90) {
            return 0;
        }
        return lowerEdgeDeg <= 0 ? Double.POSITIVE_INFINITY : heightM / Math.tan(Math.toRadians(lowerEdgeDeg));
    }

    public static double blindGroundM(LensSpec lens, CameraPose pose) {
        return blindGroundM(lens, pose, pose.heightM());
    }

    /** The same over ground that lies otherwise than the plan's. @param overFootM of the lens over it, metres */
    public static double blindGroundM(LensSpec lens, CameraPose pose, double overFootM) {
        return blindGroundM(overFootM, pose.tiltDeg(), 2 * Projection.belowMiddleDeg(lens, pose.rollDeg()));
    }

    /** How steeply a face 1.6 m up is looked down on: {@code atan((h − 1.6) / d)}; negative from below. */
    public static double faceAngleDeg(double heightM, double groundM, double distanceM) {
        Require.inRange("distance in metres", distanceM, 0, 1000);
        return Math.toDegrees(Math.atan2(heightM - groundM - Place.FACE_M, distanceM));
    }
}
