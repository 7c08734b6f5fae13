package roofnest.core.motion;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;

import roofnest.core.catalogue.DeviceModel;
import roofnest.core.catalogue.MotionSpec;
import roofnest.core.lang.Require;
import roofnest.core.plan.Place;
import roofnest.core.plan.PlanPoint;
import roofnest.core.plan.SpacePoint;
import roofnest.core.plan.Walk;
import roofnest.core.plan.WallCrossings;
import roofnest.core.promise.DetailLevel;
import roofnest.core.view.CameraPose;
import roofnest.core.view.PixelDensity;
import roofnest.core.view.Projection;
import roofnest.core.view.Sightline;

/**
 * Somebody walks a path of the plan in front of one camera, in steps of {@link #STEP_S}.
 *
 * <p>A passive-infrared sensor feels movement across its field: its range shrinks with |sin| of the angle between the
 * walk and the line of sight, down to a quarter, and it triggers when two of its wedges of {@link #WEDGE_DEG} have been
 * crossed in range. A camera that watches its picture triggers after {@link #PICTURE_S} in range and in the frame, and
 * keeps its pre-roll. Recording starts a wake time after the trigger.
 */
public final class WalkTest {
    public static final double WALKER_M_PER_S = 1.4;
    private static final double STEP_S = 0.05;
    private static final double WEDGE_DEG = 6;
    private static final int WEDGES_TO_TRIGGER = 2;
    private static final double PICTURE_S = 0.4;
    private static final double RANGE_FLOOR = 0.25;

    private final WallCrossings crossings;
    private final DeviceModel model;
    private final CameraPose pose;
    private final Projection projection;

    public WalkTest(WallCrossings crossings, DeviceModel model, CameraPose pose) {
        this.crossings = crossings;
        this.model = model;
        this.pose = pose;
        this.projection = new Projection(model.lens(), pose);
    }

    /** One moment of the walk, seconds after its start. */
    public record Moment(double atS, PlanPoint point, boolean recorded, double densityPxPerM) {}

    /**
     * @param triggerS when the camera noticed; empty when it never did
     * @param firstFrameS when the first kept frame was taken, pre-roll included
     * @param bestDensityPxPerM highest recorded, 0 when nothing was
     * @param bestFaceAngleDeg at that moment
     * @param secondsAtLevel recorded at or above the level asked for
     */
    public record Capture(
            OptionalDouble triggerS, OptionalDouble firstFrameS, double bestDensityPxPerM, double bestFaceAngleDeg,
            double secondsAtLevel, double walkS, List<Moment> moments) {
        public boolean caught() {
            return triggerS.isPresent();
        }
    }

    public Capture walk(Walk walk, double speedMPerS, DetailLevel level, double clipSeconds) {
        Require.inRange("walking speed in m/s", speedMPerS, 0.2, 10);
        double walkS = walk.lengthM() / speedMPerS;
        OptionalDouble trigger = trigger(walk, speedMPerS, walkS);
        double wake = model.motion().wakeSeconds() - model.motion().prerollSeconds();
        OptionalDouble first = trigger.isPresent()
                ? OptionalDouble.of(Math.max(0, trigger.getAsDouble() + wake)) : OptionalDouble.empty();
        double lastS = first.isPresent() ? first.getAsDouble() + clipSeconds : -1;

        List<Moment> moments = new ArrayList<>();
        double best = 0;
        double bestAngle = 0;
        double atLevel = 0;
        for (int step = 0; step * STEP_S <= walkS; step++) {
            double atS = step * STEP_S;
            PlanPoint point = walk.at(atS * speedMPerS).point();
            boolean recorded = first.isPresent() && atS >= first.getAsDouble() && atS <= lastS;
            double density = densityOfFace(point);
            moments.add(new Moment(atS, point, recorded, density));
            if (recorded && density >= level.pxPerM()) {
                atLevel += STEP_S;
            }
            if (recorded && density > best) {
                best = density;
                bestAngle = Sightline.faceAngleDeg(pose.heightM(), 0, point.distanceM(pose.onPlan()));
            }
        }
        return new Capture(trigger, first, best, bestAngle, atLevel, walkS, moments);
    }

    private double densityOfFace(PlanPoint point) {
        SpacePoint face = SpacePoint.at(point, Place.FACE_M);
        boolean seen = projection.pixel(face).filter(projection::inFrame).isPresent() && crossings.inSight(pose.lens(), face);
        return seen ? PixelDensity.atPxPerM(projection, face) : 0;
    }

    private OptionalDouble trigger(Walk walk, double speedMPerS, double walkS) {
        Integer wedge = null;
        int crossed = 0;
        double inPictureS = 0;
        for (int step = 0; step * STEP_S <= walkS; step++) {
            double atS = step * STEP_S;
            Walk.Position position = walk.at(atS * speedMPerS);
            boolean felt = feels(position);
            if (model.motion().sensing() == MotionSpec.Sensing.PICTURE) {
                inPictureS = felt ? inPictureS + STEP_S : 0;
                if (inPictureS >= PICTURE_S) {
                    return OptionalDouble.of(atS);
                }
            } else if (felt) {
                int now = (int) Math.floor(bearingDeg(position.point()) / WEDGE_DEG);
                if (wedge != null && now != wedge) {
                    crossed++;
                }
                wedge = now;
                if (crossed >= WEDGES_TO_TRIGGER) {
                    return OptionalDouble.of(atS);
                }
            } else {
                wedge = null;
                crossed = 0;
            }
        }
        return OptionalDouble.empty();
    }

    private boolean feels(Walk.Position position) {
        MotionSpec motion = model.motion();
        PlanPoint point = position.point();
        if (Math.abs(bearingDeg(point)) > motion.fanDeg() / 2) {
            return false;
        }
        double reach = motion.rangeM();
        if (motion.sensing() == MotionSpec.Sensing.INFRARED) {
            double across = Math.toRadians(position.headingDeg() - pose.onPlan().headingToDeg(point));
            reach *= Math.max(RANGE_FLOOR, Math.abs(Math.sin(across)));
        }
        return point.distanceM(pose.onPlan()) <= reach && crossings.inSight(pose.lens(), SpacePoint.at(point, 1.0));
    }

    /** Bearing of a point from the middle of the picture, degrees from −180 to 180. */
    private double bearingDeg(PlanPoint point) {
        double bearing = pose.onPlan().headingToDeg(point) - pose.headingDeg();
        return ((bearing + 540) % 360) - 180;
    }
}
