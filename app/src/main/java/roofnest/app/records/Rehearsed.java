package roofnest.app.records;

/** Rows of what was tried on stand-ins in a household. They count for nothing on the real devices. */
public interface Rehearsed {
    /** Rehearsals leave nothing behind once they are cleared. @return how many there were */
    int clearRehearsed(long householdId);
}
