package roofnest.app.records;

import java.time.OffsetDateTime;

/**
 * Something of a household that was taken out and is kept, so that it can be brought back.
 *
 * @param what it is, in words
 */
public record TakenOut(Kind kind, long id, String what, OffsetDateTime at, String by) {
    /** What is taken out without being lost. */
    public enum Kind {
        PROMISE("promise"), PERSON("person"), CAMERA("camera"), HUB("hub"), NETWORK("network"), THING("thing on the Wi-Fi"),
        READING("reading"), ENTRY("log entry");

        private final String words;

        Kind(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }
}
