package roofnest.app.secrets;

import java.lang.reflect.UndeclaredThrowableException;
import java.nio.charset.StandardCharsets;
import java.security.GeneralSecurityException;
import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.Optional;

import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataAccessException;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;

import com.google.crypto.tink.Aead;
import com.google.crypto.tink.KeysetHandle;
import com.google.crypto.tink.RegistryConfiguration;

import roofnest.app.RoofNestProperties;

/**
 * Seals and opens with AES-256-GCM under a key that is kept in a file of its own, readable by its owner only. The
 * associated data says what a secret belongs to, so that a sealed value copied to another row does not open there.
 * <p>
 * A key is made once, for a database in which nothing was ever sealed. Over any other the application never makes one by
 * itself: it says what is wrong, does everything that needs no key, and seals nothing until somebody has decided.
 */
@Component
public class Sealer {
    /** How it stands with the key. */
    public enum State {
        GOOD("The key is there and opens what was sealed."),
        LOST("The key file is not there."),
        FOREIGN("The key file holds another key than the one that this database was sealed with."),
        UNREADABLE("The key file is there, and cannot be read as a key.");

        private final String words;

        State(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    private static final Logger LOG = LoggerFactory.getLogger(Sealer.class);
    private static final String KNOWN = "roof nest";
    /** Under which instances wait for each other; any number that nothing else here locks. */
    private static final long LOCK = 7_401_936_221_018L;

    private final KeyFile file;
    private final JdbcClient jdbc;
    private final Clock clock;
    private final TransactionTemplate alone;
    private volatile Keys keys;

    private record Keys(State state, KeysetHandle handle, Aead aead) {}

    Sealer(RoofNestProperties properties, JdbcClient jdbc, PlatformTransactionManager transactions, Clock clock)
            throws GeneralSecurityException {
        this.file = new KeyFile(properties.keyFile());
        this.jdbc = jdbc;
        this.clock = clock;
        this.alone = new TransactionTemplate(transactions);
        this.keys = found();
        if (keys.state() != State.GOOD) {
            LOG.error("sealing key: {} File: {}. Passwords cannot be opened until it is mended; everything else works.",
                    keys.state().words(), file.path());
        }
        file.tooOpen().ifPresent(mode -> LOG.warn("sealing key: {} can be read by others ({}). Take that away: chmod 600 {}", file.path(),
                mode, file.path()));
    }

    /** One instance after the other, so that two that start together over an empty database do not make two keys. */
    private Keys found() throws GeneralSecurityException {
        try {
            return alone.execute(status -> {
                jdbc.sql("select pg_advisory_xact_lock(:lock)").param("lock", LOCK).query((row, n) -> "").single();
                try {
                    return foundAlone();
                } catch (GeneralSecurityException e) {
                    throw new UndeclaredThrowableException(e);
                }
            });
        } catch (UndeclaredThrowableException e) {
            throw (GeneralSecurityException) e.getUndeclaredThrowable();
        }
    }

    private Keys foundAlone() throws GeneralSecurityException {
        Optional<byte[]> known = jdbc.sql("select sealed from seal_key where id = 1").query(byte[].class).optional();
        boolean sealedBefore = known.isPresent() || jdbc.sql("select exists (select from secret)").query(Boolean.class).single();
        if (!file.exists()) {
            return sealedBefore ? new Keys(State.LOST, null, null) : taken(file.make());
        }
        Optional<KeysetHandle> read = file.read();
        if (read.isEmpty()) {
            return new Keys(State.UNREADABLE, null, null);
        }
        Keys keys = of(read.get());
        Optional<byte[]> proof = known.or(this::oldest);
        if (proof.isPresent() && !opens(keys, known, proof.get())) {
            return new Keys(State.FOREIGN, null, null);
        }
        return known.isPresent() ? keys : taken(read.get());
    }

    /** Of a database that an older release sealed, without a known text yet, some password has to do. */
    private Optional<byte[]> oldest() {
        return jdbc.sql("select sealed from secret order by id limit 1").query(byte[].class).optional();
    }

    private boolean opens(Keys keys, Optional<byte[]> known, byte[] proof) {
        String belongsTo = known.isPresent() ? KNOWN : jdbc.sql("""
            select 'household ' || household_id || ' ' || kind || coalesce(' camera ' || camera_id, '')
                   || coalesce(' hub ' || hub_id, '') || case when seal > 1 then coalesce(' network ' || network_id, '') else '' end
            from secret order by id limit 1
            """).query(String.class).single();
        try {
            keys.aead().decrypt(proof, belongsTo.getBytes(StandardCharsets.UTF_8));
            return true;
        } catch (GeneralSecurityException other) {
            return false;
        }
    }

    /** From now on this is the key of the database. */
    private Keys taken(KeysetHandle handle) throws GeneralSecurityException {
        Keys taken = of(handle);
        jdbc.sql("""
            insert into seal_key (id, sealed, since) values (1, :sealed, :now)
            on conflict (id) do update set sealed = excluded.sealed, since = excluded.since
            """).param("sealed", taken.aead().encrypt(KNOWN.getBytes(StandardCharsets.UTF_8), KNOWN.getBytes(StandardCharsets.UTF_8)))
                .param("now", OffsetDateTime.now(clock)).update();
        return taken;
    }

    private static Keys of(KeysetHandle handle) throws GeneralSecurityException {
        return new Keys(State.GOOD, handle, handle.getPrimitive(RegistryConfiguration.get(), Aead.class));
    }

    public State state() {
        return keys.state();
    }

    /** Who besides its owner can read the key file, in words; empty when nobody can. */
    public Optional<String> tooOpen() {
        return file.tooOpen();
    }

    /** Where the key is looked for. */
    public String place() {
        return file.path().toString();
    }

    /** @throws KeyAway while there is no key to seal with */
    public byte[] seal(String secret, String belongsTo) {
        try {
            return good().aead().encrypt(secret.getBytes(StandardCharsets.UTF_8), belongsTo.getBytes(StandardCharsets.UTF_8));
        } catch (GeneralSecurityException e) {
            throw new IllegalStateException("sealing failed for " + belongsTo, e);
        }
    }

    private Keys good() {
        Keys now = keys;
        if (now.state() != State.GOOD) {
            throw new KeyAway(now.state());
        }
        return now;
    }

    /** What was sealed; nothing when it does not open: it belongs to something else, was altered, or the key is another or away. */
    public Optional<String> open(byte[] sealed, String belongsTo) {
        Keys now = keys;
        if (now.state() != State.GOOD) {
            return Optional.empty();
        }
        try {
            return Optional.of(new String(now.aead().decrypt(sealed, belongsTo.getBytes(StandardCharsets.UTF_8)), StandardCharsets.UTF_8));
        } catch (GeneralSecurityException e) {
            LOG.warn("the seal of {} does not open", belongsTo);
            return Optional.empty();
        }
    }

    /** The same with the newest key; nothing when it does not open. */
    public Optional<byte[]> anew(byte[] sealed, String belongsTo) {
        return open(sealed, belongsTo).map(secret -> seal(secret, belongsTo));
    }

    /** Looks for the key again, after somebody put its file back. */
    public synchronized State lookAgain() {
        try {
            keys = found();
        } catch (GeneralSecurityException e) {
            LOG.error("sealing key", e);
        }
        return keys.state();
    }

    /** Another instance may have begun with a new key: then ours is foreign from here on, and seals nothing more. */
    @Scheduled(initialDelayString = "PT1M", fixedDelayString = "PT1M")
    void stillOurs() {
        try {
            Optional<byte[]> known = jdbc.sql("select sealed from seal_key where id = 1").query(byte[].class).optional();
            if (keys.state() == State.GOOD && known.isPresent() && !opens(keys, known, known.get())) {
                LOG.error("sealing key: {}", lookAgain().words());
            }
        } catch (DataAccessException away) {
            LOG.debug("the database is away; the key is looked at in a minute");
        }
    }

    /**
     * Gives up what cannot be opened and goes on with a new key. The old file, if there is one, is kept beside under another name.
     *
     * @throws IllegalStateException when the key is good
     */
    synchronized void startAnew() throws GeneralSecurityException {
        if (keys.state() == State.GOOD) {
            throw new IllegalStateException("the key is good");
        }
        file.putAside(clock.millis());
        keys = taken(file.make());
    }

    /** A further key beside the old: new seals are made with it, old ones still open. Written to the file before anything uses it. */
    synchronized void addKey() throws GeneralSecurityException {
        KeysetHandle both = KeyFile.withAnother(good().handle());
        file.write(both);
        keys = of(both);
    }

    /** The newest key alone, once everything is sealed with it. */
    synchronized void dropOldKeys() throws GeneralSecurityException {
        KeysetHandle newest = KeyFile.newestOf(good().handle());
        file.write(newest);
        keys = taken(newest);
    }
}
