package roofnest.core.judge;

import roofnest.core.footage.Retention;

/** What a camera's clips come to as it is set. */
final class Retentions {
    private Retentions() {}

    /** What they come to in a bad week, whatever they are kept on. */
    static Retention clips(Camera camera) {
        return Retention.onCard(1, camera.settings().clipsPerDay(), camera.settings().clipSeconds(),
                camera.model().recording().bitrateMbps(), camera.settings().worstWeekShare());
    }
}
