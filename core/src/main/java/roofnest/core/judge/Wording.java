package roofnest.core.judge;

import java.util.Locale;
import java.util.Optional;

import roofnest.core.lang.Numbers;
import roofnest.core.plan.Area;
import roofnest.core.plan.HousePlan;
import roofnest.core.plan.Place;
import roofnest.core.plan.Walk;
import roofnest.core.promise.Promise;

/** Promises as the household would say them. */
final class Wording {
    private final Optional<HousePlan> plan;

    Wording(Optional<HousePlan> plan) {
        this.plan = plan;
    }

    String of(Promise promise) {
        if (promise instanceof Promise.MakeOut makeOut) {
            String place = plan.flatMap(p -> p.place(makeOut.placeId())).map(Place::name).orElse(makeOut.placeId());
            return makeOut.level().opening() + " at the " + place + ", " + makeOut.light().words();
        }
        if (promise instanceof Promise.RecordedBefore before) {
            String place = plan.flatMap(p -> p.place(before.placeId())).map(Place::name).orElse(before.placeId());
            String path = plan.flatMap(p -> p.path(before.pathId())).map(Walk::name).orElse(before.pathId());
            return "Recorded before they reach the " + place + " by " + path + " (" + before.level().name().toLowerCase(Locale.ROOT) + ")";
        }
        if (promise instanceof Promise.ClearLens) {
            return "Its own light does not blind it";
        }
        if (promise instanceof Promise.KeepsDays keeps) {
            return "Keeps " + keeps.days() + " days of footage";
        }
        if (promise instanceof Promise.NeverShows never) {
            return "Stays off " + plan.flatMap(p -> p.area(never.areaId())).map(Area::name).orElse(never.areaId());
        }
        if (promise instanceof Promise.AlertWithin alert) {
            return "Phone rings within " + Numbers.plain(alert.seconds()) + " s";
        }
        if (promise instanceof Promise.OnlyThese) {
            return "Only the people agreed can look";
        }
        if (promise instanceof Promise.HoldsLink) {
            return "Holds its Wi-Fi link";
        }
        if (promise instanceof Promise.Joins) {
            return "Can join the house's Wi-Fi";
        }
        if (promise instanceof Promise.OwnPassword) {
            return "Has a password of its own";
        }
        if (promise instanceof Promise.OutOfReach) {
            return "Hangs out of arm's reach";
        }
        return "Battery lasts through the dark months";
    }
}
