package roofnest.core.judge;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static roofnest.core.judge.Judging.HOUSE;
import static roofnest.core.judge.Judging.KEY;
import static roofnest.core.judge.Judging.TODAY;
import static roofnest.core.judge.Judging.camera;
import static roofnest.core.judge.Judging.door;
import static roofnest.core.judge.Judging.facts;
import static roofnest.core.judge.Judging.finding;
import static roofnest.core.judge.Judging.settings;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;

import org.junit.jupiter.api.Test;

import roofnest.core.alert.AlertPlan;
import roofnest.core.footage.CloudPlan;
import roofnest.core.footage.FootagePlan;
import roofnest.core.footage.Keeping;
import roofnest.core.footage.Keeping.When;
import roofnest.core.footage.Survival;
import roofnest.core.promise.Finding;
import roofnest.core.promise.Promise;
import roofnest.core.promise.Standing;

/** Where footage is kept, for how long, and what is left of it when the camera is gone. */
class FootageRulesTest {
    private static final Promise DAYS = new Promise.KeepsDays(KEY, 14);
    private static final Promise THEFT = new Promise.SurvivesTheft(KEY, 20);
    private static final CloudPlan PLAN = new CloudPlan(1, "Watch", "Dunmark", 349, 1, 14, 60, Set.of());

    private static HouseholdFacts kept(Promise promise, FootagePlan footage, Camera... cameras) {
        return facts(HOUSE, List.of(promise), cameras).withFootage(footage);
    }

    private static FootagePlan footage(Map<Long, Keeping> cameras, Map<String, Integer> hubs, int recorderGb) {
        return new FootagePlan(cameras, hubs, recorderGb, OptionalDouble.empty());
    }

    private static Keeping keeping(When when, boolean recorder, boolean stops, Optional<CloudPlan> plan) {
        return new Keeping(when, when == When.SCHEDULED ? 22 : 0, when == When.SCHEDULED ? 6 : 0, recorder, stops, plan);
    }

    private static Camera dome(long id, int cardGb) {
        return camera(id, "vellin-dome", door()).withSettings(settings(20, cardGb, 20));
    }

    /** 4 Mbit/s all day are 43.2 GB: 512 GB hold eleven days, and the promise of fourteen breaks; a third of the day holds 33. */
    @Test
    void recordingAllTheTimeFillsACardInDays() {
        FootagePlan always = footage(Map.of(7L, keeping(When.CONTINUOUS, false, false, Optional.empty())), Map.of(), 0);
        Finding broken = finding(kept(DAYS, always, dome(7, 512)), KEY);
        assertThat(broken.measured().getAsDouble()).isCloseTo(0.93 * 512 / 43.2, within(0.01));
        assertThat(broken.standing()).isEqualTo(Standing.BROKEN);
        assertThat(broken.reason()).contains("recording all the time", "43.20 GB a day");
        assertThat(broken.remedies()).singleElement().satisfies(remedy -> assertThat(remedy.action()).isEqualTo(
                "Record when something counts"));
        FootagePlan nights = footage(Map.of(7L, keeping(When.SCHEDULED, false, false, Optional.empty())), Map.of(), 0);
        assertThat(finding(kept(DAYS, nights, dome(7, 512)), KEY).measured().getAsDouble()).isCloseTo(0.93 * 512 / 14.4, within(0.01));
        assertThat(finding(kept(DAYS, FootagePlan.USUAL, dome(7, 512)), KEY).standing()).isEqualTo(Standing.KEPT);
    }

    /** A card that stops when it is full keeps nothing of the day after; the longer it takes does not help. */
    @Test
    void aCardThatStopsKeepsNoPromise() {
        FootagePlan stops = footage(Map.of(7L, keeping(When.EVENT, false, true, Optional.empty())), Map.of(), 0);
        Finding broken = finding(kept(DAYS, stops, dome(7, 512)), KEY);
        assertThat(broken.measured()).hasValue(0);
        assertThat(broken.reason()).contains("stops when it is full, after", "keeps nothing from then on");
        assertThat(broken.remedies()).singleElement().satisfies(remedy -> assertThat(remedy.action()).contains("over the oldest"));
        FootagePlan withPlan = footage(Map.of(7L, keeping(When.EVENT, false, true, Optional.of(PLAN))), Map.of(), 0);
        assertThat(finding(kept(DAYS, withPlan, dome(7, 512)), KEY).standing()).as("its plan goes on").isEqualTo(Standing.KEPT);
    }

