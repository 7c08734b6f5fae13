package roofnest.app.pair;

import java.time.Clock;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicReference;

import org.springframework.stereotype.Service;

import roofnest.app.web.BadInput;
import roofnest.app.web.Conflict;
import roofnest.app.web.Form;
import roofnest.core.catalogue.PairingMethod;
import roofnest.core.pairing.Answer;
import roofnest.core.pairing.RunEvent;
import roofnest.core.pairing.StateBelief;
import roofnest.core.pairing.Step;
import roofnest.standins.Bench;
import roofnest.standins.BenchAct;
import roofnest.standins.Fault;
import roofnest.standins.rehearsal.Contradiction;

/** Everything that is done at a run, the same wherever it takes place. Each step is stored the moment it is taken. */
@Service
class RunDesk {
    private final RunRepository runs;
    private final RunForms forms;
    private final Clock clock;

    RunDesk(RunRepository runs, RunForms forms, Clock clock) {
        this.runs = runs;
        this.forms = forms;
        this.clock = clock;
    }

    /**
     * Stores what was seen, if it is an answer to the step that the run stands at.
     *
     * @return what the bench shows against it, if the run is on one
     */
    Optional<String> answer(RunPort port, String stepId, String answerId) {
        AtomicReference<Optional<String>> against = new AtomicReference<>(Optional.empty());
        port.alone(open -> {
            requireStep(open, stepId);
            Answer answer = open.step().answer(answerId).orElseThrow(() -> new BadInput("That is not one of the answers to this step."));
            against.set(open.bench().flatMap(bench -> Contradiction.of(open.step(), answerId, bench)));
            // A picture is seen only of what is joined: no run ends well on a stand-in that is offline.
            if (against.get().isPresent() && open.script().step(answer.next()).is(Step.Trait.SEEN_LIVE)) {
                throw new Conflict("The bench shows no picture. " + against.get().get());
            }
            return add(open, new RunEvent.Answered(clock.instant(), port.by(), stepId, answerId));
        });
        return against.get();
    }

    void lookAgain(RunPort port, String stepId) {
        port.alone(open -> {
            requireStep(open, stepId);
            return add(open, new RunEvent.LookedAgain(clock.instant(), port.by(), stepId));
        });
    }

    void stillWaiting(RunPort port, String stepId) {
        port.alone(open -> {
            requireStep(open, stepId);
            return add(open, new RunEvent.Waited(clock.instant(), port.by(), stepId));
        });
    }

    /** Takes back what led to a step; what somebody else did meanwhile is not taken back by it. */
    void undo(RunPort port, String stepId) {
        port.alone(open -> {
            requireStep(open, stepId);
            return open.state().canUndo() ? add(open, new RunEvent.Undone(clock.instant(), port.by())) : List.of();
        });
    }

    /** Does on the bench what the step asks hands to do. */
    void handsOn(RunPort port) {
        port.alone(open -> {
            open.bench().flatMap(bench -> open.step().act())
                    .ifPresent(act -> runs.add(open.run().id(), new BenchAct.Hands(notBefore(port, open), act, open.run().way())));
            return List.of();
        });
    }

    /** Winds the bench's clock on to the next change of its light. */
    void skipAhead(RunPort port) {
        port.alone(open -> {
            open.bench().flatMap(Bench::nextChange).ifPresent(
                    next -> runs.add(open.run().id(), new BenchAct.Waited(Math.max(next.atMs(), open.clockMs(now())))));
            return List.of();
        });
    }

    void setFault(RunPort port, Fault fault) {
        port.alone(open -> {
            if (open.bench().isPresent()) {
                runs.add(open.run().id(), new BenchAct.Set(open.clockMs(now()), fault));
            }
            return List.of();
        });
    }

    /** Takes what was typed at the run's step; faults go to their fields and nothing is stored. */
    void fill(RunPort port, String stepId, Form form) {
        port.alone(open -> {
            requireStep(open, stepId);
            Optional<String> note = forms.take(port.subject(open), open.step().form(), form);
            if (note.isEmpty()) {
                return List.of();
            }
            if (open.bench().isPresent() && port.takesMs(open.step()) > 0) {
                runs.add(open.run().id(), new BenchAct.Waited(notBefore(port, open)));
            }
            return add(open, new RunEvent.Filled(clock.instant(), port.by(), stepId, note.get()));
        });
    }

    /** This way is given up for another. @return the run that goes on */
    RunPort changeWay(RunPort port, PairingMethod.Way way) {
        return port.goOnBy(way);
    }

    /** In which state the device is by a light and a voice that are none of the answers. */
    BeliefView seen(RunPort port, StateBelief.Seen seen) {
        Open open = port.open();
        return BeliefView.of(open, now(), seen, port.beside(open));
    }

    private List<RunEvent> add(Open open, RunEvent event) {
        runs.add(open.run().id(), event);
        return List.of(event);
    }

    /** What a tap does at once takes hands their time on site: never sooner than that after the step was reached. */
    private long notBefore(RunPort port, Open open) {
        long takesMs = port.takesMs(open.step());
        long reachedMs = takesMs == 0 ? 0 : open.state().since().map(since -> open.clockMs(since.atOffset(ZoneOffset.UTC))).orElse(0L);
        return Math.max(open.clockMs(now()), reachedMs + takesMs);
    }

    private OffsetDateTime now() {
        return OffsetDateTime.now(clock);
    }

    private static void requireStep(Open open, String stepId) {
        if (!open.step().id().equals(stepId)) {
            throw new Conflict("The run has moved on meanwhile, on another phone or in another window. It now stands at “"
                    + open.step().title() + "”.");
        }
    }
}
