package roofnest.core.mount;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

import roofnest.core.WeirSteps;
import roofnest.core.catalogue.Catalogue;
import roofnest.core.catalogue.DeviceModel;
import roofnest.core.catalogue.MountSpec;
import roofnest.core.plan.HousePlan;
import roofnest.core.plan.Material;
import roofnest.core.plan.Place;
import roofnest.core.plan.PlanPoint;
import roofnest.core.plan.Wall;
import roofnest.core.view.CameraPose;

class MountTest {
    private static final HousePlan PLAN = WeirSteps.plan();
    private static final DeviceModel POST = Catalogue.shipped().get("dunmark-post");
    private static final DeviceModel EAVE = Catalogue.shipped().get("cairnlow-eave");

    @Test
    void stone_takes_a_plug_of_its_own_size_and_a_deeper_hole() {
        Fixings stone = Fixings.into(Material.STONE, POST.mount());
        assertThat(stone.drillMm()).isEqualTo(6);
        assertThat(stone.depthMm()).isEqualTo(45);
        assertThat(stone.bit()).contains("masonry");
        assertThat(stone.cautions()).isNotEmpty();
    }

    @ParameterizedTest
    @EnumSource(value = Material.class, names = {"GLASS", "COATED_GLASS", "HEDGE", "OPEN"})
    void what_holds_no_screw_is_said_so(Material material) {
        assertThat(Fixings.into(material, POST.mount()).screws()).isZero();
    }

    @Test
    void cable_has_slack_spare_and_clips() {
        CableRun run = CableRun.of("hall socket", 6, 5);
        assertThat(run.lengthM()).isEqualTo(7.26, within(1e-9));
        assertThat(run.beyondLeadM()).isEqualTo(2.26, within(1e-9));
        assertThat(run.clips()).isEqualTo(25);
    }

    @Test
    void higher_is_steeper_and_safer() {
        List<HeightChoice> choices
                = HeightChoice.forPlace(POST.lens(), new CameraPose(11.35, -0.2, 2.4, 110, 14), PLAN.place("river-stairs").orElseThrow(),
                        2.3);
        for (int i = 1; i < choices.size(); i++) {
            assertThat(choices.get(i).faceAngleDeg()).isGreaterThan(choices.get(i - 1).faceAngleDeg());
            assertThat(choices.get(i).blindGroundM()).isGreaterThan(choices.get(i - 1).blindGroundM());
        }
        assertThat(choices.get(0).outOfReach()).isFalse();
        assertThat(choices.get(2).outOfReach()).isTrue();
    }

