package roofnest.app.outward;

import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

import roofnest.app.firm.Staff;
import roofnest.app.web.Conflict;
import roofnest.app.web.LinkTokens;

/** Keys by which the firm's own scripts read. Whoever has one reads what the office reads, without passwords; nobody writes by one. */
@Service
public class ScriptKeys {
    /** Marks the word as one of ours, so that it is found where it was left lying about. */
    static final String PREFIX = "rnk_";
    private static final int MOST = 20;

    private final JdbcClient jdbc;
    private final LinkTokens tokens;
    private final Clock clock;

    ScriptKeys(JdbcClient jdbc, LinkTokens tokens, Clock clock) {
        this.jdbc = jdbc;
        this.tokens = tokens;
        this.clock = clock;
    }

    /** @param usedAt to the minute; null while nobody has used it. @param endedBy null while it opens */
    record Row(long id, String name, String by, OffsetDateTime at, OffsetDateTime usedAt, String endedBy, OffsetDateTime endedAt) {}

    /** Whom a key opens for. */
    record Opened(long id, long firmId, String name) {}

    List<Row> of(long firmId) {
        return jdbc.sql("select * from script_key where firm_id = :firm order by ended_at nulls first, id").param("firm", firmId)
                .query((row, n) -> new Row(row.getLong("id"), row.getString("name"), row.getString("made_by"), row.getObject("made_at",
                        OffsetDateTime.class), row.getObject("used_at", OffsetDateTime.class), row.getString("ended_by"),
                        row.getObject("ended_at", OffsetDateTime.class)))
                .list();
    }

    /** A new key. @return its word, which is kept nowhere */
    @Transactional
    String fresh(Staff staff, String name) {
        jdbc.sql("select id from firm where id = :firm for update").param("firm", staff.firmId()).query(Long.class).single();
        if (of(staff.firmId()).stream().filter(row -> row.endedAt() == null).count() >= MOST) {
            throw new Conflict("A firm has " + MOST + " keys at most; end one first.");
        }
        String word = PREFIX + tokens.fresh();
        jdbc.sql("""
            insert into script_key (firm_id, name, token_hash, made_by, made_at) values (:firm, :name, :hash, :by, :now)
            """).param("firm", staff.firmId()).param("name", name).param("hash", tokens.hash(word)).param("by", staff.name())
                .param("now", OffsetDateTime.now(clock)).update();
        return word;
    }

    /** Returns whether it opened until now. */
    boolean end(Staff staff, long id) {
        return jdbc.sql("""
            update script_key set ended_by = :by, ended_at = :now where firm_id = :firm and id = :id and ended_at is null
            """).param("by", staff.name()).param("now", OffsetDateTime.now(clock)).param("firm", staff.firmId()).param("id", id)
                .update() == 1;
    }

    /** Whom a word opens for now; empty when it was guessed or ended. Its use is noted once a minute. */
    Optional<Opened> open(String word) {
        OffsetDateTime now = OffsetDateTime.now(clock);
        Optional<Opened> opened = jdbc.sql("""
            select id, firm_id, name, used_at from script_key where token_hash = :hash and ended_at is null
            """).param("hash", tokens.hash(word)).query((row, n) -> new Opened(row.getLong("id"), row.getLong("firm_id"), row.getString(
                "name"))).optional();
        opened.ifPresent(key -> jdbc.sql("""
            update script_key set used_at = :now where id = :id and (used_at is null or used_at < :before)
            """).param("now", now).param("id", key.id()).param("before", now.minusMinutes(1)).update());
        return opened;
    }
}
