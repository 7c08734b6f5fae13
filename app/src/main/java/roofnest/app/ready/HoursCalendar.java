package roofnest.app.ready;

import java.time.Clock;
import java.time.LocalDateTime;
import java.time.temporal.ChronoUnit;

import org.springframework.stereotype.Component;

import net.fortuna.ical4j.model.Calendar;
import net.fortuna.ical4j.model.component.VEvent;
import net.fortuna.ical4j.model.property.Description;
import net.fortuna.ical4j.model.property.DtStamp;
import net.fortuna.ical4j.model.property.ProdId;
import net.fortuna.ical4j.model.property.Uid;
import net.fortuna.ical4j.model.property.immutable.ImmutableCalScale;
import net.fortuna.ical4j.model.property.immutable.ImmutableVersion;

import roofnest.core.visit.Timeline;

/** A visit and the charging before it as an iCalendar file (RFC 5545), in local time. */
@Component
class HoursCalendar {
    private final Clock clock;

    HoursCalendar(Clock clock) {
        this.clock = clock;
    }

    String write(long householdId, String household, Hours.Planned planned) {
        Calendar calendar = new Calendar();
        calendar.add(new ProdId("-//Roof Nest//Visit//EN"));
        calendar.add(ImmutableVersion.VERSION_2_0);
        calendar.add(ImmutableCalScale.GREGORIAN);
        LocalDateTime leave = planned.leave();
        add(calendar, "visit-" + householdId, leave, leave.plusMinutes(planned.shortest().finishMinutes()), "Visit · " + household, planned.shortest().placed().size() + " tasks; travel is not counted.");
        planned.startBy().ifPresent(start -> {
            for (Timeline.Placed pack : planned.charging().timeline().placed()) {
                LocalDateTime on = start.plusMinutes(pack.startMinute());
                add(calendar, "pack-" + householdId + "-" + pack.task().id().replaceAll("[^A-Za-z0-9]", "-"), on, on.plusMinutes(pack.task().handsOnMinutes()),
                        pack.task().what() + " · " + household, "Charger " + (pack.installer() + 1) + ". The maker's charger only; never a swollen pack.");
            }
        });
        return calendar.toString();
    }

    private void add(Calendar calendar, String uid, LocalDateTime from, LocalDateTime to, String summary, String description) {
        VEvent event = new VEvent(from, to, summary);
        event.replace(new DtStamp(clock.instant().truncatedTo(ChronoUnit.SECONDS)));
        event.add(new Uid(uid + "-" + from.toLocalDate() + "@roofnest"));
        event.add(new Description(description));
        calendar.add(event);
    }
}
