package roofnest.app.prove;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;

import roofnest.app.web.Form;
import roofnest.core.judge.Judged;
import roofnest.core.lang.Numbers;
import roofnest.core.promise.Light;
import roofnest.core.promise.PromiseKey;
import roofnest.core.promise.Unit;
import roofnest.core.radio.LinkBudget;
import roofnest.core.trial.FootageKept;
import roofnest.core.trial.Rings;
import roofnest.core.trial.SignalDoubt;

/**
 * What was seen in the test of a real camera. Nothing of it is filled in beforehand.
 *
 * @param seconds to the picture, or to the slowest ring; the days kept, of footage
 * @param timed with what; null where nothing was timed
 * @param light in which a walk was walked
 * @param places for each promise asked about whether the clip showed it
 */
public record Seen(boolean passed, OptionalDouble seconds, TrialRepository.Timed timed, OptionalDouble signalDbm,
        Optional<Light> light, Map<PromiseKey, Boolean> places, String said) {
    private static final double LEAST_WAIT_S = 0.2;
    private static final double MOST_WAIT_S = 300;

    /** As the page sent it; empty when faults stand at its fields. */
    static Optional<Seen> read(Form form, TrialRepository.Kind kind, List<Judged> watched, Optional<LinkBudget> predicted) {
        Seen seen = switch (kind) {
            case LIVE_HOME, LIVE_AWAY -> live(form, predicted);
            case ALERT -> rings(form);
            case WALK -> walk(form, watched);
            case PRIVATE -> kept(form, watched);
            case FOOTAGE -> footage(form);
        };
        return form.ok() ? Optional.of(seen) : Optional.empty();
    }

    private static Seen live(Form form, Optional<LinkBudget> predicted) {
        if (!form.raw("passed").equals("true")) {
            return new Seen(false, OptionalDouble.empty(), null, OptionalDouble.empty(), Optional.empty(), Map.of(),
                    "No moving picture came.");
        }
        double seconds = form.decimal("seconds", "how long the picture took", LEAST_WAIT_S, MOST_WAIT_S, "s");
        OptionalDouble signal = OptionalDouble.empty();
        if (!form.raw("signalDbm").isBlank()) {
            double dbm = form.decimal("signalDbm", "the signal that the app shows,", -100, -10, "dBm");
            if (form.ok() && !form.raw("signalSure").equals("true")) {
                SignalDoubt.of(dbm, predicted).ifPresent(question -> form.fault("signalSure", question));
            }
            signal = OptionalDouble.of(dbm);
        }
        if (!form.ok()) {
            return null;
        }
        return new Seen(true, OptionalDouble.of(seconds), timed(form), signal, Optional.empty(), Map.of(), "A moving picture after "
                + Numbers.fixed(seconds, 1) + " s, the clock right"
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
                        Rings.MOST_S,
                        "s"));
            }
        }
        if (!form.ok()) {
            return null;
        }
        Rings rings = new Rings(seconds, silent);
        return new Seen(rings.passed(), seconds.isEmpty() ? OptionalDouble.empty() : OptionalDouble.of(rings.worstS()), timed(form),
                OptionalDouble.empty(), Optional.empty(), Map.of(), rings.said());
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
        return new Seen(caught && missed == 0, OptionalDouble.empty(), null, OptionalDouble.empty(), Optional.of(light), places,
                (light == Light.DAY ? "By day: " : "In the dark: ") + (!caught ? "no clip was recorded." : missed == 0
                        ? "a clip was recorded and played back." : "a clip was played back, and " + missed + " of " + places.size()
                                + (places.size() == 1 ? " place was" : " places were") + " not shown as promised."));
    }

    /** The live picture searched for each piece of ground that it is never to show. */
    private static Seen kept(Form form, List<Judged> watched) {
        Map<PromiseKey, Boolean> places = new HashMap<>();
        for (Judged judged : watched) {
            String said = form.raw(field(judged));
            if (said.equals("yes") || said.equals("no")) {
                places.put(judged.promise().key(), said.equals("no"));
            } else {
                form.fault(field(judged), "Say whether any of it is in the picture.");
            }
        }
        long shown = places.values().stream().filter(off -> !off).count();
        return new Seen(shown == 0, OptionalDouble.empty(), null, OptionalDouble.empty(), Optional.empty(), places, shown == 0
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
        return new Seen(true, OptionalDouble.of(kept.days()), null, OptionalDouble.empty(), Optional.empty(), Map.of(), kept.said());
    }

    static String field(Judged judged) {
        return "seen-" + judged.promise().key().value();
    }

    private static TrialRepository.Timed timed(Form form) {
        return form.raw("timed").equals("phone") ? TrialRepository.Timed.BY_PHONE : TrialRepository.Timed.TYPED;
    }
}
