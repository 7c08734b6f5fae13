package roofnest.core.pairing;

import java.time.Instant;

/**
 * One thing that happened in a run, in the order stored. Nothing is ever taken out: an undo is an event too.
 *
 * @param by who did it
 */
public sealed interface RunEvent {
    Instant at();

    String by();

    /** What was seen. */
    record Answered(Instant at, String by, String stepId, String answerId) implements RunEvent {}

    /** Something was typed and accepted; secrets are named, never held. */
    record Filled(Instant at, String by, String stepId, String note) implements RunEvent {}

    /** "That is not what I see." */
    record LookedAgain(Instant at, String by, String stepId) implements RunEvent {}

    /** "Still waiting", noted with its time. */
    record Waited(Instant at, String by, String stepId) implements RunEvent {}

    /** The newest event that is not itself undone no longer counts. */
    record Undone(Instant at, String by) implements RunEvent {}
}
