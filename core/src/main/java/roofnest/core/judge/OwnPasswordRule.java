package roofnest.core.judge;

import java.util.List;

import roofnest.core.promise.Evidence;
import roofnest.core.promise.Finding;
import roofnest.core.promise.Limit;
import roofnest.core.promise.Promise;
import roofnest.core.promise.PromiseKey;
import roofnest.core.promise.Remedy;
import roofnest.core.promise.Unit;

/** The factory password was changed. */
final class OwnPasswordRule implements PromiseRule<Promise.OwnPassword> {
    @Override
    public Class<Promise.OwnPassword> type() {
        return Promise.OwnPassword.class;
    }

    @Override
    public Sighted judge(Promise.OwnPassword promise, Hearing hearing) {
        Camera camera = hearing.camera(promise.cameraId());
        PromiseKey key = promise.key();
        Limit none = Limit.atMost(0, 0, Unit.FAULTS);
        if (!camera.joined()) {
            return Sighted.of(Finding.untried(key, none, camera.name() + " is not joined yet."), camera);
        }
        return Sighted.of(Finding.of(key, camera.ownPassword() ? 0 : 1, none, Evidence.READ,
                camera.ownPassword() ? "The factory password was changed when it joined." : "It still has its factory password.",
                camera.ownPassword() ? List.of() : List.of(new Remedy("Change it in a run", "about 1 min"))), camera);
    }

    @Override
    public String wording(Promise.OwnPassword promise, Names names) {
        return "Has a password of its own";
    }
}
