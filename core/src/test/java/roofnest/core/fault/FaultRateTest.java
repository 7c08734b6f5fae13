package roofnest.core.fault;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.SplittableRandom;

import org.junit.jupiter.api.Test;

/** Rates with their intervals: few cases tell little, and none is not never. */
class FaultRateTest {
    @Test
    void noCaseIsNotNever() {
        FaultRate none = FaultRate.of(0, 10);
        assertThat(none.aYear()).isZero();
        assertThat(none.high()).isBetween(0.15, 0.25);
        assertThat(none.tells()).isFalse();
        assertThat(FaultRate.of(1, 2).tells()).as("one case tells nothing").isFalse();
        assertThat(FaultRate.of(12, 40).tells()).isTrue();
        assertThat(FaultRate.of(12, 40).aYear()).isCloseTo(0.3, within(1e-12));
        assertThatThrownBy(() -> FaultRate.of(1, 0)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> FaultRate.of(-1, 3)).isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void moreYearsNarrowItAndOnlyWhatIsSureIsSaidToBeMore() {
        assertThat(FaultRate.of(40, 100).high() - FaultRate.of(40, 100).low()).isLessThan(FaultRate.of(4, 10).high() - FaultRate.of(4, 10)
                .low());
        assertThat(FaultRate.of(40, 50).surelyMoreThan(FaultRate.of(10, 100))).isTrue();
        assertThat(FaultRate.of(3, 5).surelyMoreThan(FaultRate.of(1, 5))).as("three against one is chance").isFalse();
    }

    /** Nine of ten intervals hold the rate by which their cases were drawn. */
    @Test
    void theIntervalHoldsAsOftenAsItSays() {
        SplittableRandom random = new SplittableRandom(5);
        int held = 0;
        int drawn = 2000;
        for (int n = 0; n < drawn; n++) {
            int cases = 0;
            // Years between two cases at one a year, until twelve years are over.
            for (double at = -Math.log(1 - random.nextDouble()); at < 12; at -= Math.log(1 - random.nextDouble())) {
                cases++;
            }
            FaultRate rate = FaultRate.of(cases, 12);
            held += rate.low() <= 1 && rate.high() >= 1 ? 1 : 0;
        }
        assertThat(held / (double) drawn).isBetween(0.87, 0.93);
    }
}
