package roofnest.core.spots;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

import roofnest.core.catalogue.DeviceModel;
import roofnest.core.judge.House;
import roofnest.core.plan.Place;
import roofnest.core.plan.PlanPoint;
import roofnest.core.plan.RaysFrom;
import roofnest.core.plan.Walk;
import roofnest.core.promise.DetailLevel;
import roofnest.core.promise.Promise;
import roofnest.core.view.CameraPose;
import roofnest.core.view.Eye;
import roofnest.core.view.Projection;
import roofnest.core.view.Vision;

/**
 * The poses worth judging in full: every mount aimed at everything that is promised to be seen, ranked by how many of
 * those it has a clear and near enough look at, thinned so that no stretch of wall crowds the others out.
 */
final class Candidates {
    /** A camera does not look along or into the wall it hangs on, degrees from straight out. */
    private static final double MOST_ASIDE_DEG = 75;
    /** Of a picture's height above its middle at which faces are best kept. */
    private static final double FACE_ABOVE_MIDDLE_SHARE = 0.12;
    private static final double LEAST_TILT_DEG = 4;
    private static final double MOST_TILT_DEG = 50;
    /** A path is best watched from where somebody still has this far to go, metres. */
    private static final double BEFORE_ARRIVAL_M = 3;
    /** Poses on one such stretch of wall compete with one another only, metres. */
    private static final double STRETCH_M = 1.5;
    private static final int KEPT_A_STRETCH = 6;
    private static final double HALF_MET = 0.5;
    /** Off its axis a rectilinear lens is denser; each aim is also tried this far off the middle, as shares of the field of view. */
    private static final double[] OFF_MIDDLE_SHARES = {0, -0.3, 0.3};

    private final House house;
    private final DeviceModel model;
    private final List<Aim> aims;

    /** Something to be looked at. */
    private record Aim(PlanPoint at, double groundM, DetailLevel level, boolean night) {}

    /** A pose with what it was quickly seen to be worth. */
    record Posed(Mount mount, CameraPose pose, double[] shares) {
        /** Each aim met counts one and one nearly met half; how far a level is overfulfilled breaks ties. */
        double worth() {
            double worth = 0;
            for (double share : shares) {
                worth += share >= 1 ? 1 + 0.1 * Math.min(1, share - 1) : HALF_MET * share;
            }
            return worth;
        }
    }

    Candidates(House house, DeviceModel model, List<Promise> written) {
        this.house = house;
        this.model = model;
        this.aims = written.stream().flatMap(promise -> aim(promise).stream()).toList();
    }

    private Optional<Aim> aim(Promise promise) {
        if (promise instanceof Promise.MakeOut makeOut) {
            return house.plan().place(makeOut.placeId())
                    .map((Place place) -> new Aim(place.at(), place.groundM(), makeOut.level(), makeOut.light().coversNight()));
        }
        if (promise instanceof Promise.RecordedBefore before) {
            Optional<Walk> path = house.plan().path(before.pathId());
            return house.plan().place(before.placeId()).flatMap(place -> path.map(walk -> {
                double along = Math.max(0, walk.approach(place.at()).alongM() - BEFORE_ARRIVAL_M);
                PlanPoint point = walk.at(along).point();
                return new Aim(point, house.ground().heightM(point), before.level(), before.light().coversNight());
            }));
        }
        return Optional.empty();
    }

    /**
     * At most {@code most} poses: the best few for each single aim, so that none is forgotten for being out of the way,
     * then those that are worth most over all, the most promising first.
     */
    List<Posed> best(int most) {
        List<Posed> all = thinned();
        Comparator<Posed> byWorth = Comparator.comparingDouble(Posed::worth).reversed().thenComparing(posed -> posed.pose().toString());
        Set<Posed> chosen = new LinkedHashSet<>();
        int each = Math.max(1, most / (2 * Math.max(1, aims.size())));
        for (int aim = 0; aim < aims.size(); aim++) {
            int index = aim;
            all.stream().filter(posed -> posed.shares()[index] > 0)
                    .sorted(Comparator.comparingDouble((Posed posed) -> posed.shares()[index]).reversed().thenComparing(byWorth))
                    .limit(each).forEach(chosen::add);
        }
        all.stream().sorted(byWorth).takeWhile(posed -> chosen.size() < most).forEach(chosen::add);
        return chosen.stream().sorted(byWorth).limit(most).toList();
    }

