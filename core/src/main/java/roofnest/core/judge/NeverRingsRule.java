package roofnest.core.judge;

import roofnest.core.lang.Numbers;
import roofnest.core.promise.Limit;
import roofnest.core.promise.Promise;
import roofnest.core.promise.Unit;

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
            double rings = WeekRules.inHours(week, promise::covers);
            String reason = "From " + promise.fromHour() + " to " + promise.toHour() + " h it rings " + Numbers.fixed(rings, 1)
                    + " times a week, " + WeekRules.basis(hearing) + "; quiet hours that a phone itself keeps are not reckoned.";
            return WeekRules.found(promise.key(), rings, limit, reason, WeekRules.loudest(week),
                    WeekRules.quieter(WeekRules.loudest(week)));
        });
    }

    @Override
    public String wording(Promise.NeverRings promise, Names names) {
        return "Never rings between " + promise.fromHour() + " and " + promise.toHour() + " h";
    }
}
