package roofnest.app.records;

import org.springframework.stereotype.Service;

import roofnest.app.web.BadInput;
import roofnest.app.web.NoSuchPage;
import roofnest.app.web.Photograph;
import roofnest.core.promise.Stage;

/** Takes in a still of what a camera shows, for the pack and to read from it how the camera hangs; it proves nothing by itself. */
@Service
public class Stills {
    private final Changes changes;
    private final CameraRepository cameras;
    private final StillRepository stills;

    Stills(Changes changes, CameraRepository cameras, StillRepository stills) {
        this.changes = changes;
        this.cameras = cameras;
        this.stills = stills;
    }

    public void keep(HouseholdRef ref, Stage stage, long cameraId, byte[] sent) {
        byte[] drawn = Photograph.drawnAnew(sent);
        changes.unjudged(ref, stage, () -> {
            if (!cameras.get(ref.id(), cameraId).camera().joined()) {
                throw new BadInput("The camera is not joined yet, so that it shows nothing.");
            }
            stills.keep(ref.id(), cameraId, drawn, ref.by());
            return null;
        });
    }

    public void remove(HouseholdRef ref, long cameraId) {
        if (!changes.<Boolean>unjudged(ref, Stage.PROVE, () -> stills.remove(ref.id(), cameraId))) {
            throw new NoSuchPage();
        }
    }
}
