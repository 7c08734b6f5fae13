package roofnest.core.cable;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;

import org.junit.jupiter.api.Test;

import roofnest.core.WeirSteps;
import roofnest.core.catalogue.Climb;
import roofnest.core.catalogue.Practice;
import roofnest.core.plan.Enclosures;
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

/** The way of a lead, on a box of 6 m by 4 m whose ways can be reckoned by hand, and on the house of the demo. */
class CableNetTest {
    /** Walls of 0.2 m about a room of 6 m by 4 m, 2.5 m high; the south wall's inner face is y = 0.1, its outer one y = −0.1. */
    private static HousePlan box(Material material, List<Opening> south, Thing... things) {
        return HousePlan.blank("box", 50).withStoreys(List.of(new Storey("g", "Ground", 0, 2.5, List.of())))
                .withWalls(List.of(wall("s", 0, 0, 6, 0, material, south), wall("e", 6, 0, 6, 4, material, List.of()),
                        wall("n", 6, 4, 0, 4, material, List.of()), wall("w", 0, 4, 0, 0, material, List.of())))
                .withThings(List.of(things));
    }

    private static Wall wall(String id, double x0, double y0, double x1, double y1, Material material, List<Opening> openings) {
        return new Wall(id, "g", new PlanPoint(x0, y0), new PlanPoint(x1, y1), material, 0.2, null, openings);
    }

    private static Thing socket(double x, double y, double height) {
        return new Thing("socket", "socket", Thing.Kind.SOCKET, new PlanPoint(x, y), height, null);
    }

    private static CableNet net(HousePlan plan) {
        return new CableNet(plan, new Shell(plan), new Ground(plan), Practice.USUAL);
    }

    private static CableWay way(HousePlan plan, CameraPose pose, Weighing weighing) {
        return net(plan).way(pose, weighing).orElseThrow();
    }

    @Test
    void on_the_sockets_own_wall_it_goes_along_and_up() {
        HousePlan plan = box(Material.BRICK, List.of(), socket(1, 0.1, 0.3));
        CableWay shortest = way(plan, new CameraPose(4, 0.15, 2, 0, 0), Weighing.SHORTEST);
        assertThat(shortest.alongM()).as("3 m along and 1.7 m up").isCloseTo(4.7, within(0.01));
        assertThat(shortest.bores()).isEmpty();
        assertThat(shortest.socketOutdoors()).isFalse();
        CableWay least = way(plan, new CameraPose(4, 0.15, 2, 0, 0), Weighing.LEAST_WORK);
        assertThat(least.legs().get(1).kind()).as("down to the skirting, where nobody sees it").isEqualTo(Leg.Kind.SKIRTING);
        assertThat(least.alongM()).isCloseTo(5.2, within(0.01));
        assertThat(least.effortM()).isLessThan(shortest.effortM());
        assertThat(least.seenM()).isLessThan(shortest.seenM());
    }

    @Test
    void it_goes_through_where_the_wall_can_be_drilled_and_falls_outwards() {
        CameraPose outside = new CameraPose(4, -0.2, 2, 180, 10);
        CableWay brick = way(box(Material.BRICK, List.of(), socket(1, 0.1, 0.3)), outside, Weighing.SHORTEST);
        assertThat(brick.bores()).singleElement().satisfies(hole -> {
            assertThat(hole.material()).isEqualTo(Material.BRICK);
            assertThat(hole.outwards()).isTrue();
            assertThat(hole.fallMm()).as("200 mm at 5°").isEqualTo(17);
            assertThat(hole.bitMm()).as("200.8 mm and 50").isEqualTo(260);
            assertThat(hole.from().yM()).isCloseTo(0.1, within(1e-6));
            assertThat(hole.to().yM()).isCloseTo(-0.1, within(1e-6));
        });
        assertThat(brick.alongM()).as("3 m along, 1.7 m up, 0.2 m through").isCloseTo(4.9, within(0.02));
        CableNet glass = net(box(Material.COATED_GLASS, List.of(), socket(1, 0.1, 0.3)));
        assertThat(glass.way(outside, Weighing.SHORTEST)).as("nothing is drilled or clipped there").isEmpty();
        assertThat(glass.why(outside)).contains(CableNet.None.NO_WAY);
        CableNet brickNet = net(box(Material.BRICK, List.of(), socket(1, 0.1, 0.3)));
        assertThat(brickNet.way(outside, Weighing.NO_HOLE)).as("a closed box").isEmpty();
    }

