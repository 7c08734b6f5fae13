package roofnest.app.records;

import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** What each camera really shows: one still, the newest. */
@Repository
public class StillRepository implements PictureShelf {
    private final JdbcClient jdbc;
    private final Clock clock;

    StillRepository(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /** @param jpeg drawn anew: nothing but what is to be seen is in it */
    public record Still(byte[] jpeg, OffsetDateTime at, String by) {}

    /** Without the pictures: when each camera's was taken. */
    public Map<Long, Still> taken(long householdId) {
        Map<Long, Still> taken = new HashMap<>();
        jdbc.sql("select camera_id, taken_at, taken_by from camera_still where household_id = :id").param("id", householdId)
                .query(row -> {
                    taken.put(row.getLong("camera_id"),
                            new Still(new byte[0], row.getObject("taken_at", OffsetDateTime.class), row.getString("taken_by")));
                });
        return taken;
    }

    /** By camera. */
    public Map<Long, Still> of(long householdId) {
        Map<Long, Still> stills = new HashMap<>();
        jdbc.sql("select camera_id, jpeg, taken_at, taken_by from camera_still where household_id = :id").param("id", householdId)
                .query(row -> {
                    stills.put(row.getLong("camera_id"),
                            new Still(row.getBytes("jpeg"), row.getObject("taken_at", OffsetDateTime.class), row.getString("taken_by")));
                });
        return stills;
    }

    public Optional<byte[]> jpeg(long householdId, long cameraId) {
        return find(householdId, cameraId).map(Still::jpeg);
    }

    /** Of one camera. */
    public Optional<Still> find(long householdId, long cameraId) {
        return jdbc.sql("select jpeg, taken_at, taken_by from camera_still where household_id = :id and camera_id = :camera")
                .param("id", householdId).param("camera", cameraId)
                .query((row, n) -> new Still(row.getBytes("jpeg"), row.getObject("taken_at", OffsetDateTime.class),
                        row.getString("taken_by")))
                .optional();
    }

    /** Takes the place of an older one. */
    public void keep(long householdId, long cameraId, byte[] jpeg, String by) {
        keep(householdId, cameraId, jpeg, OffsetDateTime.now(clock), by);
    }

    /** One that was taken before, as it was. */
    public void keep(long householdId, long cameraId, Still still) {
        keep(householdId, cameraId, still.jpeg(), still.at(), still.by());
    }

    private void keep(long householdId, long cameraId, byte[] jpeg, OffsetDateTime at, String by) {
        jdbc.sql("""
            insert into camera_still (household_id, camera_id, jpeg, taken_at, taken_by) values (:id, :camera, :jpeg, :at, :by)
            on conflict (camera_id) do update set jpeg = excluded.jpeg, taken_at = excluded.taken_at, taken_by = excluded.taken_by
            """).param("id", householdId).param("camera", cameraId).param("jpeg", jpeg).param("at", at).param("by", by).update();
    }

    /** Returns whether there was one. */
    boolean remove(long householdId, long cameraId) {
        return jdbc.sql("delete from camera_still where household_id = :id and camera_id = :camera").param("id", householdId)
                .param("camera", cameraId).update() == 1;
    }

    @Override
    public String shelf() {
        return "stills";
    }

    @Override
    public List<Picture> pictures(long householdId) {
        return jdbc.sql("""
            select c.name, s.jpeg, s.taken_at, s.taken_by from camera_still s join camera c on c.id = s.camera_id
            where s.household_id = :id and c.removed_at is null order by c.id
            """).param("id", householdId).query(CarriedPicture::of).list();
    }

    @Override
    public void put(long householdId, Picture picture) {
        CarriedPicture.Taken taken = CarriedPicture.taken(jdbc, householdId, picture);
        keep(householdId, taken.cameraId(), taken.jpeg(), taken.at(), taken.by());
    }
}
