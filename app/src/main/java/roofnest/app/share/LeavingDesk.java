package roofnest.app.share;

import java.time.Clock;
import java.time.LocalDate;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

import org.springframework.stereotype.Service;

import roofnest.app.household.Frame;
import roofnest.app.household.Frames;
import roofnest.app.records.AccessRepository;
import roofnest.app.records.CameraRepository;
import roofnest.app.records.Changes;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.LeavingRepository;
import roofnest.app.records.LedgerRepository;
import roofnest.app.records.LogRepository;
import roofnest.app.records.ResidentRepository;
import roofnest.app.web.Conflict;
import roofnest.app.web.Form;
import roofnest.app.web.NoSuchPage;
import roofnest.core.access.Access;
import roofnest.core.access.Kit;
import roofnest.core.access.LeavingPlan;
import roofnest.core.access.Secret;
import roofnest.core.judge.Camera;
import roofnest.core.judge.HouseholdFacts;
import roofnest.core.network.SafeCredentials;
import roofnest.core.promise.Stage;
import roofnest.standins.looking.LookingHouse;

/**
 * Shuts somebody out: the plan, what was done of it, and the tries that prove it. For real, a step that is noted as done changes the
 * ledger at once; on stand-ins it changes simulated phones and nothing else.
 */
@Service
class LeavingDesk {
    private final Changes changes;
    private final Frames frames;
    private final AccessRepository access;
    private final LedgerRepository ledger;
    private final LeavingRepository leavings;
    private final ResidentRepository residents;
    private final CameraRepository cameras;
    private final Knowing knowing;
    private final Invitations invitations;
    private final LogRepository log;
    private final Clock clock;

    LeavingDesk(Changes changes, Frames frames, AccessRepository access, LedgerRepository ledger, LeavingRepository leavings,
            ResidentRepository residents, CameraRepository cameras, Knowing knowing, Invitations invitations, LogRepository log,
            Clock clock) {
        this.changes = changes;
        this.frames = frames;
        this.access = access;
        this.ledger = ledger;
        this.leavings = leavings;
        this.residents = residents;
        this.cameras = cameras;
        this.knowing = knowing;
        this.invitations = invitations;
        this.log = log;
        this.clock = clock;
    }

    /**
     * One leaving as it stands.
     *
     * @param leaving empty while it has not begun
     * @param changes still to be done
     * @param done and what follows from it, as it was noted
     */
    record State(LeavingPlan plan, Optional<LeavingRepository.Leaving> leaving, List<LeavingPlan.Change> changes,
            List<LeavingRepository.Step> done, List<LeavingRepository.Try> tries, List<Kit> kit, LeavingPlan.Wish wish) {
        /** Cameras whose refusal is still to be seen, by name. */
        List<String> untried() {
            Set<Long> refused = tries.stream().filter(LeavingRepository.Try::refused).map(LeavingRepository.Try::cameraId)
                    .collect(Collectors.toSet());
            Set<Long> due = new HashSet<>(leaving.map(LeavingRepository.Leaving::cameraIds).orElse(Set.of()));
            due.addAll(plan.tries());
            return kit.stream().filter(each -> due.contains(each.cameraId()) && !refused.contains(each.cameraId())).map(Kit::name).toList();
        }

        List<LeavingRepository.Step> following() {
            return done.stream().filter(step -> step.follows() && step.doneAt() == null).toList();
        }

        /** What stands against saying that somebody is out. */
        String open() {
            if (!changes.isEmpty()) {
                return changes.size() == 1 ? "One step is still to be done." : changes.size() + " steps are still to be done.";
            }
            return untried().isEmpty() ? "" : "Their try to look is still to be refused at " + String.join(", ", untried()) + ".";
        }
    }

