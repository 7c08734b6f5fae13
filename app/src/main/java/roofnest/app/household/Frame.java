package roofnest.app.household;

import java.util.List;

import roofnest.app.records.CameraRepository;
import roofnest.app.records.Household;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.JudgedHousehold;
import roofnest.app.web.PromiseLine;
import roofnest.app.web.Ridge;
import roofnest.core.judge.HouseholdFacts;
import roofnest.core.judge.HouseholdJudge;
import roofnest.core.judge.Judgement;
import roofnest.core.promise.Stage;

/** What every page of a household shows round its own content, and the household as it stands that it is made from. */
public record Frame(HouseholdRef ref, Stage stage, Ridge ridge, JudgedHousehold judged) {
    static Frame of(HouseholdRef ref, Stage stage, JudgedHousehold judged) {
        return new Frame(ref, stage, Ridge.of(stage, judged.household().stage(), judged.judgement().brokenByStage()), judged);
    }

    public Household household() {
        return judged.household();
    }

    public HouseholdFacts facts() {
        return judged.facts();
    }

    public List<CameraRepository.Record> cameras() {
        return judged.cameras();
    }

    public HouseholdJudge judge() {
        return judged.judge();
    }

    public Judgement judgement() {
        return judged.judgement();
    }

    public String path() {
        return ref.path();
    }

    public String counts() {
        return judgement().countsInWords();
    }

    /** The promises that this stage decides. */
    public List<PromiseLine> promisesHere() {
        return judgement().promises().stream().filter(judged -> judged.promise().stage() == stage)
                .map(judged -> PromiseLine.of(judged, facts())).toList();
    }

    public List<PromiseLine> allPromises() {
        return judgement().promises().stream().map(judged -> PromiseLine.of(judged, facts())).toList();
    }

    public Stage next() {
        return stage == Stage.CARE ? Stage.CARE : Stage.values()[stage.ordinal() + 1];
    }
}
