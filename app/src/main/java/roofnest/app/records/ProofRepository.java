package roofnest.app.records;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Types;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

import roofnest.core.judge.Proof;
import roofnest.core.judge.ProofMark;
import roofnest.core.promise.Light;
import roofnest.core.promise.PromiseKey;

/** What tests of real cameras on site proved, or found broken. */
@Repository
public class ProofRepository {
    private final JdbcClient jdbc;

    ProofRepository(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    public List<Proof> of(long householdId) {
        return jdbc.sql("""
            select promise_key, camera_id, passed, measured, light, said, mark, at, by_name, phones_did, phones_did_not
            from proof
            where household_id = :householdId
            order by id
            """)
                .param("householdId", householdId)
                .query((row, n) -> new Proof(new PromiseKey(row.getString("promise_key")), row.getLong("camera_id"),
                        row.getBoolean("passed"), measured(row), Optional.ofNullable(row.getString("light")).map(Light::valueOf),
                        row.getString("said"), ProofMark.read(row.getString("mark")),
                        row.getObject("at", OffsetDateTime.class).toInstant(), row.getString("by_name"), Phones.read(row)))
                .list();
    }

    public void add(long householdId, Proof proof) {
        jdbc.sql("""
            insert into proof (household_id, camera_id, promise_key, passed, measured, light, said, mark, at, by_name,
              phones_did, phones_did_not)
            values (:householdId, :cameraId, :key, :passed, :measured, :light, :said, :mark, :at, :by, :did, :didNot)
            """)
                .param("householdId", householdId)
                .param("cameraId", proof.cameraId())
                .param("key", proof.promise().value())
                .param("passed", proof.passed())
                .param("measured", proof.measured().isPresent() ? proof.measured().getAsDouble() : null, Types.DOUBLE)
                .param("light", proof.light().map(Light::name).orElse(null), Types.VARCHAR)
                .param("said", proof.said())
                .param("mark", proof.mark().text())
                .param("at", OffsetDateTime.ofInstant(proof.at(), ZoneOffset.UTC))
                .param("by", proof.by())
                .param("did", Phones.that(proof.phones(), true), Types.ARRAY)
                .param("didNot", Phones.that(proof.phones(), false), Types.ARRAY)
                .update();
    }

    private static OptionalDouble measured(ResultSet row) throws SQLException {
        double measured = row.getDouble("measured");
        return row.wasNull() ? OptionalDouble.empty() : OptionalDouble.of(measured);
    }
}
