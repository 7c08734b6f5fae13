package roofnest.app.prove;

import java.util.ArrayList;
import java.util.List;

import org.springframework.stereotype.Service;

import roofnest.app.household.Frames;
import roofnest.app.records.CameraRepository;
import roofnest.app.records.Changes;
import roofnest.app.records.HouseholdRepository;
import roofnest.app.records.AccessRepository;
import roofnest.app.records.HouseholdRef;
import roofnest.app.web.Form;
import roofnest.core.judge.Camera;
import roofnest.core.promise.Stage;

/** Ends the job: what it still wants, and what happens to the firm's access. */
@Service
public class HandOver {
    private final Changes changes;
    private final HouseholdRepository households;
    private final AccessRepository access;
    private final Signing signing;
    private final Frames frames;
    private final CameraRepository cameras;

    HandOver(Changes changes, HouseholdRepository households, AccessRepository access, Signing signing, Frames frames,
            CameraRepository cameras) {
        this.changes = changes;
        this.households = households;
        this.access = access;
        this.signing = signing;
        this.frames = frames;
        this.cameras = cameras;
    }

    /** What stands against handing over; what is broken does not, once the householder has said that they take it so. */
    List<String> missing(List<Camera> cameras, Signing.State signing) {
        List<String> missing = new ArrayList<>();
        if (cameras.isEmpty()) {
            missing.add("There is no camera yet.");
        }
        for (Camera camera : cameras) {
            if (camera.joined() && !camera.ownPassword()) {
                missing.add(camera.name() + " still has its factory password: finish its run.");
            }
        }
        if (signing.newest().isEmpty()) {
            missing.add("The householder has not signed yet.");
        } else if (!signing.differs().isEmpty()) {
            missing.add("What was signed is so no longer: issue " + (signing.newest().get().number() + 1) + " is to be signed.");
        }
        return missing;
    }

    /** Hands over, unless something stands against it by then; the form says what. */
    public void handOver(HouseholdRef ref, Form form) {
        changes.run(ref, Stage.CARE, () -> {
            missing(cameras.of(ref.id()), signing.state(frames.frame(ref, Stage.PROVE)))
                    .forEach(sentence -> form.fault("hand-over", sentence));
            if (form.ok()) {
                access.revokeFirm(ref.id());
                households.handOver(ref.id());
            }
        });
    }
}
