package roofnest.app.prove;

import java.util.ArrayList;
import java.util.List;

import org.springframework.stereotype.Service;

import roofnest.app.household.Frame;
import roofnest.app.household.HouseholdChanges;
import roofnest.app.household.HouseholdRepository;
import roofnest.app.share.AccessRepository;
import roofnest.app.web.HouseholdRef;
import roofnest.core.judge.Camera;
import roofnest.core.promise.Stage;

/** Ends the job: what it still wants, and what happens to the firm's access. */
@Service
public class HandOver {
    private final HouseholdChanges changes;
    private final HouseholdRepository households;
    private final AccessRepository access;
    private final TrialRepository trials;

    HandOver(HouseholdChanges changes, HouseholdRepository households, AccessRepository access, TrialRepository trials) {
        this.changes = changes;
        this.households = households;
        this.access = access;
        this.trials = trials;
    }

    /** What stands against handing over; broken promises do not, they are handed over as broken. */
    List<String> missing(Frame frame) {
        List<String> missing = new ArrayList<>();
        if (frame.facts().cameras().isEmpty()) {
            missing.add("There is no camera yet.");
        }
        for (Camera camera : frame.facts().cameras()) {
            if (camera.joined() && !camera.ownPassword()) {
                missing.add(camera.name() + " still has its factory password: finish its run.");
            }
        }
        if (trials.signature(frame.ref().id()).isEmpty()) {
            missing.add("The householder has not signed yet.");
        }
        return missing;
    }

    public void handOver(HouseholdRef ref) {
        changes.run(ref, Stage.CARE, () -> {
            access.revokeFirm(ref.id());
            households.handOver(ref.id());
        });
    }
}
