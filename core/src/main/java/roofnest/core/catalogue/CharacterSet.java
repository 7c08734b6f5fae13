package roofnest.core.catalogue;

import java.util.function.IntPredicate;

import com.fasterxml.jackson.annotation.JsonProperty;

import roofnest.core.lang.Worded;

/** Which characters a model's set-up can take in a network name or password. */
public enum CharacterSet implements Worded {
    @JsonProperty("letters-digits")
    LETTERS_DIGITS("plain letters and digits", CharacterSet::letterOrDigit),
    @JsonProperty("letters-digits-hyphen")
    LETTERS_DIGITS_HYPHEN(
            "plain letters, digits, - and _", c -> letterOrDigit(c) || c == '-' || c == '_'),
    @JsonProperty("ascii-no-space")
    ASCII_NO_SPACE("plain characters without spaces", c -> c > 0x20 && c < 0x7f),
    @JsonProperty("ascii")
    ASCII("plain characters and spaces", c -> c >= 0x20 && c < 0x7f),
    @JsonProperty("any")
    ANY("any character", c -> !Character.isISOControl(c));

    private final String words;
    private final IntPredicate allows;

    CharacterSet(String words, IntPredicate allows) {
        this.words = words;
        this.allows = allows;
    }

    @Override
    public String words() {
        return words;
    }

    public boolean allows(int codePoint) {
        return allows.test(codePoint);
    }

    private static boolean letterOrDigit(int c) {
        return c >= 'a' && c <= 'z' || c >= 'A' && c <= 'Z' || c >= '0' && c <= '9';
    }
}
