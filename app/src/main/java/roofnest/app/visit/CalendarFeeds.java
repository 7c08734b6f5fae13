package roofnest.app.visit;

import java.time.Clock;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;

import net.fortuna.ical4j.model.component.VEvent;
import net.fortuna.ical4j.model.property.Location;
import net.fortuna.ical4j.model.property.immutable.ImmutableStatus;

import roofnest.app.firm.Staff;
import roofnest.app.web.CalendarFile;
import roofnest.app.web.LinkTokens;
import roofnest.app.web.NoSuchPage;

/** A calendar of the firm's visits that a calendar program reads by a secret link; one for each person, for as long as they are let in. */
@Service
class CalendarFeeds {
    private static final int DAYS_BACK = 31;
    private static final int MOST_EVENTS = 1000;

    private final JdbcClient jdbc;
    private final LinkTokens tokens;
    private final Clock clock;

    CalendarFeeds(JdbcClient jdbc, LinkTokens tokens, Clock clock) {
        this.jdbc = jdbc;
        this.tokens = tokens;
        this.clock = clock;
    }

    /** @param readAt when a calendar last read it; null while none did */
    record Feed(OffsetDateTime madeAt, OffsetDateTime readAt) {}

    Optional<Feed> of(long personId) {
        return jdbc.sql("select made_at, read_at from calendar_feed where person_id = :person").param("person", personId).query((row,
                n) -> new Feed(row.getObject("made_at", OffsetDateTime.class), row.getObject("read_at", OffsetDateTime.class))).optional();
    }

    /** A new link, which ends the one before. @return its secret word, which is kept nowhere */
    String fresh(Staff staff) {
        String token = tokens.fresh();
        jdbc.sql("""
            insert into calendar_feed (person_id, token_hash, made_at) values (:person, :hash, :now)
            on conflict (person_id) do update set token_hash = excluded.token_hash, made_at = excluded.made_at, read_at = null
            """).param("person", staff.id()).param("hash", tokens.hash(token)).param("now", OffsetDateTime.now(clock)).update();
        return token;
    }

    /** Returns whether there was one. */
    boolean end(Staff staff) {
        return jdbc.sql("delete from calendar_feed where person_id = :person").param("person", staff.id()).update() == 1;
    }

    private record Event(long household, String name, String address, String what, LocalDate on, Integer from, Integer minutes,
            boolean agreed) {}

    /** The calendar that a link opens. @throws NoSuchPage when it opens none, or its person is not let in any more */
    String read(String token) {
        long firm = jdbc.sql("""
            update calendar_feed f set read_at = :now from person p
            where f.token_hash = :hash and p.id = f.person_id and p.blocked_at is null returning p.firm_id
            """).param("now", OffsetDateTime.now(clock)).param("hash", tokens.hash(token)).query(Long.class).optional().orElseThrow(
                NoSuchPage::new);
        CalendarFile file = new CalendarFile("Visits", clock);
        events(firm).forEach(event -> file.add(event(event), "visit-" + event.household(), event.what() + (event.from() == null
                ? ". The day is set; no time is."
                : event.agreed() ? ". Agreed with the household." : ". Not agreed with the household yet.")));
        return file.toString();
    }

    private VEvent event(Event event) {
        VEvent made = event.from() == null ? new VEvent(event.on(), event.name())
                : new VEvent(event.on().atStartOfDay().plusMinutes(event.from()), event.on()
                        .atStartOfDay().plusMinutes(event.from() + (long) event.minutes()), event.name());
        made.add(new Location(event.address()));
        made.add(event.agreed() ? ImmutableStatus.VEVENT_CONFIRMED : ImmutableStatus.VEVENT_TENTATIVE);
        return made;
    }

    /** Appointments, and the days that somebody set by hand for households that have none. */
    private List<Event> events(long firm) {
        return jdbc.sql("""
            select h.id, h.name, h.address, coalesce(nullif(h.due_what, ''), 'visit') as what, coalesce(a.on_day, h.due_on) as on_day,
                   a.from_minute, a.minutes, a.agreed_at is not null as agreed
            from household h left join appointment a on a.household_id = h.id and a.cancelled_at is null
            where h.firm_id = :firm and h.archived_at is null and (a.on_day >= :since or (a.on_day is null and h.due_by_hand
              and h.due_on >= :since))
            order by on_day, h.id limit :most
            """).param("firm", firm).param("since", LocalDate.now(clock).minusDays(DAYS_BACK)).param("most", MOST_EVENTS).query((row,
                n) -> new Event(row.getLong("id"), row.getString("name"), row.getString("address"), row.getString("what"), row.getObject(
                        "on_day", LocalDate.class), row.getObject("from_minute", Integer.class), row.getObject("minutes", Integer.class),
                        row
                                .getBoolean("agreed")))
                .list();
    }
}
