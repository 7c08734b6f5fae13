package roofnest.app.pair;

import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Supplier;
import java.util.stream.Collectors;

import org.springframework.stereotype.Service;

import roofnest.app.records.AccessRepository;
import roofnest.app.records.CameraRepository;
import roofnest.app.records.Changes;
import roofnest.app.records.DeviceBeforeRepository;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.HouseholdRepository;
import roofnest.app.records.HubRepository;
import roofnest.app.records.LedgerRepository;
import roofnest.app.records.LogRepository;
import roofnest.app.records.TheftRepository;
import roofnest.app.secrets.SecretStore;
import roofnest.app.web.Conflict;
import roofnest.core.access.Secret;
import roofnest.core.judge.Replacement;
import roofnest.core.judge.Theft;
import roofnest.core.pairing.Removal;
import roofnest.core.promise.Stage;

/** Takes devices out of a house. What was said of them is kept in the log; their passwords are not. */
@Service
class Leaving {
    private static final int LONGEST_ENTRY = 1000;

    private final Changes changes;
    private final CameraRepository cameras;
    private final HubRepository hubs;
    private final AccessRepository access;
    private final SecretStore secrets;
    private final LogRepository log;
    private final HouseholdRepository households;
    private final LedgerRepository ledger;
    private final Settling settling;
    private final TheftRepository thefts;
    private final RunRepository rows;
    private final Runs runs;
    private final Clock clock;

    Leaving(Changes changes, CameraRepository cameras, HubRepository hubs, AccessRepository access, SecretStore secrets, LogRepository log,
            HouseholdRepository households, LedgerRepository ledger, Settling settling, TheftRepository thefts, RunRepository rows,
            Runs runs, Clock clock) {
        this.households = households;
        this.ledger = ledger;
        this.settling = settling;
        this.thefts = thefts;
        this.changes = changes;
        this.cameras = cameras;
        this.hubs = hubs;
        this.access = access;
        this.secrets = secrets;
        this.log = log;
        this.rows = rows;
        this.runs = runs;
        this.clock = clock;
    }

    /** Things break and are taken down in houses that were handed over long ago: that is care, and opens nothing again. */
    private Stage stage(HouseholdRef ref) {
        return households.get(ref.id()).handedOver() ? Stage.CARE : Stage.PAIR;
    }

    /** @param owner who of the household said so */
    void camera(HouseholdRef ref, long cameraId, Removal.To to, Removal.Card card, String owner) {
        changes.run(ref, stage(ref), () -> {
            CameraRepository.Record record = cameras.get(ref.id(), cameraId);
            endRun(ref, record);
            log.add(ref.id(), cameraId, LogRepository.Kind.NOTE, record.camera().name() + " (" + record.camera().model().fullName()
                    + (record.serial() == null ? "" : ", serial " + record.serial()) + ") taken out: " + to.words()
                    + ". Out of the account; card " + card.words() + "; " + owner + " said so.", LocalDate.now(clock), ref.by());
            takeOut(ref, cameraId);
        });
    }

    private void endRun(HouseholdRef ref, CameraRepository.Record record) {
        rows.openRunOf(ref.id(), record.id()).ifPresent(run -> runs.giveUp(ref, run, record.camera().model().key()));
    }

    private void takeOut(HouseholdRef ref, long cameraId) {
        cameras.remove(ref.id(), cameraId, ref.by());
        access.revokeCamera(ref.id(), cameraId);
        secrets.forgetCamera(ref.id(), cameraId);
    }

    /**
     * Another device takes the place of one. Who may look stays as it was agreed; what they were told of the one before opens nothing.
     *
     * @param swap what goes over, reckoned under the lock
     * @param cardGoesOver whether its card goes into the new one
     */
    void replaced(HouseholdRef ref, Supplier<Replacement> swap, DeviceBeforeRepository.Why why, LocalDate on, boolean cardGoesOver,
            int version) {
        changes.run(ref, stage(ref), () -> {
            Replacement by = swap.get();
            CameraRepository.Record record = cameras.get(ref.id(), by.camera().id());
            endRun(ref, record);
            secrets.forgetCamera(ref.id(), record.id());
            ledger.changed(ref.id(), Secret.Kind.DEVICE, record.id(), "another device hangs there", ref.by());
            settling.over(ref, record, by, new DeviceBeforeRepository.Row(record.id(), record.camera().name(),
                    record.camera().model().key(), record.camera().model().fullName(), record.serial() == null ? "" : record.serial(),
                    record.joinedAt() == null ? null : record.joinedAt().toLocalDate(), on, why, ref.by()), cardGoesOver, version);
            log.add(ref.id(), record.id(), LogRepository.Kind.REPLACED, record.camera().model().fullName()
                    + (record.serial() == null ? "" : ", serial " + record.serial()) + " went out: " + why.words() + ". "
                    + by.camera().model().fullName() + " takes its place; it is to be joined and hung.", on, ref.by());
        });
    }

