package roofnest.app.price;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

import roofnest.app.web.Language;
import roofnest.app.web.Words;
import roofnest.core.kit.KitList;
import roofnest.core.kit.Quotation;

/**
 * What a job costs, as its page shows it.
 *
 * @param prices fields of the firm's price form
 * @param sum empty while nothing has a price
 */
record PriceView(Optional<MoneySheet> sum, List<String> unpriced, List<PriceField> prices, String currency, String tax, int validDays,
        int payDays, String terms, int version, int travelKm, String discount, int agreedVersion, List<Own> own, List<Line> quotations,
        List<Line> bills, Optional<Line> waiting, String toBill) {
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMM yyyy", Locale.ENGLISH);

    /** @param field its name in the form */
    record PriceField(String field, String key, String what, String price) {}

    record Own(long id, String what, String sum) {}

    /**
     * A paper that was issued.
     *
     * @param standing for the egg
     * @param words how it stands
     * @param open whether something can still be noted of it
     * @param paid whether it was noted as paid
     */
    record Line(long id, String title, String total, String issued, String standing, String words, boolean open, boolean paid) {}

    static PriceView of(Pricing.State state, Map<String, Long> prices, LocalDate today, Words words) {
        String currency = state.money().currency();
        return new PriceView(
                state.sums().lines().isEmpty() ? Optional.empty()
                        : Optional.of(MoneySheet.of(state.sums(), currency, Language.ENGLISH, words)),
                state.sums().unpriced(), fields(state.kit(), prices), currency, percent(state.money().taxPercent()),
                state.money().validDays(), state.money().payDays(), state.money().terms(), state.money().version(),
                state.agreed().travelKm(), percent(state.agreed().discountPercent()), state.agreed().version(),
                state.own().stream().map(own -> new Own(own.id(), own.line().quantity() + " × " + own.line().what(),
                        amount(own.line().eachCents() * own.line().quantity()) + " " + currency)).toList(),
                state.quotations().stream().map(quoted -> quotation(quoted, today)).toList(),
                state.bills().stream().map(bill -> bill(bill, today)).toList(),
                state.waiting().map(quoted -> quotation(quoted, today)),
                state.toBill().map(quoted -> quoted.title() + more(state.since(quoted).size())).orElse(""));
    }

    private static String more(int lines) {
        return lines == 0 ? "" : lines == 1 ? " and one line agreed since" : " and " + lines + " lines agreed since";
    }

    private static Line quotation(MoneyPapers.Quoted quoted, LocalDate today) {
        boolean over = quoted.paper().until().isBefore(today);
        String words = quoted.answer().map(answer -> switch (answer) {
            case ACCEPTED -> "accepted by " + quoted.answeredBy() + ", " + quoted.answeredOn().format(DAY);
            case DECLINED -> "declined by " + quoted.answeredBy() + ", " + quoted.answeredOn().format(DAY);
            case REPLACED -> "replaced by a later one";
        }).orElse(over ? "ran out on " + quoted.paper().until().format(DAY) : "holds until " + quoted.paper().until().format(DAY));
        String standing = quoted.answer().map(answer -> answer == MoneyPapers.Answer.ACCEPTED ? "kept" : "broken")
                .orElse(over ? "broken" : "untried");
        return line(quoted.paper(), quoted.title(), standing, words, quoted.answer().isEmpty(), false);
    }

    private static Line bill(MoneyPapers.Bill bill, LocalDate today) {
        boolean late = bill.open() && bill.paper().until().isBefore(today);
        String words = bill.cancels().isPresent() ? bill.paper().terms() : bill.cancelled() ? "cancelled"
                : bill.paidOn() != null ? "paid on " + bill.paidOn().format(DAY)
                        : (late ? "was due on " : "due on ") + bill.paper().until().format(DAY);
        String standing = bill.paidOn() != null ? "kept" : late ? "broken" : "untried";
        return line(bill.paper(), bill.title(), standing, words, bill.open(), bill.paidOn() != null);
    }

    private static Line line(MoneyPapers.Paper paper, String title, String standing, String words, boolean open, boolean paid) {
        return new Line(paper.id(), title, amount(paper.sums().totalCents()) + " " + paper.currency(),
                paper.issuedAt().format(DAY), standing, words, open, paid);
    }

    static List<PriceField> fields(List<KitList.Line> kit, Map<String, Long> prices) {
        List<PriceField> fields = new ArrayList<>();
        kit.stream().filter(KitList.Line::sold).forEach(line -> fields.add(field(fields.size(), line.key(), line.what(), prices)));
        fields.add(field(fields.size(), Quotation.HOUR, "An hour's work", prices));
        fields.add(field(fields.size(), Quotation.KM, "A kilometre of travel", prices));
        return fields;
    }

    private static PriceField field(int index, String key, String what, Map<String, Long> prices) {
        return new PriceField("price-" + index, key, what, Optional.ofNullable(prices.get(key)).map(PriceView::amount).orElse(""));
    }

    private static String amount(long cents) {
        return MoneySheet.amount(cents, Language.ENGLISH);
    }

    private static String percent(BigDecimal percent) {
        return percent.stripTrailingZeros().toPlainString();
    }
}
