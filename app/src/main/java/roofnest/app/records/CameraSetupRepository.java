package roofnest.app.records;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Types;
import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

import roofnest.core.judge.PictureSetup;

/** How the picture of each camera is set, and what somebody set at the camera itself. */
@Repository
public class CameraSetupRepository {
    private final JdbcClient jdbc;
    private final Clock clock;

    CameraSetupRepository(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /** The caller counts the change at the camera, by the version that the page was opened at. */
    public void set(long householdId, long cameraId, PictureSetup set) {
        jdbc.sql("""
            insert into camera_setup (camera_id, household_id, light, wide_range, turned, sound, status_light, stamp, listens,
              width_px)
            values (:camera, :household, :light, :wide, :turned, :sound, :status, :stamp, :listens, :width)
            on conflict (camera_id) do update
            set light = excluded.light, wide_range = excluded.wide_range, turned = excluded.turned, sound = excluded.sound,
                status_light = excluded.status_light, stamp = excluded.stamp, listens = excluded.listens,
                width_px = excluded.width_px
            """).param("camera", cameraId).param("household", householdId).param("light", set.light().name())
                .param("wide", set.wideRange()).param("turned", set.turned()).param("sound", set.sound())
                .param("status", set.statusLight()).param("stamp", set.stamp()).param("listens", set.listens())
                .param("width", set.widthPx()).update();
    }

    /**
     * @param value that was set there
     * @param joinedAt when the camera had joined the house then; null where it had not
     */
    public record Tick(long cameraId, String step, String value, String by, OffsetDateTime at, OffsetDateTime joinedAt) {
        /** Whether the camera is still in the house as it joined then: reset or joined anew, it comes as it comes. */
        public boolean holds(OffsetDateTime joinedNow) {
            return joinedAt == null || joinedNow == null ? joinedAt == joinedNow : joinedAt.isEqual(joinedNow);
        }
    }

    /** Ticks of one camera, by step. */
    public Map<String, Tick> ticks(long householdId, long cameraId) {
        return all(householdId).stream().filter(tick -> tick.cameraId() == cameraId).collect(Collectors.toMap(Tick::step,
                Function.identity()));
    }

    public List<Tick> all(long householdId) {
        return jdbc.sql("select * from setting_tick where household_id = :household order by camera_id, step")
                .param("household", householdId).query(CameraSetupRepository::tick).list();
    }

    /** @param joinedAt when the camera joined the house as it is in it now; null where it has not */
    public void tick(long householdId, long cameraId, String step, String value, String by, OffsetDateTime joinedAt) {
        put(householdId, new Tick(cameraId, step, value, by, OffsetDateTime.now(clock), joinedAt));
    }

    /** As it was kept elsewhere. */
    public void put(long householdId, Tick tick) {
        jdbc.sql("""
            insert into setting_tick (camera_id, household_id, step, value, set_by, set_at, joined_at)
            values (:camera, :household, :step, :value, :by, :at, :joined)
            on conflict (camera_id, step) do update
            set value = excluded.value, set_by = excluded.set_by, set_at = excluded.set_at, joined_at = excluded.joined_at
            """).param("camera", tick.cameraId()).param("household", householdId).param("step", tick.step())
                .param("value", tick.value()).param("by", tick.by()).param("at", tick.at())
                .param("joined", tick.joinedAt(), Types.TIMESTAMP_WITH_TIMEZONE).update();
    }

    /** Takes a tick back. @return whether there was one */
    public boolean untick(long householdId, long cameraId, String step) {
        return jdbc.sql("delete from setting_tick where household_id = :household and camera_id = :camera and step = :step")
                .param("household", householdId).param("camera", cameraId).param("step", step).update() == 1;
    }

    private static Tick tick(ResultSet row, int n) throws SQLException {
        return new Tick(row.getLong("camera_id"), row.getString("step"), row.getString("value"), row.getString("set_by"),
                row.getObject("set_at", OffsetDateTime.class), row.getObject("joined_at", OffsetDateTime.class));
    }
}
