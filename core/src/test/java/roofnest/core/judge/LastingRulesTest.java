package roofnest.core.judge;

import static org.assertj.core.api.Assertions.assertThat;
import static roofnest.core.judge.Judging.HOUSE;
import static roofnest.core.judge.Judging.KEY;
import static roofnest.core.judge.Judging.camera;
import static roofnest.core.judge.Judging.door;
import static roofnest.core.judge.Judging.facts;
import static roofnest.core.judge.Judging.finding;
import static roofnest.core.judge.Judging.judged;
import static roofnest.core.judge.Judging.link;
import static roofnest.core.judge.Judging.of;
import static roofnest.core.judge.Judging.post;
import static roofnest.core.judge.Judging.settings;

import java.util.List;
import java.util.Optional;

import org.junit.jupiter.api.Test;

import roofnest.core.promise.Finding;
import roofnest.core.promise.Promise;
import roofnest.core.promise.Remedy;
import roofnest.core.promise.Standing;
import roofnest.core.view.CameraPose;

/**
 * Promises that have to last, of battery and footage, at their edges: what is said, and that what is proposed would mend it.
 */
class LastingRulesTest {
    @Test
    void the_card_that_runs_out_first_decides_and_the_card_that_is_offered_suffices() {
        List<Promise> days = List.of(new Promise.KeepsDays(KEY, 14));
        Camera small = camera(8, "cairnlow-eave", door()).withSettings(settings(20, 16, 200));
        HouseholdFacts facts = facts(HOUSE, days, post(door()), small);
        Judged judged = judged(facts, KEY);
        assertThat(judged.cameraId()).contains(8L);
        Finding broken = judged.finding();
        assertThat(broken.standing()).isEqualTo(Standing.BROKEN);
        assertThat(broken.reason()).startsWith("Eye 8 with 16 GB: ").contains(" clips of 20 s in a bad week, ").endsWith(" GB a day.");
        int offered = Integer.parseInt(broken.remedies().get(0).action().replaceAll("[^0-9]", ""));
        assertThat(finding(facts.withCamera(small.withSettings(settings(20, offered, 200))), KEY).standing()).isEqualTo(Standing.KEPT);
        assertThat(finding(facts.withCamera(small.withSettings(settings(20, offered / 2, 200))), KEY).standing())
                .as("the next smaller one does not").isNotEqualTo(Standing.KEPT);
        double kept = broken.measured().getAsDouble();
        assertThat(broken.remedies().get(0).effect()).isEqualTo(Math.round(kept * offered / 16) + " days");
    }

    @Test
    void where_no_card_is_big_enough_shorter_clips_are_offered_down_to_the_models_shortest() {
        List<Promise> days = List.of(new Promise.KeepsDays(KEY, 365));
        Finding busy = finding(facts(HOUSE, days, post(door()).withSettings(settings(30, 128, 1000))), KEY);
        assertThat(busy.remedies()).singleElement().satisfies(remedy -> {
            assertThat(remedy.action()).isEqualTo("Clips of 15 s");
            assertThat(remedy.effect()).isEqualTo("about " + Math.round(busy.measured().getAsDouble() * 2) + " days");
        });
        Finding shortest = finding(facts(HOUSE, days, post(door()).withSettings(settings(6, 128, 1900))), KEY);
        assertThat(shortest.remedies().get(0).action()).isEqualTo("Clips of 5 s");
    }

    @Test
    void a_camera_without_a_card_keeps_nothing_and_enough_needs_no_remedy() {
        List<Promise> days = List.of(new Promise.KeepsDays(KEY, 1));
        Judged none = judged(facts(HOUSE, days, post(door()), camera(8, "cairnlow-eave", door()).withSettings(settings(12, 0, 3))), KEY);
        assertThat(none.finding().measured()).hasValue(0);
        assertThat(none.finding().reason()).isEqualTo("Eye 8 has no card.");
        assertThat(none.finding().remedies()).containsExactly(new Remedy("Put a card into Eye 8", "footage is kept at all"));
        assertThat(none.cameraId()).contains(8L);
        Finding plenty = finding(facts(HOUSE, days, post(door())), KEY);
        assertThat(plenty.standing()).isEqualTo(Standing.KEPT);
        assertThat(plenty.remedies()).isEmpty();
    }

