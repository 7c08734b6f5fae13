package roofnest.core.radio;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;

import org.junit.jupiter.api.Test;

import roofnest.core.catalogue.Band;
import roofnest.core.plan.HousePlan;
import roofnest.core.plan.Material;
import roofnest.core.plan.PlanPoint;
import roofnest.core.plan.SpacePoint;
import roofnest.core.plan.Thing;
import roofnest.core.plan.WallCrossings;

class LinkBudgetTest {
    private static final SpacePoint ROUTER = new SpacePoint(0, 0, 1.2);

    @Test
    void the_cameras_weaker_transmitter_is_the_link() {
        LinkBudget link = LinkBudget.of(ray(10), Band.GHZ_2_4, 15);
        assertThat(link.downDbm() - link.upDbm()).isEqualTo(5, within(1e-9));
        assertThat(link.rssiDbm()).isEqualTo(link.upDbm());
    }

    @Test
    void a_margin_of_the_sure_margin_is_sure_by_the_stated_confidence() {
        LinkBudget link = LinkBudget.of(ray(10), Band.GHZ_2_4, 15);
        assertThat(link.chanceAtLeast(link.rssiDbm())).isEqualTo(0.5, within(1e-9));
        assertThat(link.chanceAtLeast(link.rssiDbm() - link.sureMarginDb())).isEqualTo(LinkBudget.CONFIDENCE, within(1e-9));
        assertThat(link.sureMarginDb()).isEqualTo(1.645 * 4, within(0.01));
    }

    @Test
    void bars_change_exactly_at_their_limits() {
        assertThat(List.of(-50.0, -50.1, -60.1, -67.0, -67.1, -75.1).stream().map(LinkBudget::bars))
                .containsExactly(4, 3, 2, 2, 1, 0);
    }

    @Test
    void rates_follow_the_receiver_sensitivities() {
        assertThat(LinkBudget.rateMbps(-64)).isEqualTo(65);
        assertThat(LinkBudget.rateMbps(-70)).isEqualTo(39);
        assertThat(LinkBudget.rateMbps(-71)).isEqualTo(26);
        assertThat(LinkBudget.rateMbps(-83)).isZero();
    }

    @Test
    void a_contour_keeps_one_level_and_closes_round_the_router() {
        var plan = PathLossTest.planWith(
                PathLossTest.wall("west", -30, Material.STONE), PathLossTest.wall("east", 30, Material.STONE));
        SignalMap map = map(plan, 0.5);
        List<List<PlanPoint>> lines = Contours.at(map, -50);
        assertThat(lines).hasSize(1);
        List<PlanPoint> line = lines.get(0);
        assertThat(line.get(0)).isEqualTo(line.get(line.size() - 1));
        PathLoss paths = new PathLoss(plan);
        for (PlanPoint point : line) {
            double there = LinkBudget.of(paths.between(ROUTER, SpacePoint.at(point, 2.4), Band.GHZ_2_4), Band.GHZ_2_4, 15).rssiDbm();
            assertThat(there).isEqualTo(-50, within(0.4));
        }
    }

    @Test
    void there_is_no_contour_at_a_level_that_is_nowhere() {
        var plan = PathLossTest.planWith(PathLossTest.wall("a", 5, Material.BRICK));
        SignalMap map = map(plan, 1);
        assertThat(Contours.at(map, 40)).isEmpty();
    }

    private static SignalMap map(HousePlan plan, double stepM) {
        HousePlan withRouter = plan.withThings(List.of(new Thing("r", "router", Thing.Kind.ROUTER, ROUTER.onPlan(), ROUTER.zM())));
        return SignalMap.of(withRouter, new SignalModel(withRouter, new WallCrossings(withRouter), List.of()), Band.GHZ_2_4, 15, 2.4, stepM,
                false);
    }

    private static PathLoss.Ray ray(double distanceM) {
        return new PathLoss(PathLossTest.planWith()).between(ROUTER, new SpacePoint(distanceM, 0, 1.2), Band.GHZ_2_4);
    }
}
