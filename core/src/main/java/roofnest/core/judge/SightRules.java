package roofnest.core.judge;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Function;
import java.util.stream.Collectors;

import roofnest.core.catalogue.LensSpec;
import roofnest.core.catalogue.MotionSpec;
import roofnest.core.lang.Numbers;
import roofnest.core.motion.Walker;
import roofnest.core.plan.Area;
import roofnest.core.plan.HousePlan;
import roofnest.core.plan.Place;
import roofnest.core.plan.SpacePoint;
import roofnest.core.plan.Walk;
import roofnest.core.promise.DetailLevel;
import roofnest.core.promise.Evidence;
import roofnest.core.promise.Finding;
import roofnest.core.promise.Limit;
import roofnest.core.promise.Promise;
import roofnest.core.promise.Remedy;
import roofnest.core.promise.Standing;
import roofnest.core.promise.Unit;
import roofnest.core.view.MaskCell;
import roofnest.core.view.PixelDensity;
import roofnest.core.view.Privacy;
import roofnest.core.view.Projection;
import roofnest.core.view.Sightline;

/** What the cameras see of the places and areas that promises name. */
final class SightRules {
    /** A density less than this share over its level is thin: a stoop or a turned head takes as much. */
    private static final double DENSITY_TOLERANCE_SHARE = 0.08;
    /** Up to this share of a picture an area counts as not shown: less than one body at the far end of a yard. */
    private static final double SHOWN_LIMIT_PERCENT = 0.5;

    /** A stumble or a slow wake-up takes as much, seconds. */
    private static final double BEFORE_TOLERANCE_S = 0.5;
    /** A path leads to a place that it passes within this distance, metres. */
    private static final double REACHES_M = 2;

    private final HousePlan plan;
    private final Function<Camera, CameraEye> eyes;

    /** A finding together with the camera it is about. */
    record Sighted(Finding finding, Optional<Long> cameraId) {}

    /** How one camera sees one place: density counts as 0 when {@code hindrance} says why it is not seen. */
    private record View(Camera camera, double densityPxPerM, double distanceM, double faceDeg, Optional<String> hindrance) {}

    SightRules(HousePlan plan, Function<Camera, CameraEye> eyes) {
        this.plan = plan;
        this.eyes = eyes;
    }

    /** The camera that sees the place best is the one that keeps the promise. */
    Sighted makeOut(Promise.MakeOut promise, List<Camera> cameras) {
        Limit limit = Limit.atLeast(
                promise.level().pxPerM(), promise.level().pxPerM() * DENSITY_TOLERANCE_SHARE, Unit.PX_PER_M);
        Optional<Place> place = plan.place(promise.placeId());
        if (place.isEmpty()) {
            return new Sighted(
                    Finding.untried(promise.key(), limit, "The plan has no place of that name any more: choose another at the brief."),
                    Optional.empty());
        }
        if (cameras.isEmpty()) {
            return new Sighted(Finding.untried(promise.key(), limit, "No camera is on the plan yet."), Optional.empty());
        }
        List<View> views = cameras.stream().map(camera -> view(camera, place.get(), promise)).toList();
        View best = views.get(0);
        for (View view : views) {
            if (view.densityPxPerM() > best.densityPxPerM()
                    || view.densityPxPerM() == best.densityPxPerM() && view.distanceM() < best.distanceM()) {
                best = view;
            }
        }
        return new Sighted(
                Finding.of(promise.key(), best.densityPxPerM(), limit, Evidence.PREDICTED, reason(best, promise), remedies(best, promise)),
                Optional.of(best.camera().id()));
    }

    private View view(Camera camera, Place place, Promise.MakeOut promise) {
        Projection projection = eyes.apply(camera).eye().projection();
        double distance = camera.pose().onPlan().distanceM(place.at());
        double faceDeg = Sightline.faceAngleDeg(camera.pose().heightM(), place.groundM(), distance);
        Optional<String> hindrance = hindrance(camera, projection, place, promise, distance, faceDeg);
        double density = hindrance.isPresent() ? 0 : PixelDensity.atPxPerM(projection, place.face());
        return new View(camera, density, distance, faceDeg, hindrance);
    }

    private Optional<String> hindrance(
            Camera camera, Projection projection, Place place, Promise.MakeOut promise, double distanceM, double faceDeg) {
        Optional<Projection.Pixel> face = projection.pixel(place.face()).filter(projection::inFrame);
        if (face.isEmpty()) {
            return Optional.of("outside the picture");
        }
        SpacePoint at = place.face();
        if (!eyes.apply(camera).eye().clearTo(at.xM(), at.yM(), at.zM())) {
            return Optional.of("hidden by a wall");
        }
        LensSpec lens = camera.model().lens();
        if (camera.model().mask().canMask() && camera.masked().contains(MaskCell.under(face.get(), lens, camera.model().mask()))) {
            return Optional.of("blacked out by the mask");
        }
        if (promise.light().coversNight() && distanceM > lens.nightRangeM()) {
            return Optional.of("past the " + Numbers.fixed(lens.nightRangeM(), 0) + " m that its light reaches at night");
        }
        boolean faceAsked = promise.level().compareTo(DetailLevel.RECOGNISE) >= 0;
        if (faceAsked && faceDeg > Sightline.USABLE_FACE_DEG) {
            return Optional.of("seen from so steep that a cap hides the face");
        }
        return Optional.empty();
    }

