package roofnest.app.web;

import java.io.Serial;

/** Somebody else saved the same thing since it was opened here. */
public class StaleEdit extends Conflict {
    @Serial private static final long serialVersionUID = 1;

    private final int currentVersion;

    /** @param sentence what the other person did */
    public StaleEdit(String sentence, int currentVersion) {
        super(sentence);
        this.currentVersion = currentVersion;
    }

    public StaleEdit(String what, int openedVersion, int currentVersion) {
        this(what + " was changed by somebody else since you opened it (edit " + openedVersion + ", now " + currentVersion + ").",
                currentVersion);
    }

    public int currentVersion() {
        return currentVersion;
    }
}