    @Test
    void aPlanKeepsItsDaysExactlyAndOnlyWhereThereAreClips() {
        FootagePlan events = footage(Map.of(7L, keeping(When.EVENT, false, false, Optional.of(PLAN))), Map.of(), 0);
        assertThat(finding(kept(DAYS, events, dome(7, 0)), KEY).standing()).isEqualTo(Standing.KEPT);
        assertThat(finding(kept(new Promise.KeepsDays(KEY, 15), events, dome(7, 0)), KEY).standing()).isEqualTo(Standing.BROKEN);
        FootagePlan always = footage(Map.of(7L, keeping(When.CONTINUOUS, false, false, Optional.of(PLAN))), Map.of(), 0);
        assertThat(finding(kept(DAYS, always, dome(7, 0)), KEY).reason()).as("no clip, so nothing goes up").isEqualTo("Eye has no card.");
    }

    /** Two cameras on one hub share its card; one more camera leaves each fewer days. */
    @Test
    void theCardOfAHubIsShared() {
        FootagePlan hub = footage(Map.of(), Map.of("pellan-perch", 64), 0);
        Camera one = camera(7, "pellan-drift", door()).withSettings(settings(20, 0, 100));
        Camera two = camera(8, "pellan-drift", door()).withSettings(settings(20, 0, 100));
        double alone = FootageKept.of(kept(DAYS, hub, one), one).longest().orElseThrow().days();
        double both = FootageKept.of(kept(DAYS, hub, one, two), one).longest().orElseThrow().days();
        assertThat(both).isCloseTo(alone / 2, within(1e-9));
        assertThat(finding(kept(DAYS, hub, one, two), KEY).reason()).contains("on the card in the hub", "of all that write there");
        assertThat(FootageKept.of(kept(DAYS, footage(Map.of(), Map.of("pellan-perch", 0), 0), one), one).places())
                .as("said to hold none").isEmpty();
        assertThat(FootageKept.of(kept(DAYS, FootagePlan.USUAL, one.withSettings(settings(20, 64, 100))), one.withSettings(settings(20,
                64, 100))).longest().orElseThrow().said()).as("agreed for it, the size of the hub's card not said").isFalse();
    }

    /** A larger store never holds fewer days, and more clips never more. */
    @Test
    void moreRoomNeverHoldsLessNorMoreClipsMore() {
        double before = 0;
        for (int gb = 16; gb <= 512; gb *= 2) {
            HouseholdFacts facts = kept(DAYS, FootagePlan.USUAL, dome(7, gb).withSettings(settings(20, gb, 300)));
            double days = FootageKept.of(facts, facts.cameras().get(0)).longest().orElseThrow().days();
            assertThat(days).isGreaterThanOrEqualTo(before);
            before = days;
        }
        double most = 1e9;
        for (int visits = 1; visits < 1500; visits *= 2) {
            HouseholdFacts facts = kept(DAYS, FootagePlan.USUAL, dome(7, 64).withSettings(settings(20, 64, visits)));
            double days = FootageKept.of(facts, facts.cameras().get(0)).longest().orElseThrow().days();
            assertThat(days).isLessThanOrEqualTo(most);
            most = days;
        }
    }

    @Test
    void aThiefLeavesWhatIsElsewhere() {
        Finding gone = finding(kept(THEFT, FootagePlan.USUAL, dome(7, 512)), KEY);
        assertThat(gone.standing()).isEqualTo(Standing.BROKEN);
        assertThat(gone.reason()).isEqualTo("Eye: nothing that it recorded is left when it is taken.");
        assertThat(gone.measuredText()).isEqualTo("1 fault");
        assertThat(gone.remedies()).extracting(remedy -> remedy.action()).containsExactly("A recorder in the house, out of sight",
                "A paid plan of Vellin");
        FootagePlan recorder = footage(Map.of(7L, keeping(When.EVENT, true, false, Optional.empty())), Map.of(), 1000);
        Finding kept = finding(kept(THEFT, recorder, dome(7, 0)), KEY);
        assertThat(kept.standing()).isEqualTo(Standing.KEPT);
        assertThat(kept.measured()).hasValue(Survival.HUB_LAG_S);
        FootagePlan noDisk = footage(Map.of(7L, keeping(When.EVENT, true, false, Optional.empty())), Map.of(), 0);
        assertThat(finding(kept(THEFT, noDisk, dome(7, 0)), KEY).standing()).as("to a recorder that is not there").isEqualTo(
                Standing.BROKEN);
        assertThat(finding(kept(THEFT, FootagePlan.USUAL), KEY).standing()).as("no camera").isEqualTo(Standing.UNTRIED);
    }

