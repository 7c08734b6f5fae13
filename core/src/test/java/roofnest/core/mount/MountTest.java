package roofnest.core.mount;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

import roofnest.core.WeirSteps;
import roofnest.core.catalogue.Catalogue;
import roofnest.core.catalogue.DeviceModel;
import roofnest.core.plan.HousePlan;
import roofnest.core.plan.Material;
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
    void a_pack_needs_no_cable_and_a_plug_takes_the_nearest_socket() {
        CameraPose pose = new CameraPose(11.35, 3.5, 2.4, 90, 12);
        assertThat(CableRun.toNearestSocket(PLAN, POST.power(), pose)).isEmpty();
        assertThat(CableRun.toNearestSocket(PLAN, EAVE.power(), pose).orElseThrow().socket()).isEqualTo("hall socket");
    }

    @Test
    void higher_is_steeper_and_safer() {
        List<HeightChoice> choices
                = HeightChoice.forPlace(POST.lens(), new CameraPose(11.35, -0.2, 2.4, 110, 14), PLAN.place("river-stairs").orElseThrow());
        for (int i = 1; i < choices.size(); i++) {
            assertThat(choices.get(i).faceAngleDeg()).isGreaterThan(choices.get(i - 1).faceAngleDeg());
            assertThat(choices.get(i).blindGroundM()).isGreaterThan(choices.get(i - 1).blindGroundM());
        }
        assertThat(choices.get(0).outOfReach()).isFalse();
        assertThat(choices.get(2).outOfReach()).isTrue();
    }
}
