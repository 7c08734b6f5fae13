package roofnest.app.records;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Types;
import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

import roofnest.core.catalogue.MotionSpec;
import roofnest.core.plan.PlanPoint;
import roofnest.core.week.SensorFit;

/** Walks made before cameras, and what they say of each sensor. */
@Repository
public class SensorWalkRepository {
    private final JdbcClient jdbc;
    private final Clock clock;

    SensorWalkRepository(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /** @param mark how the camera hung and was set then: {@link roofnest.core.judge.Camera#sensingMark} */
    public record Row(long id, long cameraId, SensorFit.Walked walk, String mark, String by, OffsetDateTime at) {}

    /** Walks before real sensors, the newest last. */
    public List<Row> of(long householdId) {
        return jdbc.sql("select * from sensor_walk where household_id = :household and practice_round is null order by id")
                .param("household", householdId)
                .query(SensorWalkRepository::row).list();
    }

    /** Walks before stand-ins of one camera in one round of practice, the newest last: they bend no real sensor. */
    public List<Row> practised(long householdId, long cameraId, int round) {
        return jdbc.sql("""
            select * from sensor_walk
            where household_id = :household and camera_id = :camera and practice_round = :round
            order by id
            """).param("household", householdId).param("camera", cameraId).param("round", round).query(SensorWalkRepository::row).list();
    }

    /** The latest round of practice before a camera; 1 before any. */
    public int round(long householdId, long cameraId) {
        return jdbc.sql("""
            select coalesce(max(practice_round), 1) from sensor_walk where household_id = :household and camera_id = :camera
            """).param("household", householdId).param("camera", cameraId).query(Integer.class).single();
    }

    /** Keeps a walk before a stand-in. */
    public void practise(long householdId, long cameraId, int round, SensorFit.Walked walk, String mark, String by) {
        put(householdId, new Row(0, cameraId, walk, mark, by, OffsetDateTime.now(clock)), round);
    }

    public void keep(long householdId, long cameraId, SensorFit.Walked walk, String mark, String by) {
        put(householdId, new Row(0, cameraId, walk, mark, by, OffsetDateTime.now(clock)));
    }

    /** As it was kept elsewhere. */
    public void put(long householdId, Row row) {
        put(householdId, row, null);
    }

    private void put(long householdId, Row row, Integer round) {
        SensorFit.Walked walk = row.walk();
        jdbc.sql("""
            insert into sensor_walk (household_id, camera_id, from_x_m, from_y_m, to_x_m, to_y_m, noticed, seconds, air_c, dark, mark,
                                     walked_by, walked_at, practice_round)
            values (:household, :camera, :fromX, :fromY, :toX, :toY, :noticed, :seconds, :air, :dark, :mark, :by, :at, :round)
            """).param("household", householdId).param("camera", row.cameraId()).param("fromX", walk.from().xM())
                .param("fromY", walk.from().yM()).param("toX", walk.to().xM()).param("toY", walk.to().yM())
                .param("noticed", walk.noticed())
                .param("seconds", walk.seconds().isPresent() ? walk.seconds().getAsDouble() : null, Types.DOUBLE)
                .param("air", walk.airC()).param("dark", walk.dark()).param("mark", row.mark()).param("by", row.by())
                .param("at", row.at()).param("round", round, Types.INTEGER).update();
    }

    /** Returns whether there was one. */
    public boolean forget(long householdId, long cameraId, long id) {
        return jdbc.sql("delete from sensor_walk where household_id = :household and camera_id = :camera and id = :id")
                .param("household", householdId).param("camera", cameraId).param("id", id).update() == 1;
    }

    /** What the walks say of a sensor while it hangs and is set so; empty for as its document says. */
    public void bend(long householdId, long cameraId, Optional<MotionSpec> motion, String mark) {
        jdbc.sql("delete from camera_sensing where household_id = :household and camera_id = :camera").param("household", householdId)
                .param("camera", cameraId).update();
        motion.ifPresent(bent -> jdbc.sql("""
            insert into camera_sensing (camera_id, household_id, range_m, fan_deg, wake_s, mark)
            values (:camera, :household, :range, :fan, :wake, :mark)
            """).param("camera", cameraId).param("household", householdId).param("range", bent.rangeM()).param("fan", bent.fanDeg())
                .param("wake", bent.wakeSeconds()).param("mark", mark).update());
    }

    private static Row row(ResultSet row, int n) throws SQLException {
        double seconds = row.getDouble("seconds");
        return new Row(row.getLong("id"), row.getLong("camera_id"), new SensorFit.Walked(
                new PlanPoint(row.getDouble("from_x_m"), row.getDouble("from_y_m")),
                new PlanPoint(row.getDouble("to_x_m"), row.getDouble("to_y_m")), row.getBoolean("noticed"),
                row.getObject("seconds") == null ? OptionalDouble.empty() : OptionalDouble.of(seconds), row.getDouble("air_c"),
                row.getBoolean("dark")), row.getString("mark"), row.getString("walked_by"),
                row.getObject("walked_at", OffsetDateTime.class));
    }
}
