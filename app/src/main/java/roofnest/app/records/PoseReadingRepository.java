package roofnest.app.records;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

import tools.jackson.databind.json.JsonMapper;

import roofnest.core.plan.HousePlan;
import roofnest.core.plan.SpacePoint;
import roofnest.core.still.Landmark;
import roofnest.core.still.Landmarks;
import roofnest.core.still.Spread;
import roofnest.core.still.StillReading;
import roofnest.core.still.Tap;
import roofnest.core.view.CameraPose;
import roofnest.core.view.Projection;

/** How cameras hang, read from their stills: of each the newest reading. */
@Repository
public class PoseReadingRepository {
    /** A point of the plan that moved farther than this is another, metres. */
    private static final double SAME_POINT_M = 0.01;
    private static final double SAME_POSE = 1e-6;

    private final JdbcClient jdbc;
    private final Clock clock;
    private final JsonMapper json = new JsonMapper();

    PoseReadingRepository(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /**
     * One reading.
     *
     * @param of the pose that was planned then
     * @param stillAt when the still was taken in from which it was read
     */
    public record Row(long cameraId, String ofModel, CameraPose of, CameraPose pose, Spread spread, List<Tap> taps, OffsetDateTime stillAt,
            OffsetDateTime at, String by) {
        /** Whether it is still what hangs there: the camera is planned as it was then, and its points lie where they lay. */
        public boolean stands(CameraRepository.Record camera, Optional<HousePlan> plan) {
            return ofModel.equals(camera.camera().model().key()) && isSame(of, camera.planned())
                    && plan.filter(house -> areWhereTheyWere(house, camera.planned())).isPresent();
        }

        private boolean areWhereTheyWere(HousePlan plan, CameraPose planned) {
            Map<String, Landmark> now = Landmarks.of(plan, planned.onPlan()).stream()
                    .collect(Collectors.toMap(Landmark::id, Function.identity()));
            return taps.stream().map(Tap::landmark)
                    .allMatch(then -> now.containsKey(then.id()) && now.get(then.id()).at().distanceM(then.at()) <= SAME_POINT_M);
        }

        private static boolean isSame(CameraPose a, CameraPose b) {
            return a.lens().distanceM(b.lens()) < SAME_POSE && Math.abs(a.headingDeg() - b.headingDeg()) < SAME_POSE
                    && Math.abs(a.tiltDeg() - b.tiltDeg()) < SAME_POSE && Math.abs(a.rollDeg() - b.rollDeg()) < SAME_POSE;
        }
    }

    /** By camera. */
    public Map<Long, Row> of(long householdId) {
        return jdbc.sql("select * from pose_reading where household_id = :id").param("id", householdId).query(this::row).list().stream()
                .collect(Collectors.toMap(Row::cameraId, Function.identity()));
    }

    public Optional<Row> find(long householdId, long cameraId) {
        return jdbc.sql("select * from pose_reading where household_id = :id and camera_id = :camera").param("id", householdId)
                .param("camera", cameraId).query(this::row).optional();
    }

    /** Takes the place of an older one. @param stillAt when the still was taken in on which the taps were made */
    public void keep(long householdId, CameraRepository.Record camera, StillReading.Read read, List<Tap> taps, OffsetDateTime stillAt,
            String by) {
        put(householdId, new Row(camera.id(), camera.camera().model().key(), camera.planned(), read.pose(), read.spread(), taps, stillAt,
                OffsetDateTime.now(clock), by));
    }

    /** As it was kept elsewhere. */
    public void put(long householdId, Row row) {
        CameraPose of = row.of();
        CameraPose pose = row.pose();
        Spread spread = row.spread();
        jdbc.sql("""
            insert into pose_reading (camera_id, household_id, of_model, of_x_m, of_y_m, of_height_m, of_heading_deg, of_tilt_deg,
                of_roll_deg, x_m, y_m, height_m, heading_deg, tilt_deg, roll_deg, place_spread_m, height_spread_m,
                heading_spread_deg, tilt_spread_deg, roll_spread_deg, taps, still_at, read_at, read_by)
            values (:camera, :household, :model, :ofX, :ofY, :ofHeight, :ofHeading, :ofTilt, :ofRoll, :x, :y, :height, :heading,
                :tilt, :roll, :placeSpread, :heightSpread, :headingSpread, :tiltSpread, :rollSpread, :taps::jsonb, :still, :now, :by)
            on conflict (camera_id) do update set of_model = excluded.of_model, of_x_m = excluded.of_x_m, of_y_m = excluded.of_y_m,
                of_height_m = excluded.of_height_m, of_heading_deg = excluded.of_heading_deg, of_tilt_deg = excluded.of_tilt_deg,
                of_roll_deg = excluded.of_roll_deg, x_m = excluded.x_m, y_m = excluded.y_m, height_m = excluded.height_m,
                heading_deg = excluded.heading_deg, tilt_deg = excluded.tilt_deg, roll_deg = excluded.roll_deg,
                place_spread_m = excluded.place_spread_m, height_spread_m = excluded.height_spread_m,
                heading_spread_deg = excluded.heading_spread_deg, tilt_spread_deg = excluded.tilt_spread_deg,
                roll_spread_deg = excluded.roll_spread_deg, taps = excluded.taps, still_at = excluded.still_at,
                read_at = excluded.read_at, read_by = excluded.read_by
            """)
                .param("camera", row.cameraId()).param("household", householdId).param("model", row.ofModel())
                .param("ofX", of.xM()).param("ofY", of.yM()).param("ofHeight", of.heightM())
                .param("ofHeading", of.headingDeg()).param("ofTilt", of.tiltDeg()).param("ofRoll", of.rollDeg())
                .param("x", pose.xM()).param("y", pose.yM()).param("height", pose.heightM())
                .param("heading", pose.headingDeg()).param("tilt", pose.tiltDeg()).param("roll", pose.rollDeg())
                .param("placeSpread", spread.placeM()).param("heightSpread", spread.heightM())
                .param("headingSpread", spread.headingDeg()).param("tiltSpread", spread.tiltDeg())
                .param("rollSpread", spread.rollDeg())
                .param("taps", json.writeValueAsString(row.taps().stream().map(Kept::of).toList()))
                .param("still", row.stillAt()).param("now", row.at()).param("by", row.by())
                .update();
    }

    /** The plan has taken over what was read: from now on the reading is of that. */
    public void taken(long householdId, long cameraId) {
        jdbc.sql("""
            update pose_reading
            set of_x_m = x_m, of_y_m = y_m, of_height_m = height_m, of_heading_deg = heading_deg, of_tilt_deg = tilt_deg,
                of_roll_deg = roll_deg
            where household_id = :id and camera_id = :camera
            """).param("id", householdId).param("camera", cameraId).update();
    }

    /** Returns whether there was one. */
    public boolean forget(long householdId, long cameraId) {
        return jdbc.sql("delete from pose_reading where household_id = :id and camera_id = :camera").param("id", householdId)
                .param("camera", cameraId).update() == 1;
    }

    /** A tap as it is written down. */
    record Kept(String id, String name, double xM, double yM, double zM, double xPx, double yPx) {
        static Kept of(Tap tap) {
            SpacePoint at = tap.landmark().at();
            return new Kept(tap.landmark().id(), tap.landmark().name(), at.xM(), at.yM(), at.zM(), tap.at().x(), tap.at().y());
        }

        Tap tap() {
            return new Tap(new Landmark(id, name, new SpacePoint(xM, yM, zM)), new Projection.Pixel(xPx, yPx));
        }
    }

    private Row row(ResultSet row, int n) throws SQLException {
        return new Row(row.getLong("camera_id"), row.getString("of_model"),
                new CameraPose(row.getDouble("of_x_m"), row.getDouble("of_y_m"), row.getDouble("of_height_m"),
                        row.getDouble("of_heading_deg"), row.getDouble("of_tilt_deg"), row.getDouble("of_roll_deg")),
                new CameraPose(row.getDouble("x_m"), row.getDouble("y_m"), row.getDouble("height_m"), row.getDouble("heading_deg"),
                        row.getDouble("tilt_deg"), row.getDouble("roll_deg")),
                new Spread(row.getDouble("place_spread_m"), row.getDouble("height_spread_m"), row.getDouble("heading_spread_deg"),
                        row.getDouble("tilt_spread_deg"), row.getDouble("roll_spread_deg")),
                List.of(json.readValue(row.getString("taps"), Kept[].class)).stream().map(Kept::tap).toList(),
                row.getObject("still_at", OffsetDateTime.class), row.getObject("read_at", OffsetDateTime.class), row.getString("read_by"));
    }
}
