package roofnest.core.judge;

import java.time.LocalDate;
import java.util.Optional;

/**
 * Something that somebody wrote into the log, after which what was tested before does not count any more.
 *
 * @param about number of the camera, or of the person whose phone it is; empty for the whole house
 */
public record Happened(Kind kind, Optional<Long> about, LocalDate on) {
    public enum Kind {
        /** A camera was set up anew. */
        RESET,
        /** Another device hangs in a camera's place. */
        REPLACED,
        /** A camera was moved or turned. */
        MOVED,
        /** A camera has another card. */
        CARD,
        /** Router, provider or Wi-Fi password were changed. */
        ROUTER,
        /** Somebody has a new phone. */
        PHONE
    }

    public Happened {
        if (about.isEmpty() != (kind == Kind.ROUTER)) {
            throw new IllegalArgumentException("a changed router is of the whole house, and everything else of a camera or of somebody");
        }
    }
}
