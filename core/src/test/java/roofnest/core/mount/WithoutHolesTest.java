package roofnest.core.mount;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.OptionalDouble;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

import roofnest.core.catalogue.Catalogue;
import roofnest.core.catalogue.MountSpec;
import roofnest.core.catalogue.PowerSpec;
import roofnest.core.plan.Material;
import roofnest.core.plan.PlanPoint;
import roofnest.core.plan.Wall;
import roofnest.core.promise.Standing;
import roofnest.core.view.CameraPose;

/** Holds without a hole, an old bell's wires, wedges: at their limits. */
class WithoutHolesTest {
    private static final OptionalDouble WARM = OptionalDouble.of(15);

    private static MountSpec of(double kg, boolean thread) {
        return new MountSpec(2, 4, 35, true, null, kg, null, null, null, null, thread);
    }

    private static Hold.Held held(Hold hold, Hold.Surface surface, MountSpec mount, OptionalDouble c, int days) {
        return Hold.on(surface, mount, c, days).stream().filter(each -> each.hold() == hold).findFirst().orElseThrow();
    }

    @ParameterizedTest
    @CsvSource({"0.3, KEPT", "0.35, KEPT", "0.36, THIN", "0.5, THIN", "0.51, BROKEN"})
    void adhesive_carries_half_a_kilogram(double kg, Standing standing) {
        assertThat(held(Hold.ADHESIVE, Hold.Surface.SMOOTH, of(kg, true), WARM, 1000).standing()).isEqualTo(standing);
    }

    @Test
    void adhesive_wants_a_warm_surface_that_somebody_measured() {
        assertThat(held(Hold.ADHESIVE, Hold.Surface.SMOOTH, of(0.3, true), OptionalDouble.of(9.9), 100).standing())
                .isEqualTo(Standing.BROKEN);
        assertThat(held(Hold.ADHESIVE, Hold.Surface.SMOOTH, of(0.3, true), OptionalDouble.of(10), 100).standing()).isEqualTo(Standing.KEPT);
        Hold.Held unknown = held(Hold.ADHESIVE, Hold.Surface.SMOOTH, of(0.3, true), OptionalDouble.empty(), 100);
        assertThat(unknown.standing()).isEqualTo(Standing.UNTRIED);
        assertThat(unknown.why()).contains("nobody has measured");
        assertThat(held(Hold.ADHESIVE, Hold.Surface.SMOOTH, of(0.6, true), OptionalDouble.empty(), 100).standing())
                .as("too heavy whatever the weather").isEqualTo(Standing.BROKEN);
        assertThat(unknown.cautions()).anySatisfy(caution -> assertThat(caution).contains("24 h"));
    }

