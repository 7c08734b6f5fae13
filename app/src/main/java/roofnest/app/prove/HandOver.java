package roofnest.app.prove;

import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;

import org.springframework.stereotype.Service;

import roofnest.app.household.Frame;
import roofnest.app.household.Frames;
import roofnest.app.records.CameraRepository;
import roofnest.app.records.Changes;
import roofnest.app.records.HouseholdRepository;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.LeavingRepository;
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
    private final Signing signing;
    private final Frames frames;
    private final CameraRepository cameras;
    private final SecretStore secrets;
    private final LedgerRepository ledger;
    private final LeavingRepository leavings;
    private final LogRepository log;
    private final ResidentRepository residents;
    private final MailRepository mail;
    private final Clock clock;

    HandOver(Changes changes, HouseholdRepository households, Signing signing, Frames frames,
            CameraRepository cameras,
            SecretStore secrets, LedgerRepository ledger, LeavingRepository leavings, LogRepository log,
            ResidentRepository residents, MailRepository mail, Clock clock) {
        this.changes = changes;
        this.households = households;
        this.signing = signing;
        this.frames = frames;
        this.cameras = cameras;
        this.secrets = secrets;
        this.ledger = ledger;
        this.leavings = leavings;
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

    /** All by which the firm could still look or get in. */
    public FirmEnds ends(Frame frame) {
        Access access = frame.facts().access();
        List<Access.Person> firm = access.people().stream().filter(person -> person.tie() == Access.Tie.FIRM).toList();
        List<LeavingRepository.Leaving> open = leavings.of(frame.ref().id()).stream()
                .filter(leaving -> !leaving.onStandIns() && leaving.overAt() == null).toList();
        List<FirmEnds.Looker> people = new ArrayList<>();
        List<FirmEnds.Known> known = new ArrayList<>();
        for (Access.Person person : firm) {
            List<Access.Way> ways = access.waysOf(person.id(), frame.facts().kit());
            if (!ways.isEmpty()) {
                people.add(new FirmEnds.Looker(person.id(), person.name(),
                        ways.stream().map(Access.Way::how).collect(Collectors.joining("; "))));
            } else if (open.stream().anyMatch(leaving -> leaving.residentId() == person.id())) {
                people.add(new FirmEnds.Looker(person.id(), person.name(), "their own try is still to be refused"));
            }
            access.known().stream().filter(row -> row.personId() == person.id())
                    .filter(row -> ways.stream().noneMatch(way -> way.secret().filter(row.secret()::is).isPresent()))
                    .forEach(row -> known.add(new FirmEnds.Known(row.secret().name().replaceFirst("^the ", "") + ", known to "
                            + person.name(), List.of(FirmEnds.Became.CHANGED, FirmEnds.Became.STAYS), Optional.of(row),
                            Optional.empty())));
        }
        secrets.known(frame.ref().id()).forEach(held -> known.add(new FirmEnds.Known(held.words() + ", kept sealed by the firm",
                List.of(FirmEnds.Became.CHANGED, FirmEnds.Became.SEALED), Optional.empty(), Optional.of(held))));
        return new FirmEnds(List.copyOf(people), List.copyOf(known));
    }

    /** Hands over, unless something stands against it by then; the form says what. */
    public void handOver(HouseholdRef ref, Form form) {
        changes.run(ref, Stage.CARE, () -> {
            Frame frame = frames.frame(ref, Stage.PROVE);
            FirmEnds ends = ends(frame);
            List<String> against = new ArrayList<>(missing(cameras.of(ref.id()), signing.state(frame)));
            against.addAll(ends.against(form));
            if (!against.isEmpty()) {
                form.refuse("hand-over", against);
                return;
            }
            for (int i = 0; i < ends.known().size(); i++) {
                end(ref, ends.known().get(i), ends.said(form, i).orElseThrow());
            }
            households.handOver(ref.id());
        });
    }

    private void end(HouseholdRef ref, FirmEnds.Known known, FirmEnds.Became became) {
        log.add(ref.id(), null, LogRepository.Kind.NOTE, "At the hand-over, " + known.what() + ": " + became.words() + ".",
                LocalDate.now(clock), ref.by());
        if (became == FirmEnds.Became.CHANGED) {
            known.held().ifPresent(held -> secrets.forgetOutdated(ref.id(), held));
            known.row().ifPresent(row -> ledger.changed(ref.id(), row.secret().kind(), row.secret().id(),
                    "changed by the householder at the hand-over", ref.by()));
        }
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
