package roofnest.app.records;

import java.sql.Types;
import java.time.Clock;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.List;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** The household's logbook. */
@Repository
public class LogRepository {
    private final JdbcClient jdbc;
    private final Clock clock;

    LogRepository(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    public enum Kind {
        NOTE("note"), CHARGE("pack charged"), CALL("call"), RESET("reset"), FIRMWARE("firmware");

        private final String words;

        Kind(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /** @param camera its name; empty for the whole house */
    public record Entry(Kind kind, String words, String camera, LocalDate on, String by) {}

    public List<Entry> of(long householdId) {
        return jdbc.sql("""
            select e.kind, e.words, coalesce(c.name, '') as camera, e.happened_on, e.by_name
            from log_entry e left join camera c on c.id = e.camera_id
            where e.household_id = :householdId
            order by e.happened_on desc, e.id desc
            """)
                .param("householdId", householdId)
                .query((row, n) -> new Entry(Kind.valueOf(row.getString("kind")), row.getString("words"), row.getString("camera"),
                        row.getObject("happened_on", LocalDate.class), row.getString("by_name")))
                .list();
    }

    public void add(long householdId, Long cameraId, Kind kind, String words, LocalDate on, String by) {
        jdbc.sql("""
            insert into log_entry (household_id, camera_id, kind, words, happened_on, by_name, written_at)
            values (:householdId, :cameraId, :kind, :words, :on, :by, :now)
            """)
                .param("householdId", householdId)
                .param("cameraId", cameraId, Types.BIGINT)
                .param("kind", kind.name())
                .param("words", words)
                .param("on", on)
                .param("by", by)
                .param("now", OffsetDateTime.now(clock))
                .update();
    }
}
