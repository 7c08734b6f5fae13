package roofnest.core.judge;

import java.time.Instant;
import java.util.Optional;
import java.util.OptionalDouble;

import roofnest.core.lang.Require;
import roofnest.core.promise.Light;
import roofnest.core.promise.PromiseKey;

/**
 * A test of a real camera, made on site, that bears on a promise. What was tried on stand-ins never makes one.
 *
 * @param passed whether what was promised was seen to happen; a test that failed breaks its promise, whatever was predicted
 * @param measured in the unit of the promise's limit; empty where a test only says yes or no
 * @param light in which it was tried, by day or in the dark; empty where light is no matter
 * @param said what was seen, as one sentence
 * @param mark of the camera when it was made ({@link Camera#proofMark})
 */
public record Proof(PromiseKey promise, long cameraId, boolean passed, OptionalDouble measured, Optional<Light> light, String said,
        String mark, Instant at,
        String by) {
    public Proof {
        measured.ifPresent(value -> Require.finite("measured value", value));
        if (light.filter(Light.BOTH::equals).isPresent()) {
            throw new IllegalArgumentException("nothing is tried by day and in the dark at once");
        }
        said = Require.text("what was seen", said, 200);
    }
}
