package roofnest.core.power;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.function.BiFunction;

import org.junit.jupiter.api.Test;

import roofnest.core.power.PackFit.Reading;

/** Readings of a pack bend what was reckoned of it. */
class PackFitTest {
    private static final LocalDate FIRST = LocalDate.of(2026, 10, 1);
    /** One percent a day drawn, no cold; the sun gives what is said. */
    private static BiFunction<LocalDate, LocalDate, BatteryYear.Between> reckoned(double sunADay) {
        return (from, to) -> {
            int days = (int) (to.toEpochDay() - from.toEpochDay());
            return new BatteryYear.Between(days, days, sunADay * days, 0.3 * sunADay * Math.sqrt(days), 0, 0);
        };
    }

    /** As a pack of that draw would read. */
    private static List<Reading> read(double draw, double sunADay, int stretches, Random random) {
        List<Reading> readings = new ArrayList<>();
        double percent = 100;
        readings.add(new Reading(FIRST, 100, true));
        for (int i = 1; i <= stretches; i++) {
            for (int day = 0; day < 10; day++) {
                percent = Math.min(100, percent + sunADay) - draw - percent * 0.001;
            }
            readings.add(
                    new Reading(FIRST.plusDays(10L * i), Math.round(Math.max(0, Math.min(100, percent + random.nextGaussian()))), false));
        }
        return readings;
    }

    @Test
    void withoutReadingsItIsAsItWasReckoned() {
        for (List<Reading> none : List.of(List.<Reading>of(), List.of(new Reading(FIRST, 80, false)))) {
            PackFit.Fit fit = PackFit.of(none, reckoned(0.2), true);
            assertThat(fit.stretches()).isZero();
            assertThat(fit.draw()).isCloseTo(1, within(0.02));
            assertThat(fit.drawLow()).isLessThan(0.7);
            assertThat(fit.drawHigh()).isGreaterThan(1.5);
            assertThat(fit.sun()).isCloseTo(1, within(0.1));
        }
        assertThat(PackFit.of(List.of(), reckoned(0), false).sun()).isEqualTo(1);
    }

    @Test
    void aPackThatDrawsMoreOrLessIsFoundOutAndTheForecastNarrows() {
        Random random = new Random(4);
        for (double truth : new double[] {0.7, 1, 1.4, 1.9}) {
            double before = Double.MAX_VALUE;
            for (int stretches : new int[] {1, 3}) {
                PackFit.Fit fit = PackFit.of(read(truth, 0, stretches, random), reckoned(0), false);
                assertThat(fit.draw()).as(truth + " from " + stretches).isCloseTo(truth, within(stretches == 1 ? 0.5 : 0.15));
                assertThat(fit.drawHigh() / fit.drawLow()).isLessThan(before);
                assertThat(truth).isBetween(fit.drawLow() * 0.9, fit.drawHigh() * 1.1);
                before = fit.drawHigh() / fit.drawLow();
            }
        }
    }

    /** With a panel the pack falls slower for either reason; the two are told apart by neither alone. */
    @Test
    void aPanelThatGivesLessLooksLikeADrawOfMoreAndBothStayUnsure() {
        PackFit.Fit fit = PackFit.of(read(1, 0.2, 4, new Random(9)), reckoned(0.6), true);
        assertThat(fit.sun()).isLessThan(0.85);
        assertThat(fit.draw()).isGreaterThan(1);
        assertThat(fit.sunHigh() / fit.sunLow()).isGreaterThan(1.5);
    }

    @Test
    void nothingFollowsOverAChargeNorFromTwoReadingsOfOneDay() {
        List<Reading> charged = List.of(new Reading(FIRST, 90, false), new Reading(FIRST.plusDays(30), 20, false),
                new Reading(FIRST.plusDays(30), 100, true), new Reading(FIRST.plusDays(40), 90, false));
        PackFit.Fit fit = PackFit.of(charged, reckoned(0), false);
        assertThat(fit.stretches()).isEqualTo(2);
        List<Reading> shuffled = new ArrayList<>(charged);
        java.util.Collections.reverse(shuffled);
        assertThat(PackFit.of(shuffled, reckoned(0), false)).isEqualTo(fit);
        assertThat(PackFit.of(List.of(new Reading(FIRST, 90, false), new Reading(FIRST.plusDays(400), 10, false)), reckoned(0), false)
                .stretches()).as("more than a year apart").isZero();
        assertThatThrownBy(() -> new Reading(FIRST, 101, false)).isInstanceOf(IllegalArgumentException.class);
    }

    /** Flat is flat: how long it has been so nobody can read from it. */
    @Test
    void aPackThatWasFlatSaysThatItDrewAtLeastSoMuch() {
        PackFit.Fit flat = PackFit.of(List.of(new Reading(FIRST, 100, true), new Reading(FIRST.plusDays(90), 0, false)), reckoned(0),
                false);
        assertThat(flat.draw()).isGreaterThan(1);
        PackFit.Fit longFlat = PackFit.of(List.of(new Reading(FIRST, 100, true), new Reading(FIRST.plusDays(300), 0, false)), reckoned(0),
                false);
        assertThat(longFlat.draw()).as("even a frugal one would be flat by then").isCloseTo(1, within(0.1));
    }
}
