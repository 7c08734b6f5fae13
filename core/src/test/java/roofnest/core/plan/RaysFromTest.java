package roofnest.core.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;

import org.junit.jupiter.api.Test;

import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;

import roofnest.core.Houses;

/** The index finds what testing every wall finds. */
class RaysFromTest {
    private static final HousePlan PLAN = Houses.plan("maltings");
    private static final WallCrossings CROSSINGS = new WallCrossings(PLAN);

    @Property(tries = 3000)
    void a_ray_crosses_the_same_by_index_as_by_testing_every_wall(
            @ForAll @DoubleRange(min = -20, max = 50) double ax, @ForAll @DoubleRange(min = -20, max = 30) double ay,
            @ForAll @DoubleRange(min = 0.2, max = 8) double az, @ForAll @DoubleRange(min = -20, max = 50) double bx,
            @ForAll @DoubleRange(min = -20, max = 30) double by, @ForAll @DoubleRange(min = 0.2, max = 8) double bz) {
        double[] sum = new double[2];
        CROSSINGS.walk(new SpacePoint(ax, ay, az), new SpacePoint(bx, by, bz), (material, thicknessM, share) -> {
            sum[0] += material.lossDb24() + thicknessM + share;
            return true;
        });
        RaysFrom rays = CROSSINGS.from(ax, ay);
        rays.walk(az, bx, by, bz, (material, thicknessM, share) -> {
            sum[1] += material.lossDb24() + thicknessM + share;
            return true;
        });
        assertThat(sum[1]).isEqualTo(sum[0], within(1e-6));
        assertThat(rays.inSight(az, bx, by, bz)).isEqualTo(CROSSINGS.inSight(new SpacePoint(ax, ay, az), new SpacePoint(bx, by, bz)));
    }

    @Test
    void a_tree_takes_by_the_metre_of_its_crown_and_hides_but_not_below_it() {
        HousePlan field
                = HousePlan.blank("field", 50).withThings(List.of(new Thing("t", "pear", Thing.Kind.TREE, new PlanPoint(5, 0), 6, 2.0)));
        WallCrossings crossings = new WallCrossings(field);
        assertThat(crossings.between(new SpacePoint(0, 0, 3), new SpacePoint(10, 0, 3))).singleElement()
                .satisfies(crossing -> assertThat(crossing.thicknessM()).isEqualTo(4, within(1e-9)));
        assertThat(crossings.inSight(new SpacePoint(0, 0, 3), new SpacePoint(10, 0, 3))).isFalse();
        assertThat(crossings.inSight(new SpacePoint(0, 0, 1), new SpacePoint(10, 0, 1))).as("under the crown").isTrue();
        assertThat(crossings.inSight(new SpacePoint(0, 2.1, 3), new SpacePoint(10, 2.1, 3))).as("beside it").isTrue();
    }

    @Test
    void sloping_ground_rises_steadily_from_its_lowest_edge() {
        Area bank = new Area("b", "bank", Area.Kind.LAWN,
                List.of(new PlanPoint(0, 0), new PlanPoint(4, 0), new PlanPoint(4, 8), new PlanPoint(0, 8)), 0.5,
                new Area.Slope(2, 0));
        Ground ground = new Ground(HousePlan.blank("h", 50).withAreas(List.of(bank)));
        assertThat(ground.heightM(new PlanPoint(2, 0))).isEqualTo(0.5, within(1e-9));
        assertThat(ground.heightM(new PlanPoint(2, 4))).isEqualTo(1.5, within(1e-9));
        assertThat(ground.heightM(new PlanPoint(2, 8))).isEqualTo(2.5, within(1e-9));
        assertThat(ground.heightM(new PlanPoint(9, 4))).isZero();
    }
}
