package roofnest.core.cable;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;

import org.junit.jupiter.api.Test;

import roofnest.core.WeirSteps;
import roofnest.core.catalogue.Climb;
import roofnest.core.catalogue.Practice;
import roofnest.core.plan.Ground;
import roofnest.core.plan.HousePlan;
import roofnest.core.plan.Material;
import roofnest.core.plan.Opening;
import roofnest.core.plan.PlanPoint;
import roofnest.core.plan.Shell;
import roofnest.core.plan.SpacePoint;
import roofnest.core.plan.Storey;
import roofnest.core.plan.Thing;
import roofnest.core.plan.Wall;
import roofnest.core.view.CameraPose;

/** Ways that somebody drew, on a wall of 10 m along y = 0, 0.2 m thick, closed to a room behind it. */
class HandDrawnTest {
    private static final CameraPose EYE = new CameraPose(4, -0.15, 2, 180, 10);
    private static final Opening WINDOW = new Opening(Opening.Kind.WINDOW, 2.5, 1, 0.9, 2, Material.GLASS);

    private static DrawnWay drawn(Material material, List<Opening> openings, SpacePoint... turns) {
        return net(box(material, openings)).drawn("socket", List.of(turns), EYE).orElseThrow();
    }

    private static HousePlan box(Material material, List<Opening> openings) {
        return HousePlan.blank("box", 50).withStoreys(List.of(new Storey("g", "Ground", 0, 2.5, List.of()),
                new Storey("u", "Upstairs", 2.8, 5.2, List.of())))
                .withWalls(List.of(wall("s", "g", 0, 0, 10, 0, material, openings), wall("e", "g", 10, 0, 10, 6, material, List.of()),
                        wall("n", "g", 10, 6, 0, 6, material, List.of()), wall("w", "g", 0, 6, 0, 0, material, List.of()),
                        wall("us", "u", 0, 0, 10, 0, material, List.of()), wall("ue", "u", 10, 0, 10, 6, material, List.of()),
                        wall("un", "u", 10, 6, 0, 6, material, List.of()), wall("uw", "u", 0, 6, 0, 0, material, List.of())))
                .withThings(List.of(new Thing("k", "socket", Thing.Kind.SOCKET, new PlanPoint(1, 0.11), 0.3)));
    }

    private static Wall wall(String id, String storey, double x0, double y0, double x1, double y1, Material material,
            List<Opening> openings) {
        return new Wall(id, storey, new PlanPoint(x0, y0), new PlanPoint(x1, y1), material, 0.2, null, openings);
    }

    private static CableNet net(HousePlan plan) {
        return new CableNet(plan, new Shell(plan), new Ground(plan), Practice.USUAL);
    }

    @Test
    void turns_are_caught_by_the_faces_of_walls_and_what_lies_between_is_drilled() {
        DrawnWay way = drawn(Material.BRICK, List.of(), new SpacePoint(2, 0.3, 1), new SpacePoint(2, -0.02, 1));
        assertThat(way.faults()).isEmpty();
        assertThat(way.points().get(1)).as("the inner face").isEqualTo(new SpacePoint(2, 0.11, 1));
        assertThat(way.points().get(2)).as("the outer one").isEqualTo(new SpacePoint(2, -0.11, 1));
        assertThat(way.way().alongM()).as("1 m along, 0.7 up, 0.22 through, 2 along, 1 up").isCloseTo(1 + 0.7 + 0.22 + 2 + 1,
                within(0.001));
        assertThat(way.way().bores()).singleElement().satisfies(bore -> {
            assertThat(bore.material()).isEqualTo(Material.BRICK);
            assertThat(bore.outwards()).isTrue();
            assertThat(bore.from().yM()).isGreaterThan(0);
            assertThat(bore.fallMm()).isEqualTo(17);
        });
        assertThat(way.way().climb()).isEqualTo(Climb.NOTHING);
    }

