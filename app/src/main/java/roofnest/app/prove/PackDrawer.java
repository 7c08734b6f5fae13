package roofnest.app.prove;

import java.util.List;

import roofnest.app.household.Frame;

/** Draws the hand-over pack as the household stands. */
public interface PackDrawer {
    /** Stands in the document where its hash is printed: a hash cannot be part of what it is taken of. */
    String HASH_HERE = "hash-of-this-document";

    /** Everything that the pack says, a line each, without its date and its signature. */
    List<String> says(Frame frame, List<RemarkRepository.Remark> remarks);

    /** The whole document, in XHTML. @param number of the issue that it becomes; 0 for a draft */
    String draw(Frame frame, List<RemarkRepository.Remark> remarks, int number);
}
