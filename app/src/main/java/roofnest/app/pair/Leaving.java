package roofnest.app.pair;

import java.time.Clock;
import java.time.LocalDate;
import java.util.List;

import org.springframework.stereotype.Service;

import roofnest.app.records.AccessRepository;
import roofnest.app.records.CameraRepository;
import roofnest.app.records.Changes;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.HubRepository;
import roofnest.app.records.LogRepository;
import roofnest.app.secrets.SecretStore;
import roofnest.core.pairing.Removal;
import roofnest.core.promise.Stage;

/** Takes devices out of a house. What was said of them is kept in the log; their passwords are not. */
@Service
class Leaving {
    private final Changes changes;
    private final CameraRepository cameras;
    private final HubRepository hubs;
    private final AccessRepository access;
    private final SecretStore secrets;
    private final LogRepository log;
    private final RunRepository rows;
    private final Runs runs;
    private final Clock clock;

    Leaving(Changes changes, CameraRepository cameras, HubRepository hubs, AccessRepository access, SecretStore secrets, LogRepository log,
            RunRepository rows, Runs runs, Clock clock) {
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

    /** @param owner who of the household said so */
    void camera(HouseholdRef ref, long cameraId, Removal.To to, Removal.Card card, String owner) {
        changes.run(ref, Stage.PAIR, () -> {
            CameraRepository.Record record = cameras.get(ref.id(), cameraId);
            String modelKey = record.camera().model().key();
            rows.openRunOf(ref.id(), cameraId).ifPresent(run -> runs.giveUp(ref, run, modelKey));
            log.add(ref.id(), cameraId, LogRepository.Kind.NOTE, record.camera().name() + " (" + record.camera().model().fullName()
                    + (record.serial() == null ? "" : ", serial " + record.serial()) + ") taken out: " + to.words()
                    + ". Out of the account; card " + card.words() + "; " + owner + " said so.", LocalDate.now(clock), ref.by());
            cameras.remove(ref.id(), cameraId, ref.by());
            access.revokeCamera(ref.id(), cameraId);
            secrets.forgetCamera(ref.id(), cameraId);
        });
    }

    /** Takes the hub out, and with it every camera that joins through it. @return their names */
    List<String> hub(HouseholdRef ref, long hubId, String owner) {
        return changes.make(ref, Stage.PAIR, () -> {
            HubRepository.Hub hub = hubs.get(ref.id(), hubId);
            List<CameraRepository.Record> with = through(cameras.records(ref.id()), hub);
            List<String> names = with.stream().map(record -> record.camera().name()).toList();
            rows.openRunOfHub(ref.id(), hubId).ifPresent(run -> runs.giveUp(ref, run, hub.modelKey()));
            with.forEach(record -> cameras.markApart(ref.id(), record.id()));
            log.add(ref.id(), null, LogRepository.Kind.NOTE, hub.name() + " taken out"
                    + (names.isEmpty() ? "" : ", and with it " + String.join(", ", names)) + ". " + owner + " said so.",
                    LocalDate.now(clock), ref.by());
            hubs.remove(ref.id(), hubId, ref.by());
            secrets.forgetHub(ref.id(), hubId);
            return names;
        });
    }

    /** Cameras that are joined through a hub. */
    static List<CameraRepository.Record> through(List<CameraRepository.Record> cameras, HubRepository.Hub hub) {
        return cameras.stream().filter(record -> record.camera().joined() && record.camera().model().radio().viaHub()
                && hub.modelKey().equals(record.camera().model().hub())).toList();
    }
}
