package roofnest.core.catalogue;

import java.util.List;

import com.fasterxml.jackson.annotation.JsonProperty;

import roofnest.core.lang.Require;
import roofnest.core.lang.Worded;

/**
 * What people can set about a bell of a model.
 *
 * @param chimes that it can ring in the house, the one it comes with first
 * @param replies how many short answers can be kept ready for a tap on the phone; 0 for none
 * @param replyChars how long one of them may be
 * @param message whether it can speak to whoever rang and nobody answered
 */
public record BellSpec(List<Chime> chimes, int replies, int replyChars, boolean message) {
    public static final int MOST_REPLIES = 20;
    public static final int MOST_REPLY_CHARS = 200;

    /** What rings in the house when somebody presses it. */
    public enum Chime implements Worded {
        @JsonProperty("house")
        HOUSE("the chime of the house"), @JsonProperty("socket")
        SOCKET("a chime in a socket"), @JsonProperty("hub")
        HUB("its hub"), @JsonProperty("phones")
        PHONES("phones alone");

        private final String words;

        Chime(String words) {
            this.words = words;
        }

        @Override
        public String words() {
            return words;
        }
    }

    public BellSpec {
        chimes = List.copyOf(chimes);
        Require.inRange("chimes of a bell", chimes.stream().distinct().count(), Math.max(1, chimes.size()), Chime.values().length);
        Require.inRange("answers kept ready", replies, 0, MOST_REPLIES);
        Require.inRange("signs of an answer", replyChars, 0, MOST_REPLY_CHARS);
    }
}
