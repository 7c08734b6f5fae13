package roofnest.app.price;

import java.math.BigDecimal;
import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.Locale;

import org.springframework.stereotype.Controller;
import org.springframework.transaction.support.TransactionTemplate;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;

import roofnest.app.firm.Needs;
import roofnest.app.firm.Role;
import roofnest.app.household.Frame;
import roofnest.app.household.Frames;
import roofnest.app.ready.Kits;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.PriceBook;
import roofnest.app.web.Form;
import roofnest.app.web.Says;
import roofnest.app.web.Words;
import roofnest.core.promise.Stage;

/** What a job costs: the firm's prices, what is agreed, quotations and bills. */
@Controller
class PriceController {
    private final Frames frames;
    private final Pricing pricing;
    private final PriceBook prices;
    private final TransactionTemplate transaction;
    private final Words words;
    private final Clock clock;

    PriceController(Frames frames, Pricing pricing, PriceBook prices, TransactionTemplate transaction, Words words, Clock clock) {
        this.frames = frames;
        this.pricing = pricing;
        this.prices = prices;
        this.transaction = transaction;
        this.words = words;
        this.clock = clock;
    }

    @GetMapping("/households/{household}/ready/price")
    String price(HouseholdRef ref, Model model) {
        return page(ref, model, Form.empty());
    }

    /** Prices are the firm's: they count for every job from now on. */
    @PostMapping("/households/{household}/ready/price/firm")
    @Needs(Role.Permission.MANAGE_PEOPLE)
    @Says("The prices are kept; they count for every job from now on.")
    String setPrices(HouseholdRef ref, Form form, Model model) {
        long firm = ref.staff().firmId();
        List<PriceView.PriceField> fields = PriceView.fields(Kits.kit(frames.frame(ref, Stage.READY)), prices.prices(firm));
        fields.stream().filter(field -> !form.raw(field.field()).isBlank())
                .forEach(field -> form.decimal(field.field(), "a price", 0, 1_000_000, "at most"));
        BigDecimal tax = BigDecimal.valueOf(form.decimal("tax", "the tax", 0, 100, "%"));
        String currency = form.text("currency", "the currency", 3).toUpperCase(Locale.ROOT);
        if (form.ok() && !currency.matches("[A-Z]{3}")) {
            form.fault("currency", "A currency has three letters, such as EUR.");
        }
        int valid = form.whole("validDays", "how long a quotation holds", 1, 365, "days");
        int pay = form.whole("payDays", "within how long a bill is paid", 0, 365, "days");
        PriceBook.Money money = new PriceBook.Money(currency, tax, valid, pay, form.lines("terms", 1000), form.version());
        boolean saved = form.save(() -> transaction.executeWithoutResult(status -> {
            prices.setMoney(firm, money);
            fields.stream().filter(field -> form.has(field.field()) && form.raw(field.field()).isBlank())
                    .forEach(field -> prices.clear(firm, field.key()));
            fields.stream().filter(field -> !form.raw(field.field()).isBlank()).forEach(field -> prices.set(firm, field.key(),
                    Math.round(100 * form.decimal(field.field(), "a price", 0, 1_000_000, "at most"))));
        }));
        return after(saved, ref, model, form);
    }

    @PostMapping("/households/{household}/ready/price/agreed")
    @Says("Kept for this job.")
    String agree(HouseholdRef ref, Form form, Model model) {
        return after(form.save(() -> pricing.agree(ref, form)), ref, model, form);
    }

    @PostMapping("/households/{household}/ready/price/lines")
    @Says("The line is in the sum.")
    String addLine(HouseholdRef ref, Form form, Model model) {
        return after(form.save(() -> pricing.addLine(ref, form)), ref, model, form);
    }

    @PostMapping("/households/{household}/ready/price/lines/{line}/remove")
    @Says("The line is out of the sum. What was issued stays as it is.")
    String removeLine(HouseholdRef ref, @PathVariable("line") long line) {
        pricing.removeLine(ref, line);
        return "redirect:" + ref.path() + "/ready/price";
    }

    @PostMapping("/households/{household}/ready/price/quotations")
    @Needs(value = Role.Permission.PRICE, act = "issue a quotation")
    @Says("The quotation has its number and is kept as it stands. It was sent to nobody.")
    String quote(HouseholdRef ref, Form form, Model model) {
        return after(form.save("quotation", () -> pricing.quote(ref)), ref, model, form);
    }

    @PostMapping("/households/{household}/ready/price/quotations/answer")
    @Needs(value = Role.Permission.PRICE, act = "note the answer to a quotation")
    @Says("The answer is noted.")
    String answer(HouseholdRef ref, Form form, Model model) {
        return after(form.save("answer", () -> pricing.answer(ref, form)), ref, model, form);
    }

    @PostMapping("/households/{household}/ready/price/bills")
    @Needs(value = Role.Permission.PRICE, act = "issue a bill")
    @Says("The bill has its number and is kept as it stands. It was sent to nobody.")
    String bill(HouseholdRef ref, Form form, Model model) {
        return after(form.save("bill", () -> pricing.bill(ref)), ref, model, form);
    }

    @PostMapping("/households/{household}/ready/price/bills/{bill}/paid")
    @Needs(value = Role.Permission.PRICE, act = "note a bill as paid")
    @Says("Noted as paid.")
    String paid(HouseholdRef ref, @PathVariable("bill") long bill, Form form, Model model) {
        return after(form.save("paidOn", () -> pricing.paid(ref, bill, form)), ref, model, form);
    }

    @PostMapping("/households/{household}/ready/price/bills/{bill}/not-paid")
    @Needs(value = Role.Permission.PRICE, act = "note a bill as open again")
    @Says("It is open again.")
    String notPaid(HouseholdRef ref, @PathVariable("bill") long bill, Form form, Model model) {
        return after(form.save("bill", () -> pricing.notPaid(ref, bill)), ref, model, form);
    }

    @PostMapping("/households/{household}/ready/price/bills/{bill}/cancel")
    @Needs(value = Role.Permission.PRICE, act = "take a bill back")
    @Says("Another bill takes it back. Both stay in the books.")
    String cancel(HouseholdRef ref, @PathVariable("bill") long bill, Form form, Model model) {
        return after(form.save("bill", () -> pricing.cancel(ref, bill)), ref, model, form);
    }

    private String after(boolean saved, HouseholdRef ref, Model model, Form form) {
        return saved ? "redirect:" + ref.path() + "/ready/price" : page(ref, model, form);
    }

    private String page(HouseholdRef ref, Model model, Form form) {
        Frame frame = frames.frame(ref, Stage.READY, model);
        model.addAttribute("form", form);
        model.addAttribute("sheet", "price");
        model.addAttribute("price",
                PriceView.of(pricing.state(frame), prices.prices(ref.staff().firmId()), LocalDate.now(clock), words));
        return "ready-price";
    }
}
