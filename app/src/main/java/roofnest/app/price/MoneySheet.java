package roofnest.app.price;

import java.math.BigDecimal;
import java.util.List;

import roofnest.core.kit.Quotation;

/** Lines and sums in words. @param discount empty where none is given */
public record MoneySheet(List<Priced> lines, String currency, String discountWords, String discount, String net, String taxWords,
        String tax,
        String total) {
    public record Priced(String what, int quantity, String each, String sum) {}

    public static MoneySheet of(Quotation sums, String currency) {
        String tail = " " + currency;
        return new MoneySheet(
                sums.lines().stream()
                        .map(line -> new Priced(line.what(), line.quantity(), amount(line.eachCents()), amount(line.sumCents()))).toList(),
                currency, "Discount, " + sums.discountPercent().stripTrailingZeros().toPlainString() + " %",
                sums.discountCents() == 0 ? "" : amount(-sums.discountCents()) + tail, amount(sums.netCents()) + tail,
                "Tax, " + sums.taxPercent().stripTrailingZeros().toPlainString() + " %", amount(sums.taxCents()) + tail,
                amount(sums.totalCents()) + tail);
    }

    static String amount(long cents) {
        return BigDecimal.valueOf(cents, 2).toPlainString().replace('-', '\u2212');
    }
}
