package roofnest.core.judge;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

import org.junit.jupiter.api.Test;

import roofnest.core.Houses;
import roofnest.core.catalogue.AlertSpec;
import roofnest.core.alert.AlertPlan;
import roofnest.core.alert.Does;
import roofnest.core.alert.Mode;
import roofnest.core.alert.ModeWeek;
import roofnest.core.plan.HousePlan;
import roofnest.core.promise.Evidence;
import roofnest.core.promise.Finding;
import roofnest.core.promise.Promise;
import roofnest.core.promise.PromiseKey;
import roofnest.core.promise.Standing;
import roofnest.core.view.CameraPose;
import roofnest.core.week.HouseKind;
import roofnest.core.week.Quietest;
import roofnest.core.week.SourceKind;
import roofnest.core.week.WeekOutcome;

/** Promises of an ordinary week, at the bungalow whose camera looks over the road. */
class WeekRulesTest {
    private static final HousePlan PLAN = Houses.plan("bungalow");
    private static final PromiseKey KEY = Judging.KEY;
    private static final Promise TELLS = new Promise.TellsOf(KEY, "front-door", 85);
    private static final Promise AT_MOST = new Promise.RingsAtMost(KEY, 20);
    private static final Promise SILENT = new Promise.SilentAbout(KEY, "VEHICLE");
    private static final Promise NIGHT = new Promise.NeverRings(KEY, 0, 5);

    private static Camera road() {
        return Judging.camera(7, "dunmark-post", new CameraPose(3.2, -0.35, 2.4, 215, 10));
    }

    private static Finding judged(Promise promise, HousePlan plan, Camera... cameras) {
        return Judging.finding(Judging.facts(plan, List.of(promise), cameras), KEY);
    }

    private static Camera quiet() {
        HouseholdFacts facts = Judging.facts(PLAN, List.of(), road());
        Quietest.Choice choice = HouseholdJudge.of(facts).quietest(facts, road(), facts.today().getMonthValue()).orElseThrow().watchful();
        return road().withZones(choice.zones()).withWatching(new Camera.Watching(choice.setting().sensitivity(), choice.setting().kinds()))
                .withSettings(new Camera.Settings(choice.setting().clipSeconds(), choice.setting().coolDownSeconds(), 64, 30, 4, 0.7, 90));
    }

    @Test
    void as_it_comes_the_road_breaks_what_is_promised_of_rings_and_the_remedy_is_quieter_settings() {
        for (Promise promise : List.of(AT_MOST, SILENT, NIGHT)) {
            Finding finding = judged(promise, PLAN, road());
            assertThat(finding.standing()).as(promise + " " + finding.reason()).isEqualTo(Standing.BROKEN);
            assertThat(finding.evidence()).isEqualTo(Evidence.PREDICTED);
            assertThat(finding.reason()).contains("in an ordinary week of December", "good to a factor of two");
            assertThat(finding.remedies().get(0).action()).isEqualTo("Quieter settings for Eye, at Tune");
        }
        assertThat(judged(AT_MOST, PLAN, road()).reason()).contains("for vehicles on the road");
    }

    @Test
    void quieter_settings_keep_them_and_still_tell_of_who_arrives() {
        Camera quiet = quiet();
        assertThat(judged(AT_MOST, PLAN, quiet).standing()).as(judged(AT_MOST, PLAN, quiet).toString()).isEqualTo(Standing.KEPT);
        assertThat(judged(SILENT, PLAN, quiet).standing()).isEqualTo(Standing.KEPT);
        assertThat(judged(NIGHT, PLAN, quiet).standing()).isEqualTo(Standing.KEPT);
        Finding tells = judged(TELLS, PLAN, quiet);
        assertThat(tells.standing()).isEqualTo(Standing.KEPT);
        assertThat(tells.reason()).contains("arrive a week", "in 100 are told of");
    }

    @Test
    void measured_is_what_the_weeks_say() {
        HouseholdFacts facts = Judging.facts(PLAN, List.of(TELLS, new Promise.RingsAtMost(PromiseKey.written(2), 20)), road());
        WeekOutcome weeks = HouseholdJudge.of(facts).weeks(facts, 12).orElseThrow().run(WeekOutcomes.WEEKS);
        assertThat(Judging.finding(facts, KEY).measured().orElseThrow()).isCloseTo(weeks.arrivals().get(0).toldInHundred(), within(1e-9));
        assertThat(Judging.finding(facts, PromiseKey.written(2)).measured().orElseThrow()).isCloseTo(weeks.rings().high() / 7,
                within(1e-9));
    }

