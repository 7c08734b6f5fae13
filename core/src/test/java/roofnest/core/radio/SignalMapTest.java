package roofnest.core.radio;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;

import org.junit.jupiter.api.Test;

import roofnest.core.WeirSteps;
import roofnest.core.catalogue.Band;
import roofnest.core.plan.HousePlan;
import roofnest.core.plan.PlanPoint;
import roofnest.core.plan.SpacePoint;
import roofnest.core.plan.WallCrossings;

class SignalMapTest {
    private static final HousePlan PLAN = WeirSteps.plan();
    private static final SpacePoint ROUTER = PLAN.router().orElseThrow().position();
    private static final PathLoss PATHS = new PathLoss(PLAN);

    @Test
    void every_grid_point_is_the_plain_link_there() {
        SignalMap map = map(1.0);
        int row = 9;
        int column = 21;
        SpacePoint at = new SpacePoint(map.originXM() + column, map.originYM() + row, 2.4);
        assertThat(map.rssiDbm()[row][column])
                .isEqualTo(LinkBudget.of(PATHS.between(ROUTER, at, Band.GHZ_2_4), Band.GHZ_2_4, 15).rssiDbm(), within(1e-9));
    }

    @Test
    void the_local_mean_of_an_even_field_is_the_field_and_it_never_leaves_its_range() {
        double[][] even = new double[6][7];
        for (double[] row : even) {
            Arrays.fill(row, -61);
        }
        for (double[] row : new SignalMap(0, 0, 1, even).localMean().rssiDbm()) {
            for (double value : row) {
                assertThat(value).isEqualTo(-61, within(1e-9));
            }
        }
        double[][] step = {{-50, -50, -80, -80}, {-50, -50, -80, -80}};
        double[][] mean = new SignalMap(0, 0, 1, step).localMean().rssiDbm();
        assertThat(mean[0][0]).isEqualTo(-50, within(1e-9));
        assertThat(mean[0][1]).isEqualTo(-57.5, within(1e-9));
        assertThat(mean[0][3]).isEqualTo(-80, within(1e-9));
    }

    @Test
    void the_kiln_shed_throws_a_shadow() {
        double before = LinkBudget.of(PATHS.between(ROUTER, new SpacePoint(14.5, 8, 2.4), Band.GHZ_2_4), Band.GHZ_2_4, 15).rssiDbm();
        double behind = LinkBudget.of(PATHS.between(ROUTER, new SpacePoint(20.2, 8, 2.4), Band.GHZ_2_4), Band.GHZ_2_4, 15).rssiDbm();
        assertThat(before - behind).isGreaterThan(2 * 24);
    }

    @Test
    void five_gigahertz_reaches_less_far_through_stone() {
        SpacePoint outside = new SpacePoint(16, 2, 2.4);
        double low = LinkBudget.of(PATHS.between(ROUTER, outside, Band.GHZ_2_4), Band.GHZ_2_4, 15).rssiDbm();
        double high = LinkBudget.of(PATHS.between(ROUTER, outside, Band.GHZ_5), Band.GHZ_5, 15).rssiDbm();
        assertThat(high).isLessThan(low - 10);
    }

    @Test
    void a_grid_that_would_never_end_is_refused() {
        assertThatThrownBy(() -> map(0)).hasMessageContaining("grid step");
        assertThatThrownBy(() -> map(Double.NaN)).hasMessageContaining("grid step");
    }

    @Test
    void contours_lie_between_the_grid_points_that_they_part() {
        double[][] ramp = {{-40, -50, -60, -70}, {-40, -50, -60, -70}, {-40, -50, -60, -70}};
        List<List<PlanPoint>> lines = Contours.at(new SignalMap(10, 20, 2, ramp), -55);
        assertThat(lines).singleElement().satisfies(line -> {
            assertThat(line).hasSize(3).allSatisfy(point -> assertThat(point.xM()).isEqualTo(10 + 2 * 1.5, within(1e-9)));
            assertThat(line).extracting(PlanPoint::yM).containsExactlyInAnyOrder(20.0, 22.0, 24.0);
        });
    }

    @Test
    void a_saddle_is_parted_by_its_middle() {
        double[][] saddle = {{-40, -80}, {-80, -40}};
        assertThat(Contours.at(new SignalMap(0, 0, 1, saddle), -60)).hasSize(2);
        assertThat(Contours.at(new SignalMap(0, 0, 1, saddle), -50)).hasSize(2);
    }

    private static SignalMap map(double stepM) {
        return SignalMap.of(PLAN, new SignalModel(PLAN, new WallCrossings(PLAN), List.of()), Band.GHZ_2_4, 15, 2.4, stepM, false);
    }
}
