package roofnest.app.pair;

import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.HashSet;
import java.util.Optional;
import java.util.Set;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Rejoining after a new router or password, over as many visits as it takes. */
@Repository
class RejoinRepository {
    private final JdbcClient jdbc;
    private final Clock clock;

    RejoinRepository(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    record Rejoin(long id, OffsetDateTime begunAt, String begunBy) {}

    Optional<Rejoin> open(long householdId) {
        return jdbc.sql("select id, begun_at, begun_by from rejoin where household_id = :householdId and over_at is null")
                .param("householdId", householdId)
                .query((row, n) -> new Rejoin(row.getLong("id"), row.getObject("begun_at", OffsetDateTime.class),
                        row.getString("begun_by")))
                .optional();
    }

    void begin(long householdId, String by) {
        jdbc.sql("insert into rejoin (household_id, begun_at, begun_by) values (:householdId, :now, :by) on conflict do nothing")
                .param("householdId", householdId)
                .param("now", OffsetDateTime.now(clock))
                .param("by", by)
                .update();
    }

    /** Cameras that are back: seen to be, or joined by a run since. */
    Set<Long> back(Rejoin rejoin) {
        return new HashSet<>(jdbc.sql("""
            select camera_id from rejoin_back where rejoin_id = :id
            union
            select run.camera_id from run join rejoin on rejoin.household_id = run.household_id
            where rejoin.id = :id and run.finished_at > rejoin.begun_at and run.given_up_at is null
            """)
                .param("id", rejoin.id())
                .query(Long.class).list());
    }

    void markBack(Rejoin rejoin, long cameraId, boolean back, String by) {
        if (back) {
            jdbc.sql(
                    "insert into rejoin_back (rejoin_id, camera_id, back_at, by_name) values (:id, :camera, :now, :by) on "
                            + "conflict do nothing")
                    .param("id", rejoin.id()).param("camera", cameraId).param("now", OffsetDateTime.now(clock)).param("by", by).update();
        } else {
            jdbc.sql("delete from rejoin_back where rejoin_id = :id and camera_id = :camera").param("id", rejoin.id())
                    .param("camera", cameraId).update();
        }
    }

    void over(long householdId) {
        jdbc.sql("update rejoin set over_at = :now where household_id = :householdId and over_at is null")
                .param("now", OffsetDateTime.now(clock))
                .param("householdId", householdId)
                .update();
    }
}
