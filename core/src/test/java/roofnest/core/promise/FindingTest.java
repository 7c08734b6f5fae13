package roofnest.core.promise;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;

import org.junit.jupiter.api.Test;

class FindingTest {
    private static final PromiseKey KEY = PromiseKey.written(1);

    @Test
    void standing_turns_at_the_limit_and_at_the_tolerance() {
        Limit atLeast = Limit.atLeast(125, 10, Unit.PX_PER_M);
        assertThat(atLeast.standing(124.99)).isEqualTo(Standing.BROKEN);
        assertThat(atLeast.standing(125)).isEqualTo(Standing.THIN);
        assertThat(atLeast.standing(134.99)).isEqualTo(Standing.THIN);
        assertThat(atLeast.standing(135)).isEqualTo(Standing.KEPT);
        Limit atMost = Limit.atMost(6, 1, Unit.SECONDS);
        assertThat(atMost.standing(6.1)).isEqualTo(Standing.BROKEN);
        assertThat(atMost.standing(5.5)).isEqualTo(Standing.THIN);
        assertThat(atMost.standing(5)).isEqualTo(Standing.KEPT);
        assertThat(atMost.standing(Double.NaN)).isEqualTo(Standing.BROKEN);
    }

    @Test
    void a_measure_that_is_no_number_is_refused() {
        assertThatThrownBy(() -> Finding.of(KEY, Double.NaN, Limit.atLeast(1, 0, Unit.DAYS), Evidence.READ, "why", List.of()))
                .hasMessageContaining("measured value");
    }

    @Test
    void numbers_carry_their_units_and_a_true_minus() {
        assertThat(Unit.DBM.format(-63.4)).isEqualTo("\u221263 dBm");
        assertThat(Unit.DEGREES.format(14)).isEqualTo("14°");
        assertThat(Finding.untried(KEY, Limit.atLeast(1, 0, Unit.DAYS), "why").measuredText()).isEqualTo("not tried");
    }

    @Test
    void keys_are_checked() {
        assertThatThrownBy(() -> new PromiseKey("x1; drop")).isInstanceOf(IllegalArgumentException.class);
        assertThat(PromiseKey.ofCamera(7, "link")).hasToString("c7.link");
    }
}
