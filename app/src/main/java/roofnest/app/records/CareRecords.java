package roofnest.app.records;

import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

import org.springframework.stereotype.Component;

import roofnest.core.judge.WhatComes;

/** Gathers from a household's records what comes up by them. */
@Component
class CareRecords {
    private final LogRepository log;
    private final CardRepository cards;
    private final TermRepository terms;
    private final FootageRepository footage;
    private final FaultCaseRepository cases;

    CareRecords(
            LogRepository log, CardRepository cards, TermRepository terms, FootageRepository footage,
            FaultCaseRepository cases) {
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
                terms.of(id).stream().map(TermRepository.Row::term).toList(), repairs(id, entries),
                entries.stream().filter(entry -> entry.kind() != LogRepository.Kind.REPAIR && entry.nextOn() != null && !entry.nextOn()
                        .isBefore(today)).map(DueLines::noted).toList());
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
