package roofnest.core.judge;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.Set;

import org.junit.jupiter.api.Test;

import roofnest.core.WeirSteps;
import roofnest.core.access.Access;
import roofnest.core.catalogue.Band;
import roofnest.core.catalogue.Catalogue;
import roofnest.core.plan.HousePlan;
import roofnest.core.plan.PlanPoint;
import roofnest.core.plan.SpacePoint;
import roofnest.core.plan.Walk;
import roofnest.core.power.Climate;
import roofnest.core.promise.DetailLevel;
import roofnest.core.promise.Evidence;
import roofnest.core.promise.Finding;
import roofnest.core.promise.Promise;
import roofnest.core.promise.PromiseKey;
import roofnest.core.promise.Standing;
import roofnest.core.radio.Reading;
import roofnest.core.view.CameraPose;

/** What the board's own computations do to promises. */
class BoardPromisesTest {
    private static final HousePlan PLAN = WeirSteps.plan();
    private static final PromiseKey KEY = PromiseKey.written(1);
    private static final CameraPose DOOR = new CameraPose(11.4, 2.0, 2.4, 60, 12);

    @Test
    void recorded_before_they_reach_is_the_walk_there_less_the_first_kept_frame() {
        Walk lane = new Walk("w", "up to the door", List.of(new PlanPoint(24, 9), new PlanPoint(13, 3)));
        HousePlan plan = PLAN.withPaths(List.of(lane));
        Finding mains = before(plan, camera("cairnlow-eave", DOOR));
        assertThat(mains.standing()).isEqualTo(Standing.KEPT);
        double reach = lane.approach(plan.place("lane-door").orElseThrow().at()).alongM() / 1.4;
        assertThat(mains.measured().getAsDouble()).isPositive().isLessThanOrEqualTo(reach + 1e-9);
        assertThat(mains.reason()).contains("walking; they are there after");
        Finding battery = before(plan, camera("pellan-drift", DOOR));
        assertThat(battery.measured().getAsDouble()).as("a sleeping camera has them later").isLessThan(mains.measured().getAsDouble());
    }

    @Test
    void who_is_never_recorded_is_a_broken_promise_and_whoever_has_them_first_keeps_it() {
        Walk lane = new Walk("w", "up to the door", List.of(new PlanPoint(24, 9), new PlanPoint(13, 3)));
        HousePlan plan = PLAN.withPaths(List.of(lane));
        Camera away = camera("dunmark-post", new CameraPose(11.4, 2.0, 2.4, 240, 12));
        Finding never = before(plan, away);
        assertThat(never.standing()).isEqualTo(Standing.BROKEN);
        assertThat(never.reason()).contains("No camera has them on a kept frame");
        Camera watching = new Camera(8, "Second", Catalogue.shipped().get("cairnlow-eave"), DOOR, Set.of(), Camera.Settings.DEFAULT, false,
                false, false, Optional.empty());
        Judged both = HouseholdJudge.judge(facts(plan, List.of(), away, watching)).promises().get(0);
        assertThat(both.cameraId()).contains(8L);
        assertThat(both.finding().standing()).isEqualTo(Standing.KEPT);
    }

    @Test
    void a_path_that_does_not_lead_there_is_not_tried() {
        Walk elsewhere = new Walk("w", "elsewhere", List.of(new PlanPoint(24, 9), new PlanPoint(24, 15)));
        Finding finding = before(PLAN.withPaths(List.of(elsewhere)), camera("cairnlow-eave", DOOR));
        assertThat(finding.standing()).isEqualTo(Standing.UNTRIED);
        assertThat(finding.reason()).contains("draw it to within 2 m");
        assertThat(before(PLAN.withPaths(List.of()), camera("cairnlow-eave", DOOR)).reason()).contains("no path of that name");
    }

