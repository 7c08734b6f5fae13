package roofnest.app.records;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Types;
import java.time.Clock;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.Optional;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/**
 * When somebody comes to a household. A time that the firm plans with is not agreed until the household said yes to it, and
 * only what is agreed is ever told to it as agreed.
 */
@Repository
public class AppointmentRepository {
    private final JdbcClient jdbc;
    private final Clock clock;

    AppointmentRepository(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /** When it may begin, and how long it takes. */
    public record Window(int fromMinute, int untilMinute, int minutes) {
        public String from() {
            return clock(fromMinute);
        }

        public String until() {
            return clock(untilMinute);
        }

        /** "between 09:00 and 11:00", or "at 09:00". */
        public String clock() {
            return fromMinute == untilMinute ? "at " + from() : "between " + from() + " and " + until();
        }

        private static String clock(int minute) {
            return String.format("%02d:%02d", minute / 60 % 24, minute % 60);
        }
    }

    /**
     * @param sequence counts its changes, for calendars
     * @param agreedAt when somebody of the firm agreed it with the household; null while it is a plan of the firm's own
     * @param confirmedAt when the household confirmed it by its link; null while it has not
     * @param proposed what the household would rather have, in its own words; null when it proposed nothing
     */
    public record Appointment(LocalDate on, Window window, int sequence, OffsetDateTime agreedAt, OffsetDateTime confirmedAt,
            String proposed) {
        public boolean agreed() {
            return agreedAt != null;
        }
    }

    /** The one that stands; empty when none was made, or it was called off. */
    public Optional<Appointment> of(long householdId) {
        return jdbc.sql("""
            select on_day, from_minute, until_minute, minutes, sequence, agreed_at, confirmed_at, proposed
            from appointment
            where household_id = :household and cancelled_at is null
            """)
                .param("household", householdId)
                .query(AppointmentRepository::appointment).optional();
    }

    /**
     * Plans a time. What was agreed of the same time stays agreed; another time is not.
     *
     * @param agreed whether the household said yes to it
     */
    public void appoint(long householdId, LocalDate day, Window window, boolean agreed) {
        jdbc.sql("""
            insert into appointment as a (household_id, on_day, from_minute, until_minute, minutes, agreed_at)
            values (:id, :day, :from, :until, :minutes, :agreed)
            on conflict (household_id) do update
            set on_day = excluded.on_day, from_minute = excluded.from_minute, until_minute = excluded.until_minute,
                minutes = excluded.minutes, sequence = a.sequence + 1, cancelled_at = null, proposed = null,
                agreed_at = case when excluded.agreed_at is not null then excluded.agreed_at
                                 when a.cancelled_at is null and (a.on_day, a.from_minute, a.until_minute)
                                   = (excluded.on_day, excluded.from_minute, excluded.until_minute) then a.agreed_at end,
                confirmed_at = case when a.cancelled_at is null and (a.on_day, a.from_minute, a.until_minute)
                                      = (excluded.on_day, excluded.from_minute, excluded.until_minute) then a.confirmed_at end
            where a.cancelled_at is not null or (excluded.agreed_at is not null and a.agreed_at is null)
               or (a.on_day, a.from_minute, a.until_minute, a.minutes)
                  is distinct from (excluded.on_day, excluded.from_minute, excluded.until_minute, excluded.minutes)
            """)
                .param("id", householdId)
                .param("day", day)
                .param("from", window.fromMinute())
                .param("until", window.untilMinute())
                .param("minutes", window.minutes())
                .param("agreed", agreed ? OffsetDateTime.now(clock) : null, Types.TIMESTAMP_WITH_TIMEZONE)
                .update();
    }

    /** Returns whether there was one to call off. */
    public boolean callOff(long householdId) {
        return jdbc.sql("""
            update appointment set cancelled_at = :now, sequence = sequence + 1, confirmed_at = null
            where household_id = :household and cancelled_at is null
            """)
                .param("now", OffsetDateTime.now(clock))
                .param("household", householdId)
                .update() == 1;
    }

    /** One that was agreed and called off since; empty when none was, or another stands. */
    public Optional<Appointment> calledOff(long householdId) {
        return jdbc.sql("""
            select on_day, from_minute, until_minute, minutes, sequence, agreed_at, confirmed_at, proposed
            from appointment
            where household_id = :household and cancelled_at is not null and agreed_at is not null
            """)
                .param("household", householdId)
                .query(AppointmentRepository::appointment).optional();
    }

    /** The household says yes. @param sequence that it was shown @return whether that is still the time that stands */
    public boolean confirm(long householdId, int sequence) {
        return jdbc.sql("""
            update appointment set confirmed_at = :now, proposed = null
            where household_id = :household and sequence = :sequence and agreed_at is not null and cancelled_at is null
            """)
                .param("now", OffsetDateTime.now(clock))
                .param("household", householdId)
                .param("sequence", sequence)
                .update() == 1;
    }

    /** The household would rather have another time. @return whether there is one to have instead of */
    public boolean propose(long householdId, String words) {
        return jdbc.sql("""
            update appointment set proposed = :words, confirmed_at = null
            where household_id = :household and agreed_at is not null and cancelled_at is null
            """)
                .param("words", words)
                .param("household", householdId)
                .update() == 1;
    }

    private static Appointment appointment(ResultSet row, int n) throws SQLException {
        return new Appointment(row.getObject("on_day", LocalDate.class),
                new Window(row.getInt("from_minute"), row.getInt("until_minute"), row.getInt("minutes")), row.getInt("sequence"),
                row.getObject("agreed_at", OffsetDateTime.class), row.getObject("confirmed_at", OffsetDateTime.class),
                row.getString("proposed"));
    }
}
