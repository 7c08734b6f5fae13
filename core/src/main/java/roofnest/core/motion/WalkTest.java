package roofnest.core.motion;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

import roofnest.core.catalogue.DeviceModel;
import roofnest.core.catalogue.MotionSpec;
import roofnest.core.lang.Require;
import roofnest.core.plan.Ground;
import roofnest.core.plan.PlanPoint;
import roofnest.core.plan.SpacePoint;
import roofnest.core.plan.Walk;
import roofnest.core.promise.DetailLevel;
import roofnest.core.view.Eye;
import roofnest.core.view.PixelDensity;
import roofnest.core.view.Projection;
import roofnest.core.view.Sightline;
import roofnest.core.view.Zone;

/**
 * Somebody walks a path of the plan in front of one camera, in steps of {@value #STEP_S} s.
 *
 * <p>A passive-infrared sensor feels movement across its field: its range shrinks with |sin| of the angle between the
 * walk and the line of sight, down to a quarter, and it triggers when two of its wedges of {@link #WEDGE_DEG} have been
 * crossed in range. A camera that watches its picture triggers after {@link #PICTURE_S} in range and in the frame, inside
 * a zone where zones are drawn, and keeps its pre-roll. Recording starts a wake time after the trigger.
 */
public final class WalkTest {
    public static final double STEP_S = 0.05;
    private static final double WEDGE_DEG = 6;
    private static final int WEDGES_TO_TRIGGER = 2;
    private static final double PICTURE_S = 0.4;
    /** Of a passive-infrared sensor's range that is left straight on. */
    public static final double RANGE_FLOOR = 0.25;
    /** The warm part of a body that a sensor feels, as a share of its height. */
    private static final double TORSO_SHARE = 0.6;

    private final Ground ground;
    private final DeviceModel model;
    private final Eye eye;
    private final List<Zone> zones;

    public WalkTest(Ground ground, DeviceModel model, Eye eye, List<Zone> zones) {
        this.ground = ground;
        this.model = model;
        this.eye = eye;
        this.zones = List.copyOf(zones);
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
            return moments.get((int) Math.max(0, Math.min(moments.size() - 1.0, Math.round(seconds / STEP_S))));
        }
    }

    /** The whole walk, moment by moment. */
    public Capture walk(Walk walk, Walker walker, DetailLevel level, double clipSeconds) {
        double walkS = walk.lengthM() / walker.speedMPerS();
        OptionalDouble trigger = trigger(walk, walker, walkS);
        OptionalDouble first = firstFrame(trigger);
        double lastS = first.isPresent() ? first.getAsDouble() + checkedClip(clipSeconds) : -1;
        OptionalDouble firstAtLevel = OptionalDouble.empty();
        List<Moment> moments = new ArrayList<>();
        double best = 0;
        double bestAngle = 0;
        double atLevel = 0;
        for (int step = 0; step * STEP_S <= walkS; step++) {
            double atS = step * STEP_S;
            PlanPoint point = walk.at(atS * walker.speedMPerS()).point();
            Doing doing = doing(atS, trigger, first, lastS);
            double density = density(point, walker);
            moments.add(new Moment(atS, point, ground.heightM(point), doing, density));
            if (doing == Doing.RECORDING && density >= level.pxPerM()) {
                atLevel += STEP_S;
                firstAtLevel = firstAtLevel.isPresent() ? firstAtLevel : OptionalDouble.of(atS);
            }
            if (doing == Doing.RECORDING && density > best) {
                best = density;
                bestAngle = Sightline.faceAngleDeg(eye.pose().heightM(), ground.heightM(point), point.distanceM(eye.pose().onPlan()));
            }
        }
        return new Capture(trigger, first, firstAtLevel, best, bestAngle, atLevel, walkS, moments);
    }

    /** When the first kept frame shows the face at the level, seconds after the start, without the rest of the walk. */
    public OptionalDouble firstAtLevelS(Walk walk, Walker walker, DetailLevel level, double clipSeconds) {
        double walkS = walk.lengthM() / walker.speedMPerS();
        OptionalDouble first = firstFrame(trigger(walk, walker, walkS));
        if (first.isEmpty()) {
            return OptionalDouble.empty();
        }
        double lastS = Math.min(walkS, first.getAsDouble() + checkedClip(clipSeconds));
        for (int step = (int) Math.ceil(first.getAsDouble() / STEP_S); step * STEP_S <= lastS; step++) {
            if (density(walk.at(step * STEP_S * walker.speedMPerS()).point(), walker) >= level.pxPerM()) {
                return OptionalDouble.of(step * STEP_S);
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

    private double density(PlanPoint point, Walker walker) {
        SpacePoint face = SpacePoint.at(point, ground.heightM(point) + walker.faceM());
        return eye.sees(face).isPresent() ? PixelDensity.atPxPerM(eye.projection(), face) : 0;
    }

    private OptionalDouble trigger(Walk walk, Walker walker, double walkS) {
        Integer wedge = null;
        int crossed = 0;
        double inPictureS = 0;
        for (int step = 0; step * STEP_S <= walkS; step++) {
            double atS = step * STEP_S;
            Walk.Position position = walk.at(atS * walker.speedMPerS());
            boolean felt = feels(position, walker);
            if (model.motion().sensing() == MotionSpec.Sensing.PICTURE) {
                inPictureS = felt ? inPictureS + STEP_S : 0;
                if (inPictureS >= PICTURE_S) {
                    return OptionalDouble.of(atS);
                }
            } else if (felt) {
                int now = (int) Math.floor(eye.bearingDeg(position.point()) / WEDGE_DEG);
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

    private boolean feels(Walk.Position position, Walker walker) {
        MotionSpec motion = model.motion();
        PlanPoint point = position.point();
        double distance = point.distanceM(eye.pose().onPlan());
        if (distance > motion.rangeM() || Math.abs(eye.bearingDeg(point)) > motion.fanDeg() / 2) {
            return false;
        }
        SpacePoint torso = SpacePoint.at(point, ground.heightM(point) + TORSO_SHARE * walker.heightM());
        if (motion.sensing() == MotionSpec.Sensing.INFRARED) {
            double across = Math.toRadians(position.headingDeg() - eye.pose().onPlan().headingToDeg(point));
            return distance <= motion.rangeM() * Math.max(RANGE_FLOOR, Math.abs(Math.sin(across)))
                    && eye.clearTo(torso.xM(), torso.yM(), torso.zM());
        }
        Optional<Projection.Pixel> pixel = eye.sees(torso);
        return pixel.isPresent() && (zones.isEmpty() || zones.stream().anyMatch(zone -> zone.contains(pixel.get(), eye.lens())));
    }
}
