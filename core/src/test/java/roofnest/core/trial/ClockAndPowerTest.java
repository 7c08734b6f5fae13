package roofnest.core.trial;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.LocalDate;
import java.util.Collections;
import java.util.List;

import org.junit.jupiter.api.Test;

import roofnest.core.power.Climate;

/** A clock held against the phone's, a plug that was out, and the first frost. */
class ClockAndPowerTest {
    @Test
    void a_clock_is_right_wrong_by_its_zone_or_wrong() {
        assertThat(new ClockOff(0).right()).isTrue();
        assertThat(new ClockOff(-ClockOff.RIGHT_S).right()).isTrue();
        assertThat(new ClockOff(ClockOff.RIGHT_S + 0.1).right()).isFalse();
        assertThat(new ClockOff(3602).said()).isEqualTo("The clock is 1 h ahead: its time zone or summer time is wrong.");
        assertThat(new ClockOff(-5400).said()).isEqualTo("The clock is 1.5 h behind: its time zone or summer time is wrong.");
        assertThat(new ClockOff(1800 + 200).zone()).as("half an hour and some minutes is no zone").isFalse();
        assertThat(new ClockOff(45).said()).isEqualTo("The clock is 45 s ahead.");
        assertThat(new ClockOff(-600).said()).isEqualTo("The clock is 10 min behind.");
        assertThat(new ClockOff(-40 * 86_400).said()).as("never set").isEqualTo("The clock is 40 days behind.");
        assertThat(new ClockOff(27 * 3600).zone()).as("no zones lie so far apart").isFalse();
        assertThatThrownBy(() -> new ClockOff(Double.NaN)).isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void a_camera_comes_back_by_itself_in_time_and_with_its_clock_or_it_has_failed() {
        assertThat(new PowerCut(300, true).passed()).isTrue();
        assertThat(new PowerCut(301, true).passed()).isFalse();
        assertThat(new PowerCut(301, true).said()).isEqualTo("Back after 301 s, which is longer than 5 min, its clock right.");
        assertThat(new PowerCut(95, false).passed()).isFalse();
        assertThat(new PowerCut(95, false).said()).isEqualTo("Back after 95 s, but its clock was wrong.");
        assertThatThrownBy(() -> new PowerCut(0, true)).isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void a_pack_lives_through_a_frosty_morning_above_its_warning_level_or_has_failed() {
        assertThat(new FrostyMorning(true, 15, 15).passed()).isTrue();
        assertThat(new FrostyMorning(true, 14.9, 15).said())
                .isEqualTo("Alive on a frosty morning, 15 % of charge, less than its warning level of 15 %.");
        assertThat(new FrostyMorning(true, 14.9, 15).passed()).isFalse();
        assertThat(new FrostyMorning(false, 80, 15).passed()).isFalse();
        assertThatThrownBy(() -> new FrostyMorning(true, Double.NaN, 15)).isInstanceOf(IllegalArgumentException.class);
    }

    /** In the south the frost comes half a year later; where it never freezes nobody is sent to look. */
    @Test
    void the_first_frost_is_looked_for_by_place_and_season() {
        LocalDate june = LocalDate.of(2026, 6, 10);
        Climate cold = new Climate("cold", List.of(-8.0, -7.0, -2.0, 5.0, 11.0, 15.0, 17.0, 16.0, 11.0, 6.0, 0.0, -5.0),
                Collections.nCopies(12, 8.0), Collections.nCopies(12, 0.4));
        assertThat(cold.firstFrost(june, 50)).contains(LocalDate.of(2026, 10, 1));
        assertThat(cold.firstFrost(june, -50)).as("there it is winter now").contains(june);
        assertThat(cold.firstFrost(LocalDate.of(2026, 1, 15), 50)).contains(LocalDate.of(2026, 1, 15));
        Climate warm = new Climate("warm", Collections.nCopies(12, 20.0), Collections.nCopies(12, 8.0), Collections.nCopies(12, 0.5));
        assertThat(warm.firstFrost(june, 10)).isEmpty();
    }
}
