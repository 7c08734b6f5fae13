package roofnest.core.judge;

import java.util.function.Function;

import roofnest.core.alert.RuleCircles;
import roofnest.core.catalogue.AlertSpec;
import roofnest.core.catalogue.MotionSpec;
import roofnest.core.plan.PlanPoint;

/** What passes from one device of a house to another besides what people do. */
final class DeviceSenses implements RuleCircles.Notices {
    /** A siren of 100 dB at a metre is as loud as a loud voice there, in the open. */
    static final double SIREN_HEARD_M = 30;
    /** A light falls on the ground so far before its device. */
    static final double LIT_AHEAD_M = 3;

    private final HouseholdFacts facts;
    private final Function<Camera, CameraEye> eyes;

    DeviceSenses(HouseholdFacts facts, Function<Camera, CameraEye> eyes) {
        this.facts = facts;
        this.eyes = eyes;
    }

    /** A sensor of warmth takes no light for anything; a picture changes with what lights the ground in it, its own light first. */
    @Override
    public boolean light(long camera, long ofCamera) {
        Camera watches = camera(camera);
        Camera lit = camera(ofCamera);
        if (watches.model().motion().sensing() != MotionSpec.Sensing.PICTURE
                || !watches.watchSetting().kinds().contains(AlertSpec.Kind.ANY)) {
            return false;
        }
        PlanPoint ground = lit.pose().onPlan().towards(lit.pose().headingDeg(), LIT_AHEAD_M);
        return camera == ofCamera || eyes.apply(watches).vision().sees(ground.xM(), ground.yM(), 0).isPresent()
                || eyes.apply(watches).vision().sees(lit.pose().xM(), lit.pose().yM(), lit.pose().heightM()).isPresent();
    }

    @Override
    public boolean siren(long camera, long ofCamera) {
        return camera(camera).pose().onPlan().distanceM(camera(ofCamera).pose().onPlan()) <= SIREN_HEARD_M;
    }

    private Camera camera(long id) {
        return facts.cameras().stream().filter(camera -> camera.id() == id).findFirst().orElseThrow();
    }
}
