package roofnest.core.judge;

import java.util.List;
import java.util.Optional;
import java.util.function.Function;

import roofnest.core.plan.Place;
import roofnest.core.promise.Finding;
import roofnest.core.promise.Limit;
import roofnest.core.promise.PromiseKey;
import roofnest.core.promise.Unit;
import roofnest.core.radio.LinkBudget;

/**
 * Everything that a rule may ask while it judges: the household's facts, its house made ready, and what its cameras see.
 *
 * @param years of the batteries, and {@code weeks} of the household, found so far
 */
record Hearing(HouseholdFacts facts, Optional<House> house, Function<Camera, CameraEye> eyes, BatteryYears years,
        WeekOutcomes weeks) {
    CameraEye eye(Camera camera) {
        return eyes.apply(camera);
    }

    List<Camera> cameras() {
        return facts.cameras();
    }

    /** The camera that a standing promise is of: it is judged for as long as the camera is there. */
    Camera camera(long id) {
        return facts.cameras().stream().filter(camera -> camera.id() == id).findFirst().orElseThrow();
    }

    /** The camera's link; empty without a plan, or while nothing on it transmits. */
    Optional<LinkBudget> link(Camera camera) {
        return house.flatMap(any -> eye(camera).link(Links.band(camera, facts)));
    }

    /** What is said of promises of sight while there is no plan. */
    static Sighted noPlan(PromiseKey key) {
        return Sighted.ofNone(Finding.untried(key, Limit.atLeast(0, 0, Unit.PX_PER_M), "The house has no plan yet."));
    }

    static Sighted noCamera(PromiseKey key, Limit limit) {
        return Sighted.ofNone(Finding.untried(key, limit, "No camera is on the plan yet."));
    }

    /** A place that the plan never had is to be drawn; one that it lost is to be chosen anew. */
    static Sighted noPlace(PromiseKey key, Limit limit, String placeId) {
        return Place.wishedName(placeId)
                .map(name -> Sighted.ofNone(Finding.untried(key, limit,
                        "The plan does not show the " + name + " yet: draw it as a place, at "
                                + "Survey.")))
                .orElseGet(() -> gone(key, limit, "place"));
    }

    static Sighted gone(PromiseKey key, Limit limit, String what) {
        return Sighted
                .ofNone(Finding.untried(key, limit, "The plan has no " + what + " of that name any more: choose another at the brief."));
    }
}
