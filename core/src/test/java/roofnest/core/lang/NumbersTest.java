package roofnest.core.lang;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class NumbersTest {
    @ParameterizedTest
    @CsvSource({"2.345,2,2.35", "2.344,2,2.34", "-0.04,1,0.0", "-63.5,0,\u221264", "1234567,0,1234567", "0.5,0,1"})
    void numbers_are_rounded_half_up_without_exponents(double value, int decimals, String text) {
        assertThat(Numbers.fixed(value, decimals)).isEqualTo(text);
    }

    @Test
    void what_is_no_number_is_said_in_words() {
        assertThat(Numbers.fixed(Double.NaN, 1)).isEqualTo("not a number");
        assertThat(Numbers.fixed(Double.POSITIVE_INFINITY, 1)).isEqualTo("no limit");
    }

    @Test
    void plain_numbers_carry_no_useless_zeros() {
        assertThat(Numbers.plain(62.5)).isEqualTo("62.5");
        assertThat(Numbers.plain(250)).isEqualTo("250");
        assertThat(Numbers.plain(-5)).isEqualTo("\u22125");
    }

    @ParameterizedTest
    @ValueSource(doubles = {Double.NaN, Double.POSITIVE_INFINITY, Double.NEGATIVE_INFINITY, 0.99, 12.01})
    void a_range_lets_nothing_through_that_is_not_in_it(double value) {
        assertThatThrownBy(() -> Require.inRange("height in metres", value, 1, 12)).isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining("height in metres must be from 1 to 12");
    }

    @Test
    void a_ranges_ends_belong_to_it() {
        assertThat(Require.inRange("x", 1.0, 1, 12)).isEqualTo(1);
        assertThat(Require.inRange("x", 12.0, 1, 12)).isEqualTo(12);
    }

    @Test
    void text_is_stripped_and_bounded() {
        assertThat(Require.text("name", "  Ida ", 5)).isEqualTo("Ida");
        assertThatThrownBy(() -> Require.text("name", "   ", 5)).hasMessage("name is empty");
        assertThatThrownBy(() -> Require.text("name", null, 5)).hasMessage("name is empty");
        assertThatThrownBy(() -> Require.text("name", "too long", 5)).hasMessageContaining("8 characters; at most 5");
    }
}
