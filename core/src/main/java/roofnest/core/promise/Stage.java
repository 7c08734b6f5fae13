package roofnest.core.promise;

import java.util.Locale;

/** The stages of a household, in the order the work is done. */
public enum Stage {
    BRIEF, SURVEY, READY, PAIR, MOUNT, TUNE, SHARE, PROVE, CARE;

    public String title() {
        return name().charAt(0) + slug().substring(1);
    }

    /** The stage as it stands in an address: {@code survey}. */
    public String slug() {
        return name().toLowerCase(Locale.ROOT);
    }

    /** Counted from one, as the keyboard does. */
    public int number() {
        return ordinal() + 1;
    }
}
