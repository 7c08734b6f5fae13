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
     * @param lostMinutes by it
     */
    public record Wrong(String step, String said, String told, double lostMinutes) {}

    /** One way of a device as it was played. @param moments of its events */
    public record Played(Way way, List<Moment> moments) {}

    /** An event at a moment of the bench's clock. */
    public record Moment(long atMs, RunEvent event) {}

    public static Debrief of(Exercise.Part part, List<BenchAct> acts, List<Played> ways) {
        List<Taken> taken = new ArrayList<>();
        List<Wrong> wrong = new ArrayList<>();
        long from = 0;
        for (Played played : ways) {
            List<String> stepIds = new ArrayList<>();
            List<Slip> slips = new ArrayList<>();
            Script script = Scripts.of(played.way(), part.setting());
            RunState state = RunState.start(script);
            List<RunEvent> soFar = new ArrayList<>();
            for (Moment moment : played.moments()) {
                Step step = state.step();
                stepIds.add(step.id());
                Optional<Slip> slip = slip(part, acts, step, moment);
                taken.add(new Taken(step.title(), from, moment.atMs(), slip.isEmpty()));
                slips.add(slip.orElse(null));
                soFar.add(moment.event());
                state = RunState.replay(script, soFar);
                from = moment.atMs();
            }
            for (int k = 0; k < slips.size(); k++) {
                if (slips.get(k) != null) {
                    Slip slip = slips.get(k);
                    wrong.add(new Wrong(slip.step(), slip.said(), slip.told(), lostMinutes(played.moments(), stepIds, slips, k)));
                }
            }
        }
        return new Debrief(taken, wrong, from / 60_000.0);
    }

    /** Lost is what passes until the run stands where the right answer would have led; if it never does, until the next right answer. */
    private static double lostMinutes(List<Moment> moments, List<String> stepIds, List<Slip> slips, int at) {
        long wrongMs = moments.get(at).atMs();
        for (int k = at + 1; k < stepIds.size(); k++) {
            if (slips.get(at).rightNext().filter(stepIds.get(k)::equals).isPresent()) {
                return (moments.get(k - 1).atMs() - wrongMs) / 60_000.0;
            }
        }
        for (int k = at + 1; k < moments.size(); k++) {
            if (slips.get(k) == null && moments.get(k).event() instanceof RunEvent.Answered) {
                return (moments.get(k).atMs() - wrongMs) / 60_000.0;
            }
        }
        return (moments.get(moments.size() - 1).atMs() - wrongMs) / 60_000.0;
    }

    /** @param rightNext step that the right answer would have led to; empty when none was to be seen */
    private record Slip(String step, String said, String told, Optional<String> rightNext) {}

    private static Optional<Slip> slip(Exercise.Part part, List<BenchAct> acts, Step step, Moment moment) {
        if (!(moment.event() instanceof RunEvent.Answered answered) || !answered.stepId().equals(step.id())) {
            return Optional.empty();
        }
        Bench bench = Bench.replay(part.device(), part.place(), acts.stream().filter(act -> act.atMs() <= moment.atMs()).toList(),
                moment.atMs());
        String said = step.answer(answered.answerId()).map(Answer::label).orElse(answered.answerId());
        return Contradiction.of(step, answered.answerId(), bench).map(
                told -> new Slip(step.title(), said, told, SimulatedInstaller.truth(step, bench).map(Answer::next)));
    }
}
