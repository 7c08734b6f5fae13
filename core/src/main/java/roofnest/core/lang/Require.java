package roofnest.core.lang;

import java.util.Locale;

/** Checks of constructor arguments. Each is written so that NaN fails, and names the field, its range and the value. */
public final class Require {
    private Require() {}

    /** Returns {@code value} if {@code min <= value <= max}; NaN and values outside are refused. */
    public static double inRange(String field, double value, double min, double max) {
        if (!(value >= min && value <= max)) {
            throw new OutOfRange(field, value, min, max);
        }
        return value;
    }

    /** Returns {@code value} if {@code min <= value <= max}. */
    public static int inRange(String field, int value, int min, int max) {
        inRange(field, (double) value, min, max);
        return value;
    }

    /** Returns {@code value} if it is a finite number. */
    public static double finite(String field, double value) {
        return inRange(field, value, -Double.MAX_VALUE, Double.MAX_VALUE);
    }

    /** Returns {@code text} stripped, if it then has between one and {@code maxLength} characters and no control among them. */
    public static String text(String field, String text, int maxLength) {
        if (text == null || text.isBlank()) {
            throw new IllegalArgumentException(field + " is empty");
        }
        if (Text.hasControls(text)) {
            throw new IllegalArgumentException(field + " has characters that cannot be shown");
        }
        String stripped = text.strip();
        if (stripped.length() > maxLength) {
            throw new IllegalArgumentException(
                    field + " has " + stripped.length() + " characters; at most " + maxLength + " fit");
        }
        return stripped;
    }

    /** A number outside its stated range, or not a number. */
    public static final class OutOfRange extends IllegalArgumentException {
        OutOfRange(String field, double value, double min, double max) {
            super(String.format(Locale.ROOT, "%s must be from %s to %s, not %s",
                    field, Numbers.plain(min), Numbers.plain(max), Numbers.plain(value)));
        }
    }
}
