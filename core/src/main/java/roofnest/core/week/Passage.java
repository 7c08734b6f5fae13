package roofnest.core.week;

import java.util.Optional;

import roofnest.core.catalogue.MotionSpec;
import roofnest.core.motion.Track;
import roofnest.core.motion.WalkTest;
import roofnest.core.plan.Ground;
import roofnest.core.plan.PlanPoint;
import roofnest.core.plan.Walk;
import roofnest.core.view.Eye;
import roofnest.core.view.PixelDensity;
import roofnest.core.view.Projection;
import roofnest.core.plan.SpacePoint;

/**
 * Somebody or something on a way, before one camera: at each step how much of its range the camera would need to feel it there. The same
 * sensing as {@link WalkTest}, for bodies of any size and warmth. Found once; what warmth and light make of it is asked many times.
 */
final class Passage {
    static final double STEP_S = Track.STEP_S;
    /** The warm part of a body that is felt, as a share of its height. */
    private static final double TORSO_SHARE = 0.6;
    private static final double FACE_BELOW_TOP_M = 0.15;
    /** A picture that shows more than this share of a grown person's size notices no farther. */
    private static final double MOST_SIZE_SHARE = 2;

    private final Watch watch;
    private final double[] xM;
    private final double[] yM;
    private final double[] need;
    private final boolean[] lit;
    private final boolean[] zoned;
    private final int[] wedge;
    private final double[] heightPx;
    /** Steps up to each that show the level asked for. */
    private final int[] atLevel;
    private final int[] atLevelByNight;

    /** What came of it. @param lastS when it was felt last */
    record Noticed(double triggerS, double lastS, double heightPx, PlanPoint at, Passage passage) {
        /** Seconds that show the level asked for, between two moments of the way. */
        double levelS(double fromS, double toS, boolean night) {
            return passage == null ? 0 : passage.levelS(fromS, toS, night);
        }
    }

    /** Why nothing came of it. */
    enum Unnoticed {
        NOT_IN_SIGHT("out of its sight"), TOO_FAR("too far for its sensor"), ZONE("outside its zones"), DARK("past its night light"),
        TOO_LITTLE("not long enough in range");

        private final String words;

        Unnoticed(String words) {
            this.words = words;
        }

        String words() {
            return words;
        }
    }

    Passage(Watch watch, Source.Way way, SourceKind.Body body, Ground ground) {
        this.watch = watch;
        Walk walk = way.walk();
        int steps = (int) Math.floor(walk.lengthM() / body.speedMPerS() / STEP_S) + 1;
        xM = new double[steps];
        yM = new double[steps];
        need = new double[steps];
        lit = new boolean[steps];
        zoned = new boolean[steps];
        wedge = new int[steps];
        heightPx = new double[steps];
        atLevel = new int[steps + 1];
        atLevelByNight = new int[steps + 1];
        Eye eye = watch.vision().eye();
        for (int i = 0; i < steps; i++) {
            Walk.Position on = walk.at(i * STEP_S * body.speedMPerS());
            PlanPoint at = on.point().towards(on.headingDeg() + 90, way.asideM());
            xM[i] = at.xM();
            yM[i] = at.yM();
            double groundM = ground.heightM(at);
            double torsoM = groundM + TORSO_SHARE * body.heightM();
            need[i] = need(eye, at, torsoM, on.headingDeg(), body);
            wedge[i] = (int) Math.floor(eye.bearingDeg(at) / WalkTest.WEDGE_DEG);
            Optional<Projection.Pixel> pixel = watch.vision().sees(at.xM(), at.yM(), torsoM);
            zoned[i] = !watch.zoned() || pixel.isPresent()
                    && watch.zones().stream().anyMatch(zone -> zone.contains(pixel.get(), eye.lens()));
            double distance = Math.hypot(at.xM() - eye.pose().xM(), at.yM() - eye.pose().yM());
            lit[i] = distance <= eye.lens().nightRangeM();
            if (watch.model().motion().sensing() == MotionSpec.Sensing.PICTURE && pixel.isEmpty()) {
                need[i] = Double.POSITIVE_INFINITY;
            }
            boolean shows = false;
            if (need[i] < Double.POSITIVE_INFINITY) {
                heightPx[i] = body.heightM() * PixelDensity.atPxPerM(eye.projection(), new SpacePoint(at.xM(), at.yM(), torsoM));
                double faceM = groundM + body.heightM() - FACE_BELOW_TOP_M;
                shows = watch.vision().makesOut(at.xM(), at.yM(), faceM, watch.level(), false);
            }
            atLevel[i + 1] = atLevel[i] + (shows ? 1 : 0);
            atLevelByNight[i + 1] = atLevelByNight[i] + (shows && lit[i] ? 1 : 0);
        }
    }

