package roofnest.app.records;

import java.util.List;

import roofnest.app.web.BadInput;
import roofnest.app.web.NoSuchPage;

/** Records of one kind that are taken out without being lost. Runs inside a change, as everything that writes does. */
public interface Archive {
    TakenOut.Kind kind();

    /** Newest first. */
    List<TakenOut> takenOut(long householdId);

    /**
     * Puts it where it was.
     *
     * @throws NoSuchPage when it is not among what was taken out
     * @throws BadInput when its place has been taken meanwhile
     */
    void bringBack(long householdId, long id);
}
