package roofnest.core.motion;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

import roofnest.core.catalogue.DeviceModel;
import roofnest.core.catalogue.MotionSpec;
import roofnest.core.lang.Require;
import roofnest.core.plan.PlanPoint;
import roofnest.core.promise.DetailLevel;
import roofnest.core.view.Eye;
import roofnest.core.view.Projection;
import roofnest.core.view.Vision;
import roofnest.core.view.Sightline;
import roofnest.core.view.Zone;

/**
 * Somebody walks a path of the plan in front of one camera, in the steps of a {@link Track}.
 *
 * <p>A passive-infrared sensor feels movement across its field: its range shrinks with |sin| of the angle between the
 * walk and the line of sight, down to a quarter, and it triggers when two of its wedges of {@link #WEDGE_DEG} have been
 * crossed in range. A camera that watches its picture triggers after {@link #PICTURE_S} in range and in the frame, under no
 * masked cell, by night within its own light, and keeps its pre-roll. Where a model has zones and some are drawn, somebody counts
 * for either kind only inside one.
 * Recording starts a wake time after the trigger.
 */
public final class WalkTest {
    public static final double WEDGE_DEG = 6;
    public static final int WEDGES_TO_TRIGGER = 2;
    public static final double PICTURE_S = 0.4;
    /** Of a passive-infrared sensor's range that is left straight on. */
    public static final double RANGE_FLOOR = 0.25;
    /** The warm part of a body that a sensor feels, as a share of its height. */
    private static final double TORSO_SHARE = 0.6;

    private final DeviceModel model;
    private final Vision vision;
    private final Eye eye;
    private final List<Zone> zones;
    private final boolean night;

    /** @param night whether it is dark: then what watches its picture notices, and any camera shows, what its own light reaches */
    public WalkTest(DeviceModel model, Vision vision, List<Zone> zones, boolean night) {
        this.model = model;
        this.vision = vision;
        this.eye = vision.eye();
        this.zones = List.copyOf(zones);
        this.night = night;
    }

    /** What the camera is doing. */
    public enum Doing { ASLEEP, WATCHING, WAKING, RECORDING }

    /** One moment of the walk, seconds after its start. */
    public record Moment(double atS, PlanPoint point, double groundM, Doing doing, double densityPxPerM) {
        public boolean recorded() {
            return doing == Doing.RECORDING;
        }
    }

    /**
     * @param triggerS when the camera noticed; empty when it never did
     * @param firstFrameS when the first kept frame was taken, pre-roll included
     * @param firstAtLevelS when the first kept frame shows the face at the level asked for
     * @param bestDensityPxPerM highest recorded, 0 when nothing was
     * @param bestFaceAngleDeg at that moment
     * @param secondsAtLevel recorded at or above the level asked for
     */
    public record Capture(
            OptionalDouble triggerS, OptionalDouble firstFrameS, OptionalDouble firstAtLevelS, double bestDensityPxPerM,
            double bestFaceAngleDeg, double secondsAtLevel, double walkS, List<Moment> moments) {
        public boolean caught() {
            return triggerS.isPresent();
        }

        /** The moment nearest to a time; the last one past the end. */
        public Moment at(double seconds) {
            return moments.get((int) Math.max(0, Math.min(moments.size() - 1.0, Math.round(seconds / Track.STEP_S))));
        }
    }

    /** The whole walk, moment by moment. */
    public Capture walk(Track track, DetailLevel level, double clipSeconds) {
        OptionalDouble trigger = trigger(track);
        OptionalDouble first = firstFrame(trigger);
        double lastS = first.isPresent() ? first.getAsDouble() + checkedClip(clipSeconds) : -1;
        OptionalDouble firstAtLevel = OptionalDouble.empty();
        List<Moment> moments = new ArrayList<>();
        double best = 0;
        double bestAngle = 0;
        double atLevel = 0;
        for (int step = 0; step < track.steps(); step++) {
            double atS = step * Track.STEP_S;
            PlanPoint point = track.point(step);
            Doing doing = doing(atS, trigger, first, lastS);
            double density = density(track, step, DetailLevel.DETECT);
            moments.add(new Moment(atS, point, track.groundM(step), doing, density));
            if (doing == Doing.RECORDING && density(track, step, level) >= level.pxPerM()) {
                atLevel += Track.STEP_S;
                firstAtLevel = firstAtLevel.isPresent() ? firstAtLevel : OptionalDouble.of(atS);
            }
            if (doing == Doing.RECORDING && density > best) {
                best = density;
                bestAngle = Sightline.faceAngleDeg(eye.pose().heightM(), track.groundM(step), point.distanceM(eye.pose().onPlan()));
            }
        }
        return new Capture(trigger, first, firstAtLevel, best, bestAngle, atLevel, track.walkS(), moments);
    }

