package roofnest.core.alert;

import java.util.Arrays;
import java.util.Optional;

import roofnest.core.lang.Worded;

/** How a house is lived in at an hour. Holiday is switched on and off by hand, and takes the place of the whole week. */
public enum Mode implements Worded {
    HOME("home", 'h'), AWAY("away", 'a'), NIGHT("night", 'n'), HOLIDAY("holiday", 'o');

    private final String words;
    private final char sign;

    Mode(String words, char sign) {
        this.words = words;
        this.sign = sign;
    }

    @Override
    public String words() {
        return words;
    }

    /** The letter by which an hour of the week bears it. */
    public char sign() {
        return sign;
    }

    /** Whether an hour of the week can bear it. */
    public boolean painted() {
        return this != HOLIDAY;
    }

    static Optional<Mode> of(char sign) {
        return Arrays.stream(values()).filter(mode -> mode.sign == sign).findFirst();
    }
}
