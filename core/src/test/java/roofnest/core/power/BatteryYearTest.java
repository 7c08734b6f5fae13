package roofnest.core.power;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.Collections;

import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import org.junit.jupiter.api.Test;

import roofnest.core.catalogue.MotionSpec;
import roofnest.core.catalogue.PowerSpec;

class BatteryYearTest {
    private static final LocalDate AUTUMN = LocalDate.of(2026, 11, 1);
    private static final PowerSpec PACK = new PowerSpec(10_000, 3.7, 1, 300, 300, 100, 15, 0, 0);
    private static final PowerSpec PACK_AND_PANEL = new PowerSpec(10_000, 3.7, 1, 300, 300, 100, 15, 2, 0);
    private static final MotionSpec MOTION = new MotionSpec(MotionSpec.Sensing.INFRARED, 9, 100, 1, 0);

    @Test
    void radiation_above_the_air_matches_the_published_example() {
        assertThat(Sunlight.aboveTheAirMjPerM2(43, 105, 1367)).isEqualTo(33.8, within(0.1));
    }

    @Test
    void a_days_charge_is_the_sum_of_its_parts() {
        DailyUse use = new DailyUse(60, 11, 6, 0.5);
        double clips = 60 * 12 / 3600.0;
        assertThat(use.chargeMah(PACK, MOTION, 1)).isEqualTo(24 + clips * 300 + 0.1 * 300 + clips * 0.5 * 100, within(1e-9));
        assertThat(use.chargeMah(PACK, MOTION, 2) - use.chargeMah(PACK, MOTION, 1)).isEqualTo(clips * 300 + 30, within(1e-9));
    }

    @Test
    void cold_takes_its_share() {
        assertThat(BatteryYear.coldFactor(20)).isEqualTo(1);
        assertThat(BatteryYear.coldFactor(0)).isEqualTo(0.9);
        assertThat(BatteryYear.coldFactor(-10)).isEqualTo(0.75, within(1e-9));
        assertThat(BatteryYear.coldFactor(35)).isEqualTo(1);
    }

    @Test
    void without_sun_the_pack_runs_down_and_charging_brings_it_back() {
        BatteryYear.Outcome alone = BatteryYear.of(PACK, 100, Climate.MILD_COAST, new BatteryYear.Plan(AUTUMN, 51, 1, 0));
        assertThat(alone.days()).hasSize(365);
        assertThat(alone.lowest().percent()).isZero();
        assertThat(alone.firstWarning()).isPresent();
        long days = AUTUMN.until(alone.firstWarning().get().date(), ChronoUnit.DAYS);
        assertThat(days).as("about 77 days at 100 mAh, cold and leak off").isBetween(68L, 80L);

        BatteryYear.Outcome charged = BatteryYear.of(PACK, 100, Climate.MILD_COAST, new BatteryYear.Plan(AUTUMN, 51, 1, 60));
        assertThat(charged.firstWarning()).isEmpty();
    }

    @Test
    void the_lowest_day_of_a_panel_lies_in_the_dark_months() {
        BatteryYear.Outcome year
                = BatteryYear.of(PACK_AND_PANEL, 260, Climate.MILD_COAST, new BatteryYear.Plan(LocalDate.of(2026, 6, 1), 51, 1, 0));
        assertThat(year.lowest().date().getMonthValue()).isIn(11, 12, 1, 2);
        assertThat(year.lowestByMonth()).hasSizeBetween(12, 13);
    }

    @Test
    void nothing_is_charged_below_freezing() {
        Climate frost = new Climate("frost", Collections.nCopies(12, -3.0), Climate.MILD_COAST.clearness());
        assertThat(BatteryYear.sunMah(PACK_AND_PANEL, frost, new BatteryYear.Plan(AUTUMN, 51, 1, 0), LocalDate.of(2026, 6, 21))).isZero();
        assertThat(
                BatteryYear.sunMah(PACK_AND_PANEL, Climate.MILD_COAST, new BatteryYear.Plan(AUTUMN, 51, 1, 0), LocalDate.of(2026, 6, 21)))
                .isPositive();
    }

    @Property(tries = 60)
    void more_use_never_leaves_more(@ForAll @DoubleRange(min = 10, max = 400) double draw,
            @ForAll @DoubleRange(min = 1, max = 100) double more) {
        BatteryYear.Plan plan = new BatteryYear.Plan(AUTUMN, 51, 0.6, 90);
        assertThat(BatteryYear.of(PACK_AND_PANEL, draw + more, Climate.MILD_COAST, plan).lowest().percent())
                .isLessThanOrEqualTo(BatteryYear.of(PACK_AND_PANEL, draw, Climate.MILD_COAST, plan).lowest().percent());
    }
}
