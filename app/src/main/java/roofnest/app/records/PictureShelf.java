package roofnest.app.records;

import java.util.List;
import java.util.Map;

/** Where pictures of a household are kept, so that they can be carried out and in with it. */
public interface PictureShelf {
    /** Names it in a document. */
    String shelf();

    List<Picture> pictures(long householdId);

    /**
     * Puts back one that {@link #pictures} gave, into another household.
     *
     * @throws IllegalArgumentException when it is none of this shelf's
     */
    void put(long householdId, Picture picture);

    /** @param about what is known of it besides, in words of the document */
    record Picture(Map<String, String> about, byte[] bytes) {}
}
