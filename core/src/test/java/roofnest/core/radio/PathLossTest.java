package roofnest.core.radio;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;

import org.junit.jupiter.api.Test;

import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.IntRange;

import roofnest.core.catalogue.Band;
import roofnest.core.plan.HousePlan;
import roofnest.core.plan.Material;
import roofnest.core.plan.Opening;
import roofnest.core.plan.PlanPoint;
import roofnest.core.plan.SpacePoint;
import roofnest.core.plan.Storey;
import roofnest.core.plan.Wall;

class PathLossTest {
    private static final SpacePoint ROUTER = new SpacePoint(0, 0, 1.2);

    @Test
    void free_space_matches_the_published_values() {
        assertThat(PathLoss.freeSpaceDb(1, 2437)).isEqualTo(40.19, within(0.01));
        assertThat(PathLoss.freeSpaceDb(1, 5500)).isEqualTo(47.26, within(0.01));
        assertThat(PathLoss.freeSpaceDb(10, 2437) - PathLoss.freeSpaceDb(1, 2437)).isEqualTo(20, within(1e-9));
    }

    @Test
    void free_space_refuses_what_is_not_a_distance() {
        assertThatThrownBy(() -> PathLoss.freeSpaceDb(Double.NaN, 2437)).hasMessageContaining("distance in metres");
        assertThatThrownBy(() -> PathLoss.freeSpaceDb(0, 2437)).hasMessageContaining("distance in metres");
    }

    @Test
    void one_timber_floor_takes_its_figure_and_more_floors_take_less_each() {
        assertThat(PathLoss.floorsDb(0, Band.GHZ_2_4)).isZero();
        assertThat(PathLoss.floorsDb(1, Band.GHZ_2_4)).isEqualTo(10, within(1e-9));
        assertThat(PathLoss.floorsDb(1, Band.GHZ_5)).isEqualTo(13, within(1e-9));
        double two = PathLoss.floorsDb(2, Band.GHZ_2_4);
        assertThat(two).isBetween(10.0, 20.0);
        assertThat(PathLoss.floorsDb(3, Band.GHZ_2_4) - two).isLessThan(10);
    }

    @Test
    void each_wall_takes_what_its_material_takes() {
        PathLoss.Ray stone = new PathLoss(planWith(wall("a", 3, Material.STONE))).between(ROUTER, new SpacePoint(6, 0, 1.2), Band.GHZ_2_4);
        assertThat(stone.wallsDb()).isEqualTo(14);
        assertThat(stone.sigmaDb()).isEqualTo(6);
        PathLoss.Ray clear = new PathLoss(planWith()).between(ROUTER, new SpacePoint(6, 0, 1.2), Band.GHZ_2_4);
        assertThat(stone.totalDb() - clear.totalDb()).isEqualTo(14, within(1e-9));
        assertThat(clear.sigmaDb()).isEqualTo(4);
    }

    @Test
    void a_door_counts_as_its_own_material_and_only_where_it_is() {
        Wall wall = new Wall("w", "g", new PlanPoint(3, -5), new PlanPoint(3, 5), Material.STONE, 0.4, null,
                List.of(new Opening(Opening.Kind.DOOR, 4.5, 1, 0, 2.0, null)));
        PathLoss paths = new PathLoss(planWith(wall));
        assertThat(paths.between(ROUTER, new SpacePoint(6, 0, 1.2), Band.GHZ_2_4).wallsDb()).isEqualTo(3);
        assertThat(paths.between(ROUTER, new SpacePoint(6, 0, 3.4), Band.GHZ_2_4).wallsDb()).as("above the door's head").isEqualTo(14);
    }

    @Test
    void a_ray_over_a_low_wall_does_not_cross_it() {
        Wall low = new Wall("w", "g", new PlanPoint(3, -5), new PlanPoint(3, 5), Material.STONE, 0.4, 0.9, List.of());
        assertThat(new PathLoss(planWith(low)).between(ROUTER, new SpacePoint(6, 0, 2.4), Band.GHZ_2_4).wallsDb()).isZero();
    }

    @Test
    void slabs_count_only_where_they_lie() {
        Storey upper = new Storey("u", "Upper", 2.8, 2.5,
                List.of(new PlanPoint(-2, -2), new PlanPoint(2, -2), new PlanPoint(2, 2), new PlanPoint(-2, 2)));
        HousePlan plan = new HousePlan(HousePlan.FORMAT, "p", 50, List.of(new Storey("g", "Ground", 0, 2.6, null), upper),
                List.of(), null, null, null, null, null, null);
        PathLoss paths = new PathLoss(plan);
        assertThat(paths.between(ROUTER, new SpacePoint(0.5, 0, 4), Band.GHZ_2_4).slabsDb()).isEqualTo(10, within(1e-9));
        assertThat(paths.between(ROUTER, new SpacePoint(30, 0, 4), Band.GHZ_2_4).slabsDb()).as("passes beside the slab").isZero();
    }

    @Property
    void more_wall_is_never_more_signal(@ForAll @IntRange(min = 0, max = 6) int walls, @ForAll @DoubleRange(min = 7, max = 40) double x) {
        SpacePoint camera = new SpacePoint(x, 0.3, 2.4);
        double fewer = new PathLoss(planWith(walls(walls))).between(ROUTER, camera, Band.GHZ_2_4).totalDb();
        double more = new PathLoss(planWith(walls(walls + 1))).between(ROUTER, camera, Band.GHZ_2_4).totalDb();
        assertThat(more).isGreaterThan(fewer);
    }

    @Property
    void loss_is_the_same_both_ways(@ForAll @DoubleRange(min = -20, max = 20) double x,
            @ForAll @DoubleRange(min = -20, max = 20) double y) {
        PathLoss paths = new PathLoss(planWith(walls(3)));
        SpacePoint camera = new SpacePoint(x, y, 2.4);
        assertThat(paths.between(ROUTER, camera, Band.GHZ_5).totalDb())
                .isEqualTo(paths.between(camera, ROUTER, Band.GHZ_5).totalDb(), within(1e-9));
    }

    private static Wall[] walls(int count) {
        Wall[] walls = new Wall[count];
        for (int i = 0; i < count; i++) {
            walls[i] = wall("w" + i, 1 + i * 0.8, Material.BRICK);
        }
        return walls;
    }

    static Wall wall(String id, double x, Material material) {
        return new Wall(id, "g", new PlanPoint(x, -50), new PlanPoint(x, 50), material, 0.3, null, List.of());
    }

    static HousePlan planWith(Wall... walls) {
        return new HousePlan(HousePlan.FORMAT, "p", 50, List.of(new Storey("g", "Ground", 0, 2.6, null)), List.of(walls),
                null, null, null, null, null, null);
    }
}
