package roofnest.core.judge;

import java.time.Instant;

import roofnest.core.lang.Require;
import roofnest.core.promise.PromiseKey;

/**
 * A test made on site that bears on a promise.
 *
 * @param measured in the unit of the promise's limit
 * @param poseMark of the camera when it was made ({@link Camera#poseMark()})
 */
public record Proof(PromiseKey promise, long cameraId, double measured, String poseMark, Instant at, String by) {
    public Proof {
        Require.finite("measured value", measured);
    }
}
