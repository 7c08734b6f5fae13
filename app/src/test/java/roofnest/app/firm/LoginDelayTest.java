package roofnest.app.firm;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;

import org.junit.jupiter.api.Test;

class LoginDelayTest {
    @Test
    void the_delay_doubles_from_the_third_failure_up_to_a_quarter_of_an_hour() {
        assertThat(LoginDelay.delayAfter(1)).isZero();
        assertThat(LoginDelay.delayAfter(2)).isZero();
        assertThat(LoginDelay.delayAfter(3)).isEqualTo(Duration.ofSeconds(2));
        assertThat(LoginDelay.delayAfter(4)).isEqualTo(Duration.ofSeconds(4));
        assertThat(LoginDelay.delayAfter(7)).isEqualTo(Duration.ofSeconds(32));
        assertThat(LoginDelay.delayAfter(40)).isEqualTo(Duration.ofMinutes(15));
    }
}
