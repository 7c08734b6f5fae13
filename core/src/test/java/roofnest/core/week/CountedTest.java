package roofnest.core.week;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.SplittableRandom;

import org.hipparchus.distribution.continuous.GammaDistribution;
import org.junit.jupiter.api.Test;

/** A rate learns from what was counted. */
class CountedTest {
    @Test
    void fifty_a_week_worth_a_week_and_eighty_seen_in_one_make_sixty_five() {
        Counted counted = Counted.of(50, 1, 80, 1);
        assertThat(counted.mean()).isCloseTo(65, within(1e-9));
        assertThat(counted.low()).isLessThan(65);
        assertThat(counted.high()).isGreaterThan(65);
        assertThat(counted.times()).isCloseTo(1.3, within(1e-9));
        GammaDistribution exact = new GammaDistribution(130, 0.5);
        assertThat(exact.cumulativeProbability(counted.low())).isCloseTo(0.05, within(1e-6));
        assertThat(exact.cumulativeProbability(counted.high())).isCloseTo(0.95, within(1e-6));
    }

    @Test
    void ordinary_rates_give_way_to_a_week_and_an_empty_count_is_not_nothing() {
        Counted busy = Counted.of(2800, 1700, 6 / 7.0);
        assertThat(busy.mean()).isCloseTo(1700 * 7 / 6.0, within(12.0));
        Counted none = Counted.of(5, 0, 1);
        assertThat(none.mean()).as("not zero after one week").isGreaterThan(1);
        assertThat(none.low()).isPositive();
        Counted never = Counted.of(0, 0, 1);
        assertThat(never.mean()).isBetween(0.0, 0.05);
        assertThat(Counted.of(0, 7, 1).mean()).as("what was not expected is believed").isGreaterThan(0.1);
    }

    @Test
    void a_count_is_within_what_was_to_be_expected_up_to_about_a_factor_of_two() {
        assertThat(Counted.of(100, 100, 1).verdict()).isEqualTo(Counted.Verdict.AS_EXPECTED);
        assertThat(Counted.of(100, 190, 1).verdict()).isEqualTo(Counted.Verdict.AS_EXPECTED);
        assertThat(Counted.of(100, 40, 1).verdict()).isEqualTo(Counted.Verdict.AS_EXPECTED);
        assertThat(Counted.of(100, 230, 1).verdict()).isEqualTo(Counted.Verdict.MORE);
        assertThat(Counted.of(100, 20, 1).verdict()).isEqualTo(Counted.Verdict.FEWER);
        assertThat(Counted.of(0.2, 0, 1).verdict()).as("nothing seen of what is rare").isEqualTo(Counted.Verdict.AS_EXPECTED);
    }

    /** Nine in ten counts of houses drawn from the prior lie between the bounds. */
    @Test
    void the_bounds_of_a_count_hold_nine_in_ten_of_drawn_houses() {
        Counted counted = Counted.of(12, 0, 2);
        GammaDistribution prior = new GammaDistribution(Counted.WORTH_EVENTS, 12 / Counted.WORTH_EVENTS);
        SplittableRandom random = new SplittableRandom(3);
        int n = 20_000;
        int[] counts = new int[n];
        for (int i = 0; i < n; i++) {
            double rate = 2 * prior.inverseCumulativeProbability(random.nextDouble());
            double at = -Math.log(1 - random.nextDouble());
            while (at < rate) {
                counts[i]++;
                at -= Math.log(1 - random.nextDouble());
            }
        }
        double above = Arrays.stream(counts).filter(count -> count > counted.expectedHigh()).count() / (double) n;
        double below = Arrays.stream(counts).filter(count -> count < counted.expectedLow()).count() / (double) n;
        assertThat(above).isBetween(0.03, 0.055);
        assertThat(below).isBetween(0.02, 0.055);
    }

    @Test
    void what_cannot_be_counted_is_refused() {
        assertThatThrownBy(() -> Counted.of(5, -1, 1)).hasMessageContaining("seen");
        assertThatThrownBy(() -> Counted.of(5, 3, 0)).hasMessageContaining("weeks counted");
        assertThatThrownBy(() -> Counted.of(Double.NaN, 3, 1)).hasMessageContaining("expected");
    }
}