    /** A camera that never rings rings for nothing, and tells of nobody. */
    @Test
    void hours_and_phones_are_in_what_is_promised_and_it_says_so() {
        HouseholdFacts facts = Judging.facts(PLAN, List.of(AT_MOST), road());
        AlertPlan silent = AlertPlan.USUAL.withDoes(Map.of(7L, Map.of(Mode.HOME, Does.RECORDS)));
        for (Promise promise : List.of(AT_MOST, SILENT, NIGHT)) {
            Finding finding = Judging.finding(Judging.facts(PLAN, List.of(promise), road()).withAlerts(silent), KEY);
            assertThat(finding.standing()).as(finding.reason()).isEqualTo(Standing.KEPT);
            assertThat(finding.measured()).hasValue(0);
            assertThat(finding.reason()).contains("with phones and hours set as they stand at Tune");
        }
        assertThat(Judging.finding(Judging.facts(PLAN, List.of(TELLS), road()).withAlerts(silent), KEY).measured()).hasValue(0);
        assertThat(Judging.finding(facts, KEY).reason()).doesNotContain("as they stand at Tune");
        AlertPlan byNight = new AlertPlan(ModeWeek.USUAL.with(hour -> hour % 24 < 5, Mode.NIGHT), Map.of(7L, Map.of(Mode.NIGHT, Does.OFF)),
                Map.of(), List.of());
        assertThat(Judging.finding(Judging.facts(PLAN, List.of(NIGHT), road()).withAlerts(byNight), KEY).standing())
                .isEqualTo(Standing.KEPT);
        assertThat(Judging.finding(facts.withAlerts(byNight), KEY).standing()).isEqualTo(Standing.BROKEN);
    }

    @Test
    void what_nobody_can_know_is_untried() {
        assertThat(judged(AT_MOST, PLAN).reason()).contains("No camera");
        HouseholdFacts planless = Judging.facts(PLAN, List.of(AT_MOST), road());
        Finding none = Judging.finding(new HouseholdFacts(Optional.empty(), planless.cameras(), planless.written(), planless.network(), 0,
                planless.access(), List.of(), planless.climate(), planless.today(), false), KEY);
        assertThat(none.standing()).isEqualTo(Standing.UNTRIED);
        assertThat(none.reason()).contains("no plan yet");
        assertThat(judged(new Promise.TellsOf(KEY, "elsewhere", 90), PLAN, road()).standing()).isEqualTo(Standing.UNTRIED);
        Finding wayless = judged(TELLS, PLAN.withPaths(List.of()), road());
        assertThat(wayless.standing()).as("not all of nobody").isEqualTo(Standing.UNTRIED);
        assertThat(wayless.reason()).contains("No path of the plan ends there");
        assertThat(judged(new Promise.TellsOf(KEY, "back-garden", 90), PLAN, road()).reason()).contains("No path of the plan ends there");
    }

    @Test
    void what_is_said_of_the_house_and_which_kinds_count_is_felt_at_once() {
        HouseholdFacts facts = Judging.facts(PLAN, List.of(SILENT), road());
        HouseholdFacts closed = new HouseholdFacts(facts.plan(), facts.cameras(), facts.written(), facts.network(), 9, facts.access(),
                List.of(), facts.climate(), facts.today(), false, List.of(), facts.practice(),
                new ComingsAndGoings(HouseKind.LANE, Map.of(SourceKind.VEHICLE, 0.0)));
        HouseholdJudge judge = HouseholdJudge.of(facts);
        assertThat(standing(judge, facts)).isEqualTo(Standing.BROKEN);
        assertThat(standing(judge, closed)).isEqualTo(Standing.KEPT);
        Camera none = road().withWatching(new Camera.Watching(1, Set.of(AlertSpec.Kind.SOUND)));
        assertThat(standing(judge, facts.withCamera(none))).as("only sounds count").isEqualTo(Standing.KEPT);
        assertThat(standing(judge, facts)).as("and the first is not forgotten").isEqualTo(Standing.BROKEN);
    }

    /** Outcomes are kept; a camera's new name is not an old one's. */
    @Test
    void a_camera_is_called_by_the_name_that_it_has_now() {
        HouseholdFacts facts = Judging.facts(PLAN, List.of(SILENT), road());
        HouseholdJudge judge = HouseholdJudge.of(facts);
        assertThat(reason(judge, facts)).contains("from Eye");
        Camera was = road();
        Camera renamed = new Camera(was.id(), "Gate eye", was.model(), was.pose(), was.masked(), was.settings(), false, false, false,
                Optional.empty());
        assertThat(reason(judge, facts.withCamera(renamed))).contains("from Gate eye");
    }

    private static String reason(HouseholdJudge judge, HouseholdFacts facts) {
        return judge.again(facts).promises().stream().filter(judged -> judged.promise().key().equals(KEY)).findFirst().orElseThrow()
                .finding().reason();
    }

    private static Standing standing(HouseholdJudge judge, HouseholdFacts facts) {
        return judge.again(facts).promises().stream().filter(judged -> judged.promise().key().equals(KEY)).findFirst().orElseThrow()
                .finding().standing();
    }

    @Test
    void silent_hours_go_over_midnight() {
        Promise.NeverRings night = new Promise.NeverRings(KEY, 22, 6);
        assertThat(night.covers(23)).isTrue();
        assertThat(night.covers(0)).isTrue();
        assertThat(night.covers(6)).isFalse();
        assertThat(night.covers(22)).isTrue();
        Promise.NeverRings noon = new Promise.NeverRings(KEY, 12, 14);
        assertThat(noon.covers(13)).isTrue();
        assertThat(noon.covers(14)).isFalse();
        assertThat(noon.covers(0)).isFalse();
        assertThatThrownBy(() -> new Promise.NeverRings(KEY, 5, 5)).hasMessageContaining("different hours");
    }
}
