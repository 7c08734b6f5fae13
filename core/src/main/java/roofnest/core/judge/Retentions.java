package roofnest.core.judge;

import roofnest.core.footage.Retention;

/** How long a camera keeps its footage as it is set. */
final class Retentions {
    private Retentions() {}

    /** It must have a card. */
    static Retention of(Camera camera) {
        return Retention.onCard(camera.settings().cardGb(), camera.settings().clipsPerDay(), camera.settings().clipSeconds(),
                camera.model().recording().bitrateMbps());
    }
}
