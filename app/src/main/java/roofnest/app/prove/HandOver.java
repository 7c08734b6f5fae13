package roofnest.app.prove;

import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;

import org.springframework.stereotype.Service;

import roofnest.app.household.Frame;
import roofnest.app.household.Frames;
import roofnest.app.records.CameraRepository;
import roofnest.app.records.Changes;
import roofnest.app.records.HouseholdRepository;
import roofnest.app.records.AccessRepository;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.LedgerRepository;
import roofnest.app.records.LogRepository;
import roofnest.app.records.MailRepository;
import roofnest.app.records.ResidentRepository;
import roofnest.app.secrets.SecretStore;
import roofnest.app.web.Form;
import roofnest.core.access.Access;
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
    private final SecretStore secrets;
    private final LedgerRepository ledger;
    private final LogRepository log;
    private final ResidentRepository residents;
    private final MailRepository mail;
    private final Clock clock;

    HandOver(Changes changes, HouseholdRepository households, AccessRepository access, Signing signing, Frames frames,
            CameraRepository cameras,
            SecretStore secrets, LedgerRepository ledger, LogRepository log,
            ResidentRepository residents, MailRepository mail, Clock clock) {
        this.changes = changes;
        this.households = households;
        this.access = access;
        this.signing = signing;
        this.frames = frames;
        this.cameras = cameras;
        this.secrets = secrets;
        this.ledger = ledger;
        this.log = log;
        this.residents = residents;
        this.mail = mail;
        this.clock = clock;
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

    /** All by which the firm could still look or get in: each has to be ended by somebody, and is said to be by whom. */
    public List<String> ends(Frame frame) {
        List<String> ends = new ArrayList<>();
        Access people = frame.facts().access();
        people.people().stream().filter(person -> person.tie() == Access.Tie.FIRM).forEach(person -> frame.facts().cameras().stream()
                .filter(camera -> people.grant(person.id(), camera.id()).isPresent())
                .forEach(camera -> ends.add(person.name() + " taken off " + camera.name() + " in its app, and a try to look refused")));
        people.people().stream().filter(person -> person.tie() == Access.Tie.FIRM)
                .forEach(person -> people.known().stream().filter(known -> known.personId() == person.id())
                        .forEach(known -> ends
                                .add(person.name() + " knows " + known.secret().name() + " no longer: the householder has changed it")));
        secrets.known(frame.ref().id())
                .forEach(secret -> ends.add(secret + ": changed by the householder, or handed to them on paper"));
        return ends;
    }

    /** Hands over, unless something stands against it by then; the form says what. */
    public void handOver(HouseholdRef ref, Form form) {
        changes.run(ref, Stage.CARE, () -> {
            Frame frame = frames.frame(ref, Stage.PROVE);
            List<String> against = new ArrayList<>(missing(cameras.of(ref.id()), signing.state(frame)));
            List<String> ends = ends(frame);
            for (int i = 0; i < ends.size(); i++) {
                if (!form.raw("end" + i).equals(ends.get(i))) {
                    against.add("Not ended yet: " + ends.get(i) + ".");
                }
            }
            if (!against.isEmpty()) {
                form.refuse("hand-over", against);
                return;
            }
            ends.forEach(end -> log.add(ref.id(), null, LogRepository.Kind.NOTE, "Ended: " + end, LocalDate.now(clock), ref.by()));
            access.revokeFirm(ref.id());
            frame.facts().access().people().stream().filter(person -> person.tie() == Access.Tie.FIRM)
                    .forEach(person -> ledger.forgotten(ref.id(), person.id(), "changed by the householder at the hand-over", ref.by()));
            households.handOver(ref.id());
        });
    }

    /** The work is taken up again in a house that was handed over; why, by whom and when stands in its log. */
    void reopen(HouseholdRef ref, String reason) {
        changes.run(ref, Stage.CARE, () -> {
            households.reopen(ref.id());
            log.add(ref.id(), null, LogRepository.Kind.NOTE, "The case was opened again: " + reason, LocalDate.now(clock), ref.by());
            tell(ref, reason);
        });
    }

    /** Whoever lives there is told who works at their cameras again, and why. */
    private void tell(HouseholdRef ref, String reason) {
        residents.of(ref.id()).stream().filter(each -> each.tie() == Access.Tie.LIVES_HERE && !each.email().isBlank())
                .forEach(each -> mail.send(ref.id(), each.email(), "Your cameras: the case is open again",
                        "Hello " + each.name() + ",\n" + ref.by() + " of " + ref.staff().firmName()
                                + " has opened the case of your cameras again. The reason: " + reason
                                + "\nIf you know of no reason, call us.",
                        null));
    }
}
