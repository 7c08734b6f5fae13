package roofnest.app.watch;

import java.time.OffsetDateTime;

/** Something that grows and has to be cut back. */
public interface Purged {
    String what();

    /** @return how many were thrown away */
    int purge(OffsetDateTime before);
}
