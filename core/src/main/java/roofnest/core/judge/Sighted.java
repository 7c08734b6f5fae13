package roofnest.core.judge;

import java.util.Optional;

import roofnest.core.promise.Finding;

/** A finding together with the camera it is about, where it is about one. */
record Sighted(Finding finding, Optional<Long> cameraId) {
    static Sighted of(Finding finding, Camera camera) {
        return new Sighted(finding, Optional.of(camera.id()));
    }

    static Sighted ofNone(Finding finding) {
        return new Sighted(finding, Optional.empty());
    }
}
