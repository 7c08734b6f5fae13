package roofnest.app.records;

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

    PackBends(PackReadingRepository readings, JudgedHouseholds judged, Models models) {
        this.readings = readings;
        this.judged = judged;
        this.models = models;
    }

    /** Readings of a camera that were made while it was set as it is. */
    public static List<PackFit.Reading> counted(List<PackReadingRepository.Row> all, Camera camera) {
        return all.stream().filter(row -> row.cameraId() == camera.id() && row.mark().equals(camera.packMark()))
                .map(PackReadingRepository.Row::reading).toList();
    }

    /** Drawing as its document says, by the light that is chosen. */
    public Camera stated(CameraRepository.Record record) {
        Camera camera = record.camera();
        Camera plain = camera.powered(models.get(camera.model().key()).power());
        return camera.setup().map(plain::withSetup).orElse(plain);
    }

    /** By all readings that count; the caller holds the household. */
    public void bend(long householdId, long cameraId) {
        JudgedHousehold now = judged.of(householdId);
        Camera stated = stated(now.camera(cameraId));
        PackFit.Fit fit = now.judge().packFit(now.facts(), stated, counted(readings.of(householdId), stated));
        readings.bend(householdId, cameraId, fit.stretches() == 0 ? Optional.empty()
                : Optional.of(new PackReadingRepository.Bent(fit.draw(), fit.sun(), stated.packMark())));
    }
}
