package roofnest.app.documents;

import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;

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
import roofnest.app.records.HouseholdRepository;
import roofnest.app.web.Language;
import roofnest.app.web.NoSuchPage;
import roofnest.app.web.Words;
import roofnest.app.workshop.Workshop;
import roofnest.core.promise.Stage;

/** Quotations and bills on paper; a draft says that it is one. */
@Controller
class QuotationController {
    private final Frames frames;
    private final Pricing pricing;
    private final MoneyPapers papers;
    private final HouseholdRepository households;
    private final Words words;
    private final Pdf pdf;
    private final Workshop workshop;
    private final Clock clock;

    QuotationController(Frames frames, Pricing pricing, MoneyPapers papers,
            HouseholdRepository households, Words words, Pdf pdf, Workshop workshop, Clock clock) {
        this.frames = frames;
        this.pricing = pricing;
        this.papers = papers;
        this.households = households;
        this.words = words;
        this.pdf = pdf;
        this.workshop = workshop;
        this.clock = clock;
    }

    /** @param quotation whether it is one @param until in words; empty on a draft */
    record Sheet(String kind, boolean quotation, String title, List<String> addressedTo, String issued, String until, MoneySheet sums,
            boolean priced, List<String> unpriced, String terms) {}

    @GetMapping("/households/{household}/ready/quotation.pdf")
    Object draft(HouseholdRef ref) {
        Frame frame = frames.frame(ref, Stage.READY);
        Language language = households.language(ref.id());
        Pricing.State state = pricing.state(frame);
        return answer(ref, "quotation-draft", language, new Sheet(words.say(language, "money.quotation"), true,
                words.say(language, "money.draft"), List.of(frame.household().name(), frame.household().address()),
                ref.by() + " · " + language.day(LocalDate.now(clock)), "",
                MoneySheet.of(state.sums(), state.money().currency(), language, words), !state.sums().lines().isEmpty(),
                state.sums().unpriced(), state.money().terms()));
    }

    @GetMapping("/households/{household}/ready/price/quotations/{quotation}.pdf")
    Object quotation(HouseholdRef ref, @PathVariable("quotation") long id) {
        MoneyPapers.Quoted quoted = papers.quotation(ref.id(), id).orElseThrow(NoSuchPage::new);
        Language language = households.language(ref.id());
        return answer(ref, quoted.title(), language, sheet(words.say(language, "money.quotation"), true, quoted.title(), quoted.paper(),
                words.say(language, "money.holds", language.day(quoted.paper().until())), quoted.paper().terms(), language));
    }

    @GetMapping("/households/{household}/ready/price/bills/{bill}.pdf")
    Object bill(HouseholdRef ref, @PathVariable("bill") long id) {
        MoneyPapers.Bill bill = papers.bill(ref.id(), id).orElseThrow(NoSuchPage::new);
        Language language = households.language(ref.id());
        Optional<String> back = bill.cancels().flatMap(other -> papers.bill(ref.id(), other)).map(MoneyPapers.Bill::title);
        return answer(ref, bill.title(), language, sheet(words.say(language, back.isPresent() ? "money.credit" : "money.bill"), false,
                bill.title(), bill.paper(),
                back.isPresent() ? "" : words.say(language, "money.due", language.day(bill.paper().until())),
                back.map(title -> words.say(language, "money.takes-back", title)).orElse(bill.paper().terms()), language));
    }

    private Sheet sheet(String kind, boolean quotation, String title, MoneyPapers.Paper paper, String until, String terms,
            Language language) {
        return new Sheet(kind, quotation, title, paper.addressedTo().lines().toList(),
                paper.issuedBy() + " · " + language.day(paper.issuedAt().toLocalDate()), until,
                MoneySheet.of(paper.sums(), paper.currency(), language, words), true, List.of(), terms);
    }

    private Object answer(HouseholdRef ref, String name, Language language, Sheet sheet) {
        String drawn = pdf.drawn("documents/quotation", ref.staff().firmId(), language, Map.of("sheet", sheet));
        return workshop.answer("The paper", "pdf", drawn, pdf::of, made -> ResponseEntity.ok().contentType(MediaType.APPLICATION_PDF)
                .header("Cache-Control", "no-store").header("Content-Disposition", "inline; filename=\"" + name + ".pdf\"").body(made));
    }
}
