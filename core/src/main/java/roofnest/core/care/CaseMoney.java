package roofnest.core.care;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalLong;

import roofnest.core.lang.Require;

/**
 * What a call came to, and who pays it: the household, its contract, or the warranty of the device. What has no price is said, and a sum
 * without it is not called one.
 *
 * @param lines in the order in which they were done
 * @param unpriced what has no price yet; while there is any, the sums are of the rest alone
 */
public record CaseMoney(List<CaseMoney.Line> lines, List<String> unpriced) {
    /** Work is charged by the begun quarter of an hour. */
    private static final int QUARTER = 15;
    private static final int MINUTES_AN_HOUR = 60;

    /** Who pays. */
    public enum Pays { HOUSEHOLD, CONTRACT, WARRANTY }

    /** @param why in words; empty where the household pays as ever */
    public record Line(String what, long cents, Pays pays, String why) {}

    /**
     * What was done.
     *
     * @param on the day of it
     * @param phoneMinutes on the phone, all together
     * @param visits that were made for it
     * @param visitMinutes there, all together
     * @param partsCents that were put in, as they are charged
     * @param underWarranty whether the device's warranty ran on the day
     * @param visitsBefore that the contract's term has paid for already
     */
    public record Work(LocalDate on, int phoneMinutes, int visits, int visitMinutes, long partsCents, boolean underWarranty,
            int visitsBefore) {
        public static final int MOST_PHONE_MINUTES = 1440;
        public static final int MOST_VISITS = 20;
        public static final int MOST_VISIT_MINUTES = 5000;

        public Work {
            Require.inRange("minutes on the phone", phoneMinutes, 0, MOST_PHONE_MINUTES);
            Require.inRange("visits", visits, 0, MOST_VISITS);
            Require.inRange("minutes there", visitMinutes, 0, MOST_VISIT_MINUTES);
            Require.inRange("parts in hundredths", partsCents, 0, CareContract.MOST_CENTS);
            Require.inRange("visits before", visitsBefore, 0, 100_000);
        }
    }

    /** @param hourCents of an hour's work. @param visitCents of a way there and back; each empty where the firm has no price for it */
    public record Rates(OptionalLong hourCents, OptionalLong visitCents) {}

    public CaseMoney {
        lines = List.copyOf(lines);
        unpriced = List.copyOf(unpriced);
    }

    public static CaseMoney of(Optional<CareContract> contract, Work work, Rates rates) {
        List<Line> lines = new ArrayList<>();
        List<String> unpriced = new ArrayList<>();
        Optional<CareContract> now = contract.filter(each -> each.on(work.on()).isPresent());
        if (work.phoneMinutes() > 0) {
            boolean covered = covers(now, CareContract.Covers.CALLS);
            work(lines, unpriced, "By phone, ", work.phoneMinutes(), rates, covered ? Pays.CONTRACT : Pays.HOUSEHOLD,
                    covered ? "calls are covered" : "");
        }
        visits(lines, unpriced, now, work, rates);
        if (work.partsCents() > 0) {
            boolean covered = covers(now, CareContract.Covers.PARTS);
            Pays pays = work.underWarranty() ? Pays.WARRANTY : covered ? Pays.CONTRACT : Pays.HOUSEHOLD;
            lines.add(new Line("Parts", work.partsCents(), pays,
                    work.underWarranty() ? "its warranty ran on that day" : covered ? "parts are covered" : ""));
        }
        return new CaseMoney(lines, unpriced);
    }

    private static boolean covers(Optional<CareContract> contract, CareContract.Covers what) {
        return contract.filter(each -> each.covers().contains(what)).isPresent();
    }

    /** How many of its visits the contract pays: as many as its term has left. */
    public static int coveredVisits(Optional<CareContract> contract, Work work) {
        Optional<CareContract> now = contract.filter(each -> each.on(work.on()).isPresent());
        return covers(now, CareContract.Covers.VISITS)
                ? Math.min(work.visits(), Math.max(0, now.orElseThrow().visits() - work.visitsBefore())) : 0;
    }

    /** Of several visits the first are covered; the time there is shared evenly over them. */
    private static void visits(List<Line> lines, List<String> unpriced, Optional<CareContract> contract, Work work, Rates rates) {
        if (work.visits() == 0) {
            return;
        }
        int covered = coveredVisits(contract, work);
        int coveredMinutes = (int) Math.round((double) work.visitMinutes() * covered / work.visits());
        visits(lines, unpriced, covered, coveredMinutes, rates, Pays.CONTRACT, "the term had it left");
        boolean overdrawn = covers(contract, CareContract.Covers.VISITS) && covered < work.visits();
        visits(lines, unpriced, work.visits() - covered, work.visitMinutes() - coveredMinutes, rates, Pays.HOUSEHOLD,
                overdrawn ? "the visits of the term are used up" : "");
    }

    private static void visits(List<Line> lines, List<String> unpriced, int visits, int minutes, Rates rates, Pays pays, String why) {
        if (visits == 0) {
            return;
        }
        String what = visits == 1 ? "One way there and back" : visits + " ways there and back";
        if (rates.visitCents().isPresent()) {
            lines.add(new Line(what, Math.multiplyExact(rates.visitCents().getAsLong(), visits), pays, why));
        } else {
            unpriced.add(what);
        }
        if (minutes > 0) {
            work(lines, unpriced, "Work there, ", minutes, rates, pays, why);
        }
    }

    private static void work(List<Line> lines, List<String> unpriced, String what, int minutes, Rates rates, Pays pays, String why) {
        int charged = (minutes + QUARTER - 1) / QUARTER * QUARTER;
        String words = what + charged + " min";
        if (rates.hourCents().isEmpty()) {
            unpriced.add(words);
            return;
        }
        long cents = BigDecimal.valueOf(rates.hourCents().getAsLong()).multiply(BigDecimal.valueOf(charged))
                .divide(BigDecimal.valueOf(MINUTES_AN_HOUR), 0, RoundingMode.HALF_UP).longValueExact();
        lines.add(new Line(words, cents, pays, why));
    }

    /** Of those lines that have a price. */
    public long cents(Pays who) {
        return lines.stream().filter(line -> line.pays() == who).mapToLong(Line::cents).reduce(0, Math::addExact);
    }
}
