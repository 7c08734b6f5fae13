package roofnest.core.kit;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

import roofnest.core.lang.Require;

/**
 * What a job costs the household. Money is in hundredths, whole. The discount is taken off the sum of the lines and rounded half up,
 * once; so is the tax, on what is left.
 *
 * @param linesCents sum of the lines
 * @param netCents without tax, the discount taken off
 * @param unpriced what is sold and has no price yet
 */
public record Quotation(List<Line> lines, long linesCents, BigDecimal discountPercent, long discountCents, long netCents,
        BigDecimal taxPercent, long taxCents, List<String> unpriced) {
    /** Key of an hour's work among the prices. */
    public static final String HOUR = "hour";
    /** Key of a kilometre of travel. */
    public static final String KM = "km";
    private static final int MINUTES_AN_HOUR = 60;
    /** Work is charged by the begun quarter of an hour. */
    private static final int QUARTER = 15;
    private static final BigDecimal HUNDRED = BigDecimal.valueOf(100);

    /** @param key by which it is known in other languages; empty for a line that somebody wrote */
    public record Line(String key, String what, int quantity, long eachCents, long sumCents) {
        public Line {
            what = Require.text("what is charged", what, 120);
            Require.inRange("pieces", quantity, 1, 100_000);
        }

        static Line of(String key, String what, int quantity, long eachCents) {
            return new Line(key, what, quantity, eachCents, Math.multiplyExact(eachCents, (long) quantity));
        }
    }

    /** A line that somebody wrote: what the plan knows nothing of. @param eachCents 0 to a million whole */
    public record Own(String what, int quantity, long eachCents) {
        public Own {
            what = Require.text("what is charged", what, 120);
            Require.inRange("pieces", quantity, 1, 10_000);
            Require.inRange("price in hundredths", eachCents, 0, 100_000_000);
        }
    }

    /**
     * What is agreed for one job.
     *
     * @param travelKm there and back, all journeys together; 0 for none
     * @param discountPercent of all lines, 0 to 100
     */
    public record Job(int travelKm, BigDecimal discountPercent, List<Own> own) {
        public static final Job PLAIN = new Job(0, BigDecimal.ZERO, List.of());

        public Job {
            Require.inRange("kilometres", travelKm, 0, 5000);
            Require.inRange("discount in percent", discountPercent.doubleValue(), 0, 100);
            own = List.copyOf(own);
        }
    }

    /**
     * @param prices in hundredths, by the key of a kit line, {@link #HOUR} and {@link #KM}
     * @param minutes of the visit
     */
    public static Quotation of(List<KitList.Line> kit, Map<String, Long> prices, int minutes, Job job, BigDecimal taxPercent) {
        List<Line> lines = new ArrayList<>();
        List<String> unpriced = new ArrayList<>();
        for (KitList.Line line : kit) {
            if (line.sold()) {
                Long each = prices.get(line.key());
                if (each == null) {
                    unpriced.add(line.what());
                } else {
                    lines.add(Line.of(line.key(), line.what(), line.quantity(), each));
                }
            }
        }
        work(lines, unpriced, prices.get(HOUR), (minutes + QUARTER - 1) / QUARTER);
        if (job.travelKm() > 0) {
            Long km = prices.get(KM);
            if (km == null) {
                unpriced.add("A kilometre of travel");
            } else {
                lines.add(Line.of(KM, "Kilometre of travel", job.travelKm(), km));
            }
        }
        job.own().forEach(own -> lines.add(Line.of("", own.what(), own.quantity(), own.eachCents())));
        return sum(lines, job.discountPercent(), taxPercent, unpriced);
    }

    /** A job with nothing agreed beyond what the plan counts. */
    public static Quotation of(List<KitList.Line> kit, Map<String, Long> prices, int minutes, BigDecimal taxPercent) {
        return of(kit, prices, minutes, Job.PLAIN, taxPercent);
    }

    private static void work(List<Line> lines, List<String> unpriced, Long hour, int quarters) {
        if (quarters == 0) {
            return;
        }
        if (hour == null) {
            unpriced.add("An hour's work");
            return;
        }
        long work = BigDecimal.valueOf(hour).multiply(BigDecimal.valueOf((long) quarters * QUARTER))
                .divide(BigDecimal.valueOf(MINUTES_AN_HOUR), 0, RoundingMode.HALF_UP).longValueExact();
        lines.add(new Line("work " + quarters * QUARTER,
                "Work, " + quarters * QUARTER / MINUTES_AN_HOUR + " h " + quarters * QUARTER % MINUTES_AN_HOUR + " min", 1,
                work, work));
    }

    private static Quotation sum(List<Line> lines, BigDecimal discountPercent, BigDecimal taxPercent, List<String> unpriced) {
        long all = lines.stream().mapToLong(Line::sumCents).reduce(0, Math::addExact);
        long discount = share(all, discountPercent);
        long net = Math.subtractExact(all, discount);
        return new Quotation(List.copyOf(lines), all, discountPercent, discount, net, taxPercent, share(net, taxPercent),
                List.copyOf(unpriced));
    }

    private static long share(long cents, BigDecimal percent) {
        return BigDecimal.valueOf(cents).multiply(percent).divide(HUNDRED, 0, RoundingMode.HALF_UP).longValueExact();
    }

    /** The same with more lines, such as work that was agreed since; discount and tax as they were. */
    public Quotation with(List<Own> more) {
        List<Line> all = new ArrayList<>(lines);
        more.forEach(own -> all.add(Line.of("", own.what(), own.quantity(), own.eachCents())));
        return sum(all, discountPercent, taxPercent, unpriced);
    }

    /** What takes it back to the hundredth. */
    public Quotation takenBack() {
        return new Quotation(lines.stream().map(line -> Line.of(line.key(), line.what(), line.quantity(), -line.eachCents())).toList(),
                -linesCents,
                discountPercent, -discountCents, -netCents, taxPercent, -taxCents, unpriced);
    }

    public long totalCents() {
        return Math.addExact(netCents, taxCents);
    }
}
