package roofnest.core.judge;

import java.util.List;
import java.util.Optional;

import roofnest.core.promise.Evidence;
import roofnest.core.promise.Finding;
import roofnest.core.promise.Limit;
import roofnest.core.promise.Promise;
import roofnest.core.promise.PromiseKey;
import roofnest.core.promise.Remedy;
import roofnest.core.promise.Standing;
import roofnest.core.promise.Unit;
import roofnest.core.view.Bounce;

/** Nothing near the lens throws the camera's own light back. */
final class ClearLensRule implements PromiseRule<Promise.ClearLens> {
    static final double CLEAR_TOLERANCE_M = 0.1;

    @Override
    public Class<Promise.ClearLens> type() {
        return Promise.ClearLens.class;
    }

    @Override
    public Sighted judge(Promise.ClearLens promise, Hearing hearing) {
        Camera camera = hearing.camera(promise.cameraId());
        PromiseKey key = promise.key();
        Optional<Bounce> bounce = hearing.house().map(house -> hearing.eye(camera).bounce());
        Limit limit = Limit.atLeast(Bounce.CLEAR_M, CLEAR_TOLERANCE_M, Unit.METRES);
        if (bounce.isEmpty()) {
            return Sighted.of(Finding.untried(key, limit, "The house has no plan yet."), camera);
        }
        Bounce near = bounce.get();
        boolean soffit = near.worstM() < near.nearestM();
        String reason;
        String remedy;
        if (near.insideWall()) {
            reason = "The lens is inside a wall.";
            remedy = "Move it out to the wall's face";
        } else if (soffit) {
            reason = "The eaves or floor above are " + Unit.METRES.format(near.soffitM()) + " over the lens; it needs "
                    + Unit.METRES.format(Bounce.SOFFIT_M) + ".";
            remedy = "Lower it or bring it out from under the eaves";
        } else if (near.nearestM() >= Bounce.LOOKED_M) {
            reason = "Nothing in its view is nearer than " + Unit.METRES.format(Bounce.LOOKED_M) + ".";
            remedy = "";
        } else {
            reason = "The nearest thing in its view is " + Unit.METRES.format(near.nearestM()) + " away.";
            remedy = "Turn it away from the wall or bring it out on an arm";
        }
        List<Remedy> remedies = limit.standing(near.worstM()) == Standing.KEPT || remedy.isEmpty() ? List.of()
                : List.of(new Remedy(remedy, "its light no longer comes back"));
        return Sighted.of(Finding.of(key, near.worstM(), limit, Evidence.PREDICTED, reason, remedies), camera);
    }

    @Override
    public String wording(Promise.ClearLens promise, Names names) {
        return "Its own light does not blind it";
    }
}
