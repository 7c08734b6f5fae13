package roofnest.app.records;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

import org.springframework.stereotype.Component;

import roofnest.core.care.Coming;
import roofnest.core.judge.WhatComes;

/** Gathers from a household's records what comes up by them. */
@Component
class CareRecords {
    /** That it ended is said for so long after. */
    private static final int ENDED_DAYS = 30;

    private final LogRepository log;
    private final CardRepository cards;
    private final TermRepository terms;
    private final FootageRepository footage;
    private final FaultCaseRepository cases;
    private final ContractRepository contracts;

    CareRecords(
            LogRepository log, CardRepository cards, TermRepository terms, FootageRepository footage,
            FaultCaseRepository cases, ContractRepository contracts) {
        this.contracts = contracts;
        this.log = log;
        this.cards = cards;
        this.terms = terms;
        this.footage = footage;
        this.cases = cases;
    }

    WhatComes.Records of(Household household, LocalDate today) {
        long id = household.id();
        List<LogRepository.Entry> entries = log.of(id);
        return new WhatComes.Records(since(household, today), household.handedOver(), last(entries, LogRepository.Kind.FIRMWARE),
                last(entries,
                        LogRepository.Kind.LOOK),
                footage.house(id).packsByFirm(), cardsIn(id),
                runsOut(id, today), repairs(id, entries),
                entries.stream().filter(entry -> entry.kind() != LogRepository.Kind.REPAIR && entry.nextOn() != null && !entry.nextOn()
                        .isBefore(today)).map(DueLines::noted).toList());
    }

    /** What was written down to run out, and the contract's term; one that ended long ago is history. */
    private List<WhatComes.Term> runsOut(long id, LocalDate today) {
        List<WhatComes.Term> all = new ArrayList<>(terms.of(id).stream().map(TermRepository.Row::term).toList());
        contracts.of(id).map(ContractRepository.Row::contract).ifPresent(contract -> contract.ends(today.isBefore(contract.from())
                ? contract.from() : today).filter(last -> !last.isBefore(today.minusDays(ENDED_DAYS))).ifPresent(last -> all.add(
                        new WhatComes.Term(Coming.Kind.CONTRACT, Optional.empty(), last, contract.renews()
                                ? "the contract’s term ends, a new one begins" : "the contract of care ends"))));
        return all;
    }

    private static LocalDate since(Household household, LocalDate today) {
        return household.handedOver() ? household.handedOverAt().toLocalDate()
                : Optional.ofNullable(household.stageSince()).orElse(
                        today);
    }

    private static Optional<LocalDate> last(List<LogRepository.Entry> entries, LogRepository.Kind kind) {
        return entries.stream().filter(entry -> entry.kind() == kind).map(LogRepository.Entry::on).max(LocalDate::compareTo);
    }

    private Map<Long, WhatComes.CardIn> cardsIn(long id) {
        Map<Long, WhatComes.CardIn> in = new HashMap<>();
        cards.of(id).forEach((camera, card) -> in.put(camera, new WhatComes.CardIn(card.putIn(), (int) Math.round(card.printedGb()), card
                .highEndurance())));
        return in;
    }

    /** With what was found to be wanted, where a call has led to it. */
    private List<WhatComes.Repair> repairs(long id, List<LogRepository.Entry> entries) {
        List<LogRepository.Entry> open = entries.stream().filter(LogRepository.Entry::open).toList();
        Map<Long, FaultCaseRepository.Case> calls = new HashMap<>();
        if (open.stream().anyMatch(entry -> entry.caseId() != null)) {
            cases.of(id).forEach(each -> calls.put(each.id(), each));
        }
        return open.stream().map(entry -> {
            Optional<FaultCaseRepository.Case> call = Optional.ofNullable(calls.get(entry.caseId()));
            return new WhatComes.Repair(entry.words(), Optional.ofNullable(entry.cameraId()), entry.on(), Optional.ofNullable(entry
                    .nextOn()), call.map(FaultCaseRepository.Case::visitMinutes).orElse(0), call.map(FaultCaseRepository.Case::visitParts)
                            .orElse(List.of()));
        }).toList();
    }
}
