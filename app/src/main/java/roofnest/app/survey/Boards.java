package roofnest.app.survey;

import java.util.HashSet;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Supplier;

import org.springframework.stereotype.Component;

import roofnest.app.records.CameraRepository;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.JudgedHousehold;
import roofnest.app.records.JudgedHouseholds;
import roofnest.app.watch.Metrics;
import roofnest.app.web.BadInput;
import roofnest.core.judge.Camera;
import roofnest.core.judge.House;
import roofnest.core.judge.HouseholdFacts;
import roofnest.core.judge.Judgement;
import roofnest.core.view.CameraPose;
import roofnest.core.view.MaskCell;

/** Boards as they are looked at: with the chosen camera where it is stored, or judged as if it were held somewhere else. */
@Component
class Boards {
    private final JudgedHouseholds households;
    private final Contouring contouring;
    private final Metrics metrics;

    Boards(JudgedHouseholds households, Contouring contouring, Metrics metrics) {
        this.households = households;
        this.contouring = contouring;
        this.metrics = metrics;
    }

    /** Judges a pose that is only tried. */
    LiveView tried(HouseholdRef ref, long cameraId, CameraPose pose, Look look) {
        JudgedHousehold now = planned(households.of(ref.id()));
        CameraRepository.Record stored = now.camera(cameraId);
        // The board turns and tilts a camera; how it is rolled it leaves as it is planned.
        Camera held = stored.camera().withPose(pose.turned(pose.headingDeg(), pose.tiltDeg(), stored.planned().rollDeg()));
        HouseholdFacts facts = now.facts().withCamera(held);
        // What it sees and what becomes of the promises are as dear as one another, and neither waits for the other.
        Supplier<LiveView.Sights> sights = sights(now, facts, held, look);
        Judgement judgement = metrics.judging(() -> now.judge().again(facts));
        return LiveView.of(facts, now.judge(), judgement, held, sights.get(), stored.version(), look, false, contouring);
    }

    /** A pose as the page sends it: y counts downwards there. */
    record Tried(Double x, Double y, Double heightM, Double headingDeg, Double tiltDeg, Integer version, String token,
            Map<String, String> look) {
        CameraPose pose() {
            if (x == null || y == null || heightM == null || headingDeg == null || tiltDeg == null || version == null) {
                throw new BadInput("A pose needs x, y, height, heading, tilt and the version it was opened at.");
            }
            try {
                return new CameraPose(x, -y, heightM, headingDeg, tiltDeg);
            } catch (IllegalArgumentException e) {
                throw BadInput.of(e);
            }
        }

        Look asked() {
            return Look.of(look == null ? Map.of() : look);
        }
    }

    /** The board of a camera as it is stored. */
    LiveView stored(HouseholdRef ref, long cameraId, Look look) {
        return stored(households.of(ref.id()), cameraId, look);
    }

    private LiveView stored(JudgedHousehold household, long cameraId, Look look) {
        JudgedHousehold now = planned(household);
        CameraRepository.Record stored = now.camera(cameraId);
        return LiveView.of(now.facts(), now.judge(), now.judgement(), stored.camera(),
                sights(now, now.facts(), stored.camera(), look).get(),
                stored.version(),
                look, true, contouring);
    }

    private static Supplier<LiveView.Sights> sights(JudgedHousehold now, HouseholdFacts facts, Camera camera, Look look) {
        House house = now.judge().house().orElseThrow();
        return LiveView.Sights.of(house, facts, camera, look.night());
    }

    /** The stored mask and the cells that still show what must not be shown. */
    Set<MaskCell> masked(JudgedHousehold household, Camera camera) {
        Set<MaskCell> cells = new HashSet<>(camera.masked());
        cells.addAll(household.judge().cellsShowing(household.facts(), camera));
        return cells;
    }

    /** The camera asked for, else the first; empty without a plan or a camera. */
    Optional<LiveView> shown(JudgedHousehold household, Long cameraId, Look look) {
        if (household.facts().plan().isEmpty() || household.cameras().isEmpty()) {
            return Optional.empty();
        }
        return Optional.of(stored(household, cameraId == null ? household.cameras().get(0).id() : cameraId, look));
    }

    private static JudgedHousehold planned(JudgedHousehold household) {
        if (household.facts().plan().isEmpty()) {
            throw new BadInput("The house has no plan yet.");
        }
        return household;
    }
}
