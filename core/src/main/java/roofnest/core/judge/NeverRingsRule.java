package roofnest.core.judge;

import java.util.Comparator;
import java.util.Optional;

import roofnest.core.lang.Numbers;
import roofnest.core.promise.Limit;
import roofnest.core.promise.Promise;
import roofnest.core.promise.Unit;
import roofnest.core.week.WeekOutcome;

/** Nothing rings from one hour to another, but now and then. */
final class NeverRingsRule implements PromiseRule<Promise.NeverRings> {
    /** Rings a week that are no more than now and then. */
    static final double NOW_AND_THEN = 0.5;

    @Override
    public Class<Promise.NeverRings> type() {
        return Promise.NeverRings.class;
    }

    @Override
    public Sighted judge(Promise.NeverRings promise, Hearing hearing) {
        Limit limit = Limit.atMost(NOW_AND_THEN, NOW_AND_THEN / 2, Unit.A_WEEK);
        return WeekRules.judged(promise.key(), limit, hearing, week -> {
            Optional<WeekOutcome.OfPhone> most = week.phones().stream()
                    .max(Comparator.comparingDouble(phone -> WeekRules.inHours(phone, promise::covers)));
            double rings = most.map(phone -> WeekRules.inHours(phone, promise::covers)).orElse(0.0);
            String reason = "From " + promise.fromHour() + " to " + promise.toHour() + " h it rings " + Numbers.fixed(rings, 1)
                    + " times a week" + WeekRules.whose(week, most) + ", " + WeekRules.basis(hearing) + ".";
            return WeekRules.found(promise.key(), rings, limit, reason, WeekRules.loudest(week),
                    WeekRules.quieter(WeekRules.loudest(week)));
        });
    }

    @Override
    public String wording(Promise.NeverRings promise, Names names) {
        return "Never rings between " + promise.fromHour() + " and " + promise.toHour() + " h";
    }
}
