package roofnest.app.records;

import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Photos of finished mounts: of each camera the newest. */
@Repository
public class MountPhotoRepository implements PictureShelf {
    private final JdbcClient jdbc;
    private final Clock clock;

    MountPhotoRepository(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /** @param jpeg drawn anew */
    public record Photo(byte[] jpeg, OffsetDateTime at, String by) {}

    public Optional<Photo> find(long householdId, long cameraId) {
        return jdbc.sql("select jpeg, taken_at, taken_by from mount_photo where household_id = :id and camera_id = :camera")
                .param("id", householdId).param("camera", cameraId)
                .query((row, n) -> new Photo(row.getBytes("jpeg"), row.getObject("taken_at", OffsetDateTime.class),
                        row.getString("taken_by")))
                .optional();
    }

    public void keep(long householdId, long cameraId, byte[] jpeg, String by) {
        keep(householdId, cameraId, jpeg, OffsetDateTime.now(clock), by);
    }

    private void keep(long householdId, long cameraId, byte[] jpeg, OffsetDateTime at, String by) {
        jdbc.sql("""
            insert into mount_photo (household_id, camera_id, jpeg, taken_at, taken_by) values (:id, :camera, :jpeg, :at, :by)
            on conflict (camera_id) do update set jpeg = excluded.jpeg, taken_at = excluded.taken_at, taken_by = excluded.taken_by
            """).param("id", householdId).param("camera", cameraId).param("jpeg", jpeg).param("at", at).param("by", by).update();
    }

    @Override
    public String shelf() {
        return "mounts";
    }

    @Override
    public List<Picture> pictures(long householdId) {
        return jdbc.sql("""
            select c.name, p.jpeg, p.taken_at, p.taken_by from mount_photo p join camera c on c.id = p.camera_id
            where p.household_id = :id and c.removed_at is null order by c.id
            """).param("id", householdId).query(CarriedPicture::of).list();
    }

    @Override
    public void put(long householdId, Picture picture) {
        CarriedPicture.Taken taken = CarriedPicture.taken(jdbc, householdId, picture);
        keep(householdId, taken.cameraId(), taken.jpeg(), taken.at(), taken.by());
    }
}
