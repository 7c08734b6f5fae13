package roofnest.core.judge;

import roofnest.core.footage.Retention;

/** What a camera's clips come to as it is set. */
final class Retentions {
    private Retentions() {}

    /** On its own card, which it must have. */
    static Retention of(Camera camera) {
        return on(camera, camera.settings().cardGb());
    }

    /** What they come to in a bad week, whatever they are kept on. */
    static Retention clips(Camera camera) {
        return on(camera, 1);
    }

    private static Retention on(Camera camera, int gb) {
        return Retention.onCard(gb, camera.settings().clipsPerDay(), camera.settings().clipSeconds(),
                camera.model().recording().bitrateMbps(), camera.settings().worstWeekShare());
    }
}
