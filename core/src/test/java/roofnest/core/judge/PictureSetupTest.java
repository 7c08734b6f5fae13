package roofnest.core.judge;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

import org.junit.jupiter.api.Test;

import roofnest.core.alert.AlertPlan;
import roofnest.core.alert.Does;
import roofnest.core.alert.Mode;
import roofnest.core.alert.ModeWeek;
import roofnest.core.catalogue.AlertSpec;
import roofnest.core.catalogue.PictureSpec;
import roofnest.core.plan.Area;
import roofnest.core.plan.HousePlan;
import roofnest.core.plan.Place;
import roofnest.core.plan.PlanPoint;
import roofnest.core.promise.DetailLevel;
import roofnest.core.promise.Light;
import roofnest.core.promise.Promise;
import roofnest.core.promise.PromiseKey;
import roofnest.core.promise.Standing;
import roofnest.core.view.CameraPose;
import roofnest.core.view.MaskCell;
import roofnest.core.view.Zone;

/** How a picture is set: what it is worth by night, what is wrong with it, and the steps that set it. */
class PictureSetupTest {
    private static final HousePlan FIELD = HousePlan.blank("field", 50).withPlaces(List.of(
            new Place("gate", "gate", new PlanPoint(0, 10.5), 0)));
    private static final Promise AT_NIGHT = new Promise.MakeOut(PromiseKey.written(1), DetailLevel.DETECT, "gate", Light.NIGHT);

    private static Camera eave(double rollDeg) {
        return new Camera(7, "Eave", Judging.model("cairnlow-eave"), new CameraPose(0, 0, 2.6, 0, 12, rollDeg), Set.of(),
                Camera.Settings.DEFAULT, true, true, true, Optional.empty());
    }

    private static PictureSetup set(PictureSpec.Light light, boolean wide, boolean turned, boolean sound) {
        return new PictureSetup(light, wide, turned, sound, true, true, false);
    }

    private static PictureAdvice advice(HousePlan plan, Camera camera) {
        return advice(plan, List.of(), camera);
    }

    private static PictureAdvice advice(HousePlan plan, List<Promise> promises, Camera camera) {
        HouseholdFacts facts = Judging.facts(plan, promises, camera);
        return HouseholdJudge.of(facts).pictureAdvice(facts, camera);
    }

    private static Camera sized(int widthPx) {
        PictureSetup usual = PictureSetup.usual(Judging.model("cairnlow-eave"));
        return eave(0).withSetup(new PictureSetup(usual.light(), usual.wideRange(), usual.turned(), usual.sound(), usual.statusLight(),
                usual.stamp(), usual.listens(), widthPx));
    }

    @Test
    void aSmallerPictureHasFewerPixelsAndTakesLessAndGoesBackToTheFullOne() {
        Camera full = eave(0);
        Camera middle = sized(1920);
        assertThat(middle.model().lens().widthPx()).isEqualTo(1920);
        assertThat(middle.model().lens().heightPx()).isEqualTo(1080);
        assertThat(middle.model().recording().bitrateMbps()).isEqualTo(1.8);
        assertThat(middle.withSetup(PictureSetup.usual(full.model())).model()).isEqualTo(full.model());
        assertThat(sized(1234).model()).as("a size that it has not").isEqualTo(full.model());
        assertThat(SettingSheet.of(middle, AlertPlan.USUAL)).filteredOn(step -> step.key().equals("size")).singleElement()
                .satisfies(step -> assertThat(step.value()).isEqualTo("middle"));
    }

