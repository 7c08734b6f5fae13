package roofnest.app.survey;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Set;

import org.springframework.stereotype.Service;

import roofnest.app.records.CameraRepository;
import roofnest.app.records.Changes;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.JudgedHousehold;
import roofnest.app.web.BadInput;
import roofnest.core.judge.Camera;
import roofnest.core.pairing.CameraName;
import roofnest.core.promise.Stage;
import roofnest.core.spots.FirstSpot;
import roofnest.core.view.CameraPose;
import roofnest.core.view.MaskCell;

/** Puts the fewest cameras that were found onto the plan, masked where they would show what must not be shown. */
@Service
class FewestTaken {
    private static final int MOST = 24;

    private final Changes changes;
    private final CameraRepository cameras;

    FewestTaken(Changes changes, CameraRepository cameras) {
        this.changes = changes;
        this.cameras = cameras;
    }

    /**
     * @param poses as the page sent them back, one a camera
     * @return what was put there, in words
     */
    String take(HouseholdRef ref, JudgedHousehold household, String modelKey, List<String> poses) {
        List<CameraPose> wanted = poses.stream().map(FewestTaken::pose).toList();
        if (wanted.isEmpty() || wanted.size() > MOST) {
            throw new BadInput("Ask for the fewest cameras first.");
        }
        return changes.make(ref, Stage.SURVEY, () -> {
            List<String> names = new ArrayList<>(cameras.of(ref.id()).stream().map(Camera::name).toList());
            int hangAlready = 0;
            List<String> added = new ArrayList<>();
            for (CameraPose pose : wanted) {
                if (cameras.of(ref.id()).stream().anyMatch(each -> each.pose().onPlan().distanceM(pose.onPlan()) < FirstSpot.APART_M)) {
                    hangAlready++;
                    continue;
                }
                String name = CameraName.suggest("eye", names);
                names.add(name);
                long id = cameras.add(ref.id(), name, modelKey, pose, Camera.Settings.DEFAULT);
                CameraRepository.Record record = cameras.get(ref.id(), id);
                Set<MaskCell> masked = household.judge().cellsShowing(household.facts(), record.camera());
                if (!masked.isEmpty()) {
                    cameras.mask(ref.id(), id, masked, record.version());
                }
                added.add(name);
            }
            return (added.isEmpty() ? "Nothing was added." : "On the plan: " + String.join(", ", added) + ".")
                    + (hangAlready == 0 ? "" : " Where a camera hangs already none was added.");
        });
    }

    private static CameraPose pose(String said) {
        try {
            double[] figures = Arrays.stream(said.strip().split(" ")).mapToDouble(Double::parseDouble).toArray();
            return new CameraPose(figures[0], figures[1], figures[2], figures[3], figures[4]);
        } catch (IllegalArgumentException | ArrayIndexOutOfBoundsException e) {
            throw new BadInput("That is no pose of a camera. Ask for the fewest cameras once more.");
        }
    }
}
