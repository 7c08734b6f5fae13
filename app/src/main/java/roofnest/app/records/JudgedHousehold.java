package roofnest.app.records;

import java.util.List;
import java.util.Optional;

import roofnest.app.web.NoSuchPage;
import roofnest.core.judge.HouseholdFacts;
import roofnest.core.judge.HouseholdJudge;
import roofnest.core.judge.Judgement;

/**
 * A household with all that it is judged by, and how it stands. Read once for a request and handed on.
 *
 * @param cameras what pages show of them beyond what they are judged by
 */
public record JudgedHousehold(
        Household household, HouseholdFacts facts, List<CameraRepository.Record> cameras, HouseholdJudge judge, Judgement judgement) {
    public Optional<CameraRepository.Record> find(long cameraId) {
        return cameras.stream().filter(record -> record.id() == cameraId).findFirst();
    }

    /** The camera, or a page that is not there. */
    public CameraRepository.Record camera(long cameraId) {
        return find(cameraId).orElseThrow(NoSuchPage::new);
    }
}
