package roofnest.app.firm;

import java.time.Duration;
import java.util.List;

import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

import roofnest.app.web.LinkTokens;
import roofnest.app.web.BadInput;
import roofnest.app.web.Conflict;
import roofnest.app.web.Form;
import roofnest.app.web.NoSuchPage;

/** Passwords, roles, and who of the firm is let in. */
@Service
public class Accounts {
    static final Duration RESET_GOOD_FOR = Duration.ofHours(1);
    private static final Logger LOG = LoggerFactory.getLogger(Accounts.class);

    private final FirmRepository firms;
    private final PasswordResets resets;
    private final SignedInSessions<?> sessions;
    private final PasswordStrength strength;
    private final PasswordEncoder passwords;
    private final KnownDevices devices;
    private final LinkTokens tokens;

    Accounts(FirmRepository firms, PasswordResets resets, SignedInSessions<?> sessions, PasswordStrength strength,
            PasswordEncoder passwords,
            KnownDevices devices, LinkTokens tokens) {
        this.firms = firms;
        this.resets = resets;
        this.sessions = sessions;
        this.strength = strength;
        this.passwords = passwords;
        this.devices = devices;
        this.tokens = tokens;
    }

    /** Everybody's own; their other sessions end. @param session in which it is changed */
    @Transactional
    public void changeOwn(Staff staff, Form form, String session) {
        Staff now = firms.person(staff.firmId(), staff.id()).orElseThrow(NoSuchPage::new);
        if (!passwords.matches(form.raw("current"), now.password())) {
            form.fault("current", "This is not the password that you sign in with.");
        }
        String wanted = form.raw("wanted");
        strength.fault(wanted, about(now)).ifPresent(fault -> form.fault("wanted", fault));
        if (form.ok() && passwords.matches(wanted, now.password())) {
            form.fault("wanted", "This is the one that you have already.");
        }
        if (form.ok()) {
            firms.setPassword(now.id(), passwords.encode(wanted));
            sessions.end(now.email(), session);
        }
    }

    /** @return the word of a link by which somebody of the firm sets a password anew; older ones open nothing any more */
    @Transactional
    public String makeReset(Staff owner, long personId) {
        Staff person = firms.person(owner.firmId(), personId).orElseThrow(NoSuchPage::new);
        if (person.blocked()) {
            throw new BadInput(person.name() + " is blocked. Let them in again first.");
        }
        String token = tokens.fresh();
        resets.make(personId, tokens.hash(token), owner.name(), RESET_GOOD_FOR);
        LOG.info("password reset made person={} by={}", personId, owner.id());
        return token;
    }

    /** Whose password a link sets; nobody's when it was used, replaced, or is too old. */
    Staff ofReset(String token) {
        return resets.personOf(tokens.hash(token)).flatMap(firms::person).filter(person -> !person.blocked()).orElseThrow(NoSuchPage::new);
    }

    /** Sets it, once; all sessions of the person end, and no device is known any more. @return who it is */
    @Transactional
    public Staff reset(String token, Form form) {
        Staff person = ofReset(token);
        String wanted = form.raw("wanted");
        strength.fault(wanted, about(person)).ifPresent(fault -> form.fault("wanted", fault));
        if (!form.ok()) {
            return person;
        }
        if (!resets.use(tokens.hash(token))) {
            throw new Conflict("This link was used already.");
        }
        firms.setPassword(person.id(), passwords.encode(wanted));
        devices.forget(person.id());
        sessions.end(person.email(), null);
        LOG.info("password reset used person={}", person.id());
        return person;
    }

    /** Out at once, in every session; what they did stays theirs. */
    @Transactional
    public void block(Staff owner, long personId) {
        firms.lockOwners(owner.firmId());
        Staff person = other(owner, personId, "block");
        if (!firms.block(personId, owner.name())) {
            throw new Conflict(person.name() + " is blocked already.");
        }
        resets.end(personId);
        devices.forget(personId);
        sessions.end(person.email(), null);
        LOG.info("person blocked person={} by={}", personId, owner.id());
    }

    @Transactional
    public void unblock(Staff owner, long personId) {
        Staff person = firms.person(owner.firmId(), personId).orElseThrow(NoSuchPage::new);
        if (!firms.unblock(personId)) {
            throw new Conflict(person.name() + " is not blocked.");
        }
        LOG.info("person unblocked person={} by={}", personId, owner.id());
    }

    /** Felt at the next click. */
    @Transactional
    public void setRole(Staff owner, long personId, Role role) {
        firms.lockOwners(owner.firmId());
        Staff person = other(owner, personId, "give another role to");
        firms.setRole(personId, role);
        sessions.become(new Staff(person.id(), person.firmId(), person.firmName(), person.email(), person.name(), role, "", false));
        LOG.info("role set person={} role={} by={}", personId, role, owner.id());
    }

    /** Somebody else of the firm: an owner stays one for as long as they do not hand it on, so that a firm always has one. */
    private Staff other(Staff owner, long personId, String act) {
        // Two owners at once: whoever was taken out of the role meanwhile takes nobody else out of it.
        if (firms.person(owner.firmId(), owner.id()).filter(now -> now.role() == Role.OWNER && !now.blocked()).isEmpty()) {
            throw new Conflict("You are no owner of the firm any more.");
        }
        Staff person = firms.person(owner.firmId(), personId).orElseThrow(NoSuchPage::new);
        if (person.id() == owner.id()) {
            throw new BadInput("You cannot " + act + " yourself. Another owner can.");
        }
        return person;
    }

    static List<String> about(Staff person) {
        return List.of(person.name(), person.email(), person.firmName());
    }
}
