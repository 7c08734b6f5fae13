package roofnest.core.mount;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

import roofnest.core.catalogue.Catalogue;
import roofnest.core.catalogue.MountSpec;
import roofnest.core.catalogue.PlateHole;
import roofnest.core.plan.Material;
import roofnest.core.view.CameraPose;
import roofnest.core.plan.Wall;
import roofnest.core.plan.Storey;
import roofnest.core.plan.PlanPoint;
import roofnest.core.plan.Opening;
import roofnest.core.plan.HousePlan;
import roofnest.core.promise.Standing;

/** What the wall really is decides the hole, and whether what hangs there stays. */
class FixingsTest {
    private static final MountSpec THREE = new MountSpec(3, 4, 35, true, null, 0.5, 100.0, 0.02, 50.0, null);

    private static Fixings into(Base base, Covering covering, int mm) {
        return Fixings.into(new SaidWall(base, covering, mm), THREE);
    }

    @Test
    void a_storm_pushes_as_reckoned() {
        assertThat(PullCheck.windN(0.02)).isCloseTo(9.375, within(1e-9));
        // (0.5 · 9.81 + 9.375) · 100/50 + 9.375, on one upper screw of three.
        assertThat(into(Base.SOLID_BRICK, Covering.NONE, 0).pull().orElseThrow().pullN()).isCloseTo(37.935, within(1e-9));
        MountSpec four = new MountSpec(4, 4, 35, true, null, 0.5, 100.0, 0.02, 50.0, null);
        assertThat(Fixings.into(new SaidWall(Base.SOLID_BRICK, Covering.NONE, 0), four).pull().orElseThrow().pullN())
                .isCloseTo(37.935 / 2, within(1e-9));
    }

    @ParameterizedTest
    @CsvSource({"SOLID_BRICK, KEPT", "CONCRETE, KEPT", "STONE, KEPT", "SOFTWOOD, KEPT", "HOLLOW, KEPT", "PLASTERBOARD, KEPT",
        "AERATED, THIN"})
    void an_ordinary_camera_stays_where_its_base_carries_it(Base base, Standing standing) {
        assertThat(into(base, Covering.NONE, 0).pull().orElseThrow().standing()).isEqualTo(standing);
    }

    @Test
    void far_off_a_soft_wall_it_does_not_stay_and_of_bare_sheet_nothing_is_said() {
        MountSpec arm = new MountSpec(2, 4, 35, true, null, 1.2, 300.0, 0.03, 50.0, null);
        assertThat(Fixings.into(new SaidWall(Base.AERATED, Covering.NONE, 0), arm).pull().orElseThrow().standing())
                .isEqualTo(Standing.BROKEN);
        assertThat(into(Base.SHEET_METAL, Covering.NONE, 0).pull()).isEmpty();
        assertThat(Fixings.into(new SaidWall(Base.SOLID_BRICK, Covering.NONE, 0), new MountSpec(0, 4, 35, true, null)).pull()).isEmpty();
    }

    @Test
    void what_lies_on_the_wall_is_gone_through_and_lengthens_the_lever() {
        Fixings bare = into(Base.SOLID_BRICK, Covering.NONE, 0);
        Fixings rendered = into(Base.SOLID_BRICK, Covering.RENDER, 18);
        assertThat(rendered.anchor()).isEqualTo("6 mm plug with 4 × 55 mm screw");
        assertThat(rendered.depthMm()).isEqualTo(65);
        assertThat(rendered.pull().orElseThrow().pullN()).isGreaterThan(bare.pull().orElseThrow().pullN());
        assertThat(rendered.cautions()).anyMatch(said -> said.startsWith("Render carries nothing"));
        assertThat(bare.edgeMm()).as("ten plugs").isEqualTo(60);
    }

    @Test
    void old_boards_stop_the_drill_and_thick_insulation_asks_for_its_own_anchors() {
        for (Base base : Base.values()) {
            Fixings old = into(base, Covering.OLD_BOARD, 8);
            assertThat(old.screws()).isZero();
            assertThat(old.drillMm()).isZero();
            assertThat(old.cautions()).anyMatch(said -> said.contains("asbestos") && said.contains("Do not drill"));
        }
        assertThat(into(Base.SOLID_BRICK, Covering.INSULATION, Fixings.SOFT_FROM_MM).screws()).isEqualTo(3);
        Fixings soft = into(Base.SOLID_BRICK, Covering.INSULATION, Fixings.SOFT_FROM_MM + 1);
        assertThat(soft.screws()).isZero();
        assertThat(soft.anchor()).contains("made for insulation");
    }

    @ParameterizedTest
    @EnumSource(Covering.class)
    void every_covering_has_its_word_of_caution_and_none_is_silent(Covering covering) {
        Fixings fixings = into(Base.SOFTWOOD, covering, covering == Covering.NONE ? 0 : 15);
        assertThat(fixings.cautions().isEmpty()).isEqualTo(covering == Covering.NONE);
    }

