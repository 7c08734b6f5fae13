package roofnest.app.records;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Clock;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

import roofnest.core.power.PackFit;

/** Percents of packs as somebody read them, and what they say of each. */
@Repository
public class PackReadingRepository {
    private final JdbcClient jdbc;
    private final Clock clock;

    PackReadingRepository(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /** @param mark how the camera was set then: {@link roofnest.core.judge.Camera#packMark} */
    public record Row(long id, long cameraId, PackFit.Reading reading, String mark, String by, OffsetDateTime at) {}

    /** What the readings of a pack say of it, as shares of what its document says, while it is set by that mark. */
    public record Bent(double drawShare, double sunShare, String mark) {}

    /** The latest last. */
    public List<Row> of(long householdId) {
        return jdbc.sql("select * from pack_reading where household_id = :household order by camera_id, read_on, after_charge")
                .param("household", householdId).query(PackReadingRepository::row).list();
    }

    /** The same day read again takes the place of what was read before. */
    public void keep(long householdId, long cameraId, PackFit.Reading reading, String mark, String by) {
        put(householdId, new Row(0, cameraId, reading, mark, by, OffsetDateTime.now(clock)));
    }

    /** As it was kept elsewhere. */
    public void put(long householdId, Row row) {
        jdbc.sql("""
            insert into pack_reading (household_id, camera_id, read_on, percent, after_charge, mark, read_by, read_at)
            values (:household, :camera, :on, :percent, :charged, :mark, :by, :at)
            on conflict (camera_id, read_on, after_charge) do update
            set percent = excluded.percent, mark = excluded.mark, read_by = excluded.read_by, read_at = excluded.read_at
            """).param("household", householdId).param("camera", row.cameraId()).param("on", row.reading().on())
                .param("percent", row.reading().percent()).param("charged", row.reading().afterCharge()).param("mark", row.mark())
                .param("by", row.by()).param("at", row.at()).update();
    }

    /** Returns whether there was one. */
    public boolean forget(long householdId, long cameraId, long id) {
        return jdbc.sql("delete from pack_reading where household_id = :household and camera_id = :camera and id = :id")
                .param("household", householdId).param("camera", cameraId).param("id", id).update() == 1;
    }

    public Optional<Bent> bent(long householdId, long cameraId) {
        return jdbc.sql("select * from camera_pack where household_id = :household and camera_id = :camera").param("household", householdId)
                .param("camera", cameraId).query((row, n) -> new Bent(row.getDouble("draw_share"), row.getDouble("sun_share"),
                        row.getString("mark")))
                .optional();
    }

    /** @param bent empty for as its document says */
    public void bend(long householdId, long cameraId, Optional<Bent> bent) {
        jdbc.sql("delete from camera_pack where household_id = :household and camera_id = :camera").param("household", householdId)
                .param("camera", cameraId).update();
        bent.ifPresent(now -> jdbc.sql("""
            insert into camera_pack (camera_id, household_id, draw_share, sun_share, mark)
            values (:camera, :household, :draw, :sun, :mark)
            """).param("camera", cameraId).param("household", householdId).param("draw", now.drawShare()).param("sun", now.sunShare())
                .param("mark", now.mark()).update());
    }

    private static Row row(ResultSet row, int n) throws SQLException {
        return new Row(row.getLong("id"), row.getLong("camera_id"), new PackFit.Reading(row.getObject("read_on", LocalDate.class),
                row.getDouble("percent"), row.getBoolean("after_charge")), row.getString("mark"), row.getString("read_by"),
                row.getObject("read_at", OffsetDateTime.class));
    }
}
