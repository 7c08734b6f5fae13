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
