package roofnest.app.records;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Types;
import java.time.Clock;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.List;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

import tools.jackson.databind.json.JsonMapper;

import roofnest.app.web.NoSuchPage;

/** Thefts, as they were reckoned when they were written down, and what was done about them since. */
@Repository
public class TheftRepository {
    private final JdbcClient jdbc;
    private final Clock clock;
    private final JsonMapper json = new JsonMapper();

    TheftRepository(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /** @param serial empty where nobody noted one */
    public record Thing(String name, String model, String serial) {}

    /** What was left of one camera's footage, in words. */
    public record Footage(String camera, String words) {}

    /** @param doneAt null until somebody said that it is done */
    public record Change(int seq, String who, String what, String why, String doneBy, OffsetDateTime doneAt) {}

    public record Row(long id, LocalDate on, List<Thing> things, List<Footage> footage, List<Change> changes, String by,
            OffsetDateTime at) {}

    /** The latest first. */
    public List<Row> of(long householdId) {
        return jdbc.sql("select * from theft where household_id = :id order by on_day desc, id desc").param("id", householdId)
                .query((row, n) -> new Row(row.getLong("id"), row.getObject("on_day", LocalDate.class),
                        List.of(json.readValue(row.getString("things"), Thing[].class)),
                        List.of(json.readValue(row.getString("footage"), Footage[].class)), changes(row.getLong("id")),
                        row.getString("by_name"), row.getObject("at", OffsetDateTime.class)))
                .list();
    }

    public Row get(long householdId, long id) {
        return of(householdId).stream().filter(each -> each.id() == id).findFirst().orElseThrow(NoSuchPage::new);
    }

    private List<Change> changes(long theftId) {
        return jdbc.sql("select * from theft_change where theft_id = :id order by seq").param("id", theftId).query(TheftRepository::change)
                .list();
    }

    private static Change change(ResultSet row, int n) throws SQLException {
        return new Change(row.getInt("seq"), row.getString("who"), row.getString("what"), row.getString("why"), row.getString("done_by"),
                row.getObject("done_at", OffsetDateTime.class));
    }

    public long add(long householdId, LocalDate on, List<Thing> things, List<Footage> footage, List<Change> changes, String by) {
        return put(householdId, new Row(0, on, things, footage, changes, by, OffsetDateTime.now(clock)));
    }

    /** As it was kept elsewhere. */
    public long put(long householdId, Row row) {
        long id = jdbc.sql("""
            insert into theft (household_id, on_day, things, footage, by_name, at)
            values (:household, :on, :things::jsonb, :footage::jsonb, :by, :at) returning id
            """).param("household", householdId).param("on", row.on()).param("things", json.writeValueAsString(row.things()))
                .param("footage", json.writeValueAsString(row.footage())).param("by", row.by()).param("at", row.at()).query(Long.class)
                .single();
        row.changes().forEach(change -> jdbc.sql("""
            insert into theft_change (theft_id, seq, who, what, why, done_by, done_at)
            values (:theft, :seq, :who, :what, :why, :doneBy, :doneAt)
            """).param("theft", id).param("seq", change.seq()).param("who", change.who()).param("what", change.what())
                .param("why", change.why()).param("doneBy", change.doneBy(), Types.VARCHAR)
                .param("doneAt", change.doneAt(), Types.TIMESTAMP_WITH_TIMEZONE).update());
        return id;
    }

    /** Says that something was changed, or that it was not after all; nothing where it stands so already. */
    public void done(long householdId, long theftId, int seq, boolean done, String by) {
        get(householdId, theftId).changes().stream().filter(change -> change.seq() == seq).findFirst().orElseThrow(NoSuchPage::new);
        jdbc.sql("""
            update theft_change set done_by = :by, done_at = :at
            where theft_id = :theft and seq = :seq and (done_at is not null) <> :done
            """).param("by", done ? by : null, Types.VARCHAR).param("at", done ? OffsetDateTime.now(clock) : null,
                Types.TIMESTAMP_WITH_TIMEZONE).param("theft", theftId).param("seq", seq).param("done", done).update();
    }
}
