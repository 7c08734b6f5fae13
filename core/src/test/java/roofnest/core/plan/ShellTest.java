package roofnest.core.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;

import org.junit.jupiter.api.Test;

import roofnest.core.Houses;
import roofnest.core.RandomHouses;
import roofnest.core.document.DocumentFault;
import roofnest.core.document.DocumentRefused;

/** How storeys lie on one another. */
class ShellTest {
    private static final Roof GABLED = new Roof(Roof.Kind.PITCHED, 2.5, 5.5, 90.0, 0.5, null);

    /** A box of 8 by 6 m, its ridge running east and west over the middle. */
    private static HousePlan box(Roof roof, Storey... above) {
        List<Storey> storeys = new ArrayList<>(List.of(new Storey("g", "Ground", 0, 2.5, null, null, roof)));
        storeys.addAll(List.of(above));
        List<PlanPoint> corners = RandomHouses.rectangle(0, 0, 8, 6);
        List<Wall> walls = new ArrayList<>();
        for (int i = 0; i < 4; i++) {
            walls.add(new Wall("w" + i, "g", corners.get(i), corners.get((i + 1) % 4), Material.BRICK, 0.2, null, null));
        }
        walls.add(new Wall("inner", "g", new PlanPoint(4, 0), new PlanPoint(4, 6), Material.PLASTERBOARD, 0.1, null, null));
        walls.add(new Wall("low", "g", new PlanPoint(-4, 9), new PlanPoint(4, 9), Material.BRICK, 0.2, 1.2, null));
        return HousePlan.blank("box", 50).withStoreys(storeys).withWalls(walls);
    }

    private static Wall wall(HousePlan plan, String id) {
        return plan.walls().stream().filter(wall -> wall.id().equals(id)).findFirst().orElseThrow();
    }

    @Test
    void a_gable_follows_its_roof_and_other_walls_end_where_they_should() {
        HousePlan plan = box(GABLED);
        Shell shell = new Shell(plan);
        assertThat(shell.topM(wall(plan, "w1"), 8, 3)).as("under the ridge").isEqualTo(5.5, within(1e-9));
        assertThat(shell.topM(wall(plan, "w1"), 8, 1.5)).as("half way up the gable").isEqualTo(4.0, within(1e-9));
        assertThat(shell.topM(wall(plan, "w0"), 4, 0)).as("at the eaves").isEqualTo(2.5, within(1e-9));
        assertThat(shell.topM(wall(plan, "inner"), 4, 3)).as("a partition ends at its ceiling").isEqualTo(2.5);
        assertThat(shell.topM(wall(plan, "low"), 0, 9)).as("a garden wall is as high as it is drawn").isEqualTo(1.2);
        assertThat(shell.bendsM(wall(plan, "w1"))).singleElement().satisfies(at -> assertThat(at).isEqualTo(3.0, within(1e-9)));
        assertThat(shell.roofs()).hasSize(2).allSatisfy(pitch -> assertThat(pitch.outline().getArea()).isEqualTo(9 * 3.5, within(0.01)));
    }

    @Test
    void nobody_having_said_the_roof_is_flat_at_the_ceiling_and_none_is_none() {
        assertThat(new Shell(box(null)).roofs()).singleElement().satisfies(roof -> {
            assertThat(roof.plane().atM(4, 3)).isEqualTo(2.5);
            assertThat(roof.outline().getArea()).isEqualTo(48, within(0.01));
        });
        assertThat(new Shell(box(Roof.none())).roofs()).isEmpty();
        assertThat(new Shell(HousePlan.blank("open", 50)).roofs()).as("no walls, no rooms, no roof").isEmpty();
    }

