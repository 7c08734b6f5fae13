package roofnest.app.records;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Types;
import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.OptionalDouble;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

import tools.jackson.databind.json.JsonMapper;

import roofnest.core.lang.Require;

/** Lists of files that were given out, each with its sum. */
@Repository
public class FootageListRepository {
    public static final int MOST_FILES = 500;

    private final JdbcClient jdbc;
    private final Clock clock;
    private final JsonMapper json = new JsonMapper();

    FootageListRepository(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /** @param sha256 64 hexadecimal digits, small */
    public record File(String name, long bytes, String sha256) {
        private static final int LONGEST_NAME = 255;
        private static final long MOST_BYTES = 1L << 50;

        public File {
            name = Require.text("name of a file", name, LONGEST_NAME);
            if (name.chars().anyMatch(Character::isISOControl) || bytes < 0 || bytes > MOST_BYTES || !sha256.matches("[0-9a-f]{64}")) {
                throw new IllegalArgumentException("a file has a name without line ends, a size, and a sum of 64 digits from 0 to f");
            }
        }
    }

    /** @param clockFastS by how much the camera's clock was fast, seconds; empty where nobody looked */
    public record Kept(long id, long cameraId, List<File> files, OptionalDouble clockFastS, String forWhom, String by, OffsetDateTime at) {
        public Kept {
            files = List.copyOf(files);
        }
    }

    /** The latest first. */
    public List<Kept> of(long householdId) {
        return jdbc.sql("select * from footage_list where household_id = :household order by made_at desc, id desc")
                .param("household", householdId).query(this::row).list();
    }

    public long keep(long householdId, long cameraId, List<File> files, OptionalDouble clockFastS, String forWhom, String by) {
        return put(householdId, new Kept(0, cameraId, files, clockFastS, forWhom, by, OffsetDateTime.now(clock)));
    }

    /** As it was kept elsewhere. */
    public long put(long householdId, Kept list) {
        return jdbc.sql("""
            insert into footage_list (household_id, camera_id, files, clock_fast_s, for_whom, made_by, made_at)
            values (:household, :camera, :files::jsonb, :fast, :whom, :by, :at)
            returning id
            """).param("household", householdId).param("camera", list.cameraId()).param("files", json.writeValueAsString(list.files()))
                .param("fast", list.clockFastS().isPresent() ? list.clockFastS().getAsDouble() : null, Types.DOUBLE)
                .param("whom", list.forWhom()).param("by", list.by()).param("at", list.at()).query(Long.class).single();
    }

    private Kept row(ResultSet row, int n) throws SQLException {
        return new Kept(row.getLong("id"), row.getLong("camera_id"), List.of(json.readValue(row.getString("files"), File[].class)),
                row.getObject("clock_fast_s") == null ? OptionalDouble.empty() : OptionalDouble.of(row.getDouble("clock_fast_s")),
                row.getString("for_whom"), row.getString("made_by"), row.getObject("made_at", OffsetDateTime.class));
    }
}