    /** What was stolen leaves the house; what is left of its footage and who has to change what is kept beside it. @return its number */
    long stolen(HouseholdRef ref, Theft.Taken taken, Theft theft, List<TheftRepository.Footage> footage) {
        return changes.make(ref, stage(ref), () -> {
            List<TheftRepository.Thing> things = new ArrayList<>();
            for (CameraRepository.Record record : cameras.records(ref.id())) {
                if (taken.cameras().contains(record.id())) {
                    things.add(new TheftRepository.Thing(record.camera().name(), record.camera().model().fullName(),
                            record.serial() == null ? "" : record.serial()));
                    endRun(ref, record);
                    takeOut(ref, record.id());
                }
            }
            for (HubRepository.Hub hub : hubs.of(ref.id())) {
                if (taken.hubModels().contains(hub.modelKey())) {
                    things.add(new TheftRepository.Thing(hub.name(), "hub", hub.serial() == null ? "" : hub.serial()));
                    outWithIts(ref, hub);
                }
            }
            if (taken.router()) {
                things.add(new TheftRepository.Thing("Router", "", ""));
            }
            if (taken.recorder()) {
                things.add(new TheftRepository.Thing("Recorder", "", ""));
            }
            if (taken.cameras().size() + taken.hubModels().size() + (taken.router() ? 1 : 0) + (taken.recorder() ? 1 : 0) != things
                    .size()) {
                throw new Conflict("Somebody else took one of these out meanwhile. Choose again.");
            }
            String all = "Stolen: " + things.stream().map(thing -> thing.name() + (thing.serial().isEmpty() ? ""
                    : " (serial " + thing.serial() + ")")).collect(Collectors.joining(", ")) + ".";
            // Of very many the rest stands with the theft itself.
            log.add(ref.id(), null, LogRepository.Kind.NOTE,
                    all.length() <= LONGEST_ENTRY ? all : all.substring(0, LONGEST_ENTRY - 1) + "…",
                    taken.on(), ref.by());
            List<TheftRepository.Change> wanted = new ArrayList<>();
            theft.changes()
                    .forEach(change -> wanted.add(new TheftRepository.Change(wanted.size(), change.who(), change.what(), change.why(),
                            null, null)));
            return thefts.add(ref.id(), taken.on(), things, footage, wanted, ref.by());
        });
    }

    /** Takes the hub out, and with it every camera that joins through it. @return their names */
    List<String> hub(HouseholdRef ref, long hubId, String owner) {
        return changes.make(ref, stage(ref), () -> {
            HubRepository.Hub hub = hubs.get(ref.id(), hubId);
            List<String> names = outWithIts(ref, hub);
            log.add(ref.id(), null, LogRepository.Kind.NOTE, hub.name() + " taken out"
                    + (names.isEmpty() ? "" : ", and with it " + String.join(", ", names)) + ". " + owner + " said so.",
                    LocalDate.now(clock), ref.by());
            return names;
        });
    }

    /** @return names of the cameras that are apart from the house by it */
    private List<String> outWithIts(HouseholdRef ref, HubRepository.Hub hub) {
        List<CameraRepository.Record> with = through(cameras.records(ref.id()), hub);
        rows.openRunOfHub(ref.id(), hub.id()).ifPresent(run -> runs.giveUp(ref, run, hub.modelKey()));
        with.forEach(record -> cameras.markApart(ref.id(), record.id()));
        hubs.remove(ref.id(), hub.id(), ref.by());
        secrets.forgetHub(ref.id(), hub.id());
        return with.stream().map(record -> record.camera().name()).toList();
    }

    /** Cameras that are joined through a hub. */
    static List<CameraRepository.Record> through(List<CameraRepository.Record> cameras, HubRepository.Hub hub) {
        return cameras.stream().filter(record -> record.camera().joined() && record.camera().model().radio().viaHub()
                && hub.modelKey().equals(record.camera().model().hub())).toList();
    }
}
