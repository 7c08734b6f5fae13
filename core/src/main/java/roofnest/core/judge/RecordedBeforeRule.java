package roofnest.core.judge;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;

import roofnest.core.catalogue.MotionSpec;
import roofnest.core.lang.Numbers;
import roofnest.core.motion.Walker;
import roofnest.core.plan.HousePlan;
import roofnest.core.plan.Place;
import roofnest.core.plan.Walk;
import roofnest.core.promise.Evidence;
import roofnest.core.promise.Finding;
import roofnest.core.promise.Limit;
import roofnest.core.promise.Promise;
import roofnest.core.promise.Remedy;
import roofnest.core.promise.Standing;
import roofnest.core.promise.Unit;

/**
 * How long before somebody gets to a place they are on a kept frame: the camera that has them first keeps the promise, and
 * one that never has them has them when they have gone.
 */
final class RecordedBeforeRule implements PromiseRule<Promise.RecordedBefore> {
    /** A stumble or a slow wake-up takes as much, seconds. */
    static final double BEFORE_TOLERANCE_S = 0.5;
    /** A path leads to a place that it passes within this distance, metres. */
    private static final double REACHES_M = 2;

    @Override
    public Class<Promise.RecordedBefore> type() {
        return Promise.RecordedBefore.class;
    }

    @Override
    public Sighted judge(Promise.RecordedBefore promise, Hearing hearing) {
        if (hearing.house().isEmpty()) {
            return Hearing.noPlan(promise.key());
        }
        HousePlan plan = hearing.house().get().plan();
        List<Camera> cameras = hearing.cameras();
        Limit limit = Limit.atLeast(0, BEFORE_TOLERANCE_S, Unit.SECONDS);
        Optional<Place> place = plan.place(promise.placeId());
        Optional<Walk> path = plan.path(promise.pathId());
        if (place.isEmpty() || path.isEmpty()) {
            return place.isEmpty() ? Hearing.noPlace(promise.key(), limit, promise.placeId()) : Hearing.gone(promise.key(), limit, "path");
        }
        Walk.Approach approach = path.get().approach(place.get().at());
        if (approach.distanceM() > REACHES_M) {
            return new Sighted(
                    Finding.untried(promise.key(), limit, "The path passes the place at " + Numbers.fixed(approach.distanceM(), 1)
                            + " m; draw it to within " + Numbers.fixed(REACHES_M, 0) + " m."),
                    Optional.empty());
        }
        if (cameras.isEmpty()) {
            return Hearing.noCamera(promise.key(), limit);
        }
        Camera first = cameras.get(0);
        OptionalDouble firstS = OptionalDouble.empty();
        for (Camera camera : cameras) {
            OptionalDouble s = hearing.eye(camera).firstAtLevelS(path.get(), promise.level(), promise.light().coversNight());
            if (s.isPresent() && (firstS.isEmpty() || s.getAsDouble() < firstS.getAsDouble())) {
                first = camera;
                firstS = s;
            }
        }
        double reachS = approach.alongM() / Walker.GROWN.speedMPerS();
        double walkS = path.get().lengthM() / Walker.GROWN.speedMPerS();
        double margin = reachS - firstS.orElse(walkS + BEFORE_TOLERANCE_S);
        String asked = "at " + Numbers.plain(promise.level().pxPerM()) + " px/m";
        String reason = firstS.isEmpty()
                ? "No camera has them on a kept frame " + asked + " anywhere on this path; they are there after "
                        + Unit.SECONDS.format(reachS) + "."
                : first.name() + " has them " + asked + " after " + Unit.SECONDS.format(firstS.getAsDouble())
                        + ", walking; they are there after "
                        + Unit.SECONDS.format(reachS) + ".";
        return new Sighted(Finding.of(promise.key(), margin, limit, Evidence.PREDICTED, reason, beforeRemedies(limit, margin, first)),
                Optional.of(first.id()));
    }

    @Override
    public String wording(Promise.RecordedBefore promise, Names names) {
        return "Recorded before they reach the " + names.place(promise.placeId()) + ", " + coming(names.path(promise.pathId())) + " ("
                + promise.level().name().toLowerCase(Locale.ROOT) + "), " + promise.light().words();
    }

    /** People name a path by where it is, or by where it leads: "by the lane", "on the way to the cart shed". */
    private static String coming(String path) {
        return path.matches("(?i)(to|from|past|along|through|over|up|down|round|across) .*") ? "on the way " + path : "by " + path;
    }

    private static List<Remedy> beforeRemedies(Limit limit, double marginS, Camera camera) {
        if (limit.standing(marginS) == Standing.KEPT) {
            return List.of();
        }
        double missingM = (limit.value() + limit.tolerance() - marginS) * Walker.GROWN.speedMPerS();
        boolean infrared = camera.model().motion().sensing() == MotionSpec.Sensing.INFRARED;
        return List.of(
                new Remedy("Let " + camera.name() + " see them " + Numbers.fixed(missingM, 1) + " m earlier on the path",
                        "they are recorded in time"),
                infrared ? new Remedy("Turn it so that they walk across its view, not towards it",
                        "its sensor then reaches " + Numbers.fixed(camera.model().motion().rangeM(), 0) + " m")
                        : new Remedy("Widen its zones along the path", "it notices them sooner"));
    }
}
