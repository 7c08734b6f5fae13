package roofnest.app.household;

import java.util.List;

import roofnest.app.web.HouseholdRef;
import roofnest.app.web.PromiseLine;
import roofnest.app.web.Ridge;
import roofnest.core.judge.HouseholdFacts;
import roofnest.core.judge.HouseholdJudge;
import roofnest.core.judge.Judgement;
import roofnest.core.promise.Stage;

/** What every page of a household shows round its own content, and the facts and judgement that it is made from. */
public record Frame(
        HouseholdRef ref, Household household, Stage stage, Ridge ridge, HouseholdFacts facts, HouseholdJudge judge,
        Judgement judgement) {
    static Frame of(HouseholdRef ref, Household household, Stage stage, HouseholdFacts facts, HouseholdJudge judge) {
        Judgement judgement = judge.again(facts);
        return new Frame(ref, household, stage, Ridge.of(stage, household.stage(), judgement.brokenByStage()), facts, judge, judgement);
    }

    public String path() {
        return ref.path();
    }

    public String counts() {
        return judgement.countsInWords();
    }

    /** The promises that this stage decides. */
    public List<PromiseLine> promisesHere() {
        return judgement.promises().stream().filter(judged -> judged.promise().stage() == stage)
                .map(judged -> PromiseLine.of(judged, facts)).toList();
    }

    public List<PromiseLine> allPromises() {
        return judgement.promises().stream().map(judged -> PromiseLine.of(judged, facts)).toList();
    }

    public Stage next() {
        return stage == Stage.CARE ? Stage.CARE : Stage.values()[stage.ordinal() + 1];
    }
}
