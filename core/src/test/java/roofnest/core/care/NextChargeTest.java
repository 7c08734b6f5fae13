package roofnest.core.care;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.IntToDoubleFunction;

import org.junit.jupiter.api.Test;

import roofnest.core.power.BatteryYear;

class NextChargeTest {
    private static final LocalDate CHARGED = LocalDate.of(2026, 11, 1);

    @Test
    void the_agreed_day_stands_while_the_pack_lasts_till_then() {
        NextCharge next = NextCharge.after(fallingTo(15, 120), Optional.of(120), CHARGED, 90);
        assertThat(next.on()).isEqualTo(CHARGED.plusDays(90));
        assertThat(next.why()).contains("as agreed, every 90 days");
        assertThat(next.percentThen()).isBetween(30.0, 40.0);
    }

    @Test
    void a_pack_that_would_warn_sooner_is_charged_a_week_before_it_does() {
        NextCharge next = NextCharge.after(fallingTo(15, 60), Optional.of(60), CHARGED, 90);
        assertThat(next.on()).isEqualTo(CHARGED.plusDays(53));
        assertThat(next.why()).contains("a week before it would warn");
    }

    @Test
    void a_pack_that_lasts_only_days_is_charged_tomorrow_not_yesterday() {
        assertThat(NextCharge.after(fallingTo(15, 4), Optional.of(4), CHARGED, 90).on()).isEqualTo(CHARGED.plusDays(1));
    }

    @Test
    void where_the_sun_suffices_it_is_looked_over_once_a_year() {
        NextCharge next = NextCharge.after(year(day -> 80.0, Optional.empty()), Optional.empty(), CHARGED, 0);
        assertThat(next.on()).isEqualTo(CHARGED.plusDays(365));
        assertThat(next.why()).contains("once a year");
    }

    /** A straight fall from full to {@code warn} percent on the given day. */
    private static BatteryYear.Outcome fallingTo(double warn, int onDay) {
        return year(day -> Math.max(0, 100 - (100 - warn) * day / onDay), Optional.of(onDay));
    }

    private static BatteryYear.Outcome year(IntToDoubleFunction percent, Optional<Integer> warnsOn) {
        List<BatteryYear.Day> days = new ArrayList<>();
        for (int day = 1; day <= 365; day++) {
            days.add(new BatteryYear.Day(CHARGED.plusDays(day), percent.applyAsDouble(day)));
        }
        return new BatteryYear.Outcome(days, days.get(364), 100, warnsOn.map(day -> days.get(day - 1)), 1, 0);
    }
}
