package roofnest.app.care;

import java.math.BigDecimal;

/** Amounts of money in words. */
final class Cents {
    private Cents() {}

    static String words(long cents, String currency) {
        return plain(cents) + " " + currency;
    }

    static String plain(long cents) {
        return BigDecimal.valueOf(cents, 2).toPlainString();
    }
}
