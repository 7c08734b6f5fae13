package roofnest.app.ready;

import java.util.List;
import java.util.Optional;

import org.springframework.stereotype.Service;

import roofnest.app.records.Changes;
import roofnest.app.secrets.SecretStore;
import roofnest.app.records.CameraRepository;
import roofnest.app.web.BadInput;
import roofnest.app.web.Form;
import roofnest.app.records.HouseholdRef;
import roofnest.app.web.PhotoCodes;
import roofnest.core.kit.DeviceLabel;
import roofnest.core.promise.Stage;

/** Takes down what the stickers of a job's cameras say, by their code or by hand. Passwords go into the sealed store. */
@Service
class Labels {
    private final CameraRepository cameras;
    private final SecretStore secrets;
    private final Changes changes;

    Labels(CameraRepository cameras, SecretStore secrets, Changes changes) {
        this.cameras = cameras;
        this.secrets = secrets;
        this.changes = changes;
    }

    /** @param easilyMisread whether its ID holds signs that are mistaken for one another */
    record Read(String camera, String serial, boolean passwordSealed, boolean easilyMisread, List<String> unread) {}

    /** A label by its photo. @param cameraId whose it is; empty to find that out from the label */
    Read fromPhoto(HouseholdRef ref, Optional<Long> cameraId, String kept, byte[] photo) {
        DeviceLabel label = PhotoCodes.in(photo).stream().map(DeviceLabel::read).filter(DeviceLabel::saysAnything).findFirst()
                .orElseThrow(() -> new BadInput("The code in the photo holds no serial. Is it the device's own sticker?"));
        return take(ref, cameraId, kept, label);
    }

    /** A label typed off by hand; what is wrong goes to its field and nothing is stored. */
    Optional<Read> byHand(HouseholdRef ref, Optional<Long> cameraId, String kept, Form form) {
        String serial = form.text("serial", "the serial, or choose a photo of the sticker", 40);
        String deviceId = form.optionalText("deviceId", 40);
        String password = form.raw("initialPassword");
        if (password.length() > 64) {
            form.fault("initialPassword", "It has " + password.length() + " characters; at most 64 fit.");
        }
        if (!form.ok()) {
            return Optional.empty();
        }
        return Optional.of(take(ref, cameraId, kept,
                new DeviceLabel(Optional.of(serial), text(deviceId), text(password), Optional.empty(), List.of())));
    }

    private Read take(HouseholdRef ref, Optional<Long> cameraId, String kept, DeviceLabel label) {
        return changes.make(ref, Stage.READY, () -> {
            CameraRepository.Record camera = camera(ref, cameraId, label);
            String serial = label.serial().or(label::deviceId).orElseThrow();
            cameras.otherOfSerial(ref.staff().firmId(), serial, camera.id()).ifPresent(other -> {
                throw new BadInput("Serial " + serial + " is that of " + other
                        + " already. Two devices never share one: look at the sticker again.");
            });
            cameras.keepLabel(ref.id(), camera.id(),
                    new CameraRepository.Label(serial, label.deviceId().orElse(null), kept.isBlank() ? null : kept.strip(), ref.by()));
            label.initialPassword().ifPresent(password -> secrets.sealInitialPassword(ref.id(), camera.id(), password, ref.by()));
            return new Read(camera.camera().name(), serial, label.initialPassword().isPresent(),
                    label.deviceId().filter(DeviceLabel::easilyMisread).isPresent(), label.unread());
        });
    }

    /** The chosen camera if the label fits it; else the first without a label that it fits. */
    private CameraRepository.Record camera(HouseholdRef ref, Optional<Long> cameraId, DeviceLabel label) {
        if (cameraId.isPresent()) {
            CameraRepository.Record chosen = cameras.get(ref.id(), cameraId.get());
            if (!label.fits(chosen.camera().model())) {
                throw new BadInput("This label is of a " + label.model().orElseThrow() + "; " + chosen.camera().name() + " is a "
                        + chosen.camera().model().fullName() + ". Nothing was kept.");
            }
            return chosen;
        }
        return cameras.records(ref.id()).stream().filter(record -> record.serial() == null && label.fits(record.camera().model()))
                .findFirst()
                .orElseThrow(() -> new BadInput("No camera of this job still waits for a label of a "
                        + label.model().orElse("model that it does not name") + ". Choose the camera, if this is a new sticker for one."));
    }

    private static Optional<String> text(String typed) {
        return typed.isBlank() ? Optional.empty() : Optional.of(typed.strip());
    }
}