    @Test
    void a_gap_is_gone_round_and_a_door_over_its_head_and_a_window_never_crossed() {
        CameraPose outside = new CameraPose(4, -0.2, 2, 180, 10);
        Opening gap = new Opening(Opening.Kind.GAP, 2.5, 0.9, 0, 2.1, null);
        CableWay round = way(box(Material.BRICK, List.of(gap), socket(1, 0.1, 0.3)), outside, Weighing.NO_HOLE);
        assertThat(round.legs()).extracting(Leg::kind).contains(Leg.Kind.REVEAL);
        assertThat(round.bores()).isEmpty();
        Opening door = new Opening(Opening.Kind.DOOR, 2, 1, 0, 2.1, null);
        CameraPose inside = new CameraPose(4, 0.2, 0.5, 0, 0);
        CableWay over = way(box(Material.BRICK, List.of(door), socket(1, 0.1, 0.3)), inside, Weighing.SHORTEST);
        assertThat(over.doors()).isEqualTo(1);
        assertThat(over.alongM()).as("up to 2.18 m, 3 m along, down to 0.5 m").isCloseTo(1.88 + 3 + 1.68, within(0.05));
        assertThat(over.legs().stream().flatMap(leg -> leg.points().stream())).noneMatch(point -> point.xM() > 2 && point.xM() < 3
                && point.zM() < 2.1);
        Opening window = new Opening(Opening.Kind.WINDOW, 2, 1, 0.9, 2.1, null);
        CableWay under = way(box(Material.BRICK, List.of(window), socket(1, 0.1, 1.2)), inside, Weighing.SHORTEST);
        assertThat(under.doors()).isZero();
        assertThat(under.alongM()).as("under its sill").isCloseTo(3 + 0.7, within(0.02));
    }

    @Test
    void a_hole_keeps_off_openings_floors_and_what_runs_above_a_socket() {
        HousePlan plan = box(Material.BRICK, List.of(new Opening(Opening.Kind.WINDOW, 3.6, 1, 0.9, 2.1, null)), socket(4.1, 0.1, 0.3));
        // Right before the socket, under a window: neither above the socket nor in the pane.
        CableWay way = way(plan, new CameraPose(4.1, -0.2, 2.3, 180, 10), Weighing.SHORTEST);
        assertThat(way.bores()).singleElement().satisfies(hole -> {
            assertThat(Math.abs(hole.from().xM() - 4.1)).isGreaterThanOrEqualTo(CableNet.BESIDE_SOCKET_M);
            assertThat(hole.from().zM()).isGreaterThanOrEqualTo(CableNet.HOLE_CLEAR_M);
            boolean pane = hole.from().xM() > 3.6 - CableNet.HOLE_CLEAR_M && hole.from().xM() < 4.6 + CableNet.HOLE_CLEAR_M
                    && hole.from().zM() > 0.9 - CableNet.HOLE_CLEAR_M && hole.from().zM() < 2.1 + CableNet.HOLE_CLEAR_M;
            assertThat(pane).isFalse();
        });
    }

    @Test
    void an_outdoor_socket_spares_the_hole_and_the_lower_of_efforts_decides() {
        Thing out = new Thing("out", "outdoor socket", Thing.Kind.SOCKET, new PlanPoint(5.9, -0.1), 0.6, null);
        HousePlan plan = box(Material.STONE, List.of(), socket(4, 0.1, 0.3), out);
        CableWay way = way(plan, new CameraPose(4, -0.2, 2.2, 180, 10), Weighing.LEAST_WORK);
        assertThat(way.socket().name()).isEqualTo("outdoor socket");
        assertThat(way.socketOutdoors()).isTrue();
        assertThat(way.bores()).isEmpty();
        assertThat(way(plan, new CameraPose(4, -0.2, 2.2, 180, 10), Weighing.SHORTEST).socket().name()).as("through the wall is shorter")
                .isEqualTo("socket");
    }

    @Test
    void what_cannot_be_reached_says_why() {
        CameraPose hung = new CameraPose(4, -0.2, 2.2, 180, 10);
        assertThat(net(box(Material.BRICK, List.of())).why(hung)).contains(CableNet.None.NO_SOCKET);
        assertThat(net(box(Material.BRICK, List.of(), socket(1, 0.1, 0.3))).why(new CameraPose(4, -3, 2.2, 180, 10)))
                .contains(CableNet.None.NO_WALL);
        assertThat(net(box(Material.BRICK, List.of(), socket(3, 2, 0.3))).why(hung)).as("in the middle of the room, on no wall")
                .contains(CableNet.None.NO_WAY);
        assertThat(net(box(Material.BRICK, List.of(), socket(1, 0.1, 0.3))).why(hung)).isEmpty();
        assertThat(net(HousePlan.blank("empty", 50)).why(hung)).contains(CableNet.None.NO_SOCKET);
        assertThat(net(HousePlan.blank("empty", 50).withThings(List.of(socket(1, 1, 0.3)))).why(hung)).contains(CableNet.None.NO_WALL);
    }

