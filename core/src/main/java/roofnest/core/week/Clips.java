package roofnest.core.week;

import roofnest.core.catalogue.MotionSpec;

/** The clips of one camera, one after another: a clip runs, then the camera rests, then the next thing that counts begins another. */
final class Clips {
    /** A clip that ends early is at least so long, and goes on so long after the last movement, seconds. */
    static final double LEAST_CLIP_S = 5;
    static final double AFTER_MOVEMENT_S = 3;

    private final Watch watch;
    private double fromS = -1;
    private double toS = -1;
    private double restsToS = -1;

    Clips(Watch watch) {
        this.watch = watch;
    }

    double fromS() {
        return fromS;
    }

    double toS() {
        return toS;
    }

    /** Length of the clip that ran last, seconds; 0 before any. */
    double lastS() {
        return toS - fromS;
    }

    /** Something that counts is noticed. @param atS when it came */
    Weeks.Made offer(double atS, Passage.Noticed noticed) {
        double noticedS = atS + noticed.triggerS();
        boolean endsEarly = watch.model().alerts().endsEarly();
        double goesOnS = atS + noticed.lastS() + AFTER_MOVEMENT_S;
        if (noticedS < toS) {
            if (endsEarly) {
                toS = Math.min(fromS + watch.setting().clipSeconds(), Math.max(toS, goesOnS));
                restsToS = toS + watch.setting().coolDownSeconds();
            }
            return Weeks.Made.IN_CLIP;
        }
        return noticedS < restsToS ? Weeks.Made.RESTED : Weeks.Made.RANG;
    }

    /** Begins the clip that was offered. */
    void begin(double atS, Passage.Noticed noticed) {
        MotionSpec motion = watch.model().motion();
        fromS = atS + noticed.triggerS() + motion.wakeSeconds() - motion.prerollSeconds();
        double full = fromS + watch.setting().clipSeconds();
        toS = watch.model().alerts().endsEarly()
                ? Math.min(full, Math.max(fromS + LEAST_CLIP_S, atS + noticed.lastS() + AFTER_MOVEMENT_S)) : full;
        restsToS = toS + watch.setting().coolDownSeconds();
    }
}
