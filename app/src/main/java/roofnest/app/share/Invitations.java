package roofnest.app.share;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Clock;
import java.time.Duration;
import java.time.OffsetDateTime;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

import roofnest.app.records.AccessRepository;
import roofnest.app.records.CameraRepository;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.HouseholdRepository;
import roofnest.app.records.MailRepository;
import roofnest.app.records.ResidentRepository;
import roofnest.app.web.LinkTokens;
import roofnest.app.web.BadInput;
import roofnest.app.web.Form;
import roofnest.app.web.Language;
import roofnest.app.web.Words;
import roofnest.app.web.NoSuchPage;
import roofnest.core.access.Access;

/** Invitations: a link with an unguessable word, of which only the hash is kept, good once and for a while. */
@Service
public class Invitations {
    private static final Duration GOOD_FOR = Duration.ofDays(7);

    private final JdbcClient jdbc;
    private final MailRepository mail;
    private final AccessRepository access;
    private final HouseholdRepository households;
    private final CameraRepository cameras;
    private final LinkTokens tokens;
    private final Words words;
    private final Clock clock;

    Invitations(
            JdbcClient jdbc, MailRepository mail, AccessRepository access, HouseholdRepository households, CameraRepository cameras,
            LinkTokens tokens, Words words, Clock clock) {
        this.jdbc = jdbc;
        this.mail = mail;
        this.access = access;
        this.households = households;
        this.cameras = cameras;
        this.tokens = tokens;
        this.words = words;
        this.clock = clock;
    }

    /** How far an invitation is. */
    public enum State {
        SENT("sent"), OPENED("opened"), NO_ACCOUNT("opened, no account in the app yet"), WRONG_ACCOUNT("opened under another account"),
        FULL("cannot be accepted: a camera is full"), ACCEPTED("accepted"), DECLINED("declined"), CALLED_BACK("called back"),
        EXPIRED("run out");

        private final String words;

        State(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }

        boolean open() {
            return compareTo(ACCEPTED) < 0;
        }
    }

    /**
     * What somebody invited gets to see.
     *
     * @param said what stood in the way at the last try to accept; empty when nothing did
     */
    public record Invitation(long householdId, long residentId, String person, String email, String household, String firm, State state,
            String said) {
        public boolean open() {
            return state.open();
        }
    }

    /** Sends an invitation to somebody who has been given access; returns what was done, in words. */
    String send(HouseholdRef ref, ResidentRepository.Resident resident, String site) {
        boolean granted = access.of(ref.id()).grants().stream().anyMatch(grant -> grant.personId() == resident.id());
        if (!granted || resident.email().isBlank() || resident.tie() == Access.Tie.LEFT) {
            throw new BadInput("An invitation needs an e-mail address and access to at least one camera.");
        }
        callBack(ref.id(), resident.id());
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
        Language language = households.language(ref.id());
        mail.send(ref.id(), resident.email(), words.say(language, "invitation.mail-subject", households.get(ref.id()).address()),
                words.say(language, "invitation.mail", resident.name(), ref.by(), ref.staff().firmName(), GOOD_FOR.toDays()),
                site + "/invitations/" + token);
        return "The invitation to " + resident.name() + " is in the mailbox.";
    }

    Optional<Invitation> find(String token) {
        OffsetDateTime now = OffsetDateTime.now(clock);
        return jdbc.sql("""
            select i.household_id, i.resident_id, r.name as person, r.email, h.name || ', ' || h.address as household, f.name as firm,
                   i.opened_at, i.accepted_at, i.declined_at, i.called_back_at, i.expires_at, i.hindrance, i.hindrance_said
            from invitation i
            join resident r on r.id = i.resident_id
            join household h on h.id = i.household_id
            join firm f on f.id = h.firm_id
            where i.token_hash = :hash
            """)
                .param("hash", tokens.hash(token))
                .query((row, n) -> new Invitation(row.getLong("household_id"), row.getLong("resident_id"), row.getString("person"),
                        row.getString("email"), row.getString("household"), row.getString("firm"), state(row, now),
                        row.getString("hindrance_said") == null ? "" : row.getString("hindrance_said")))
                .optional();
    }

    private static State state(ResultSet row, OffsetDateTime now) throws SQLException {
        if (row.getObject("accepted_at") != null) {
            return State.ACCEPTED;
        }
        if (row.getObject("declined_at") != null) {
            return State.DECLINED;
        }
        if (row.getObject("called_back_at") != null) {
            return State.CALLED_BACK;
        }
        if (!row.getObject("expires_at", OffsetDateTime.class).isAfter(now)) {
            return State.EXPIRED;
        }
        if (row.getString("hindrance") != null) {
            return State.valueOf(row.getString("hindrance"));
        }
        return row.getObject("opened_at") == null ? State.SENT : State.OPENED;
    }

