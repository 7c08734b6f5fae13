package roofnest.core.promise;

import java.util.Locale;

/** How a promise stands. */
public enum Standing {
    /** The limit is met with at least the stated tolerance to spare. */
    KEPT,
    /** The limit is met, but by less than the tolerance. */
    THIN,
    /** The limit is missed. */
    BROKEN,
    /** Nothing has been computed, read or proved yet. */
    UNTRIED;

    /** The word shown beside the egg. */
    public String word() {
        return this == UNTRIED ? "not tried" : name().toLowerCase(Locale.ROOT);
    }
}
