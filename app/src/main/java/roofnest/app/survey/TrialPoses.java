package roofnest.app.survey;

import java.util.HashSet;
import java.util.List;
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

    LiveView judge(HouseholdRef ref, CameraRepository.Record stored, CameraPose pose, Set<MaskCell> masked) {
        Camera tried = stored.camera().withPose(pose).withMasked(masked);
        HouseholdFacts facts = loader.load(ref.id()).withCamera(tried);
        HousePlan plan = facts.plan().orElseThrow(() -> new BadInput("The house has no plan yet."));
        return LiveView.of(plan, facts, new HouseholdJudge(facts.plan()), tried, stored.version());
    }

    LiveView stored(HouseholdRef ref, long cameraId) {
        CameraRepository.Record record = cameras.get(ref.id(), cameraId);
        return judge(ref, record, record.camera().pose(), record.camera().masked());
    }

    /** For the scale of lettering; the storey does not matter to it. */
    PlanDrawing drawing(HouseholdRef ref) {
        HousePlan plan = loader.load(ref.id()).plan().orElseThrow(() -> new BadInput("The house has no plan yet."));
        return PlanDrawing.of(plan, plan.storeys().get(0));
    }

    /** The stored mask and the cells that still show what must not be shown. */
    Set<MaskCell> masked(HouseholdRef ref, CameraRepository.Record stored) {
        Set<MaskCell> cells = new HashSet<>(stored.camera().masked());
        stored(ref, stored.id()).maskSuggestion().stream().map(MaskCell::parse).forEach(cells::add);
        return cells;
    }

    /** The camera asked for, else the first; empty without a plan or a camera. */
    Optional<LiveView> shown(HouseholdRef ref, Long cameraId) {
        List<CameraRepository.Record> all = cameras.records(ref.id());
        if (loader.load(ref.id()).plan().isEmpty() || all.isEmpty()) {
            return Optional.empty();
        }
        long id = cameraId == null ? all.get(0).id() : cameraId;
        return Optional.of(stored(ref, id));
    }
}