    @Test
    void over_half_a_storey_the_roof_covers_the_other_half_and_the_hollow_between_is_closed() {
        Storey half = new Storey("u", "Upper", 2.8, 2.4, RandomHouses.rectangle(0, 0, 4, 6));
        HousePlan plan = box(null, half);
        Shell shell = new Shell(plan);
        assertThat(shell.topM(wall(plan, "w0"), 2, 0)).as("up to the floor above").isEqualTo(2.8);
        assertThat(shell.topM(wall(plan, "w0"), 6, 0)).as("up to its own roof").isEqualTo(2.5);
        assertThat(shell.roofs()).extracting(roof -> Math.round(roof.outline().getArea())).contains(24L);
        assertThat(shell.fascias()).anySatisfy(fascia -> {
            assertThat(fascia.lowM()).isEqualTo(2.5);
            assertThat(fascia.highM()).isEqualTo(2.8);
            assertThat(fascia.onWall()).as("the partition stands under it").isTrue();
        });
        WallCrossings crossings = new WallCrossings(plan);
        assertThat(crossings.inSight(new SpacePoint(2, 3, 2.3), new SpacePoint(12, 3, 3.2))).as("out through the hollow").isFalse();
    }

    @Test
    void rooms_are_told_from_what_lies_outside_and_from_the_thickness_of_a_floor() {
        Shell shell = new Shell(Houses.plan("weir-steps"));
        assertThat(shell.room(new PlanPoint(3, 3), 1.5)).hasValueSatisfying(storey -> assertThat(storey.id()).isEqualTo("ground"));
        assertThat(shell.room(new PlanPoint(3, 3), 2.8)).as("between ceiling and floor").isEmpty();
        assertThat(shell.indoors(new PlanPoint(3, 3), 2.8)).isTrue();
        assertThat(shell.room(new PlanPoint(3, 3), 4)).hasValueSatisfying(storey -> assertThat(storey.id()).isEqualTo("upper"));
        assertThat(shell.indoors(new PlanPoint(-1, 3), 1.5)).isFalse();
        assertThat(shell.indoors(new PlanPoint(3, 3), 12)).as("over the ridge").isFalse();
    }

    @Test
    void ways_through_a_roof_count_for_light_and_for_radio() {
        HousePlan plan = box(GABLED);
        WallCrossings crossings = new WallCrossings(plan);
        SpacePoint inside = new SpacePoint(2, 3, 2);
        SpacePoint above = new SpacePoint(2.5, 3, 9);
        assertThat(crossings.inSight(inside, above)).isFalse();
        assertThat(crossings.between(inside, above)).extracting(WallCrossings.Crossing::material).containsExactly(Material.TIMBER);
        HousePlan glazed = box(new Roof(Roof.Kind.PITCHED, 2.5, 5.5, 90.0, 0.0, Material.GLASS));
        assertThat(new WallCrossings(glazed).inSight(inside, above)).as("a glasshouse").isTrue();
        assertThat(crossings.from(2, 3).inSight(2, 2.5, 3, 9)).isFalse();
    }

    @Test
    void what_hides_is_named_and_the_nearest_first() {
        HousePlan plan
                = box(GABLED).withAreas(List.of(new Area("b", "bank", Area.Kind.LAWN, RandomHouses.rectangle(10, -2, 14, 8), 2.0, null),
                        new Area("p", "pit", Area.Kind.LAWN, RandomHouses.rectangle(20, 0, 24, 6), -2.0, null)));
        RaysFrom rays = new WallCrossings(plan).from(17, 3);
        assertThat(rays.firstHider(1, 4.5, 3, 1)).isEqualTo(WallCrossings.Hider.BANK);
        assertThat(rays.firstHider(2.2, 4.5, 3, 2.2)).as("over the bank").isEqualTo(WallCrossings.Hider.WALL);
        assertThat(rays.firstHider(3, 4.5, 3, 8)).as("over the house").isNull();
        assertThat(rays.firstHider(2, 22, 3, -1.9)).as("into the pit, through its edge").isEqualTo(WallCrossings.Hider.BANK);
        assertThat(rays.firstHider(8, 21.9, 3, -1.9)).as("steep enough").isNull();
        assertThat(rays.firstHider(3, 27, 3, -1)).isEqualTo(WallCrossings.Hider.GROUND);
    }

