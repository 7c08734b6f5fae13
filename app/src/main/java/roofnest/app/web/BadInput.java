package roofnest.app.web;

import java.io.Serial;

/** Input that a page of ours would never send, in words fit for whoever sent it. */
public class BadInput extends RuntimeException {
    @Serial
    private static final long serialVersionUID = 1;

    public BadInput(String sentence) {
        super(sentence);
    }
}