    /** What a wall is made of decides the bit, the hole, what goes into it, and what to look for before drilling. */
    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "TIMBER | straight into the timber, pilot hole first | 2 | wood bit | 35 | 3 | ",
        "PLASTERBOARD | cavity anchor for 4 mm screws | 8 | wood bit | 15 | 3 | asbestos",
        "FOIL | cavity anchor for 4 mm screws | 8 | wood bit | 15 | 3 | asbestos",
        "BRICK | 6 mm plug with 4 × 35 mm screw | 6 | masonry bit, hammer on | 45 | 3 | Check for cables and pipes",
        "CAVITY_BRICK | 6 mm plug with 4 × 35 mm screw | 6 | masonry bit, hammer on | 45 | 3 | Check for cables and pipes",
        "CONCRETE | 6 mm plug with 4 × 35 mm screw | 6 | masonry bit, hammer on | 45 | 3 | Check for cables and pipes",
        "STONE | 6 mm plug with 4 × 35 mm screw | 6 | masonry bit, hammer off until the hole is started | 45 | 3 | not the joint",
        "METAL | self-drilling screw into the frame, sealing washer | 0 | no bit: the screw drills | 35 | 3 | Metal carries voltage",
        "GLASS | nothing here holds a screw | 0 | none | 0 | 0 | Choose a wall, post or soffit",
        "WATER_TANK | nothing here holds a screw | 0 | none | 0 | 0 | Choose a wall, post or soffit",
        "FOLIAGE | nothing here holds a screw | 0 | none | 0 | 0 | Choose a wall, post or soffit"})
    void each_material_has_its_own_fixing(
            Material material, String anchor, double drillMm, String bit, int depthMm, int screws, String caution) {
        Fixings fixings = Fixings.into(material, new MountSpec(3, 4, 35, true, null));
        assertThat(fixings.anchor()).isEqualTo(anchor);
        assertThat(fixings.drillMm()).isEqualTo(drillMm);
        assertThat(fixings.bit()).isEqualTo(bit);
        assertThat(fixings.depthMm()).isEqualTo(depthMm);
        assertThat(fixings.screws()).isEqualTo(screws);
        if (caution == null) {
            assertThat(fixings.cautions()).isEmpty();
        } else {
            assertThat(fixings.cautions()).anySatisfy(said -> assertThat(said).contains(caution));
        }
    }

    @Test
    void plugs_and_pilot_holes_come_in_whole_millimetres() {
        assertThat(Fixings.into(Material.BRICK, new MountSpec(2, 4.5, 35, true, null)).drillMm()).isEqualTo(7);
        assertThat(Fixings.into(Material.BRICK, new MountSpec(2, 3.4, 35, true, null)).drillMm()).isEqualTo(5);
        assertThat(Fixings.into(Material.TIMBER, new MountSpec(2, 4.5, 35, true, null)).drillMm()).isEqualTo(3);
        assertThat(Fixings.into(Material.PLASTERBOARD, new MountSpec(2, 4.5, 35, true, null)).anchor())
                .isEqualTo("cavity anchor for 4.5 mm screws");
    }

    /** The nearest wall within a metre is the one it hangs on; a camera farther off hangs on a post. */
    @ParameterizedTest
    @CsvSource({"11.35, east", "11.9, east", "12.1, "})
    void a_camera_hangs_on_a_wall_within_a_metre(double x, String wall) {
        assertThat(Fixings.wallBehind(PLAN, new CameraPose(x, 6.0, 2.4, 90, 12)).map(Wall::id)).isEqualTo(Optional.ofNullable(wall));
    }

    @Test
    void a_lead_that_suffices_needs_no_extension() {
        assertThat(CableRun.of("near", 1, 5).beyondLeadM()).as("the lead suffices").isZero();
        assertThat(CableRun.of("here", 0, 5).clips()).isEqualTo(1);
        assertThatThrownBy(() -> CableRun.of("far", 200.1, 5)).isInstanceOf(IllegalArgumentException.class);
    }

    /** Seen from 4 m away: the angle under which a face 1.6 m up is looked down on, and what is blind below. */
    @Test
    void a_height_is_weighed_for_the_face_at_the_place() {
        Place place = new Place("spot", "spot", new PlanPoint(4, 0), 0);
        List<HeightChoice> choices = HeightChoice.forPlace(POST.lens(), new CameraPose(0, 0, 2.4, 90, 10), place, 2.3);
        assertThat(choices).extracting(HeightChoice::heightM).containsExactly(1.8, 2.1, 2.4, 2.7, 3.0, 3.5);
        for (HeightChoice choice : choices) {
            assertThat(choice.faceAngleDeg()).isEqualTo(Math.toDegrees(Math.atan2(choice.heightM() - 1.6, 4)), within(1e-9));
            assertThat(choice.outOfReach()).isEqualTo(choice.heightM() >= 2.3);
            assertThat(choice.inFrame()).isTrue();
            assertThat(choice.densityPxPerM()).isBetween(150.0, 195.0);
        }
        assertThat(HeightChoice.forPlace(POST.lens(), new CameraPose(0, 0, 2.4, 270, 10), place, 2.3)).noneMatch(HeightChoice::inFrame);
        Place onTerrace = new Place("terrace", "terrace", new PlanPoint(4, 0), 0.5);
        assertThat(HeightChoice.forPlace(POST.lens(), new CameraPose(0, 0, 2.4, 90, 10), onTerrace, 2.3).get(2).faceAngleDeg())
                .as("who stands higher is looked down on less").isEqualTo(Math.toDegrees(Math.atan2(0.3, 4)), within(1e-9));
    }
}
