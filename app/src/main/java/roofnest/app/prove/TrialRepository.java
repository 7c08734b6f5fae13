package roofnest.app.prove;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Tests begun and confirmed on site, and the householder's signature. */
@Repository
public class TrialRepository {
    private final JdbcClient jdbc;
    private final Clock clock;

    TrialRepository(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    public enum Kind {
        LIVE_HOME("Live at home", "on the house's Wi-Fi"), LIVE_AWAY("Live away", "the phone's Wi-Fi off"),
        WALK("Walk test", "somebody walks, the clip is played back"), ALERT("Alert", "the householder's phone rings");

        private final String title;
        private final String how;

        Kind(String title, String how) {
            this.title = title;
            this.how = how;
        }

        public String title() {
            return title;
        }

        public String how() {
            return how;
        }
    }

    /**
     * @param seconds that it took
     * @param passed null until somebody says so
     */
    public record Trial(long id, long cameraId, Kind kind, double seconds, OffsetDateTime begunAt, String begunBy, Boolean passed) {}

    /** @param strokes as a path; empty when the name was typed in place of it */
    public record Signature(String name, String strokes, OffsetDateTime at) {
        public boolean typed() {
            return strokes.isEmpty();
        }
    }

    long begin(long householdId, long cameraId, Kind kind, double seconds, String by) {
        return jdbc.sql("""
            insert into trial (household_id, camera_id, kind, seconds, begun_at, begun_by)
            values (:householdId, :cameraId, :kind, :seconds, :now, :by)
            returning id
            """)
                .param("householdId", householdId)
                .param("cameraId", cameraId)
                .param("kind", kind.name())
                .param("seconds", seconds)
                .param("now", OffsetDateTime.now(clock))
                .param("by", by)
                .query(Long.class).single();
    }

    /** @return whether nobody had confirmed it yet */
    boolean confirm(long householdId, long trialId, boolean passed) {
        return jdbc.sql("update trial set passed = :passed where household_id = :householdId and id = :id and passed is null")
                .param("passed", passed)
                .param("householdId", householdId)
                .param("id", trialId)
                .update() == 1;
    }

    Optional<Trial> find(long householdId, long trialId) {
        return jdbc.sql("select * from trial where household_id = :householdId and id = :id")
                .param("householdId", householdId)
                .param("id", trialId)
                .query(TrialRepository::trial).optional();
    }

    /** Oldest first. */
    public List<Trial> of(long householdId) {
        return jdbc.sql("select * from trial where household_id = :householdId order by id")
                .param("householdId", householdId)
                .query(TrialRepository::trial).list();
    }

    public void sign(long householdId, String name, String strokes) {
        jdbc.sql("""
            insert into signature (household_id, name, strokes, at)
            values (:householdId, :name, :strokes, :now)
            on conflict (household_id) do update set name = excluded.name, strokes = excluded.strokes, at = excluded.at
            """)
                .param("householdId", householdId)
                .param("name", name)
                .param("strokes", strokes)
                .param("now", OffsetDateTime.now(clock))
                .update();
    }

    public Optional<Signature> signature(long householdId) {
        return jdbc.sql("select name, strokes, at from signature where household_id = :householdId")
                .param("householdId", householdId)
                .query((row, n) -> new Signature(row.getString("name"), row.getString("strokes"),
                        row.getObject("at", OffsetDateTime.class)))
                .optional();
    }

    private static Trial trial(ResultSet row, int n) throws SQLException {
        return new Trial(row.getLong("id"), row.getLong("camera_id"), Kind.valueOf(row.getString("kind")), row.getDouble("seconds"),
                row.getObject("begun_at", OffsetDateTime.class), row.getString("begun_by"), row.getObject("passed", Boolean.class));
    }
}
