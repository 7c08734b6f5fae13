package roofnest.app.documents;

import java.time.LocalDate;

import roofnest.app.web.Language;
import roofnest.app.web.PromiseLine;
import roofnest.app.web.Words;
import roofnest.core.judge.HouseholdFacts;
import roofnest.core.judge.Judged;
import roofnest.core.plan.Area;
import roofnest.core.plan.Place;
import roofnest.core.plan.Walk;
import roofnest.core.promise.Evidence;
import roofnest.core.promise.Finding;
import roofnest.core.promise.Limit;
import roofnest.core.promise.Light;
import roofnest.core.promise.Promise;
import roofnest.core.promise.Standing;
import roofnest.core.promise.Unit;

/**
 * The words of the pack in the household's language. Names of places, cameras and people are the household's own. Reasons and what was
 * said of tests are in English, the language of the work; in other languages the pack leaves them out rather than mixing two.
 */
record PackWords(Words words, Language language) {
    boolean english() {
        return language == Language.ENGLISH;
    }

    String say(String key, Object... args) {
        return words.say(language, "pack." + key, args);
    }

    String day(LocalDate day) {
        return language.day(day);
    }

    String number(double value, int decimals) {
        return language.number(value, decimals);
    }

    /** As short as it can be said: 8, 8.5. */
    String plain(double value) {
        return number(value, value == Math.rint(value) ? 0 : 1);
    }

    /** A promise as the household would say it. */
    String promise(Judged judged, HouseholdFacts facts) {
        if (english()) {
            return judged.wording();
        }
        Promise promise = judged.promise();
        if (promise instanceof Promise.MakeOut out) {
            return say("out." + out.level().name(), place(out.placeId(), facts), light(out.light()));
        } else if (promise instanceof Promise.RecordedBefore before) {
            return say("before", place(before.placeId(), facts), path(before.pathId(), facts), light(before.light()));
        } else if (promise instanceof Promise.KeepsDays keeps) {
            return say("keeps-promise", keeps.days());
        } else if (promise instanceof Promise.SurvivesTheft theft) {
            return say("theft-promise", plain(theft.seconds()));
        } else if (promise instanceof Promise.NeverShows never) {
            return say("never", facts.plan().flatMap(plan -> plan.area(never.areaId())).map(Area::name).orElse(never.areaId()));
        } else if (promise instanceof Promise.AlertWithin alert) {
            return say("alert", plain(alert.seconds()));
        } else if (promise instanceof Promise.LiveAway away) {
            return say("away", plain(away.seconds()));
        }
        return ofAWeek(promise, facts);
    }

    private String ofAWeek(Promise promise, HouseholdFacts facts) {
        if (promise instanceof Promise.TellsOf tells) {
            return say("week-tells", tells.inHundred(), place(tells.placeId(), facts));
        } else if (promise instanceof Promise.RingsAtMost rings) {
            return say("week-rings", rings.aDay());
        } else if (promise instanceof Promise.SilentAbout silent) {
            return say("week-silent", say("source." + silent.source()));
        } else if (promise instanceof Promise.NeverRings never) {
            return say("week-never-rings", never.fromHour(), never.toHour());
        }
        return say(fixed(promise));
    }

    private static String fixed(Promise promise) {
        if (promise instanceof Promise.OnlyThese) {
            return "only";
        } else if (promise instanceof Promise.HoldsLink) {
            return "link";
        } else if (promise instanceof Promise.Joins) {
            return "joins";
        } else if (promise instanceof Promise.OwnPassword) {
            return "password";
        } else if (promise instanceof Promise.ClearLens) {
            return "clear";
        } else if (promise instanceof Promise.OutOfReach) {
            return "reach";
        } else if (promise instanceof Promise.BatteryLasts) {
            return "battery";
        } else if (promise instanceof Promise.ReachedSafely) {
            return "safe";
        } else if (promise instanceof Promise.LeadCarries) {
            return "lead";
        }
        throw new IllegalStateException("no words for " + promise.getClass().getSimpleName());
    }

    private String light(Light light) {
        return say("light." + light.name());
    }

    private static String place(String id, HouseholdFacts facts) {
        return facts.plan().flatMap(plan -> plan.place(id)).map(Place::name).or(() -> Place.wishedName(id)).orElse(id);
    }

    private static String path(String id, HouseholdFacts facts) {
        return facts.plan().flatMap(plan -> plan.path(id)).map(Walk::name).orElse(id);
    }

    String standing(Finding finding) {
        return say("standing." + finding.standing().name().toLowerCase(java.util.Locale.ROOT));
    }

    String measured(Finding finding, PromiseLine line) {
        if (english()) {
            return line.measured();
        }
        if (finding.measured().isEmpty()) {
            return say("standing.untried");
        }
        double measured = finding.measured().getAsDouble();
        return isCount(finding.limit().unit()) ? say(measured == 0 ? "yes" : "no") : unit(finding.limit().unit(), measured);
    }

    String limit(Finding finding) {
        Limit limit = finding.limit();
        if (english()) {
            return limit.toString();
        }
        if (isCount(limit.unit())) {
            return say("nothing-against");
        }
        return say(limit.sense() == Limit.Sense.AT_LEAST ? "at-least" : "at-most", unit(limit.unit(), limit.value()));
    }

    /** What is there or not, and reads better as yes or no. */
    private static boolean isCount(Unit unit) {
        return unit == Unit.FAULTS || unit == Unit.IN_THE_WAY;
    }

    private String unit(Unit unit, double value) {
        String number = number(value, unit.decimals());
        return unit == Unit.DAYS ? say("days", number) : unit == Unit.DEGREES ? number + unit.symbol() : number + " " + unit.symbol();
    }

    String evidence(Judged judged) {
        Finding finding = judged.finding();
        if (finding.standing() == Standing.UNTRIED) {
            return say("evidence.NOTHING");
        }
        if (judged.promise() instanceof Promise.OnlyThese && finding.evidence() == Evidence.PREDICTED) {
            return say("evidence.PEOPLE");
        }
        return say("evidence." + (finding.evidence() == Evidence.PROVED && finding.standing() == Standing.BROKEN ? "FOUND"
                : finding.evidence().name()));
    }

    /** "11 kept · 0 thin · 0 broken · 0 not tried". */
    String counts(Iterable<Judged> promises) {
        int[] of = new int[Standing.values().length];
        promises.forEach(judged -> of[judged.finding().standing().ordinal()]++);
        return say("counts", of[Standing.KEPT.ordinal()], of[Standing.THIN.ordinal()], of[Standing.BROKEN.ordinal()],
                of[Standing.UNTRIED.ordinal()]);
    }
}
