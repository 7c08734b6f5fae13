package roofnest.core.judge;

import roofnest.core.lang.Numbers;
import roofnest.core.promise.Finding;
import roofnest.core.promise.Limit;
import roofnest.core.promise.Promise;
import roofnest.core.promise.Unit;

/** Nothing foretells it: it is timed at Prove. */
final class LiveAwayRule implements PromiseRule<Promise.LiveAway> {
    static final double LIVE_TOLERANCE_SHARE = 0.15;

    @Override
    public Class<Promise.LiveAway> type() {
        return Promise.LiveAway.class;
    }

    @Override
    public Sighted judge(Promise.LiveAway promise, Hearing hearing) {
        Limit limit = Limit.atMost(promise.seconds(), promise.seconds() * LIVE_TOLERANCE_SHARE, Unit.SECONDS);
        return Sighted.ofNone(Finding.untried(promise.key(), limit, "Timed at Prove, on each phone's own mobile line."));
    }

    @Override
    public String wording(Promise.LiveAway promise, Names names) {
        return "Live picture away from home within " + Numbers.plain(promise.seconds()) + " s";
    }
}
