package roofnest.app.web;

import java.io.Serial;

/** Input that a page of ours would never send, in words fit for whoever sent it. */
public class BadInput extends RuntimeException {
    @Serial private static final long serialVersionUID = 1;

    public BadInput(String sentence) {
        super(sentence);
    }

    /** What a value's own check found wrong, as a sentence. */
    public static BadInput of(IllegalArgumentException refused) {
        String said = String.valueOf(refused.getMessage());
        return new BadInput(Character.toUpperCase(said.charAt(0)) + said.substring(1) + ".");
    }
}
