package roofnest.standins.rehearsal;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.Set;

import org.junit.jupiter.api.Test;

import roofnest.core.catalogue.Catalogue;
import roofnest.core.catalogue.HandsOn;
import roofnest.core.catalogue.PairingMethod.Way;
import roofnest.core.pairing.RunEvent;
import roofnest.standins.BenchAct;
import roofnest.standins.Fault;

class DebriefTest {
    private static final List<Exercise> ALL = Exercises.all(Catalogue.shipped());
    private static final Exercise.Part SILL = ALL.get(5).parts().get(0);
    private static final long BOOT_MS = SILL.device().setUp().bootSeconds() * 1000L;

    private final List<BenchAct> acts = new ArrayList<>();
    private final List<Debrief.Moment> moments = new ArrayList<>();

    @Test
    void what_was_answered_as_it_was_is_right() {
        hands(10_000, HandsOn.POWER_ON);
        answer(10_500, "power", "booting");
        answer(11_000 + BOOT_MS, "boot", "ready");
        Debrief debrief = debrief();
        assertThat(debrief.wrong()).isEmpty();
        assertThat(debrief.taken()).hasSize(2).allMatch(Debrief.Taken::right);
        assertThat(debrief.minutes()).isCloseTo((11_000 + BOOT_MS) / 60_000.0, within(1e-9));
    }

    @Test
    void a_wrong_answer_says_which_cue_would_have_told_and_what_it_cost() {
        hands(10_000, HandsOn.POWER_ON);
        answer(12_000, "power", "ready");
        answer(15_000, "hotspot", "not-listed");
        answer(40_000, "look-again", "ready");
        Debrief debrief = debrief();
        assertThat(debrief.wrong()).hasSize(2);
        assertThat(debrief.wrong().get(0)).satisfies(wrong -> {
            assertThat(wrong.told()).contains("The light was white, steady", "starting up");
            assertThat(wrong.said()).isEqualTo("White, slow");
            assertThat(wrong.lostMinutes()).as("it never came back to where it would have stood").isCloseTo((40_000 - 12_000) / 60_000.0,
                    within(1e-9));
        });
        assertThat(debrief.wrong().get(1).told()).contains("Nothing had been done yet", "join its network");
    }

    @Test
    void lost_is_what_passes_until_the_run_stands_where_the_right_answer_would_have_led() {
        hands(10_000, HandsOn.POWER_ON);
        answer(12_000, "power", "off");
        hands(30_000, HandsOn.CHANGE_PACK);
        answer(31_000, "no-light", "booting");
        answer(32_000 + BOOT_MS, "boot", "ready");
        Debrief debrief = debrief();
        assertThat(debrief.wrong()).singleElement()
                .satisfies(wrong -> assertThat(wrong.lostMinutes()).isCloseTo((31_000 - 12_000) / 60_000.0, within(1e-9)));
    }

    @Test
    void the_simulated_installer_makes_no_wrong_move_by_its_own_debrief() {
        for (Exercise exercise : ALL) {
            SimulatedInstaller.Outcome outcome = SimulatedInstaller.play(exercise, Set.of());
            assertThat(outcome.parts()).allSatisfy(part -> assertThat(part.taken()).isNotEmpty()
                    .allSatisfy(taken -> assertThat(taken.toMs()).isGreaterThanOrEqualTo(taken.fromMs())));
        }
    }

    @Test
    void the_next_exercise_is_the_easiest_not_mastered_that_meets_a_weakness() {
        assertThat(Progress.next(List.of(), ALL)).hasValueSatisfying(next -> assertThat(next.level()).isEqualTo(1));
        int first = Progress.next(List.of(), ALL).orElseThrow().number();
        assertThat(Progress.next(List.of(new Progress.Done(first, Set.of(), 8, 7, 0)), ALL))
                .hasValueSatisfying(next -> assertThat(next.number()).isNotEqualTo(first));
        assertThat(Progress.next(List.of(new Progress.Done(first, Set.of(), 8, 7, 3)), ALL))
                .hasValueSatisfying(next -> assertThat(next.level()).isEqualTo(1));
        List<Progress.Done> weakAtButtons = List.of(new Progress.Done(8, Set.of(Fault.PAIRED_TOO_FAR), 30, 10, 6));
        assertThat(Progress.weakness(weakAtButtons, ALL)).containsEntry(Fault.PAIRED_TOO_FAR, 6.0);
        assertThat(Progress.next(weakAtButtons, ALL))
                .hasValueSatisfying(next -> assertThat(next.applicable()).contains(Fault.PAIRED_TOO_FAR));
        List<Progress.Done> all = ALL.stream().map(exercise -> new Progress.Done(exercise.number(), Set.of(), 8, 7, 0)).toList();
        assertThat(Progress.next(all, ALL)).isEmpty();
    }

    @Test
    void the_fault_to_hide_is_the_weakest_then_one_never_met() {
        Exercise hotspot = ALL.get(0);
        assertThat(Progress.toHide(hotspot, List.of(new Progress.Done(1, Set.of(Fault.LOOSE_ANTENNA), 20, 10, 2)), ALL, new Random(1)))
                .contains(Fault.LOOSE_ANTENNA);
        assertThat(Progress.toHide(hotspot, List.of(new Progress.Done(1, Set.of(Fault.LOOSE_ANTENNA), 10, 10, 0)), ALL, new Random(1)))
                .hasValueSatisfying(fault -> assertThat(fault).isNotEqualTo(Fault.LOOSE_ANTENNA));
    }

    private void hands(long atMs, HandsOn act) {
        acts.add(new BenchAct.Hands(atMs, act, Way.HOTSPOT));
    }

    private void answer(long atMs, String step, String answer) {
        moments.add(new Debrief.Moment(atMs, new RunEvent.Answered(Instant.EPOCH.plusMillis(atMs), "Wynn", step, answer)));
    }

    private Debrief debrief() {
        return Debrief.of(SILL, acts, List.of(new Debrief.Played(Way.HOTSPOT, moments)));
    }
}