    /** With a plan a clip has to be over and sent: the remedy is the longest clip that is in time. */
    @Test
    void aPlanHasWhatWasSentInTime() {
        FootagePlan plan = footage(Map.of(7L, keeping(When.EVENT, false, false, Optional.of(PLAN))), Map.of(), 0);
        Camera camera = Judging.post(door()).withSettings(settings(30, 0, 20));
        Finding late = finding(kept(THEFT, plan, camera), KEY);
        assertThat(late.measured().getAsDouble()).as("30 s at 2 of 5 Mbit/s").isCloseTo(42, within(1e-6));
        assertThat(late.reason()).contains("nobody measured this one");
        int offered = Integer.parseInt(late.remedies().get(0).action().replaceAll("[^0-9]", ""));
        assertThat(finding(kept(THEFT, plan, camera.withSettings(settings(offered, 0, 20))), KEY).standing()).isEqualTo(Standing.KEPT);
        assertThat(finding(kept(THEFT, plan, camera.withSettings(settings(offered + 1, 0, 20))), KEY).standing()).isNotEqualTo(
                Standing.KEPT);
        FootagePlan slow = new FootagePlan(plan.byCamera(), Map.of(), 0, OptionalDouble.of(1));
        assertThat(finding(kept(THEFT, slow, camera), KEY).measured().getAsDouble()).isCloseTo(90, within(1e-6));
    }

    /** Weeks that were drawn take the place of chance; visits typed by hand bring chance back. */
    @Test
    void theWorstWeekGoesWithTheVisitsThatItIsOf() {
        Camera.Settings drawn = settings(20, 64, 10).byWeeks(100, 2);
        assertThat(drawn.withClipSeconds(10).worstWeekShare()).hasValue(2);
        assertThat(drawn.withVisitsPerDay(50).worstWeekShare()).isEmpty();
        HouseholdFacts facts = kept(DAYS, FootagePlan.USUAL, dome(7, 64).withSettings(drawn));
        double clips = drawn.clipsPerDay();
        assertThat(FootageKept.gbADay(facts, facts.cameras().get(0))).isCloseTo(2 * clips * 10 / 1000, within(1e-9));
        assertThat(FootageKept.meanGbADay(facts, facts.cameras().get(0))).isCloseTo(clips * 10 / 1000, within(1e-9));
    }

    @Test
    void theSheetSaysHowItRecords() {
        Camera camera = dome(7, 64);
        assertThat(SettingSheet.of(camera, AlertPlan.USUAL, List.of(), keeping(When.SCHEDULED, true, true, Optional.of(PLAN))))
                .extracting(SettingSheet.Step::value).contains("64 GB, formatted in the camera, stopping when it is full",
                        "all the time from 22 to 6 h", "Watch");
        assertThat(SettingSheet.of(camera, AlertPlan.USUAL)).filteredOn(step -> step.key().equals("card")).singleElement()
                .satisfies(step -> assertThat(step.value()).endsWith("writing over the oldest"));
    }

    /** A pack that was new two years ago holds less, and everything that is reckoned of it goes by that. */
    @Test
    void anOlderPackLastsLess() {
        Camera camera = Judging.post(door());
        LocalDate before = TODAY.minusYears(2);
        Camera aged = camera.aged(before, TODAY);
        double health = camera.packAge(before, TODAY).health();
        assertThat(health).isBetween(0.85, 0.96);
        assertThat(aged.model().power().capacityMah()).isCloseTo(camera.model().power().capacityMah() * health, within(1e-6));
        HouseholdFacts facts = facts(HOUSE, List.of(), camera);
        HouseholdJudge judge = HouseholdJudge.of(facts);
        assertThat(judge.packUse(facts.withCamera(aged), aged).days()).isLessThan(judge.packUse(facts, camera).days());
        assertThat(camera.aged(TODAY, TODAY)).isEqualTo(camera);
        assertThat(camera.aged(TODAY.plusDays(5), TODAY)).as("put in next week").isEqualTo(camera);
        assertThat(dome(7, 64).aged(before, TODAY)).as("on mains").isEqualTo(dome(7, 64));
    }
}
