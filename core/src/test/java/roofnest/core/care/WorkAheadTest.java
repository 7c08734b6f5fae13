package roofnest.core.care;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

import roofnest.core.care.WorkAhead.Due;
import roofnest.core.care.WorkAhead.Known;
import roofnest.core.care.WorkAhead.Noted;
import roofnest.core.promise.Stage;

class WorkAheadTest {
    private static final LocalDate DAY = LocalDate.of(2026, 11, 26);

    @ParameterizedTest
    @EnumSource(value = Stage.class, mode = EnumSource.Mode.EXCLUDE, names = "CARE")
    void a_stage_asks_for_its_work_within_a_week_or_on_the_day_agreed(Stage stage) {
        assertThat(WorkAhead.of(known(stage, Optional.empty()))).containsExactly(new Due(DAY.plusDays(7), WorkAhead.words(stage)));
        assertThat(WorkAhead.of(known(stage, Optional.of(DAY.plusDays(20))))).as("later than a week: it is agreed so")
                .containsExactly(new Due(DAY.plusDays(20), WorkAhead.words(stage)));
    }

    @Test
    void what_was_not_kept_sets_no_day() {
        Known old = new Known(Stage.PAIR, Optional.empty(), Optional.empty(), List.of(), List.of(), List.of(), List.of());
        assertThat(WorkAhead.of(old)).isEmpty();
    }

    @Test
    void in_care_packs_firmware_repairs_and_notes_come_in_the_order_of_their_days() {
        Known care
                = new Known(Stage.CARE, Optional.of(DAY), Optional.of(DAY.plusDays(30)), List.of(new Due(DAY.plusDays(40), "charge Gate")),
                        List.of(DAY.minusDays(100), DAY.minusDays(170)),
                        List.of(new Noted("gate sags", DAY, Optional.empty()), new Noted("bell mute", DAY, Optional.of(DAY.plusDays(50)))),
                        List.of(new Noted("ask about the shed", DAY, Optional.of(DAY.plusDays(5))),
                                new Noted("nothing more", DAY, Optional.empty())));
        assertThat(WorkAhead.of(care)).containsExactly(new Due(DAY.plusDays(2), "repair: gate sags"),
                new Due(DAY.plusDays(5), "ask about the shed"), new Due(DAY.plusDays(10), "look at the firmware"),
                new Due(DAY.plusDays(30), "visit"), new Due(DAY.plusDays(40), "charge Gate"),
                new Due(DAY.plusDays(50), "repair: bell mute"));
    }

    /** On one day the broken thing comes first; before the hand-over packs and firmware are the install's own business. */
    @Test
    void a_repair_comes_before_the_stage_on_the_same_day() {
        Known pair = new Known(Stage.PAIR, Optional.of(DAY), Optional.empty(), List.of(new Due(DAY, "charge Gate")),
                List.of(DAY.minusDays(900)),
                List.of(new Noted("gate sags", DAY, Optional.of(DAY.plusDays(7)))), List.of());
        assertThat(WorkAhead.of(pair)).containsExactly(new Due(DAY.plusDays(7), "repair: gate sags"),
                new Due(DAY.plusDays(7), "install: join the cameras"));
    }

    private static Known known(Stage stage, Optional<LocalDate> appointment) {
        return new Known(stage, Optional.of(DAY), appointment, List.of(), List.of(), List.of(), List.of());
    }
}
