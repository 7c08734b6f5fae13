package roofnest.app.records;

import java.sql.Array;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Clock;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.Set;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

import roofnest.core.access.Access;

/** Somebody being shut out: the steps that were done, those that follow from them, and what tries to look have shown. */
@Repository
public class LeavingRepository {
    private final JdbcClient jdbc;
    private final Clock clock;

    LeavingRepository(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /** @param cameraIds at which a try has to fail */
    public record Leaving(long id, long residentId, boolean onStandIns, boolean theyHelp, boolean outOfWifi, Set<Long> cameraIds,
            OffsetDateTime begunAt, String begunBy, OffsetDateTime overAt) {
        public Leaving {
            cameraIds = Set.copyOf(cameraIds);
        }
    }

    /**
     * @param follows whether a change made it necessary; else it is a change itself
     * @param role that is given again; null where nothing is
     * @param doneAt null while it is open
     */
    public record Step(long id, boolean follows, String kind, long personId, long targetId, Access.Role role, String words,
            OffsetDateTime doneAt, String doneBy) {}

    /** A real try to look, whose and at which camera. */
    public record Looked(long residentId, long cameraId, boolean refused, String said, OffsetDateTime at, String by) {}

    /** A try to look. */
    public record Try(long cameraId, boolean refused, String said, OffsetDateTime at, String by) {}

    public Optional<Leaving> find(long householdId, long id) {
        return jdbc.sql("select * from leaving where household_id = :household and id = :id").param("household", householdId)
                .param("id", id).query(LeavingRepository::leaving).optional();
    }

    /** Those of a house, the newest first. */
    public List<Leaving> of(long householdId) {
        return jdbc.sql("select * from leaving where household_id = :household order by id desc").param("household", householdId)
                .query(LeavingRepository::leaving).list();
    }

    private static Leaving leaving(ResultSet row, int n) throws SQLException {
        Array cameras = row.getArray("camera_ids");
        return new Leaving(row.getLong("id"), row.getLong("resident_id"), row.getBoolean("on_stand_ins"), row.getBoolean("they_help"),
                row.getBoolean("out_of_wifi"), Set.copyOf(List.of((Long[]) cameras.getArray())),
                row.getObject("begun_at", OffsetDateTime.class),
                row.getString("begun_by"), row.getObject("over_at", OffsetDateTime.class));
    }

    /** Begins, or goes on with the one that is open. @return its id */
    public long begin(long householdId, long residentId, boolean onStandIns, boolean theyHelp, boolean outOfWifi,
            Collection<Long> cameraIds,
            String by) {
        return jdbc.sql("""
            insert into leaving (household_id, resident_id, on_stand_ins, they_help, out_of_wifi, camera_ids, begun_at, begun_by)
            values (:household, :resident, :standIns, :help, :wifi, :cameras, :now, :by)
            on conflict (household_id, resident_id, on_stand_ins) where over_at is null
            do update set camera_ids = array(select distinct each from unnest(leaving.camera_ids || excluded.camera_ids) each)
            returning id
            """)
                .param("household", householdId)
                .param("resident", residentId)
                .param("standIns", onStandIns)
                .param("help", theyHelp)
                .param("wifi", outOfWifi)
                .param("cameras", cameraIds.toArray(Long[]::new))
                .param("now", OffsetDateTime.now(clock))
                .param("by", by)
                .query(Long.class).single();
    }

    public List<Step> steps(long householdId, long leavingId) {
        return jdbc.sql("select * from leaving_step where household_id = :household and leaving_id = :leaving order by id")
                .param("household", householdId).param("leaving", leavingId)
                .query((row, n) -> new Step(row.getLong("id"), row.getBoolean("follows"), row.getString("kind"), row.getLong("person_id"),
                        row.getLong("target_id"), row.getString("role") == null ? null : Access.Role.valueOf(row.getString("role")),
                        row.getString("words"), row.getObject("done_at", OffsetDateTime.class),
                        row.getString("done_by")))
                .list();
    }

    /** Notes a change as done now, or again. */
    public void changeDone(long householdId, long leavingId, String kind, long targetId, String words, String by) {
        jdbc.sql(
                """
                            insert into leaving_step (household_id, leaving_id, follows, kind, person_id, target_id, words, done_at,
                              done_by)
                            values (:household, :leaving, false, :kind, 0, :target, :words, :now, :by)
                            on conflict (leaving_id, follows, kind, person_id, target_id)
                    do update set done_at = excluded.done_at, done_by = excluded.done_by
                            """)
                .param("household", householdId).param("leaving", leavingId).param("kind", kind).param("target", targetId)
                .param("words", words).param("now", OffsetDateTime.now(clock)).param("by", by).update();
    }

    /** Notes what a change made necessary, to be done. */
    public void toFollow(long householdId, long leavingId, String kind, long personId, long targetId, Access.Role role, String words) {
        jdbc.sql("""
            insert into leaving_step (household_id, leaving_id, follows, kind, person_id, target_id, role, words)
            values (:household, :leaving, true, :kind, :person, :target, :role, :words)
            on conflict (leaving_id, follows, kind, person_id, target_id) do update set done_at = null, done_by = null
            """)
                .param("household", householdId).param("leaving", leavingId).param("kind", kind).param("person", personId)
                .param("target", targetId).param("role", role == null ? null : role.name()).param("words", words).update();
    }

    /** Returns whether it was still open. */
    public boolean followed(long householdId, long leavingId, long stepId, String by) {
        return jdbc.sql("""
            update leaving_step set done_at = :now, done_by = :by
            where household_id = :household and leaving_id = :leaving and id = :id and follows and done_at is null
            """)
                .param("now", OffsetDateTime.now(clock)).param("by", by).param("household", householdId).param("leaving", leavingId)
                .param("id", stepId).update() == 1;
    }

    public void tried(long householdId, Leaving leaving, long cameraId, boolean refused, String said, String by) {
        jdbc.sql("""
            insert into look (household_id, leaving_id, resident_id, camera_id, refused, said, on_stand_ins, at, by_name)
            values (:household, :leaving, :resident, :camera, :refused, :said, :standIns, :now, :by)
            """)
                .param("household", householdId).param("leaving", leaving.id()).param("resident", leaving.residentId())
                .param("camera", cameraId).param("refused", refused).param("said", said).param("standIns", leaving.onStandIns())
                .param("now", OffsetDateTime.now(clock)).param("by", by).update();
    }

    /** The newest try of a leaving at each camera. A try before the last change says nothing of how it is since. */
    public List<Try> tries(long householdId, long leavingId) {
        return jdbc.sql("""
            select distinct on (l.camera_id) l.camera_id, l.refused, l.said, l.at, l.by_name
            from look l
            where l.household_id = :household and l.leaving_id = :leaving
              and not exists (select 1 from leaving_step s where s.leaving_id = l.leaving_id and not s.follows and s.done_at > l.at)
            order by l.camera_id, l.id desc
            """)
                .param("household", householdId).param("leaving", leavingId)
                .query((row, n) -> new Try(row.getLong("camera_id"), row.getBoolean("refused"), row.getString("said"),
                        row.getObject("at", OffsetDateTime.class), row.getString("by_name")))
                .list();
    }

    List<Access.Look> looks(long householdId) {
        return newest(householdId).stream().map(look -> new Access.Look(look.residentId(), look.cameraId(), look.refused(),
                look.at().atZoneSameInstant(clock.getZone()).toLocalDate())).toList();
    }

    /** The newest real try of each person at each camera, unless a step of shutting them out was done since. */
    public List<Looked> newest(long householdId) {
        return jdbc.sql("""
            select distinct on (l.resident_id, l.camera_id) l.resident_id, l.camera_id, l.refused, l.said, l.at, l.by_name
            from look l
            where l.household_id = :household and not l.on_stand_ins
              and not exists (select 1 from leaving_step s join leaving v on v.id = s.leaving_id
                              where v.household_id = l.household_id and v.resident_id = l.resident_id and not v.on_stand_ins
                                and not s.follows and s.done_at > l.at)
            order by l.resident_id, l.camera_id, l.id desc
            """)
                .param("household", householdId)
                .query((row, n) -> new Looked(row.getLong("resident_id"), row.getLong("camera_id"), row.getBoolean("refused"),
                        row.getString("said"), row.getObject("at", OffsetDateTime.class), row.getString("by_name")))
                .list();
    }

    /** A try that was made while the household was another firm's. */
    public void carryIn(long householdId, Looked look) {
        jdbc.sql("""
            insert into look (household_id, resident_id, camera_id, refused, said, on_stand_ins, at, by_name)
            values (:household, :resident, :camera, :refused, :said, false, :at, :by)
            """)
                .param("household", householdId).param("resident", look.residentId()).param("camera", look.cameraId())
                .param("refused", look.refused()).param("said", look.said()).param("at", look.at()).param("by", look.by()).update();
    }

    /** Returns whether it was still open. */
    public boolean over(long householdId, long leavingId, String by) {
        return jdbc.sql("""
            update leaving set over_at = :now, over_by = :by where household_id = :household and id = :id and over_at is null
            """)
                .param("now", OffsetDateTime.now(clock)).param("by", by).param("household", householdId).param("id", leavingId)
                .update() == 1;
    }

    /** What was rehearsed on stand-ins is cleared with one act. */
    public void clear(long householdId, long leavingId) {
        jdbc.sql("delete from leaving where household_id = :household and id = :id and on_stand_ins").param("household", householdId)
                .param("id", leavingId).update();
    }
}
