package roofnest.core.judge;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;
import static roofnest.core.judge.Judging.FIELD;
import static roofnest.core.judge.Judging.HOUSE;
import static roofnest.core.judge.Judging.KEY;
import static roofnest.core.judge.Judging.TODAY;
import static roofnest.core.judge.Judging.door;
import static roofnest.core.judge.Judging.east;
import static roofnest.core.judge.Judging.facts;
import static roofnest.core.judge.Judging.field;
import static roofnest.core.judge.Judging.finding;
import static roofnest.core.judge.Judging.joined;
import static roofnest.core.judge.Judging.model;
import static roofnest.core.judge.Judging.nobody;
import static roofnest.core.judge.Judging.of;
import static roofnest.core.judge.Judging.post;

import java.util.List;
import java.util.Optional;
import java.util.Set;

import org.junit.jupiter.api.Test;

import roofnest.core.catalogue.Band;
import roofnest.core.catalogue.DeviceDocument;
import roofnest.core.catalogue.DeviceModel;
import roofnest.core.document.DocumentRefused;
import roofnest.core.plan.HousePlan;
import roofnest.core.plan.PlanPoint;
import roofnest.core.plan.SpacePoint;
import roofnest.core.plan.Walk;
import roofnest.core.power.Climate;
import roofnest.core.promise.DetailLevel;
import roofnest.core.promise.Light;
import roofnest.core.promise.Promise;
import roofnest.core.promise.PromiseKey;
import roofnest.core.promise.Standing;
import roofnest.core.radio.Reading;
import roofnest.core.view.Zone;

/**
 * That every kind of promise has its rule and its words, what is said where nothing can be judged, and what pages ask beside the
 * findings.
 */
class RulesTest {
    @Test
    void every_promise_has_exactly_one_rule() {
        assertThatThrownBy(() -> new Rules(List.of(new MakeOutRule(), new MakeOutRule()))).isInstanceOf(IllegalStateException.class)
                .hasMessage("two rules judge MakeOut");
        assertThatThrownBy(() -> new Rules(List.of(new MakeOutRule()))).isInstanceOf(IllegalStateException.class)
                .hasMessageStartingWith("no rule judges ").hasMessageContaining("BatteryLasts").hasMessageContaining("OnlyThese");
        assertThat(new Rules()).isNotNull();
    }

    @Test
    void promises_are_worded_as_the_household_agreed_to_them() {
        HousePlan plan = HOUSE.withPaths(List.of(new Walk("w", "the door path", List.of(new PlanPoint(24, 9), new PlanPoint(13, 3)))));
        List<Promise> written = List.of(
                new Promise.MakeOut(PromiseKey.written(1), DetailLevel.DETECT, "hives", Light.NIGHT),
                new Promise.RecordedBefore(PromiseKey.written(2), DetailLevel.OBSERVE, "lane-door", "w"),
                new Promise.KeepsDays(PromiseKey.written(3), 14), new Promise.NeverShows(PromiseKey.written(4), "landing"),
                new Promise.OnlyThese(PromiseKey.written(5)), new Promise.AlertWithin(PromiseKey.written(6), 7.5),
                new Promise.MakeOut(PromiseKey.written(7), DetailLevel.DETECT, "well", Light.DAY));
        assertThat(HouseholdJudge.judge(facts(plan, written, post(door()))).promises()).extracting(Judged::wording).containsExactly(
                "Tell that someone is at the hives, at night",
                "Recorded before they reach the lane door, by the door path (observe), day and night",
                "Keeps 14 days of footage", "Stays off next door's landing", "Only the people agreed can look",
                "Phone rings within 7.5 s", "Tell that someone is at the well, by day", "Holds its Wi-Fi link",
                "Can join the house's Wi-Fi", "Has a password of its own", "Its own light does not blind it", "Hangs out of arm's reach",
                "Can be reached safely",
                "Battery lasts through the dark months");
    }

    @Test
    void without_a_plan_nothing_of_sight_or_signal_is_tried() {
        List<Promise> written = List.of(new Promise.MakeOut(PromiseKey.written(1), DetailLevel.DETECT, "hives", Light.DAY),
                new Promise.RecordedBefore(PromiseKey.written(2), DetailLevel.DETECT, "hives", "w"),
                new Promise.NeverShows(PromiseKey.written(3), "landing"));
        HouseholdFacts bare = new HouseholdFacts(Optional.empty(), List.of(post(door())), written, Optional.empty(), 0, nobody(), List.of(),
                Climate.MILD_COAST, TODAY, false);
        for (Promise promise : written) {
            assertThat(finding(bare, promise.key()).standing()).isEqualTo(Standing.UNTRIED);
            assertThat(finding(bare, promise.key()).reason()).isEqualTo("The house has no plan yet.");
        }
        assertThat(finding(bare, of("clear")).reason()).isEqualTo("The house has no plan yet.");
        assertThat(finding(bare, of("link")).reason()).isEqualTo("The plan shows no router yet.");
        assertThat(finding(bare, of("link")).standing()).isEqualTo(Standing.UNTRIED);
    }

