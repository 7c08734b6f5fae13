package roofnest.app.records;

import java.sql.Types;
import java.time.LocalDate;
import java.util.List;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Devices that hung in the place of a camera before the one that is there. */
@Repository
public class DeviceBeforeRepository {
    private final JdbcClient jdbc;

    DeviceBeforeRepository(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** Why another one came. */
    public enum Why {
        BROKEN("it was broken"), WARRANTY("it was replaced under its warranty"), BETTER("another model was wanted"),
        STOLEN("it was stolen");

        private final String words;

        Why(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /**
     * @param camera the name of the place
     * @param serial empty where nobody noted one
     * @param joinedOn null where it never joined
     */
    public record Row(long cameraId, String camera, String modelKey, String model, String serial, LocalDate joinedOn, LocalDate goneOn,
            Why why, String by) {}

    /** The latest first. */
    public List<Row> of(long householdId) {
        return jdbc.sql("""
            select d.*, c.name as camera from device_before d join camera c on c.id = d.camera_id
            where d.household_id = :id order by d.gone_on desc, d.id desc
            """).param("id", householdId).query((row, n) -> new Row(row.getLong("camera_id"), row.getString("camera"),
                row.getString("model_key"), row.getString("model"), row.getString("serial"), row.getObject("joined_on", LocalDate.class),
                row.getObject("gone_on", LocalDate.class), Why.valueOf(row.getString("why")), row.getString("by_name"))).list();
    }

    public void add(long householdId, Row row) {
        jdbc.sql("""
            insert into device_before (household_id, camera_id, model_key, model, serial, joined_on, gone_on, why, by_name)
            values (:id, :camera, :key, :model, :serial, :joined, :gone, :why, :by)
            """).param("id", householdId).param("camera", row.cameraId()).param("key", row.modelKey()).param("model", row.model())
                .param("serial", row.serial()).param("joined", row.joinedOn(), Types.DATE).param("gone", row.goneOn())
                .param("why", row.why().name()).param("by", row.by()).update();
    }
}
