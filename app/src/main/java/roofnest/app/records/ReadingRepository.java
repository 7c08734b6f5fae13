package roofnest.app.records;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.function.Function;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

import roofnest.app.web.BadInput;
import roofnest.core.catalogue.Band;
import roofnest.core.plan.SpacePoint;
import roofnest.core.radio.Reading;

/** Signals read on site. */
@Repository
public class ReadingRepository implements Archive {
    /** Readings of one house at most: the model is fitted to all of them at once. */
    public static final int MOST = 400;

    private final JdbcClient jdbc;
    private final Clock clock;
    private final ArchivedRows archived;

    ReadingRepository(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
        this.archived = new ArchivedRows(jdbc, clock, TakenOut.Kind.READING, "reading",
                "round(rssi_dbm) || ' dBm at ' || round(x_m::numeric, 1) || ' m, ' || round(y_m::numeric, 1) || ' m, by ' || by_name");
    }

    public record Record(long id, Reading reading, OffsetDateTime at, String by) {}

    public List<Reading> of(long householdId) {
        return records(householdId).stream().map(Record::reading).toList();
    }

    public List<Record> records(long householdId) {
        return jdbc.sql("""
            select id, x_m, y_m, z_m, band, rssi_dbm, sd_db, at, by_name
            from reading
            where household_id = :householdId and removed_at is null
            order by id
            """)
                .param("householdId", householdId)
                .query(ReadingRepository::row).list();
    }

    public int count(long householdId) {
        return jdbc.sql("select count(*) from reading where household_id = :householdId and removed_at is null")
                .param("householdId", householdId)
                .query(Integer.class).single();
    }

    public void add(long householdId, List<Reading> added, String by) {
        jdbc.sql("""
            insert into reading (household_id, x_m, y_m, z_m, band, rssi_dbm, sd_db, at, by_name)
            select :householdId, r.x, r.y, r.z, r.band, r.rssi, r.sd, :now, :by
            from unnest(:xs, :ys, :zs, :bands, :rssis, :sds) with ordinality as r (x, y, z, band, rssi, sd, n)
            order by r.n
            """)
                .param("householdId", householdId)
                .param("xs", doubles(added, reading -> reading.at().xM()))
                .param("ys", doubles(added, reading -> reading.at().yM()))
                .param("zs", doubles(added, reading -> reading.at().zM()))
                .param("bands", added.stream().map(reading -> reading.band().name()).toArray(String[]::new))
                .param("rssis", doubles(added, Reading::rssiDbm))
                .param("sds", doubles(added, Reading::sdDb))
                .param("now", OffsetDateTime.now(clock))
                .param("by", by)
                .update();
    }

    /** Readings that were made elsewhere, with when and by whom. */
    public void carryIn(long householdId, List<Record> made) {
        made.forEach(record -> jdbc.sql("""
            insert into reading (household_id, x_m, y_m, z_m, band, rssi_dbm, sd_db, at, by_name)
            values (:householdId, :x, :y, :z, :band, :rssi, :sd, :at, :by)
            """)
                .param("householdId", householdId)
                .param("x", record.reading().at().xM())
                .param("y", record.reading().at().yM())
                .param("z", record.reading().at().zM())
                .param("band", record.reading().band().name())
                .param("rssi", record.reading().rssiDbm())
                .param("sd", record.reading().sdDb())
                .param("at", record.at())
                .param("by", record.by())
                .update());
    }

    private static Double[] doubles(List<Reading> readings, Function<Reading, Double> figure) {
        return readings.stream().map(figure).toArray(Double[]::new);
    }

    /** Returns whether there was one to take out. */
    public boolean remove(long householdId, long id, String by) {
        return archived.takeOut(householdId, id, by);
    }

    /** Returns whether it was still there: a reading that somebody else took out meanwhile is not written again. */
    public boolean change(long householdId, long id, Reading reading, String by) {
        return jdbc.sql("""
            update reading
            set x_m = :x, y_m = :y, z_m = :z, band = :band, rssi_dbm = :rssi, sd_db = :sd, by_name = :by
            where household_id = :householdId and id = :id and removed_at is null
            """)
                .param("x", reading.at().xM())
                .param("y", reading.at().yM())
                .param("z", reading.at().zM())
                .param("band", reading.band().name())
                .param("rssi", reading.rssiDbm())
                .param("sd", reading.sdDb())
                .param("by", by)
                .param("householdId", householdId)
                .param("id", id)
                .update() == 1;
    }

    @Override
    public ArchivedRows archived() {
        return archived;
    }

    @Override
    public void bringBack(long householdId, long id) {
        if (count(householdId) >= MOST) {
            throw new BadInput("A house takes " + MOST + " readings; take another one out first.");
        }
        archived.bringBack(householdId, id);
    }

    private static Record row(ResultSet row, int n) throws SQLException {
        Reading reading = new Reading(new SpacePoint(row.getDouble("x_m"), row.getDouble("y_m"), row.getDouble("z_m")),
                Band.valueOf(row.getString("band")), row.getDouble("rssi_dbm"), row.getDouble("sd_db"));
        return new Record(row.getLong("id"), reading, row.getObject("at", OffsetDateTime.class), row.getString("by_name"));
    }
}
