package roofnest.core.judge;

import java.util.List;
import java.util.Optional;

import roofnest.core.lang.Numbers;
import roofnest.core.plan.Place;
import roofnest.core.promise.Finding;
import roofnest.core.promise.Limit;
import roofnest.core.promise.Promise;
import roofnest.core.promise.Remedy;
import roofnest.core.promise.Unit;
import roofnest.core.week.Sources;
import roofnest.core.week.WeekOutcome;

/** Who arrives is told of: of a hundred, so many, by the household's ordinary week. */
final class TellsOfRule implements PromiseRule<Promise.TellsOf> {
    /** What may be missed besides, of a hundred. */
    static final double TOLERANCE = 3;

    @Override
    public Class<Promise.TellsOf> type() {
        return Promise.TellsOf.class;
    }

    @Override
    public Sighted judge(Promise.TellsOf promise, Hearing hearing) {
        Limit limit = Limit.atLeast(promise.inHundred(), TOLERANCE, Unit.IN_HUNDRED);
        Optional<Place> place = hearing.facts().plan().flatMap(plan -> plan.place(promise.placeId()));
        if (hearing.facts().plan().isPresent() && place.isEmpty()) {
            return Hearing.noPlace(promise.key(), limit, promise.placeId());
        }
        return WeekRules.judged(promise.key(), limit, hearing, week -> {
            Optional<WeekOutcome.Arrivals> arrivals
                    = week.arrivals().stream().filter(each -> each.placeId().equals(place.orElseThrow().id()))
                            .filter(each -> each.came() > 0).findFirst();
            if (arrivals.isEmpty()) {
                return Sighted
                        .ofNone(Finding.untried(promise.key(), limit, "No path of the plan ends there: draw the way that people come, "
                                + "to within " + Numbers.plain(Sources.LEADS_TO_M) + " m, at Survey."));
            }
            double told = arrivals.get().toldInHundred();
            String reason = Numbers.fixed(arrivals.get().aWeek(), 1) + " arrive a week, " + Numbers.fixed(told, 0) + " in 100 are told of, "
                    + Numbers.fixed(arrivals.get().recordedInHundred(), 0) + " recorded, " + WeekRules.basis(hearing) + ".";
            return WeekRules.found(promise.key(), told, limit, reason, WeekRules.loudest(week), List.of(
                    new Remedy("Turn or move a camera so that they walk across its view", "a sensor reaches farthest across"),
                    new Remedy("A shorter rest between clips, or quieter zones, at Tune", "nobody comes while it rests")));
        });
    }

    @Override
    public String wording(Promise.TellsOf promise, Names names) {
        return "Tells of " + promise.inHundred() + " in 100 who arrive at the " + names.place(promise.placeId());
    }
}