    @Test
    void a_battery_says_what_it_uses_and_what_would_help() {
        Finding easy = finding(facts(HOUSE, List.of(), post(door())), of("battery"));
        assertThat(easy.standing()).isEqualTo(Standing.KEPT);
        assertThat(easy.remedies()).isEmpty();
        assertThat(easy.reason())
                .matches("In the bad year, one in 20, lowest on [0-9]+ [A-Z][a-z]{2}; in a middling one [0-9]+ %\\. Uses [0-9]+ mAh a day, "
                        + "[0-9]+ clips, charged every 90 days\\.");
        assertThat(easy.limit().value()).as("its own warning level").isEqualTo(15);
        Camera sunOnly = post(door()).withSettings(new Camera.Settings(40, 10, 64, 60, 5, 0.05, 0));
        Finding dark = finding(facts(HOUSE, List.of(), sunOnly), of("battery"));
        assertThat(dark.reason()).endsWith(" clips, sun only.");
        assertThat(dark.standing()).isEqualTo(Standing.BROKEN);
        assertThat(dark.remedies()).extracting(Remedy::action).anyMatch(action -> action.matches("Charge every [0-9]+ days"));
        int days = dark.remedies().stream().map(Remedy::action).filter(action -> action.startsWith("Charge")).findFirst()
                .map(action -> Integer.parseInt(action.replaceAll("[^0-9]", ""))).orElseThrow();
        assertThat(days % 7).as("whole weeks").isZero();
        assertThat(days).isLessThanOrEqualTo(91);
        if (dark.remedies().get(0).action().startsWith("Clips")) {
            assertThat(dark.remedies().get(0).action()).isEqualTo("Clips of 20 s");
        }
        assertThat(finding(facts(HOUSE, List.of(), camera(7, "cairnlow-eave", door())), of("link"))).isNotNull();
        assertThat(HouseholdJudge.judge(facts(HOUSE, List.of(), camera(7, "cairnlow-eave", door()))).promises())
                .as("on mains there is no battery to last").noneMatch(judged -> judged.promise() instanceof Promise.BatteryLasts);
    }

    /** Behind two walls the radio is on for longer: the same clips cost more. */
    @Test
    void a_slow_link_drains_a_battery_faster() {
        BatteryYears years = new BatteryYears(Optional.empty(), camera -> null);
        HouseholdFacts facts = facts(HOUSE, List.of(), post(door()));
        Camera camera = post(door());
        double unknown = years.of(facts, camera, Optional.empty(), 90).drawMahPerDay();
        double strong = years.of(facts, camera, link(new CameraPose(5.5, 6.0, 2.2, 90, 0)), 90).drawMahPerDay();
        double weak = years.of(facts, camera, link(new CameraPose(20, 7.5, 2.4, 90, 12)), 90).drawMahPerDay();
        assertThat(strong).isEqualTo(unknown);
        assertThat(weak).isGreaterThan(1.1 * strong).isLessThan(2 * strong);
    }

    /** Clips half as long are offered where they are worth it, and are then what the year comes to. */
    @Test
    void shorter_clips_are_offered_where_they_win_two_percent() {
        Camera.Settings long40 = new Camera.Settings(40, 0, 64, 40, 4, 0.2, 63);
        Finding thirsty = finding(facts(HOUSE, List.of(), post(door()).withSettings(long40)), of("battery"));
        assertThat(thirsty.standing()).isNotEqualTo(Standing.KEPT);
        Finding with20 = finding(facts(HOUSE, List.of(), post(door()).withSettings(long40.withClipSeconds(20))), of("battery"));
        assertThat(with20.measured().getAsDouble()).isGreaterThan(thirsty.measured().getAsDouble() + 2);
        assertThat(thirsty.remedies().get(0))
                .isEqualTo(new Remedy("Clips of 20 s", "lowest " + Math.round(with20.measured().getAsDouble()) + " %"));
        Camera.Settings shortest = long40.withClipSeconds(5);
        Camera.Settings busy = new Camera.Settings(5, 0, 64, 400, 30, 0, 63);
        assertThat(shortest.clipSeconds()).isEqualTo(5);
        assertThat(finding(facts(HOUSE, List.of(), post(door()).withSettings(busy)), of("battery")).remedies())
                .as("no clip is shorter than the model makes").noneMatch(remedy -> remedy.action().startsWith("Clips"));
    }

    @Test
    void the_interval_that_is_offered_is_the_longest_in_whole_weeks_below_the_present_one() {
        Camera.Settings every30 = new Camera.Settings(25, 0, 64, 200, 10, 0.0, 30);
        Finding broken = finding(facts(HOUSE, List.of(), post(door()).withSettings(every30)), of("battery"));
        assertThat(broken.standing()).isEqualTo(Standing.BROKEN);
        int days = broken.remedies().stream().map(Remedy::action).filter(action -> action.startsWith("Charge")).findFirst()
                .map(action -> Integer.parseInt(action.replaceAll("[^0-9]", ""))).orElseThrow();
        assertThat(days).isLessThanOrEqualTo(23);
        assertThat((30 - days) % 7).isZero();
        Finding mended = finding(facts(HOUSE, List.of(), post(door()).withSettings(every30.withChargeEveryDays(days))), of("battery"));
        assertThat(mended.standing()).isEqualTo(Standing.KEPT);
        Finding longer = finding(facts(HOUSE, List.of(), post(door()).withSettings(every30.withChargeEveryDays(days + 7))), of("battery"));
        assertThat(longer.standing()).isNotEqualTo(Standing.KEPT);
    }
}
