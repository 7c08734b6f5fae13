package roofnest.app.price;

import java.math.BigDecimal;
import java.time.Clock;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

import org.springframework.stereotype.Service;

import roofnest.app.household.Frame;
import roofnest.app.household.Frames;
import roofnest.app.ready.Hours;
import roofnest.app.ready.Kits;
import roofnest.app.records.Changes;
import roofnest.app.records.Household;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.HouseholdRepository;
import roofnest.app.records.PriceBook;
import roofnest.app.web.BadInput;
import roofnest.app.web.Conflict;
import roofnest.app.web.Form;
import roofnest.app.web.NoSuchPage;
import roofnest.core.kit.KitList;
import roofnest.core.kit.Quotation;
import roofnest.core.promise.Stage;

/** Reckons what a job costs, issues it, and bills what was accepted. */
@Service
public class Pricing {
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMMM yyyy", Locale.ENGLISH);
    private static final Hours.Asked ONE_INSTALLER = new Hours.Asked(1, 1, 1000, LocalTime.of(8, 0));
    private static final int MOST_LINES = 60;

    private final Frames frames;
    private final JobPrices jobs;
    private final MoneyPapers papers;
    private final PriceBook prices;
    private final Hours hours;
    private final Changes changes;
    private final HouseholdRepository households;
    private final Clock clock;

    Pricing(Frames frames, JobPrices jobs, MoneyPapers papers, PriceBook prices, Hours hours, Changes changes,
            HouseholdRepository households,
            Clock clock) {
        this.frames = frames;
        this.jobs = jobs;
        this.papers = papers;
        this.prices = prices;
        this.hours = hours;
        this.changes = changes;
        this.households = households;
        this.clock = clock;
    }

    /** All that the page shows. @param kit of the job */
    public record State(List<KitList.Line> kit, Quotation sums, PriceBook.Money money, JobPrices.Agreed agreed,
            List<JobPrices.OwnLine> own, List<MoneyPapers.Quoted> quotations, List<MoneyPapers.Bill> bills) {
        /** The quotation that waits for an answer. */
        Optional<MoneyPapers.Quoted> waiting() {
            return quotations.stream().filter(quoted -> quoted.answer().isEmpty()).findFirst();
        }

        /** The one that was accepted last and is not billed yet. */
        Optional<MoneyPapers.Quoted> toBill() {
            return quotations.stream().filter(quoted -> quoted.answer().equals(Optional.of(MoneyPapers.Answer.ACCEPTED))).findFirst()
                    .filter(quoted -> bills.stream().noneMatch(bill -> bill.cancels().isEmpty() && !bill.cancelled()
                            && bill.quotationId().equals(Optional.of(quoted.paper().id()))));
        }

        /** Lines that were agreed since a quotation went out. */
        List<Quotation.Own> since(MoneyPapers.Quoted quoted) {
            return own.stream().filter(line -> line.addedAt().isAfter(quoted.paper().issuedAt())).map(JobPrices.OwnLine::line).toList();
        }
    }

    /** Solves the visit's hours where nobody has yet: not for inside a transaction. */
    public State state(Frame frame) {
        return state(frame, minutes(frame));
    }

    private int minutes(Frame frame) {
        return Kits.kit(frame).isEmpty() ? 0 : hours.plan(frame, ONE_INSTALLER).shortest().finishMinutes();
    }

    private State state(Frame frame, int minutes) {
        HouseholdRef ref = frame.ref();
        List<KitList.Line> kit = Kits.kit(frame);
        PriceBook.Money money = prices.money(ref.staff().firmId());
        JobPrices.Agreed agreed = jobs.agreed(ref.id());
        List<JobPrices.OwnLine> own = jobs.own(ref.id());
        Quotation sums = Quotation.of(kit, prices.prices(ref.staff().firmId()), minutes,
                new Quotation.Job(agreed.travelKm(), agreed.discountPercent(), own.stream().map(JobPrices.OwnLine::line).toList()),
                money.taxPercent());
        return new State(kit, sums, money, agreed, own, papers.quotations(ref.id()), papers.bills(ref.id()));
    }

    void agree(HouseholdRef ref, Form form) {
        int km = form.whole("travelKm", "how far it is there and back, all journeys together,", 0, 5000, "km");
        double discount = form.decimal("discount", "the discount", 0, 100, "%");
        int version = form.version();
        if (form.ok()) {
            changes.aside(ref.id(), () -> {
                jobs.agree(ref.id(), new JobPrices.Agreed(km, BigDecimal.valueOf(Math.round(discount * 100), 2), version));
                return null;
            });
        }
    }

    void addLine(HouseholdRef ref, Form form) {
        String what = form.text("what", "what is charged", 120);
        int quantity = form.whole("quantity", "how many", 1, 10_000, "pieces");
        double each = form.decimal("each", "what one costs", 0, 1_000_000, "");
        if (form.ok()) {
            changes.aside(ref.id(), () -> {
                if (jobs.own(ref.id()).size() >= MOST_LINES) {
                    throw new BadInput("There are " + MOST_LINES + " lines already. Take one out first.");
                }
                jobs.add(ref.id(), new Quotation.Own(what, quantity, Math.round(100 * each)), ref.by());
                return null;
            });
        }
    }

