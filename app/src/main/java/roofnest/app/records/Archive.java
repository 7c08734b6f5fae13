package roofnest.app.records;

import java.util.List;

import roofnest.app.web.BadInput;
import roofnest.app.web.NoSuchPage;

/** Records of one kind that are taken out without being lost. Runs inside a change, as everything that writes does. */
public interface Archive {
    /** The rows themselves. */
    ArchivedRows archived();

    default TakenOut.Kind kind() {
        return archived().kind();
    }

    /** Newest first. */
    default List<TakenOut> takenOut(long householdId) {
        return archived().takenOut(householdId);
    }

    /**
     * Puts it where it was.
     *
     * @throws NoSuchPage when it is not among what was taken out
     * @throws BadInput when its place has been taken meanwhile
     */
    default void bringBack(long householdId, long id) {
        archived().bringBack(householdId, id);
    }
}
