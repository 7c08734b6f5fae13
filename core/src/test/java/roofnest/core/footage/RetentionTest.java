package roofnest.core.footage;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;

class RetentionTest {
    @Test
    void continuous_recording_matches_the_check_value() {
        assertThat(Retention.continuousGbPerDay(1)).isEqualTo(10.8, within(1e-9));
    }

    @Test
    void a_bad_week_is_worse_than_the_mean_and_less_so_the_busier_it_is() {
        Retention quiet = Retention.onCard(64, 5, 12, 2);
        Retention busy = Retention.onCard(64, 200, 12, 2);
        assertThat(quiet.clipsWorstWeek() / 35).isGreaterThan(busy.clipsWorstWeek() / 1400).isGreaterThan(1);
        assertThat(busy.clipsWorstWeek() / 1400).isGreaterThan(1);
    }

    @Test
    void days_are_usable_space_over_gigabytes_a_day() {
        Retention kept = Retention.onCard(64, 40, 12, 2);
        assertThat(kept.gbPerDay()).isEqualTo(kept.clipsWorstWeek() / 7 * 3 / 1000, within(1e-9));
        assertThat(kept.days()).isEqualTo(Math.min(365, 0.93 * 64 / kept.gbPerDay()), within(1e-9));
    }

    @Test
    void nothing_recorded_is_kept_for_as_long_as_is_told_apart() {
        assertThat(Retention.onCard(32, 0, 12, 2).days()).isEqualTo(365);
        assertThatThrownBy(() -> Retention.onCard(Double.NaN, 1, 12, 2)).hasMessageContaining("card");
    }
}
