package roofnest.core.power;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import java.util.OptionalDouble;

import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.IntRange;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** The sky over a house: its sun by day and slope, its climate and its weather. */
class SkyTest {
    private static final Climates CLIMATES = Climates.shipped();

    /** Upright or leaning towards the equator, worked out beforehand with the published formula. */
    @ParameterizedTest
    @CsvSource({"51.5,15,0.30,90,2.393", "51.5,15,0.30,60,2.786", "51.5,172,0.45,90,10.191", "43,105,0.50,45,16.329"})
    void what_falls_on_a_leaning_panel_matches_the_formula(double latitude, int day, double clearness, double slope, double mj) {
        // The sums run in steps; the formula integrates. A low sun makes the most of the difference.
        assertThat(PanelLight.open(latitude, slope, 180).mjPerM2(day - 1, clearness)).isEqualTo(mj, within(0.02 * mj));
        assertThat(PanelLight.open(-latitude, slope, 0).mjPerM2((day + 182) % 365, clearness)).as("half a year later in the south")
                .isEqualTo(mj, within(0.08 * mj));
    }

    @Test
    void the_diffuse_share_follows_its_curve() {
        assertThat(Sunlight.diffuseShare(0.30, Sunlight.sunsetRad(51.5, 15))).isEqualTo(0.892, within(0.001));
        assertThat(Sunlight.diffuseShare(0.9, Sunlight.sunsetRad(51.5, 15))).isEqualTo(0.143);
        assertThat(Sunlight.diffuseShare(0.9, Sunlight.sunsetRad(51.5, 172))).isEqualTo(0.175);
        assertThat(Sunlight.aboveTheAirMjPerM2(51.5, 15, 1367) * 0.30).isEqualTo(2.377, within(0.02));
    }

    @ParameterizedTest
    @CsvSource({"90", "78.2", "66.6", "0", "-66.6", "-90"})
    void beyond_the_polar_circles_nights_last_for_months_and_nothing_breaks(double latitude) {
        double winter = Sunlight.aboveTheAirMjPerM2(latitude, latitude >= 0 ? 355 : 172, Sunlight.SOLAR_CONSTANT_W_PER_M2);
        double summer = Sunlight.aboveTheAirMjPerM2(latitude, latitude >= 0 ? 172 : 355, Sunlight.SOLAR_CONSTANT_W_PER_M2);
        assertThat(summer).isGreaterThan(30);
        if (Math.abs(latitude) > 70) {
            assertThat(winter).isZero();
            assertThat(PanelLight.open(latitude, 90, latitude > 0 ? 180 : 0).mjPerM2(latitude > 0 ? 354 : 171, 0.4)).isZero();
        }
        PanelLight leaning = PanelLight.open(latitude, 60, 180);
        for (int day = 0; day < 365; day++) {
            assertThat(leaning.mjPerM2(day, 0.4)).isBetween(0.0, 60.0);
            if (day % 90 == 0) {
                assertThat(new Weather(Climate.MILD_COAST, latitude, 1, day).chargeable(0, day)).isBetween(0.0, 1.0);
            }
        }
    }

    @ParameterizedTest
    @CsvSource({"52,-1,mild coast", "52,13,cool inland", "62,25,cold north", "50,-104,cold plain", "41,-74,four seasons",
        "38,15,dry summer", "30,31,hot dry", "33,-85,warm humid", "5,100,tropical", "-41,174,mild coast", "-34,19,dry summer",
        "-28,153,warm humid", "52,,mild coast", "-52,,mild coast", "62,,cold north", "3,,tropical", "-75,,cold north"})
    void a_climate_is_found_by_place(double latitude, Double longitude, String climate) {
        OptionalDouble at = longitude == null ? OptionalDouble.empty() : OptionalDouble.of(longitude);
        assertThat(CLIMATES.at(latitude, at).name()).isEqualTo(climate);
    }

