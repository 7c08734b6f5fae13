package roofnest.app.pair;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;

import org.springframework.stereotype.Service;

import roofnest.app.records.AppointmentRepository;
import roofnest.app.records.Changes;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.HouseholdRepository;
import roofnest.app.records.LogRepository;
import roofnest.app.records.MailRepository;
import roofnest.app.web.Language;
import roofnest.app.web.Words;
import roofnest.core.pairing.RejoinPlan;

/**
 * The day on which the router changes, told to the household ahead in its own language. That somebody comes is said only where a visit on
 * that day was agreed.
 */
@Service
class RouterDays {
    private final HouseholdRepository households;
    private final AppointmentRepository appointments;
    private final Changes changes;
    private final MailRepository mail;
    private final LogRepository log;
    private final Words words;

    RouterDays(HouseholdRepository households, AppointmentRepository appointments, Changes changes, MailRepository mail, LogRepository log,
            Words words) {
        this.households = households;
        this.appointments = appointments;
        this.changes = changes;
        this.mail = mail;
        this.log = log;
        this.words = words;
    }

    /** The mail as it would go out today. */
    record Letter(String subject, String body) {}

    Letter letter(HouseholdRef ref, RejoinPlan plan, LocalDate day) {
        Language language = households.language(ref.id());
        boolean weCome = appointments.of(ref.id()).filter(visit -> visit.agreed() && visit.on().equals(day)).isPresent();
        List<String> away = plan.order().stream().map(line -> line.device().name()).toList();
        List<String> says = new ArrayList<>(List.of(words.say(language, "router.hello", language.day(day)),
                words.say(language, weCome ? "router.we-come" : "router.by-phone", ref.by(), ref.staff().firmName()),
                words.say(language, plan.shouldKeep() ? "router.keep" : "router.anew")));
        if (!away.isEmpty()) {
            says.add(words.say(language, "router.devices", String.join(", ", away)));
        }
        says.add(words.say(language, "router.old-one"));
        return new Letter(words.say(language, "router.subject", language.day(day)), String.join("\n\n", says));
    }

    /** Puts it into the household's post; on the day it comes up again. */
    void tell(HouseholdRef ref, String to, RejoinPlan plan, LocalDate day, LocalDate today) {
        changes.ahead(ref, () -> {
            Letter letter = letter(ref, plan, day);
            mail.send(ref.id(), to, letter.subject(), letter.body(), null);
            log.add(ref.id(), new LogRepository.Said(null, null, LogRepository.Kind.NOTE, "The router changes on " + day
                    + "; told by mail to " + to + ".", today, day), ref.by());
            return null;
        });
    }
}
