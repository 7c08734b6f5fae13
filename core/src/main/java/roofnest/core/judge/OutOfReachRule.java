package roofnest.core.judge;

import java.util.List;

import roofnest.core.catalogue.Practice.Figure;
import roofnest.core.lang.Numbers;
import roofnest.core.promise.Finding;
import roofnest.core.promise.Limit;
import roofnest.core.promise.Promise;
import roofnest.core.promise.PromiseKey;
import roofnest.core.promise.Remedy;
import roofnest.core.promise.Unit;

/** Hung higher than a raised hand of whoever stands on the floor or the ground under it. */
final class OutOfReachRule implements PromiseRule<Promise.OutOfReach> {
    static final double REACH_TOLERANCE_M = 0.1;

    @Override
    public Class<Promise.OutOfReach> type() {
        return Promise.OutOfReach.class;
    }

    @Override
    public Sighted judge(Promise.OutOfReach promise, Hearing hearing) {
        Camera camera = hearing.camera(promise.cameraId());
        PromiseKey key = promise.key();
        double reach = hearing.facts().practice().of(Figure.OUT_OF_REACH);
        Limit limit = Limit.atLeast(reach, REACH_TOLERANCE_M, Unit.METRES);
        double height = hearing.house().map(house -> house.overFootM(camera.pose())).orElse(camera.pose().heightM());
        double missing = limit.value() + limit.tolerance() - height;
        return Sighted.of(Finding.of(key, height, limit, camera.sightEvidence(),
                "A raised hand reaches about " + Unit.METRES.format(reach) + ".",
                missing > 0 ? List.of(new Remedy("Hang it " + Numbers.fixed(missing, 2) + " m higher", "the face angle grows with it"))
                        : List.of()),
                camera);
    }

    @Override
    public String wording(Promise.OutOfReach promise, Names names) {
        return "Hangs out of arm's reach";
    }
}
