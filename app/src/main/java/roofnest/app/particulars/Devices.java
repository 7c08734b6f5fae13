package roofnest.app.particulars;

import java.util.List;

import org.springframework.stereotype.Service;

import roofnest.app.records.AccessRepository;
import roofnest.app.records.CameraRepository;
import roofnest.app.records.Changes;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.HubRepository;
import roofnest.app.web.BadInput;
import roofnest.app.web.Form;
import roofnest.core.pairing.CameraName;
import roofnest.core.promise.Stage;

/** Corrects what is written down of cameras and hubs, and takes out those that were only ever planned. */
@Service
class Devices {
    private final Changes changes;
    private final CameraRepository cameras;
    private final HubRepository hubs;
    private final AccessRepository access;

    Devices(Changes changes, CameraRepository cameras, HubRepository hubs, AccessRepository access) {
        this.changes = changes;
        this.cameras = cameras;
        this.hubs = hubs;
        this.access = access;
    }

    List<CameraRepository.Record> cameras(long householdId) {
        return cameras.records(householdId);
    }

    List<HubRepository.Hub> hubs(long householdId) {
        return hubs.of(householdId);
    }

    boolean correctCamera(HouseholdRef ref, long id, Form form) {
        Written written = read(form);
        int version = form.version();
        return form.save(() -> changes.run(ref, Stage.BRIEF, () -> {
            CameraName.fault(written.name(), cameras.namesOfOthers(ref.id(), id)).ifPresent(sentence -> form.fault("deviceName", sentence));
            if (!written.serial().isEmpty()) {
                cameras.otherOfSerial(ref.staff().firmId(), written.serial(), id).ifPresent(other -> form.fault("serial",
                        "This serial is that of " + other + " already. Two devices never share one."));
            }
            if (form.ok()) {
                cameras.correct(ref.id(), id, written.name(), written.serial(), written.kept(), written.room(), version);
            }
        }));
    }

    boolean correctHub(HouseholdRef ref, long id, Form form) {
        Written written = read(form);
        return form.save(() -> changes.run(ref, Stage.BRIEF, () -> {
            hubs.get(ref.id(), id);
            hubs.keepSticker(ref.id(), id, written.serial().isEmpty() ? null : written.serial(),
                    written.kept().isEmpty() ? null : written.kept());
            hubs.rename(ref.id(), id, written.name(), written.room());
        }));
    }

    /** Takes a camera off the plan that never joined: it has no account to leave. @return its name */
    String takeOut(HouseholdRef ref, long id) {
        return changes.make(ref, Stage.BRIEF, () -> {
            CameraRepository.Record record = cameras.get(ref.id(), id);
            if (record.camera().joined()) {
                throw new BadInput(record.camera().name() + " has joined. Take it out at Pair, where it leaves its account first.");
            }
            access.revokeCamera(ref.id(), id);
            cameras.remove(ref.id(), id, ref.by());
            return record.camera().name();
        });
    }

    private record Written(String name, String serial, String kept, String room) {}

    private static Written read(Form form) {
        return new Written(form.text("deviceName", "a name", 24), form.optionalText("serial", 40), form.optionalText("stickerKept", 120),
                form.optionalText("room", 40));
    }
}
