package roofnest.app.records;

import java.time.LocalDate;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

import org.springframework.stereotype.Component;

import roofnest.core.care.Coming;
import roofnest.core.care.WorkAhead;
import roofnest.core.judge.HouseholdFacts;
import roofnest.core.judge.HouseholdJudge;
import roofnest.core.judge.Judgement;
import roofnest.core.judge.WhatComes;
import roofnest.core.promise.Stage;

/** Keeps what is next at a household in step with its work, unless somebody set it by hand. */
@Component
class DueLines {
    private static final int LONGEST_WORDS = 120;
    /** What comes up without anybody having written it down. */
    private static final Set<Coming.Kind> BY_ITSELF = EnumSet.of(Coming.Kind.PACK, Coming.Kind.CARD, Coming.Kind.LOOK);

    private final HouseholdRepository households;
    private final AppointmentRepository appointments;
    private final LogRepository log;
    private final CareRecords records;
    private final ComingRepository coming;

    DueLines(
            HouseholdRepository households, AppointmentRepository appointments, LogRepository log,
            CareRecords records, ComingRepository coming) {
        this.households = households;
        this.records = records;
        this.coming = coming;
        this.appointments = appointments;
        this.log = log;
    }

    /** Looked at anew inside a change of the household. @param judge of the house as it stands now */
    void follow(Household household, HouseholdFacts facts, HouseholdJudge judge, Judgement judgement) {
        List<Coming> comes = household.inCare() ? WhatComes.of(facts, judge, judgement, records.of(household, facts.today())) : List.of();
        if (household.inCare()) {
            coming.replace(household.id(), facts.today(), comes);
        }
        if (!household.due().byHand()) {
            households.setDue(household.id(), next(household, facts.today(), comes));
        }
    }

    private Optional<WorkAhead.Due> next(Household household, LocalDate today, List<Coming> comes) {
        List<LogRepository.Entry> entries = log.of(household.id());
        boolean care = household.stage() == Stage.CARE;
        return WorkAhead.of(new WorkAhead.Known(household.stage(), Optional.ofNullable(household.stageSince()),
                appointments.of(household.id()).map(AppointmentRepository.Appointment::on).filter(day -> !day.isBefore(today)),
                comes.stream().filter(each -> BY_ITSELF.contains(each.kind())).map(each -> new WorkAhead.Due(each.on(), each.what()))
                        .toList(),
                care ? entries.stream().filter(entry -> entry.kind() == LogRepository.Kind.FIRMWARE).map(LogRepository.Entry::on)
                        .max(LocalDate::compareTo).stream().toList() : List.of(),
                entries.stream().filter(LogRepository.Entry::open).map(DueLines::noted).toList(),
                entries.stream().filter(entry -> entry.kind() != LogRepository.Kind.REPAIR && entry.nextOn() != null
                        && !entry.nextOn().isBefore(today)).map(DueLines::noted).toList()))
                .stream().findFirst();
    }

    static WorkAhead.Noted noted(LogRepository.Entry entry) {
        return new WorkAhead.Noted(entry.words(), entry.on(), Optional.ofNullable(entry.nextOn()));
    }

    static String cut(String words) {
        return words.length() <= LONGEST_WORDS ? words : words.substring(0, LONGEST_WORDS - 1) + "…";
    }
}
