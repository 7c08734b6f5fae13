package roofnest.core.judge;

import roofnest.core.lang.Numbers;
import roofnest.core.promise.Finding;
import roofnest.core.promise.Limit;
import roofnest.core.promise.Promise;
import roofnest.core.promise.Unit;

/** Nothing foretells it: it is timed at Prove. */
final class AlertWithinRule implements PromiseRule<Promise.AlertWithin> {
    static final double ALERT_TOLERANCE_SHARE = 0.15;

    @Override
    public Class<Promise.AlertWithin> type() {
        return Promise.AlertWithin.class;
    }

    @Override
    public Sighted judge(Promise.AlertWithin promise, Hearing hearing) {
        Limit limit = Limit.atMost(promise.seconds(), promise.seconds() * ALERT_TOLERANCE_SHARE, Unit.SECONDS);
        return Sighted.ofNone(Finding.untried(promise.key(), limit, "Timed at Prove, on the householder's own phone."));
    }

    @Override
    public String wording(Promise.AlertWithin promise, Names names) {
        return "Phone rings within " + Numbers.plain(promise.seconds()) + " s";
    }
}