    @Test
    void the_class_in_the_code_is_the_one_in_the_list_and_height_cools() {
        assertThat(CLIMATES.named("mild coast")).contains(Climate.MILD_COAST);
        assertThat(CLIMATES.all()).extracting(Climate::name).doesNotHaveDuplicates().contains("cold north", "tropical");
        assertThat(CLIMATES.named("moon")).isEmpty();
        assertThat(Climate.MILD_COAST.atHeightM(1000).meanC().get(0)).isEqualTo(-1.5, within(1e-9));
        assertThatThrownBy(() -> new Climate("short", List.of(1.0), List.of(1.0), List.of(0.5)))
                .isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void the_months_turn_round_in_the_south() {
        assertThat(Climate.month(1, 50)).isZero();
        assertThat(Climate.month(1, -50)).isEqualTo(6);
        assertThat(Climate.month(12, -1)).isEqualTo(5);
        assertThat(Climate.month(12, 0)).isEqualTo(11);
    }

    /** Means come out as the class has them, and yet there are snaps: nights below zero where no month's mean is. */
    @Test
    void weather_keeps_the_months_means_and_has_cold_snaps_and_grey_weeks() {
        Climate coast = Climate.MILD_COAST;
        Weather weather = new Weather(coast, 52, 200, 7);
        double january = 0;
        double clear = 0;
        int frosts = 0;
        int greyWeeks = 0;
        for (int year = 0; year < 200; year++) {
            int grey = 0;
            for (int day = 0; day < 31; day++) {
                january += weather.meanC(year, day) / (200 * 31);
                clear += weather.clearness(year, day) / (200 * 31);
                frosts += weather.lowestC(year, day) < 0 ? 1 : 0;
                grey = weather.clearness(year, day) < 0.25 ? grey + 1 : 0;
                greyWeeks += grey == 7 ? 1 : 0;
            }
        }
        assertThat(january).isEqualTo(coast.meanC().get(0), within(0.3));
        assertThat(clear).isEqualTo(coast.clearness().get(0), within(0.02));
        assertThat(frosts / 200.0).as("nights of frost in a January of 5 °C").isBetween(2.0, 12.0);
        assertThat(greyWeeks).as("weeks without sun in 200 Januaries").isGreaterThan(40);
    }

    @Property(tries = 20)
    void the_same_seed_is_the_same_weather(@ForAll long seed) {
        Weather one = new Weather(CLIMATES.named("cold plain").orElseThrow(), 50, 2, seed);
        Weather other = new Weather(CLIMATES.named("cold plain").orElseThrow(), 50, 2, seed);
        for (int day = 0; day < 365; day += 7) {
            assertThat(one.meanC(1, day)).isEqualTo(other.meanC(1, day));
            assertThat(one.clearness(1, day)).isEqualTo(other.clearness(1, day)).isBetween(0.0, 0.9);
            assertThat(one.lowestC(1, day)).isLessThanOrEqualTo(one.meanC(1, day));
        }
    }

    @Property(tries = 40)
    void more_shade_never_brings_more(@ForAll @DoubleRange(min = 0, max = 70) double latitude,
            @ForAll @DoubleRange(min = 0, max = 90) double slope, @ForAll @DoubleRange(min = 0, max = 359) double heading,
            @ForAll @IntRange(min = 0, max = 95) int from, @ForAll @IntRange(min = 1, max = 60) int length) {
        boolean[][] lit = new boolean[12][PanelLight.STEPS_A_DAY];
        for (boolean[] month : lit) {
            Arrays.fill(month, true);
            Arrays.fill(month, from, Math.min(PanelLight.STEPS_A_DAY, from + length), false);
        }
        PanelLight shaded = new PanelLight(latitude, slope, heading, lit, 0.8);
        PanelLight open = PanelLight.open(latitude, slope, heading);
        for (int day = 0; day < 365; day += 30) {
            assertThat(shaded.mjPerM2(day, 0.4)).isLessThanOrEqualTo(open.mjPerM2(day, 0.4) + 1e-12);
        }
    }
}