    @Test
    void hollow_and_aerated_walls_are_not_hammered() {
        assertThat(into(Base.HOLLOW, Covering.NONE, 0).bit()).contains("hammer off");
        assertThat(into(Base.AERATED, Covering.NONE, 0).bit()).contains("hammer off");
        assertThat(into(Base.CONCRETE, Covering.NONE, 0).bit()).contains("hammer on");
    }

    @Test
    void what_cannot_be_is_refused() {
        assertThatThrownBy(() -> new SaidWall(Base.STONE, Covering.NONE, 5)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new SaidWall(Base.STONE, Covering.RENDER, 301)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new MountSpec(2, 4, 35, true, null, Double.NaN, null, null, null, null))
                .isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new PullCheck(Double.NaN, 10)).isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void every_material_that_holds_a_screw_has_a_base_and_every_shipped_plate_stays_in_brick() {
        assertThat(Arrays.stream(Material.values()).filter(material -> Base.of(material).isPresent()))
                .allMatch(material -> Fixings.into(material, THREE).screws() > 0);
        Catalogue.shipped().models().stream().filter(model -> model.mount().screws() > 0).forEach(model -> assertThat(
                Fixings.into(Material.BRICK, model.mount()).pull().orElseThrow().standing()).as(model.key()).isEqualTo(Standing.KEPT));
    }

    @Test
    void a_plates_holes_say_how_many_are_upper_ones_and_how_far_the_lowest_is() {
        MountSpec triangle = new MountSpec(3, 4, 35, true, null, 0.5, 100.0, 0.02, null,
                List.of(new PlateHole(-20, 30), new PlateHole(20, 30), new PlateHole(0, -10)));
        assertThat(triangle.spacingMm()).isEqualTo(40);
        // (0.5 · 9.81 + 9.375) · 100/40 + 9.375, on two.
        assertThat(Fixings.into(new SaidWall(Base.STONE, Covering.NONE, 0), triangle).pull().orElseThrow().pullN())
                .isCloseTo(45.075 / 2, within(1e-9));
        assertThatThrownBy(() -> new MountSpec(3, 4, 35, true, null, null, null, null, null, List.of(new PlateHole(0, 0))))
                .hasMessageContaining("as many holes");
        assertThatThrownBy(() -> new MountSpec(2, 4, 35, true, null, null, null, null, null,
                List.of(new PlateHole(0, 0), new PlateHole(0, 3)))).hasMessageContaining("on one another");
        assertThatThrownBy(() -> new PlateHole(Double.NaN, 0)).isInstanceOf(IllegalArgumentException.class);
        MountSpec level = new MountSpec(2, 4, 35, true, null, null, null, null, null,
                List.of(new PlateHole(-20, 0), new PlateHole(20, 0)));
        assertThat(level.spacingMm()).as("two beside one another say nothing of it").isEqualTo(MountSpec.USUAL_SPACING_MM);
    }

    /** Over a pane nothing holds, beside it the wall does; the storey is that at which the camera hangs. */
    @Test
    void what_is_behind_a_camera_is_the_wall_or_what_is_in_it() {
        Opening pane = new Opening(Opening.Kind.WINDOW, 2, 1, 0.9, 2.1, null);
        HousePlan plan = HousePlan.blank("p", 50).withStoreys(List.of(new Storey("g", "Ground", 0, 2.5, null), new Storey("u", "Upper", 2.7,
                2.5, null))).withWalls(List.of(
                        new Wall("s", "g", new PlanPoint(0, 0), new PlanPoint(6, 0), Material.BRICK, 0.3, null, List.of(pane)),
                        new Wall("u", "u", new PlanPoint(0, 0), new PlanPoint(6, 0), Material.TIMBER, 0.2, null, List.of(pane))));
        assertThat(Fixings.materialBehind(plan, new CameraPose(2.5, -0.2, 1.5, 180, 0))).contains(Material.GLASS);
        assertThat(Fixings.materialBehind(plan, new CameraPose(2.5, -0.2, 2.3, 180, 0))).contains(Material.BRICK);
        assertThat(Fixings.materialBehind(plan, new CameraPose(3.2, -0.2, 1.5, 180, 0))).contains(Material.BRICK);
        assertThat(Fixings.materialBehind(plan, new CameraPose(3.2, -0.2, 4, 180, 0))).contains(Material.TIMBER);
        assertThat(Fixings.materialBehind(plan, new CameraPose(2.5, -0.2, 4, 180, 0))).contains(Material.GLASS);
        assertThat(Fixings.materialBehind(plan, new CameraPose(2.5, -3, 1.5, 180, 0))).isEmpty();
    }
}
