package roofnest.core.document;

/**
 * One thing wrong with a document.
 *
 * @param pointer where, as a JSON pointer (RFC 6901); empty for the whole document
 * @param sentence what is wrong and what would be right, for the person who wrote it
 */
public record DocumentFault(String pointer, String sentence) {
    @Override
    public String toString() {
        return pointer.isEmpty() ? sentence : pointer + ": " + sentence;
    }
}
