package roofnest.core.week;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.SplittableRandom;

import org.junit.jupiter.api.Test;

import roofnest.core.catalogue.Catalogue;
import roofnest.core.catalogue.DeviceModel;
import roofnest.core.catalogue.MotionSpec;
import roofnest.core.plan.Ground;
import roofnest.core.plan.HousePlan;
import roofnest.core.plan.PlanPoint;
import roofnest.core.plan.WallCrossings;
import roofnest.core.promise.DetailLevel;
import roofnest.core.view.CameraPose;
import roofnest.core.view.Eye;
import roofnest.core.view.Vision;

/** Walks before a camera bend its sensor to what it is. */
class SensorFitTest {
    private static final HousePlan FIELD = HousePlan.blank("field", 50);
    private static final Ground GROUND = new Ground(FIELD);
    private static final double AIR_C = 10;

    private static Watch watch(String model) {
        DeviceModel device = Catalogue.shipped().get(model);
        return new Watch(1, "Eye", device, new Vision(new Eye(new WallCrossings(FIELD), device.lens(), new CameraPose(0, 0, 2.4, 90, 10)),
                device.mask(), Set.of()), List.of(), WatchSetting.usual(device.alerts(), 10, 0), DetailLevel.DETECT, false);
    }

    private static SensorFit.Walked across(double distanceM, boolean noticed, OptionalDouble seconds) {
        return new SensorFit.Walked(new PlanPoint(distanceM, -1.5), new PlanPoint(distanceM, 1.5), noticed, seconds, AIR_C, false);
    }

    @Test
    void withoutAWalkItIsAsItsDocumentSays() {
        Watch watch = watch("dunmark-post");
        SensorFit.Fit fit = new SensorFit(watch, GROUND).fit(List.of());
        assertThat(fit.rangeShare()).isCloseTo(1, within(0.01));
        assertThat(fit.fanShare()).isCloseTo(1, within(1e-9));
        assertThat(fit.motion().wakeSeconds()).isEqualTo(watch.model().motion().wakeSeconds());
        assertThat(fit.lowShare()).isLessThan(0.75);
        assertThat(fit.highShare()).isGreaterThan(1.35);
    }

    @Test
    void aSensorThatReachesLessIsFoundOutByWalksProposedOneAfterAnother() {
        for (double truth : new double[] {0.6, 0.8, 1.3}) {
            Watch watch = watch("dunmark-post");
            MotionSpec stated = watch.model().motion();
            Watch real
                    = watch.noticing(new MotionSpec(stated.sensing(), stated.rangeM() * truth, stated.fanDeg(), stated.wakeSeconds(), 0));
            SensorFit fit = new SensorFit(watch, GROUND);
            SensorFit answers = new SensorFit(real, GROUND);
            List<SensorFit.Walked> walks = new ArrayList<>();
            for (int i = 0; i < 8; i++) {
                List<SensorFit.Proposal> proposals = fit.proposals(walks, at -> true, AIR_C, false);
                if (proposals.isEmpty()) {
                    break;
                }
                SensorFit.Proposal next = proposals.get(0);
                SensorFit.Walked asked = new SensorFit.Walked(next.from(), next.to(), true, OptionalDouble.empty(), AIR_C, false);
                walks.add(new SensorFit.Walked(next.from(), next.to(), answers.foretold(asked), OptionalDouble.empty(), AIR_C, false));
            }
            SensorFit.Fit found = fit.fit(walks);
            assertThat(found.rangeShare()).as("true share %s", truth).isCloseTo(truth, within(0.15));
            assertThat(truth).isBetween(found.lowShare() - 0.05, found.highShare() + 0.05);
            assertThat(found.highShare() - found.lowShare()).isLessThan(fit.fit(List.of()).highShare() - fit.fit(List.of()).lowShare());
        }
    }

    /** One farther walk that was noticed never shortens the range, one nearer that was not never lengthens it. */
    @Test
    void walksPullTheRangeTheirOwnWay() {
        SensorFit fit = new SensorFit(watch("dunmark-post"), GROUND);
        double before = fit.fit(List.of()).rangeShare();
        SplittableRandom random = new SplittableRandom(3);
        for (int i = 0; i < 20; i++) {
            double distance = 2 + 12 * random.nextDouble();
            assertThat(fit.fit(List.of(across(distance, true, OptionalDouble.empty()))).rangeShare()).isGreaterThanOrEqualTo(before - 1e-9);
            assertThat(fit.fit(List.of(across(distance, false, OptionalDouble.empty()))).rangeShare()).isLessThanOrEqualTo(before + 1e-9);
        }
    }

    @Test
    void countedSecondsBendTheWake() {
        Watch watch = watch("dunmark-post");
        SensorFit fit = new SensorFit(watch, GROUND);
        double stated = watch.model().motion().wakeSeconds();
        double late = fit.fit(List.of(across(4, true, OptionalDouble.of(stated + 6)), across(4, true, OptionalDouble.of(stated + 6))))
                .motion().wakeSeconds();
        assertThat(late).isBetween(stated + 2, stated + 6);
        assertThat(fit.fit(List.of(across(4, false, OptionalDouble.empty()))).motion().wakeSeconds()).isEqualTo(stated);
    }

    @Test
    void aPictureIsBentToo() {
        SensorFit fit = new SensorFit(watch("tarrowby-turn"), GROUND);
        double range = watch("tarrowby-turn").rangeM();
        SensorFit.Fit found = fit.fit(List.of(across(0.9 * range, false, OptionalDouble.empty()),
                across(0.8 * range, false, OptionalDouble.empty()), across(0.7 * range, false, OptionalDouble.empty())));
        assertThat(found.rangeShare()).isLessThan(0.85);
        assertThat(found.motion().sensing()).isEqualTo(MotionSpec.Sensing.PICTURE);
    }

    @Test
    void whereNobodyCanWalkNothingIsProposed() {
        SensorFit fit = new SensorFit(watch("dunmark-post"), GROUND);
        assertThat(fit.proposals(List.of(), at -> false, AIR_C, false)).isEmpty();
        assertThat(fit.proposals(List.of(), at -> true, AIR_C, false)).isNotEmpty().hasSizeLessThanOrEqualTo(SensorFit.PROPOSED)
                .allSatisfy(one -> {
                    assertThat(one.from().distanceM(one.to())).isCloseTo(SensorFit.WALK_M, within(1e-9));
                    assertThat(one.chance()).isBetween(0.1, 0.9);
                });
    }

    @Test
    void aWalkThatIsNoneIsRefused() {
        assertThatThrownBy(() -> new SensorFit.Walked(new PlanPoint(1, 1), new PlanPoint(1, 1), true, OptionalDouble.empty(), 10, false))
                .hasMessageContaining("length of the walk");
        assertThatThrownBy(() -> across(4, true, OptionalDouble.of(-1))).hasMessageContaining("seconds");
        assertThatThrownBy(() -> across(4, true, OptionalDouble.of(Double.NaN))).hasMessageContaining("seconds");
    }
}