    @Test
    void a_camera_under_eaves_takes_a_piece_along_the_soffit() {
        CableWay way = way(box(Material.BRICK, List.of(), socket(1, 0.1, 0.3)), new CameraPose(4, -0.6, 2.3, 180, 10), Weighing.SHORTEST);
        Leg last = way.legs().get(way.legs().size() - 1);
        assertThat(last.kind()).isEqualTo(Leg.Kind.SOFFIT);
        assertThat(last.lengthM()).as("0.5 m from the face, less what an arm reaches").isCloseTo(0.35, within(1e-6));
    }

    /** In the house of the demo: from storey to storey, out of the shed, and nowhere through a window or a door. */
    @Test
    void ways_of_a_whole_house_are_sound() {
        HousePlan plan = WeirSteps.plan();
        CableNet net = net(plan);
        Enclosures enclosures = new Enclosures(plan);
        List<CameraPose> poses = List.of(new CameraPose(11.4, 1, 2.8, 90, 12), new CameraPose(5, 9.95, 2.4, 0, 12),
                new CameraPose(5, -0.35, 4.4, 180, 12), new CameraPose(19.7, 7, 2.4, 90, 12), new CameraPose(5, 5.3, 5, 0, 12),
                new CameraPose(-0.35, 3, 2.4, 270, 12));
        for (CameraPose pose : poses) {
            for (Weighing weighing : Weighing.values()) {
                net.way(pose, weighing).ifPresent(way -> {
                    List<SpacePoint> points = new ArrayList<>();
                    way.legs().forEach(leg -> points.addAll(leg.points()));
                    assertThat(points.get(points.size() - 1).distanceM(pose.lens())).as("ends at the camera").isLessThan(0.2);
                    for (int i = 0; i + 1 < way.legs().size(); i++) {
                        List<SpacePoint> leg = way.legs().get(i).points();
                        assertThat(leg.get(leg.size() - 1).distanceM(way.legs().get(i + 1).points().get(0))).as("hangs together")
                                .isLessThan(0.02);
                    }
                    assertThat(way.bores().size()).isEqualTo((int) way.legs().stream()
                            .filter(leg -> leg.kind() == Leg.Kind.HOLE || leg.kind() == Leg.Kind.FLOOR).count());
                    for (Leg leg : way.legs()) {
                        if (leg.indoors() && leg.kind() != Leg.Kind.HOLE && leg.kind() != Leg.Kind.FLOOR) {
                            SpacePoint middle = leg.points().get(0);
                            assertThat(plan.storeys())
                                    .anyMatch(storey -> enclosures.around(storey, new PlanPoint(middle.xM(), middle.yM())));
                        }
                    }
                    assertThat(weighing != Weighing.NO_HOLE || way.bores().isEmpty()).isTrue();
                });
            }
            CableWay least = net.way(pose, Weighing.LEAST_WORK).orElseThrow();
            CableWay shortest = net.way(pose, Weighing.SHORTEST).orElseThrow();
            assertThat(shortest.alongM()).isLessThanOrEqualTo(least.alongM() + 1e-6);
            assertThat(least.effortM()).isLessThanOrEqualTo(shortest.effortM() + 1e-6);
        }
        assertThat(net.way(new CameraPose(5, -0.35, 4.4, 180, 12), Weighing.LEAST_WORK).orElseThrow().climb()).isEqualTo(Climb.LADDER);
        assertThat(net.way(new CameraPose(19.7, 7, 2.4, 90, 12), Weighing.LEAST_WORK).orElseThrow().socket().name())
                .isEqualTo("kiln shed socket");
    }

    @Test
    void who_works_high_from_the_ground_minds_the_eaves_less() {
        HousePlan plan = WeirSteps.plan();
        CameraPose high = new CameraPose(5, -0.35, 4.4, 180, 12);
        CableNet tall = new CableNet(plan, new Shell(plan), new Ground(plan),
                new Practice(Map.of(Practice.Figure.FROM_THE_GROUND, 2.6, Practice.Figure.FROM_STEPS, 3.6)));
        assertThat(tall.way(high, Weighing.LEAST_WORK).orElseThrow().effortM())
                .isLessThan(net(plan).way(high, Weighing.LEAST_WORK).orElseThrow().effortM());
    }
}