    /** 10.5 m off, a face for certain wants the full picture; that somebody is there does not. */
    @Test
    void theSmallestPictureThatKeepsEveryPromiseIsSaid() {
        Promise somebody = new Promise.MakeOut(PromiseKey.written(2), DetailLevel.DETECT, "gate", Light.DAY);
        assertThat(advice(FIELD, List.of(somebody), eave(0)).words()).anySatisfy(word -> assertThat(word).contains(
                "Every promise stands as well in the size small, 1280 px, at 0.9 Mbit/s rather than 3"));
        assertThat(advice(FIELD, List.of(somebody), sized(1280)).words()).noneMatch(word -> word.contains("in the size"));
        int needsMiddle = 0;
        for (DetailLevel level : DetailLevel.values()) {
            Promise promise = new Promise.MakeOut(PromiseKey.written(2), level, "gate", Light.DAY);
            boolean full = HouseholdJudge.judge(Judging.facts(FIELD, List.of(promise),
                    eave(0))).promises().get(0).finding().standing() == Standing.KEPT;
            boolean small = HouseholdJudge.judge(Judging.facts(FIELD,
                    List.of(promise), sized(1280))).promises().get(0).finding().standing() == Standing.KEPT;
            if (full && !small) {
                needsMiddle++;
                assertThat(advice(FIELD, List.of(promise), sized(1280)).words()).anySatisfy(word -> assertThat(word)
                        .startsWith("In this size of picture promises are worse kept"));
            }
        }
        assertThat(needsMiddle).as("levels that the small picture does not reach").isPositive();
    }

    @Test
    void pastTheScreensOwnPixelsNothingIsGainedByMagnifying() {
        assertThat(advice(FIELD, eave(0)).words()).anySatisfy(word -> assertThat(word).contains("magnifies 8 times; past 2.4 times"));
        assertThat(advice(FIELD, sized(1280)).words()).anySatisfy(word -> assertThat(word).contains("past 1.2 times"));
    }

    private static HousePlan nextDoor(double fromM) {
        return nextDoor(fromM, fromM + 6);
    }

    private static HousePlan nextDoor(double fromM, double toM) {
        return FIELD.withAreas(List.of(new Area("n", "next door", Area.Kind.NEIGHBOUR, List.of(new PlanPoint(-8, fromM),
                new PlanPoint(8, fromM), new PlanPoint(8, toM), new PlanPoint(-8, toM)))));
    }

    @Test
    void whatIsPromisedOfTheNightGoesByTheLightThatIsChosen() {
        Camera usual = eave(0);
        assertThat(usual.pictureSetup().light()).isEqualTo(PictureSpec.Light.INFRARED);
        Camera spot = usual.withSetup(set(PictureSpec.Light.SPOTLIGHT, false, false, true));
        Camera ambient = usual.withSetup(set(PictureSpec.Light.AMBIENT, false, false, true));
        assertThat(usual.model().lens().nightRangeM()).isGreaterThan(11);
        assertThat(spot.model().lens().nightRangeM()).isEqualTo(9);
        assertThat(spot.model().power().lightMa()).isEqualTo(1400);
        assertThat(standing(usual)).isEqualTo(Standing.KEPT);
        assertThat(standing(spot)).isEqualTo(Standing.BROKEN);
        assertThat(standing(ambient)).isEqualTo(Standing.BROKEN);
        assertThat(standing(ambient.withSetup(set(PictureSpec.Light.INFRARED, false, false, true)))).isEqualTo(Standing.KEPT);
    }

    private static Standing standing(Camera camera) {
        return Judging.finding(Judging.facts(FIELD, List.of(AT_NIGHT), camera), AT_NIGHT.key()).standing();
    }

    @Test
    void aLightThatItsModelDoesNotHaveChangesNothing() {
        Camera post = new Camera(7, "Post", Judging.model("dunmark-post"), new CameraPose(0, 0, 2.6, 0, 12), Set.of(),
                Camera.Settings.DEFAULT, true, true, true, Optional.empty());
        Camera set = post.withSetup(set(PictureSpec.Light.SPOTLIGHT, false, false, true));
        assertThat(set.model()).isEqualTo(post.model());
        assertThat(set.pictureSetup().light()).isEqualTo(PictureSpec.Light.INFRARED);
    }

