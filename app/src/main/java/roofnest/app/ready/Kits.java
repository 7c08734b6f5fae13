package roofnest.app.ready;

import java.time.LocalTime;
import java.util.List;

import org.springframework.stereotype.Service;

import roofnest.app.records.PriceBook;
import roofnest.app.household.Frame;
import roofnest.app.secrets.SecretStore;
import roofnest.app.records.HouseholdRef;
import roofnest.core.kit.KitList;

/** Puts a job's kit, its check and its stickers together. */
@Service
public class Kits {
    private final KitChecks checks;
    private final SecretStore secrets;

    Kits(KitChecks checks, SecretStore secrets) {
        this.checks = checks;
        this.secrets = secrets;
    }

    /** One camera's sticker as written down. @param passwordSealed whether the password on it is in the sealed store */
    public record LabelLine(long cameraId, String camera, String model, String stickerPlace, String serial, String deviceId, String kept,
            boolean passwordSealed) {}

    public List<LabelLine> labels(Frame frame) {
        List<Long> sealed = secrets.withInitialPassword(frame.ref().id());
        return frame.cameras().stream().map(record -> new LabelLine(record.id(), record.camera().name(), record.camera().model().fullName(),
                record.camera().model().setUp().stickerPlace(), record.serial(), record.deviceId(), record.stickerKept(),
                sealed.contains(record.id()))).toList();
    }

    KitView view(HouseholdRef ref, Frame frame) {
        return KitView.of(kit(frame), checks.of(ref.id()));
    }

    /** What the job of a house needs. */
    public static List<KitList.Line> kit(Frame frame) {
        return KitView.kit(frame);
    }
}
