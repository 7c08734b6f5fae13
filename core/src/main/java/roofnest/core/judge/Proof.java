package roofnest.core.judge;

import java.time.Instant;
import java.util.Map;
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
 * @param mark of all that it rests on, as it was when it was made
 * @param phones for each person whose phone was tried, by the person's number, whether it did what was promised; empty where one phone
 *     stands for all
 */
public record Proof(PromiseKey promise, long cameraId, boolean passed, OptionalDouble measured, Optional<Light> light, String said,
        ProofMark mark, Instant at, String by, Map<Long, Boolean> phones) {
    /** Where one phone stands for all. */
    public Proof(PromiseKey promise, long cameraId, boolean passed, OptionalDouble measured, Optional<Light> light, String said,
            ProofMark mark, Instant at, String by) {
        this(promise, cameraId, passed, measured, light, said, mark, at, by, Map.of());
    }

    /** Characters of what was seen. */
    public static final int MOST_SAID = 400;

    public Proof {
        measured.ifPresent(value -> Require.finite("measured value", value));
        if (light.filter(Light.BOTH::equals).isPresent()) {
            throw new IllegalArgumentException("nothing is tried by day and in the dark at once");
        }
        said = Require.text("what was seen", said, MOST_SAID);
        phones = Map.copyOf(phones);
        if (passed && phones.containsValue(false)) {
            throw new IllegalArgumentException("a test passes on every phone or not at all");
        }
    }
}
