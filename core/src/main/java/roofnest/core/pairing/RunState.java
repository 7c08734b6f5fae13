package roofnest.core.pairing;

import java.time.Instant;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.List;
import java.util.Optional;

/**
 * Where a run is: the fold of its events over its script. The same events give the same state on any machine, so a run
 * that was cut off opens again where it was.
 *
 * @param failures how often this way of joining has failed so far
 * @param since when the present step was reached; empty at the start
 */
public record RunState(Step step, int failures, int stepsDone, Optional<Instant> since, boolean canUndo) {
    /** After so many failures another method is surer than another try. */
    public static final int CHANGE_METHOD_AFTER = 2;

    public static RunState replay(Script script, List<RunEvent> events) {
        Deque<RunEvent> counting = new ArrayDeque<>();
        for (RunEvent event : events) {
            if (event instanceof RunEvent.Undone) {
                counting.pollLast();
            } else {
                counting.addLast(event);
            }
        }
        RunState state = start(script);
        for (RunEvent event : counting) {
            state = state.after(script, event);
        }
        return state;
    }

    /** Before anything has happened. */
    public static RunState start(Script script) {
        return new RunState(script.first(), 0, 0, Optional.empty(), false);
    }

    public boolean finished() {
        return step.id().equals(Script.DONE);
    }

    /** Whether trying the same way again is no longer the surest move. */
    public boolean changeMethod() {
        return failures >= CHANGE_METHOD_AFTER && !finished();
    }

    /** After one more event that is no undo; an event of another step than this changes nothing. */
    public RunState after(Script script, RunEvent event) {
        if (event instanceof RunEvent.Answered answered && answered.stepId().equals(step.id())) {
            return step.answer(answered.answerId())
                    .map(answer -> moved(script.step(answer.next()), answer.failure() ? 1 : 0, event))
                    .orElse(this);
        }
        if (event instanceof RunEvent.Filled filled && filled.stepId().equals(step.id()) && step.form() != Step.Form.NONE) {
            return moved(script.afterForm(step), 0, event);
        }
        if (event instanceof RunEvent.LookedAgain looked && looked.stepId().equals(step.id()) && script.lookAgain().isPresent()) {
            return moved(script.step(script.lookAgain().get()), 0, event);
        }
        return new RunState(step, failures, stepsDone, since, true);
    }

    private RunState moved(Step next, int failed, RunEvent event) {
        return new RunState(next, failures + failed, stepsDone + 1, Optional.of(event.at()), true);
    }
}
