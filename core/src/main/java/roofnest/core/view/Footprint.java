package roofnest.core.view;

import java.util.ArrayList;
import java.util.List;
import java.util.TreeSet;

import roofnest.core.catalogue.LensSpec;
import roofnest.core.plan.HousePlan;
import roofnest.core.plan.PlanPoint;
import roofnest.core.plan.Place;
import roofnest.core.plan.Segments;
import roofnest.core.plan.SpacePoint;
import roofnest.core.plan.Wall;
import roofnest.core.plan.WallCrossings;
import roofnest.core.promise.DetailLevel;

/**
 * Where on the plan a face can be made out at a level of detail: the part of the field of view that no wall hides, out
 * to the range at which the density still meets the level, and at night no farther than the model's light.
 *
 * <p>Rays leave the lens at every degree and just beside every wall end in view, so that shadows start at corners. A
 * ray stops at the first crossing where a face 1.6 m above the ground, standing right behind it, would be hidden; a
 * lower wall does not stop it. Assumes level ground.
 */
public final class Footprint {
    private static final double RAY_STEP_DEG = 1;
    private static final double BESIDE_DEG = 0.02;
    private static final double FARTHEST_M = 60;
    /** The range at which a level is met changes smoothly across the picture; it is found this often and drawn between. */
    /** Corners that change the outline by less are left out: most rays end on the same wall as their neighbours do. */
    private static final double DRAWN_TO_M = 0.02;
    private static final double KNOT_DEG = 3;
    /** 60 m halved this often is 4 mm. */
    private static final int HALVINGS = 14;

    private final Eye eye;
    private final Projection projection;
    private final CameraPose pose;
    private final List<Double> bearingsDeg;
    private final double[] clearM;
    private final double nearM;

    public Footprint(HousePlan plan, Eye eye) {
        this.eye = eye;
        this.projection = eye.projection();
        this.pose = eye.pose();
        this.bearingsDeg = bearings(plan, eye.lens().hfovDeg() / 2);
        this.clearM = new double[bearingsDeg.size()];
        for (int i = 0; i < clearM.length; i++) {
            clearM[i] = clearDistanceM(bearingsDeg.get(i));
        }
        // Faces stand higher than the ground, so they come into the picture nearer than the ground does.
        double blindM = Sightline.blindGroundM(eye.lens(), pose);
        double faceShare = Math.max(0, (pose.heightM() - Place.FACE_M) / pose.heightM());
        this.nearM = Double.isInfinite(blindM) ? FARTHEST_M : blindM * faceShare;
    }

    public Footprint(HousePlan plan, WallCrossings crossings, LensSpec lens, CameraPose pose) {
        this(plan, new Eye(crossings, lens, pose));
    }

    /** The outline in which {@code level} is met, lens side first; empty when it is met nowhere. */
    public List<PlanPoint> outline(DetailLevel level, double lightRangeM) {
        List<PlanPoint> outer = new ArrayList<>();
        List<PlanPoint> inner = new ArrayList<>();
        double half = eye.lens().hfovDeg() / 2;
        double[] knotsM = new double[(int) Math.ceil(2 * half / KNOT_DEG) + 1];
        for (int knot = 0; knot < knotsM.length; knot++) {
            knotsM[knot] = levelRangeM(pose.headingDeg() + Math.min(half, knot * KNOT_DEG - half), level);
        }
        for (int i = 0; i < clearM.length; i++) {
            double heading = pose.headingDeg() + bearingsDeg.get(i);
            double at = (bearingsDeg.get(i) + half) / KNOT_DEG;
            int knot = Math.min(knotsM.length - 2, (int) at);
            double share = (at - knot) * KNOT_DEG / (Math.min(2 * half, (knot + 1) * KNOT_DEG) - knot * KNOT_DEG);
            double levelM = knotsM[knot] + Math.min(1, share) * (knotsM[knot + 1] - knotsM[knot]);
            double reachM = Math.min(Math.min(clearM[i], lightRangeM), levelM);
            if (reachM > nearM) {
                outer.add(pose.onPlan().towards(heading, reachM));
                inner.add(0, pose.onPlan().towards(heading, nearM));
            }
        }
        if (outer.size() < 2) {
            return List.of();
        }
        outer.addAll(inner);
        return Segments.simplified(outer, DRAWN_TO_M);
    }

    /** How far along a heading the density meets the level, metres, by halving: it only falls with distance. */
    private double levelRangeM(double headingDeg, DetailLevel level) {
        double metM = 0;
        double missedM = FARTHEST_M;
        for (int i = 0; i < HALVINGS; i++) {
            double tryM = (metM + missedM) / 2;
            SpacePoint face = SpacePoint.at(pose.onPlan().towards(headingDeg, tryM), Place.FACE_M);
            double density = PixelDensity.atPxPerM(projection, face);
            // Right under the lens the metre is partly behind it; that is the near limit's business, not this one's.
            if (density >= level.pxPerM() || density == 0) {
                metM = tryM;
            } else {
                missedM = tryM;
            }
        }
        return metM;
    }

    private double clearDistanceM(double bearingDeg) {
        double heading = Math.toRadians(pose.headingDeg() + bearingDeg);
        double[] nearest = {1};
        eye.rays().walk(Place.FACE_M, pose.xM() + FARTHEST_M * Math.sin(heading), pose.yM() + FARTHEST_M * Math.cos(heading), Place.FACE_M,
                (material, thicknessM, share) -> {
                    if (!material.seeThrough()) {
                        nearest[0] = Math.min(nearest[0], share);
                    }
                    return true;
                });
        return nearest[0] * FARTHEST_M;
    }

    private List<Double> bearings(HousePlan plan, double halfFovDeg) {
        TreeSet<Double> bearings = new TreeSet<>();
        for (double b = -halfFovDeg; b < halfFovDeg; b += RAY_STEP_DEG) {
            bearings.add(b);
        }
        bearings.add(halfFovDeg);
        for (Wall wall : plan.walls()) {
            addBeside(bearings, wall.from(), halfFovDeg);
            addBeside(bearings, wall.to(), halfFovDeg);
        }
        return new ArrayList<>(bearings);
    }

    private void addBeside(TreeSet<Double> bearings, PlanPoint corner, double halfFovDeg) {
        if (corner.distanceM(pose.onPlan()) < 1e-6) {
            return;
        }
        double bearing = pose.onPlan().headingToDeg(corner) - pose.headingDeg();
        bearing = ((bearing + 540) % 360) - 180;
        if (Math.abs(bearing) < halfFovDeg) {
            bearings.add(bearing - BESIDE_DEG);
            bearings.add(bearing + BESIDE_DEG);
        }
    }
}
