package roofnest.app.web;

import java.io.Serial;

/** Asked for something that is not there, or is another firm's: both look the same from outside. */
public class NoSuchPage extends RuntimeException {
    @Serial private static final long serialVersionUID = 1;
}
