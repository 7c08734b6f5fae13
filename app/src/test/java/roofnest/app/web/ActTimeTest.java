package roofnest.app.web;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;

import org.junit.jupiter.api.Test;

/** What a phone kept counts at the time at which it was done: never ahead of now, and never further back than phones keep. */
class ActTimeTest {
    private static final Instant NOW = Instant.parse("2026-11-26T15:00:00Z");
    private final ActTime time = new ActTime(Clock.fixed(NOW, ZoneOffset.UTC));

    @Test
    void an_act_has_its_own_time_on_its_own_thread_until_it_is_over() throws Exception {
        Instant then = NOW.minus(Duration.ofMinutes(40));
        assertThat(time.at(then)).isEqualTo(then);
        assertThat(time.instant()).isEqualTo(then);
        assertThat(time.withZone(ZoneId.of("Europe/Lisbon")).instant()).as("in another zone too").isEqualTo(then);
        Instant[] beside = new Instant[1];
        Thread other = new Thread(() -> beside[0] = time.instant());
        other.start();
        other.join();
        assertThat(beside[0]).as("on another thread").isEqualTo(NOW);
        assertThat(time.really()).isEqualTo(NOW);
        time.now();
        assertThat(time.instant()).isEqualTo(NOW);
    }

    @Test
    void a_phone_whose_clock_is_wrong_moves_nothing_into_the_future_or_far_back() {
        assertThat(time.at(NOW.plusSeconds(1))).isEqualTo(NOW);
        assertThat(time.at(NOW.minus(Duration.ofDays(7)).minusSeconds(1))).isEqualTo(NOW);
        assertThat(time.at(NOW.minus(Duration.ofDays(7)))).isEqualTo(NOW.minus(Duration.ofDays(7)));
    }
}