    /** It was looked at, for the first time or again. */
    @Transactional
    public void opened(String token) {
        jdbc.sql("update invitation set opened_at = coalesce(opened_at, :now) where token_hash = :hash")
                .param("now", OffsetDateTime.now(clock)).param("hash", tokens.hash(token)).update();
    }

    /** Stands only while it can still be accepted; a second time, or too late, changes nothing. */
    @Transactional
    public void answer(String token, Form form) {
        Invitation invitation = find(token).orElseThrow(NoSuchPage::new);
        if (!invitation.state().open()) {
            return;
        }
        if (form.raw("answer").equals("decline")) {
            jdbc.sql("update invitation set declined_at = :now where token_hash = :hash and accepted_at is null and declined_at is null")
                    .param("now", OffsetDateTime.now(clock)).param("hash", tokens.hash(token)).update();
            return;
        }
        Hindrance hindrance = hindrance(invitation, form);
        if (!form.ok()) {
            return;
        }
        jdbc.sql("""
            update invitation
            set hindrance = :hindrance, hindrance_said = :said,
                accepted_at = case when cast(:hindrance as text) is null then cast(:now as timestamptz) end
            where token_hash = :hash and accepted_at is null and declined_at is null and called_back_at is null and expires_at > :now
            """)
                .param("hindrance", hindrance == null ? null : hindrance.what().name())
                .param("said", hindrance == null ? null : hindrance.said())
                .param("now", OffsetDateTime.now(clock))
                .param("hash", tokens.hash(token))
                .update();
    }

    private record Hindrance(State what, String said) {}

    private Hindrance hindrance(Invitation invitation, Form form) {
        Language language = households.language(invitation.householdId());
        if (form.raw("answer").equals("no-account")) {
            return new Hindrance(State.NO_ACCOUNT, words.say(language, "invitation.said-no-account", invitation.email()));
        }
        Form typed = new Form(Map.of("account", form.raw("account")));
        String account = typed.email("account", "the e-mail address of your account in the app");
        if (!typed.ok()) {
            form.fault("account", language == Language.ENGLISH ? typed.faultAt("account")
                    : words.say(language, "invitation.fault-account"));
            return null;
        }
        if (!account.equalsIgnoreCase(invitation.email())) {
            return new Hindrance(State.WRONG_ACCOUNT, words.say(language, "invitation.said-wrong", invitation.email(), account));
        }
        Set<Long> theirs = access.of(invitation.householdId()).grants().stream()
                .filter(grant -> grant.personId() == invitation.residentId()).map(Access.Grant::cameraId).collect(Collectors.toSet());
        return cameras.records(invitation.householdId()).stream().map(CameraRepository.Record::camera)
                .filter(camera -> theirs.contains(camera.id()) && camera.model().peopleMax() != null)
                .filter(camera -> accepted(invitation, camera.id()) >= camera.model().peopleMax()).findFirst()
                .map(camera -> new Hindrance(State.FULL,
                        words.say(language, "invitation.said-full", camera.name(), camera.model().peopleMax(), invitation.firm())))
                .orElse(null);
    }

    /** People who look through a camera under an account that has accepted. */
    private long accepted(Invitation but, long cameraId) {
        return jdbc.sql("""
            select count(distinct g.resident_id)
            from access_grant g
            join invitation i on i.resident_id = g.resident_id and i.accepted_at is not null
            where g.household_id = :household and g.camera_id = :camera and g.resident_id <> :resident
            """)
                .param("household", but.householdId()).param("camera", cameraId).param("resident", but.residentId())
                .query(Long.class).single();
    }

    /** What can still be accepted is called back: access was taken, or a newer one is on its way. */
    void callBack(long householdId, long residentId) {
        jdbc.sql("""
            update invitation set called_back_at = :now
            where household_id = :household and resident_id = :resident and accepted_at is null and declined_at is null
              and called_back_at is null
            """)
                .param("now", OffsetDateTime.now(clock)).param("household", householdId).param("resident", residentId).update();
    }

    /** How far each person's newest invitation is. */
    Map<Long, State> byResident(long householdId) {
        record Sent(long resident, State state) {}
        OffsetDateTime now = OffsetDateTime.now(clock);
        Map<Long, State> states = new HashMap<>();
        jdbc.sql("select * from invitation where household_id = :householdId order by id")
                .param("householdId", householdId)
                .query((row, n) -> new Sent(row.getLong("resident_id"), state(row, now))).list()
                .forEach(sent -> states.put(sent.resident(), sent.state()));
        return states;
    }
}
