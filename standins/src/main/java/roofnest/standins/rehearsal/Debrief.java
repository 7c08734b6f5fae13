package roofnest.standins.rehearsal;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

import roofnest.core.catalogue.PairingMethod.Way;
import roofnest.core.pairing.Answer;
import roofnest.core.pairing.RunEvent;
import roofnest.core.pairing.RunState;
import roofnest.core.pairing.Script;
import roofnest.core.pairing.Scripts;
import roofnest.core.pairing.Step;
import roofnest.standins.Bench;
import roofnest.standins.BenchAct;

/**
 * What to make of a person's run of one device: each answer held against what the stand-ins showed at that moment.
 *
 * @param taken steps, in order, with their time on the bench's clock
 * @param wrong moves
 * @param minutes it took
 */
public record Debrief(List<Taken> taken, List<Wrong> wrong, double minutes) {
    public Debrief {
        taken = List.copyOf(taken);
        wrong = List.copyOf(wrong);
    }

    /** @param right whether it was answered as it was */
    public record Taken(String title, long fromMs, long toMs, boolean right) {}

    /**
     * An answer that was not what was to be seen.
     *
     * @param told which cue would have told
     * @param lostMinutes until the next right answer
     */
    public record Wrong(String step, String said, String told, double lostMinutes) {}

    /** One way of a device as it was played. @param moments of its events */
    public record Played(Way way, List<Moment> moments) {}

    /** An event at a moment of the bench's clock. */
    public record Moment(long atMs, RunEvent event) {}

    public static Debrief of(Exercise.Part part, List<BenchAct> acts, List<Played> ways) {
        List<Taken> taken = new ArrayList<>();
        List<Wrong> wrong = new ArrayList<>();
        List<Long> wrongAtMs = new ArrayList<>();
        long from = 0;
        for (Played played : ways) {
            Script script = Scripts.of(played.way(), part.setting());
            List<RunEvent> soFar = new ArrayList<>();
            for (Moment moment : played.moments()) {
                Step step = RunState.replay(script, soFar).step();
                Optional<Wrong> slip = slip(part, acts, step, moment);
                boolean right = slip.isEmpty();
                taken.add(new Taken(step.title(), from, moment.atMs(), right));
                if (right && moment.event() instanceof RunEvent.Answered) {
                    close(wrong, wrongAtMs, moment.atMs());
                }
                slip.ifPresent(each -> {
                    wrong.add(each);
                    wrongAtMs.add(moment.atMs());
                });
                soFar.add(moment.event());
                from = moment.atMs();
            }
        }
        close(wrong, wrongAtMs, from);
        return new Debrief(taken, wrong, from / 60_000.0);
    }

    private static Optional<Wrong> slip(Exercise.Part part, List<BenchAct> acts, Step step, Moment moment) {
        if (!(moment.event() instanceof RunEvent.Answered answered) || !answered.stepId().equals(step.id())) {
            return Optional.empty();
        }
        Bench bench = Bench.replay(part.device(), part.place(), acts.stream().filter(act -> act.atMs() <= moment.atMs()).toList(), moment.atMs());
        Optional<Answer> truth = SimulatedInstaller.truth(step, bench);
        String said = step.answer(answered.answerId()).map(Answer::label).orElse(answered.answerId());
        if (truth.isPresent() && truth.get().id().equals(answered.answerId())) {
            return Optional.empty();
        }
        if (truth.isPresent()) {
            String told = truth.get().cue().map(cue -> "The light was " + cue.words().toLowerCase(java.util.Locale.ROOT) + (cue.voice() == null ? "" : ", and it said “" + cue.voice() + "”") + ": " + truth.get().meaning() + ".")
                    .orElse("To be seen was: " + truth.get().label().toLowerCase(java.util.Locale.ROOT) + ".");
            return Optional.of(new Wrong(step.title(), said, told, 0));
        }
        String told = step.act().isPresent() ? "Nothing had been done yet: “" + step.act().get().words().toLowerCase(java.util.Locale.ROOT) + "” comes before the answer."
                : "None of the answers was to be seen; the light was " + bench.deviceCue().words().toLowerCase(java.util.Locale.ROOT) + ".";
        return Optional.of(new Wrong(step.title(), said, told, 0));
    }

    /** Everything between a wrong answer and the next right one is lost by it. */
    private static void close(List<Wrong> wrong, List<Long> atMs, long nowMs) {
        for (int i = 0; i < wrong.size(); i++) {
            if (atMs.get(i) >= 0) {
                Wrong open = wrong.get(i);
                wrong.set(i, new Wrong(open.step(), open.said(), open.told(), (nowMs - atMs.get(i)) / 60_000.0));
                atMs.set(i, -1L);
            }
        }
    }
}
