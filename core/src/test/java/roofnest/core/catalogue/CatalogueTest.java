package roofnest.core.catalogue;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Collection;
import java.util.Random;
import java.util.stream.Stream;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class CatalogueTest {
    static Collection<DeviceModel> models() {
        return Catalogue.shipped().models();
    }

    @ParameterizedTest
    @MethodSource("models")
    void every_suggested_password_fits_its_models_rule(DeviceModel model) {
        for (int seed = 0; seed < 200; seed++) {
            String password = model.passwordRule().suggest(new Random(seed));
            assertThat(model.passwordRule().fault(password, model.factoryPassword())).as(password).isEmpty();
        }
    }

    @ParameterizedTest
    @MethodSource("models")
    void no_factory_password_is_accepted(DeviceModel model) {
        assertThat(model.passwordRule().fault(model.factoryPassword(), model.factoryPassword())).isPresent();
    }

    @ParameterizedTest
    @MethodSource("models")
    void states_that_lead_to_different_moves_look_different(DeviceModel model) {
        var cues = model.setUp().cues();
        assertThat(Stream.of(DeviceState.OFF, DeviceState.READY, DeviceState.JOINING, DeviceState.JOINED, DeviceState.FAILED)
                .map(state -> cues.get(state).words())).doesNotHaveDuplicates();
    }

    @Test
    void together_they_cover_every_way_in_every_reset_and_every_recovery() {
        assertThat(models().stream().flatMap(model -> model.setUp().methods().stream()).map(PairingMethod::way))
                .contains(PairingMethod.Way.values());
        assertThat(models().stream().flatMap(model -> model.setUp().resets().stream()).map(Reset::by)).contains(Reset.By.values());
        assertThat(models().stream().map(model -> model.setUp().recovery())).contains(Recovery.values());
        assertThat(models().stream().map(DeviceModel::sharing)).contains(Sharing.values());
        assertThat(models().stream().flatMap(model -> model.alerts().kinds().stream()).map(AlertSpec.KindOf::needs))
                .contains(AlertSpec.Needs.values());
    }

    @ParameterizedTest
    @MethodSource("models")
    void a_model_that_joins_through_a_hub_names_one_that_ships(DeviceModel model) {
        boolean byHub = model.setUp().method(PairingMethod.Way.HUB_BUTTON).isPresent();
        assertThat(Catalogue.shipped().hubOf(model).isPresent()).isEqualTo(byHub);
    }

    @ParameterizedTest
    @MethodSource("models")
    void its_resets_say_where_and_how_long(DeviceModel model) {
        assertThat(model.setUp().resets()).isNotEmpty().allSatisfy(reset -> assertThat(reset.instruction()).contains(reset.where())
                .contains(reset.holdSeconds() + " seconds").contains(reset.sign()));
    }

    @Test
    void a_state_without_a_light_of_its_own_looks_like_another() {
        SetUp sill = Catalogue.shipped().get("oskarra-sill").setUp();
        assertThat(sill.tellsApart(DeviceState.LISTENING)).isFalse();
        assertThat(sill.cue(DeviceState.LISTENING)).isEqualTo(sill.cue(DeviceState.READY));
        assertThat(sill.cue(DeviceState.UPDATING)).isEqualTo(sill.cue(DeviceState.BOOTING));
        SetUp eave = Catalogue.shipped().get("cairnlow-eave").setUp();
        assertThat(eave.tellsApart(DeviceState.LISTENING)).isTrue();
        assertThat(eave.cue(DeviceState.LISTENING)).isNotEqualTo(eave.cue(DeviceState.READY));
    }

    @Test
    void a_cool_down_that_a_model_does_not_offer_becomes_the_nearest_that_it_does() {
        AlertSpec alerts = Catalogue.shipped().get("oskarra-sill").alerts();
        assertThat(alerts.coolDownSeconds()).containsExactly(30, 60, 300);
        assertThat(alerts.nearestCoolDownSeconds(5)).isEqualTo(30);
        assertThat(alerts.nearestCoolDownSeconds(44)).isEqualTo(30);
        assertThat(alerts.nearestCoolDownSeconds(45)).isEqualTo(60);
        assertThat(alerts.nearestCoolDownSeconds(3600)).isEqualTo(300);
    }

    @Test
    void rules_say_what_is_wrong() {
        PasswordRule mixed = new PasswordRule(8, 16, 3, false);
        assertThat(mixed.fault("short1A", "x")).get().asString().contains("7 characters");
        assertThat(mixed.fault("alllowercase", "x")).get().asString().contains("1 of the 3");
        assertThat(mixed.fault("with space1A", "x")).get().asString().contains("without spaces");
        assertThat(mixed.fault("river8Stairs", "x")).isEmpty();
        PasswordRule digits = new PasswordRule(6, 10, 1, true);
        assertThat(digits.fault("012345", "x")).get().asString().contains("may not be 0");
        assertThat(digits.fault("12345a", "x")).get().asString().contains("digits only");
        assertThat(digits.fault("123456", "x")).isEmpty();
    }

    @Test
    void a_rhythm_strip_shows_four_seconds() {
        Cue quick = new Cue(Cue.Light.BLUE, Cue.Rhythm.QUICK, null);
        assertThat(quick.strip()).hasSize(16);
        assertThat(new Cue(Cue.Light.BLUE, Cue.Rhythm.SLOW, null).strip()).hasSize(4);
        assertThat(new Cue(Cue.Light.NONE, Cue.Rhythm.OFF, null).strip()).isEmpty();
    }
}
