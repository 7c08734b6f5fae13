package roofnest.app.survey;

import java.time.Clock;
import java.time.LocalDate;
import java.util.Collections;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

import org.springframework.stereotype.Component;

import roofnest.app.household.FactsLoader;
import roofnest.app.household.HouseholdRepository;
import roofnest.app.household.Judges;
import roofnest.app.web.BadInput;
import roofnest.app.web.HouseholdRef;
import roofnest.app.web.NoSuchPage;
import roofnest.core.judge.Camera;
import roofnest.core.judge.HouseholdFacts;
import roofnest.core.view.CameraPose;
import roofnest.core.view.MaskCell;

/** Boards as they are looked at: judged with the chosen camera where it is stored, or held somewhere else. */
@Component
class Boards {
    private static final int HELD = 32;

    private final FactsLoader loader;
    private final HouseholdRepository households;
    private final CameraRepository cameras;
    private final Judges judges;
    private final Contouring contouring;
    private final Clock clock;
    private final Map<Long, Held> held = Collections.synchronizedMap(new LinkedHashMap<>(HELD, 0.75f, true) {
        @Override
        protected boolean removeEldestEntry(Map.Entry<Long, Held> eldest) {
            return size() > HELD;
        }
    });

    Boards(
            FactsLoader loader, HouseholdRepository households, CameraRepository cameras, Judges judges, Contouring contouring,
            Clock clock) {
        this.loader = loader;
        this.households = households;
        this.cameras = cameras;
        this.judges = judges;
        this.contouring = contouring;
        this.clock = clock;
    }

    /** A household as it was read when it had seen {@code changes} changes. */
    private record Held(long changes, LocalDate today, HouseholdFacts facts, List<CameraRepository.Record> cameras) {}

    /** Judges a pose that is only tried, on facts that are read anew when the household has changed. */
    LiveView tried(HouseholdRef ref, long cameraId, CameraPose pose, Look look) {
        long changes = households.changes(ref.id());
        Held now = held.get(ref.id());
        if (now == null || now.changes() != changes || !now.today().equals(LocalDate.now(clock))) {
            now = new Held(changes, LocalDate.now(clock), loader.load(ref.id()), cameras.records(ref.id()));
            held.put(ref.id(), now);
        }
        CameraRepository.Record stored
                = now.cameras().stream().filter(record -> record.id() == cameraId).findFirst().orElseThrow(NoSuchPage::new);
        return live(now.facts(), stored.camera().withPose(pose), stored.version(), look, false);
    }

    /** A pose as the page sends it: y counts downwards there. */
    record Tried(Double x, Double y, Double heightM, Double headingDeg, Double tiltDeg, Integer version, Map<String, String> look) {
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

    HouseholdFacts facts(HouseholdRef ref) {
        return loader.load(ref.id());
    }

    LiveView stored(HouseholdFacts facts, CameraRepository.Record stored, Look look) {
        return live(facts, stored.camera(), stored.version(), look, true);
    }

    /** The stored mask and the cells that still show what must not be shown. */
    Set<MaskCell> masked(HouseholdFacts facts, CameraRepository.Record stored) {
        Set<MaskCell> cells = new HashSet<>(stored.camera().masked());
        cells.addAll(judges.of(facts).cellsShowing(facts, stored.camera()));
        return cells;
    }

    /** The camera asked for, else the first; empty without a plan or a camera. */
    Optional<LiveView> shown(HouseholdRef ref, HouseholdFacts facts, Long cameraId, Look look) {
        if (facts.plan().isEmpty() || facts.cameras().isEmpty()) {
            return Optional.empty();
        }
        long id = cameraId == null ? facts.cameras().get(0).id() : cameraId;
        return Optional.of(stored(facts, cameras.get(ref.id(), id), look));
    }

    private LiveView live(HouseholdFacts facts, Camera camera, int version, Look look, boolean settled) {
        if (facts.plan().isEmpty()) {
            throw new BadInput("The house has no plan yet.");
        }
        return LiveView.of(facts.withCamera(camera), judges.of(facts), camera, version, look, settled, contouring);
    }
}