    @Test
    void aTestByNightRestsOnTheLightAndOneByDayDoesNot() {
        Promise byDay = new Promise.MakeOut(PromiseKey.written(2), DetailLevel.DETECT, "gate", Light.DAY);
        Camera usual = eave(0);
        Camera spot = usual.withSetup(set(PictureSpec.Light.SPOTLIGHT, false, false, true));
        HouseholdFacts facts = Judging.facts(FIELD, List.of(AT_NIGHT, byDay), usual);
        HouseholdJudge judge = HouseholdJudge.of(facts);
        assertThat(judge.proofMark(facts, spot, AT_NIGHT).changedSince(judge.proofMark(facts, usual, AT_NIGHT)))
                .containsExactly(ProofMark.Part.NIGHT);
        assertThat(judge.proofMark(facts, spot, byDay).changedSince(judge.proofMark(facts, usual, byDay))).isEmpty();
    }

    @Test
    void aPictureIsTurnedIfAndOnlyIfItHangsUpsideDown() {
        assertThat(advice(FIELD, eave(180)).faults()).contains("It hangs upside down: turn its picture.");
        assertThat(advice(FIELD, eave(180).withSetup(set(PictureSpec.Light.INFRARED, true, true, true))).faults()).isEmpty();
        assertThat(advice(FIELD, eave(0).withSetup(set(PictureSpec.Light.INFRARED, true, true, true))).faults())
                .containsExactly("It hangs upright, and its picture is turned: turn it back.");
    }

    @Test
    void lowSunIsEvenedOutWhereItStandsInTheLens() {
        Camera north = eave(0);
        Camera southWest = north.withPose(new CameraPose(0, 0, 2.6, 225, 5));
        assertThat(advice(FIELD, north).words()).anyMatch(word -> word.startsWith("The sun is never in its lens")
                || word.endsWith(": little."));
        assertThat(advice(FIELD, southWest).faults()).singleElement().asString().contains("hours of a cloudless year", "even out");
        assertThat(advice(FIELD, southWest.withSetup(set(PictureSpec.Light.INFRARED, true, false, true))).faults()).isEmpty();
        // South of the equator the sun stands in the north.
        HousePlan south = FIELD.withSite(-40, 0);
        assertThat(advice(south, north).faults()).singleElement().asString().contains("even out");
    }

    @Test
    void aSpotlightThatReachesNextDoorIsAFault() {
        Camera spot = eave(0).withSetup(set(PictureSpec.Light.SPOTLIGHT, true, false, false));
        assertThat(advice(nextDoor(8.5), spot).faults()).singleElement().asString().contains("reaches next door, 8.5 m off");
        assertThat(advice(nextDoor(9.5), spot).faults()).isEmpty();
        assertThat(advice(nextDoor(-16), spot).faults()).as("behind it").isEmpty();
        assertThat(advice(nextDoor(8.5), spot.withSetup(set(PictureSpec.Light.INFRARED, true, false, false))).faults()).isEmpty();
    }

    @Test
    void soundIsNeverOnWithoutItsCaution() {
        assertThat(advice(FIELD, eave(0)).words()).anyMatch(word -> word.startsWith("It records sound."));
        assertThat(advice(FIELD, eave(0).withSetup(set(PictureSpec.Light.INFRARED, true, false, false))).words())
                .noneMatch(word -> word.contains("sound"));
    }

    @Test
    void aZoneThatIsBlackedOutIsSaid() {
        Zone left
                = new Zone("left", List.of(new Zone.Corner(0, 0), new Zone.Corner(0.1, 0), new Zone.Corner(0.1, 1), new Zone.Corner(0, 1)));
        Camera camera = eave(0).withZones(List.of(left));
        Set<MaskCell> half = new java.util.HashSet<>();
        Set<MaskCell> all = new java.util.HashSet<>();
        for (int row = 0; row < 12; row++) {
            half.add(new MaskCell(0, row));
            all.add(new MaskCell(0, row));
            all.add(new MaskCell(1, row));
        }
        assertThat(advice(FIELD, camera).words()).noneMatch(word -> word.contains("blacked out"));
        assertThat(advice(FIELD, camera.withMasked(half)).words()).contains("50 % of zone left is blacked out.");
        assertThat(advice(FIELD, camera.withMasked(all)).faults()).contains(
                "Zone left is blacked out altogether: it can never notice anything.");
    }

