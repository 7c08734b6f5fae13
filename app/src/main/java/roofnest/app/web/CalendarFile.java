package roofnest.app.web;

import java.time.Clock;
import java.time.temporal.ChronoUnit;

import net.fortuna.ical4j.model.Calendar;
import net.fortuna.ical4j.model.component.VEvent;
import net.fortuna.ical4j.model.property.Description;
import net.fortuna.ical4j.model.property.DtStamp;
import net.fortuna.ical4j.model.property.ProdId;
import net.fortuna.ical4j.model.property.Uid;
import net.fortuna.ical4j.model.property.immutable.ImmutableCalScale;
import net.fortuna.ical4j.model.property.immutable.ImmutableVersion;

/** An iCalendar file in the making (RFC 5545). */
public final class CalendarFile {
    private final Calendar calendar = new Calendar();
    private final Clock clock;

    /** @param about what its events are about, for the product identifier */
    public CalendarFile(String about, Clock clock) {
        this.clock = clock;
        calendar.add(new ProdId("-//Roof Nest//" + about + "//EN"));
        calendar.add(ImmutableVersion.VERSION_2_0);
        calendar.add(ImmutableCalScale.GREGORIAN);
    }

    /** @param uid the same for the same event in a later file */
    public void add(VEvent event, String uid, String description) {
        event.replace(new DtStamp(clock.instant().truncatedTo(ChronoUnit.SECONDS)));
        event.add(new Uid(uid + "@roofnest"));
        event.add(new Description(description));
        calendar.add(event);
    }

    @Override
    public String toString() {
        return calendar.toString();
    }
}
