package roofnest.app.records;

import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** What each camera shows by now, beside the still of its hand-over: one, the newest. */
@Repository
public class CareStillRepository implements PictureShelf {
    private final JdbcClient jdbc;
    private final Clock clock;

    CareStillRepository(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /** By camera. */
    public Map<Long, StillRepository.Still> of(long householdId) {
        Map<Long, StillRepository.Still> stills = new HashMap<>();
        jdbc.sql("select camera_id, jpeg, taken_at, taken_by from care_still where household_id = :id").param("id", householdId)
                .query(row -> {
                    stills.put(row.getLong("camera_id"), new StillRepository.Still(row.getBytes("jpeg"), row.getObject("taken_at",
                            OffsetDateTime.class), row.getString("taken_by")));
                });
        return stills;
    }

    /** Takes the place of an older one. */
    public void keep(long householdId, long cameraId, byte[] jpeg, String by) {
        keep(householdId, cameraId, jpeg, OffsetDateTime.now(clock), by);
    }

    private void keep(long householdId, long cameraId, byte[] jpeg, OffsetDateTime at, String by) {
        jdbc.sql("""
            insert into care_still (household_id, camera_id, jpeg, taken_at, taken_by) values (:id, :camera, :jpeg, :at, :by)
            on conflict (camera_id) do update set jpeg = excluded.jpeg, taken_at = excluded.taken_at, taken_by = excluded.taken_by
            """).param("id", householdId).param("camera", cameraId).param("jpeg", jpeg).param("at", at).param("by", by).update();
    }

    @Override
    public String shelf() {
        return "stills-of-care";
    }

    @Override
    public List<Picture> pictures(long householdId) {
        return jdbc.sql("""
            select c.name, s.jpeg, s.taken_at, s.taken_by from care_still s join camera c on c.id = s.camera_id
            where s.household_id = :id and c.removed_at is null order by c.id
            """).param("id", householdId).query(CarriedPicture::of).list();
    }

    @Override
    public void put(long householdId, Picture picture) {
        CarriedPicture.Taken taken = CarriedPicture.taken(jdbc, householdId, picture);
        keep(householdId, taken.cameraId(), taken.jpeg(), taken.at(), taken.by());
    }
}
