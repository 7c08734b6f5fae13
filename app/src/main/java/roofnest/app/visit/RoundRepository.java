package roofnest.app.visit;

import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

import roofnest.app.records.AppointmentRepository;

/** Whose turn it is on a day, when somebody is at home, and how far apart the firm's households are. */
@Repository
public class RoundRepository {
    /** Where the firm's days begin, among the ends of a way. */
    public static final long YARD = 0;

    private final JdbcClient jdbc;
    private final AppointmentRepository appointments;

    RoundRepository(JdbcClient jdbc, AppointmentRepository appointments) {
        this.jdbc = jdbc;
        this.appointments = appointments;
    }

    /** @param inCare whether only its care is left. @param appointment empty until somebody noted one for that day */
    public record Due(long id, String name, String address, String what, boolean inCare,
            Optional<AppointmentRepository.Window> appointment) {}

    List<Due> due(long firmId, LocalDate day) {
        return jdbc
                .sql("""
                     select h.id, h.name, h.address, h.due_what, (h.handed_over_at is not null or h.stage = 'CARE') as cared,
                    a.from_minute, a.until_minute, a.minutes
                     from household h left join appointment a on a.household_id = h.id and a.on_day = h.due_on and a.cancelled_at is null
                     where h.firm_id = :firm and h.due_on = :day and h.archived_at is null
                     order by h.name, h.id
                     """)
                .param("firm", firmId)
                .param("day", day)
                .query((row, n) -> new Due(row.getLong("id"), row.getString("name"), row.getString("address"), row.getString("due_what"),
                        row.getBoolean("cared"),
                        row.getObject("minutes") == null ? Optional.empty()
                                : Optional
                                        .of(new AppointmentRepository.Window(row.getInt("from_minute"), row.getInt("until_minute"),
                                                row.getInt("minutes")))))
                .list();
    }

    /** Keeps what was typed of a day as a whole. */
    @Transactional
    public void keep(long firmId, LocalDate day, Map<Long, AppointmentRepository.Window> windows, Map<Way, Integer> ways) {
        windows.forEach((id, window) -> appointments.appoint(id, day, window, false));
        ways.forEach((way, minutes) -> setTravel(firmId, way, minutes));
    }

    /** Two ends of a way, the lower number first. */
    public record Way(long fromId, long toId) {
        public static Way between(long a, long b) {
            return new Way(Math.min(a, b), Math.max(a, b));
        }
    }

    Map<Way, Integer> travel(long firmId) {
        Map<Way, Integer> minutes = new HashMap<>();
        jdbc.sql("select from_id, to_id, minutes from travel where firm_id = :firm").param("firm", firmId)
                .query(row -> {
                    minutes.put(new Way(row.getLong("from_id"), row.getLong("to_id")), row.getInt("minutes"));
                });
        return minutes;
    }

    /** Areas of all households between which somebody told a way. */
    Map<Long, String> areas(long firmId) {
        Map<Long, String> areas = new HashMap<>();
        jdbc.sql("select id, area from household where firm_id = :firm and area <> ''").param("firm", firmId).query(row -> {
            areas.put(row.getLong("id"), row.getString("area"));
        });
        return areas;
    }

    public void setTravel(long firmId, Way way, int minutes) {
        jdbc.sql("""
            insert into travel (firm_id, from_id, to_id, minutes)
            values (:firm, :from, :to, :minutes)
            on conflict (firm_id, from_id, to_id) do update set minutes = excluded.minutes
            """)
                .param("firm", firmId)
                .param("from", way.fromId())
                .param("to", way.toId())
                .param("minutes", minutes)
                .update();
    }
}
