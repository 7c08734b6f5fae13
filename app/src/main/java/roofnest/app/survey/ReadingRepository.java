package roofnest.app.survey;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.List;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

import roofnest.core.catalogue.Band;
import roofnest.core.plan.SpacePoint;
import roofnest.core.radio.Reading;

/** Signals read on site. */
@Repository
public class ReadingRepository {
    /** Readings of one house at most: the model is fitted to all of them at once. */
    public static final int MOST = 400;

    private final JdbcClient jdbc;
    private final Clock clock;

    ReadingRepository(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    public record Record(long id, Reading reading, OffsetDateTime at, String by) {}

    public List<Reading> of(long householdId) {
        return records(householdId).stream().map(Record::reading).toList();
    }

    public List<Record> records(long householdId) {
        return jdbc.sql("""
            select id, x_m, y_m, z_m, band, rssi_dbm, sd_db, at, by_name
            from reading
            where household_id = :householdId
            order by id
            """)
                .param("householdId", householdId)
                .query(ReadingRepository::row).list();
    }

    public void add(long householdId, Reading reading, String by) {
        jdbc.sql("""
            insert into reading (household_id, x_m, y_m, z_m, band, rssi_dbm, sd_db, at, by_name)
            values (:householdId, :x, :y, :z, :band, :rssi, :sd, :now, :by)
            """)
                .param("householdId", householdId)
                .param("x", reading.at().xM()).param("y", reading.at().yM()).param("z", reading.at().zM())
                .param("band", reading.band().name())
                .param("rssi", reading.rssiDbm())
                .param("sd", reading.sdDb())
                .param("now", OffsetDateTime.now(clock))
                .param("by", by)
                .update();
    }

    /** Returns whether there was one to take out. */
    public boolean remove(long householdId, long id) {
        return jdbc.sql("delete from reading where household_id = :householdId and id = :id")
                .param("householdId", householdId)
                .param("id", id)
                .update() == 1;
    }

    private static Record row(ResultSet row, int n) throws SQLException {
        Reading reading = new Reading(new SpacePoint(row.getDouble("x_m"), row.getDouble("y_m"), row.getDouble("z_m")),
                Band.valueOf(row.getString("band")), row.getDouble("rssi_dbm"), row.getDouble("sd_db"));
        return new Record(row.getLong("id"), reading, row.getObject("at", OffsetDateTime.class), row.getString("by_name"));
    }
}