    @Test
    void a_lens_turned_into_its_own_wall_or_put_inside_one_is_told() {
        PromiseKey clear = PromiseKey.ofCamera(7, "clear");
        assertThat(finding(facts(PLAN, List.of(), camera("dunmark-post", new CameraPose(11.6, 3.0, 2.4, 90, 12))), clear).standing())
                .isEqualTo(Standing.KEPT);
        Finding blind = finding(facts(PLAN, List.of(), camera("dunmark-post", new CameraPose(11.6, 4.6, 2.2, 270, 12))), clear);
        assertThat(blind.standing()).isEqualTo(Standing.BROKEN);
        assertThat(blind.reason()).contains("The nearest thing in its view is");
        Finding inside = finding(facts(PLAN, List.of(), camera("dunmark-post", new CameraPose(11.05, 4.6, 2.2, 90, 12))), clear);
        assertThat(inside.measured().getAsDouble()).isZero();
        assertThat(inside.remedies()).singleElement().satisfies(remedy -> assertThat(remedy.action()).contains("out to the wall's face"));
    }

    @Test
    void a_reading_beside_the_camera_makes_its_link_read_on_site_and_surer() {
        PromiseKey link = PromiseKey.ofCamera(7, "link");
        Camera camera = camera("dunmark-post", DOOR);
        Finding predicted = finding(facts(PLAN, List.of(), camera), link);
        Reading here = Reading.ofFigure(new SpacePoint(11.45, 2.0, 2.38), Band.GHZ_2_4, -50);
        Finding read = finding(facts(PLAN, List.of(here), camera), link);
        assertThat(predicted.evidence()).isEqualTo(Evidence.PREDICTED);
        assertThat(read.evidence()).isEqualTo(Evidence.READ);
        assertThat(read.limit().tolerance()).isLessThan(0.6 * predicted.limit().tolerance());
        assertThat(read.measured().getAsDouble()).isEqualTo(-55, within(2.0));
        Reading farOff = Reading.ofFigure(new SpacePoint(2, 8, 1), Band.GHZ_2_4, -45);
        assertThat(finding(facts(PLAN, List.of(farOff), camera), link).evidence()).isEqualTo(Evidence.PREDICTED);
    }

    @Test
    void judging_again_after_one_camera_moved_is_judging_from_nothing() {
        HouseholdFacts facts = facts(PLAN, List.of(), camera("dunmark-post", DOOR));
        HouseholdJudge warm = HouseholdJudge.of(facts);
        for (double heading = 0; heading < 360; heading += 45) {
            HouseholdFacts turned = facts.withCamera(camera("dunmark-post", new CameraPose(11.4, 2.0, 2.4, heading, 12)));
            assertThat(warm.again(turned)).isEqualTo(HouseholdJudge.judge(turned));
        }
        assertThat(warm.again(facts)).isEqualTo(HouseholdJudge.judge(facts));
    }

    private static Finding before(HousePlan plan, Camera camera) {
        return HouseholdJudge.judge(facts(plan, List.of(), camera)).promises().get(0).finding();
    }

    private static Finding finding(HouseholdFacts facts, PromiseKey key) {
        return HouseholdJudge.judge(facts).promises().stream().filter(judged -> judged.promise().key().equals(key)).findFirst()
                .orElseThrow().finding();
    }

    private static Camera camera(String model, CameraPose pose) {
        return new Camera(7, "Eye", Catalogue.shipped().get(model), pose, Set.of(), Camera.Settings.DEFAULT, false, false, false,
                Optional.of(LocalDate.of(2026, 11, 1)));
    }

    private static HouseholdFacts facts(HousePlan plan, List<Reading> readings, Camera... cameras) {
        return new HouseholdFacts(Optional.of(plan), List.of(cameras),
                List.of(new Promise.RecordedBefore(KEY, DetailLevel.DETECT, "lane-door", "w")), Optional.empty(), 0,
                new Access(List.of(), List.of()), List.of(), Climate.MILD_COAST, LocalDate.of(2026, 12, 3), false, readings);
    }
}
