package roofnest.core.judge;

import java.util.Optional;

import roofnest.core.plan.Area;
import roofnest.core.plan.HousePlan;
import roofnest.core.plan.Place;
import roofnest.core.plan.Walk;

/** What places, paths and areas are called; their keys stand in for names that the plan no longer has. */
record Names(Optional<HousePlan> plan) {
    String place(String id) {
        return plan.flatMap(p -> p.place(id)).map(Place::name).orElseGet(() -> Place.wishedName(id).orElse(id));
    }

    String path(String id) {
        return plan.flatMap(p -> p.path(id)).map(Walk::name).orElse(id);
    }

    String area(String id) {
        return plan.flatMap(p -> p.area(id)).map(Area::name).orElse(id);
    }
}