    State state(Frame frame, long residentId, boolean onStandIns, LeavingPlan.Wish asked) {
        HouseholdRef ref = frame.ref();
        residents.find(ref.id(), residentId).orElseThrow(NoSuchPage::new);
        Optional<LeavingRepository.Leaving> open = leavings.of(ref.id()).stream()
                .filter(each -> each.residentId() == residentId && each.onStandIns() == onStandIns && each.overAt() == null).findFirst();
        LeavingPlan.Wish wish = open.map(each -> new LeavingPlan.Wish(each.theyHelp(), each.outOfWifi())).orElse(asked);
        List<Kit> kit = frame.facts().kit();
        LeavingPlan plan = LeavingPlan.of(frame.facts().access(), residentId, kit, rejoin(frame.facts()), wish);
        List<LeavingRepository.Step> steps = open.map(each -> leavings.steps(ref.id(), each.id())).orElse(List.of());
        // What was done for real is gone from the ledger, and with it from the plan; on stand-ins the ledger knows nothing of it.
        Set<String> done = steps.stream().filter(step -> !step.follows()).map(step -> step.kind() + "-" + step.targetId())
                .collect(Collectors.toSet());
        List<LeavingPlan.Change> left = onStandIns ? plan.changes().stream().filter(change -> !done.contains(change.key())).toList()
                : plan.changes();
        return new State(plan, open, left, steps, open.map(each -> leavings.tries(ref.id(), each.id())).orElse(List.of()), kit, wish);
    }

    static LeavingPlan.Rejoin rejoin(HouseholdFacts facts) {
        List<Camera> joined = facts.cameras().stream().filter(Camera::joined).toList();
        double minutes = joined.stream().mapToDouble(camera -> camera.model().setUp().expectedMinutes()).sum()
                + SafeCredentials.minutesAt(facts.otherThings());
        String cameras = joined.isEmpty() ? "no camera yet" : joined.size() == 1 ? "1 camera" : joined.size() + " cameras";
        String others = switch (facts.otherThings()) {
            case SafeCredentials.NOT_COUNTED -> "what else is on the Wi-Fi, which nobody has counted and which is not in the minutes";
            case 0 -> "nothing else";
            case 1 -> "1 other thing";
            default -> facts.otherThings() + " other things";
        };
        return new LeavingPlan.Rejoin(Math.min(6000, minutes), cameras + ", " + others);
    }

    /** Begins to shut somebody out; for real they are noted as having left from today on, unless they are the firm's. */
    void begin(HouseholdRef ref, long residentId, boolean onStandIns, LeavingPlan.Wish wish) {
        changes.run(ref, Stage.SHARE, () -> {
            Frame frame = frames.frame(ref, Stage.SHARE);
            State state = state(frame, residentId, onStandIns, wish);
            leavings.begin(ref.id(), residentId, onStandIns, wish.theyHelp(), wish.outOfWifi(), state.plan().tries(), ref.by());
            if (!onStandIns) {
                ResidentRepository.Resident resident = residents.find(ref.id(), residentId).orElseThrow(NoSuchPage::new);
                if (resident.tie() != Access.Tie.FIRM && resident.tie() != Access.Tie.LEFT) {
                    residents.change(ref.id(), residentId, resident.name(), resident.email(), Access.Tie.LEFT, LocalDate.now(clock),
                            resident.version());
                }
            }
        });
    }

    private LeavingRepository.Leaving open(HouseholdRef ref, long id) {
        LeavingRepository.Leaving leaving = leavings.find(ref.id(), id).orElseThrow(NoSuchPage::new);
        if (leaving.overAt() != null) {
            throw new Conflict("This is over already. Look at the ledger for how it stands now.");
        }
        return leaving;
    }

    /** Notes a change as done; the ledger follows, and what it makes necessary is put on the list. */
    void done(HouseholdRef ref, long leavingId, String key) {
        changes.run(ref, Stage.SHARE, () -> {
            LeavingRepository.Leaving leaving = open(ref, leavingId);
            State state = state(frames.frame(ref, Stage.SHARE), leaving.residentId(), leaving.onStandIns(), null);
            LeavingPlan.Change change = state.changes().stream().filter(each -> each.key().equals(key)).findFirst()
                    .orElseThrow(() -> new Conflict("This step is done already, or is not needed any more."));
            leavings.begin(ref.id(), leaving.residentId(), leaving.onStandIns(), leaving.theyHelp(), leaving.outOfWifi(),
                    state.plan().tries(), ref.by());
            leavings.changeDone(ref.id(), leavingId, change.kind().name(), change.id(), change.words(), ref.by());
            change.after().forEach(each -> leavings.toFollow(ref.id(), leavingId, each.need().name(), each.person(), each.id(),
                    each.role().orElse(null), each.words()));
            if (!leaving.onStandIns()) {
                apply(ref, leaving.residentId(), state, change);
                log.add(ref.id(), null, LogRepository.Kind.NOTE, "To shut " + state.plan().who().name() + " out: "
                        + change.words(), LocalDate.now(clock), ref.by());
            }
        });
    }

