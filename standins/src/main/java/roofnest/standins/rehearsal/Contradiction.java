package roofnest.standins.rehearsal;

import java.util.Locale;
import java.util.Optional;

import roofnest.core.catalogue.Cue;
import roofnest.core.pairing.Answer;
import roofnest.core.pairing.Step;
import roofnest.standins.Bench;

/** What a bench shows against an answer that was given before it. */
public final class Contradiction {
    private Contradiction() {}

    /** What was to be seen in truth, as one sentence; empty where the answer is right. */
    public static Optional<String> of(Step step, String answerId, Bench bench) {
        Optional<Answer> truth = SimulatedInstaller.truth(step, bench);
        if (truth.isPresent()) {
            return truth.get().id().equals(answerId) ? Optional.empty() : Optional.of(truth.get().cue()
                    .map(cue -> light(cue)
                            + (cue.voice() == null ? "" : ", and it said “" + cue.voice() + "”") + ": " + truth.get().meaning() + ".")
                    .orElse("To be seen was: " + truth.get().label().toLowerCase(Locale.ROOT) + "."));
        }
        return Optional.of(step.act().isPresent()
                ? "Nothing had been done yet: “" + step.act().get().words().toLowerCase(Locale.ROOT) + "” comes before the answer."
                : "None of the answers was to be seen. " + light(bench.deviceCue()) + ".");
    }

    private static String light(Cue cue) {
        return cue.light() == Cue.Light.NONE ? "There was no light" : "The light was " + cue.words().toLowerCase(Locale.ROOT);
    }
}
