package roofnest.app.carry;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Map;
import java.util.Set;

import javax.imageio.ImageIO;

import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

import roofnest.app.AppTest;
import roofnest.app.DemoPlaces;
import roofnest.app.records.CameraRepository;
import roofnest.app.records.CasePhotoRepository;
import roofnest.app.records.Changes;
import roofnest.app.records.ContractRepository;
import roofnest.app.records.DeviceBeforeRepository;
import roofnest.app.records.FaultCaseRepository;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.HouseholdRepository;
import roofnest.app.records.LogPhotoRepository;
import roofnest.app.records.LogRepository;
import roofnest.app.records.TheftRepository;
import roofnest.core.care.CareContract;
import roofnest.core.judge.Camera;
import roofnest.core.promise.Stage;
import roofnest.core.view.CameraPose;

/** What happened to the devices of a house, its contract, and photos of calls and entries go along into another firm. */
@AppTest
class CarriedLifeTest {
    private static final OffsetDateTime AT = OffsetDateTime.of(2026, 5, 6, 7, 8, 9, 0, ZoneOffset.UTC);

    @Autowired private Changes changes;
    @Autowired private HouseholdRepository households;
    @Autowired private CameraRepository cameras;
    @Autowired private FaultCaseRepository cases;
    @Autowired private CasePhotoRepository casePhotos;
    @Autowired private LogRepository log;
    @Autowired private LogPhotoRepository logPhotos;
    @Autowired private DeviceBeforeRepository before;
    @Autowired private TheftRepository thefts;
    @Autowired private ContractRepository contracts;
    @Autowired private CarryOut out;
    @Autowired private CarryIn in;
    @Autowired private DemoPlaces demo;

    @Test
    void it_is_there_as_it_was_here() throws Exception {
        HouseholdRef ref = new HouseholdRef(households.add(demo.staff("tamsin").firmId(), "Lived", "9 Staithe", LocalDate.now().plusDays(2),
                ""), demo.staff("tamsin"));
        changes.run(ref, Stage.PAIR, () -> {
            long eye = cameras.add(ref.id(), "Eye", "vellin-dome", new CameraPose(1, 1, 2.4, 0, 5), Camera.Settings.DEFAULT);
            for (int day = 1; day <= 2; day++) {
                before.add(ref.id(), new DeviceBeforeRepository.Row(eye, "", "dunmark-post", "Dunmark Post", day == 1 ? "" : "DM-2",
                        day == 1 ? null : LocalDate.of(2025, 1, 1), LocalDate.of(2026, 3, day), DeviceBeforeRepository.Why.BROKEN, "Wynn"));
            }
            thefts.put(ref.id(),
                    new TheftRepository.Row(0, LocalDate.of(2026, 4, 4), List.of(new TheftRepository.Thing("Gate", "Dunmark Post",
                            "DM-9")), List.of(new TheftRepository.Footage("Eye", "Nothing is left.")),
                            List.of(new TheftRepository.Change(0, "Ida",
                                    "Change it.", "It is known.", "Wynn", AT),
                                    new TheftRepository.Change(1, "Ida", "Tell them.", "Seen.", null,
                                            null)),
                            "Wynn", AT));
            contracts.say(ref.id(), new ContractRepository.Row(new CareContract(LocalDate.of(2026, 1, 31), 12, true, 24_000, Set.of(
                    CareContract.Covers.CALLS, CareContract.Covers.VISITS), 2), "Wynn", 0));
            long call = cases.open(ref.id(), eye, "dark", "vellin-dome", FaultCaseRepository.Season.AUTUMN, "Wynn");
            contracts.sayWork(ref.id(), call, new ContractRepository.Work(LocalDate.of(2026, 6, 1), 10, 1, 45, 900, 1, "Wynn", 0));
            casePhotos.add(ref.id(), call, jpeg(), "the household");
            long entry = log.add(ref.id(),
                    new LogRepository.Said(eye, LogRepository.Kind.NOTE, "w".repeat(200), LocalDate.of(2026, 6, 2), null),
                    "Wynn");
            logPhotos.add(ref.id(), entry, jpeg(), "Wynn");
        });
        CarryIn.Taken taken = in.take(demo.staff("petra"), out.zip(ref));
        HouseholdFile here = out.file(ref.id(), List.of());
        HouseholdFile there = out.file(taken.ref().id(), List.of());
        assertThat(there.life()).usingRecursiveComparison().ignoringFields("before.camera").isEqualTo(here.life());
        assertThat(there.life().before()).hasSize(2).allSatisfy(row -> assertThat(row.camera()).isEqualTo(there.cameras().get(0).ref()));
        assertThat(there.calls()).usingRecursiveFieldByFieldElementComparatorIgnoringFields("camera").isEqualTo(here.calls());
        assertThat(there.calls().get(0).work().coveredVisits()).isEqualTo(1);
        long call = cases.of(taken.ref().id()).get(0).id();
        assertThat(casePhotos.of(taken.ref().id(), call)).singleElement().satisfies(photo -> assertThat(photo.by()).isEqualTo(
                "the household"));
        Map<Long, List<LogPhotoRepository.Photo>> photos = logPhotos.of(taken.ref().id());
        assertThat(photos).containsOnlyKeys(log.of(taken.ref().id()).stream().filter(entry -> entry.words().startsWith("www")).findFirst()
                .orElseThrow().id());
        changes.run(taken.ref(), Stage.PAIR,
                () -> cases.of(taken.ref().id()).forEach(each -> demo.jdbc().sql("delete from fault_case where "
                        + "id = :id").param("id", each.id()).update()));
    }

    /** A device that hung in the place of a camera that was taken out is not carried, and the rest is. */
    @Test
    void what_hung_in_the_place_of_a_camera_that_is_gone_stays_here() throws Exception {
        HouseholdRef ref = new HouseholdRef(households.add(demo.staff("tamsin").firmId(), "Left", "10 Staithe", LocalDate.now().plusDays(2),
                ""), demo.staff("tamsin"));
        changes.run(ref, Stage.PAIR, () -> {
            long eye = cameras.add(ref.id(), "Eye", "vellin-dome", new CameraPose(1, 1, 2.4, 0, 5), Camera.Settings.DEFAULT);
            before.add(ref.id(), new DeviceBeforeRepository.Row(eye, "", "dunmark-post", "Dunmark Post", "", null, LocalDate.of(2026, 3, 1),
                    DeviceBeforeRepository.Why.STOLEN, "Wynn"));
            cameras.remove(ref.id(), eye, "Wynn");
        });
        assertThat(out.file(ref.id(), List.of()).life()).isNull();
        assertThat(in.take(demo.staff("petra"), out.zip(ref)).ref().id()).isPositive();
    }

    private static byte[] jpeg() {
        try {
            ByteArrayOutputStream bytes = new ByteArrayOutputStream();
            ImageIO.write(new BufferedImage(64, 48, BufferedImage.TYPE_INT_RGB), "jpeg", bytes);
            return bytes.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
