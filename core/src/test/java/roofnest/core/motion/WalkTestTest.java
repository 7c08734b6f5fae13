package roofnest.core.motion;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;

import org.junit.jupiter.api.Test;

import roofnest.core.WeirSteps;
import roofnest.core.catalogue.Catalogue;
import roofnest.core.catalogue.DeviceModel;
import roofnest.core.plan.Ground;
import roofnest.core.plan.HousePlan;
import roofnest.core.plan.PlanPoint;
import roofnest.core.plan.Walk;
import roofnest.core.plan.WallCrossings;
import roofnest.core.promise.DetailLevel;
import roofnest.core.view.CameraPose;
import roofnest.core.view.Eye;
import roofnest.core.view.Vision;
import roofnest.core.view.Zone;

class WalkTestTest {
    private static final HousePlan PLAN = WeirSteps.plan();
    private static final WallCrossings CROSSINGS = new WallCrossings(PLAN);
    private static final DeviceModel POST = Catalogue.shipped().get("dunmark-post");
    private static final CameraPose EAST = new CameraPose(30, 0, 2.4, 90, 10);

    @Test
    void walking_across_triggers_and_walking_straight_towards_does_not() {
        Walk across = new Walk("a", "across", List.of(new PlanPoint(35, -6), new PlanPoint(35, 6)));
        Walk towards = new Walk("t", "towards", List.of(new PlanPoint(42, 0), new PlanPoint(31, 0)));
        assertThat(walk(POST, across).caught()).isTrue();
        assertThat(walk(POST, towards).caught()).isFalse();
    }

    @Test
    void the_first_frame_comes_a_wake_time_after_the_trigger() {
        Walk across = new Walk("a", "across", List.of(new PlanPoint(35, -6), new PlanPoint(35, 6)));
        WalkTest.Capture capture = walk(POST, across);
        assertThat(capture.firstFrameS().getAsDouble() - capture.triggerS().getAsDouble())
                .isEqualTo(POST.motion().wakeSeconds(), within(1e-9));
        assertThat(capture.moments()).filteredOn(WalkTest.Moment::recorded).first()
                .satisfies(moment -> assertThat(moment.atS()).isGreaterThanOrEqualTo(capture.firstFrameS().getAsDouble()));
    }

    @Test
    void a_camera_that_watches_its_picture_keeps_what_came_before() {
        DeviceModel eave = Catalogue.shipped().get("cairnlow-eave");
        Walk across = new Walk("a", "across", List.of(new PlanPoint(36, -8), new PlanPoint(36, 8)));
        WalkTest.Capture capture = walk(eave, across);
        assertThat(capture.firstFrameS().getAsDouble()).isLessThan(capture.triggerS().getAsDouble());
    }

    @Test
    void nobody_behind_a_wall_is_caught() {
        Walk inside = new Walk("i", "inside", List.of(new PlanPoint(2, 1), new PlanPoint(2, 8)));
        WalkTest.Capture capture
                = test(POST, new CameraPose(11.35, 5, 2.4, 270, 10), List.of()).walk(track(inside), DetailLevel.DETECT, 12);
        assertThat(capture.caught()).isFalse();
        assertThat(capture.bestDensityPxPerM()).isZero();
    }

    @Test
    void somebody_running_is_recorded_nearer_to_where_they_go() {
        DeviceModel drift = Catalogue.shipped().get("pellan-drift");
        Walk across = new Walk("a", "across", List.of(new PlanPoint(34, -8), new PlanPoint(34, 8)));
        double walking = firstY(drift, across, Walker.GROWN);
        double running = firstY(drift, across, Walker.RUNNER);
        assertThat(running).isGreaterThan(walking + 0.5);
    }

    private static double firstY(DeviceModel model, Walk walk, Walker walker) {
        WalkTest.Capture capture = test(model, EAST, List.of()).walk(new Track(walk, walker, new Ground(PLAN)), DetailLevel.DETECT, 12);
        return capture.at(capture.firstFrameS().getAsDouble()).point().yM();
    }

    @Test
    void outside_its_zones_a_camera_that_watches_its_picture_notices_nobody() {
        DeviceModel eave = Catalogue.shipped().get("cairnlow-eave");
        Walk across = new Walk("a", "across", List.of(new PlanPoint(36, -8), new PlanPoint(36, 8)));
        Zone sky = new Zone("sky",
                List.of(new Zone.Corner(0, 0), new Zone.Corner(1, 0), new Zone.Corner(1, 0.05), new Zone.Corner(0, 0.05)));
        Zone all = new Zone("all", List.of(new Zone.Corner(0, 0), new Zone.Corner(1, 0), new Zone.Corner(1, 1), new Zone.Corner(0, 1)));
        assertThat(test(eave, EAST, List.of(sky)).walk(track(across), DetailLevel.DETECT, 12).caught()).isFalse();
        assertThat(test(eave, EAST, List.of(all)).walk(track(across), DetailLevel.DETECT, 12))
                .isEqualTo(test(eave, EAST, List.of()).walk(track(across), DetailLevel.DETECT, 12));
    }

    @Test
    void the_short_answer_is_the_long_ones() {
        for (String model : List.of("dunmark-post", "cairnlow-eave", "pellan-drift")) {
            DeviceModel m = Catalogue.shipped().get(model);
            for (Walk path : PLAN.paths()) {
                WalkTest test = test(m, new CameraPose(11.4, 2, 2.4, 121, 12), List.of());
                assertThat(test.firstAtLevelS(track(path), DetailLevel.OBSERVE, 12))
                        .isEqualTo(test.walk(track(path), DetailLevel.OBSERVE, 12).firstAtLevelS());
            }
        }
    }

    @Test
    void a_sleeping_camera_wakes_then_records() {
        Walk across = new Walk("a", "across", List.of(new PlanPoint(35, -6), new PlanPoint(35, 6)));
        assertThat(walk(Catalogue.shipped().get("pellan-drift"), across).moments()).extracting(WalkTest.Moment::doing)
                .startsWith(WalkTest.Doing.ASLEEP)
                .containsSubsequence(WalkTest.Doing.ASLEEP, WalkTest.Doing.WAKING, WalkTest.Doing.RECORDING);
    }

    private static WalkTest.Capture walk(DeviceModel model, Walk walk) {
        return test(model, EAST, List.of()).walk(track(walk), DetailLevel.OBSERVE, 12);
    }

    private static WalkTest test(DeviceModel model, CameraPose pose, List<Zone> zones) {
        return new WalkTest(model, Vision.unmasked(new Eye(CROSSINGS, model.lens(), pose)), zones, false);
    }

    private static Track track(Walk walk) {
        return new Track(walk, Walker.GROWN, new Ground(PLAN));
    }
}
