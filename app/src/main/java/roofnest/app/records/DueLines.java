package roofnest.app.records;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;

import org.springframework.stereotype.Component;

import roofnest.core.care.WorkAhead;
import roofnest.core.judge.Camera;
import roofnest.core.judge.HouseholdFacts;
import roofnest.core.judge.HouseholdJudge;
import roofnest.core.judge.Judgement;
import roofnest.core.judge.WhatComes;
import roofnest.core.promise.Stage;

/** Keeps what is next at a household in step with its work, unless somebody set it by hand. */
@Component
class DueLines {
    private static final int LONGEST_WORDS = 120;

    private final HouseholdRepository households;
    private final AppointmentRepository appointments;
    private final LogRepository log;
    private final FootageRepository footage;
    private final CareRecords records;
    private final ComingRepository coming;

    DueLines(
            HouseholdRepository households, AppointmentRepository appointments, LogRepository log, FootageRepository footage,
            CareRecords records, ComingRepository coming) {
        this.households = households;
        this.records = records;
        this.coming = coming;
        this.appointments = appointments;
        this.log = log;
        this.footage = footage;
    }

    /** Looked at anew inside a change of the household. @param judge of the house as it stands now */
    void follow(Household household, HouseholdFacts facts, HouseholdJudge judge, Judgement judgement) {
        if (household.inCare()) {
            coming.replace(household.id(), facts.today(), WhatComes.of(facts, judge, judgement, records.of(household, facts.today())));
        }
        if (!household.due().byHand()) {
            households.setDue(household.id(), next(household, facts, judge));
        }
    }

    private Optional<WorkAhead.Due> next(Household household, HouseholdFacts facts, HouseholdJudge judge) {
        List<LogRepository.Entry> entries = log.of(household.id());
        boolean care = household.stage() == Stage.CARE;
        LocalDate today = facts.today();
        return WorkAhead.of(new WorkAhead.Known(household.stage(), Optional.ofNullable(household.stageSince()),
                appointments.of(household.id()).map(AppointmentRepository.Appointment::on).filter(day -> !day.isBefore(today)),
                care ? charges(household.id(), facts, judge) : List.of(),
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

    private List<WorkAhead.Due> charges(long household, HouseholdFacts facts, HouseholdJudge judge) {
        List<Camera> packs
                = facts.cameras().stream().filter(camera -> camera.model().power().onBattery() && camera.lastCharged().isPresent())
                        .toList();
        String what = packs.isEmpty() || footage.house(household).packsByFirm() ? "charge " : "the household charges ";
        return packs.stream().map(camera -> new WorkAhead.Due(judge.nextCharge(facts, camera, camera.lastCharged().get()).on(), what
                + camera.name())).toList();
    }

    static String cut(String words) {
        return words.length() <= LONGEST_WORDS ? words : words.substring(0, LONGEST_WORDS - 1) + "…";
    }
}