    private void apply(HouseholdRef ref, long leaver, State state, LeavingPlan.Change change) {
        String how = "changed to shut " + state.plan().who().name() + " out";
        switch (change.kind()) {
            case TAKE_BACK -> {
                access.revoke(ref.id(), leaver, change.id());
                invitations.callBack(ref.id(), leaver);
            }
            case UNLINK -> ledger.unlink(ref.id(), change.id());
            case ACCOUNT_OVER -> giveOver(ref, leaver, state, change);
            case ACCOUNT_PASSWORD -> knowing.change(ref, Secret.Kind.ACCOUNT, change.id(), how);
            case HUB_PASSWORD -> knowing.change(ref, Secret.Kind.HUB, change.id(), how);
            case DEVICE_PASSWORD -> knowing.change(ref, Secret.Kind.DEVICE, change.id(), how);
            case WIFI_PASSWORD -> knowing.change(ref, Secret.Kind.WIFI, change.id(), how);
            case OWN_PASSWORD -> cameras.markOwnPassword(ref.id(), change.id());
            case RESET -> {
                access.revokeCamera(ref.id(), change.id());
                knowing.change(ref, Secret.Kind.DEVICE, change.id(), "reset to shut " + state.plan().who().name() + " out");
                cameras.markOwnPassword(ref.id(), change.id());
            }
            default -> throw new IllegalArgumentException("unknown " + change.kind());
        }
    }

    /** With an account goes all that it could see of its maker's cameras. */
    private void giveOver(HouseholdRef ref, long leaver, State state, LeavingPlan.Change change) {
        Access now = access.of(ref.id());
        String maker = state.kit().stream().filter(each -> each.cameraId() == change.id()).findFirst().orElseThrow().maker();
        long heir = LeavingPlan.heir(now, leaver).orElseThrow(() -> new Conflict("Nobody lives here to give it over to.")).id();
        state.kit().stream().filter(each -> each.maker().equals(maker) && !each.toldSecret())
                .forEach(each -> now.grant(leaver, each.cameraId()).ifPresent(grant -> {
                    access.revoke(ref.id(), leaver, each.cameraId());
                    Access.Role role = now.grant(heir, each.cameraId()).map(Access.Grant::role)
                            .filter(had -> had.compareTo(grant.role()) < 0).orElse(grant.role());
                    access.grant(ref.id(), heir, each.cameraId(), role, role == Access.Role.GUEST ? grant.until().orElse(null) : null);
                }));
    }

    /** Notes that something was told or given again to somebody who stays. */
    void followed(HouseholdRef ref, long leavingId, long stepId) {
        changes.run(ref, Stage.SHARE, () -> {
            LeavingRepository.Leaving leaving = open(ref, leavingId);
            LeavingRepository.Step step = leavings.steps(ref.id(), leavingId).stream().filter(each -> each.id() == stepId).findFirst()
                    .orElseThrow(NoSuchPage::new);
            if (!leavings.followed(ref.id(), leavingId, stepId, ref.by())) {
                throw new Conflict("This is done already.");
            }
            if (!leaving.onStandIns()) {
                follow(ref, step);
            }
        });
    }

    private void follow(HouseholdRef ref, LeavingRepository.Step step) {
        String how = "told after it was changed";
        switch (LeavingPlan.Need.valueOf(step.kind())) {
            case TELL_DEVICE -> ledger.note(ref.id(), step.personId(), Secret.Kind.DEVICE, step.targetId(), how, ref.by());
            case TELL_HUB -> ledger.note(ref.id(), step.personId(), Secret.Kind.HUB, step.targetId(), how, ref.by());
            case TELL_WIFI -> ledger.note(ref.id(), step.personId(), Secret.Kind.WIFI, step.targetId(), how, ref.by());
            case GIVE_AGAIN -> access.grant(ref.id(), step.personId(), step.targetId(),
                    step.role() == Access.Role.GUEST ? Access.Role.VIEWER : step.role(), null);
            case SIGN_IN -> {
                Access now = access.of(ref.id());
                now.grants().stream().filter(grant -> grant.personId() == step.targetId())
                        .filter(grant -> now.grant(step.personId(), grant.cameraId()).isEmpty())
                        .forEach(grant -> access.grant(ref.id(), step.personId(), grant.cameraId(), Access.Role.VIEWER, null));
            }
            case REJOIN -> {
                // What is back is noted where everything rejoins.
            }
            default -> throw new IllegalArgumentException("unknown " + step.kind());
        }
    }

