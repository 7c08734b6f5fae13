package roofnest.core.judge;

import java.util.Optional;

import roofnest.core.lang.Numbers;
import roofnest.core.promise.Limit;
import roofnest.core.promise.Promise;
import roofnest.core.promise.Unit;
import roofnest.core.week.Week;
import roofnest.core.week.WeekOutcome;

/** No phone rings more than so often a day, in all but one of twenty weeks. */
final class RingsAtMostRule implements PromiseRule<Promise.RingsAtMost> {
    /** Rates are rough: within a fifth of the limit it is thin. */
    static final double TOLERANCE_SHARE = 0.2;

    @Override
    public Class<Promise.RingsAtMost> type() {
        return Promise.RingsAtMost.class;
    }

    @Override
    public Sighted judge(Promise.RingsAtMost promise, Hearing hearing) {
        Limit limit = Limit.atMost(promise.aDay(), promise.aDay() * TOLERANCE_SHARE, Unit.A_DAY);
        return WeekRules.judged(promise.key(), limit, hearing, week -> {
            Optional<WeekOutcome.OfPhone> most = week.loudestPhone();
            String reason = "So often in the busiest week of twenty" + WeekRules.whose(week, most) + "; "
                    + Numbers.fixed(most.map(phone -> phone.rings().aDay()).orElse(0.0), 1) + " a day on the mean"
                    + WeekRules.mostly(week) + ", " + WeekRules.basis(hearing) + ".";
            return WeekRules.found(promise.key(), most.map(phone -> phone.rings().high()).orElse(0.0) / Week.DAYS, limit, reason,
                    WeekRules.loudest(week), WeekRules.quieter(WeekRules.loudest(week)));
        });
    }

    @Override
    public String wording(Promise.RingsAtMost promise, Names names) {
        return "Rings at most " + promise.aDay() + (promise.aDay() == 1 ? " time a day" : " times a day");
    }
}
