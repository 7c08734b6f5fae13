package roofnest.app.survey;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;

import org.springframework.stereotype.Service;

import roofnest.app.models.Models;
import roofnest.app.records.CameraRepository;
import roofnest.app.records.Changes;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.JudgedHousehold;
import roofnest.app.web.BadInput;
import roofnest.core.catalogue.DeviceModel;
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
    /** Of a pose: x, y, height, heading, tilt. */
    private static final int FIGURES = 5;

    private final Changes changes;
    private final CameraRepository cameras;
    private final Models models;

    FewestTaken(Changes changes, CameraRepository cameras, Models models) {
        this.changes = changes;
        this.cameras = cameras;
        this.models = models;
    }

    private record Wanted(CameraPose pose, String modelKey) {}

    /**
     * @param poses as the page sent them back, one a camera, each with the key of its model
     * @return what was put there, in words
     */
    String take(HouseholdRef ref, JudgedHousehold household, List<String> poses) {
        Set<String> keys = models.of(ref.staff().firmId()).stream().map(DeviceModel::key).collect(Collectors.toSet());
        List<Wanted> wanted = poses.stream().map(pose -> wanted(pose, keys)).toList();
        if (wanted.isEmpty() || wanted.size() > MOST) {
            throw new BadInput("Ask for the fewest cameras first.");
        }
        return changes.make(ref, Stage.SURVEY, () -> {
            List<Camera> before = cameras.of(ref.id());
            List<String> names = new ArrayList<>(before.stream().map(Camera::name).toList());
            int hangAlready = 0;
            List<String> added = new ArrayList<>();
            for (Wanted each : wanted) {
                if (hangsAt(each.pose(), before)) {
                    hangAlready++;
                    continue;
                }
                List<Camera> now = cameras.of(ref.id());
                // Two of the answer may share a spot and look two ways; they hang side by side then.
                CameraPose pose = !hangsAt(each.pose(), now) ? each.pose()
                        : household.facts().plan().flatMap(plan -> FirstSpot.beside(plan, each.pose(), now)).orElse(each.pose());
                String name = CameraName.suggest("eye", names);
                names.add(name);
                long id = cameras.add(ref.id(), name, each.modelKey(), pose, Camera.Settings.DEFAULT);
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

    private static boolean hangsAt(CameraPose pose, List<Camera> cameras) {
        return cameras.stream().anyMatch(hangs -> hangs.pose().onPlan().distanceM(pose.onPlan()) < FirstSpot.APART_M);
    }

    private static Wanted wanted(String said, Set<String> keys) {
        String[] words = said.strip().split(" ");
        try {
            double[] figures = Arrays.stream(words).limit(FIGURES).mapToDouble(Double::parseDouble).toArray();
            if (words.length == FIGURES + 1 && keys.contains(words[FIGURES])) {
                return new Wanted(new CameraPose(figures[0], figures[1], figures[2], figures[3], figures[4]), words[FIGURES]);
            }
        } catch (IllegalArgumentException e) {
            // Said below, as for a model that is not there.
        }
        throw new BadInput("That is no pose of a camera. Ask for the fewest cameras once more.");
    }
}
