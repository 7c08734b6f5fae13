package roofnest.core.spots;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;

import roofnest.core.catalogue.DeviceModel;
import roofnest.core.judge.Camera;
import roofnest.core.judge.HouseholdFacts;
import roofnest.core.judge.HouseholdJudge;
import roofnest.core.judge.Judged;
import roofnest.core.judge.Judgement;
import roofnest.core.plan.HousePlan;
import roofnest.core.plan.Place;
import roofnest.core.plan.PlanPoint;
import roofnest.core.plan.Segments;
import roofnest.core.plan.Wall;
import roofnest.core.promise.Promise;
import roofnest.core.promise.PromiseKey;
import roofnest.core.promise.Standing;
import roofnest.core.view.CameraPose;

/**
 * Where a new camera is first put: at a spot that keeps the first promise to be seen which no camera keeps yet, if any spot
 * does; never where another camera hangs already.
 */
public final class FirstSpot {
    /** Two cameras do not hang closer to one another than this, metres. */
    public static final double APART_M = 0.5;
    /** Poses judged in full for one promise; the most promising come first. */
    private static final int JUDGED = 160;
    private static final double HEIGHT_M = 2.4;
    private static final double TILT_DEG = 12;
    private static final double OFF_THE_WALL_M = 0.15;
    private static final int STEPS_ALONG = 40;

    private FirstSpot() {}

    /** @param promise that it keeps; empty when no spot keeps one that is still wanting */
    public record Spot(CameraPose pose, Optional<PromiseKey> promise) {}

    /** @throws IllegalArgumentException without a plan */
    public static Spot of(HouseholdJudge judge, HouseholdFacts facts, DeviceModel model) {
        HousePlan plan = facts.plan().orElseThrow(() -> new IllegalArgumentException("a first spot needs a plan"));
        Judgement now = judge.again(facts);
        for (Judged wanting : now.promises()) {
            if (isSeen(wanting.promise()) && !isKept(wanting)) {
                Optional<CameraPose> pose = keeping(judge, facts, model, wanting.promise());
                if (pose.isPresent()) {
                    return new Spot(pose.get(), Optional.of(wanting.promise().key()));
                }
            }
        }
        return new Spot(onTheWall(plan, facts.cameras()), Optional.empty());
    }

    private static Optional<CameraPose> keeping(HouseholdJudge judge, HouseholdFacts facts, DeviceModel model, Promise promise) {
        CameraPose thin = null;
        for (Candidates.Posed candidate : new Candidates(judge.house().orElseThrow(), model, List.of(promise)).best(JUDGED)) {
            if (!isFree(candidate.pose().onPlan(), facts.cameras())) {
                continue;
            }
            Camera camera = new Camera(1, "candidate", model, candidate.pose(), Set.of(), Camera.Settings.DEFAULT, false, false, false,
                    Optional.empty());
            Judgement alone = judge.again(facts.withCameras(List.of(camera.withMasked(judge.cellsShowing(facts, camera)))));
            boolean harms = alone.promises().stream().anyMatch(judged -> isOwn(judged.promise())
                    && judged.finding().standing() == Standing.BROKEN);
            Standing standing = alone.promises().stream().filter(judged -> judged.promise().key().equals(promise.key())).findFirst()
                    .orElseThrow().finding().standing();
            if (!harms && standing == Standing.KEPT) {
                return Optional.of(candidate.pose());
            }
            thin = !harms && standing == Standing.THIN && thin == null ? candidate.pose() : thin;
        }
        return Optional.ofNullable(thin);
    }

    private static boolean isSeen(Promise promise) {
        return promise instanceof Promise.MakeOut || promise instanceof Promise.RecordedBefore;
    }

    private static boolean isOwn(Promise promise) {
        return promise instanceof Promise.NeverShows || promise instanceof Promise.HoldsLink || promise instanceof Promise.ClearLens
                || promise instanceof Promise.OutOfReach || promise instanceof Promise.ReachedSafely;
    }

    private static boolean isKept(Judged judged) {
        return judged.finding().standing() == Standing.KEPT || judged.finding().standing() == Standing.THIN;
    }

    /** The same pose moved along its wall until no camera hangs within {@link #APART_M}; empty when there is no wall or no room. */
    public static Optional<CameraPose> beside(HousePlan plan, CameraPose pose, List<Camera> cameras) {
        return plan.nearestWall(pose.onPlan()).flatMap(wall -> IntStream.rangeClosed(1, STEPS_ALONG)
                .mapToObj(step -> pose.onPlan().towards(wall.from().headingToDeg(wall.to()) + (step % 2 == 0 ? 180 : 0),
                        (step + 1) / 2 * APART_M))
                .filter(at -> Segments.distanceM(at, wall.from(), wall.to()) < wall.thicknessM() / 2 + 2 * OFF_THE_WALL_M)
                .filter(at -> isFree(at, cameras)).findFirst()
                .map(at -> new CameraPose(at.xM(), at.yM(), pose.heightM(), pose.headingDeg(), pose.tiltDeg(), pose.rollDeg())));
    }

    private static boolean isFree(PlanPoint at, List<Camera> cameras) {
        return cameras.stream().allMatch(camera -> camera.pose().onPlan().distanceM(at) >= APART_M);
    }

    /** On the wall nearest to the first place, looking at it, beside whatever hangs there. */
    static CameraPose onTheWall(HousePlan plan, List<Camera> cameras) {
        PlanPoint watched = plan.places().stream().findFirst().map(Place::at).orElse(new PlanPoint(0, 0));
        Optional<Wall> wall = plan.nearestWall(watched);
        PlanPoint mount = IntStream.range(0, STEPS_ALONG)
                .mapToObj(step -> wall.map(on -> onFace(on, watched, step)).orElseGet(() -> watched.towards(180, 5 + APART_M * step)))
                .filter(at -> isFree(at, cameras)).findFirst().orElseThrow(() -> new IllegalStateException("every step along is taken"));
        return new CameraPose(mount.xM(), mount.yM(), HEIGHT_M, mount.headingToDeg(watched), TILT_DEG);
    }

    /** Steps away from the middle of the wall to either side in turn, on the face that looks at the place. */
    private static PlanPoint onFace(Wall wall, PlanPoint watched, int step) {
        double along = wall.lengthM() / 2 + (step % 2 == 0 ? 1 : -1) * ((step + 1) / 2) * APART_M;
        PlanPoint at = wall.along(along);
        double across = wall.from().headingToDeg(wall.to()) + 90;
        double off = wall.thicknessM() / 2 + OFF_THE_WALL_M;
        PlanPoint one = at.towards(across, off);
        PlanPoint other = at.towards(across + 180, off);
        return one.distanceM(watched) <= other.distanceM(watched) ? one : other;
    }
}
