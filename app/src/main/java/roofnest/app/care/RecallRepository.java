package roofnest.app.care;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.List;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

import roofnest.app.web.NoSuchPage;
import roofnest.app.web.StaleEdit;
import roofnest.core.lang.Worded;

/** Recalls of a firm: what turned out bad, who has it, and what was done about it. Who has it is looked up anew each time. */
@Repository
public class RecallRepository {
    /** Of one recall. */
    public static final int MOST = 2000;

    private final JdbcClient jdbc;
    private final Clock clock;

    RecallRepository(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    public enum Kind implements Worded {
        MODEL("a model"), FIRMWARE("a firmware of a model"), ROUTER("a router"), PASSWORD("cameras without a password of their own");

        private final String words;

        Kind(String words) {
            this.words = words;
        }

        @Override
        public String words() {
            return words;
        }
    }

    /** @param match key of a model, or name of a router; empty for passwords. @param release of the firmware; empty for others */
    public record Recall(long id, Kind kind, String match, String release, String what, String doing, String openedBy,
            OffsetDateTime openedAt, String closedBy, OffsetDateTime closedAt, int version) {
        public boolean open() {
            return closedAt == null;
        }
    }

    /** The latest first. */
    public List<Recall> of(long firmId) {
        return jdbc.sql("select * from recall where firm_id = :firm order by closed_at is not null, opened_at desc, id desc limit 200")
                .param(
                        "firm", firmId)
                .query(RecallRepository::recall).list();
    }

    public Recall get(long firmId, long id) {
        return jdbc.sql("select * from recall where firm_id = :firm and id = :id").param("firm", firmId).param("id", id).query(
                RecallRepository::recall).optional().orElseThrow(NoSuchPage::new);
    }

    long open(long firmId, Kind kind, String match, String release, String what, String doing, String by) {
        return jdbc.sql("""
            insert into recall (firm_id, kind, match, release, what, doing, opened_by, opened_at)
            values (:firm, :kind, :match, :release, :what, :doing, :by, :now) returning id
            """).param("firm", firmId).param("kind", kind.name()).param("match", match).param("release", release).param("what", what).param(
                "doing", doing).param("by", by).param("now", OffsetDateTime.now(clock)).query(Long.class).single();
    }

    /** Ends or takes up a recall again, if nobody did since {@code version}. */
    void close(long firmId, long id, boolean closed, String by, int version) {
        int rows = jdbc.sql("""
            update recall set closed_by = case when :closed then :by end, closed_at = case when :closed then :now::timestamptz end,
                              version = version + 1
            where firm_id = :firm and id = :id and version = :version and (closed_at is null) = :closed
            """).param("closed", closed).param("by", by).param("now", OffsetDateTime.now(clock)).param("firm", firmId).param("id", id)
                .param(
                        "version", version)
                .update();
        if (rows != 1) {
            throw new StaleEdit("This recall", version, get(firmId, id).version());
        }
    }

    /**
     * Somebody who has it.
     *
     * @param cameraId 0, and {@code camera} empty, for the whole house
     * @param since since when it is in use there; null where that was not kept
     * @param doneAt null while it is not
     */
    public record Affected(long householdId, String household, String address, long cameraId, String camera, OffsetDateTime since,
            String toldBy, OffsetDateTime toldAt, String doneBy, OffsetDateTime doneAt) {}

    private static final String WHO = """
        select h.id, h.name, h.address, w.camera_id, w.camera, w.since, s.told_by, s.told_at, s.done_by, s.done_at
        from (
          select c.household_id, c.id as camera_id, c.name as camera, c.joined_at as since
          from camera c
          where c.removed_at is null and (:kind in ('MODEL', 'FIRMWARE') and c.model_key = :match
              and (:kind = 'MODEL' or lower(c.firmware) = lower(:release))
            or :kind = 'PASSWORD' and c.joined_at is not null and c.own_password_at is null)
          union all
          select r.household_id, 0, '', null from router r where :kind = 'ROUTER' and lower(r.model) = lower(:match)
          union all
          select u.household_id, 0, u.name, null from hub u where :kind = 'MODEL' and u.model_key = :match and u.removed_at is null) w
        join household h on h.id = w.household_id and h.firm_id = :firm and h.archived_at is null
        left join recall_step s on s.recall_id = :id and s.household_id = h.id and s.camera_id = w.camera_id
        """;

    /** Those who have it now, and those who had it when something was done about it. */
    public List<Affected> affected(long firmId, Recall of) {
        return jdbc.sql(WHO + " order by s.done_at is not null, h.name, h.id, w.camera_id limit :most").param("kind", of.kind().name())
                .param(
                        "match", of.match())
                .param("release", of.release()).param("firm", firmId).param("id", of.id()).param("most", MOST).query((row,
                        n) -> new Affected(row.getLong("id"), row.getString("name"), row.getString("address"), row.getLong("camera_id"), row
                                .getString("camera"), row.getObject("since", OffsetDateTime.class), row.getString("told_by"),
                                row.getObject(
                                        "told_at", OffsetDateTime.class),
                                row.getString("done_by"), row.getObject("done_at",
                                        OffsetDateTime.class)))
                .list();
    }

    /** Cameras of the model of which nobody wrote the firmware down: they may have it too. */
    public int unknown(long firmId, Recall of) {
        return of.kind() != Kind.FIRMWARE ? 0 : jdbc.sql("""
            select count(*) from camera c join household h on h.id = c.household_id
            where h.firm_id = :firm and h.archived_at is null and c.removed_at is null and c.model_key = :match
              and coalesce(c.firmware, '') = ''
            """).param("firm", firmId).param("match", of.match()).query(Integer.class).single();
    }

    /** How many have it no more, but had it when something was done about it. */
    public int gone(long firmId, Recall of) {
        return jdbc.sql("select count(*) from recall_step s where s.recall_id = :id and not exists (select 1 from (" + WHO
                + ") now where now.id = s.household_id and now.camera_id = s.camera_id)").param("kind", of.kind().name()).param("match", of
                        .match())
                .param("release", of.release()).param("firm", firmId).param("id", of.id()).query(Integer.class).single();
    }

    /** Writes down that a household was told, or that it is done; once, by whoever was first. */
    void step(long recallId, long householdId, long cameraId, boolean done, String by) {
        jdbc.sql("""
            insert into recall_step as s (recall_id, household_id, camera_id, told_by, told_at, done_by, done_at)
            values (:recall, :household, :camera, case when not :done then :by end, case when not :done then :now::timestamptz end,
                    case when :done then :by end, case when :done then :now::timestamptz end)
            on conflict (recall_id, household_id, camera_id) do update
            set told_by = coalesce(s.told_by, excluded.told_by), told_at = coalesce(s.told_at, excluded.told_at),
                done_by = coalesce(s.done_by, excluded.done_by), done_at = coalesce(s.done_at, excluded.done_at)
            """).param("recall", recallId).param("household", householdId).param("camera", cameraId).param("done", done).param("by", by)
                .param("now", OffsetDateTime.now(clock)).update();
    }

    /** Takes back what was written down of one. Returns whether there was anything. */
    boolean takeBack(long recallId, long householdId, long cameraId) {
        return jdbc.sql("delete from recall_step where recall_id = :recall and household_id = :household and camera_id = :camera").param(
                "recall", recallId).param("household", householdId).param("camera", cameraId).update() == 1;
    }

    private static Recall recall(ResultSet row, int n) throws SQLException {
        return new Recall(row.getLong("id"), Kind.valueOf(row.getString("kind")), row.getString("match"), row.getString("release"), row
                .getString("what"), row.getString("doing"), row.getString("opened_by"), row.getObject("opened_at", OffsetDateTime.class),
                row
                        .getString("closed_by"),
                row.getObject("closed_at", OffsetDateTime.class), row.getInt("version"));
    }
}
