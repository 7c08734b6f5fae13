package roofnest.app.prove;

import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.Optional;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;

import roofnest.app.records.Changes;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.HouseholdRepository;
import roofnest.app.records.MailRepository;
import roofnest.app.web.LinkTokens;
import roofnest.app.web.BadInput;
import roofnest.app.web.Language;
import roofnest.app.web.Words;

/** The signed pack read by a link, without a log-in. One link is good at a time; a newer one ends the older. */
@Service
public class PackLinks {
    private final JdbcClient jdbc;
    private final Changes changes;
    private final IssueRepository issues;
    private final LinkTokens tokens;
    private final MailRepository mail;
    private final HouseholdRepository households;
    private final Words words;
    private final Clock clock;

    PackLinks(JdbcClient jdbc, Changes changes, IssueRepository issues, LinkTokens tokens, MailRepository mail,
            HouseholdRepository households, Words words, Clock clock) {
        this.jdbc = jdbc;
        this.changes = changes;
        this.issues = issues;
        this.tokens = tokens;
        this.mail = mail;
        this.households = households;
        this.words = words;
        this.clock = clock;
    }

    /** @param openedAt when it was opened first; null while it was not */
    public record Link(String to, OffsetDateTime sentAt, String sentBy, OffsetDateTime openedAt) {}

    /** Whose pack a link opens, and from whom it is. */
    public record Opened(long householdId, long firmId) {}

    /** The link that is good now. */
    Optional<Link> of(long householdId) {
        return jdbc.sql("select sent_to, sent_at, sent_by, opened_at from pack_link where household_id = :id and ended_at is null")
                .param("id", householdId)
                .query((row, n) -> new Link(row.getString("sent_to"), row.getObject("sent_at", OffsetDateTime.class),
                        row.getString("sent_by"), row.getObject("opened_at", OffsetDateTime.class)))
                .optional();
    }

    /** @param site as its reader reaches it */
    void send(HouseholdRef ref, String to, String site) {
        changes.aside(ref.id(), () -> {
            if (issues.of(ref.id()).isEmpty()) {
                throw new BadInput("Nothing was signed yet, so there is nothing to read.");
            }
            close(ref);
            String token = tokens.fresh();
            jdbc.sql("""
                insert into pack_link (household_id, sent_to, token_hash, sent_at, sent_by) values (:id, :to, :hash, :now, :by)
                """).param("id", ref.id()).param("to", to).param("hash", tokens.hash(token)).param("now", OffsetDateTime.now(clock))
                    .param("by", ref.by()).update();
            Language language = households.language(ref.id());
            mail.send(ref.id(), to, words.say(language, "link.title"), words.say(language, "link.mail"),
                    site + "/pack/" + token);
            return null;
        });
    }

    /** Ends the link. Returns whether there was one. */
    boolean end(HouseholdRef ref) {
        return changes.<Boolean>aside(ref.id(), () -> close(ref));
    }

    private boolean close(HouseholdRef ref) {
        return jdbc.sql("update pack_link set ended_at = :now, ended_by = :by where household_id = :id and ended_at is null")
                .param("now", OffsetDateTime.now(clock)).param("by", ref.by()).param("id", ref.id()).update() == 1;
    }

    /** Whose it is; empty when the link opens nothing. The first look is noted. */
    public Optional<Opened> open(String token) {
        Optional<Opened> opened = jdbc.sql("""
            select l.household_id, h.firm_id from pack_link l join household h on h.id = l.household_id
            where l.token_hash = :hash and l.ended_at is null
            """).param("hash", tokens.hash(token))
                .query((row, n) -> new Opened(row.getLong("household_id"), row.getLong("firm_id"))).optional();
        opened.ifPresent(each -> jdbc.sql("update pack_link set opened_at = :now where token_hash = :hash and opened_at is null")
                .param("now", OffsetDateTime.now(clock)).param("hash", tokens.hash(token)).update());
        return opened;
    }
}