    void removeLine(HouseholdRef ref, long line) {
        if (!changes.<Boolean>aside(ref.id(), () -> jobs.remove(ref.id(), line))) {
            throw new NoSuchPage();
        }
    }

    /** Sends nothing: the paper is numbered and kept as it stands, and what waited for an answer is replaced by it. */
    void quote(HouseholdRef ref) {
        Frame before = frames.frame(ref, Stage.READY);
        int minutes = minutes(before);
        changes.aside(ref.id(), () -> {
            State state = state(frames.frame(ref, Stage.READY), minutes);
            if (!state.kit().equals(Kits.kit(before))) {
                throw new Conflict("What the job needs was changed meanwhile. Look at the sum once more.");
            }
            if (!state.sums().unpriced().isEmpty()) {
                throw new BadInput("Without a price: " + String.join("; ", state.sums().unpriced())
                        + ". A quotation that leaves them out would be too low.");
            }
            if (state.sums().lines().isEmpty()) {
                throw new BadInput("There is nothing to quote yet.");
            }
            PriceBook.Money money = state.money();
            return papers.quote(ref.staff().firmId(), ref.id(), LocalDate.now(clock).plusDays(money.validDays()), addressed(ref),
                    money.currency(), state.sums(), money.terms(), ref.by());
        });
    }

    /** The household's answer to the quotation that was on the page. */
    void answer(HouseholdRef ref, Form form) {
        MoneyPapers.Answer answer = form.choice("answer", "the answer", MoneyPapers.Answer.class);
        String by = form.text("answeredBy", "who of the household answered", 80);
        if (!form.ok() || answer == MoneyPapers.Answer.REPLACED) {
            return;
        }
        changes.aside(ref.id(), () -> {
            MoneyPapers.Quoted waiting = papers.quotations(ref.id()).stream().filter(quoted -> quoted.answer().isEmpty()).findFirst()
                    .orElseThrow(() -> new Conflict("No quotation waits for an answer any more."));
            if (!form.raw("of").equals(String.valueOf(waiting.paper().id()))) {
                throw new Conflict("Another quotation, " + waiting.title() + ", went out meanwhile.");
            }
            if (answer == MoneyPapers.Answer.ACCEPTED && waiting.paper().until().isBefore(LocalDate.now(clock))) {
                throw new BadInput("It held until " + waiting.paper().until().format(DAY) + ". Issue it anew, at today's prices.");
            }
            return papers.answer(ref.id(), answer, by);
        });
    }

    /** Bills the accepted quotation with all that was agreed since. */
    void bill(HouseholdRef ref) {
        changes.aside(ref.id(), () -> {
            // What is billed was reckoned when it was quoted: the hours of today are of no matter.
            State state = state(frames.frame(ref, Stage.READY), 0);
            MoneyPapers.Quoted quoted = state.toBill()
                    .orElseThrow(() -> new Conflict("There is no accepted quotation that is not billed yet."));
            MoneyPapers.Paper paper = quoted.paper();
            papers.charge(ref.staff().firmId(), ref.id(), paper.id(), null, LocalDate.now(clock).plusDays(state.money().payDays()),
                    addressed(ref), paper.currency(), paper.sums().with(state.since(quoted)), state.money().terms(), ref.by());
            return null;
        });
    }

    void paid(HouseholdRef ref, long billId, Form form) {
        LocalDate on = form.date("paidOn", "the day on which it was paid");
        if (!form.ok()) {
            return;
        }
        changes.aside(ref.id(), () -> {
            MoneyPapers.Bill bill = papers.bill(ref.id(), billId).orElseThrow(NoSuchPage::new);
            if (on.isAfter(LocalDate.now(clock)) || on.isBefore(bill.paper().issuedAt().toLocalDate())) {
                throw new BadInput("It can have been paid between the day it was issued and today.");
            }
            if (!papers.paid(ref.id(), billId, on, ref.by())) {
                throw new Conflict("It is noted as paid, or was cancelled, already.");
            }
            return null;
        });
    }

    void notPaid(HouseholdRef ref, long billId) {
        if (!changes.<Boolean>aside(ref.id(), () -> papers.notPaid(ref.id(), billId))) {
            throw new Conflict("It is not noted as paid.");
        }
    }

    /** A bill is never taken out: another takes it back, with a number of its own. */
    void cancel(HouseholdRef ref, long billId) {
        changes.aside(ref.id(), () -> {
            MoneyPapers.Bill bill = papers.bill(ref.id(), billId).orElseThrow(NoSuchPage::new);
            if (!bill.open()) {
                throw new Conflict(bill.paidOn() != null ? "It is noted as paid. Take that back first." : "It is cancelled already.");
            }
            MoneyPapers.Paper paper = bill.paper();
            papers.charge(ref.staff().firmId(), ref.id(), bill.quotationId().orElse(null), billId, LocalDate.now(clock),
                    paper.addressedTo(), paper.currency(), paper.sums().takenBack(), "Takes back " + bill.title() + ".", ref.by());
            return null;
        });
    }

    private String addressed(HouseholdRef ref) {
        Household household = households.get(ref.id());
        List<String> lines = new ArrayList<>(List.of(household.name()));
        lines.add(household.address());
        return String.join("\n", lines);
    }
}
