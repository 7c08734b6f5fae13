package roofnest.core.week;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;

import org.junit.jupiter.api.Test;

import roofnest.core.WeirSteps;
import roofnest.core.judge.ComingsAndGoings;

/** Days by the hour as somebody drew them. */
class DayCurveTest {
    private static final List<Double> NONE = Collections.nCopies(24, 0.0);
    private static final DayCurve SCHOOL = new DayCurve(hours(8, 15, 30), hours(11, 12, 5));

    private static List<Double> hours(int one, int other, double events) {
        return IntStream.range(0, 24).mapToObj(hour -> hour == one || hour == other ? events : 0.0).toList();
    }

    private static double[] week(Map<SourceKind, Double> aWeekday, Map<SourceKind, DayCurve> curves) {
        return new Sources(WeirSteps.plan(), Rates.shipped(), HouseKind.LANE, aWeekday, curves).all()
                .get(SourceKind.CYCLIST.ordinal()).byHour();
    }

    @Test
    void what_was_drawn_comes_at_the_hours_that_it_was_drawn_at() {
        double[] week = week(Map.of(), Map.of(SourceKind.CYCLIST, SCHOOL));
        assertThat(week[8]).isEqualTo(30);
        assertThat(week[4 * 24 + 15]).isEqualTo(30);
        assertThat(week[9]).isZero();
        assertThat(week[5 * 24 + 8]).isZero();
        assertThat(week[6 * 24 + 12]).isEqualTo(5);
    }

    @Test
    void another_rate_leaves_the_shape_as_it_is() {
        double[] drawn = week(Map.of(), Map.of(SourceKind.CYCLIST, SCHOOL));
        double[] doubled = week(Map.of(SourceKind.CYCLIST, 120.0), Map.of(SourceKind.CYCLIST, SCHOOL));
        for (int hour = 0; hour < drawn.length; hour++) {
            assertThat(doubled[hour]).isCloseTo(2 * drawn[hour], within(1e-9));
        }
        assertThat(week(Map.of(SourceKind.CYCLIST, 0.0), Map.of(SourceKind.CYCLIST, SCHOOL))).containsOnly(0);
    }

    @Test
    void who_comes_at_the_weekend_only_has_no_weekday_to_be_scaled_by() {
        DayCurve weekend = new DayCurve(NONE, hours(10, 11, 4));
        assertThat(week(Map.of(SourceKind.CYCLIST, 7.0), Map.of(SourceKind.CYCLIST, weekend))[5 * 24 + 10]).isEqualTo(4);
        assertThat(weekend.at(7)).isEqualTo(weekend);
    }

    @Test
    void a_rate_beyond_all_measure_stays_within_it() {
        DayCurve busy = SCHOOL.at(Rates.MOST_A_DAY);
        assertThat(busy.aWeekday()).isLessThanOrEqualTo(Rates.MOST_A_DAY);
        assertThat(busy.weekday().get(8)).isLessThanOrEqualTo(Rates.MOST_AN_HOUR);
    }

    @Test
    void the_ordinary_day_as_a_curve_is_the_ordinary_week() {
        Rates rates = Rates.shipped();
        for (SourceKind kind : SourceKind.values()) {
            assertThat(rates.curve(kind, 40).byHour()).as(kind.words()).containsExactly(rates.byHour(kind, 40), within(1e-9));
        }
    }

    @Test
    void what_is_no_day_is_refused() {
        assertThatThrownBy(() -> new DayCurve(NONE.subList(0, 23), NONE)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new DayCurve(hours(1, 1, -1), NONE)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new DayCurve(hours(1, 1, Double.NaN), NONE)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new DayCurve(NONE, hours(1, 1, 3601))).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new DayCurve(Collections.nCopies(24, 1000.0), NONE)).isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining("weekday");
    }

    @Test
    void drawing_says_the_rate_and_taking_it_back_keeps_the_rate() {
        ComingsAndGoings said = ComingsAndGoings.USUAL.drawn(SourceKind.CYCLIST, SCHOOL);
        assertThat(said.aWeekday()).containsEntry(SourceKind.CYCLIST, 60.0);
        assertThat(said.undrawn(SourceKind.CYCLIST)).isEqualTo(new ComingsAndGoings(HouseKind.LANE, Map.of(SourceKind.CYCLIST, 60.0)));
        assertThat(new ComingsAndGoings(HouseKind.LANE, Map.of(), Map.of(SourceKind.CYCLIST, SCHOOL)).aWeekday())
                .containsEntry(SourceKind.CYCLIST, 60.0);
    }
}
