package roofnest.core.judge;

import roofnest.core.lang.Numbers;
import roofnest.core.promise.Promise;

/** The phones ring soon enough. */
final class AlertWithinRule implements PromiseRule<Promise.AlertWithin> {
    @Override
    public Class<Promise.AlertWithin> type() {
        return Promise.AlertWithin.class;
    }

    @Override
    public Sighted judge(Promise.AlertWithin promise, Hearing hearing) {
        return TimedAtProve.within(promise.seconds(), promise.key(), "Timed at Prove, on each phone that is rung.");
    }

    @Override
    public String wording(Promise.AlertWithin promise, Names names) {
        return "Phone rings within " + Numbers.plain(promise.seconds()) + " s";
    }
}
