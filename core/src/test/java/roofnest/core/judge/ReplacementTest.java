package roofnest.core.judge;

import static org.assertj.core.api.Assertions.assertThat;
import static roofnest.core.judge.Judging.HOUSE;
import static roofnest.core.judge.Judging.KEY;
import static roofnest.core.judge.Judging.door;
import static roofnest.core.judge.Judging.facts;
import static roofnest.core.judge.Judging.model;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;

import org.junit.jupiter.api.Test;

import roofnest.core.catalogue.AlertSpec;
import roofnest.core.catalogue.Catalogue;
import roofnest.core.catalogue.DeviceModel;
import roofnest.core.footage.CloudPlan;
import roofnest.core.footage.FootagePlan;
import roofnest.core.footage.Keeping;
import roofnest.core.plan.Area;
import roofnest.core.promise.Promise;
import roofnest.core.promise.Standing;
import roofnest.core.view.MaskCell;
import roofnest.core.view.Zone;

/** Another device in the place of one: what goes over, and what no longer holds. */
class ReplacementTest {
    private static final Zone ZONE = new Zone("door", List.of(new Zone.Corner(0.1, 0.1), new Zone.Corner(0.9, 0.1), new Zone.Corner(0.9,
            0.9)));
    private static final CloudPlan PLAN = new CloudPlan(1, "Watch", "Dunmark", 349, 1, 14, 60, Set.of());

    private static Camera set(String key) {
        DeviceModel model = model(key);
        Camera.Settings settings = new Camera.Settings(Math.max(model.recording().clipMinSeconds(), Math.min(20, model.recording()
                .clipMaxSeconds())), model.alerts().nearestCoolDownSeconds(30), 64, 30, 4, 0.7, model.power().onBattery() ? 90 : 0);
        int steps = model.alerts().sensitivity().size();
        return new Camera(7, "Eye", model, door(), model.mask().canMask() ? Set.of(new MaskCell(0, 0)) : Set.of(), settings, true, true,
                true, Optional.empty(), model.alerts().zones() > 0 ? List.of(ZONE) : List.of())
                .withWatching(new Camera.Watching(steps - 1, Set.of(model.alerts().kinds().get(0).kind())))
                .withSetup(PictureSetup.usual(model));
    }

    private static Replacement to(HouseholdFacts facts, String key) {
        return Replacement.of(HouseholdJudge.of(facts), facts, facts.cameras().get(0), door(), model(key), Set.of());
    }

    private static Replacement.Carried carried(Replacement replacement, String what) {
        return replacement.carried().stream().filter(each -> each.what().startsWith(what)).findFirst().orElseThrow();
    }

    /** The same model takes over everything, and keeps just the promises that the one before kept. */
    @Test
    void theSameModelTakesOverEverything() {
        for (DeviceModel model : Catalogue.shipped().models()) {
            HouseholdFacts facts = facts(HOUSE, List.of(new Promise.KeepsDays(KEY, 3)), set(model.key()));
            Replacement same = to(facts, model.key());
            assertThat(same.carried()).as(model.key()).allSatisfy(each -> assertThat(each.over()).as(each.what() + ": " + each.why())
                    .isEqualTo(each.what().startsWith("card") && model.recording().cardMaxGb() == 0 && model.hub() == null
                            ? Replacement.Over.NOT : Replacement.Over.WHOLE));
            assertThat(same.turns()).as(model.key()).isEmpty();
            assertThat(same.camera().joined() || same.camera().ownPassword() || same.camera().mounted()).isFalse();
            assertThat(same.camera().masked()).isEqualTo(facts.cameras().get(0).masked());
            assertThat(same.camera().zones()).isEqualTo(facts.cameras().get(0).zones());
        }
    }

    /** Whatever comes for whatever: settings are such as the new one has, and the turns are what the judge says of it. */
    @Test
    void whateverComesIsSetWithinWhatItCan() {
        for (DeviceModel from : List.of(model("vellin-dome"), model("tarrowby-turn"), model("pellan-knock"))) {
            for (DeviceModel to : Catalogue.shipped().models()) {
                HouseholdFacts facts = facts(HOUSE, List.of(new Promise.KeepsDays(KEY, 3)), set(from.key()));
                Replacement replacement = to(facts, to.key());
                Camera now = replacement.camera();
                assertThat(now.model().key()).isEqualTo(to.key());
                assertThat(now.settings().clipSeconds()).isBetween(to.recording().clipMinSeconds(), to.recording().clipMaxSeconds());
                assertThat(to.alerts().coolDownSeconds()).contains(now.settings().coolDownSeconds());
                assertThat(now.watching().orElseThrow().sensitivity()).isLessThan(to.alerts().sensitivity().size());
                assertThat(to.alerts().kinds().stream().map(AlertSpec.KindOf::kind).toList()).containsAll(now.watching().get().kinds());
                assertThat(now.zones().size()).isLessThanOrEqualTo(to.alerts().zones());
                assertThat(now.masked()).allSatisfy(cell -> assertThat(cell.column() < to.mask().columns() && cell.row() < to.mask().rows())
                        .isTrue());
                assertThat(to.power().onBattery() || now.settings().chargeEveryDays() == 0).isTrue();
                assertThat(now.pictureSetup().light()).isIn(to.nights().stream().map(night -> night.light()).toList());
            }
        }
    }

