package roofnest.app.ready;

import java.time.LocalTime;
import java.util.List;

import org.springframework.stereotype.Service;

import roofnest.app.records.PriceBook;
import roofnest.app.household.Frame;
import roofnest.app.secrets.SecretStore;
import roofnest.app.records.HouseholdRef;
import roofnest.core.kit.KitList;

/** Puts a job's kit, its check and the firm's prices together. */
@Service
public class Kits {
    private static final Hours.Asked ONE_INSTALLER = new Hours.Asked(1, 1, 1000, LocalTime.of(8, 0));

    private final KitChecks checks;
    private final PriceBook prices;
    private final Hours hours;
    private final SecretStore secrets;

    Kits(KitChecks checks, PriceBook prices, Hours hours, SecretStore secrets) {
        this.checks = checks;
        this.prices = prices;
        this.hours = hours;
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

    public KitView view(HouseholdRef ref, Frame frame) {
        List<KitList.Line> kit = KitView.kit(frame);
        int minutes = kit.isEmpty() ? 0 : hours.plan(frame, ONE_INSTALLER).shortest().finishMinutes();
        long firm = ref.staff().firmId();
        return KitView.of(kit, checks.of(ref.id()), prices.prices(firm), prices.money(firm), minutes);
    }
}
