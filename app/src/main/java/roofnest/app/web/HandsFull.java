package roofnest.app.web;

import java.io.Serial;

/** Too many large files at the same time. */
class HandsFull extends RuntimeException {
    @Serial private static final long serialVersionUID = 1;
}
