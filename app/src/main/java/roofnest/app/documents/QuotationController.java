package roofnest.app.documents;

import java.time.Clock;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;
import java.util.Map;

import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;

import roofnest.app.household.Frame;
import roofnest.app.household.Frames;
import roofnest.app.price.MoneyPapers;
import roofnest.app.price.MoneySheet;
import roofnest.app.price.Pricing;
import roofnest.app.records.HouseholdRef;
import roofnest.app.web.NoSuchPage;
import roofnest.app.workshop.Workshop;
import roofnest.core.promise.Stage;

/** Quotations and bills on paper; a draft says that it is one. */
@Controller
class QuotationController {
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMMM yyyy", Locale.ENGLISH);

    private final Frames frames;
    private final Pricing pricing;
    private final MoneyPapers papers;
    private final Pdf pdf;
    private final Workshop workshop;
    private final Clock clock;

    QuotationController(Frames frames, Pricing pricing, MoneyPapers papers, Pdf pdf, Workshop workshop, Clock clock) {
        this.frames = frames;
        this.pricing = pricing;
        this.papers = papers;
        this.pdf = pdf;
        this.workshop = workshop;
        this.clock = clock;
    }

    /** @param until in words; empty on a draft */
    record Sheet(String kind, String title, List<String> addressedTo, String issued, String until, MoneySheet sums, boolean priced,
            List<String> unpriced, String terms) {}

    @GetMapping("/households/{household}/ready/quotation.pdf")
    Object draft(HouseholdRef ref) {
        Frame frame = frames.frame(ref, Stage.READY);
        Pricing.State state = pricing.state(frame);
        return answer(ref, "quotation-draft", new Sheet("Quotation", "a draft, not issued",
                List.of(frame.household().name(), frame.household().address()), ref.by() + " · " + LocalDate.now(clock).format(DAY), "",
                MoneySheet.of(state.sums(), state.money().currency()), !state.sums().lines().isEmpty(), state.sums().unpriced(),
                state.money().terms()));
    }

    @GetMapping("/households/{household}/ready/price/quotations/{quotation}.pdf")
    Object quotation(HouseholdRef ref, @PathVariable("quotation") long id) {
        MoneyPapers.Quoted quoted = papers.quotation(ref.id(), id).orElseThrow(NoSuchPage::new);
        return answer(ref, quoted.title(), sheet("Quotation", quoted.title(), quoted.paper(),
                "It holds until " + quoted.paper().until().format(DAY) + "."));
    }

    @GetMapping("/households/{household}/ready/price/bills/{bill}.pdf")
    Object bill(HouseholdRef ref, @PathVariable("bill") long id) {
        MoneyPapers.Bill bill = papers.bill(ref.id(), id).orElseThrow(NoSuchPage::new);
        boolean back = bill.cancels().isPresent();
        return answer(ref, bill.title(), sheet(back ? "Credit" : "Bill", bill.title(), bill.paper(),
                back ? "" : "To be paid by " + bill.paper().until().format(DAY) + "."));
    }

    private static Sheet sheet(String kind, String title, MoneyPapers.Paper paper, String until) {
        return new Sheet(kind, title, paper.addressedTo().lines().toList(), paper.issuedBy() + " · " + paper.issuedAt().format(DAY), until,
                MoneySheet.of(paper.sums(), paper.currency()), true, List.of(), paper.terms());
    }

    private Object answer(HouseholdRef ref, String name, Sheet sheet) {
        String drawn = pdf.drawn("documents/quotation", ref.staff().firmId(), Map.of("sheet", sheet));
        return workshop.answer("The paper", "pdf", drawn, pdf::of, made -> ResponseEntity.ok().contentType(MediaType.APPLICATION_PDF)
                .header("Cache-Control", "no-store").header("Content-Disposition", "inline; filename=\"" + name + ".pdf\"").body(made));
    }
}
