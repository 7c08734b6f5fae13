package roofnest.app.records;

import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

import roofnest.app.web.BadInput;
import roofnest.core.judge.Patrol;

/** Named views of cameras that turn by motor, in the order of the round. */
@Repository
public class CameraViewRepository {
    private final JdbcClient jdbc;

    CameraViewRepository(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    public record Row(long id, long cameraId, Patrol.View view) {}

    public List<Row> of(long householdId) {
        return jdbc.sql("select * from camera_view where household_id = :household order by id").param("household", householdId)
                .query((row, n) -> new Row(row.getLong("id"), row.getLong("camera_id"), new Patrol.View(row.getString("name"),
                        row.getDouble("heading_deg"), row.getDouble("tilt_deg"), row.getInt("dwell_s"))))
                .list();
    }

    public List<Row> of(long householdId, long cameraId) {
        return of(householdId).stream().filter(row -> row.cameraId() == cameraId).toList();
    }

    /** By camera. */
    public Map<Long, List<Patrol.View>> views(long householdId) {
        return of(householdId).stream().collect(Collectors.groupingBy(Row::cameraId, Collectors.mapping(Row::view, Collectors.toList())));
    }

    /** @throws BadInput when there are too many, or one is called so already */
    public void add(long householdId, long cameraId, Patrol.View view) {
        List<Row> there = of(householdId, cameraId);
        if (there.size() >= Patrol.MOST_VIEWS) {
            throw new BadInput("It has " + Patrol.MOST_VIEWS + " views already; take one out first.");
        }
        if (there.stream().anyMatch(row -> row.view().name().equalsIgnoreCase(view.name()))) {
            throw new BadInput("One of its views is called “" + view.name() + "” already.");
        }
        jdbc.sql("""
            insert into camera_view (household_id, camera_id, name, heading_deg, tilt_deg, dwell_s)
            values (:household, :camera, :name, :heading, :tilt, :dwell)
            """).param("household", householdId).param("camera", cameraId).param("name", view.name()).param("heading", view.headingDeg())
                .param("tilt", view.tiltDeg()).param("dwell", view.dwellS()).update();
    }

    /** Returns whether there was one. */
    public boolean remove(long householdId, long cameraId, long id) {
        return jdbc.sql("delete from camera_view where household_id = :household and camera_id = :camera and id = :id")
                .param("household", householdId).param("camera", cameraId).param("id", id).update() == 1;
    }
}