    @Test
    void aSensorWithOtherStepsIsSetAsFarAlong() {
        Replacement coarser = to(facts(HOUSE, List.of(), set("vellin-dome")), "dunmark-post");
        assertThat(coarser.camera().watching().orElseThrow().sensitivity()).as("the sharpest of ten is the sharpest of three").isEqualTo(2);
        assertThat(carried(coarser, "sensor").why()).contains("step 3 of 3", "10 of 10", "walking");
        assertThat(carried(coarser, "zones").over()).isEqualTo(Replacement.Over.NOT);
        Replacement dull = to(facts(HOUSE, List.of(), set("vellin-dome").withWatching(new Camera.Watching(0, Set.of(AlertSpec.Kind.PERSON,
                AlertSpec.Kind.VEHICLE)))), "dunmark-post");
        assertThat(dull.camera().watching().orElseThrow()).isEqualTo(new Camera.Watching(0, Set.of(AlertSpec.Kind.PERSON)));
        assertThat(carried(dull, "what counts").why()).contains("vehicles");
    }

    /** Cells are other ground behind another lens: what must not be shown stays hidden, by cells of its own. */
    @Test
    void whatMustNotBeShownStaysHidden() {
        Area neighbour = HOUSE.areas().stream().filter(area -> area.kind().offLimits()).findFirst().orElseThrow();
        Promise never = new Promise.NeverShows(KEY, neighbour.id());
        Camera bare = set("vellin-dome").withMasked(Set.of());
        HouseholdFacts open = facts(HOUSE, List.of(never), bare);
        Camera masked = bare.withMasked(HouseholdJudge.of(open).cellsShowing(open, bare));
        HouseholdFacts facts = facts(HOUSE, List.of(never), masked);
        Replacement narrower = to(facts, "dunmark-gate");
        assertThat(narrower.turns()).noneMatch(turn -> turn.promise().equals(KEY) && turn.worse());
        assertThat(narrower.camera().masked()).isEqualTo(HouseholdJudge.of(facts).cellsShowing(facts, narrower.camera().withMasked(Set
                .of())));
        if (!masked.masked().isEmpty()) {
            Replacement cannot = to(facts, "spare-phone");
            assertThat(carried(cannot, "blacked-out").over()).isEqualTo(Replacement.Over.NOT);
            assertThat(cannot.camera().masked()).isEmpty();
        }
    }

    /** A promise that the new one breaks is named before it is bought, with its reason; joining it is work, not a broken promise. */
    @Test
    void whatNoLongerHoldsIsNamed() {
        Promise days = new Promise.KeepsDays(KEY, 14);
        HouseholdFacts facts = facts(HOUSE, List.of(days), set("vellin-dome").withSettings(set("vellin-dome").settings().withCardGb(
                512)));
        assertThat(Judging.finding(facts, KEY).standing()).isEqualTo(Standing.KEPT);
        Replacement phone = to(facts, "spare-phone");
        assertThat(phone.turns()).anySatisfy(turn -> {
            assertThat(turn.promise()).isEqualTo(KEY);
            assertThat(turn.before()).isEqualTo(Standing.KEPT);
            assertThat(turn.then()).isEqualTo(Standing.BROKEN);
            assertThat(turn.worse()).isTrue();
        });
        assertThat(phone.turns()).noneMatch(turn -> turn.promise().equals(Judging.of("joins")));
        assertThat(carried(phone, "card").why()).isEqualTo("it takes none");
        Judgement judged = HouseholdJudge.judge(facts.withCamera(phone.camera()));
        assertThat(judged.promises().stream().filter(each -> each.promise().key().equals(KEY)).findFirst().orElseThrow().finding()
                .standing()).isEqualTo(Standing.BROKEN);
    }

    /** What it wants besides is said before it is bought: a hub, a lead, a roof, holes. */
    @Test
    void whatItWantsBesidesIsSaid() {
        HouseholdFacts facts = facts(HOUSE, List.of(), set("dunmark-post"));
        assertThat(to(facts, "dunmark-post").work()).isEmpty();
        assertThat(to(facts, "pellan-drift").work()).anySatisfy(work -> {
            assertThat(work.words()).contains("joins through a hub", "none is in the house");
            assertThat(work.hinders()).isTrue();
        });
        assertThat(Replacement.of(HouseholdJudge.of(facts), facts, facts.cameras().get(0), door(), model("pellan-drift"), Set.of(
                "pellan-perch")).work()).noneMatch(Replacement.Work::hinders);
        assertThat(to(facts, "dunmark-gate").work()).anyMatch(work -> work.words().contains("lead to mains"));
        assertThat(to(facts, "oskarra-sill").work()).anyMatch(work -> work.words().contains("not made for outdoors") && work.hinders());
        assertThat(to(facts(HOUSE, List.of(), set("dunmark-gate")), "dunmark-post").work()).anyMatch(work -> work.words().contains(
                "made dead") && !work.hinders());
    }

    @Test
    void whereFootageGoesFollowsWhatTheNewOneCan() {
        FootagePlan footage = new FootagePlan(Map.of(7L, new Keeping(Keeping.When.CONTINUOUS, 0, 0, true, false, Optional.of(PLAN))), Map
                .of(), 4000, OptionalDouble.empty());
        HouseholdFacts facts = facts(HOUSE, List.of(), set("vellin-dome")).withFootage(footage);
        Replacement post = to(facts, "dunmark-post");
        assertThat(post.keeping()).isEqualTo(new Keeping(Keeping.When.EVENT, 0, 0, false, false, Optional.of(PLAN)));
        assertThat(carried(post, "where footage").why()).contains("only when something counts", "recorder cannot");
        assertThat(carried(to(facts, "vellin-ridge"), "where footage").why()).contains("Watch is for another maker");
    }
}