    @Test
    void theSmallestMaskKeepsNextDoorOutAndSaysWhatItCosts() {
        Promise never = new Promise.NeverShows(PromiseKey.written(3), "n");
        Promise byDay = new Promise.MakeOut(PromiseKey.written(2), DetailLevel.DETECT, "gate", Light.DAY);
        Camera camera = eave(0);
        HouseholdFacts facts = Judging.facts(nextDoor(9, 40), List.of(never, byDay), camera);
        HouseholdJudge judge = HouseholdJudge.of(facts);
        MaskCost cost = judge.maskCost(facts, camera);
        assertThat(cost.cells()).isNotEmpty();
        assertThat(cost.percent()).isEqualTo(100.0 * cost.cells().size() / 240);
        assertThat(cost.lost()).singleElement().asString().contains("gate", "kept now, broken then");
        HouseholdFacts masked = facts.withCamera(camera.withMasked(cost.cells()));
        assertThat(Judging.finding(masked, never.key()).standing()).isEqualTo(Standing.KEPT);
        for (MaskCell cell : cost.cells()) {
            Set<MaskCell> one = new java.util.HashSet<>(cost.cells());
            one.remove(cell);
            HouseholdFacts less = facts.withCamera(camera.withMasked(one));
            assertThat(Judging.finding(less, never.key()).measured().orElseThrow()).as("without " + cell).isGreaterThan(0);
        }
        assertThat(judge.maskCost(masked, masked.cameras().get(0)).cells()).isEmpty();
    }

    @Test
    void theSheetFollowsTheAppOfItsModelAndHoldsAllThatIsSet() {
        AlertPlan plan = new AlertPlan(ModeWeek.USUAL.with(hour -> hour % 24 < 6, Mode.NIGHT), Map.of(7L, Map.of(Mode.NIGHT, Does.RECORDS)),
                Map.of(), List.of());
        Camera camera = eave(0).withSetup(set(PictureSpec.Light.SPOTLIGHT, true, false, false))
                .withWatching(new Camera.Watching(4, Set.of(AlertSpec.Kind.PERSON, AlertSpec.Kind.VEHICLE)));
        List<SettingSheet.Step> sheet = SettingSheet.of(camera, plan);
        assertThat(sheet.get(0))
                .isEqualTo(new SettingSheet.Step("night", "By night", "Picture, then After dark", "colour by its spotlight"));
        assertThat(sheet).contains(new SettingSheet.Step("sensitivity", "Sensitivity", "Movement, then How keen", "5"),
                new SettingSheet.Step("kinds", "What counts", "Movement, then What", "people, vehicles"),
                new SettingSheet.Step("sound", "Sound recorded", "Sound, then Record", "off"),
                new SettingSheet.Step("hours", "Rings", "Bell, then Timetable", "every day 6–24 h"),
                new SettingSheet.Step("recordHours", "Records without ringing", "", "every day 0–6 h"));
        assertThat(sheet).extracting(SettingSheet.Step::key).doesNotHaveDuplicates().doesNotContain("off", "listens");
        assertThat(SettingSheet.of(camera, AlertPlan.USUAL)).extracting(SettingSheet.Step::key).doesNotContain("recordHours");
    }

    @Test
    void whatAModelHasNotIsNoStep() {
        Camera turn = new Camera(7, "Turn", Judging.model("tarrowby-turn"), new CameraPose(0, 0, 2.6, 0, 12), Set.of(),
                Camera.Settings.DEFAULT, true, true, true, Optional.empty());
        assertThat(SettingSheet.of(turn, AlertPlan.USUAL)).extracting(SettingSheet.Step::key)
                .doesNotContain("zones", "kinds", "night", "wide")
                .contains("hours", "clip", "rest");
    }
}
