package roofnest.app.care;

import java.time.Clock;
import java.util.List;

import org.springframework.stereotype.Component;

import net.fortuna.ical4j.model.component.VEvent;

import roofnest.app.web.CalendarFile;

/** Charging days as an iCalendar file (RFC 5545), one all-day event a camera. */
@Component
class BatteryCalendar {
    private final Clock clock;

    BatteryCalendar(Clock clock) {
        this.clock = clock;
    }

    String write(String household, List<NextCharges.Due> charges) {
        CalendarFile file = new CalendarFile("Battery", clock);
        for (NextCharges.Due charge : charges) {
            file.add(new VEvent(charge.on(), "Charge " + charge.camera() + " · " + household),
                    "charge-" + charge.cameraId(),
                    "About " + charge.percent() + " left by then, " + charge.why()
                            + ". The maker's charger only; not below freezing; never a swollen pack.");
        }
        return file.toString();
    }
}