    /** Every pose that sees something, of each stretch of wall the best. */
    private List<Posed> thinned() {
        Map<PlanPoint, RaysFrom> rays = new HashMap<>();
        Map<String, List<Posed>> stretches = new LinkedHashMap<>();
        for (Mount mount : Mount.on(house, model.mount())) {
            RaysFrom from = rays.computeIfAbsent(mount.at(), at -> house.crossings().from(at.xM(), at.yM()));
            String stretch
                    = Math.floor(mount.at().xM() / STRETCH_M) + "/" + Math.floor(mount.at().yM() / STRETCH_M) + "/" + mount.outwardDeg();
            for (CameraPose pose : poses(mount, from)) {
                Posed posed = new Posed(mount, pose, shares(new Eye(from, model.lens(), pose)));
                if (posed.worth() > 0) {
                    stretches.computeIfAbsent(stretch, s -> new ArrayList<>()).add(posed);
                }
            }
        }
        Comparator<Posed> byWorth = Comparator.comparingDouble(Posed::worth).reversed();
        return stretches.values().stream().flatMap(posed -> posed.stream().sorted(byWorth).limit(KEPT_A_STRETCH)).toList();
    }

    /** Straight at each aim in clear sight, and between each two of them that fit into one picture. */
    private List<CameraPose> poses(Mount mount, RaysFrom from) {
        List<CameraPose> poses = new ArrayList<>();
        List<Aim> clear = aims.stream()
                .filter(aim -> from.inSight(mount.heightM(), aim.at().xM(), aim.at().yM(), aim.groundM() + Place.FACE_M)).toList();
        for (int i = 0; i < clear.size(); i++) {
            for (double share : OFF_MIDDLE_SHARES) {
                add(poses, mount, mount.at().headingToDeg(clear.get(i).at()) + share * model.lens().hfovDeg(),
                        tiltDeg(mount, clear.get(i)));
            }
            for (int j = i + 1; j < clear.size(); j++) {
                double one = mount.at().headingToDeg(clear.get(i).at());
                double turn = (mount.at().headingToDeg(clear.get(j).at()) - one + 540) % 360 - 180;
                if (Math.abs(turn) < 0.9 * model.lens().hfovDeg()) {
                    add(poses, mount, one + turn / 2, (tiltDeg(mount, clear.get(i)) + tiltDeg(mount, clear.get(j))) / 2);
                }
            }
        }
        return poses;
    }

    private static void add(List<CameraPose> poses, Mount mount, double headingDeg, double tiltDeg) {
        double aside = Math.abs((headingDeg - mount.outwardDeg() + 540) % 360 - 180);
        if (mount.soffit() || aside <= MOST_ASIDE_DEG) {
            poses.add(new CameraPose(mount.at().xM(), mount.at().yM(), mount.heightM(), Math.round(headingDeg), Math.round(tiltDeg)));
        }
    }

    private double tiltDeg(Mount mount, Aim aim) {
        double down = Math.toDegrees(Math.atan2(mount.heightM() - aim.groundM() - Place.FACE_M, mount.at().distanceM(aim.at())));
        return Math.max(LEAST_TILT_DEG, Math.min(MOST_TILT_DEG, down + FACE_ABOVE_MIDDLE_SHARE * Projection.vfovDeg(model.lens())));
    }

    /** Of each aim, the density at its face over what its level asks; 0 where it is hidden, too steep or too dark. */
    private double[] shares(Eye eye) {
        Vision vision = Vision.unmasked(eye);
        double[] shares = new double[aims.size()];
        for (int i = 0; i < shares.length; i++) {
            Aim aim = aims.get(i);
            shares[i] = vision.densityPxPerM(aim.at().xM(), aim.at().yM(), aim.groundM() + Place.FACE_M, aim.level(), aim.night())
                    / aim.level().pxPerM();
        }
        return shares;
    }
}
