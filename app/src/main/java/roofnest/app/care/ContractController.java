package roofnest.app.care;

import java.time.Clock;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.Optional;
import java.util.Set;

import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;

import roofnest.app.firm.Needs;
import roofnest.app.firm.Role;
import roofnest.app.household.Frames;
import roofnest.app.records.Changes;
import roofnest.app.records.ContractRepository;
import roofnest.app.records.FaultCaseRepository;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.PriceBook;
import roofnest.app.web.Conflict;
import roofnest.app.web.Form;
import roofnest.app.web.Says;
import roofnest.core.care.CareContract;
import roofnest.core.care.CaseMoney;
import roofnest.core.promise.Stage;

/** Care by the term, and what calls came to. */
@Controller
class ContractController {
    private static final double HUNDRED = 100;

    private final Frames frames;
    private final Changes changes;
    private final ContractRepository contracts;
    private final FaultCaseRepository cases;
    private final CaseController pages;
    private final CaseMoneys moneys;
    private final PriceBook prices;
    private final Clock clock;

    ContractController(Frames frames, Changes changes, ContractRepository contracts, FaultCaseRepository cases, CaseController pages,
            CaseMoneys moneys, PriceBook prices, Clock clock) {
        this.frames = frames;
        this.changes = changes;
        this.contracts = contracts;
        this.cases = cases;
        this.pages = pages;
        this.moneys = moneys;
        this.prices = prices;
        this.clock = clock;
    }

    @GetMapping("/households/{household}/care/contract")
    String show(HouseholdRef ref, Model model) {
        return page(ref, Form.empty(), model);
    }

    @PostMapping("/households/{household}/care/contract")
    @Needs(value = Role.Permission.PRICE, act = "write a contract of care down")
    @Says("The contract is written down. Its end stands among what comes up.")
    String say(HouseholdRef ref, Form form, Model model) {
        LocalDate from = form.date("from", "its first day");
        int months = form.whole("months", "how long a term is", 1, CareContract.MOST_MONTHS, "months");
        double price = form.decimal("price", "the price of a term", 0, CareContract.MOST_CENTS / HUNDRED, "");
        int visits = form.whole("visits", "how many visits of a term it covers", 0, CareContract.MOST_VISITS, "visits");
        Set<CareContract.Covers> covers = EnumSet.noneOf(CareContract.Covers.class);
        Arrays.stream(CareContract.Covers.values()).filter(each -> form.has(each.name())).forEach(covers::add);
        if (form.faultAt("visits") == null && covers.contains(CareContract.Covers.VISITS) != visits > 0) {
            form.fault("visits", visits > 0 ? "Tick that visits are covered, or say 0." : "Say how many visits of a term are covered.");
        }
        int version = form.version();
        return form.save(() -> changes.run(ref, Stage.CARE, () -> contracts.say(ref.id(), new ContractRepository.Row(new CareContract(from,
                months, form.has("renews"), Math.round(price * HUNDRED), covers, visits), ref.by(), version))))
                        ? "redirect:" + ref.path() + "/care" : page(ref, form, model);
    }

    @PostMapping("/households/{household}/care/contract/remove")
    @Needs(value = Role.Permission.PRICE, act = "take a contract of care out")
    @Says("The contract is taken out.")
    String remove(HouseholdRef ref) {
        changes.run(ref, Stage.CARE, () -> {
            if (!contracts.remove(ref.id())) {
                throw new Conflict("Somebody else took it out meanwhile.");
            }
        });
        return "redirect:" + ref.path() + "/care";
    }

    @PostMapping("/households/{household}/care/cases/{case}/money")
    @Says("Written down. Nothing was billed.")
    String money(HouseholdRef ref, @PathVariable("case") long id, Form form, Model model) {
        LocalDate on = form.date("workOn", "the day of it");
        if (form.faultAt("workOn") == null && on.isAfter(LocalDate.now(clock))) {
            form.fault("workOn", "This day is still to come.");
        }
        int phone = form.whole("phoneMinutes", "the time on the phone", 0, CaseMoney.Work.MOST_PHONE_MINUTES, "min");
        int visits = form.whole("visits", "how many visits were made", 0, CaseMoney.Work.MOST_VISITS, "visits");
        int minutes = form.whole("visitMinutes", "the time there", 0, CaseMoney.Work.MOST_VISIT_MINUTES, "min");
        double parts = form.decimal("parts", "the parts", 0, CareContract.MOST_CENTS / HUNDRED, "");
        if (form.faultAt("visits") == null && form.faultAt("visitMinutes") == null && visits == 0 && minutes > 0) {
            form.fault("visits", "Somebody was there: say how often.");
        }
        int version = form.version();
        return form.save(() -> changes.aside(ref.id(), () -> {
            moneys.say(ref, cases.get(ref.id(), id), new ContractRepository.Work(on, phone, visits, minutes, Math.round(parts * HUNDRED), 0,
                    ref.by(), version));
            return null;
        })) ? "redirect:" + ref.path() + "/care/cases/" + id + "#money" : pages.call(ref, id, form, model);
    }

    private String page(HouseholdRef ref, Form form, Model model) {
        frames.frame(ref, Stage.CARE, model);
        Optional<ContractRepository.Row> row = contracts.of(ref.id());
        model.addAttribute("form", form);
        model.addAttribute("row", row.orElse(null));
        model.addAttribute("covers", CareContract.Covers.values());
        model.addAttribute("currency", prices.money(ref.staff().firmId()).currency());
        model.addAttribute("price", row.map(each -> Cents.plain(each.contract().centsATerm())).orElse(""));
        model.addAttribute("today", LocalDate.now(clock));
        return "contract";
    }
}