    /** Of its range at 10 °C, how much it takes to feel a body there; without limit where nothing would. */
    private double need(Eye eye, PlanPoint at, double torsoM, double headingDeg, SourceKind.Body body) {
        double east = at.xM() - eye.pose().xM();
        double north = at.yM() - eye.pose().yM();
        double distance = Math.hypot(east, north);
        double heading = Math.toRadians(eye.pose().headingDeg());
        boolean inFan = east * Math.sin(heading) + north * Math.cos(heading) >= distance
                * Math.cos(Math.toRadians(watch.model().motion().fanDeg() / 2));
        if (!inFan) {
            return Double.POSITIVE_INFINITY;
        }
        if (watch.model().motion().sensing() == MotionSpec.Sensing.PICTURE) {
            double share = Math.min(MOST_SIZE_SHARE, body.sizeM() / SourceKind.Body.GROWN.sizeM());
            return distance / (watch.rangeM() * share);
        }
        double going = Math.toRadians(headingDeg);
        double across = distance == 0 ? 1 : Math.abs(Math.sin(going) * north - Math.cos(going) * east) / distance;
        return eye.clearTo(at.xM(), at.yM(), torsoM) ? distance / (watch.rangeM() * Math.max(WalkTest.RANGE_FLOOR, across))
                : Double.POSITIVE_INFINITY;
    }

    /**
     * What is noticed of it.
     *
     * @param warmth share of the range that the body's warmth in this air gives an infrared sensor; a picture's is always one
     */
    Optional<Noticed> notice(double warmth, boolean night) {
        return noticeWithin(watch.model().motion().sensing() == MotionSpec.Sensing.PICTURE ? 1 : warmth, night);
    }

    /** The same for a sensor that reaches so many times as far as it is said to. */
    Optional<Noticed> noticeWithin(double reach, boolean night) {
        boolean picture = watch.model().motion().sensing() == MotionSpec.Sensing.PICTURE;
        int trigger = -1;
        int last = -1;
        int before = 0;
        boolean within = false;
        int crossed = 0;
        double inPictureS = 0;
        double px = 0;
        for (int i = 0; i < need.length; i++) {
            boolean felt = zoned[i] && need[i] <= reach && (!picture || !night || lit[i]);
            if (!felt) {
                within = false;
                crossed = 0;
                inPictureS = 0;
                continue;
            }
            px = Math.max(px, heightPx[i]);
            last = i;
            if (trigger < 0) {
                crossed += within && wedge[i] != before ? 1 : 0;
                inPictureS += STEP_S;
                trigger = picture ? inPictureS >= WalkTest.PICTURE_S ? i : -1 : crossed >= WalkTest.WEDGES_TO_TRIGGER ? i : -1;
            }
            before = wedge[i];
            within = true;
        }
        return trigger < 0 ? Optional.empty()
                : Optional.of(new Noticed(trigger * STEP_S, last * STEP_S, px, new PlanPoint(xM[trigger], yM[trigger]), this));
    }

    /** The first thing that stands in the way of notice, of a passage that was not noticed. */
    Unnoticed why(double warmth, boolean night) {
        boolean picture = watch.model().motion().sensing() == MotionSpec.Sensing.PICTURE;
        boolean seen = false;
        boolean near = false;
        boolean inZone = false;
        boolean inLight = false;
        for (int i = 0; i < need.length; i++) {
            boolean there = need[i] < Double.POSITIVE_INFINITY;
            boolean reached = there && need[i] <= (picture ? 1 : warmth);
            seen |= there;
            near |= reached;
            inZone |= reached && zoned[i];
            inLight |= reached && zoned[i] && (!picture || !night || lit[i]);
        }
        return !seen ? Unnoticed.NOT_IN_SIGHT : !near ? Unnoticed.TOO_FAR : !inZone ? Unnoticed.ZONE : !inLight ? Unnoticed.DARK
                : Unnoticed.TOO_LITTLE;
    }

    private double levelS(double fromS, double toS, boolean night) {
        int[] level = night ? atLevelByNight : atLevel;
        int from = Math.max(0, (int) Math.ceil(fromS / STEP_S));
        int to = Math.min(level.length - 1, (int) Math.floor(toS / STEP_S) + 1);
        return from >= to ? 0 : (level[to] - level[from]) * STEP_S;
    }
}
