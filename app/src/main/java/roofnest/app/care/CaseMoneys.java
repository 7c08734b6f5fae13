package roofnest.app.care;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;

import org.springframework.stereotype.Service;

import roofnest.app.records.ContractRepository;
import roofnest.app.records.FaultCaseRepository;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.PriceBook;
import roofnest.app.records.TermRepository;
import roofnest.core.care.CareContract;
import roofnest.core.care.CaseMoney;
import roofnest.core.care.Coming;
import roofnest.core.kit.Quotation;

/** What calls came to, by the firm's prices, the household's contract and the warranty of the device. */
@Service
class CaseMoneys {
    private final ContractRepository contracts;
    private final TermRepository terms;
    private final PriceBook prices;

    CaseMoneys(ContractRepository contracts, TermRepository terms, PriceBook prices) {
        this.contracts = contracts;
        this.terms = terms;
        this.prices = prices;
    }

    /** @param saved null while nothing is written down. @param money empty of lines while it is not */
    record View(ContractRepository.Work saved, List<Line> lines, List<String> unpriced, String household, String contract, String warranty,
            String currency, String parts) {}

    /** @param who pays it, in words */
    record Line(String what, String amount, String who) {}

    View of(HouseholdRef ref, FaultCaseRepository.Case of) {
        Optional<ContractRepository.Work> saved = contracts.work(ref.id(), of.id());
        String currency = prices.money(ref.staff().firmId()).currency();
        if (saved.isEmpty()) {
            return new View(null, List.of(), List.of(), "", "", "", currency, "");
        }
        CaseMoney money = CaseMoney.of(contract(ref), work(ref, of, saved.get()), rates(ref));
        return new View(saved.get(),
                money.lines().stream().map(line -> new Line(line.what(), Cents.words(line.cents(), currency), who(line)))
                        .toList(),
                money.unpriced(), sum(money, CaseMoney.Pays.HOUSEHOLD, currency), sum(money, CaseMoney.Pays.CONTRACT, currency),
                sum(money, CaseMoney.Pays.WARRANTY, currency), currency, Cents.plain(saved.get().partsCents()));
    }

    private static String who(CaseMoney.Line line) {
        return switch (line.pays()) {
            case HOUSEHOLD -> "the household" + (line.why().isEmpty() ? "" : ": " + line.why());
            case CONTRACT -> "its contract: " + line.why();
            case WARRANTY -> "whoever gives the warranty: " + line.why();
        };
    }

    private static String sum(CaseMoney money, CaseMoney.Pays who, String currency) {
        return money.lines().stream().anyMatch(line -> line.pays() == who) ? Cents.words(money.cents(who), currency) : "";
    }

    /** Under the household's lock: two who write down calls at once do not both take the last visit of a term. */
    void say(HouseholdRef ref, FaultCaseRepository.Case of, ContractRepository.Work said) {
        CaseMoney.Work work = work(ref, of, said);
        contracts.sayWork(ref.id(), of.id(), new ContractRepository.Work(said.on(), said.phoneMinutes(), said.visits(), said.visitMinutes(),
                said.partsCents(), CaseMoney.coveredVisits(contract(ref), work), said.by(), said.version()));
    }

    private Optional<CareContract> contract(HouseholdRef ref) {
        return contracts.of(ref.id()).map(ContractRepository.Row::contract);
    }

    private CaseMoney.Work work(HouseholdRef ref, FaultCaseRepository.Case of, ContractRepository.Work said) {
        int before = contract(ref).flatMap(each -> each.on(said.on())).map(term -> contracts.coveredVisits(ref.id(), term, of.id())).orElse(
                0);
        Optional<LocalDate> until = terms.of(ref.id()).stream().filter(row -> row.kind() == Coming.Kind.WARRANTY && (row.cameraId() == null
                || row.cameraId() == of.cameraId())).map(TermRepository.Row::on).max(LocalDate::compareTo);
        return new CaseMoney.Work(said.on(), said.phoneMinutes(), said.visits(), said.visitMinutes(), said.partsCents(), until.filter(
                last -> !said.on().isAfter(last)).isPresent(), before);
    }

    private CaseMoney.Rates rates(HouseholdRef ref) {
        Map<String, Long> all = prices.prices(ref.staff().firmId());
        return new CaseMoney.Rates(rate(all.get(Quotation.HOUR)), rate(all.get(PriceBook.VISIT)));
    }

    private static OptionalLong rate(Long cents) {
        return cents == null ? OptionalLong.empty() : OptionalLong.of(cents);
    }
}
