package roofnest.core.spots;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.Set;

import org.junit.jupiter.api.Test;

import roofnest.core.WeirSteps;
import roofnest.core.access.Access;
import roofnest.core.catalogue.Catalogue;
import roofnest.core.judge.Camera;
import roofnest.core.judge.HouseholdFacts;
import roofnest.core.judge.HouseholdJudge;
import roofnest.core.judge.Judged;
import roofnest.core.judge.Judgement;
import roofnest.core.power.Climate;
import roofnest.core.promise.DetailLevel;
import roofnest.core.promise.Light;
import roofnest.core.promise.Promise;
import roofnest.core.promise.PromiseKey;
import roofnest.core.promise.Standing;
import roofnest.core.view.CameraPose;

/** Heights are judged by the judge's own word, for what this camera is to keep. */
class HeightStudyTest {
    private static Camera camera(long id, String model, CameraPose pose) {
        return new Camera(id, "Eye " + id, Catalogue.shipped().get(model), pose, Set.of(), Camera.Settings.DEFAULT, false, false, false,
                Optional.empty());
    }

    private static HouseholdFacts facts(Camera... cameras) {
        return new HouseholdFacts(Optional.of(WeirSteps.plan()), List.of(cameras),
                List.of(new Promise.MakeOut(PromiseKey.written(1), DetailLevel.RECOGNISE, "river-stairs", Light.DAY),
                        new Promise.MakeOut(PromiseKey.written(2), DetailLevel.DETECT, "hives", Light.DAY)),
                Optional.empty(), 0, new Access(List.of(), List.of()), List.of(), Climate.MILD_COAST, LocalDate.of(2026, 12, 3), false,
                List.of());
    }

    private static final Camera GABLE = camera(1, "dunmark-post", new CameraPose(11.4, 0.6, 2.45, 115, 12));

    @Test
    void each_row_is_what_the_judge_says_of_that_height() {
        HouseholdFacts facts = facts(GABLE);
        HouseholdJudge judge = HouseholdJudge.of(facts);
        HeightStudy study = HeightStudy.of(judge, facts, GABLE, 5);
        assertThat(study.plannedM()).isEqualTo(2.45);
        assertThat(study.rows()).extracting(HeightStudy.Row::heightM).isSorted().contains(2.45).doesNotHaveDuplicates();
        assertThat(study.rows().get(0).overFootM()).isCloseTo(1.2, within(1e-9));
        assertThat(study.rows().get(study.rows().size() - 1).heightM()).isLessThanOrEqualTo(5);
        for (HeightStudy.Row row : study.rows()) {
            List<Judged> there = judge.again(facts.withCamera(GABLE.withPose(GABLE.pose().atHeight(row.heightM())))).promises();
            assertThat(row.findings()).allSatisfy((key, finding) -> assertThat(finding.standing()).isEqualTo(there.stream()
                    .filter(each -> each.promise().key().equals(key)).findFirst().orElseThrow().finding().standing()));
        }
        assertThat(study.promises()).extracting(Judged::wording).contains("Hangs out of arm's reach")
                .doesNotContain("Has a password of its own");
        assertThat(study.rows()).isSortedAccordingTo((a, b) -> Double.compare(a.blindM().orElseThrow(), b.blindM().orElseThrow()));
    }

    @Test
    void a_camera_at_the_side_is_not_weighed_for_what_another_keeps() {
        Camera back = camera(2, "dunmark-post", new CameraPose(5, 9.95, 2.45, 0, 12));
        HouseholdFacts facts = facts(GABLE, back);
        HeightStudy study = HeightStudy.of(HouseholdJudge.of(facts), facts, back, 5);
        assertThat(study.places()).extracting(place -> place.id()).doesNotContain("river-stairs");
        assertThat(study.promises()).allMatch(judged -> !judged.promise().key().equals(PromiseKey.written(1)));
    }

    @Test
    void under_a_low_ceiling_there_is_the_planned_height_alone() {
        HouseholdFacts facts = facts(GABLE);
        assertThat(HeightStudy.of(HouseholdJudge.of(facts), facts, GABLE, 1).rows()).singleElement()
                .satisfies(row -> assertThat(row.heightM()).isEqualTo(2.45));
    }

    @Test
    void the_pack_instead_of_a_lead_is_one_that_may_hang_there_and_says_what_breaks() {
        Camera eave = camera(1, "cairnlow-eave", new CameraPose(11.4, 0.6, 2.45, 115, 12));
        HouseholdFacts facts = facts(eave);
        HouseholdJudge judge = HouseholdJudge.of(facts);
        PackInstead instead = PackInstead.of(judge, facts, eave, List.copyOf(Catalogue.shipped().models())).orElseThrow();
        assertThat(instead.model().power().onBattery()).isTrue();
        assertThat(instead.model().mount().outdoors()).isTrue();
        assertThat(instead.battery().measured()).isPresent();
        // One broken and one mended is not "none broken": each is counted for itself.
        Judgement then = judge.again(facts.withCamera(camera(1, instead.model().key(), eave.pose())));
        assertThat(instead.newlyBroken()).isEqualTo(newly(judge.again(facts), then));
        assertThat(instead.mended()).isEqualTo(newly(then, judge.again(facts)));
        assertThat(PackInstead.of(judge, facts, eave, List.of(Catalogue.shipped().get("cairnlow-eave")))).isEmpty();
        assertThat(PackInstead.of(judge, facts, eave, List.of(Catalogue.shipped().get("oskarra-sill")))).as("made for rooms").isEmpty();
    }

    private static long newly(Judgement before, Judgement after) {
        return after.promises().stream().filter(each -> each.finding().standing() == Standing.BROKEN)
                .filter(each -> !(each.promise() instanceof Promise.Joins) && !(each.promise() instanceof Promise.OwnPassword)
                        && !(each.promise() instanceof Promise.LeadCarries))
                .filter(each -> before.promises().stream().noneMatch(was -> was.promise().key().equals(each.promise().key())
                        && was.finding().standing() == Standing.BROKEN))
                .count();
    }
}
