package roofnest.app.prove;

import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.List;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** What householders take as it is, in the words that were agreed. */
@Repository
public class RemarkRepository {
    private final JdbcClient jdbc;
    private final Clock clock;

    RemarkRepository(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /**
     * @param about a promise's key, or {@link Gate#TESTS}
     * @param stands as it stood when it was agreed; the remark holds for as long as that is so
     */
    public record Remark(String about, String stands, String words, String agreedBy, OffsetDateTime at, String by) {}

    public List<Remark> of(long householdId) {
        return jdbc.sql("select about, stands, words, agreed_by, at, by_name from remark where household_id = :householdId order by about")
                .param("householdId", householdId)
                .query((row, n) -> new Remark(row.getString("about"), row.getString("stands"), row.getString("words"),
                        row.getString("agreed_by"), row.getObject("at", OffsetDateTime.class), row.getString("by_name")))
                .list();
    }

    void keep(long householdId, String about, String stands, String words, String agreedBy, String by) {
        keep(householdId, new Remark(about, stands, words, agreedBy, OffsetDateTime.now(clock), by));
    }

    /** As it was agreed, at whatever time. */
    public void keep(long householdId, Remark remark) {
        jdbc.sql("""
            insert into remark (household_id, about, stands, words, agreed_by, at, by_name)
            values (:householdId, :about, :stands, :words, :agreedBy, :at, :by)
            on conflict (household_id, about) do update
            set stands = excluded.stands, words = excluded.words, agreed_by = excluded.agreed_by, at = excluded.at,
              by_name = excluded.by_name
            """)
                .param("householdId", householdId)
                .param("about", remark.about())
                .param("stands", remark.stands())
                .param("words", remark.words())
                .param("agreedBy", remark.agreedBy())
                .param("at", remark.at())
                .param("by", remark.by())
                .update();
    }
}
