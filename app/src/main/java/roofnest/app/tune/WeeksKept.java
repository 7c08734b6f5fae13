package roofnest.app.tune;

import java.util.List;
import java.util.Optional;

import com.github.benmanes.caffeine.cache.Caffeine;
import com.github.benmanes.caffeine.cache.LoadingCache;

import org.springframework.stereotype.Component;

import roofnest.app.watch.Metrics;
import roofnest.core.judge.Camera;
import roofnest.core.judge.ComingsAndGoings;
import roofnest.core.judge.HouseholdFacts;
import roofnest.core.judge.HouseholdJudge;
import roofnest.core.plan.HousePlan;
import roofnest.core.power.Climate;
import roofnest.core.promise.Promise;
import roofnest.core.week.Quietest;
import roofnest.core.week.WeekOutcome;
import roofnest.core.week.Weeks;

/** Ordinary weeks that were lately drawn: the same as long as all that they depend on is. */
@Component
class WeeksKept {
    /** So many weeks give the spread. */
    static final int WEEKS = 1000;
    private static final int KEPT = 40;

    private final LoadingCache<Key, Optional<Drawn>> kept;
    private final LoadingCache<QuietKey, Optional<Quietest.Found>> found;

    WeeksKept(Metrics metrics) {
        kept = metrics.watched("weeks", Caffeine.newBuilder().maximumSize(KEPT).recordStats().build(Key::draw));
        found = metrics.watched("quietest", Caffeine.newBuilder().maximumSize(KEPT).recordStats().build(QuietKey::find));
    }

    /** The weeks, what they come to, and what comes in the middle one of them. */
    record Drawn(Weeks weeks, WeekOutcome outcome, List<Weeks.Event> middle) {}

    /** @param judge of the same house; of no account for what the weeks are */
    private record Key(HousePlan plan, List<Camera> cameras, List<Promise> written, ComingsAndGoings comings, Climate climate, int month,
            HouseholdFacts facts, HouseholdJudge judge) {
        private Optional<Drawn> draw() {
            return judge.weeks(facts, month).map(weeks -> {
                WeekOutcome outcome = weeks.run(WEEKS);
                return new Drawn(weeks, outcome, weeks.events(outcome.middleWeek()));
            });
        }

        @Override
        public boolean equals(Object other) {
            return other instanceof Key that && month == that.month && (plan == that.plan || plan.equals(that.plan))
                    && cameras.equals(that.cameras) && written.equals(that.written) && comings.equals(that.comings)
                    && climate.equals(that.climate) && facts.alerts().equals(that.facts.alerts())
                    && facts.access().equals(that.facts.access()) && facts.today().equals(that.facts.today());
        }

        @Override
        public int hashCode() {
            return 31 * plan.name().hashCode() + 7 * month + cameras.size();
        }
    }

    /** Empty without a plan. @param month of the calendar, 1 to 12 */
    Optional<Drawn> of(HouseholdFacts facts, HouseholdJudge judge, int month) {
        return facts.plan().flatMap(plan -> kept.get(new Key(plan, facts.cameras(), facts.written(), facts.comings(), facts.climate(),
                month, facts, judge)));
    }

    /** One camera of such a house. */
    private record QuietKey(Key house, Camera camera) {
        private Optional<Quietest.Found> find() {
            return house.judge().quietest(house.facts(), camera, house.month());
        }
    }

    /** Empty without a plan. @param month of the calendar, 1 to 12 */
    Optional<Quietest.Found> quietest(HouseholdFacts facts, HouseholdJudge judge, Camera camera, int month) {
        return facts.plan().flatMap(plan -> found.get(new QuietKey(new Key(plan, List.of(camera), facts.written(), facts.comings(),
                facts.climate(), month, facts, judge), camera)));
    }

    /** One camera's week of a month. */
    Optional<WeekOutcome.OfCamera> ofCamera(HouseholdFacts facts, HouseholdJudge judge, int month, long cameraId) {
        return of(facts, judge, month).flatMap(drawn -> drawn.outcome().cameras().stream().filter(week -> week.cameraId() == cameraId)
                .findFirst());
    }
}
