package roofnest.app.prove;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Hand-over packs as they were signed. They are written once and never changed. */
@Repository
public class IssueRepository {
    private final JdbcClient jdbc;
    private final Clock clock;

    IssueRepository(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /**
     * A signed pack, without its document.
     *
     * @param says everything that it says, a line each, so that it can be told what differs by now
     * @param sha256 of the document with its pictures, in hexadecimal
     */
    public record Issue(int number, OffsetDateTime signedAt, String signedBy, String madeBy, List<String> says, String sha256) {
        /** Enough of the hash to tell by eye. */
        public String shortHash() {
            return sha256.substring(0, 16);
        }
    }

    /** Newest first. */
    public List<Issue> of(long householdId) {
        return jdbc.sql("""
            select number, signed_at, signed_by, made_by, says, sha256
            from pack_issue
            where household_id = :householdId
            order by number desc
            """)
                .param("householdId", householdId)
                .query(IssueRepository::issue).list();
    }

    /** As it was signed, in XHTML. */
    public Optional<String> document(long householdId, int number) {
        return jdbc.sql("select document from pack_issue where household_id = :householdId and number = :number")
                .param("householdId", householdId)
                .param("number", number)
                .query(String.class).optional();
    }

    void add(long householdId, int number, String signedBy, String madeBy, String document, List<String> says, String sha256) {
        jdbc.sql("""
            insert into pack_issue (household_id, number, signed_at, signed_by, made_by, document, says, sha256)
            values (:householdId, :number, :now, :signedBy, :madeBy, :document, :says, :sha256)
            """)
                .param("householdId", householdId)
                .param("number", number)
                .param("now", OffsetDateTime.now(clock))
                .param("signedBy", signedBy)
                .param("madeBy", madeBy)
                .param("document", document)
                .param("says", String.join("\n", says))
                .param("sha256", sha256)
                .update();
    }

    private static Issue issue(ResultSet row, int n) throws SQLException {
        return new Issue(row.getInt("number"), row.getObject("signed_at", OffsetDateTime.class), row.getString("signed_by"),
                row.getString("made_by"), row.getString("says").lines().toList(), row.getString("sha256"));
    }
}
