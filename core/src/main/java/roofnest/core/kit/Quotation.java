package roofnest.core.kit;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/**
 * What a job costs the household. Money is in hundredths, whole; tax is rounded half up once, on the sum.
 *
 * @param unpriced what is sold and has no price yet
 */
public record Quotation(List<Line> lines, long netCents, long taxCents, List<String> unpriced) {
    private static final int MINUTES_AN_HOUR = 60;
    /** Work is charged by the begun quarter of an hour. */
    private static final int QUARTER = 15;

    public record Line(String what, int quantity, long eachCents, long sumCents) {}

    /**
     * @param prices in hundredths, by the key of a kit line; {@code hour} is an hour's work
     * @param minutes of the visit
     */
    public static Quotation of(List<KitList.Line> kit, Map<String, Long> prices, int minutes, BigDecimal taxPercent) {
        List<Line> lines = new ArrayList<>();
        List<String> unpriced = new ArrayList<>();
        for (KitList.Line line : kit) {
            if (line.sold()) {
                Long each = prices.get(line.key());
                if (each == null) {
                    unpriced.add(line.what());
                } else {
                    lines.add(new Line(line.what(), line.quantity(), each, Math.multiplyExact(each, (long) line.quantity())));
                }
            }
        }
        int quarters = (minutes + QUARTER - 1) / QUARTER;
        Long hour = prices.get("hour");
        if (hour == null) {
            unpriced.add("An hour's work");
        } else {
            long work = BigDecimal.valueOf(hour).multiply(BigDecimal.valueOf((long) quarters * QUARTER))
                    .divide(BigDecimal.valueOf(MINUTES_AN_HOUR), 0, RoundingMode.HALF_UP).longValueExact();
            lines.add(new Line("Work, " + quarters * QUARTER / MINUTES_AN_HOUR + " h " + quarters * QUARTER % MINUTES_AN_HOUR + " min", 1,
                    work, work));
        }
        long net = lines.stream().mapToLong(Line::sumCents).reduce(0, Math::addExact);
        long tax = BigDecimal.valueOf(net).multiply(taxPercent).divide(BigDecimal.valueOf(100), 0, RoundingMode.HALF_UP).longValueExact();
        return new Quotation(List.copyOf(lines), net, tax, List.copyOf(unpriced));
    }

    public long totalCents() {
        return netCents + taxCents;
    }
}
