package roofnest.app.brief;

import java.util.List;
import java.util.Map;

import org.springframework.stereotype.Component;

import roofnest.app.records.PromiseRepository;
import roofnest.app.web.Conflict;
import roofnest.app.web.Form;
import roofnest.core.judge.HouseholdFacts;
import roofnest.core.lang.Numbers;
import roofnest.core.plan.HousePlan;
import roofnest.core.plan.Place;
import roofnest.core.promise.DetailLevel;
import roofnest.core.promise.Light;
import roofnest.core.promise.Promise;
import roofnest.core.promise.PromiseKey;
import roofnest.core.week.SourceKind;

/** Reads the sentence builder: which kind of promise, and the words that belong to it. */
@Component
class PromiseSentence {
    enum Kind {
        MAKE_OUT, RECORDED_BEFORE, KEEPS_DAYS, SURVIVES_THEFT, NEVER_SHOWS, ONLY_THESE, ALERT_WITHIN, LIVE_AWAY, TELLS_OF, RINGS_AT_MOST,
        SILENT_ABOUT,
        NEVER_RINGS
    }

    private final PromiseRepository promises;

    PromiseSentence(PromiseRepository promises) {
        this.promises = promises;
    }

    /**
     * What writes the promise down; does nothing useful while the form has faults.
     *
     * @param instead the promise that it takes the place of; 0 for none
     */
    Runnable read(Form form, long householdId, HouseholdFacts facts, long instead) {
        List<Promise> others = facts.written().stream().filter(each -> !each.key().equals(PromiseKey.written(instead))).toList();
        return switch (form.choice("kind", "what is promised", Kind.class)) {
            case MAKE_OUT -> makeOut(form, householdId, facts);
            case RECORDED_BEFORE -> recordedBefore(form, householdId, facts);
            case KEEPS_DAYS -> {
                int days = form.whole("days", "how many days are kept,", 1, 365, "days");
                once(form, "days", others, Promise.KeepsDays.class,
                        "How long footage is kept is promised already. Take that promise out first.");
                yield () -> {
                    unlessPromised(householdId, Promise.KeepsDays.class);
                    promises.keepsDays(householdId, days);
                };
            }
            case NEVER_SHOWS -> neverShows(form, householdId, facts, others);
            case ONLY_THESE -> {
                once(form, "kind", others, Promise.OnlyThese.class, "This is promised already.");
                yield () -> {
                    unlessPromised(householdId, Promise.OnlyThese.class);
                    promises.onlyThese(householdId);
                };
            }
            case SURVIVES_THEFT -> {
                double seconds = form.decimal("seconds", "how many of the last seconds may be gone,", 1, 120, "s");
                once(form, "seconds", others, Promise.SurvivesTheft.class,
                        "What survives a theft is promised already. Take that promise out first.");
                yield () -> {
                    unlessPromised(householdId, Promise.SurvivesTheft.class);
                    promises.survivesTheft(householdId, seconds);
                };
            }
            case ALERT_WITHIN -> {
                double seconds = form.decimal("seconds", "how soon the phone must ring,", 1, 120, "s");
                once(form, "seconds", others, Promise.AlertWithin.class,
                        "How soon the phone rings is promised already. Take that promise out first.");
                yield () -> {
                    unlessPromised(householdId, Promise.AlertWithin.class);
                    promises.alertWithin(householdId, seconds);
                };
            }
            case TELLS_OF -> {
                int inHundred = form.whole("inHundred", "of how many in a hundred it tells,", 1, 100, "in 100");
                String place = place(form, facts);
                yield () -> promises.tellsOf(householdId, place, inHundred);
            }
            case RINGS_AT_MOST -> {
                int aDay = form.whole("aDay", "how often a day it may ring,", 1, 1000, "times");
                once(form, "aDay", others, Promise.RingsAtMost.class,
                        "How often it rings is promised already. Take that promise out first.");
                yield () -> {
                    unlessPromised(householdId, Promise.RingsAtMost.class);
                    promises.ringsAtMost(householdId, aDay);
                };
            }
            case SILENT_ABOUT -> {
                SourceKind source = form.choice("source", "what it is silent about", SourceKind.class);
                if (others.stream().anyMatch(each -> isSilentAbout(each, source))) {
                    form.fault("source", "This is promised already.");
                }
                yield () -> {
                    if (promises.of(householdId).stream().anyMatch(each -> isSilentAbout(each, source))) {
                        throw new Conflict("Somebody else has promised this meanwhile.");
                    }
                    promises.silentAbout(householdId, source);
                };
            }
            case NEVER_RINGS -> neverRings(form, householdId, others);
            case LIVE_AWAY -> {
                double seconds = form.decimal("seconds", "how soon the picture must come,", 1, 120, "s");
                once(form, "seconds", others, Promise.LiveAway.class,
                        "How soon a picture comes away from home is promised already. Take that promise out first.");
                yield () -> {
                    unlessPromised(householdId, Promise.LiveAway.class);
                    promises.liveAway(householdId, seconds);
                };
            }
        };
    }

    private static boolean isSilentAbout(Promise promise, SourceKind source) {
        return promise instanceof Promise.SilentAbout silent && silent.source().equals(source.name());
    }

