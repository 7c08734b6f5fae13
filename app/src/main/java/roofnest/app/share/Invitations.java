package roofnest.app.share;

import java.time.Clock;
import java.time.Duration;
import java.time.OffsetDateTime;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

import roofnest.app.records.AccessRepository;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.HouseholdRepository;
import roofnest.app.records.MailRepository;
import roofnest.app.records.ResidentRepository;
import roofnest.app.secrets.LinkTokens;
import roofnest.app.web.BadInput;
import roofnest.core.access.Access;

/** Invitations: a link with an unguessable word, of which only the hash is kept, good once and for a while. */
@Service
public class Invitations {
    private static final Duration GOOD_FOR = Duration.ofDays(14);

    private final JdbcClient jdbc;
    private final MailRepository mail;
    private final AccessRepository access;
    private final HouseholdRepository households;
    private final LinkTokens tokens;
    private final Clock clock;

    Invitations(
            JdbcClient jdbc, MailRepository mail, AccessRepository access, HouseholdRepository households, LinkTokens tokens, Clock clock) {
        this.jdbc = jdbc;
        this.mail = mail;
        this.access = access;
        this.households = households;
        this.tokens = tokens;
        this.clock = clock;
    }

    /** What somebody invited gets to see. */
    public record Invitation(String person, String household, String firm, OffsetDateTime acceptedAt, boolean expired) {}

    /** Sends an invitation to somebody who has been given access; returns what was done, in words. */
    String send(HouseholdRef ref, ResidentRepository.Resident resident, String site) {
        boolean granted = access.of(ref.id()).grants().stream().anyMatch(grant -> grant.personId() == resident.id());
        if (!granted || resident.email().isBlank() || resident.tie() == Access.Tie.LEFT) {
            throw new BadInput("An invitation needs an e-mail address and access to at least one camera.");
        }
        String token = tokens.fresh();
        OffsetDateTime now = OffsetDateTime.now(clock);
        jdbc.sql("""
            insert into invitation (household_id, resident_id, token_hash, sent_at, expires_at)
            values (:householdId, :residentId, :hash, :now, :expires)
            """)
                .param("householdId", ref.id())
                .param("residentId", resident.id())
                .param("hash", tokens.hash(token))
                .param("now", now)
                .param("expires", now.plus(GOOD_FOR))
                .update();
        mail.send(ref.id(), resident.email(), "Your cameras at " + households.get(ref.id()).address(),
                "Hello " + resident.name() + ",\n" + ref.by() + " of " + ref.staff().firmName()
                        + " has set up cameras for your household and given you access. Open the link to accept. It is good for "
                        + GOOD_FOR.toDays() + " days and for you alone.",
                site + "/invitations/" + token);
        return "The invitation to " + resident.name() + " is in the mailbox.";
    }

    Optional<Invitation> find(String token) {
        OffsetDateTime now = OffsetDateTime.now(clock);
        return jdbc.sql("""
            select r.name as person, h.name || ', ' || h.address as household, f.name as firm, i.accepted_at, i.expires_at
            from invitation i
            join resident r on r.id = i.resident_id
            join household h on h.id = i.household_id
            join firm f on f.id = h.firm_id
            where i.token_hash = :hash
            """)
                .param("hash", tokens.hash(token))
                .query((row, n) -> new Invitation(row.getString("person"), row.getString("household"), row.getString("firm"),
                        row.getObject("accepted_at", OffsetDateTime.class),
                        row.getObject("expires_at", OffsetDateTime.class).isBefore(now)))
                .optional();
    }

    /** Accepts once; a second time, or too late, changes nothing. */
    @Transactional
    public void accept(String token) {
        jdbc.sql("""
            update invitation set accepted_at = :now
            where token_hash = :hash and accepted_at is null and expires_at > :now
            """)
                .param("now", OffsetDateTime.now(clock))
                .param("hash", tokens.hash(token))
                .update();
    }

    /** How far each person's newest invitation is, in a word. */
    Map<Long, String> byResident(long householdId) {
        record Sent(long resident, boolean accepted) {}
        List<Sent> sent = jdbc.sql("select resident_id, accepted_at from invitation where household_id = :householdId order by id")
                .param("householdId", householdId)
                .query((row, n) -> new Sent(row.getLong("resident_id"), row.getObject("accepted_at") != null)).list();
        Map<Long, String> words = new HashMap<>();
        sent.forEach(s -> words.put(s.resident(), s.accepted() ? "accepted" : "invited"));
        return words;
    }
}