    @Test
    void what_the_plan_lost_is_said_and_not_judged() {
        List<Promise> written = List.of(new Promise.MakeOut(PromiseKey.written(1), DetailLevel.DETECT, "well", Light.DAY),
                new Promise.RecordedBefore(PromiseKey.written(2), DetailLevel.DETECT, "well", "w"),
                new Promise.RecordedBefore(PromiseKey.written(3), DetailLevel.DETECT, "hives", "gone"),
                new Promise.NeverShows(PromiseKey.written(4), "pond"));
        HouseholdFacts facts = facts(FIELD, written, post(door()));
        assertThat(HouseholdJudge.judge(facts).promises()).extracting(judged -> judged.finding().reason()).startsWith(
                "The plan has no place of that name any more: choose another at the brief.",
                "The plan has no place of that name any more: choose another at the brief.",
                "The plan has no path of that name any more: choose another at the brief.",
                "The plan has no area of that name any more: choose another at the brief.");
        assertThat(HouseholdJudge.judge(facts).promises().subList(0, 4))
                .allSatisfy(judged -> assertThat(judged.finding().standing()).isEqualTo(Standing.UNTRIED))
                .allSatisfy(judged -> assertThat(judged.cameraId()).isEmpty());
    }

    /** A firm may put a newer document of its own model in the place of an older one: the older lens is forgotten. */
    @Test
    void a_model_that_was_replaced_is_judged_by_its_new_figures() throws DocumentRefused {
        DeviceDocument documents = new DeviceDocument();
        DeviceModel wide = model("dunmark-post");
        DeviceModel narrow = documents.read(documents.write(wide).replaceFirst("\"hfovDeg\" : 104(\\.0)?", "\"hfovDeg\" : 60")
                .replaceFirst("\"capacityMah\" : 10400(\\.0)?", "\"capacityMah\" : 2000"));
        assertThat(narrow.key()).isEqualTo(wide.key());
        List<Promise> seen = List.of(new Promise.MakeOut(KEY, DetailLevel.RECOGNISE, "spot", Light.DAY));
        HouseholdFacts before = facts(field(4), seen, post(east(1.6)));
        HouseholdJudge judge = HouseholdJudge.of(before);
        judge.again(before);
        HouseholdFacts after = before.withCameras(List.of(new Camera(7, "Eye", narrow, east(1.6), Set.of(), Camera.Settings.DEFAULT, false,
                false, false, Optional.empty())));
        assertThat(judge.again(after)).isEqualTo(HouseholdJudge.judge(after)).isNotEqualTo(judge.again(before));
    }

    @Test
    void a_year_untouched_is_one_without_charges_and_a_year_as_set_has_them() {
        Camera camera = post(door()).withSettings(new Camera.Settings(20, 0, 64, 60, 4, 0.1, 28));
        HouseholdFacts facts = facts(HOUSE, List.of(), camera);
        HouseholdJudge judge = HouseholdJudge.of(facts);
        assertThat(judge.batteryYear(facts, camera).lowest().percent()).isEqualTo(finding(facts, of("battery")).measured().getAsDouble());
        assertThat(judge.untouchedYear(facts, camera).lowest().percent()).isLessThan(judge.batteryYear(facts, camera).lowest().percent());
        List<Promise> days = List.of(new Promise.KeepsDays(KEY, 14));
        assertThat(FootageKept.of(facts, camera).longest().orElseThrow().days())
                .isEqualTo(finding(facts(HOUSE, days, camera), KEY).measured().getAsDouble());
    }

    /** Clips of 95.6 a day, ten seconds each, four times as many while people are about; five minutes live: 4.4 % and 1.4 %. */
    @Test
    void how_busy_a_camera_is_in_the_air() {
        double clips = new Camera.Settings(10, 0, 64, 100, 0, 0.7, 90).busyShare();
        double live = new Camera.Settings(10, 0, 64, 0, 5, 0.7, 90).busyShare();
        assertThat(clips).isEqualTo(100 / (1 + 100 * 4 / 86_400.0 * 10) * 10 * 4 / 86_400, within(1e-12));
        assertThat(live).isEqualTo(5 * 60 * 4 / 86_400.0, within(1e-12));
        assertThat(new Camera.Settings(10, 0, 64, 100, 5, 0.7, 90).busyShare()).isEqualTo(1 - (1 - clips) * (1 - live), within(1e-12));
        assertThat(new Camera.Settings(10, 0, 64, 0, 1440, 0.7, 90).busyShare()).as("never more than all the time").isEqualTo(1);
        assertThat(new Camera.Settings(10, 0, 64, 0, 0, 0.7, 90).busyShare()).isZero();
    }

    @Test
    void a_house_is_made_ready_once() {
        Reading reading = Reading.ofFigure(new SpacePoint(5, 5, 1), Band.GHZ_2_4, -50);
        House house = HouseholdJudge.of(facts(HOUSE, List.of(), List.of(reading), post(door()))).house().orElseThrow();
        assertThat(house.readings()).containsExactly(reading);
        assertThat(house.scene()).isNotNull().isSameAs(house.scene());
        assertThat(house.sun()).isNotNull().isSameAs(house.sun());
        assertThat(house.ground()).isNotNull();
        assertThat(house.crossings()).isNotNull();
    }

    @Test
    void a_camera_tried_elsewhere_keeps_all_but_what_is_changed() {
        Camera camera = joined(true).withZones(List.of(new Zone("zone 1", List.of(new Zone.Corner(0.1, 0.1), new Zone.Corner(0.5, 0.1),
                new Zone.Corner(0.3, 0.5)))));
        Camera moved = camera.withPose(east(2.4));
        assertThat(moved.pose()).isEqualTo(east(2.4));
        assertThat(moved.zones()).isEqualTo(camera.zones()).hasSize(1);
        assertThat(moved.withPose(camera.pose())).isEqualTo(camera);
        HouseholdFacts elsewhere = facts(HOUSE, List.of(new Promise.KeepsDays(KEY, 7)), camera).withPlanAndCameras(FIELD, List.of(moved));
        assertThat(elsewhere.plan()).contains(FIELD);
        assertThat(elsewhere.cameras()).containsExactly(moved);
        assertThat(elsewhere.written()).hasSize(1);
    }
}
