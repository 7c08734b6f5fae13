package roofnest.core.kit;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

import net.jqwik.api.ForAll;
import net.jqwik.api.Property;

import roofnest.core.catalogue.Catalogue;

class DeviceLabelTest {
    @ParameterizedTest
    @ValueSource(strings = {
        "MODEL:Post;SN:PO-48812-K;ID:DMK7Q2XX;PW:lantern8", "S/N=PO-48812-K&UID=DMK7Q2XX&PWD=lantern8&type=Dunmark Post",
        "Model: Post\nSerial No.: PO-48812-K\nDevice ID: DMK7Q2XX\nPassword: lantern8",
        "{\"model\":\"dunmark-post\",\"sn\":\"PO-48812-K\",\"id\":\"DMK7Q2XX\",\"pw\":\"lantern8\"}"})
    void named_values_are_read_however_they_are_parted(String code) {
        DeviceLabel label = DeviceLabel.read(code);
        assertThat(label.serial()).contains("PO-48812-K");
        assertThat(label.deviceId()).contains("DMK7Q2XX");
        assertThat(label.initialPassword()).contains("lantern8");
        assertThat(label.unread()).isEmpty();
        assertThat(label.fits(Catalogue.shipped().get("dunmark-post"))).isTrue();
        assertThat(label.fits(Catalogue.shipped().get("oskarra-sill"))).isFalse();
    }

    @Test
    void a_bare_number_is_the_serial_and_fits_any_model() {
        DeviceLabel label = DeviceLabel.read(" PO-48812-K ");
        assertThat(label.serial()).contains("PO-48812-K");
        assertThat(label.unread()).isEmpty();
        assertThat(Catalogue.shipped().models()).allMatch(label::fits);
    }

    @Test
    void an_address_keeps_what_it_names_and_shows_the_rest() {
        DeviceLabel label = DeviceLabel.read("https://post.example/start?sn=PO-48812-K&lang=en");
        assertThat(label.serial()).contains("PO-48812-K");
        assertThat(label.unread()).containsExactly("https://post.example/start", "lang=en");
    }

    @ParameterizedTest
    @CsvSource({"hello there,false", "SN:,false", "'SN:AB12345',true"})
    void what_names_nothing_says_nothing(String code, boolean says) {
        assertThat(DeviceLabel.read(code).saysAnything()).isEqualTo(says);
    }

    @Test
    void letters_and_digits_that_are_mistaken_for_one_another_are_told() {
        assertThat(DeviceLabel.easilyMisread("DMK7Q2XX")).isFalse();
        assertThat(DeviceLabel.easilyMisread("DMK7O2XX")).isTrue();
        assertThat(DeviceLabel.easilyMisread("DMK712XX")).isTrue();
    }

    /** Every part of any text is either read or shown. */
    @Property(tries = 500)
    void any_text_is_read_or_shown(@ForAll String code) {
        DeviceLabel label = DeviceLabel.read(code);
        boolean anything
                = label.saysAnything() || label.initialPassword().isPresent() || label.model().isPresent() || !label.unread().isEmpty();
        assertThat(anything).isEqualTo(code.codePoints().limit(DeviceLabel.MOST_CHARACTERS)
                .anyMatch(c -> !Character.isWhitespace(c) && ";,&|?{}\n\r\t".indexOf(c) < 0));
    }
}
