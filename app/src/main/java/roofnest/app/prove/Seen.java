package roofnest.app.prove;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;

import roofnest.app.web.Form;
import roofnest.core.access.Access;
import roofnest.core.judge.Judged;
import roofnest.core.lang.Numbers;
import roofnest.core.promise.Light;
import roofnest.core.promise.PromiseKey;
import roofnest.core.promise.Unit;
import roofnest.core.trial.ClockOff;
import roofnest.core.trial.FootageKept;
import roofnest.core.trial.FrostyMorning;
import roofnest.core.trial.PowerCut;
import roofnest.core.trial.Rings;
import roofnest.core.trial.SignalDoubt;

/**
 * What was seen in the test of a real camera. Nothing of it is filled in beforehand.
 *
 * @param seconds to the picture, or to the slowest ring; the days kept, of footage
 * @param timed with what; null where nothing was timed
 * @param light in which a walk was walked
 * @param places for each promise asked about whether the clip showed it
 * @param phones for each person whose phone was tried whether it did what it was to do
 */
public record Seen(boolean passed, OptionalDouble seconds, TrialRepository.Timed timed, OptionalDouble signalDbm,
        Optional<Light> light, Map<PromiseKey, Boolean> places, Map<Long, Boolean> phones, String said) {
    private static final double LEAST_WAIT_S = 0.2;
    private static final double MOST_WAIT_S = 300;

    /** Of what is only seen, with nothing timed and no place asked about. */
    private static Seen only(boolean passed, String said) {
        return new Seen(passed, OptionalDouble.empty(), null, OptionalDouble.empty(), Optional.empty(), Map.of(), Map.of(), said);
    }

    /** The same on these phones too: it passes on every one that was tried, or not at all. */
    private Seen on(Map<Long, Boolean> tried, List<Access.Person> people, String silent) {
        List<String> did = people.stream().filter(person -> Boolean.TRUE.equals(tried.get(person.id()))).map(Access.Person::name).toList();
        List<String> didNot = people.stream().filter(person -> Boolean.FALSE.equals(tried.get(person.id()))).map(Access.Person::name)
                .toList();
        String words = said + (did.isEmpty() ? "" : " On the phone" + (did.size() == 1 ? "" : "s") + " of " + String.join(", ", did) + ".")
                + (didNot.isEmpty() ? "" : " " + silent + " on the phone" + (didNot.size() == 1 ? "" : "s") + " of "
                        + String.join(", ", didNot) + ".");
        return new Seen(passed && didNot.isEmpty(), seconds, timed, signalDbm, light, places, tried, words);
    }

    /** As the page sent it; empty when faults stand at its fields. */
    static Optional<Seen> read(Form form, Trials.Running running) {
        Seen seen = switch (running.trial().kind()) {
            case LIVE_HOME -> live(form, running);
            case LIVE_AWAY -> phones(form, running.phones(), live(form, running), "No picture came");
            case ALERT -> phones(form, running.phones(), rings(form), "Nothing rang");
            case WALK -> walk(form, running.watched());
            case CLOCK -> clock(form);
            case SOUND -> sound(form);
            case SIREN -> siren(form);
            case POWER_CUT -> powerCut(form);
            case PRIVATE -> kept(form, running.watched());
            case FOOTAGE -> footage(form);
            case FROST -> frost(form, running);
        };
        return form.ok() ? Optional.of(seen) : Optional.empty();
    }

    private static Seen live(Form form, Trials.Running running) {
        if (!form.raw("passed").equals("true")) {
            return only(false, "No moving picture came.");
        }
        double seconds = form.decimal("seconds", "how long the picture took", LEAST_WAIT_S, MOST_WAIT_S, "s");
        OptionalDouble signal = OptionalDouble.empty();
        if (!form.raw("signalDbm").isBlank()) {
            double dbm = form.decimal("signalDbm", "the signal that the app shows,", -100, -10, "dBm");
            if (form.ok() && !form.raw("signalSure").equals("true")) {
                SignalDoubt.of(dbm, running.predicted()).ifPresent(question -> form.fault("signalSure", question));
            }
            signal = OptionalDouble.of(dbm);
        }
        if (!form.ok()) {
            return null;
        }
        return new Seen(true, OptionalDouble.of(seconds), timed(form), signal, Optional.empty(), Map.of(), Map.of(),
                "A moving picture after " + Numbers.fixed(seconds, 1) + " s"
                        + (signal.isPresent() ? ", " + Unit.DBM.format(signal.getAsDouble()) + " in the app." : "."));
    }

    private static Seen rings(Form form) {
        List<Double> seconds = new ArrayList<>();
        int silent = 0;
        for (int i = 1; i <= Rings.WANTED; i++) {
            if (form.raw("silent" + i).equals("true")) {
                silent++;
            } else {
                seconds.add(form.decimal("ring" + i, "the seconds of ring " + i + ", or tick that it did not ring,", Rings.LEAST_S,
                        Rings.MOST_S, "s"));
            }
        }
        if (!form.ok()) {
            return null;
        }
        Rings rings = new Rings(seconds, silent);
        return new Seen(rings.passed(), seconds.isEmpty() ? OptionalDouble.empty() : OptionalDouble.of(rings.worstS()), timed(form),
                OptionalDouble.empty(), Optional.empty(), Map.of(), Map.of(), rings.said());
    }

    /** On whose phones it was so; what was timed was timed on one of them. */
    private static Seen phones(Form form, List<Access.Person> people, Seen seen, String silent) {
        Map<Long, Boolean> tried = new HashMap<>();
        for (Access.Person person : people) {
            String said = form.raw(field(person));
            if (said.equals("yes") || said.equals("no")) {
                tried.put(person.id(), said.equals("yes"));
            } else if (!said.equals("untried")) {
                form.fault(field(person), "Say how it was on this phone, or that it was not tried.");
            }
        }
        if (!people.isEmpty() && form.ok()) {
            boolean came = seen.seconds().isPresent();
            String first = field(people.get(0));
            if (tried.isEmpty()) {
                form.fault(first, "Say of at least one phone how it was on it.");
            } else if (came && !tried.containsValue(true)) {
                form.fault(first, "Something was timed, so it came to one of these phones: to which?");
            } else if (!came && tried.containsValue(true)) {
                form.fault(first, "It came to a phone, so there was something to time.");
            }
        }
        return form.ok() ? seen.on(tried, people, silent) : null;
    }

    private static Seen walk(Form form, List<Judged> watched) {
        boolean caught = form.raw("passed").equals("true");
        Light light = form.raw("light").equals("NIGHT") ? Light.NIGHT : Light.DAY;
        if (!form.raw("light").equals(light.name())) {
            form.fault("light", "Say whether it was walked by day or in the dark.");
        }
        Map<PromiseKey, Boolean> places = new HashMap<>();
        for (Judged judged : watched) {
            String field = field(judged);
            String said = form.raw(field);
            if (!caught && said.equals("yes")) {
                form.fault(field, "Without a clip it cannot have been on one.");
            } else if (said.equals("yes") || said.equals("no")) {
                places.put(judged.promise().key(), said.equals("yes"));
            } else if (!said.equals("untried")) {
                form.fault(field, "Say whether the clip showed it, or that nobody walked there.");
            }
        }
        long missed = places.values().stream().filter(seen -> !seen).count();
        return new Seen(caught && missed == 0, OptionalDouble.empty(), null, OptionalDouble.empty(), Optional.of(light), places, Map.of(),
                (light == Light.DAY ? "By day: " : "In the dark: ") + (!caught ? "no clip was recorded." : missed == 0
                        ? "a clip was recorded and played back." : "a clip was played back, and " + missed + " of " + places.size()
                                + (places.size() == 1 ? " place was" : " places were") + " not shown as promised."));
    }

    private static Seen clock(Form form) {
        String said = form.raw("clock");
        if (said.equals("RIGHT")) {
            return only(true, new ClockOff(0).said());
        }
        if (!said.equals("AHEAD") && !said.equals("BEHIND")) {
            form.fault("clock", "Say how the camera’s clock stands to the phone’s.");
            return null;
        }
        double unitS = switch (form.raw("offUnit")) {
            case "min" -> 60;
            case "h" -> 3600;
            case "days" -> 86_400;
            default -> 1;
        };
        double off = form.decimal("off", "by how much", 0, Math.floor(ClockOff.MOST_S / unitS), form.raw("offUnit"));
        if (!form.ok()) {
            return null;
        }
        ClockOff clock = new ClockOff((said.equals("AHEAD") ? 1 : -1) * off * unitS);
        return only(clock.right(), clock.said());
    }

    private static Seen sound(Form form) {
        boolean agreed = yes(form, "agreed", "Say whether sound was agreed upon.");
        boolean heard = yes(form, "heard", "Play a clip in which somebody speaks, and say whether it is heard.");
        return only(agreed == heard, (agreed ? "Sound was agreed" : "No sound was agreed")
                + (heard ? ", and the clip has sound." : ", and the clip has none."));
    }

    private static Seen siren(Form form) {
        if (!form.raw("told").equals("true")) {
            form.fault("told", "Tell everybody within earshot first, next door too; ears are covered, children and animals away.");
        }
        boolean heard = yes(form, "sirenHeard", "Say whether it was heard in every room where somebody sleeps.");
        boolean stopped = yes(form, "stopped", "Say whether it stopped when it was told to.");
        return only(heard && stopped,
                (heard ? "Heard in every room where somebody sleeps" : "Not heard in every room where somebody sleeps")
                        + (stopped ? ", and it stopped when it was told to." : ", and it did not stop when it was told to.")
                        + " Everybody within earshot had been told.");
    }

    private static Seen powerCut(Form form) {
        if (!form.raw("passed").equals("true")) {
            return only(false, "It did not come back by itself.");
        }
        double seconds = form.decimal("seconds", "how long it took until the picture was back", 1, PowerCut.MOST_S, "s");
        boolean right = yes(form, "clockAfter", "Say whether its clock is right again.");
        if (!form.ok()) {
            return null;
        }
        PowerCut cut = new PowerCut(seconds, right);
        return new Seen(cut.passed(), OptionalDouble.of(seconds), timed(form), OptionalDouble.empty(), Optional.empty(), Map.of(),
                Map.of(), cut.said());
    }

    /** The live picture searched for each piece of ground that it is never to show. */
    private static Seen kept(Form form, List<Judged> watched) {
        Map<PromiseKey, Boolean> places = new HashMap<>();
        for (Judged judged : watched) {
            places.put(judged.promise().key(), !yes(form, field(judged), "Say whether any of it is in the picture."));
        }
        long shown = places.values().stream().filter(off -> !off).count();
        return new Seen(shown == 0, OptionalDouble.empty(), null, OptionalDouble.empty(), Optional.empty(), places, Map.of(), shown == 0
                ? "The live picture was searched at its widest: none of it shows." : "Searched at its widest, the live picture shows it.");
    }

    private static Seen footage(Form form) {
        int days = form.whole("oldestDays", "how old the oldest clip is", 0, 3650, "days");
        double used = form.decimal("usedPercent", "how much of the card is used", 0, 100, "%");
        if (form.ok() && days < FootageKept.LEAST_DAYS) {
            form.fault("oldestDays", "A week has its quiet and its loud days: count again when the oldest clip is "
                    + FootageKept.LEAST_DAYS + " days old.");
        }
        if (form.ok() && used < FootageKept.LEAST_PERCENT) {
            form.fault("usedPercent", "A card that is all but empty tells nothing yet.");
        }
        if (!form.ok()) {
            return null;
        }
        FootageKept kept = new FootageKept(days, used);
        return new Seen(true, OptionalDouble.of(kept.days()), null, OptionalDouble.empty(), Optional.empty(), Map.of(), Map.of(),
                kept.said());
    }

    private static Seen frost(Form form, Trials.Running running) {
        boolean alive = yes(form, "alive", "Say whether its picture came on a frosty morning.");
        double percent = form.decimal("percent", "how much charge its app shows", 0, 100, "%");
        if (!form.ok()) {
            return null;
        }
        FrostyMorning morning = new FrostyMorning(alive, percent, running.watched().stream()
                .mapToDouble(judged -> judged.finding().limit().value()).findFirst().orElse(0));
        return only(morning.passed(), morning.said());
    }

    private static boolean yes(Form form, String field, String unsaid) {
        String said = form.raw(field);
        if (!said.equals("yes") && !said.equals("no")) {
            form.fault(field, unsaid);
        }
        return said.equals("yes");
    }

    static String field(Judged judged) {
        return "seen-" + judged.promise().key().value();
    }

    static String field(Access.Person person) {
        return "phone-" + person.id();
    }

    private static TrialRepository.Timed timed(Form form) {
        return form.raw("timed").equals("phone") ? TrialRepository.Timed.BY_PHONE : TrialRepository.Timed.TYPED;
    }
}
