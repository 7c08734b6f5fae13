package roofnest.standins.sensing;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.Set;

import org.junit.jupiter.api.Test;

import roofnest.core.catalogue.Catalogue;
import roofnest.core.catalogue.DeviceModel;
import roofnest.core.plan.Ground;
import roofnest.core.plan.HousePlan;
import roofnest.core.plan.PlanPoint;
import roofnest.core.plan.WallCrossings;
import roofnest.core.promise.DetailLevel;
import roofnest.core.view.CameraPose;
import roofnest.core.view.Eye;
import roofnest.core.view.Vision;
import roofnest.core.week.SensorFit;
import roofnest.core.week.Watch;
import roofnest.core.week.WatchSetting;

/** Whoever walks where the walks are proposed finds out what the stand-in is. */
class SensorStandInTest {
    private static final HousePlan FIELD = HousePlan.blank("field", 50);

    private static SensorFit fit(String model) {
        DeviceModel device = Catalogue.shipped().get(model);
        return new SensorFit(new Watch(1, "Eye", device, new Vision(new Eye(new WallCrossings(FIELD), device.lens(),
                new CameraPose(0, 0, 2.4, 90, 10)), device.mask(), Set.of()), List.of(), WatchSetting.usual(device.alerts(), 10, 0),
                DetailLevel.DETECT, false), new Ground(FIELD));
    }

    private static SensorFit.Walked across(double distanceM) {
        return new SensorFit.Walked(new PlanPoint(distanceM, -1.5), new PlanPoint(distanceM, 1.5), true, OptionalDouble.empty(), 10, false);
    }

    @Test
    void theSameSeedIsTheSameSensorAndAnotherAnother() {
        SensorFit fit = fit("dunmark-post");
        assertThat(new SensorStandIn(fit, 7).truth()).isEqualTo(new SensorStandIn(fit, 7).truth());
        assertThat(new SensorStandIn(fit, 7).truth()).isNotEqualTo(new SensorStandIn(fit, 8).truth());
        for (int nth = 0; nth < 20; nth++) {
            assertThat(new SensorStandIn(fit, 7).answer(across(5), nth)).isEqualTo(new SensorStandIn(fit, 7).answer(across(5), nth));
        }
    }

    @Test
    void farOutsideItNoticesNothingAndNearItNoticesButForOneInTwelve() {
        int near = 0;
        int far = 0;
        for (int nth = 0; nth < 600; nth++) {
            SensorStandIn standIn = new SensorStandIn(fit("dunmark-post"), 1000 + nth % 5);
            near += standIn.answer(across(2.5), nth).noticed() ? 1 : 0;
            far += standIn.answer(across(30), nth).noticed() ? 1 : 0;
        }
        assertThat(near).isBetween(520, 580);
        assertThat(far).isBetween(20, 80);
    }

    /** Of forty stand-ins, nine in ten ranges lie within what the walks leave open; eight of ten is asked for. */
    @Test
    void walkingWhereItIsProposedFindsOutWhatItIs() {
        int within = 0;
        for (int seed = 0; seed < 40; seed++) {
            SensorFit fit = fit("dunmark-post");
            SensorStandIn standIn = new SensorStandIn(fit, seed);
            List<SensorFit.Walked> walks = new ArrayList<>();
            for (int nth = 0; nth < 12; nth++) {
                List<SensorFit.Proposal> proposed = fit.proposals(walks, at -> true, 10, false);
                if (proposed.isEmpty()) {
                    break;
                }
                SensorFit.Proposal first = proposed.get(0);
                walks.add(standIn.answer(new SensorFit.Walked(first.from(), first.to(), true, OptionalDouble.empty(), 10, false), nth));
            }
            SensorFit.Fit found = fit.fit(walks);
            double truth = standIn.truth().rangeM() / fit.stated().rangeM();
            within += truth >= found.lowShare() && truth <= found.highShare() ? 1 : 0;
            assertThat(found.highShare() / found.lowShare()).as("narrower than before").isLessThan(fit.fit(List.of()).highShare()
                    / fit.fit(List.of()).lowShare());
        }
        assertThat(within).isGreaterThanOrEqualTo(32);
    }
}
