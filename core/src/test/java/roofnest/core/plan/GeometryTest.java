package roofnest.core.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;

import org.junit.jupiter.api.Test;
import org.locationtech.jts.algorithm.locate.SimplePointInAreaLocator;
import org.locationtech.jts.geom.Location;

import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;

import roofnest.core.WeirSteps;

class GeometryTest {
    private static final PlanPoint ORIGIN = new PlanPoint(0, 0);

    @Test
    void headings_run_clockwise_from_north() {
        assertThat(ORIGIN.headingToDeg(new PlanPoint(0, 1))).isZero();
        assertThat(ORIGIN.headingToDeg(new PlanPoint(1, 0))).isEqualTo(90, within(1e-9));
        assertThat(ORIGIN.headingToDeg(new PlanPoint(0, -1))).isEqualTo(180, within(1e-9));
        assertThat(ORIGIN.headingToDeg(new PlanPoint(-1, 0))).isEqualTo(270, within(1e-9));
    }

    @Property
    void going_along_a_heading_and_asking_back_agree(@ForAll @DoubleRange(min = 0, max = 359.9) double heading,
            @ForAll @DoubleRange(min = 0.1, max = 100) double distance) {
        PlanPoint there = ORIGIN.towards(heading, distance);
        assertThat(ORIGIN.distanceM(there)).isEqualTo(distance, within(1e-9));
        assertThat(Math.abs(((ORIGIN.headingToDeg(there) - heading + 540) % 360) - 180)).isLessThan(1e-6);
    }

    @Test
    void points_off_the_earth_are_refused() {
        assertThatThrownBy(() -> new PlanPoint(501, 0)).hasMessageContaining("x in metres");
        assertThatThrownBy(() -> new PlanPoint(0, Double.NaN)).hasMessageContaining("y in metres");
    }

    @Test
    void a_walker_is_where_the_distance_says_and_stays_at_the_end() {
        Walk walk = new Walk("w", "round the corner", List.of(ORIGIN, new PlanPoint(0, 3), new PlanPoint(4, 3)));
        assertThat(walk.lengthM()).isEqualTo(7);
        assertThat(walk.at(1).point()).isEqualTo(new PlanPoint(0, 1));
        assertThat(walk.at(1).headingDeg()).isZero();
        assertThat(walk.at(5).point()).isEqualTo(new PlanPoint(2, 3));
        assertThat(walk.at(5).headingDeg()).isEqualTo(90, within(1e-9));
        assertThat(walk.at(99).point()).isEqualTo(new PlanPoint(4, 3));
        assertThatThrownBy(() -> new Walk("w", "nowhere", List.of(ORIGIN))).hasMessageContaining("at least two points");
    }

    @Test
    void a_camera_on_a_walls_line_is_not_behind_it_but_beyond_it_it_is() {
        HousePlan plan = WeirSteps.plan();
        WallCrossings crossings = new WallCrossings(plan);
        SpacePoint onTheEastWall = new SpacePoint(11, 5, 2);
        assertThat(crossings.between(onTheEastWall, new SpacePoint(13, 5, 2))).isEmpty();
        assertThat(crossings.between(new SpacePoint(10.9, 5, 2), new SpacePoint(13, 5, 2))).singleElement()
                .satisfies(crossing -> assertThat(crossing.material()).isEqualTo(Material.STONE));
    }

    @Test
    void light_passes_windows_and_gaps_but_no_doors_and_no_stone() {
        WallCrossings crossings = new WallCrossings(WeirSteps.plan());
        assertThat(crossings.inSight(new SpacePoint(12, 6.8, 1.5), new SpacePoint(10, 6.8, 1.5))).as("window of the east wall").isTrue();
        assertThat(crossings.inSight(new SpacePoint(12, 6.8, 0.5), new SpacePoint(10, 6.8, 0.5))).as("below its sill").isFalse();
        assertThat(crossings.inSight(new SpacePoint(12, 2.8, 1.5), new SpacePoint(10, 2.8, 1.5))).as("lane door").isFalse();
        assertThat(crossings.inSight(new SpacePoint(6, 2.8, 1.5), new SpacePoint(8, 2.8, 1.5))).as("gap of the hall").isTrue();
        assertThat(crossings.inSight(new SpacePoint(12, 4.5, 1.5), new SpacePoint(10, 4.5, 1.5))).as("stone").isFalse();
    }

    @Test
    void the_nearest_wall_and_the_extent_are_found() {
        HousePlan plan = WeirSteps.plan();
        assertThat(plan.nearestWall(new PlanPoint(11.4, 2)).orElseThrow().id()).isEqualTo("east");
        assertThat(plan.nearestWall(new PlanPoint(15.2, 7)).orElseThrow().id()).isEqualTo("kiln-w");
        double[] box = plan.extentM();
        assertThat(box[0]).isEqualTo(-5);
        assertThat(box[2]).isEqualTo(24);
    }

    @Test
    void openings_take_the_material_of_their_kind_when_none_is_given() {
        assertThat(new Opening(Opening.Kind.WINDOW, 0, 1, 0.9, 2, null).material()).isEqualTo(Material.GLASS);
        assertThat(new Opening(Opening.Kind.DOOR, 0, 1, 0, 2, Material.METAL).material()).isEqualTo(Material.METAL);
        assertThatThrownBy(() -> new Opening(Opening.Kind.DOOR, 0, 1, 2, 1, null)).hasMessageContaining("head in metres");
    }

    /** Looking first at boxes is quicker and tells the same as asking every wall and every area. */
    @Property(tries = 500)
    void boxes_leave_nothing_out(@ForAll @DoubleRange(min = -30, max = 30) double x, @ForAll @DoubleRange(min = -30, max = 30) double y,
            @ForAll @DoubleRange(min = 0, max = 5) double reach) {
        HousePlan plan = WeirSteps.plan();
        PlanPoint point = new PlanPoint(x, y);
        Wall nearest = plan.nearestWall(point).orElseThrow();
        double least = Segments.distanceM(point, nearest.from(), nearest.to());
        for (Wall wall : plan.walls()) {
            double distance = Segments.distanceM(point, wall.from(), wall.to());
            assertThat(distance).isGreaterThanOrEqualTo(least);
            assertThat(distance > reach || Segments.mayReach(point, wall.from(), wall.to(), reach)).as(wall.id()).isTrue();
        }
        for (Area area : plan.areas()) {
            assertThat(area.covers(point)).as(area.id()).isEqualTo(SimplePointInAreaLocator.locate(Segments.coordinate(point),
                    Segments.polygon(area.outline())) != Location.EXTERIOR);
        }
    }
}
