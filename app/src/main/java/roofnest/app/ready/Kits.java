package roofnest.app.ready;

import java.time.LocalTime;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;

import org.springframework.stereotype.Service;

import roofnest.app.records.PriceBook;
import roofnest.app.household.Frame;
import roofnest.app.secrets.SecretStore;
import roofnest.app.records.ComingRepository;
import roofnest.app.records.FaultCaseRepository;
import roofnest.app.records.HouseholdRef;
import roofnest.core.care.Coming;
import roofnest.core.kit.KitList;

/** Puts a job's kit, its check and its stickers together. */
@Service
public class Kits {
    private final KitChecks checks;
    /** What comes up within so many days is in the van too. */
    private static final int CARE_DAYS = 42;

    private final SecretStore secrets;
    private final FaultCaseRepository cases;
    private final ComingRepository coming;

    Kits(KitChecks checks, SecretStore secrets, FaultCaseRepository cases, ComingRepository coming) {
        this.cases = cases;
        this.coming = coming;
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
        return KitView.of(all(frame), checks.of(ref.id()));
    }

    /** What the job needs, and what calls and care want besides. */
    List<KitList.Line> all(Frame frame) {
        Map<String, Set<String>> wanted = new LinkedHashMap<>();
        Map<String, Integer> pieces = new HashMap<>();
        long house = frame.ref().id();
        cases.of(house).stream().filter(each -> each.state() == FaultCaseRepository.State.VISIT).forEach(each -> each.visitParts().forEach(
                part -> want(wanted, pieces, part,
                        "for the call about " + frame.judged().find(each.cameraId()).map(record -> record.camera()
                                .name()).orElse("a camera that is gone"))));
        coming.ofHousehold(house).stream().filter(each -> each.kind() != Coming.Kind.REPAIR && !each.on().isAfter(frame.facts().today()
                .plusDays(CARE_DAYS))).forEach(each -> each.work().ifPresent(work -> work.bring().forEach(
                        thing -> want(wanted, pieces,
                                thing, each.what()))));
        return Stream.concat(kit(frame).stream(), wanted.entrySet().stream().map(each -> new KitList.Line("care " + each.getKey(),
                KitList.Group.CARE, Character.toUpperCase(each.getKey().charAt(0)) + each.getKey().substring(1), pieces.get(each.getKey()),
                String.join("; ", each.getValue()), false))).toList();
    }

    private static void want(Map<String, Set<String>> wanted, Map<String, Integer> pieces, String thing, String why) {
        wanted.computeIfAbsent(thing, any -> new LinkedHashSet<>()).add(why);
        pieces.merge(thing, 1, Integer::sum);
    }

    /** What the job of a house needs. */
    public static List<KitList.Line> kit(Frame frame) {
        return KitView.kit(frame);
    }
}
