package roofnest.app.firm;

import java.time.Clock;
import java.time.Duration;
import java.time.OffsetDateTime;
import java.util.Optional;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Links by which a password is set anew: the hash of each, good once, and for a while. */
@Repository
class PasswordResets {
    private final JdbcClient jdbc;
    private final Clock clock;

    PasswordResets(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /** One at a time: those before it end. */
    void make(long personId, byte[] hash, String by, Duration goodFor) {
        end(personId);
        OffsetDateTime now = OffsetDateTime.now(clock);
        jdbc.sql("""
            insert into password_reset (person_id, token_hash, made_at, made_by, expires_at) values (:person, :hash, :now, :by, :expires)
            """).param("person", personId).param("hash", hash).param("now", now).param("by", by).param("expires", now.plus(goodFor))
                .update();
    }

    void end(long personId) {
        jdbc.sql("delete from password_reset where person_id = :person").param("person", personId).update();
    }

    Optional<Long> personOf(byte[] hash) {
        return jdbc.sql("select person_id from password_reset where token_hash = :hash and used_at is null and expires_at > :now")
                .param("hash", hash).param("now", OffsetDateTime.now(clock)).query(Long.class).optional();
    }

    /** Returns whether it was good until now. */
    boolean use(byte[] hash) {
        OffsetDateTime now = OffsetDateTime.now(clock);
        return jdbc.sql("update password_reset set used_at = :now where token_hash = :hash and used_at is null and expires_at > :now")
                .param("now", now).param("hash", hash).update() == 1;
    }
}
