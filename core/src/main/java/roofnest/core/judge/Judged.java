package roofnest.core.judge;

import java.util.Optional;

import roofnest.core.promise.Finding;
import roofnest.core.promise.Promise;

/**
 * A promise, in words, with how it stands.
 *
 * @param cameraId the camera that the finding is about, where it is about one
 */
public record Judged(Promise promise, String wording, Finding finding, Optional<Long> cameraId) {}