    /** What was seen of somebody's own try to look. */
    void tried(HouseholdRef ref, long leavingId, long cameraId, Form form) {
        String said = form.optionalText("said", 200);
        changes.run(ref, Stage.SHARE, () -> {
            LeavingRepository.Leaving leaving = open(ref, leavingId);
            cameras.get(ref.id(), cameraId);
            if (leaving.onStandIns()) {
                throw new Conflict("On stand-ins their phone tries by itself.");
            }
            if (!Set.of("true", "false").contains(form.raw("refused"))) {
                form.fault("refused", "Say whether it was refused.");
                return;
            }
            leavings.tried(ref.id(), leaving, cameraId, form.raw("refused").equals("true"), said, ref.by());
        });
    }

    /** Lets the leaver's simulated phone try every camera, as it is after the steps that were done. */
    void phoneTries(HouseholdRef ref, long leavingId) {
        changes.run(ref, Stage.SHARE, () -> {
            LeavingRepository.Leaving leaving = open(ref, leavingId);
            if (!leaving.onStandIns()) {
                throw new Conflict("A real phone tries for itself; note what it showed.");
            }
            Frame frame = frames.frame(ref, Stage.SHARE);
            State state = state(frame, leaving.residentId(), true, null);
            LookingHouse phones = phones(frame.facts().access(), state, leaving);
            Set<Long> due = new HashSet<>(leaving.cameraIds());
            due.addAll(state.plan().tries());
            state.kit().stream().filter(each -> due.contains(each.cameraId())).forEach(each -> {
                Optional<String> shown = phones.look(leaving.residentId(), each.cameraId());
                leavings.tried(ref.id(), leaving, each.cameraId(), shown.isEmpty(), shown.orElse("refused"), ref.by());
            });
        });
    }

    private static LookingHouse phones(Access access, State state, LeavingRepository.Leaving leaving) {
        LookingHouse phones = new LookingHouse(access, state.kit());
        long heir = LeavingPlan.heir(access, leaving.residentId()).map(Access.Person::id).orElse(0L);
        state.done().stream().filter(step -> !step.follows())
                .forEach(step -> phones.apply(LeavingPlan.Kind.valueOf(step.kind()), step.targetId(), leaving.residentId(), heir));
        state.done().stream().filter(step -> step.follows() && step.doneAt() != null)
                .forEach(step -> phones.apply(LeavingPlan.Need.valueOf(step.kind()), step.personId(), step.targetId(), access));
        return phones;
    }

    /** Says that somebody is out, if nothing stands against it. */
    void over(HouseholdRef ref, long leavingId) {
        changes.run(ref, Stage.SHARE, () -> {
            LeavingRepository.Leaving leaving = open(ref, leavingId);
            State state = state(frames.frame(ref, Stage.SHARE), leaving.residentId(), leaving.onStandIns(), null);
            if (!state.open().isEmpty()) {
                throw new Conflict(state.open());
            }
            leavings.over(ref.id(), leavingId, ref.by());
            if (!leaving.onStandIns()) {
                log.add(ref.id(), null, LogRepository.Kind.NOTE, state.plan().who().name() + " is shut out"
                        + (state.tries().isEmpty() ? "." : ": their own try to look was refused at "
                                + state.kit().stream()
                                        .filter(each -> state.tries().stream().anyMatch(tried -> tried.cameraId() == each.cameraId()))
                                        .map(Kit::name).collect(Collectors.joining(", "))
                                + "."),
                        LocalDate.now(clock), ref.by());
            }
        });
    }

    void clear(HouseholdRef ref, long leavingId) {
        changes.run(ref, Stage.SHARE, () -> leavings.clear(ref.id(), leavingId));
    }
}
