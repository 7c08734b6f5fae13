package roofnest.app.secrets;

/** Rows of a table that hold something sealed; whoever writes the table seals them anew. */
public interface SealedRows {
    /** What they are, in the plural. */
    String what();

    /**
     * Seals each row that opens once more, with the key that is the newest now.
     *
     * @return how many were sealed anew
     */
    int sealAnew();
}
