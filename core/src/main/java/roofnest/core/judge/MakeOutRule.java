package roofnest.core.judge;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

import roofnest.core.lang.Numbers;
import roofnest.core.plan.HousePlan;
import roofnest.core.plan.Place;
import roofnest.core.plan.SpacePoint;
import roofnest.core.promise.DetailLevel;
import roofnest.core.promise.Finding;
import roofnest.core.promise.Limit;
import roofnest.core.promise.Promise;
import roofnest.core.promise.Remedy;
import roofnest.core.promise.Unit;
import roofnest.core.view.PixelDensity;
import roofnest.core.view.Sightline;

/** The camera that sees the place best is the one that keeps the promise. */
final class MakeOutRule implements PromiseRule<Promise.MakeOut> {
    /** A density less than this share over its level is thin: a stoop or a turned head takes as much. */
    static final double DENSITY_TOLERANCE_SHARE = 0.08;

    /** How one camera sees one place: density counts as 0 when {@code hindrance} says why it is not seen. */
    private record View(Camera camera, double densityPxPerM, double distanceM, double faceDeg, Optional<String> hindrance) {}

    @Override
    public Class<Promise.MakeOut> type() {
        return Promise.MakeOut.class;
    }

    @Override
    public Sighted judge(Promise.MakeOut promise, Hearing hearing) {
        if (hearing.house().isEmpty()) {
            return Hearing.noPlan(promise.key());
        }
        HousePlan plan = hearing.house().get().plan();
        List<Camera> cameras = hearing.cameras();
        Limit limit = Limit.atLeast(
                promise.level().pxPerM(), promise.level().pxPerM() * DENSITY_TOLERANCE_SHARE, Unit.PX_PER_M);
        Optional<Place> place = plan.place(promise.placeId());
        if (place.isEmpty()) {
            return Hearing.noPlace(promise.key(), limit, promise.placeId());
        }
        if (cameras.isEmpty()) {
            return Hearing.noCamera(promise.key(), limit);
        }
        List<View> views = cameras.stream().map(camera -> view(hearing.eye(camera), camera, place.get(), promise)).toList();
        View best = views.get(0);
        for (View view : views) {
            if (view.densityPxPerM() > best.densityPxPerM()
                    || view.densityPxPerM() == best.densityPxPerM() && view.distanceM() < best.distanceM()) {
                best = view;
            }
        }
        return new Sighted(
                Finding.of(promise.key(), best.densityPxPerM(), limit, best.camera().sightEvidence(), reason(best, promise),
                        remedies(best, promise)),
                Optional.of(best.camera().id()));
    }

    @Override
    public String wording(Promise.MakeOut promise, Names names) {
        return promise.level().opening() + " at the " + names.place(promise.placeId()) + ", " + promise.light().words();
    }

    private static View view(CameraEye eye, Camera camera, Place place, Promise.MakeOut promise) {
        SpacePoint face = place.face();
        double distance = camera.pose().onPlan().distanceM(place.at());
        double faceDeg = Sightline.faceAngleDeg(camera.pose().heightM(), place.groundM(), distance);
        Optional<String> hindrance
                = eye.vision().hindrance(face.xM(), face.yM(), face.zM(), promise.level(), promise.light().coversNight());
        double density = hindrance.isPresent() ? 0 : PixelDensity.atPxPerM(eye.eye().projection(), face);
        return new View(camera, density, distance, faceDeg, hindrance);
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
}
