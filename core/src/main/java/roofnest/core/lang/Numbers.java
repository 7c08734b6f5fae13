package roofnest.core.lang;

import java.math.BigDecimal;
import java.math.RoundingMode;

/** Numbers as people read them: fixed decimals, a true minus sign, no exponent. */
public final class Numbers {
    private static final char MINUS = '\u2212';

    private Numbers() {}

    /** Rounds half up to {@code decimals} places and writes a true minus sign; NaN and infinities are written as words. */
    public static String fixed(double value, int decimals) {
        if (Double.isNaN(value)) {
            return "not a number";
        }
        if (Double.isInfinite(value)) {
            return "no limit";
        }
        BigDecimal rounded = BigDecimal.valueOf(value).setScale(decimals, RoundingMode.HALF_UP);
        String digits = rounded.abs().toPlainString();
        return rounded.signum() < 0 ? MINUS + digits : digits;
    }

    /** The shortest plain form, for messages about ranges. */
    public static String plain(double value) {
        if (Double.isNaN(value) || Double.isInfinite(value)) {
            return fixed(value, 0);
        }
        if (Math.abs(value) >= 1e9) {
            return value > 0 ? "any number" : "any negative number";
        }
        return BigDecimal.valueOf(value).stripTrailingZeros().toPlainString().replace('-', MINUS);
    }
}
