package roofnest.app.records;

import java.sql.Types;
import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.List;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

import roofnest.app.secrets.SealedRows;
import roofnest.app.secrets.Sealer;

/** The simulated post: what would have been sent, readable in the household's mailbox. */
@Repository
public class MailRepository implements SealedRows {
    private final JdbcClient jdbc;
    private final Sealer sealer;
    private final Clock clock;

    MailRepository(JdbcClient jdbc, Sealer sealer, Clock clock) {
        this.jdbc = jdbc;
        this.sealer = sealer;
        this.clock = clock;
    }

    /** @param link null when there is none, or it is not shown */
    public record Mail(long id, String to, String subject, String body, boolean hasLink, String link, OffsetDateTime sentAt) {}

    /** @param withLinks whether the links are opened for whoever reads */
    public List<Mail> of(long householdId, boolean withLinks) {
        return jdbc.sql("""
            select id, to_address, subject, body, link_sealed, sent_at
            from mail
            where household_id = :householdId
            order by id desc
            """)
                .param("householdId", householdId)
                .query((row, n) -> new Mail(row.getLong("id"), row.getString("to_address"), row.getString("subject"), row.getString("body"),
                        row.getBytes("link_sealed") != null,
                        withLinks && row.getBytes("link_sealed") != null
                                ? sealer.open(row.getBytes("link_sealed"), belongsTo(householdId)).orElse(null) : null,
                        row.getObject("sent_at", OffsetDateTime.class)))
                .list();
    }

    private static String belongsTo(long householdId) {
        return "mail link of household " + householdId;
    }

    /** Seals the links of mails that were sent by an older release. @return how many */
    @Transactional
    public int sealLinks() {
        record Plain(long id, long householdId, String link) {}
        List<Plain> plain = jdbc.sql("select id, household_id, link from mail where link is not null for update")
                .query((row, n) -> new Plain(row.getLong("id"), row.getLong("household_id"), row.getString("link"))).list();
        plain.forEach(mail -> jdbc.sql("update mail set link = null, link_sealed = :sealed where id = :id")
                .param("sealed", sealer.seal(mail.link(), belongsTo(mail.householdId()))).param("id", mail.id()).update());
        return plain.size();
    }

    @Override
    public String what() {
        return "links of mails";
    }

    @Override
    @Transactional
    public int sealAnew() {
        record Old(long id, long householdId, byte[] sealed) {}
        return jdbc.sql("select id, household_id, link_sealed from mail where link_sealed is not null for update")
                .query((row, n) -> new Old(row.getLong("id"), row.getLong("household_id"), row.getBytes("link_sealed"))).list().stream()
                .mapToInt(old -> sealer.anew(old.sealed(), belongsTo(old.householdId()))
                        .map(anew -> jdbc.sql("update mail set link_sealed = :sealed where id = :id")
                                .param("sealed", anew).param("id", old.id()).update())
                        .orElse(0))
                .sum();
    }

    /** Sends it in the firm's name, with the firm's details beneath. @param link null when there is none to open */
    public void send(long householdId, String to, String subject, String body, String link) {
        jdbc.sql("""
            insert into mail (household_id, to_address, subject, body, link_sealed, sent_at)
            select :householdId, :to, :subject, :body || E'\\n\\n' || concat_ws(E'\\n', f.name, nullif(f.address, ''), nullif(f.phone, ''),
                   nullif(f.email, ''), 'tax number ' || nullif(f.tax_number, '')), :link, :now
            from household h join firm f on f.id = h.firm_id
            where h.id = :householdId
            """)
                .param("householdId", householdId)
                .param("to", to)
                .param("subject", subject)
                .param("body", body)
                .param("link", link == null ? null : sealer.seal(link, belongsTo(householdId)), Types.BINARY)
                .param("now", OffsetDateTime.now(clock))
                .update();
    }
}
