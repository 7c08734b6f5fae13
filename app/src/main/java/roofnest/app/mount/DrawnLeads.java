package roofnest.app.mount;

import java.util.List;
import java.util.Optional;

import org.springframework.stereotype.Service;

import roofnest.app.records.CameraRepository;
import roofnest.app.records.Changes;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.JudgedHousehold;
import roofnest.app.records.JudgedHouseholds;
import roofnest.app.records.SaidLeadRepository;
import roofnest.app.web.BadInput;
import roofnest.core.cable.CableWay;
import roofnest.core.cable.DrawnWay;
import roofnest.core.mount.SaidLead;
import roofnest.core.plan.SpacePoint;
import roofnest.core.promise.Stage;
import roofnest.core.view.CameraPose;

/** Keeps a way of a lead that was drawn, if a lead can be led so on the plan as it is. */
@Service
class DrawnLeads {
    private final Changes changes;
    private final CameraRepository cameras;
    private final SaidLeadRepository leads;
    private final JudgedHouseholds judged;

    DrawnLeads(Changes changes, CameraRepository cameras, SaidLeadRepository leads, JudgedHouseholds judged) {
        this.changes = changes;
        this.cameras = cameras;
        this.leads = leads;
        this.judged = judged;
    }

    /** @throws BadInput with every reason why it cannot be led so */
    void keep(HouseholdRef ref, long cameraId, int version, String socket, List<SpacePoint> turns) {
        changes.run(ref, Stage.MOUNT, () -> {
            cameras.touch(ref.id(), cameraId, version);
            JudgedHousehold now = judged.of(ref.id());
            CameraPose pose = now.camera(cameraId).camera().pose();
            Optional<DrawnWay> drawn = now.judge().house()
                    .flatMap(house -> house.cables(now.facts().practice()).drawn(socket, turns, pose));
            DrawnWay way
                    = drawn.orElseThrow(() -> new BadInput("The plan has no socket of that name: choose one, or put it in at Survey."));
            if (!way.faults().isEmpty()) {
                throw new BadInput(String.join(" ", way.faults()));
            }
            leads.keep(ref.id(), cameraId, said(socket, turns, way.way(), pose, ref.by()));
        });
    }

    private static SaidLead said(String socket, List<SpacePoint> turns, CableWay way, CameraPose pose, String by) {
        if (way.alongM() > SaidLead.LONGEST_M || way.bores().size() > SaidLead.MOST_HOLES) {
            throw new BadInput("No lead is as long as that, or goes through so many holes.");
        }
        return new SaidLead(socket, way.alongM(), way.bores().size(), turns, pose.onPlan(), pose.heightM(), by);
    }
}