    @Test
    void suction_is_for_days_and_nothing_holds_on_brick() {
        assertThat(held(Hold.SUCTION, Hold.Surface.PANE, of(0.2, true), WARM, 7).standing()).isEqualTo(Standing.THIN);
        assertThat(held(Hold.SUCTION, Hold.Surface.PANE, of(0.2, true), WARM, 8).standing()).isEqualTo(Standing.BROKEN);
        assertThat(Hold.on(Hold.Surface.ROUGH, of(0.2, true), WARM, 1)).isEmpty();
        assertThatThrownBy(() -> Hold.on(Hold.Surface.PANE, of(0.2, true), WARM, 0)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> Hold.on(Hold.Surface.PANE, of(0.2, true), OptionalDouble.of(Double.NaN), 1))
                .isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void without_the_camera_screw_an_adapter_is_wanted_and_legs_do_not_do() {
        assertThat(held(Hold.CLAMP, Hold.Surface.METAL_PIPE_OR_POST, of(0.3, false), WARM, 100).standing()).isEqualTo(Standing.THIN);
        assertThat(held(Hold.CLAMP, Hold.Surface.METAL_PIPE_OR_POST, of(0.3, true), WARM, 100).standing()).isEqualTo(Standing.KEPT);
        assertThat(held(Hold.LEGS, Hold.Surface.RAIL_OR_BRANCH, of(0.3, false), WARM, 100).standing()).isEqualTo(Standing.BROKEN);
        assertThat(held(Hold.LEGS, Hold.Surface.RAIL_OR_BRANCH, of(0.3, true), WARM, 100).standing()).as("it sways")
                .isEqualTo(Standing.THIN);
        assertThat(Hold.on(Hold.Surface.SMOOTH, of(0.3, true), WARM, 3)).extracting(Hold.Held::standing)
                .as("the surest first").containsExactly(Standing.KEPT, Standing.THIN);
    }

    private static BellWires wires(double volts, double va, BellWires.Chime chime) {
        return new BellWires(OptionalDouble.of(volts), OptionalDouble.of(va), chime);
    }

    @Test
    void an_old_chimes_supply_does_not_feed_a_bell_that_wants_more() {
        PowerSpec bell = Catalogue.shipped().get("pellan-knock").power();
        assertThat(wires(8, 8, BellWires.Chime.MECHANICAL).feed(bell).standing()).isEqualTo(Standing.BROKEN);
        assertThat(wires(8, 8, BellWires.Chime.MECHANICAL).feed(bell).advice())
                .anySatisfy(advice -> assertThat(advice).contains("its pack"));
        assertThat(wires(20, 8, BellWires.Chime.MECHANICAL).feed(bell).why()).contains("8 VA; it wants 10 VA");
        assertThat(wires(20, 16, BellWires.Chime.MECHANICAL).feed(bell).standing()).isEqualTo(Standing.KEPT);
        assertThat(wires(16, 16, BellWires.Chime.MECHANICAL).feed(bell).standing()).as("it falls under load").isEqualTo(Standing.THIN);
        assertThat(wires(15.9, 16, BellWires.Chime.MECHANICAL).feed(bell).standing()).isEqualTo(Standing.BROKEN);
        assertThat(wires(24.1, 16, BellWires.Chime.MECHANICAL).feed(bell).standing()).isEqualTo(Standing.BROKEN);
        assertThat(wires(230, 16, BellWires.Chime.NONE).feed(bell).advice()).singleElement().satisfies(advice -> assertThat(advice)
                .contains("Stop", "electrician"));
        assertThat(wires(20, 16, BellWires.Chime.DIGITAL).feed(bell).advice()).anySatisfy(advice -> assertThat(advice).contains("diode"));
        assertThat(wires(20, 16, BellWires.Chime.NONE).feed(bell).advice()).anySatisfy(advice -> assertThat(advice).contains("resistor"));
        BellWires.Fed half = new BellWires(OptionalDouble.of(20), OptionalDouble.empty(), BellWires.Chime.UNKNOWN).feed(bell);
        assertThat(half.standing()).isEqualTo(Standing.UNTRIED);
        assertThat(half.why()).endsWith("Still to be looked at: the VA on the transformer, the chime.");
        assertThat(wires(20, 16, BellWires.Chime.NONE).feed(Catalogue.shipped().get("dunmark-post").power()).why())
                .contains("takes no bell wires");
        assertThatThrownBy(() -> wires(Double.NaN, 1, BellWires.Chime.NONE)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new PowerSpec(1, 3.7, 1, 1, 1, 1, 1, 1, 1, null, null, 16.0, null, null, null))
                .hasMessageContaining("said whole");
    }

    /** A wall along x whose camera hangs south of it: whoever faces the wall looks north, and east is on the right. */
    @ParameterizedTest
    @CsvSource({"180, 0, 'Wedge: none to the side; none downwards.'",
        "183, 4, 'Wedge: none to the side; none downwards.'",
        "195, 0, 'Wedge: 15° at its right edge, as one faces the wall; none downwards.'",
        "165, 12, 'Wedge: 15° at its left edge, as one faces the wall; 10° at its upper edge.'",
        "220, 0, 'Wedge: more than a wedge turns (40°): the other side of the door, or a corner plate; none downwards.'"})
    void a_wedge_is_thick_where_it_pushes_the_plate_out(double heading, double tilt, String words) {
        Wall wall = new Wall("s", "g", new PlanPoint(0, 0), new PlanPoint(10, 0), Material.BRICK, 0.3, 3.0, List.of());
        WallFace south = new WallFace(wall, false, 5, 0.05);
        assertThat(south.outDeg()).isEqualTo(180);
        assertThat(Wedge.of(new CameraPose(5, -0.2, 1.2, heading, tilt), south).words()).isEqualTo(words);
    }
}
