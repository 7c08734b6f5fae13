package roofnest.core.footage;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.time.LocalDate;
import java.util.Optional;
import java.util.OptionalDouble;

import org.junit.jupiter.api.Test;

/** How long cards stand it, whether they are what they say, and what recording all the time writes. */
class CardTest {
    private static Keeping keeping(Keeping.When when, int from, int to) {
        return new Keeping(when, from, to, false, false, Optional.empty());
    }

    /** The check value of the models: 40 TB written, 12 GB a day. */
    @Test
    void aCardStandsItsTerabytes() {
        assertThat(CardWear.ratedTbw(64, true)).isEqualTo(40);
        assertThat(CardWear.ratedTbw(128, true)).isEqualTo(80);
        assertThat(CardWear.years(40, 12)).isCloseTo(6.09, within(0.01));
        assertThat(CardWear.years(CardWear.ratedTbw(64, false), 12)).as("an ordinary one").isCloseTo(0.609, within(0.001));
        assertThat(CardWear.years(40, 0)).as("never written to").isEqualTo(CardWear.MOST_YEARS);
        for (double gb = 1; gb < 100; gb *= 2) {
            assertThat(CardWear.years(40, gb)).isGreaterThanOrEqualTo(CardWear.years(40, 2 * gb));
        }
        assertThat(CardWear.replaceBy(LocalDate.of(2026, 11, 27), 2)).isEqualTo(LocalDate.of(2028, 11, 26));
    }

    @Test
    void theClassSustainsTwiceTheBitRate() {
        assertThat(CardWear.videoClass(4.5)).hasValue(6);
        assertThat(CardWear.videoClass(24)).hasValue(6);
        assertThat(CardWear.videoClass(24.1)).hasValue(10);
        assertThat(CardWear.videoClass(360)).hasValue(90);
        assertThat(CardWear.videoClass(361)).isEmpty();
    }

    @Test
    void aCardIsKnownByWhatItGivesBack() {
        assertThat(new CardCheck(64, 59.5, 59.5).verdict()).isEqualTo(CardCheck.Verdict.TRUE);
        assertThat(new CardCheck(64, 59.5, 7.8).verdict()).isEqualTo(CardCheck.Verdict.FALSE);
        assertThat(new CardCheck(64, 20, 20).verdict()).as("a quarter tells nothing of the rest").isEqualTo(CardCheck.Verdict.OPEN);
        assertThat(new CardCheck(64, 20, 19).verdict()).isEqualTo(CardCheck.Verdict.FALSE);
        assertThat(new CardCheck(64, 0, 0).verdict()).isEqualTo(CardCheck.Verdict.OPEN);
        assertThatThrownBy(() -> new CardCheck(64, 20, 21)).hasMessageContaining("read back");
        assertThatThrownBy(() -> new CardCheck(Double.NaN, 20, 20)).isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void hoursOfRecordingAreReckonedAsSuch() {
        assertThat(keeping(Keeping.When.CONTINUOUS, 0, 0).gbADay(1, 4)).isCloseTo(43.2, within(1e-9));
        assertThat(keeping(Keeping.When.BOTH, 0, 0).gbADay(1, 4)).isCloseTo(43.2, within(1e-9));
        assertThat(keeping(Keeping.When.SCHEDULED, 22, 4).hoursADay()).as("over midnight").isEqualTo(6);
        assertThat(keeping(Keeping.When.SCHEDULED, 22, 4).gbADay(1, 4)).isCloseTo(10.8, within(1e-9));
        assertThat(keeping(Keeping.When.EVENT, 0, 0).gbADay(1, 4)).isEqualTo(1);
        assertThatThrownBy(() -> keeping(Keeping.When.SCHEDULED, 4, 4)).hasMessageContaining("different hours");
        assertThat(Keeping.When.CONTINUOUS.clips()).as("nothing for a plan").isFalse();
    }

    /** Where weeks were drawn the worst of them counts, and not what chance alone would make of the mean. */
    @Test
    void theWorstOfTheDrawnWeeksDecides() {
        Retention byChance = Retention.onCard(16, 100, 20, 2);
        Retention byWeeks = Retention.onCard(16, 100, 20, 2, OptionalDouble.of(1.5));
        assertThat(byWeeks.clipsWorstWeek()).isEqualTo(1050);
        assertThat(byWeeks.days()).isCloseTo(0.93 * 16 / (150 * 5 / 1000.0), within(1e-9));
        assertThat(byChance.clipsWorstWeek()).isBetween(740.0, 780.0);
        assertThat(Retention.onCard(64, 0, 20, 2, OptionalDouble.of(1.5)).days()).isEqualTo(Retention.MOST_DAYS);
    }
}
