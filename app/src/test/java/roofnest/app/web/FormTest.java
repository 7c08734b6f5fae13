package roofnest.app.web;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Map;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

import roofnest.core.promise.Light;

class FormTest {
    @ParameterizedTest
    @CsvSource({"2.4,2.4", "'2,4',2.4", "' 3 ',3", "\u22122,-2", "-2,-2"})
    void numbers_are_read_as_people_write_them(String typed, double value) {
        Form form = new Form(Map.of("h", typed));
        assertThat(form.decimal("h", "a height", -5, 12, "m")).isEqualTo(value);
        assertThat(form.ok()).isTrue();
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "tall", "NaN", "Infinity", "1e999", "13", "-6", "0x10", "2.4m"})
    void what_is_no_number_in_the_range_is_said_with_the_range_and_kept(String typed) {
        Form form = new Form(Map.of("h", typed));
        form.decimal("h", "a height", -5, 12, "m");
        assertThat(form.faultAt("h")).isEqualTo("Enter a height from \u22125 to 12 m.");
        assertThat(form.value("h", 2.4)).isEqualTo(typed);
    }

    @Test
    void whole_numbers_have_no_halves() {
        Form form = new Form(Map.of("n", "2.5"));
        form.whole("n", "how many", 1, 9, "things");
        assertThat(form.faultAt("n")).isEqualTo("Enter a whole number of things.");
    }

    @ParameterizedTest
    @ValueSource(strings = {"ida", "ida@quiller", "@quiller.example", "ida @quiller.example", "ida@@quiller.example"})
    void what_is_no_address_is_said(String typed) {
        Form form = new Form(Map.of("e", typed));
        form.email("e", "an e-mail address");
        assertThat(form.faultAt("e")).contains("not an e-mail address");
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "tomorrow", "2026-02-30", "1899-01-01", "12/31/2026"})
    void what_is_no_day_is_said(String typed) {
        Form form = new Form(Map.of("d", typed));
        form.date("d", "the day");
        assertThat(form.ok()).isFalse();
    }

    @Test
    void texts_are_stripped_and_bounded_and_control_characters_refused() {
        Form form = new Form(Map.of("a", "  Ida  ", "b", "x".repeat(9), "c", "ab\u0007"));
        assertThat(form.text("a", "a name", 8)).isEqualTo("Ida");
        form.text("b", "a name", 8);
        form.text("c", "a name", 8);
        form.text("missing", "a name", 8);
        assertThat(form.faultAt("b")).contains("9 characters; at most 8");
        assertThat(form.faultAt("c")).contains("cannot be shown");
        assertThat(form.faultAt("missing")).isEqualTo("Enter a name.");
    }

    @Test
    void choices_are_only_those_offered() {
        assertThat(new Form(Map.of("l", "NIGHT")).choice("l", "when", Light.class)).isEqualTo(Light.NIGHT);
        Form form = new Form(Map.of("l", "DUSK"));
        form.choice("l", "when", Light.class);
        assertThat(form.faultAt("l")).isEqualTo("Choose when.");
    }

    @Test
    void the_first_fault_of_a_field_stands_and_what_is_stored_shows_where_nothing_was_typed() {
        Form form = new Form(Map.of("a", ""));
        form.fault("a", "first");
        form.fault("a", "second");
        assertThat(form.faultAt("a")).isEqualTo("first");
        assertThat(form.value("a", "stored")).as("an emptied field stays empty").isEmpty();
        assertThat(form.value("b", "stored")).isEqualTo("stored");
        assertThat(form.value("c", null)).isEmpty();
    }
}
