package roofnest.app.prove;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Types;
import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

import roofnest.app.records.Phones;
import roofnest.app.records.Rehearsed;
import roofnest.core.promise.Light;
import roofnest.core.trial.Protocol;

/** Tests on site and on stand-ins, and the householder's signature. */
@Repository
public class TrialRepository implements Rehearsed {
    private final JdbcClient jdbc;
    private final Clock clock;

    TrialRepository(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /** With what the time of a test was taken. */
    public enum Timed {
        BY_PHONE("timed by the phone"), TYPED("typed");

        private final String words;

        Timed(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /**
     * @param onStandIns whether it is a rehearsal, which counts for nothing on a real camera
     * @param seconds that it took; empty where nothing was timed, or not yet
     * @param timed null where nothing was timed
     * @param light in which a walk was walked
     * @param said what was seen; null until somebody says so, as are the three after the next two
     * @param phones for each person whose phone was tried, by the person's number, whether it did what it was to do
     */
    public record Trial(long id, long cameraId, Protocol kind, boolean onStandIns, OptionalDouble seconds, Timed timed,
            Optional<Light> light,
            String said,
            OffsetDateTime begunAt, String begunBy, Boolean passed, OffsetDateTime decidedAt, String decidedBy, Map<Long, Boolean> phones) {
        public boolean decided() {
            return passed != null;
        }
    }

    /** What somebody says of a test. */
    record Decided(boolean passed, OptionalDouble seconds, Timed timed, Optional<Light> light, String said, Map<Long, Boolean> phones) {}

    /** @param strokes as a path; empty when the name was typed in place of it */
    public record Signature(String name, String strokes, OffsetDateTime at) {
        public boolean typed() {
            return strokes.isEmpty();
        }
    }

    /** @param seconds that the stand-in will take; empty for a real camera */
    long begin(long householdId, long cameraId, Protocol kind, OptionalDouble seconds, String by) {
        return jdbc.sql("""
            insert into trial (household_id, camera_id, kind, on_stand_ins, seconds, begun_at, begun_by)
            values (:householdId, :cameraId, :kind, :standIns, :seconds, :now, :by)
            returning id
            """)
                .param("householdId", householdId)
                .param("cameraId", cameraId)
                .param("kind", kind.name())
                .param("standIns", seconds.isPresent())
                .param("seconds", boxed(seconds), Types.DOUBLE)
                .param("now", OffsetDateTime.now(clock))
                .param("by", by)
                .query(Long.class).single();
    }

    private static Double boxed(OptionalDouble value) {
        return value.isPresent() ? value.getAsDouble() : null;
    }

    /** @return whether nobody had said yet how it went */
    boolean decide(long householdId, long trialId, Decided decided, String by) {
        return jdbc
                .sql("""
                    update trial
                    set passed = :passed, seconds = coalesce(:seconds, seconds), timed = :timed, light = :light, said = :said,
                        decided_at = :now, decided_by = :by, phones_did = :did, phones_did_not = :didNot
                    where household_id = :householdId and id = :id and passed is null
                    """)
                .param("passed", decided.passed())
                .param("seconds", boxed(decided.seconds()), Types.DOUBLE)
                .param("timed", decided.timed() == null ? null : decided.timed().name(), Types.VARCHAR)
                .param("light", decided.light().map(Light::name).orElse(null), Types.VARCHAR)
                .param("said", decided.said())
                .param("did", Phones.that(decided.phones(), true), Types.ARRAY)
                .param("didNot", Phones.that(decided.phones(), false), Types.ARRAY)
                .param("now", OffsetDateTime.now(clock))
                .param("by", by)
                .param("householdId", householdId)
                .param("id", trialId)
                .update() == 1;
    }

    /** A real test as it was decided while the household was another firm's. */
    public void carryIn(long householdId, Trial trial) {
        jdbc.sql("""
            insert into trial (household_id, camera_id, kind, on_stand_ins, seconds, timed, light, said, begun_at, begun_by, passed,
              decided_at, decided_by, phones_did, phones_did_not)
            values (:householdId, :cameraId, :kind, false, :seconds, :timed, :light, :said, :begunAt, :begunBy, :passed,
              :decidedAt, :decidedBy, :did, :didNot)
            """)
                .param("householdId", householdId)
                .param("cameraId", trial.cameraId())
                .param("kind", trial.kind().name())
                .param("seconds", boxed(trial.seconds()), Types.DOUBLE)
                .param("timed", trial.timed() == null ? null : trial.timed().name(), Types.VARCHAR)
                .param("light", trial.light().map(Light::name).orElse(null), Types.VARCHAR)
                .param("said", trial.said())
                .param("begunAt", trial.begunAt())
                .param("begunBy", trial.begunBy())
                .param("passed", trial.passed())
                .param("decidedAt", trial.decidedAt())
                .param("decidedBy", trial.decidedBy())
                .param("did", Phones.that(trial.phones(), true), Types.ARRAY)
                .param("didNot", Phones.that(trial.phones(), false), Types.ARRAY)
                .update();
    }

    @Override
    public int clearRehearsed(long householdId) {
        return jdbc.sql("delete from trial where household_id = :householdId and on_stand_ins").param("householdId", householdId).update();
    }

    Optional<Trial> find(long householdId, long trialId) {
        return jdbc.sql("select * from trial where household_id = :householdId and id = :id")
                .param("householdId", householdId)
                .param("id", trialId)
                .query(TrialRepository::trial).optional();
    }

    /** Oldest first. */
    public List<Trial> of(long householdId) {
        return jdbc.sql("select * from trial where household_id = :householdId order by id")
                .param("householdId", householdId)
                .query(TrialRepository::trial).list();
    }

    public void sign(long householdId, String name, String strokes) {
        jdbc.sql("""
            insert into signature (household_id, name, strokes, at)
            values (:householdId, :name, :strokes, :now)
            on conflict (household_id) do update set name = excluded.name, strokes = excluded.strokes, at = excluded.at
            """)
                .param("householdId", householdId)
                .param("name", name)
                .param("strokes", strokes)
                .param("now", OffsetDateTime.now(clock))
                .update();
    }

    public Optional<Signature> signature(long householdId) {
        return jdbc.sql("select name, strokes, at from signature where household_id = :householdId")
                .param("householdId", householdId)
                .query((row, n) -> new Signature(row.getString("name"), row.getString("strokes"),
                        row.getObject("at", OffsetDateTime.class)))
                .optional();
    }

    private static Trial trial(ResultSet row, int n) throws SQLException {
        double seconds = row.getDouble("seconds");
        OptionalDouble took = row.wasNull() ? OptionalDouble.empty() : OptionalDouble.of(seconds);
        String timed = row.getString("timed");
        return new Trial(row.getLong("id"), row.getLong("camera_id"), Protocol.valueOf(row.getString("kind")),
                row.getBoolean("on_stand_ins"),
                took, timed == null ? null : Timed.valueOf(timed), Optional.ofNullable(row.getString("light")).map(Light::valueOf),
                row.getString("said"), row.getObject("begun_at", OffsetDateTime.class),
                row.getString("begun_by"), row.getObject("passed", Boolean.class), row.getObject("decided_at", OffsetDateTime.class),
                row.getString("decided_by"), Phones.read(row));
    }
}
