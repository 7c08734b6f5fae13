package roofnest.app.web;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneOffset;

import org.junit.jupiter.api.Test;

import biweekly.Biweekly;
import biweekly.ICalendar;
import net.fortuna.ical4j.model.component.VEvent;
import net.fortuna.ical4j.model.property.Sequence;

/** Calendar files are read by another library than the one that writes them. */
class CalendarFileTest {
    private static final String LONG = "Café Mühle an der Wehr, hinten über den Hof, zweite Tür links; 水車小屋の裏口から入り、階段を上がる".repeat(2);

    @Test
    void lines_are_folded_at_75_octets_whatever_signs_are_in_them_and_read_back_whole() {
        String text = file("2026-12-03T08:00:00Z").toString();
        assertThat(text.split("\r\n")).allSatisfy(line -> assertThat(line.getBytes(StandardCharsets.UTF_8).length).isLessThanOrEqualTo(75));
        ICalendar read = Biweekly.parse(text).first();
        assertThat(read.getEvents().get(0).getSummary().getValue()).isEqualTo(LONG);
        assertThat(read.getEvents().get(0).getUid().getValue()).isEqualTo("visit-7@roofnest");
        assertThat(read.getEvents().get(0).getDescription().getValue()).isEqualTo("line one\nline two, with a comma; and more");
    }

    @Test
    void a_later_file_of_the_same_event_counts_higher() {
        int before = Biweekly.parse(file("2026-12-03T08:00:00Z").toString()).first().getEvents().get(0).getSequence().getValue();
        int after = Biweekly.parse(file("2026-12-03T08:01:00Z").toString()).first().getEvents().get(0).getSequence().getValue();
        assertThat(after).isGreaterThan(before);
    }

    @Test
    void what_is_called_off_is_sent_as_cancelled() {
        CalendarFile file = new CalendarFile("Visit", Clock.systemUTC());
        VEvent event = new VEvent(LocalDateTime.of(2026, 12, 4, 9, 0), LocalDateTime.of(2026, 12, 4, 11, 0), "Visit");
        event.add(new Sequence(4));
        file.addNumbered(event, "visit-of-household-1", "");
        file.cancel();
        ICalendar read = Biweekly.parse(file.toString()).first();
        assertThat(read.getMethod().getValue()).isEqualTo("CANCEL");
        assertThat(read.getEvents().get(0).getStatus().isCancelled()).isTrue();
        assertThat(read.getEvents().get(0).getSequence().getValue()).isEqualTo(4);
    }

    private static CalendarFile file(String now) {
        CalendarFile file = new CalendarFile("Visit", Clock.fixed(Instant.parse(now), ZoneOffset.UTC));
        file.add(new VEvent(LocalDateTime.of(2026, 12, 4, 9, 0), LocalDateTime.of(2026, 12, 4, 11, 0), LONG), "visit-7",
                "line one\nline two, with a comma; and more");
        return file;
    }
}
