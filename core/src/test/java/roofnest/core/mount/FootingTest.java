package roofnest.core.mount;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;

import org.junit.jupiter.api.Test;

import roofnest.core.catalogue.Climb;
import roofnest.core.plan.Area;
import roofnest.core.plan.HousePlan;
import roofnest.core.plan.Material;
import roofnest.core.plan.Opening;
import roofnest.core.plan.PlanPoint;
import roofnest.core.plan.Storey;
import roofnest.core.plan.Thing;
import roofnest.core.plan.Wall;
import roofnest.core.view.CameraPose;

/** Where a ladder stands, and what speaks against it. */
class FootingTest {
    private static final CameraPose HIGH = new CameraPose(5, -0.4, 4, 180, 15);

    /** One wall 10 m long, 0.3 m thick, along y = 0; the camera hangs south of it. */
    private static HousePlan wall(Opening... openings) {
        return HousePlan.blank("wall", 50).withStoreys(List.of(new Storey("g", "Ground", 0, 5, null)))
                .withWalls(List.of(new Wall("s", "g", new PlanPoint(0, 0), new PlanPoint(10, 0), Material.BRICK, 0.3, null,
                        List.of(openings))));
    }

    private static List<PlanPoint> field(double x0, double y0, double x1, double y1) {
        return List.of(new PlanPoint(x0, y0), new PlanPoint(x1, y0), new PlanPoint(x1, y1), new PlanPoint(x0, y1));
    }

    private static Footing footing(HousePlan plan) {
        return Footing.of(plan, HIGH, 4, Climb.LADDER, false).orElseThrow();
    }

    private static HousePlan with(Area.Kind kind, List<PlanPoint> outline) {
        return wall().withAreas(List.of(new Area("a", "area", kind, outline)));
    }

    @Test
    void one_out_for_four_up() {
        Footing four = footing(wall());
        assertThat(four.outM()).isCloseTo(1.0, within(1e-9));
        assertThat(four.ladderM()).isCloseTo(4.123, within(1e-3));
        assertThat(four.foot().xM()).isCloseTo(5, within(1e-9));
        assertThat(four.foot().yM()).as("before the face").isCloseTo(-1.15, within(1e-9));
        assertThat(four.against()).isEmpty();
        assertThat(four.safe()).isTrue();
        assertThat(four.two()).as("at four metres, not above").isFalse();
        assertThat(Footing.of(wall(), new CameraPose(5, -0.4, 4.1, 180, 15), 4.1, Climb.LADDER, false).orElseThrow().two()).isTrue();
    }

    @Test
    void steps_stand_before_the_wall_and_the_ground_needs_nothing() {
        Footing steps = Footing.of(wall(), new CameraPose(5, -0.4, 2.5, 180, 15), 2.5, Climb.STEPS, false).orElseThrow();
        assertThat(steps.ladderM()).isZero();
        assertThat(steps.foot().yM()).isCloseTo(-0.75, within(1e-9));
        assertThat(Footing.of(wall(), HIGH, 1.9, Climb.NOTHING, false)).isEmpty();
        assertThat(Footing.of(wall(), new CameraPose(5, -3, 4, 180, 15), 4, Climb.LADDER, false)).as("on a post").isEmpty();
    }

    @Test
    void from_the_other_side_it_stands_on_the_other_side() {
        Footing north = Footing.of(wall(), new CameraPose(5, 0.4, 4, 0, 15), 4, Climb.LADDER, false).orElseThrow();
        assertThat(north.foot().yM()).isCloseTo(1.15, within(1e-9));
    }

    @Test
    void beside_a_door_it_moves_away_as_far_as_an_arm_reaches_and_says_so_where_that_does_not_do() {
        Footing beside = footing(wall(new Opening(Opening.Kind.DOOR, 5.3, 0.9, 0, 2, null)));
        assertThat(beside.against()).isEmpty();
        assertThat(beside.foot().xM()).isLessThan(5);
        assertThat(beside.besideM()).as("to the left of whoever faces the wall").isNegative();
        Footing before = footing(wall(new Opening(Opening.Kind.DOOR, 4, 2, 0, 2, null)));
        assertThat(before.against()).containsExactly(Footing.Against.DOORWAY);
        assertThat(before.safe()).isFalse();
        assertThat(footing(wall(new Opening(Opening.Kind.WINDOW, 4, 2, 1, 2, null))).safe()).as("a window opens over it").isTrue();
    }

    @Test
    void water_steps_slopes_and_what_stands_there_are_grave_and_ways_and_other_peoples_ground_are_said() {
        List<PlanPoint> all = field(0, -4, 10, -0.2);
        assertThat(footing(with(Area.Kind.WATER, all)).safe()).isFalse();
        assertThat(footing(with(Area.Kind.STEPS, all)).against()).containsExactly(Footing.Against.STEPS);
        assertThat(footing(with(Area.Kind.LAWN, all)).against()).isEmpty();
        Footing way = footing(with(Area.Kind.PATH, all));
        assertThat(way.against()).containsExactly(Footing.Against.WAY);
        assertThat(way.safe()).isTrue();
        assertThat(footing(with(Area.Kind.NEIGHBOUR, all)).against()).containsExactly(Footing.Against.NOT_OURS);
        HousePlan tank = wall().withThings(List.of(new Thing("t", "tank", Thing.Kind.TANK, new PlanPoint(5, -1.2), 1.2, 1.5)));
        assertThat(footing(tank).against()).containsExactly(Footing.Against.BLOCKED);
        Area slope = new Area("s", "slope", Area.Kind.LAWN, all, 0.0, new Area.Slope(1.0, 90));
        Footing leaning = footing(wall().withAreas(List.of(slope)));
        assertThat(leaning.against()).containsExactly(Footing.Against.UNEVEN);
        assertThat(leaning.two()).isTrue();
    }

    @Test
    void half_a_spot_in_water_is_left_for_the_dry_half() {
        Footing dry = footing(with(Area.Kind.WATER, field(4.9, -4, 10, -0.2)));
        assertThat(dry.against()).isEmpty();
        assertThat(dry.foot().xM()).isLessThan(4.7);
    }

    @Test
    void on_raised_ground_it_reaches_from_there() {
        Area bank = new Area("b", "bank", Area.Kind.LAWN, field(-1, -6, 11, -0.1), 1.0, null);
        Footing raised = Footing.of(wall().withAreas(List.of(bank)), HIGH, 3, Climb.LADDER, false).orElseThrow();
        assertThat(raised.workM()).isCloseTo(3, within(1e-9));
        assertThat(raised.outM()).isCloseTo(0.75, within(1e-9));
    }

    @Test
    void in_a_room_the_ground_is_no_matter() {
        assertThat(Footing.of(with(Area.Kind.WATER, field(0, -4, 10, 0)), HIGH, 3, Climb.LADDER, true).orElseThrow().safe()).isTrue();
    }
}
