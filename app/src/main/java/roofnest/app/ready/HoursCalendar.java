package roofnest.app.ready;

import java.time.Clock;
import java.time.LocalDateTime;

import org.springframework.stereotype.Component;

import net.fortuna.ical4j.model.component.VEvent;

import roofnest.app.web.CalendarFile;
import roofnest.core.visit.Timeline;

/** A visit and the charging before it as an iCalendar file (RFC 5545), in local time. */
@Component
class HoursCalendar {
    private final Clock clock;

    HoursCalendar(Clock clock) {
        this.clock = clock;
    }

    String write(long householdId, String household, Hours.Planned planned) {
        CalendarFile file = new CalendarFile("Visit", clock);
        LocalDateTime leave = planned.leave();
        add(file, "visit-" + householdId, leave, leave.plusMinutes(planned.shortest().finishMinutes()), "Visit · " + household,
                planned.shortest().placed().size() + " tasks; travel is not counted.");
        planned.startBy().ifPresent(start -> {
            for (Timeline.Placed pack : planned.charging().timeline().placed()) {
                LocalDateTime on = start.plusMinutes(pack.startMinute());
                add(file, "pack-" + householdId + "-" + pack.task().id().replaceAll("[^A-Za-z0-9]", "-"), on,
                        on.plusMinutes(pack.task().handsOnMinutes()),
                        pack.task().what() + " · " + household,
                        "Charger " + (pack.installer() + 1) + ". The maker's charger only; never a swollen pack.");
            }
        });
        return file.toString();
    }

    private static void add(CalendarFile file, String uid, LocalDateTime from, LocalDateTime to, String summary, String description) {
        file.add(new VEvent(from, to, summary), uid, description);
    }
}
