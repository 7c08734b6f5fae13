package roofnest.app.share;

import java.time.Clock;
import java.time.LocalDate;
import java.util.Optional;

import org.springframework.stereotype.Service;

import roofnest.app.firm.NotForThisRole;
import roofnest.app.firm.Role;
import roofnest.app.records.AccessRepository;
import roofnest.app.records.CameraRepository;
import roofnest.app.records.Changes;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.LedgerRepository;
import roofnest.app.records.ResidentRepository;
import roofnest.app.web.Conflict;
import roofnest.app.web.Form;
import roofnest.app.web.NoSuchPage;
import roofnest.core.access.Access;
import roofnest.core.access.Secret;
import roofnest.core.catalogue.Sharing;
import roofnest.core.judge.Camera;
import roofnest.core.promise.Stage;

/** Gives and takes access, one person and one camera at a time. */
@Service
class Grants {
    private final Changes changes;
    private final AccessRepository access;
    private final ResidentRepository residents;
    private final CameraRepository cameras;
    private final LedgerRepository ledger;
    private final Invitations invitations;
    private final Clock clock;

    Grants(Changes changes, AccessRepository access, ResidentRepository residents, CameraRepository cameras, LedgerRepository ledger,
            Invitations invitations,
            Clock clock) {
        this.changes = changes;
        this.access = access;
        this.residents = residents;
        this.cameras = cameras;
        this.ledger = ledger;
        this.invitations = invitations;
        this.clock = clock;
    }

    /**
     * Sets what somebody may do with a camera: its role, or nothing for none. What is wrong goes to the cell.
     *
     * @return what happened, in a sentence
     * @throws Conflict when it is no longer what the page showed, which the form says as {@code was}
     */
    String set(HouseholdRef ref, long residentId, long cameraId, Form form) {
        String cell = "cell-" + residentId + "-" + cameraId;
        boolean none = form.raw("role").isEmpty();
        Access.Role role = none ? null : form.choice("role", "a role", Access.Role.class);
        LocalDate until = role == Access.Role.GUEST ? form.date("until", "the guest's last day") : null;
        LocalDate from = role == Access.Role.GUEST && !form.raw("from").isBlank() ? form.date("from", "the guest's first day") : null;
        days(cell, from, until, form);
        if (!form.ok()) {
            return "";
        }
        return changes.make(ref, Stage.SHARE, () -> {
            ResidentRepository.Resident resident = residents.find(ref.id(), residentId).orElseThrow(NoSuchPage::new);
            Camera camera = cameras.get(ref.id(), cameraId).camera();
            Optional<Access.Role> now = access.roleOf(ref.id(), residentId, cameraId);
            if (form.has("was") && !form.raw("was").equals(now.map(Enum::name).orElse(""))) {
                throw new Conflict("Somebody else set this meanwhile: " + resident.name() + " is "
                        + now.map(Access.Role::words).orElse("without access") + " on " + camera.name() + " now.");
            }
            if (role != now.orElse(null) && (role == Access.Role.OWNER || now.filter(Access.Role.OWNER::equals).isPresent())) {
                NotForThisRole.unless(ref.staff(), Role.Permission.GIVE_OWNERSHIP, role == Access.Role.OWNER
                        ? "make " + resident.name() + " an owner of " + camera.name()
                        : "take the ownership of " + camera.name() + " from " + resident.name());
            }
            boolean told = camera.model().sharing() == Sharing.TOLD_SECRET;
            if (none) {
                access.revoke(ref.id(), residentId, cameraId);
                if (access.of(ref.id()).grants().stream().noneMatch(grant -> grant.personId() == residentId)) {
                    invitations.callBack(ref.id(), residentId);
                }
                return told ? resident.name() + " is off the list of " + camera.name()
                        + ", and knows its ID and password until they are changed." : resident.name() + " is off " + camera.name() + ".";
            }
            fits(ref, resident, camera, cell, form);
            if (form.ok()) {
                access.grant(ref.id(), residentId, cameraId, role, from, until, !form.has("alertsAsked") || form.has("alerts"));
                if (told) {
                    ledger.note(ref.id(), residentId, Secret.Kind.DEVICE, cameraId, "told, to share " + camera.name(), ref.by());
                }
            }
            return resident.name() + " is " + role.words() + " of " + camera.name()
                    + (told ? ", which means that its ID and password are told." : ".");
        });
    }

    private void days(String cell, LocalDate from, LocalDate until, Form form) {
        if (!form.ok()) {
            form.fault(cell, form.faultAt("until") != null ? "A guest needs a last day."
                    : form.faultAt("from") != null ? form.faultAt("from") : form.faultAt("role"));
        } else if (until != null && until.isBefore(LocalDate.now(clock))) {
            form.fault(cell, "This day is over. A guest's last day is today or later.");
        } else if (from != null && from.isAfter(until)) {
            form.fault(cell, "The first day is after the last one.");
        }
    }

    private void fits(HouseholdRef ref, ResidentRepository.Resident resident, Camera camera, String cell, Form form) {
        long others = access.of(ref.id()).grants().stream().filter(grant -> grant.cameraId() == camera.id())
                .filter(grant -> grant.personId() != resident.id()).count();
        if (resident.tie() == Access.Tie.LEFT) {
            form.fault(cell, resident.name() + " has left; give access to people who belong here.");
        } else if (camera.model().peopleMax() != null && others >= camera.model().peopleMax()) {
            form.fault(cell,
                    camera.model().fullName() + " takes " + camera.model().peopleMax() + " people, and has them. Take somebody off "
                            + camera.name() + " first.");
        }
    }
}
