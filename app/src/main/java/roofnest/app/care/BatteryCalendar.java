package roofnest.app.care;

import java.time.Clock;
import java.time.temporal.ChronoUnit;
import java.util.List;

import org.springframework.stereotype.Component;

import net.fortuna.ical4j.model.Calendar;
import net.fortuna.ical4j.model.component.VEvent;
import net.fortuna.ical4j.model.property.Description;
import net.fortuna.ical4j.model.property.DtStamp;
import net.fortuna.ical4j.model.property.ProdId;
import net.fortuna.ical4j.model.property.Uid;
import net.fortuna.ical4j.model.property.immutable.ImmutableCalScale;
import net.fortuna.ical4j.model.property.immutable.ImmutableVersion;

/** Charging days as an iCalendar file (RFC 5545), one all-day event a camera. */
@Component
class BatteryCalendar {
    private final Clock clock;

    BatteryCalendar(Clock clock) {
        this.clock = clock;
    }

    String write(String household, List<NextCharges.Due> charges) {
        Calendar calendar = new Calendar();
        calendar.add(new ProdId("-//Roof Nest//Battery//EN"));
        calendar.add(ImmutableVersion.VERSION_2_0);
        calendar.add(ImmutableCalScale.GREGORIAN);
        for (NextCharges.Due charge : charges) {
            VEvent event = new VEvent(charge.on(), "Charge " + charge.camera() + " · " + household);
            event.replace(new DtStamp(clock.instant().truncatedTo(ChronoUnit.SECONDS)));
            event.add(new Uid("charge-" + charge.cameraId() + "-" + charge.on() + "@roofnest"));
            event.add(new Description("About " + charge.percent() + " left by then, " + charge.why()
                    + ". The maker's charger only; not below freezing; never a swollen pack."));
            calendar.add(event);
        }
        return calendar.toString();
    }
}
