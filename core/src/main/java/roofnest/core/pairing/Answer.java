package roofnest.core.pairing;

import java.util.Optional;

import roofnest.core.catalogue.Cue;
import roofnest.core.catalogue.DeviceState;
import roofnest.core.catalogue.Sight;

/**
 * Something that may be seen at a step, and where that leads.
 *
 * @param meaning what it tells, in a few words
 * @param cue the light it is seen by, when it is a light
 * @param state that the light tells of
 * @param sight what is seen otherwise
 * @param next id of the step that follows
 * @param failure whether this way of joining has then failed once
 */
public record Answer(String id, String label, String meaning, Optional<Cue> cue, Optional<DeviceState> state, Optional<Sight> sight,
        String next, boolean failure) {
    static Answer seen(String id, String label, String meaning, Sight sight, String next) {
        return new Answer(id, label, meaning, Optional.empty(), Optional.empty(), Optional.of(sight), next, false);
    }

    static Answer light(String id, Cue cue, DeviceState state, String next) {
        return new Answer(id, cue.words(), state.words(), Optional.of(cue), Optional.of(state), Optional.empty(), next, false);
    }

    Answer failing() {
        return new Answer(id, label, meaning, cue, state, sight, next, true);
    }
}