    private Runnable neverRings(Form form, long householdId, List<Promise> others) {
        int from = form.whole("fromHour", "from which hour it is silent,", 0, 23, "h");
        int to = form.whole("toHour", "to which hour it is silent,", 0, 23, "h");
        if (form.ok() && from == to) {
            form.fault("toHour", "Silent hours begin and end at different hours.");
        }
        once(form, "fromHour", others, Promise.NeverRings.class, "Silent hours are promised already. Take that promise out first.");
        return () -> {
            unlessPromised(householdId, Promise.NeverRings.class);
            promises.neverRings(householdId, from, to);
        };
    }

    private Runnable makeOut(Form form, long householdId, HouseholdFacts facts) {
        DetailLevel level = form.choice("level", "what must be made out", DetailLevel.class);
        Light light = form.choice("light", "when", Light.class);
        String place = place(form, facts);
        return () -> promises.makeOut(householdId, level, place, light);
    }

    private Runnable recordedBefore(Form form, long householdId, HouseholdFacts facts) {
        DetailLevel level = form.choice("level", "what must be made out", DetailLevel.class);
        Light light = form.choice("light", "when", Light.class);
        String place = place(form, facts);
        String path = form.raw("path");
        if (facts.plan().flatMap(plan -> plan.path(path)).isEmpty()) {
            form.fault("path", noPlan(facts) ? "The house has no plan yet; draw one at Survey first."
                    : "Choose a path of the plan; paths are drawn at Survey.");
        }
        return () -> promises.recordedBefore(householdId, level, place, path, light);
    }

    /** A place of the plan, or the name of one that the plan is to show. */
    private static String place(Form form, HouseholdFacts facts) {
        String chosen = form.raw("place");
        if (chosen.isEmpty()) {
            String name = form.text("placeName", "which place, or choose one of the plan", 50);
            return facts.plan().flatMap(plan -> plan.place(Place.wished(name))).map(Place::id).orElse(Place.wished(name));
        }
        if (Place.wishedName(chosen).isEmpty() && facts.plan().flatMap(plan -> plan.place(chosen)).isEmpty()) {
            form.fault("place", noPlan(facts) ? "The house has no plan yet; say in words which place." : "Choose a place of the plan.");
        }
        return chosen;
    }

    /** A promise as the form says it. */
    static Map<String, String> values(Promise promise) {
        if (promise instanceof Promise.MakeOut out) {
            return Map.of("kind", "MAKE_OUT", "level", out.level().name(), "light", out.light().name(), "place", chosen(out.placeId()),
                    "placeName", Place.wishedName(out.placeId()).orElse(""));
        } else if (promise instanceof Promise.RecordedBefore before) {
            return Map.of("kind", "RECORDED_BEFORE", "level", before.level().name(), "light", before.light().name(), "path",
                    before.pathId(), "place",
                    chosen(before.placeId()), "placeName", Place.wishedName(before.placeId()).orElse(""));
        } else if (promise instanceof Promise.NeverShows never) {
            return Map.of("kind", "NEVER_SHOWS", "area", never.areaId());
        } else if (promise instanceof Promise.KeepsDays keeps) {
            return Map.of("kind", "KEEPS_DAYS", "days", String.valueOf(keeps.days()));
        } else if (promise instanceof Promise.SurvivesTheft theft) {
            return Map.of("kind", "SURVIVES_THEFT", "seconds", Numbers.plain(theft.seconds()));
        } else if (promise instanceof Promise.AlertWithin alert) {
            return Map.of("kind", "ALERT_WITHIN", "seconds", Numbers.plain(alert.seconds()));
        } else if (promise instanceof Promise.LiveAway away) {
            return Map.of("kind", "LIVE_AWAY", "seconds", Numbers.plain(away.seconds()));
        }
        return ofAWeek(promise);
    }

    private static Map<String, String> ofAWeek(Promise promise) {
        if (promise instanceof Promise.TellsOf tells) {
            return Map.of("kind", "TELLS_OF", "inHundred", String.valueOf(tells.inHundred()), "place", chosen(tells.placeId()), "placeName",
                    Place.wishedName(tells.placeId()).orElse(""));
        } else if (promise instanceof Promise.RingsAtMost rings) {
            return Map.of("kind", "RINGS_AT_MOST", "aDay", String.valueOf(rings.aDay()));
        } else if (promise instanceof Promise.SilentAbout silent) {
            return Map.of("kind", "SILENT_ABOUT", "source", silent.source());
        } else if (promise instanceof Promise.NeverRings never) {
            return Map.of("kind", "NEVER_RINGS", "fromHour", String.valueOf(never.fromHour()), "toHour", String.valueOf(never.toHour()));
        }
        return Map.of("kind", "ONLY_THESE");
    }

    private static String chosen(String placeId) {
        return Place.wishedName(placeId).isPresent() ? "" : placeId;
    }

    private Runnable neverShows(Form form, long householdId, HouseholdFacts facts, List<Promise> others) {
        String area = form.raw("area");
        if (facts.plan().flatMap((HousePlan plan) -> plan.area(area)).isEmpty()) {
            form.fault("area", noPlan(facts) ? "The house has no plan yet; draw one at Survey first." : "Choose an area of the plan.");
        }
        boolean already = others.stream()
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

    private static void once(Form form, String field, List<Promise> others, Class<? extends Promise> kind, String sentence) {
        if (others.stream().anyMatch(kind::isInstance)) {
            form.fault(field, sentence);
        }
    }
}
