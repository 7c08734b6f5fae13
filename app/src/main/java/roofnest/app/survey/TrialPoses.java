package roofnest.app.survey;

import java.util.HashSet;
import java.util.Optional;
import java.util.Set;

import org.springframework.stereotype.Component;

import roofnest.app.household.FactsLoader;
import roofnest.app.web.BadInput;
import roofnest.app.web.HouseholdRef;
import roofnest.core.judge.Camera;
import roofnest.core.judge.HouseholdFacts;
import roofnest.core.judge.HouseholdJudge;
import roofnest.core.plan.HousePlan;
import roofnest.core.view.CameraPose;
import roofnest.core.view.MaskCell;

/** Judges a household with one camera held somewhere. */
@Component
class TrialPoses {
    private final FactsLoader loader;
    private final CameraRepository cameras;

    TrialPoses(FactsLoader loader, CameraRepository cameras) {
        this.loader = loader;
        this.cameras = cameras;
    }

    /** A pose as the page sends it: y counts downwards there. */
    record Tried(Double x, Double y, Double heightM, Double headingDeg, Double tiltDeg, Integer version) {
        CameraPose pose() {
            if (x == null || y == null || heightM == null || headingDeg == null || tiltDeg == null || version == null) {
                throw new BadInput("A pose needs x, y, height, heading, tilt and the version it was opened at.");
            }
            try {
                return new CameraPose(x, -y, heightM, headingDeg, tiltDeg);
            } catch (IllegalArgumentException e) {
                String said = e.getMessage();
                throw new BadInput(Character.toUpperCase(said.charAt(0)) + said.substring(1) + ".");
            }
        }
    }

    HouseholdFacts facts(HouseholdRef ref) {
        return loader.load(ref.id());
    }

    /** Judges {@code facts} with the camera held in another pose. */
    LiveView tried(HouseholdFacts facts, CameraRepository.Record stored, CameraPose pose) {
        return judge(facts, stored.camera().withPose(pose), stored.version());
    }

    LiveView stored(HouseholdFacts facts, CameraRepository.Record stored) {
        return judge(facts, stored.camera(), stored.version());
    }

    /** The stored mask and the cells that still show what must not be shown. */
    Set<MaskCell> masked(HouseholdFacts facts, CameraRepository.Record stored) {
        Set<MaskCell> cells = new HashSet<>(stored.camera().masked());
        stored(facts, stored).maskSuggestion().stream().map(MaskCell::parse).forEach(cells::add);
        return cells;
    }

    /** The camera asked for, else the first; empty without a plan or a camera. */
    Optional<LiveView> shown(HouseholdRef ref, HouseholdFacts facts, Long cameraId) {
        if (facts.plan().isEmpty() || facts.cameras().isEmpty()) {
            return Optional.empty();
        }
        long id = cameraId == null ? facts.cameras().get(0).id() : cameraId;
        return Optional.of(stored(facts, cameras.get(ref.id(), id)));
    }

    private static LiveView judge(HouseholdFacts facts, Camera camera, int version) {
        HousePlan plan = facts.plan().orElseThrow(() -> new BadInput("The house has no plan yet."));
        return LiveView.of(plan, facts.withCamera(camera), new HouseholdJudge(facts.plan()), camera, version);
    }
}
