package roofnest.core.power;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;

/** What years and charging leave of a pack. */
class PackAgeTest {
    @Test
    void aNewPackHoldsAllAndFiveHundredChargesTakeAFifth() {
        assertThat(new PackAge(0, 12).health()).isEqualTo(1);
        assertThat(new PackAge(5, 0).health()).as("standing").isCloseTo(0.9, within(1e-9));
        assertThat(new PackAge(1, 500).health()).isCloseTo(0.78, within(1e-9));
        assertThat(PackAge.of(2, 100, 5000).cyclesAYear()).isCloseTo(7.3, within(1e-9));
        assertThat(new PackAge(0, 0).dueAfterYears()).isCloseTo(10, within(1e-9));
        assertThat(new PackAge(3, 100).dueAfterYears()).as("whatever its age").isCloseTo(0.2 / 0.06, within(1e-9));
        assertThat(new PackAge(60, 500).health()).as("no less is reckoned").isEqualTo(PackAge.LEAST_SHARE);
        assertThatThrownBy(() -> new PackAge(-1, 0)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> PackAge.of(1, Double.NaN, 5000)).isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void olderNeverHoldsMoreNorDoesMoreCharging() {
        for (double years = 0; years < 20; years += 0.5) {
            for (double cycles = 0; cycles < 600; cycles += 50) {
                double now = new PackAge(years, cycles).health();
                assertThat(new PackAge(years + 0.5, cycles).health()).isLessThanOrEqualTo(now);
                assertThat(new PackAge(years, cycles + 50).health()).isLessThanOrEqualTo(now);
            }
        }
    }

    /** At the age at which it is due it holds just what it is due at. */
    @Test
    void dueIsWhenItHoldsFourFifths() {
        PackAge age = new PackAge(1, 80);
        assertThat(new PackAge(age.dueAfterYears(), 80).health()).isCloseTo(PackAge.DUE_SHARE, within(1e-9));
    }
}
