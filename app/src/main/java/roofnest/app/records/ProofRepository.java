package roofnest.app.records;

import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.List;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

import roofnest.core.judge.Proof;
import roofnest.core.promise.PromiseKey;

/** What tests on site proved. */
@Repository
public class ProofRepository {
    private final JdbcClient jdbc;

    ProofRepository(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    public List<Proof> of(long householdId) {
        return jdbc.sql("""
            select promise_key, camera_id, measured, pose_mark, at, by_name
            from proof
            where household_id = :householdId
            order by id
            """)
                .param("householdId", householdId)
                .query((row, n) -> new Proof(new PromiseKey(row.getString("promise_key")), row.getLong("camera_id"),
                        row.getDouble("measured"),
                        row.getString("pose_mark"), row.getObject("at", OffsetDateTime.class).toInstant(), row.getString("by_name")))
                .list();
    }

    public void add(long householdId, Proof proof) {
        jdbc.sql("""
            insert into proof (household_id, camera_id, promise_key, measured, pose_mark, at, by_name)
            values (:householdId, :cameraId, :key, :measured, :mark, :at, :by)
            """)
                .param("householdId", householdId)
                .param("cameraId", proof.cameraId())
                .param("key", proof.promise().value())
                .param("measured", proof.measured())
                .param("mark", proof.poseMark())
                .param("at", OffsetDateTime.ofInstant(proof.at(), ZoneOffset.UTC))
                .param("by", proof.by())
                .update();
    }
}
