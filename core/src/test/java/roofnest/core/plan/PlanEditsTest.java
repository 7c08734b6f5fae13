package roofnest.core.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;

import org.junit.jupiter.api.Test;

import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;

/** What drawing does to a plan. */
class PlanEditsTest {
    private static final PlanDocument DOCUMENTS = new PlanDocument();

    @Test
    void a_house_of_four_walls_is_drawn_corner_by_corner() throws Exception {
        HousePlan house = square();
        assertThat(house.walls()).hasSize(4).allSatisfy(wall -> assertThat(wall.heightM()).as("the storey's own height").isEqualTo(2.5));
        assertThat(house.walls()).extracting(Wall::id).doesNotHaveDuplicates();
        assertThat(DOCUMENTS.faults(house)).isEmpty();
    }

    @Test
    void a_wall_drawn_through_others_splits_them_and_itself() throws Exception {
        HousePlan crossed = PlanEdits.apply(square(), walls(point(4, -1), point(4, 7)));
        assertThat(crossed.walls()).hasSize(4 + 2 + 3);
        assertThat(crossed.walls()).filteredOn(wall -> wall.from().xM() == 4 && wall.to().xM() == 4).extracting(Wall::lengthM)
                .containsExactlyInAnyOrder(1.0, 6.0, 1.0);
        assertThat(DOCUMENTS.faults(crossed)).isEmpty();
    }

    @Test
    void a_wall_is_not_drawn_through_a_door() throws Exception {
        HousePlan withDoor = PlanEdits.apply(square(), door("wall-1", 3.5));
        assertThatThrownBy(() -> PlanEdits.apply(withDoor, walls(point(4, -1), point(4, 7)))).isInstanceOf(EditRefused.class)
                .hasMessageContaining("A door is there");
    }

    @Property(tries = 50)
    void splitting_a_wall_and_joining_it_again_leaves_it_as_it_was(@ForAll @DoubleRange(min = 0.1, max = 2.9) double at) throws Exception {
        HousePlan withDoor = PlanEdits.apply(square(), door("wall-1", 3.0));
        HousePlan split = PlanEdits.apply(withDoor, new PlanEdit.SplitWall("wall-1", at));
        assertThat(split.walls()).hasSize(5);
        String added = split.walls().get(1).id();
        Wall joined = PlanEdits.apply(split, new PlanEdit.JoinWalls("wall-1", added)).walls().get(0);
        Wall before = withDoor.walls().get(0);
        assertThat(joined.lengthM()).isEqualTo(before.lengthM(), within(1e-9));
        assertThat(joined.openings()).singleElement().satisfies(door -> assertThat(door.atM()).isEqualTo(3.0, within(1e-9)));
    }

    @Test
    void walls_that_turn_a_corner_or_differ_are_not_joined() throws Exception {
        HousePlan house = square();
        assertThatThrownBy(() -> PlanEdits.apply(house, new PlanEdit.JoinWalls("wall-1", "wall-2")))
                .hasMessageContaining("run on straight");
        HousePlan split = PlanEdits.apply(house, new PlanEdit.SplitWall("wall-1", 3));
        HousePlan other = PlanEdits.apply(split, new PlanEdit.SetWall("wall-1", Material.STONE, 0.5, 2.5));
        assertThatThrownBy(() -> PlanEdits.apply(other, new PlanEdit.JoinWalls("wall-1", split.walls().get(1).id())))
                .hasMessageContaining("different material");
    }

    @Test
    void moving_a_corner_takes_both_walls_along_and_keeps_their_doors_on_them() throws Exception {
        HousePlan moved = PlanEdits.apply(PlanEdits.apply(square(), door("wall-1", 6.9)),
                new PlanEdit.MoveCorner("ground", null, point(8, 0), point(7, 0)));
        assertThat(moved.walls().get(0).to()).isEqualTo(point(7, 0));
        assertThat(moved.walls().get(1).from()).isEqualTo(point(7, 0));
        assertThat(moved.walls().get(0).openings()).singleElement()
                .satisfies(door -> assertThat(door.atM() + door.widthM()).isLessThanOrEqualTo(7.0 + 1e-9));
    }

    @Test
    void a_storey_is_duplicated_on_top_with_a_floor_between() throws Exception {
        HousePlan two = PlanEdits.apply(square(), new PlanEdit.DuplicateStorey("ground", "Upper"));
        assertThat(two.walls()).hasSize(8);
        Storey upper = two.storeys().get(1);
        assertThat(upper.floorM()).isEqualTo(2.8, within(1e-9));
        assertThat(Segments.polygon(upper.slab()).getArea()).isEqualTo(48, within(1e-9));
        HousePlan one = PlanEdits.apply(two, new PlanEdit.Delete(upper.id()));
        assertThat(one.walls()).hasSize(4);
        assertThatThrownBy(() -> PlanEdits.apply(one, new PlanEdit.Delete("ground"))).hasMessageContaining("at least one storey");
    }

