package roofnest.app.records;

import java.sql.Types;
import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.List;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** The simulated post: what would have been sent, readable in the household's mailbox. */
@Repository
public class MailRepository {
    private final JdbcClient jdbc;
    private final Clock clock;

    MailRepository(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    public record Mail(long id, String to, String subject, String body, String link, OffsetDateTime sentAt) {}

    public List<Mail> of(long householdId) {
        return jdbc.sql("""
            select id, to_address, subject, body, link, sent_at
            from mail
            where household_id = :householdId
            order by id desc
            """)
                .param("householdId", householdId)
                .query((row, n) -> new Mail(row.getLong("id"), row.getString("to_address"), row.getString("subject"), row.getString("body"),
                        row.getString("link"), row.getObject("sent_at", OffsetDateTime.class)))
                .list();
    }

    /** Sends it in the firm's name, with the firm's details beneath. @param link null when there is none to open */
    public void send(long householdId, String to, String subject, String body, String link) {
        jdbc.sql("""
            insert into mail (household_id, to_address, subject, body, link, sent_at)
            select :householdId, :to, :subject, :body || E'\\n\\n' || concat_ws(E'\\n', f.name, nullif(f.address, ''), nullif(f.phone, ''),
                   nullif(f.email, ''), 'tax number ' || nullif(f.tax_number, '')), :link, :now
            from household h join firm f on f.id = h.firm_id
            where h.id = :householdId
            """)
                .param("householdId", householdId)
                .param("to", to)
                .param("subject", subject)
                .param("body", body)
                .param("link", link, Types.VARCHAR)
                .param("now", OffsetDateTime.now(clock))
                .update();
    }
}
