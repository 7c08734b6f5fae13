package roofnest.app.ready;

import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.Optional;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** The newest scan of the air about a house, as the scanner printed it. */
@Repository
public class AirScanRepository {
    private final JdbcClient jdbc;
    private final Clock clock;

    AirScanRepository(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    record Printed(String text, String by, OffsetDateTime at) {}

    Optional<Printed> of(long householdId) {
        return jdbc.sql("select printed, taken_by, taken_at from air_scan where household_id = :householdId")
                .param("householdId", householdId)
                .query((row, n) -> new Printed(row.getString("printed"), row.getString("taken_by"),
                        row.getObject("taken_at", OffsetDateTime.class)))
                .optional();
    }

    public void keep(long householdId, String text, String by) {
        jdbc.sql("""
            insert into air_scan (household_id, printed, taken_by, taken_at)
            values (:householdId, :text, :by, :now)
            on conflict (household_id) do update
            set printed = excluded.printed, taken_by = excluded.taken_by, taken_at = excluded.taken_at
            """)
                .param("householdId", householdId)
                .param("text", text)
                .param("by", by)
                .param("now", OffsetDateTime.now(clock))
                .update();
    }

    void remove(long householdId) {
        jdbc.sql("delete from air_scan where household_id = :householdId").param("householdId", householdId).update();
    }
}
