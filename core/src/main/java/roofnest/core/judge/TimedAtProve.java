package roofnest.core.judge;

import roofnest.core.promise.Finding;
import roofnest.core.promise.Limit;
import roofnest.core.promise.PromiseKey;
import roofnest.core.promise.Unit;

/** What no plan foretells: how long something takes is timed on the phones of the house, each on its own. */
final class TimedAtProve {
    static final double TOLERANCE_SHARE = 0.15;

    private TimedAtProve() {}

    /** @param how it is timed, a sentence */
    static Sighted within(double seconds, PromiseKey key, String how) {
        return Sighted.ofNone(Finding.untried(key, Limit.atMost(seconds, seconds * TOLERANCE_SHARE, Unit.SECONDS), how));
    }
}
