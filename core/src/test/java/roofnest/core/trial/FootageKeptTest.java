package roofnest.core.trial;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;

import roofnest.core.lang.Require;

class FootageKeptTest {
    @Test
    void a_full_card_is_counted_and_another_is_reckoned() {
        assertThat(new FootageKept(12, 100).days()).isEqualTo(12);
        assertThat(new FootageKept(12, 97).said()).isEqualTo("The card is full and its oldest clip 12 days old.");
        FootageKept half = new FootageKept(8, 31);
        assertThat(half.days()).isEqualTo(25.806, within(1e-3));
        assertThat(half.said()).isEqualTo("Oldest clip 8 days old, card 31 % full: about 25 days, if the weeks to come are alike.");
        assertThat(new FootageKept(20, 1).days()).as("no longer told apart").isEqualTo(365);
    }

    @Test
    void nothing_is_counted_before_a_week_or_on_a_card_that_is_all_but_empty() {
        assertThatThrownBy(() -> new FootageKept(6, 50)).isInstanceOf(Require.OutOfRange.class);
        assertThatThrownBy(() -> new FootageKept(9, 0)).isInstanceOf(Require.OutOfRange.class);
        assertThatThrownBy(() -> new FootageKept(9, Double.NaN)).isInstanceOf(Require.OutOfRange.class);
    }
}
