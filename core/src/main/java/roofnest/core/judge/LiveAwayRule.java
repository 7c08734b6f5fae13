package roofnest.core.judge;

import roofnest.core.lang.Numbers;
import roofnest.core.promise.Promise;

/** A picture comes soon enough away from home. */
final class LiveAwayRule implements PromiseRule<Promise.LiveAway> {
    @Override
    public Class<Promise.LiveAway> type() {
        return Promise.LiveAway.class;
    }

    @Override
    public Sighted judge(Promise.LiveAway promise, Hearing hearing) {
        return TimedAtProve.within(promise.seconds(), promise.key(), "Timed at Prove, on each phone's own mobile line.");
    }

    @Override
    public String wording(Promise.LiveAway promise, Names names) {
        return "Live picture away from home within " + Numbers.plain(promise.seconds()) + " s";
    }
}
