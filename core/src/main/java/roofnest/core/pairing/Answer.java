package roofnest.core.pairing;

import java.util.Optional;

import roofnest.core.catalogue.Cue;

/**
 * Something that may be seen at a step, and where that leads.
 *
 * @param meaning what it tells, in a few words
 * @param cue the light it is seen by, when it is a light
 * @param next id of the step that follows
 * @param failure whether this way of joining has then failed once
 */
public record Answer(String id, String label, String meaning, Optional<Cue> cue, String next, boolean failure) {
    static Answer seen(String id, String label, String meaning, String next) {
        return new Answer(id, label, meaning, Optional.empty(), next, false);
    }

    static Answer light(String id, Cue cue, String meaning, String next) {
        return new Answer(id, cue.words(), meaning, Optional.of(cue), next, false);
    }

    Answer failing() {
        return new Answer(id, label, meaning, cue, next, true);
    }
}
