package roofnest.app.share;

import java.time.Clock;
import java.time.LocalDate;
import java.util.Optional;

import org.springframework.stereotype.Service;

import roofnest.app.records.AccessRepository;
import roofnest.app.records.CameraRepository;
import roofnest.app.records.Changes;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.ResidentRepository;
import roofnest.app.web.Conflict;
import roofnest.app.web.Form;
import roofnest.app.web.NoSuchPage;
import roofnest.core.access.Access;
import roofnest.core.promise.Stage;

/** Gives and takes access, one person and one camera at a time. */
@Service
class Grants {
    private final Changes changes;
    private final AccessRepository access;
    private final ResidentRepository residents;
    private final CameraRepository cameras;
    private final Clock clock;

    Grants(Changes changes, AccessRepository access, ResidentRepository residents, CameraRepository cameras,
            Clock clock) {
        this.changes = changes;
        this.access = access;
        this.residents = residents;
        this.cameras = cameras;
        this.clock = clock;
    }

    /**
     * Sets what somebody may do with a camera: its role, or nothing for none. What is wrong goes to the cell.
     *
     * @throws Conflict when it is no longer what the page showed, which the form says as {@code was}
     */
    void set(HouseholdRef ref, long residentId, long cameraId, Form form) {
        String cell = "cell-" + residentId + "-" + cameraId;
        boolean none = form.raw("role").isEmpty();
        Access.Role role = none ? null : form.choice("role", "a role", Access.Role.class);
        LocalDate until = role == Access.Role.GUEST ? form.date("until", "the guest's last day") : null;
        if (until != null && form.faultAt("until") == null && until.isBefore(LocalDate.now(clock))) {
            form.fault(cell, "This day is over. A guest's last day is today or later.");
            return;
        }
        if (!form.ok()) {
            form.fault(cell, form.faultAt("until") == null ? form.faultAt("role") : "A guest needs a last day.");
            return;
        }
        changes.run(ref, Stage.SHARE, () -> {
            ResidentRepository.Resident resident = residents.find(ref.id(), residentId).orElseThrow(NoSuchPage::new);
            CameraRepository.Record camera = cameras.get(ref.id(), cameraId);
            Optional<Access.Role> now = access.roleOf(ref.id(), residentId, cameraId);
            if (form.has("was") && !form.raw("was").equals(now.map(Enum::name).orElse(""))) {
                throw new Conflict("Somebody else set this meanwhile: " + resident.name() + " is "
                        + now.map(Access.Role::words).orElse("without access") + " on " + camera.camera().name() + " now.");
            }
            if (none) {
                access.revoke(ref.id(), residentId, cameraId);
            } else if (resident.tie() == Access.Tie.LEFT) {
                form.fault(cell, resident.name() + " has left; give access to people who belong here.");
            } else {
                access.grant(ref.id(), residentId, cameraId, role, until);
            }
        });
    }
}
