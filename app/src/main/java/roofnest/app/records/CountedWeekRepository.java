package roofnest.app.records;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Types;
import java.time.Clock;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Map;
import java.util.OptionalInt;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

import roofnest.core.catalogue.AlertSpec;
import roofnest.core.lang.Require;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** Clips of real days, as somebody counted them in a camera's own app. */
@Repository
public class CountedWeekRepository {
    private final JdbcClient jdbc;
    private final Clock clock;
    private final JsonMapper json;

    CountedWeekRepository(JdbcClient jdbc, Clock clock, JsonMapper json) {
        this.json = json;
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /**
     * @param wanted of them for somebody who came; empty where nobody told them apart
     * @param kinds what its app calls them; empty where nobody said
     * @param mark how the camera hung and was set then: {@link roofnest.core.judge.Camera#watchMark}
     */
    public record Row(long id, long cameraId, LocalDate from, int days, int clips, OptionalInt wanted,
            Map<AlertSpec.Kind, Integer> kinds, String mark, String by, OffsetDateTime at) {
        public Row {
            kinds = Map.copyOf(kinds);
            kinds.values().forEach(count -> Require.inRange("clips of a kind", count, 0, 200_000));
            Require.inRange("days counted", days, 1, 92);
            Require.inRange("clips counted", clips, 0, 200_000);
            Require.inRange("clips for somebody who came", wanted.orElse(0), 0, clips);
        }
    }

    /** The latest days first. */
    public List<Row> of(long householdId) {
        return jdbc.sql("select * from counted_week where household_id = :id order by from_day desc, id desc").param("id", householdId)
                .query(this::row).list();
    }

    /** The same days of a camera, counted again, take the place of what was counted before. */
    public void keep(long householdId, long cameraId, LocalDate from, int days, int clips, OptionalInt wanted, String mark, String by) {
        keep(householdId, cameraId, from, days, clips, wanted, Map.of(), mark, by);
    }

    /** With what its app calls them. */
    public void keep(long householdId, long cameraId, LocalDate from, int days, int clips, OptionalInt wanted,
            Map<AlertSpec.Kind, Integer> kinds, String mark, String by) {
        put(householdId, new Row(0, cameraId, from, days, clips, wanted, kinds, mark, by, OffsetDateTime.now(clock)));
    }

    /** As it was kept elsewhere. */
    public void put(long householdId, Row row) {
        jdbc.sql(
                """
                    insert into counted_week (household_id, camera_id, from_day, days, clips, wanted, kinds, mark, counted_by,
                                      counted_at)
                    values (:household, :camera, :from, :days, :clips, :wanted, :kinds::jsonb, :mark, :by, :at)
                    on conflict (camera_id, from_day, days) do update
                    set clips = excluded.clips, wanted = excluded.wanted,
                        kinds = excluded.kinds, mark = excluded.mark, counted_by = excluded.counted_by,
                        counted_at = excluded.counted_at
                    """)
                .param("household", householdId).param("camera", row.cameraId()).param("from", row.from()).param("days", row.days())
                .param("clips", row.clips())
                .param("wanted", row.wanted().isPresent() ? row.wanted().getAsInt() : null, Types.INTEGER).param("mark", row.mark())
                .param("kinds", json.writeValueAsString(row.kinds())).param("by", row.by())
                .param("at", row.at()).update();
    }

    /** Returns whether there was one. */
    public boolean forget(long householdId, long id) {
        return jdbc.sql("delete from counted_week where household_id = :household and id = :id").param("household", householdId)
                .param("id", id).update() == 1;
    }

    private Row row(ResultSet row, int n) throws SQLException {
        int wanted = row.getInt("wanted");
        return new Row(row.getLong("id"), row.getLong("camera_id"), row.getObject("from_day", LocalDate.class), row.getInt("days"),
                row.getInt("clips"), row.getObject("wanted") == null ? OptionalInt.empty() : OptionalInt.of(wanted),
                json.readValue(row.getString("kinds"), new TypeReference<Map<AlertSpec.Kind, Integer>>() {
                }),
                row.getString("mark"), row.getString("counted_by"), row.getObject("counted_at", OffsetDateTime.class));
    }
}
