package roofnest.core.power;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.Collections;
import java.util.List;

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
    private static final BatteryYear ALONE = year(PACK);
    private static final BatteryYear WITH_PANEL = year(PACK_AND_PANEL);
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
        BatteryYear.Outcome alone = year(PACK).of(100, new BatteryYear.Plan(AUTUMN, 0));
        assertThat(alone.days()).hasSize(365);
        assertThat(alone.years()).isEqualTo(100);
        assertThat(alone.lowest().percent()).isZero();
        assertThat(alone.firstWarning()).isPresent();
        long days = AUTUMN.until(alone.firstWarning().get().date(), ChronoUnit.DAYS);
        assertThat(days).as("about 77 days at 100 mAh, cold and leak off").isBetween(65L, 80L);
        assertThat(year(PACK).of(100, new BatteryYear.Plan(AUTUMN, 60)).firstWarning()).isEmpty();
    }

    @Test
    void the_lowest_day_of_a_panel_lies_in_the_dark_months() {
        BatteryYear.Outcome year = year(PACK_AND_PANEL).of(260, new BatteryYear.Plan(LocalDate.of(2026, 6, 1), 0));
        assertThat(year.lowest().date().getMonthValue()).isIn(11, 12, 1, 2);
        assertThat(year.lowestByMonth()).hasSizeBetween(12, 13);
        Weather south = new Weather(Climate.MILD_COAST, -51, 100, 1);
        BatteryYear.Outcome turned = new BatteryYear(PACK_AND_PANEL, south, PanelLight.open(-51, 0, 0), 1).of(260,
                new BatteryYear.Plan(LocalDate.of(2026, 12, 1), 0));
        assertThat(turned.lowest().date().getMonthValue()).as("in the south").isIn(5, 6, 7, 8);
    }

    /** What counts is the year that one in twenty is as bad as or worse. */
    @Test
    void the_bad_year_is_worse_than_the_middling_one_and_not_the_worst() {
        BatteryYear.Plan plan = new BatteryYear.Plan(LocalDate.of(2026, 6, 1), 0);
        BatteryYear.Outcome bad = year(PACK_AND_PANEL).of(215, plan);
        assertThat(bad.lowest().percent()).isLessThan(bad.middleLowestPercent() - 1);
        Weather weather = new Weather(Climate.MILD_COAST, 51, 100, 1);
        long worse = 0;
        for (int year = 0; year < 100; year++) {
            worse += lowest(weather, year, 215, plan) < bad.lowest().percent() - 1e-3 ? 1 : 0;
        }
        assertThat(worse).isEqualTo(4);
        assertThat(year(PACK_AND_PANEL).of(215, plan)).isEqualTo(bad);
    }

    /** By itself, without what is under test: one year's simplest bookkeeping. */
    private static double lowest(Weather weather, int year, double draw, BatteryYear.Plan plan) {
        PanelLight panel = PanelLight.open(51, 0, 0);
        double mah = 10_000;
        double lowest = 100;
        for (int n = 1; n <= 365; n++) {
            int day = (plan.from().getDayOfYear() - 1 + n) % 365;
            double sun = 2 * 0.65 * 0.9 / 3.7 * 1000
                    * (float) (panel.mjPerM2(day, weather.clearness(year, day)) / 3.6 * weather.chargeable(year, day));
            mah = Math.min(10_000, mah + (float) sun);
            mah = Math.max(0, mah - draw - mah * 0.001);
            lowest = Math.min(lowest, Math.max(0, 100 * (mah / 10_000 - (float) (1 - BatteryYear.coldFactor(weather.lowestC(year, day))))));
        }
        return lowest;
    }

    @Test
    void nothing_is_charged_below_freezing() {
        Climate frost = new Climate("frost", Collections.nCopies(12, -30.0), Climate.MILD_COAST.swingC(), Climate.MILD_COAST.clearness());
        BatteryYear frozen = new BatteryYear(PACK_AND_PANEL, new Weather(frost, 51, 3, 1), PanelLight.open(51, 0, 0), 1);
        assertThat(frozen.sunMah(1, 171)).isZero();
        assertThat(year(PACK_AND_PANEL).sunMah(1, 171)).isPositive();
    }

    @Property(tries = 60)
    void more_use_never_leaves_more(@ForAll @DoubleRange(min = 10, max = 400) double draw,
            @ForAll @DoubleRange(min = 1, max = 100) double more) {
        BatteryYear.Plan plan = new BatteryYear.Plan(AUTUMN, 90);
        BatteryYear year = new BatteryYear(PACK_AND_PANEL, new Weather(Climate.MILD_COAST, 51, 20, 3), PanelLight.open(51, 0, 0), 0.6);
        assertThat(year.of(draw + more, plan).lowest().percent()).isLessThanOrEqualTo(year.of(draw, plan).lowest().percent());
    }

    private static BatteryYear year(PowerSpec pack) {
        return new BatteryYear(pack, new Weather(Climate.MILD_COAST, 51, 100, 1), PanelLight.open(51, 0, 0), 1);
    }

    /** The band is of each day by itself: its lower edge is never over the middle, and with every year's draw it sinks. */
    @Test
    void the_band_holds_nine_years_in_ten_and_sinks_with_the_draw() {
        BatteryYear year = year(PACK_AND_PANEL);
        BatteryYear.Plan plan = new BatteryYear.Plan(AUTUMN, 90);
        List<BatteryYear.Band> band = year.band(200, plan);
        List<BatteryYear.Band> more = year.band(260, plan);
        assertThat(band).hasSize(365);
        double lowest = 100;
        for (int day = 0; day < band.size(); day++) {
            BatteryYear.Band each = band.get(day);
            assertThat(each.date()).isEqualTo(AUTUMN.plusDays(day + 1L));
            assertThat(each.low()).isLessThanOrEqualTo(each.middle());
            assertThat(each.middle()).isLessThanOrEqualTo(each.high());
            assertThat(more.get(day).low()).isLessThanOrEqualTo(each.low() + 1e-4);
            lowest = Math.min(lowest, each.low());
        }
        BatteryYear.Outcome bad = year.of(200, plan);
        assertThat(bad.lowest().percent()).as("a year's lowest day lies under what each day by itself is in one year of twenty")
                .isLessThanOrEqualTo(lowest + 1);
        assertThat(band.get(89).low()).as("charged that day").isGreaterThan(band.get(88).low() + 5);
    }

    /** Without weather that differs between the years the band is the line that every year runs along. */
    @Test
    void one_year_of_weather_is_a_band_without_width() {
        BatteryYear one = new BatteryYear(PACK, new Weather(Climate.MILD_COAST, 51, 1, 3), PanelLight.open(51, 0, 0), 1);
        BatteryYear.Plan plan = new BatteryYear.Plan(AUTUMN, 0);
        List<BatteryYear.Band> band = one.band(100, plan);
        List<BatteryYear.Day> days = one.of(100, plan).days();
        for (int day = 0; day < band.size(); day++) {
            assertThat(band.get(day).low()).isEqualTo(band.get(day).high()).isCloseTo(days.get(day).percent(), within(0.01));
        }
    }

    @Test
    void days_on_which_it_freezes_as_long_as_it_is_light_are_counted_for_panels_alone() {
        Climate cold = new Climate("cold", Collections.nCopies(12, -20.0), Collections.nCopies(12, 4.0), Collections.nCopies(12, 0.5));
        Climate warm = new Climate("warm", Collections.nCopies(12, 25.0), Collections.nCopies(12, 4.0), Collections.nCopies(12, 0.5));
        assertThat(new BatteryYear(PACK_AND_PANEL, new Weather(cold, 51, 5, 1), PanelLight.open(51, 0, 0), 1).frozenDays()).isEqualTo(365);
        assertThat(new BatteryYear(PACK_AND_PANEL, new Weather(warm, 51, 5, 1), PanelLight.open(51, 0, 0), 1).frozenDays()).isZero();
        assertThat(new BatteryYear(PACK, new Weather(cold, 51, 5, 1), PanelLight.open(51, 0, 0), 1).frozenDays()).isZero();
    }

    /** What is given up early is what the whole year would have told; only within the rounding it may leave the answer to that. */
    @Property(tries = 1000)
    void a_pack_that_certainly_falls_under_a_charge_does(@ForAll @DoubleRange(min = 5, max = 900) double draw,
            @ForAll @DoubleRange(min = 0, max = 100) double percent, @ForAll @net.jqwik.api.constraints.IntRange(max = 91) int every,
            @ForAll boolean panel) {
        BatteryYear year = panel ? WITH_PANEL : ALONE;
        BatteryYear.Plan plan = new BatteryYear.Plan(AUTUMN, every);
        double lowest = year.of(draw, plan).lowest().percent();
        if (year.fallsUnder(percent, draw, plan)) {
            assertThat(lowest).isLessThan(percent);
        } else {
            assertThat(lowest).isGreaterThan(percent - 0.02);
        }
    }
}