    /** When the first kept frame shows the face at the level, seconds after the start, without the rest of the walk. */
    public OptionalDouble firstAtLevelS(Track track, DetailLevel level, double clipSeconds) {
        OptionalDouble first = firstFrame(trigger(track));
        if (first.isEmpty()) {
            return OptionalDouble.empty();
        }
        double lastS = first.getAsDouble() + checkedClip(clipSeconds);
        for (int step = (int) Math.ceil(first.getAsDouble() / Track.STEP_S); step < track.steps() && step * Track.STEP_S <= lastS; step++) {
            if (density(track, step, level) >= level.pxPerM()) {
                return OptionalDouble.of(step * Track.STEP_S);
            }
        }
        return OptionalDouble.empty();
    }

    private static double checkedClip(double clipSeconds) {
        return Require.inRange("clip length in seconds", clipSeconds, 1, 600);
    }

    private OptionalDouble firstFrame(OptionalDouble trigger) {
        double wake = model.motion().wakeSeconds() - model.motion().prerollSeconds();
        return trigger.isPresent() ? OptionalDouble.of(Math.max(0, trigger.getAsDouble() + wake)) : OptionalDouble.empty();
    }

    private Doing doing(double atS, OptionalDouble trigger, OptionalDouble first, double lastS) {
        if (first.isPresent() && atS >= first.getAsDouble() && atS <= lastS) {
            return Doing.RECORDING;
        }
        boolean waking = trigger.isPresent() && atS >= trigger.getAsDouble() && atS < first.getAsDouble();
        return waking ? Doing.WAKING : model.motion().sensing() == MotionSpec.Sensing.PICTURE ? Doing.WATCHING : Doing.ASLEEP;
    }

    private double density(Track track, int step, DetailLevel level) {
        return vision.densityPxPerM(track.x(step), track.y(step), track.groundM(step) + track.walker().faceM(), level, night);
    }

    private OptionalDouble trigger(Track track) {
        Integer wedge = null;
        int crossed = 0;
        double inPictureS = 0;
        boolean watches = model.motion().sensing() == MotionSpec.Sensing.PICTURE;
        for (int step = 0; step < track.steps(); step++) {
            boolean felt = feels(track, step);
            if (watches) {
                inPictureS = felt ? inPictureS + Track.STEP_S : 0;
                if (inPictureS >= PICTURE_S) {
                    return OptionalDouble.of(step * Track.STEP_S);
                }
            } else if (felt) {
                int now = (int) Math.floor(eye.bearingDeg(track.point(step)) / WEDGE_DEG);
                if (wedge != null && now != wedge) {
                    crossed++;
                }
                wedge = now;
                if (crossed >= WEDGES_TO_TRIGGER) {
                    return OptionalDouble.of(step * Track.STEP_S);
                }
            } else {
                wedge = null;
                crossed = 0;
            }
        }
        return OptionalDouble.empty();
    }

    private boolean feels(Track track, int step) {
        MotionSpec motion = model.motion();
        double east = track.x(step) - eye.pose().xM();
        double north = track.y(step) - eye.pose().yM();
        double distance = Math.sqrt(east * east + north * north);
        if (distance > motion.rangeM() || !inFan(east, north, distance)) {
            return false;
        }
        double torsoM = track.groundM(step) + TORSO_SHARE * track.walker().heightM();
        if (motion.sensing() == MotionSpec.Sensing.INFRARED) {
            double heading = track.headingRad(step);
            // |sin| of the angle between the walk and the line of sight, as a cross product.
            double across = distance == 0 ? 1 : Math.abs(Math.sin(heading) * north - Math.cos(heading) * east) / distance;
            return distance <= motion.rangeM() * Math.max(RANGE_FLOOR, across) && eye.clearTo(track.x(step), track.y(step), torsoM)
                    && (!zoned() || inZone(vision.sees(track.x(step), track.y(step), torsoM)));
        }
        if (night && distance > eye.lens().nightRangeM()) {
            return false;
        }
        Optional<Projection.Pixel> pixel = vision.sees(track.x(step), track.y(step), torsoM);
        return pixel.isPresent() && (!zoned() || inZone(pixel));
    }

    /** Zones say what counts only where the model has any; an infrared sensor's picture confirms what it felt. */
    private boolean zoned() {
        return model.alerts().zones() > 0 && !zones.isEmpty();
    }

    private boolean inZone(Optional<Projection.Pixel> pixel) {
        return pixel.isPresent() && zones.stream().anyMatch(zone -> zone.contains(pixel.get(), eye.lens()));
    }

    private boolean inFan(double east, double north, double distance) {
        double heading = Math.toRadians(eye.pose().headingDeg());
        return east * Math.sin(heading) + north * Math.cos(heading) >= distance * Math.cos(Math.toRadians(model.motion().fanDeg() / 2));
    }
}
