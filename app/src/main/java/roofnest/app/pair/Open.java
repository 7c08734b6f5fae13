package roofnest.app.pair;

import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;

import roofnest.app.records.CameraRepository;
import roofnest.core.catalogue.Joinable;
import roofnest.core.pairing.RunEvent;
import roofnest.core.pairing.RunState;
import roofnest.core.pairing.Script;
import roofnest.core.pairing.Step;
import roofnest.standins.Bench;

/**
 * A run as it stands, of a device of a house or of a part of a rehearsal.
 *
 * @param camera empty for a hub and in a rehearsal
 * @param acts on its bench, with their moments
 * @param speed virtual seconds of its bench to a real one
 */
record Open(
        RunRepository.Run run, String deviceName, Joinable device, Optional<CameraRepository.Record> camera, Script script, RunState state,
        List<RunEvent> events, Optional<Bench> bench, RunRepository.Acts acts, int speed) {
    Step step() {
        return state.step();
    }

    /** The same run as if it stood at another step. */
    Open at(Step step) {
        return new Open(run, deviceName, device, camera, script,
                new RunState(step, state.failures(), state.stepsDone(), state.since(), false),
                events, bench, acts, speed);
    }

    /** What its bench's clock shows. */
    long clockMs(OffsetDateTime now) {
        return acts.clockMs(now, speed);
    }
}
