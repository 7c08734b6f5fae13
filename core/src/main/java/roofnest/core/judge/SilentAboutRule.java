package roofnest.core.judge;

import java.util.Comparator;
import java.util.Optional;

import roofnest.core.promise.Limit;
import roofnest.core.promise.Promise;
import roofnest.core.promise.Unit;
import roofnest.core.week.SourceKind;
import roofnest.core.week.WeekOutcome;

/** Nothing rings for one kind of coming and going, but now and then. */
final class SilentAboutRule implements PromiseRule<Promise.SilentAbout> {
    /** Rings a week that are no more than now and then: nothing is told apart without a mistake. */
    static final double NOW_AND_THEN = 1;

    @Override
    public Class<Promise.SilentAbout> type() {
        return Promise.SilentAbout.class;
    }

    @Override
    public Sighted judge(Promise.SilentAbout promise, Hearing hearing) {
        Limit limit = Limit.atMost(NOW_AND_THEN, NOW_AND_THEN / 2, Unit.A_WEEK);
        SourceKind kind = SourceKind.valueOf(promise.source());
        return WeekRules.judged(promise.key(), limit, hearing, week -> {
            Optional<WeekOutcome.OfCamera> most = week.cameras().stream().filter(camera -> camera.ringsByKind().getOrDefault(kind, 0.0) > 0)
                    .max(Comparator.comparingDouble(camera -> camera.ringsByKind().get(kind)));
            double rings = WeekRules.aWeek(week, kind);
            String reason = (rings == 0 ? "None of the drawn weeks rings for " + kind.words()
                    : "Rings for " + kind.words() + ", most of them from " + most.orElseThrow().name()) + ", " + WeekRules.basis(hearing)
                    + ".";
            return WeekRules.found(promise.key(), rings, limit, reason, most, WeekRules.quieter(most));
        });
    }

    @Override
    public String wording(Promise.SilentAbout promise, Names names) {
        return "Is silent about " + SourceKind.valueOf(promise.source()).words();
    }
}