    @Test
    void areas_paths_places_things_and_names_are_set_moved_changed_and_taken_out() throws Exception {
        HousePlan plan = PlanEdits.apply(square(),
                new PlanEdit.AddArea("bank", Area.Kind.LAWN, List.of(point(10, 0), point(14, 0), point(14, 4))));
        plan = PlanEdits.apply(plan, new PlanEdit.SetArea("area-1", "steep bank", Area.Kind.LAWN, 0.5, 2, 90));
        plan = PlanEdits.apply(plan, new PlanEdit.AddPlace("bench", point(13.9, 1)));
        assertThat(plan.places().get(0).groundM()).as("a place takes the ground it stands on").isEqualTo(0.5 + 2 * 3.9 / 4, within(1e-9));
        plan = PlanEdits.apply(plan, new PlanEdit.AddThing("pear", Thing.Kind.TREE, point(12, 6), 5));
        plan = PlanEdits.apply(plan, new PlanEdit.SetNamed("thing-1", "old pear", 6.0, 2.5));
        assertThat(plan.things().get(0)).satisfies(tree -> assertThat(tree.radiusM()).isEqualTo(2.5));
        plan = PlanEdits.apply(plan, new PlanEdit.AddPath("up", List.of(point(9, 0), point(13, 1))));
        plan = PlanEdits.apply(plan, new PlanEdit.Move("path-1", 1, 1));
        assertThat(plan.paths().get(0).points().get(0)).isEqualTo(point(10, 1));
        plan = PlanEdits.apply(plan, new PlanEdit.AddLabel("hall", point(2, 2), "ground"));
        plan = PlanEdits.apply(plan, new PlanEdit.SetNamed("label-1", "kitchen", null, null));
        assertThat(plan.labels()).extracting(Label::text).containsExactly("kitchen");
        for (String id : List.of("label-1", "path-1", "thing-1", "place-1", "area-1", "wall-4")) {
            plan = PlanEdits.apply(plan, new PlanEdit.Delete(id));
        }
        HousePlan bare = plan;
        assertThat(bare.walls()).hasSize(3);
        assertThatThrownBy(() -> PlanEdits.apply(bare, new PlanEdit.Delete("path-1"))).hasMessageContaining("no longer on the plan");
    }

    @Test
    void what_cannot_be_is_refused_in_words() {
        assertThatThrownBy(() -> PlanEdits.apply(square(), walls(point(0, 0), point(0, 0.01)))).isInstanceOf(EditRefused.class)
                .hasMessageContaining("too short");
        assertThatThrownBy(() -> PlanEdits.apply(square(), new PlanEdit.SetWall("wall-1", Material.BRICK, Double.NaN, 2.5)))
                .isInstanceOf(EditRefused.class).hasMessageContaining("Wall thickness in metres must be from");
        assertThatThrownBy(() -> PlanEdits.apply(square(),
                new PlanEdit.SetOpening("wall-1", null, Opening.Kind.GAP, 0, 8.1, 0, 2, null))).hasMessageContaining("8.00 m long");
        assertThatThrownBy(() -> PlanEdits.apply(square(), new PlanEdit.SplitWall("wall-9", 1)))
                .hasMessageContaining("no longer on the plan");
    }

    /** Too near a corner it is moved along, as a hand would; it is refused only where it does not fit at all. */
    @Test
    void an_opening_too_near_a_corner_is_moved_along() throws EditRefused {
        Opening atEnd = PlanEdits.apply(square(), door("wall-1", 7.9)).walls().get(0).openings().get(0);
        assertThat(atEnd.atM() + atEnd.widthM()).isCloseTo(8, within(1e-9));
        Opening atStart = PlanEdits.apply(square(), door("wall-1", -0.4)).walls().get(0).openings().get(0);
        assertThat(atStart.atM()).isZero();
    }

    static HousePlan square() throws EditRefused {
        return PlanEdits.apply(HousePlan.blank("Corbel", 50), walls(point(0, 0), point(8, 0), point(8, 6), point(0, 6), point(0, 0)));
    }

    private static PlanEdit walls(PlanPoint... points) {
        return new PlanEdit.AddWalls("ground", List.of(points), Material.BRICK, 0.3, null);
    }

    private static PlanEdit door(String wall, double at) {
        return new PlanEdit.SetOpening(wall, null, Opening.Kind.DOOR, at, 0.9, 0, 2, null);
    }

    private static PlanPoint point(double x, double y) {
        return new PlanPoint(x, y);
    }
}
