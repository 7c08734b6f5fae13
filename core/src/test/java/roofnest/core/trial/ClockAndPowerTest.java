package roofnest.core.trial;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import org.junit.jupiter.api.Test;

/** A clock held against the phone's, and a plug that was out. */
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
}