    private static String reason(View view, Promise.MakeOut promise) {
        String at = view.camera().name() + " at " + Numbers.fixed(view.distanceM(), 1) + " m";
        if (view.hindrance().isPresent()) {
            return "The place is " + view.hindrance().get() + " for " + at + ".";
        }
        String needs = at + ", needs " + Numbers.plain(promise.level().pxPerM()) + " px/m";
        return promise.level().compareTo(DetailLevel.RECOGNISE) >= 0
                ? needs + ", face from " + Numbers.fixed(view.faceDeg(), 0) + "° above." : needs + ".";
    }

    private static List<Remedy> remedies(View view, Promise.MakeOut promise) {
        if (view.hindrance().isPresent()) {
            double heading = view.camera().pose().headingDeg();
            return List.of(new Remedy("Move or turn " + view.camera().name(), "it looks " + Numbers.fixed(heading, 0) + "° now"));
        }
        double needed = promise.level().pxPerM() * (1 + DENSITY_TOLERANCE_SHARE);
        if (view.densityPxPerM() >= needed) {
            return List.of();
        }
        double nearerM = view.distanceM() * (1 - view.densityPxPerM() / needed);
        List<Remedy> remedies = new ArrayList<>();
        remedies.add(new Remedy("Move " + view.camera().name() + " " + Numbers.fixed(Math.max(0.1, nearerM), 1) + " m nearer",
                Numbers.fixed(needed, 0) + " px/m"));
        return remedies;
    }

    /**
     * How long before somebody gets to the place they are on a kept frame at the level: the camera that has them first
     * keeps the promise. A camera that never has them has them when they have gone.
     */
    Sighted recordedBefore(Promise.RecordedBefore promise, List<Camera> cameras) {
        Limit limit = Limit.atLeast(0, BEFORE_TOLERANCE_S, Unit.SECONDS);
        Optional<Place> place = plan.place(promise.placeId());
        Optional<Walk> path = plan.path(promise.pathId());
        if (place.isEmpty() || path.isEmpty()) {
            String what = place.isEmpty() ? "place" : "path";
            return new Sighted(Finding.untried(promise.key(), limit,
                    "The plan has no " + what + " of that name any more: choose another at the brief."), Optional.empty());
        }
        Walk.Approach approach = path.get().approach(place.get().at());
        if (approach.distanceM() > REACHES_M) {
            return new Sighted(
                    Finding.untried(promise.key(), limit, "The path passes the place at " + Numbers.fixed(approach.distanceM(), 1)
                            + " m; draw it to within " + Numbers.fixed(REACHES_M, 0) + " m."),
                    Optional.empty());
        }
        if (cameras.isEmpty()) {
            return new Sighted(Finding.untried(promise.key(), limit, "No camera is on the plan yet."), Optional.empty());
        }
        Camera first = cameras.get(0);
        OptionalDouble firstS = OptionalDouble.empty();
        for (Camera camera : cameras) {
            OptionalDouble s = eyes.apply(camera).firstAtLevelS(path.get(), promise.level());
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

    Sighted neverShows(Promise.NeverShows promise, List<Camera> cameras) {
        Limit limit = Limit.atMost(SHOWN_LIMIT_PERCENT, SHOWN_LIMIT_PERCENT / 2, Unit.PERCENT_FINE);
        Optional<Area> area = plan.area(promise.areaId());
        if (area.isEmpty()) {
            return new Sighted(
                    Finding.untried(promise.key(), limit, "The plan has no area of that name any more: choose another at the brief."),
                    Optional.empty());
        }
        if (cameras.isEmpty()) {
            return new Sighted(Finding.untried(promise.key(), limit, "No camera is on the plan yet."), Optional.empty());
        }
        Camera worst = cameras.get(0);
        Privacy.Exposure most = null;
        for (Camera camera : cameras) {
            Privacy.Exposure exposure = exposure(camera, area.get());
            if (most == null || exposure.sharePercent() > most.sharePercent()) {
                worst = camera;
                most = exposure;
            }
        }
        boolean shown = most.sharePercent() > 0;
        String reason = shown
                ? Numbers.fixed(most.sharePercent(), 1) + " % of what " + worst.name() + " shows is " + area.get().name() + "."
                : "No camera shows it" + (worst.masked().isEmpty() ? "." : ", with " + worst.masked().size() + " cells blacked out.");
        return new Sighted(
                Finding.of(promise.key(), most.sharePercent(), limit, Evidence.PREDICTED, reason, maskRemedy(worst, most)),
                Optional.of(worst.id()));
    }

    Privacy.Exposure exposure(Camera camera, Area area) {
        return eyes.apply(camera).exposure(area);
    }

    private static List<Remedy> maskRemedy(Camera camera, Privacy.Exposure exposure) {
        if (exposure.cells().isEmpty()) {
            return List.of();
        }
        if (!camera.model().mask().canMask()) {
            return List.of(new Remedy("Turn " + camera.name() + " away", "it cannot black out parts of its picture"));
        }
        String first = exposure.cells().stream().limit(4).map(MaskCell::toString).collect(Collectors.joining(", "));
        String cells = exposure.cells().size() > 4 ? first + " and " + (exposure.cells().size() - 4) + " more" : first;
        double cost = 100.0 * exposure.cells().size() / (camera.model().mask().columns() * camera.model().mask().rows());
        return List.of(new Remedy("Black out " + cells, "costs " + Numbers.fixed(cost, 0) + " % of the picture"));
    }
}
