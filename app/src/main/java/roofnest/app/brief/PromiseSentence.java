package roofnest.app.brief;

import org.springframework.stereotype.Component;

import roofnest.app.records.PromiseRepository;
import roofnest.app.web.Conflict;
import roofnest.app.web.Form;
import roofnest.core.judge.HouseholdFacts;
import roofnest.core.plan.HousePlan;
import roofnest.core.promise.DetailLevel;
import roofnest.core.promise.Light;
import roofnest.core.promise.Promise;

/** Reads the sentence builder: which kind of promise, and the words that belong to it. */
@Component
class PromiseSentence {
    enum Kind { MAKE_OUT, RECORDED_BEFORE, KEEPS_DAYS, NEVER_SHOWS, ONLY_THESE, ALERT_WITHIN }

    private final PromiseRepository promises;

    PromiseSentence(PromiseRepository promises) {
        this.promises = promises;
    }

    /** What writes the promise down; does nothing useful while the form has faults. */
    Runnable read(Form form, long householdId, HouseholdFacts facts) {
        return switch (form.choice("kind", "what is promised", Kind.class)) {
            case MAKE_OUT -> makeOut(form, householdId, facts);
            case RECORDED_BEFORE -> recordedBefore(form, householdId, facts);
            case KEEPS_DAYS -> {
                int days = form.whole("days", "how many days are kept,", 1, 365, "days");
                once(form, "days", facts, Promise.KeepsDays.class,
                        "How long footage is kept is promised already. Take that promise out first.");
                yield () -> {
                    unlessPromised(householdId, Promise.KeepsDays.class);
                    promises.keepsDays(householdId, days);
                };
            }
            case NEVER_SHOWS -> neverShows(form, householdId, facts);
            case ONLY_THESE -> {
                once(form, "kind", facts, Promise.OnlyThese.class, "This is promised already.");
                yield () -> {
                    unlessPromised(householdId, Promise.OnlyThese.class);
                    promises.onlyThese(householdId);
                };
            }
            case ALERT_WITHIN -> {
                double seconds = form.decimal("seconds", "how soon the phone must ring,", 1, 120, "s");
                once(form, "seconds", facts, Promise.AlertWithin.class,
                        "How soon the phone rings is promised already. Take that promise out first.");
                yield () -> {
                    unlessPromised(householdId, Promise.AlertWithin.class);
                    promises.alertWithin(householdId, seconds);
                };
            }
        };
    }

    private Runnable makeOut(Form form, long householdId, HouseholdFacts facts) {
        DetailLevel level = form.choice("level", "what must be made out", DetailLevel.class);
        Light light = form.choice("light", "when", Light.class);
        String place = form.raw("place");
        if (facts.plan().flatMap(plan -> plan.place(place)).isEmpty()) {
            form.fault("place", noPlan(facts) ? "The house has no plan yet; draw one at Survey first." : "Choose a place of the plan.");
        }
        return () -> promises.makeOut(householdId, level, place, light);
    }

    private Runnable recordedBefore(Form form, long householdId, HouseholdFacts facts) {
        DetailLevel level = form.choice("level", "what must be made out", DetailLevel.class);
        String place = form.raw("place");
        String path = form.raw("path");
        if (facts.plan().flatMap(plan -> plan.place(place)).isEmpty()) {
            form.fault("place", noPlan(facts) ? "The house has no plan yet; draw one at Survey first." : "Choose a place of the plan.");
        }
        if (facts.plan().flatMap(plan -> plan.path(path)).isEmpty()) {
            form.fault("path", noPlan(facts) ? "The house has no plan yet; draw one at Survey first."
                    : "Choose a path of the plan; paths are drawn at Survey.");
        }
        return () -> promises.recordedBefore(householdId, level, place, path);
    }

    private Runnable neverShows(Form form, long householdId, HouseholdFacts facts) {
        String area = form.raw("area");
        if (facts.plan().flatMap((HousePlan plan) -> plan.area(area)).isEmpty()) {
            form.fault("area", noPlan(facts) ? "The house has no plan yet; draw one at Survey first." : "Choose an area of the plan.");
        }
        boolean already = facts.written().stream()
                .anyMatch(promise -> promise instanceof Promise.NeverShows never && never.areaId().equals(area));
        if (already) {
            form.fault("area", "This is promised already.");
        }
        return () -> {
            if (promises.of(householdId).stream()
                    .anyMatch(each -> each instanceof Promise.NeverShows never && never.areaId().equals(area))) {
                throw new Conflict("Somebody else has promised this meanwhile.");
            }
            promises.neverShows(householdId, area);
        };
    }

    /** Asked once more under the household's lock: two may write the same at once. */
    private void unlessPromised(long householdId, Class<? extends Promise> kind) {
        if (promises.of(householdId).stream().anyMatch(kind::isInstance)) {
            throw new Conflict("Somebody else has promised this meanwhile.");
        }
    }

    private static boolean noPlan(HouseholdFacts facts) {
        return facts.plan().isEmpty();
    }

    private static void once(Form form, String field, HouseholdFacts facts, Class<? extends Promise> kind, String sentence) {
        if (facts.written().stream().anyMatch(kind::isInstance)) {
            form.fault(field, sentence);
        }
    }
}
