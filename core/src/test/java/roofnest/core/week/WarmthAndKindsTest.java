package roofnest.core.week;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Set;

import org.junit.jupiter.api.Test;

import roofnest.core.catalogue.AlertSpec.Kind;

/** Range by warmth, kinds by height in the picture, and rates by the hour. */
class WarmthAndKindsTest {
    @Test
    void a_warm_evening_shortens_the_range_by_what_stefan_and_boltzmann_say() {
        assertThat(Warmth.factor(28, 10)).isEqualTo(1);
        assertThat(Warmth.factor(28, 15)).isCloseTo(0.861, within(0.001));
        assertThat(Warmth.factor(28, 20)).isCloseTo(0.684, within(0.001));
        assertThat(Warmth.factor(28, 24)).isCloseTo(0.488, within(0.001));
        assertThat(Warmth.factor(28, 26)).isCloseTo(0.347, within(0.001));
        assertThat(Warmth.factor(28, 27.9)).as("held").isEqualTo(0.3);
        assertThat(Warmth.factor(28, 40)).as("warmer than the clothing").isEqualTo(0.3);
        assertThat(Warmth.factor(28, -20)).as("held").isEqualTo(1.1);
    }

    @Test
    void a_cat_is_felt_less_far_than_a_person_and_a_van_farther() {
        assertThat(Warmth.factor(SourceKind.Body.CAT, 10)).isLessThan(0.35);
        assertThat(Warmth.factor(SourceKind.Body.GROWN, 10)).isEqualTo(1);
        assertThat(Warmth.factor(SourceKind.Body.VEHICLE, 10)).isBetween(1.2, 1.5);
        assertThat(Warmth.factor(SourceKind.Body.VEHICLE, 40)).isEqualTo(1.5);
    }

    @Test
    void people_are_found_by_their_height_in_the_picture_and_fewer_by_night() {
        assertThat(Kinds.found(0, false)).isZero();
        assertThat(Kinds.found(20, false)).isCloseTo(0.45, within(1e-9));
        assertThat(Kinds.found(40, false)).isCloseTo(0.80, within(1e-9));
        assertThat(Kinds.found(60, false)).isCloseTo(0.875, within(1e-9));
        assertThat(Kinds.found(300, false)).isCloseTo(0.95, within(1e-9));
        assertThat(Kinds.found(300, true)).isCloseTo(0.76, within(1e-9));
    }

    @Test
    void what_is_taken_for_a_person_though_none_is_as_often_as_stated() {
        Set<Kind> people = Set.of(Kind.PERSON);
        assertThat(Kinds.passes(SourceKind.VEHICLE, Set.of(Kind.ANY), 5, true)).isEqualTo(1);
        assertThat(Kinds.passes(SourceKind.VEHICLE, people, 200, false)).isCloseTo(0.01, within(1e-9));
        assertThat(Kinds.passes(SourceKind.WILD, people, 200, false)).isCloseTo(0.03, within(1e-9));
        assertThat(Kinds.passes(SourceKind.PET, people, 200, false)).as("a cat is no large animal").isZero();
        assertThat(Kinds.passes(SourceKind.BRANCH, people, 0, false)).isCloseTo(0.005, within(1e-9));
        assertThat(Kinds.passes(SourceKind.VENT, people, 0, false)).as("no picture of warm air").isZero();
        assertThat(Kinds.passes(SourceKind.VISITOR, people, 80, false)).isCloseTo(0.95, within(1e-9));
        assertThat(Kinds.passes(SourceKind.VISITOR, Set.of(Kind.VEHICLE), 80, false)).isZero();
        assertThat(Kinds.passes(SourceKind.VEHICLE, Set.of(Kind.PERSON, Kind.VEHICLE), 80, false)).isCloseTo(1 - 0.05 * 0.99, within(1e-9));
    }

    @Test
    void rates_of_a_week_are_those_of_five_days_and_a_weekend() {
        Rates rates = Rates.shipped();
        for (SourceKind kind : SourceKind.values()) {
            for (HouseKind house : HouseKind.values()) {
                double day = rates.aWeekday(kind, house);
                // A line of washing is where somebody says that there is one.
                assertThat(day > 0).as(kind + " " + house).isEqualTo(kind != SourceKind.WASHING);
                double week = 0;
                for (double hour : rates.byHour(kind, day)) {
                    assertThat(hour).isNotNegative();
                    week += hour;
                }
                assertThat(week).isCloseTo(day * (5 + 2 * rates.weekendFactor(kind)), within(1e-9));
            }
        }
        assertThat(rates.aWeekday(SourceKind.VEHICLE, HouseKind.LANE)).isEqualTo(320);
        assertThat(rates.byHour(SourceKind.POST, 1)[3]).as("no post at three in the morning").isZero();
    }

    @Test
    void hours_and_settings_that_cannot_be_are_refused() {
        assertThatThrownBy(() -> new Source(SourceKind.POST, new double[24], java.util.List.of())).hasMessageContaining("hours of a week");
        double[] hours = new double[Week.HOURS];
        hours[5] = -1;
        assertThatThrownBy(() -> new Source(SourceKind.POST, hours, java.util.List.of())).hasMessageContaining("events in an hour");
        hours[5] = Double.NaN;
        assertThatThrownBy(() -> new Source(SourceKind.POST, hours, java.util.List.of())).hasMessageContaining("events in an hour");
        assertThatThrownBy(() -> new WatchSetting(0, Set.of(), 10, 10)).hasMessageContaining("kinds");
        assertThatThrownBy(() -> new WatchSetting(0, Set.of(Kind.ANY), 0, 10)).hasMessageContaining("clip length");
        assertThatThrownBy(() -> Conditions.of(13, 10, 5, new boolean[24])).hasMessageContaining("month");
    }
}
