package roofnest.app.records;

import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.List;

import org.springframework.jdbc.core.simple.JdbcClient;

import roofnest.app.web.NoSuchPage;

/** Rows of one repository's table, taken out by a mark of when and by whom, and brought back by lifting it. */
public final class ArchivedRows {
    private final JdbcClient jdbc;
    private final Clock clock;
    private final TakenOut.Kind kind;
    private final String table;
    private final String words;

    /**
     * @param table that the repository writes
     * @param words an expression of the table's columns that says what a row is; both constants, never anything typed
     */
    ArchivedRows(JdbcClient jdbc, Clock clock, TakenOut.Kind kind, String table, String words) {
        this.jdbc = jdbc;
        this.clock = clock;
        this.kind = kind;
        this.table = table;
        this.words = words;
    }

    TakenOut.Kind kind() {
        return kind;
    }

    /** Returns whether there was one to take out. */
    boolean takeOut(long householdId, long id, String by) {
        return jdbc.sql("update " + table
                + " set removed_at = :now, removed_by = :by where household_id = :household and id = :id and removed_at is null")
                .param("now", OffsetDateTime.now(clock))
                .param("by", by)
                .param("household", householdId)
                .param("id", id)
                .update() == 1;
    }

    List<TakenOut> takenOut(long householdId) {
        return jdbc.sql("select id, " + words + " as what, removed_at, coalesce(removed_by, '') as removed_by from " + table
                + " where household_id = :household and removed_at is not null order by removed_at desc, id desc")
                .param("household", householdId)
                .query((row, n) -> new TakenOut(kind, row.getLong("id"), row.getString("what"),
                        row.getObject("removed_at", OffsetDateTime.class), row.getString("removed_by")))
                .list();
    }

    void bringBack(long householdId, long id) {
        int rows = jdbc.sql("update " + table
                + " set removed_at = null, removed_by = null where household_id = :household and id = :id and removed_at is not null")
                .param("household", householdId)
                .param("id", id)
                .update();
        if (rows != 1) {
            throw new NoSuchPage();
        }
    }
}
