package roofnest.core.pairing;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;

import org.junit.jupiter.api.Test;

import roofnest.core.catalogue.Catalogue;
import roofnest.core.catalogue.HubModel;

class HouseSaleTest {
    private static final HubModel PERCH = Catalogue.shipped().hubOf(Catalogue.shipped().get("pellan-drift")).orElseThrow();

    private static HouseSale.Device device(long id, String name, String model, boolean joined) {
        return new HouseSale.Device(id, name, Catalogue.shipped().get(model), joined);
    }

    @Test
    void cameras_come_before_their_hub_screens_before_the_account_and_that_comes_last() {
        List<HouseSale.Step> steps = HouseSale.of(
                List.of(device(1, "Gate eye", "dunmark-post", true), device(2, "Bench", "pellan-drift", true)),
                List.of(new HouseSale.Hub(5, "Perch", PERCH)), List.of(new HouseSale.Screen(8, "Display")), "Ida");
        assertThat(steps).extracting(step -> step.at() + " " + step.id())
                .containsExactly("CAMERA 2", "CAMERA 1", "HUB 5", "SCREEN 8", "ACCOUNT 0");
        assertThat(steps.get(0).why()).isEqualTo("Before its hub, which otherwise keeps its place.");
        assertThat(steps.get(4).words()).startsWith("Close the account of Ida at the maker’s");
    }

    @Test
    void a_house_with_nothing_left_still_has_its_account() {
        assertThat(HouseSale.of(List.of(), List.of(), List.of(), "")).extracting(HouseSale.Step::at).containsExactly(HouseSale.At.ACCOUNT);
        assertThat(HouseSale.of(List.of(device(1, "Gate eye", "dunmark-post", false)), List.of(), List.of(), "").get(0).why())
                .isEqualTo("It was never joined.");
    }

    @Test
    void the_next_owner_gets_what_makes_it_theirs_and_no_password() {
        assertThat(HouseSale.given(Catalogue.shipped().get("dunmark-post"), "")).anySatisfy(line -> assertThat(line).startsWith("Reset: "))
                .contains("Dunmark Post, serial not noted");
    }
}
