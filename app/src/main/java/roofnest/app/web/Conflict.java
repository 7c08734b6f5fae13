package roofnest.app.web;

import java.io.Serial;

/** Somebody else did something meanwhile that this would undo, repeat or contradict. Nothing was changed. */
public class Conflict extends RuntimeException {
    @Serial private static final long serialVersionUID = 1;

    /** @param sentence what the other person did */
    public Conflict(String sentence) {
        super(sentence);
    }
}
