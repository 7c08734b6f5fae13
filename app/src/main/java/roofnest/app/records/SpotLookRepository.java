package roofnest.app.records;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

import roofnest.core.mount.SpotLook;
import roofnest.core.plan.PlanPoint;

/** What was seen where steps or a ladder go up to a camera: of each camera the newest look. */
@Repository
public class SpotLookRepository {
    private final JdbcClient jdbc;
    private final Clock clock;

    SpotLookRepository(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    public record Row(long cameraId, SpotLook look, OffsetDateTime at) {}

    /** By camera. */
    public Map<Long, Row> of(long householdId) {
        return jdbc.sql("select * from spot_look where household_id = :id").param("id", householdId).query(SpotLookRepository::row).list()
                .stream().collect(Collectors.toMap(Row::cameraId, Function.identity()));
    }

    public void keep(long householdId, long cameraId, SpotLook look) {
        put(householdId, new Row(cameraId, look, OffsetDateTime.now(clock)));
    }

    /** As it was kept elsewhere. */
    public void put(long householdId, Row row) {
        SpotLook look = row.look();
        jdbc.sql("""
            insert into spot_look (camera_id, household_id, lines_near, firm, x_m, y_m, height_m, looked_by, looked_at)
            values (:camera, :household, :lines, :firm, :x, :y, :height, :by, :at)
            on conflict (camera_id) do update set lines_near = excluded.lines_near, firm = excluded.firm, x_m = excluded.x_m,
                y_m = excluded.y_m, height_m = excluded.height_m, looked_by = excluded.looked_by, looked_at = excluded.looked_at
            """).param("camera", row.cameraId()).param("household", householdId).param("lines", look.linesNear())
                .param("firm", look.firm()).param("x", look.at().xM()).param("y", look.at().yM()).param("height", look.heightM())
                .param("by", look.by()).param("at", row.at()).update();
    }

    private static Row row(ResultSet row, int n) throws SQLException {
        return new Row(row.getLong("camera_id"), new SpotLook(row.getBoolean("lines_near"), row.getBoolean("firm"),
                new PlanPoint(row.getDouble("x_m"), row.getDouble("y_m")), row.getDouble("height_m"), row.getString("looked_by")),
                row.getObject("looked_at", OffsetDateTime.class));
    }
}
