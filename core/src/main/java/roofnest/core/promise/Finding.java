package roofnest.core.promise;

import java.util.List;
import java.util.OptionalDouble;

import roofnest.core.lang.Require;

/**
 * What every rule returns: how one promise stands, by how much, how sure that is, why, and the cheapest remedies.
 *
 * @param measured the value found, in the limit's unit; empty exactly when the standing is untried
 * @param reason one line that a householder could be read
 * @param remedies cheapest first
 */
public record Finding(
        PromiseKey promise, OptionalDouble measured, Limit limit, Evidence evidence, Standing standing,
        String reason, List<Remedy> remedies) {
    /** Letters that a reason has at most. */
    public static final int LONGEST_REASON = 400;

    public Finding {
        reason = Require.text("reason", reason, LONGEST_REASON);
        remedies = List.copyOf(remedies);
        if (measured.isEmpty() != (standing == Standing.UNTRIED)) {
            throw new IllegalArgumentException("a finding is untried exactly when nothing was measured");
        }
        measured.ifPresent(value -> Require.finite("measured value", value));
    }

    /** Judges {@code measured} against {@code limit}. */
    public static Finding of(
            PromiseKey promise, double measured, Limit limit, Evidence evidence, String reason, List<Remedy> remedies) {
        return new Finding(promise, OptionalDouble.of(measured), limit, evidence, limit.standing(measured), reason, remedies);
    }

    public static Finding untried(PromiseKey promise, Limit limit, String reason) {
        return new Finding(promise, OptionalDouble.empty(), limit, Evidence.PREDICTED, Standing.UNTRIED, reason, List.of());
    }

    /** How far the value is on the good side of its limit, in the limit's unit; negative when broken. */
    public OptionalDouble margin() {
        return measured.isPresent() ? OptionalDouble.of(limit.margin(measured.getAsDouble())) : OptionalDouble.empty();
    }

    /** The measured value with its unit, or the words "not tried". */
    public String measuredText() {
        return measured.isPresent() ? limit.unit().format(measured.getAsDouble()) : Standing.UNTRIED.word();
    }
}
