package roofnest.app.records;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

import roofnest.core.mount.SaidLead;
import roofnest.core.plan.PlanPoint;
import roofnest.core.plan.SpacePoint;
import tools.jackson.databind.json.JsonMapper;

/** Ways of leads as they were measured on site or drawn on the plan: of each camera the newest. */
@Repository
public class SaidLeadRepository {
    private final JdbcClient jdbc;
    private final JsonMapper json;
    private final Clock clock;

    SaidLeadRepository(JdbcClient jdbc, JsonMapper json, Clock clock) {
        this.jdbc = jdbc;
        this.json = json;
        this.clock = clock;
    }

    public record Row(long cameraId, SaidLead lead, OffsetDateTime at) {}

    /** By camera. */
    public Map<Long, Row> of(long householdId) {
        return jdbc.sql("select * from said_lead where household_id = :id").param("id", householdId).query(this::row).list()
                .stream().collect(Collectors.toMap(Row::cameraId, Function.identity()));
    }

    public void keep(long householdId, long cameraId, SaidLead lead) {
        put(householdId, new Row(cameraId, lead, OffsetDateTime.now(clock)));
    }

    /** As it was kept elsewhere. */
    public void put(long householdId, Row row) {
        SaidLead lead = row.lead();
        jdbc.sql("""
            insert into said_lead (camera_id, household_id, socket, along_m, holes, turns, x_m, y_m, height_m, measured_by, measured_at)
            values (:camera, :household, :socket, :along, :holes, :turns::jsonb, :x, :y, :height, :by, :at)
            on conflict (camera_id) do update set socket = excluded.socket, along_m = excluded.along_m, holes = excluded.holes,
                turns = excluded.turns, x_m = excluded.x_m, y_m = excluded.y_m, height_m = excluded.height_m,
                measured_by = excluded.measured_by, measured_at = excluded.measured_at
            """)
                .param("camera", row.cameraId()).param("household", householdId).param("socket", lead.socket())
                .param("along", lead.alongM()).param("holes", lead.holes())
                .param("turns", json.writeValueAsString(lead.turns().stream()
                        .map(turn -> new double[] {turn.xM(), turn.yM(), turn.zM()}).toList()))
                .param("x", lead.at().xM()).param("y", lead.at().yM())
                .param("height", lead.heightM()).param("by", lead.by()).param("at", row.at()).update();
    }

    public void forget(long householdId, long cameraId) {
        jdbc.sql("delete from said_lead where household_id = :id and camera_id = :camera").param("id", householdId)
                .param("camera", cameraId).update();
    }

    private Row row(ResultSet row, int n) throws SQLException {
        return new Row(row.getLong("camera_id"), new SaidLead(row.getString("socket"), row.getDouble("along_m"), row.getInt("holes"),
                Stream.of(json.readValue(row.getString("turns"), double[][].class))
                        .map(turn -> new SpacePoint(turn[0], turn[1], turn[2])).toList(),
                new PlanPoint(row.getDouble("x_m"), row.getDouble("y_m")), row.getDouble("height_m"), row.getString("measured_by")),
                row.getObject("measured_at", OffsetDateTime.class));
    }
}
