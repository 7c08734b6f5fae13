package roofnest.core.still;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Random;

import org.junit.jupiter.api.Test;

import roofnest.core.RandomHouses;
import roofnest.core.catalogue.LensSpec;
import roofnest.core.plan.Area;
import roofnest.core.plan.HousePlan;
import roofnest.core.plan.Material;
import roofnest.core.plan.Opening;
import roofnest.core.plan.PlanPoint;
import roofnest.core.plan.Storey;
import roofnest.core.plan.Wall;
import roofnest.core.view.CameraPose;
import roofnest.core.view.Projection;
import roofnest.core.view.Projection.Pixel;

class LandmarksTest {
    private static final LensSpec LENS = new LensSpec(LensSpec.Projection.RECTILINEAR, 1920, 1080, 100, 8);

    /** A box of walls 0.3 m thick, their middles on 0, 0 to 8, 6. */
    private static HousePlan box() {
        PlanPoint[] corners = {new PlanPoint(0, 0), new PlanPoint(8, 0), new PlanPoint(8, 6), new PlanPoint(0, 6)};
        Opening door = new Opening(Opening.Kind.DOOR, 3, 1, 0, 2, null);
        List<Wall> walls = List.of(
                new Wall("s", "g", corners[0], corners[1], Material.BRICK, 0.3, null, List.of(door)),
                new Wall("e", "g", corners[1], corners[2], Material.BRICK, 0.3, null, null),
                new Wall("n", "g", corners[2], corners[3], Material.BRICK, 0.3, null, null),
                new Wall("w", "g", corners[3], corners[0], Material.BRICK, 0.3, null, null));
        return HousePlan.blank("box", 50).withStoreys(List.of(new Storey("g", "Ground", 0, 2.5, null))).withWalls(walls);
    }

    private static Wall wall(HousePlan plan, String id) {
        return plan.walls().stream().filter(wall -> wall.id().equals(id)).findFirst().orElseThrow();
    }

    private static void at(PlanPoint point, double xM, double yM) {
        assertThat(point.xM()).isCloseTo(xM, within(1e-6));
        assertThat(point.yM()).isCloseTo(yM, within(1e-6));
    }

    @Test
    void from_outside_a_wall_shows_from_outer_corner_to_outer_corner_and_from_inside_from_inner_to_inner() {
        HousePlan outside = Faces.towards(box(), new PlanPoint(4, -5));
        at(wall(outside, "s").from(), -0.15, -0.15);
        at(wall(outside, "s").to(), 8.15, -0.15);
        HousePlan inside = Faces.towards(box(), new PlanPoint(4, 3));
        at(wall(inside, "s").from(), 0.15, 0.15);
        at(wall(inside, "s").to(), 7.85, 0.15);
        at(wall(inside, "n").from(), 7.85, 5.85);
    }

    @Test
    void openings_stay_where_they_are_when_the_end_of_their_wall_moves() {
        for (PlanPoint eye : List.of(new PlanPoint(4, -5), new PlanPoint(4, 3), new PlanPoint(-6, -2))) {
            Wall south = wall(Faces.towards(box(), eye), "s");
            assertThat(south.along(south.openings().get(0).atM()).xM()).isCloseTo(3, within(1e-6));
        }
    }

    @Test
    void a_doors_foot_lies_on_the_face_with_left_and_right_as_seen() {
        List<Landmark> fromOutside = Landmarks.of(box(), new PlanPoint(4, -5));
        Landmark left = fromOutside.stream().filter(landmark -> landmark.name().equals("door, foot of its left")).findFirst().orElseThrow();
        assertThat(left.at().xM()).isCloseTo(3, within(1e-6));
        assertThat(left.at().yM()).isCloseTo(-0.15, within(1e-6));
        assertThat(left.at().zM()).isZero();
        Landmark leftFromInside = Landmarks.of(box(), new PlanPoint(4, 3)).stream()
                .filter(landmark -> landmark.name().equals("door, foot of its left")).findFirst().orElseThrow();
        assertThat(leftFromInside.at().xM()).isCloseTo(4, within(1e-6));
    }

    @Test
    void nothing_is_offered_that_a_wall_hides_or_the_frame_cuts() {
        CameraPose pose = new CameraPose(4, -6, 2.4, 0, 8);
        List<Landmark> offered = Landmarks.offered(box(), LENS, pose);
        assertThat(offered).isNotEmpty().allMatch(landmark -> landmark.at().yM() < 0.2, "the far wall is hidden by the near one");
        assertThat(offered).extracting(Landmark::name).contains("corner of the single brick wall, at the ground",
                "door, foot of its left");
        assertThat(Landmarks.offered(box(), LENS, pose.turned(180, 8, 0))).isEmpty();
    }

    @Test
    void what_is_offered_lies_apart_in_the_picture_and_is_never_more_than_can_be_told_apart() {
        Random random = new Random(12);
        int houses = 0;
        for (int i = 0; i < 120; i++) {
            HousePlan plan = RandomHouses.plan(random.nextInt(10_000));
            CameraPose pose = RandomHouses.pose(random);
            List<Landmark> offered = Landmarks.offered(plan, LENS, pose);
            assertThat(offered.size()).isLessThanOrEqualTo(Landmarks.MOST_OFFERED);
            houses += offered.size() > 5 ? 1 : 0;
            Projection projection = new Projection(LENS, pose);
            for (Landmark one : offered) {
                Pixel at = projection.pixel(one.at()).orElseThrow();
                assertThat(projection.inFrame(at)).isTrue();
                for (Landmark other : offered) {
                    Pixel there = projection.pixel(other.at()).orElseThrow();
                    assertThat(one == other || Math.hypot(at.x() - there.x(), at.y() - there.y()) > 50).isTrue();
                }
            }
        }
        assertThat(houses).as("houses with enough to choose from").isGreaterThan(40);
    }

    @Test
    void a_plan_without_anything_offers_nothing() {
        assertThat(Landmarks.offered(HousePlan.blank("empty", 50), LENS, new CameraPose(0, 0, 2, 0, 0))).isEmpty();
    }

    @Test
    void a_corner_that_lies_under_another_area_is_none() {
        Area path = new Area("path", "front path", Area.Kind.PATH, RandomHouses.rectangle(3, -8, 4, -1));
        Area road = new Area("road", "the road", Area.Kind.ROAD, RandomHouses.rectangle(-20, -9, 30, -6));
        List<String> names = Landmarks.of(box().withAreas(List.of(path, road)), new PlanPoint(4, -3)).stream().map(Landmark::name).toList();
        assertThat(names).contains("corner 3 of the front path", "corner 4 of the front path", "corner 1 of the road")
                .doesNotContain("corner 1 of the front path", "corner 2 of the front path")
                .contains("where the front path meets the road (1)", "where the front path meets the road (2)")
                .doesNotContain("where the front path meets the road (3)");
        assertThat(Landmarks.of(box().withAreas(List.of(road, path)), new PlanPoint(4, -3))).extracting(Landmark::name)
                .contains("corner 1 of the front path");
    }
}
