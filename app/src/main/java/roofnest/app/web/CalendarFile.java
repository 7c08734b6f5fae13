package roofnest.app.web;

import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Instant;
import java.time.temporal.ChronoUnit;

import net.fortuna.ical4j.model.Calendar;
import net.fortuna.ical4j.model.Component;
import net.fortuna.ical4j.model.component.VEvent;
import net.fortuna.ical4j.model.property.Description;
import net.fortuna.ical4j.model.property.DtStamp;
import net.fortuna.ical4j.model.property.ProdId;
import net.fortuna.ical4j.model.property.Sequence;
import net.fortuna.ical4j.model.property.Uid;
import net.fortuna.ical4j.model.property.immutable.ImmutableCalScale;
import net.fortuna.ical4j.model.property.immutable.ImmutableMethod;
import net.fortuna.ical4j.model.property.immutable.ImmutableStatus;
import net.fortuna.ical4j.model.property.immutable.ImmutableVersion;

/** An iCalendar file in the making (RFC 5545). */
public final class CalendarFile {
    private static final int MOST_OCTETS = 75;
    private static final Instant BEGINNING = Instant.parse("2020-01-01T00:00:00Z");

    private final Calendar calendar = new Calendar();
    private final Clock clock;

    /** @param about what its events are about, for the product identifier */
    public CalendarFile(String about, Clock clock) {
        this.clock = clock;
        calendar.add(new ProdId("-//Roof Nest//" + about + "//EN"));
        calendar.add(ImmutableVersion.VERSION_2_0);
        calendar.add(ImmutableCalScale.GREGORIAN);
    }

    /** An event that is reckoned anew for every file: what a later file says of it holds. */
    public void add(VEvent event, String uid, String description) {
        event.add(new Sequence((int) ChronoUnit.MINUTES.between(BEGINNING, clock.instant())));
        addNumbered(event, uid, description);
    }

    /**
     * An event that carries the number of its own changes.
     *
     * @param uid the same for the same event in a later file, wherever it has moved to
     */
    public void addNumbered(VEvent event, String uid, String description) {
        event.replace(new DtStamp(clock.instant().truncatedTo(ChronoUnit.SECONDS)));
        event.add(new Uid(uid + "@roofnest"));
        event.add(new Description(description));
        calendar.add(event);
    }

    /** The file says that its events will not be. */
    public void cancel() {
        calendar.add(ImmutableMethod.CANCEL);
        calendar.<VEvent>getComponents(Component.VEVENT).forEach(event -> event.add(ImmutableStatus.VEVENT_CANCELLED));
    }

    /** Lines of at most 75 octets, as RFC 5545 3.1 has them: the library counts characters, of which one may be several. */
    @Override
    public String toString() {
        StringBuilder folded = new StringBuilder();
        for (String line : calendar.toString().replaceAll("\r?\n[ \t]", "").split("\r?\n")) {
            int octets = 0;
            for (int sign : line.codePoints().toArray()) {
                String one = Character.toString(sign);
                int size = one.getBytes(StandardCharsets.UTF_8).length;
                if (octets + size > MOST_OCTETS) {
                    folded.append("\r\n ");
                    octets = 1;
                }
                folded.append(one);
                octets += size;
            }
            folded.append("\r\n");
        }
        return folded.toString();
    }
}
