package roofnest.app.records;

import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;

import org.springframework.stereotype.Component;

import roofnest.app.models.Models;
import roofnest.core.judge.Camera;
import roofnest.core.power.PackFit;

/** Keeps what the readings of a pack say of it in step with the readings. */
@Component
public class PackBends {
    private final PackReadingRepository readings;
    private final JudgedHouseholds judged;
    private final Models models;
    private final Clock clock;

    PackBends(PackReadingRepository readings, JudgedHouseholds judged, Models models, Clock clock) {
        this.readings = readings;
        this.judged = judged;
        this.models = models;
        this.clock = clock;
    }

    /** Readings of a camera that were made while it was set as it is, of the pack that is in it. */
    public static List<PackFit.Reading> counted(List<PackReadingRepository.Row> all, CameraRepository.Record record) {
        return all.stream().filter(row -> row.cameraId() == record.id() && counts(row, record)).map(PackReadingRepository.Row::reading)
                .toList();
    }

    /** Whether a reading says anything of the pack as it is in the camera and set now. */
    public static boolean counts(PackReadingRepository.Row row, CameraRepository.Record record) {
        return row.mark().equals(record.camera().packMark())
                && (record.packSince() == null || !row.reading().on().isBefore(record.packSince()));
    }

    /** Drawing as its document says, by the light that is chosen, from a pack of its age. */
    public Camera stated(CameraRepository.Record record) {
        Camera camera = record.camera();
        Camera plain = camera.powered(models.get(camera.model().key()).power());
        Camera lit = camera.setup().map(plain::withSetup).orElse(plain);
        return record.packSince() == null ? lit : lit.aged(record.packSince(), LocalDate.now(clock));
    }

    /** By all readings that count; the caller holds the household. */
    public void bend(long householdId, long cameraId) {
        JudgedHousehold now = judged.of(householdId);
        CameraRepository.Record record = now.camera(cameraId);
        Camera stated = stated(record);
        PackFit.Fit fit = now.judge().packFit(now.facts(), stated, counted(readings.of(householdId), record));
        readings.bend(householdId, cameraId, fit.stretches() == 0 ? Optional.empty()
                : Optional.of(new PackReadingRepository.Bent(fit.draw(), fit.sun(), stated.packMark())));
    }
}