    @Test
    void nothing_is_led_through_a_window_or_a_pane_or_over_a_socket() {
        SpacePoint in = new SpacePoint(3, 0.2, 1.5);
        SpacePoint out = new SpacePoint(3, -0.2, 1.5);
        assertThat(drawn(Material.BRICK, List.of(WINDOW), in, out).faults()).containsExactly(
                "Between turn 1 and turn 2 it goes through a window, where no lead stays whole: go round it.");
        SpacePoint under = new SpacePoint(3, 0.2, 0.5);
        assertThat(drawn(Material.BRICK, List.of(WINDOW), under, new SpacePoint(3, -0.2, 0.5)).faults()).as("below its sill").isEmpty();
        assertThat(drawn(Material.GLASS, List.of(), in, out).faults().get(0)).contains("0.20 m of plain glass", "nobody drills");
        assertThat(drawn(Material.BRICK, List.of(), new SpacePoint(1.1, -0.2, 0.3)).faults().get(0))
                .startsWith("Between the socket and turn 1 it is drilled over a socket");
        assertThat(drawn(Material.BRICK, List.of(), new SpacePoint(5, 3, 0.3)).way().bores()).as("straight through to the camera")
                .hasSize(1);
    }

    @Test
    void a_way_through_floors_is_drilled_plumb_and_over_the_roof_is_not_a_floor() {
        DrawnWay up = drawn(Material.BRICK, List.of(), new SpacePoint(2, 0.2, 3.2), new SpacePoint(2, -0.2, 3.2));
        assertThat(up.way().bores()).extracting(Bore::floor).containsExactly(true, false);
        assertThat(up.way().bores().get(0).thicknessM()).isCloseTo(0.3, within(1e-9));
        assertThat(up.way().climb()).isNotEqualTo(Climb.NOTHING);
        DrawnWay outside = drawn(Material.BRICK, List.of(), new SpacePoint(2, 0.2, 1), new SpacePoint(2, -0.2, 1),
                new SpacePoint(3, -0.2, 4));
        assertThat(outside.way().bores()).as("up the outside").extracting(Bore::floor).containsExactly(false);
        DrawnWay down = drawn(Material.BRICK, List.of(), new SpacePoint(2, 0.2, 3.2), new SpacePoint(3, 0.2, 1),
                new SpacePoint(3, -0.2, 1));
        assertThat(down.way().bores()).extracting(Bore::floor).containsExactly(true, true, false);
        assertThat(down.way().bores().get(1).from().zM()).isGreaterThan(down.way().bores().get(1).to().zM());
    }

    /** Drawing over a way that was found finds the same. */
    @Test
    void a_found_way_drawn_over_is_as_long_and_as_much_drilled() {
        CableNet net = net(WeirSteps.plan());
        int drilled = 0;
        for (CameraPose pose : List.of(new CameraPose(11.4, 1, 2.8, 90, 12), new CameraPose(5, 9.95, 2.4, 0, 12),
                new CameraPose(19.7, 7, 2.4, 90, 12))) {
            CableWay found = net.way(pose, Weighing.LEAST_WORK).orElseThrow();
            List<SpacePoint> turns = found.legs().stream().flatMap(leg -> leg.points().stream().skip(1)).toList();
            DrawnWay over = net.drawn(found.socket().name(), turns.subList(0, turns.size() - 1), pose).orElseThrow();
            assertThat(over.faults()).isEmpty();
            assertThat(over.way().alongM()).as("to " + pose).isCloseTo(found.alongM(), within(0.4));
            assertThat(over.way().bores()).extracting(Bore::material).isEqualTo(found.bores().stream().map(Bore::material).toList());
            drilled += over.way().bores().size();
        }
        assertThat(drilled).as("some of them go through a wall").isPositive();
    }

    @Test
    void a_socket_that_the_plan_does_not_know_draws_nothing() {
        assertThat(net(box(Material.BRICK, List.of())).drawn("elsewhere", List.of(), EYE)).isEmpty();
    }
}
