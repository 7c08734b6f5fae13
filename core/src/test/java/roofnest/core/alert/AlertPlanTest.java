package roofnest.core.alert;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Map;
import java.util.Optional;
import java.util.Set;

import org.junit.jupiter.api.Test;

import roofnest.core.catalogue.AlertSpec.Kind;

class AlertPlanTest {
    private static final ModeWeek OUT = ModeWeek.USUAL.with(hour -> hour < 120 && hour % 24 >= 8 && hour % 24 < 17, Mode.AWAY)
            .with(hour -> hour % 24 >= 23 || hour % 24 < 6, Mode.NIGHT);

    @Test
    void anHourHasOneModeAndAllOfThemAddUp() {
        assertThat(OUT.at(8)).isEqualTo(Mode.AWAY);
        assertThat(OUT.at(7)).isEqualTo(Mode.HOME);
        assertThat(OUT.at(167)).isEqualTo(Mode.NIGHT);
        assertThat(OUT.hours(Mode.HOME) + OUT.hours(Mode.AWAY) + OUT.hours(Mode.NIGHT)).isEqualTo(168);
        assertThat(OUT.hours(Mode.AWAY)).isEqualTo(45);
    }

    @Test
    void aWeekIsWholeAndNoHourOfItIsAHoliday() {
        assertThatThrownBy(() -> new ModeWeek("h".repeat(167))).hasMessageContaining("168");
        assertThatThrownBy(() -> new ModeWeek("h".repeat(167) + "o")).hasMessageContaining("home, away or night");
        assertThatThrownBy(() -> new ModeWeek("h".repeat(167) + "x")).hasMessageContaining("home, away or night");
        assertThatThrownBy(() -> new ModeWeek(null)).isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void hoursAreSaidAsSomebodyTypesThem() {
        AlertPlan plan
                = new AlertPlan(OUT, Map.of(1L, Map.of(Mode.HOME, Does.OFF, Mode.NIGHT, Does.RECORDS)), Map.of(), java.util.List.of());
        assertThat(ModeWeek.said(plan.hours(1, Does.RINGS))).isEqualTo("Mon to Fri 8–17 h");
        assertThat(ModeWeek.said(plan.hours(1, Does.RECORDS))).isEqualTo("every day 0–6 h, 23–24 h");
        assertThat(ModeWeek.said(plan.hours(1, Does.OFF))).isEqualTo("Mon to Fri 6–8 h, 17–23 h; Sat, Sun 6–23 h");
        assertThat(ModeWeek.said(new boolean[168])).isEmpty();
        assertThat(ModeWeek.said(plan.hours(2, Does.RINGS))).isEqualTo("every day 0–24 h");
    }

    /** A camera that is off stays off; one that only records goes on doing so; a holiday knows no silent hours. */
    @Test
    void silentHoursTakeTheRingAndNothingElse() {
        AlertPlan plan = new AlertPlan(OUT, Map.of(1L, Map.of(Mode.HOME, Does.OFF)), Map.of(), java.util.List.of()).withSilent(1,
                Optional.of(new QuietHours(9, 12))).withSilent(2, Optional.of(new QuietHours(22, 2)));
        assertThat(ModeWeek.said(plan.hours(1, Does.RECORDS))).isEqualTo("Mon to Fri 9–12 h");
        assertThat(plan.hours(1, Does.OFF)).isEqualTo(plan.withSilent(1, Optional.empty()).hours(1, Does.OFF));
        assertThat(ModeWeek.said(plan.hours(2, Does.RECORDS))).isEqualTo("every day 0–2 h, 22–24 h");
        assertThat(plan.onHoliday().hours(2, Does.RINGS)).containsOnly(true);
        AlertPlan elsewhere = plan.renumbered(Map.of(2L, 20L), Map.of());
        assertThat(elsewhere.silent()).isEqualTo(Map.of(20L, new QuietHours(22, 2)));
    }

    /** Whoever speaks before anybody could answer sends visitors away. */
    @Test
    void aPressedButtonNeedsNoNotice() {
        RingDelay moved = new RingDelay(2, 1, 3, 1);
        assertThat(Bell.answeredS(moved)).isEqualTo(new RingDelay(0, 1, 0, 1).nineInTenS() + Bell.TAKES_PHONE_S);
        assertThat(Bell.answeredS(moved)).isLessThan(moved.nineInTenS() + Bell.TAKES_PHONE_S);
        assertThatThrownBy(() -> new Bell(null, Optional.of(" "), 5, java.util.List.of())).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new Bell(null, Optional.empty(), 121, java.util.List.of())).hasMessageContaining("seconds before");
    }

    @Test
    void aHolidayTakesThePlaceOfTheWholeWeek() {
        AlertPlan plan
                = new AlertPlan(OUT, Map.of(1L, Map.of(Mode.HOME, Does.OFF, Mode.HOLIDAY, Does.RECORDS)), Map.of(), java.util.List.of());
        assertThat(plan.onHoliday().hours(1, Does.RECORDS)).containsOnly(true);
        assertThat(plan.onHoliday().hours(2, Does.RINGS)).containsOnly(true);
    }

    @Test
    void quietHoursGoOverMidnight() {
        QuietHours night = new QuietHours(22, 7);
        assertThat(night.covers(22)).isTrue();
        assertThat(night.covers(6)).isTrue();
        assertThat(night.covers(7)).isFalse();
        assertThat(new QuietHours(13, 15).covers(12)).isFalse();
        assertThatThrownBy(() -> new QuietHours(3, 3)).hasMessageContaining("different hours");
    }

    @Test
    void aPhoneKeepsToWhatItWasSetTo() {
        Phone quiet = new Phone(Optional.of(new QuietHours(22, 7)), Content.THUMBNAIL, 10, Map.of(1L, Set.of(Kind.PERSON)));
        AlertPlan plan = AlertPlan.USUAL.withPhone(5, quiet);
        assertThat(plan.phone(5)).isEqualTo(quiet);
        assertThat(plan.phone(6)).isEqualTo(Phone.USUAL);
        assertThatThrownBy(() -> new Phone(Optional.empty(), Content.TEXT, 241, Map.of())).hasMessageContaining("minutes between rings");
    }
}