    @Test
    void roofs_and_stairwells_are_drawn_and_taken_back() throws EditRefused {
        HousePlan plan = Houses.plan("weir-steps");
        HousePlan pitched = PlanEdits.apply(plan, new PlanEdit.SetRoof("upper", "pitched", 5.2, 7.0, 0.0, 0.2));
        assertThat(pitched.storey("upper").orElseThrow().roof()).isEqualTo(new Roof(Roof.Kind.PITCHED, 5.2, 7.0, 0.0, 0.2, null));
        assertThat(PlanEdits.apply(pitched, new PlanEdit.SetRoof("upper", "none", 5.2, 7.0, 0.0, 0.2)).storey("upper").orElseThrow().roof())
                .isEqualTo(Roof.none());
        assertThat(PlanEdits.apply(pitched, new PlanEdit.SetRoof("upper", "", null, null, null, null)).storey("upper").orElseThrow().roof())
                .isNull();
        assertThatThrownBy(() -> PlanEdits.apply(plan, new PlanEdit.SetRoof("upper", "pitched", 5.2, null, 0.0, 0.0)))
                .isInstanceOf(EditRefused.class).hasMessageContaining("needs eaves, a ridge");
        assertThatThrownBy(() -> PlanEdits.apply(plan, new PlanEdit.SetRoof("upper", "thatch", null, null, null, null)))
                .hasMessageContaining("flat, pitched or none");
        HousePlan open = PlanEdits.apply(plan, new PlanEdit.AddStairwell("upper", 5, 3, 1, 2.4));
        assertThat(new Shell(open).floors().get(0).outline().getArea())
                .isEqualTo(new Shell(plan).floors().get(0).outline().getArea() - 2.4, within(1e-6));
        assertThat(PlanEdits.apply(open, new PlanEdit.CloseStairwells("upper"))).isEqualTo(plan);
        assertThatThrownBy(() -> PlanEdits.apply(plan, new PlanEdit.AddStairwell("upper", 50, 50, 1, 1)))
                .hasMessageContaining("No corner of this stairwell");
        assertThatThrownBy(() -> PlanEdits.apply(plan, new PlanEdit.AddStairwell("ground", 5, 3, 1, 1)))
                .hasMessageContaining("no floor of its own");
        assertThatThrownBy(() -> PlanEdits.apply(plan, new PlanEdit.AddStairwell("upper", 5, 3, 0.1, 1)))
                .hasMessageContaining("at least 0.3 m");
    }

    /** Walls as high as their storey stay so when the storey grows. */
    @Test
    void a_storey_that_grows_takes_its_walls_along() throws EditRefused {
        HousePlan higher = PlanEdits.apply(box(null), new PlanEdit.SetStorey("g", "Ground", 0, 3.0));
        assertThat(wall(higher, "w0").heightM()).isEqualTo(3.0);
        assertThat(wall(higher, "low").heightM()).isEqualTo(1.2);
    }

    @Test
    void a_roof_that_cannot_be_is_refused_by_what_it_is_over() {
        String document = new PlanDocument().write(Houses.plan("weir-steps"));
        String low = document.replaceFirst("\"eavesM\" : [0-9.]+", "\"eavesM\" : 3.0");
        assertThat(faults(low)).anySatisfy(fault -> assertThat(fault).contains("/storeys/1/roof/eavesM", "eaves are at least 0.50 m over"));
        String under = document.replaceFirst("\"ridgeM\" : [0-9.]+", "\"ridgeM\" : 4.0");
        assertThat(faults(under)).anySatisfy(fault -> assertThat(fault).contains("/roof/ridgeM", "lower than its eaves"));
        String halfSaid = document.replaceFirst("\"ridgeDeg\" : [0-9.]+,", "");
        assertThat(faults(halfSaid)).anySatisfy(fault -> assertThat(fault).contains("/roof", "ridgeDeg"));
    }

    private static List<String> faults(String document) {
        try {
            new PlanDocument().read(document);
            return List.of();
        } catch (DocumentRefused refused) {
            return refused.faults().stream().map(DocumentFault::toString).toList();
        }
    }
}
