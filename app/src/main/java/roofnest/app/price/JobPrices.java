package roofnest.app.price;

import java.math.BigDecimal;
import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.List;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

import roofnest.app.web.StaleEdit;
import roofnest.core.kit.Quotation;

/** What is agreed for one job beyond what its plan counts: travel, a discount, lines of one's own. */
@Repository
class JobPrices {
    private final JdbcClient jdbc;
    private final Clock clock;

    JobPrices(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /** @param version for the next change; 0 while nothing was set */
    record Agreed(int travelKm, BigDecimal discountPercent, int version) {}

    record OwnLine(long id, Quotation.Own line, OffsetDateTime addedAt, String addedBy) {}

    Agreed agreed(long householdId) {
        return jdbc.sql("select travel_km, discount_percent, version from job_price where household_id = :id").param("id", householdId)
                .query((row, n) -> new Agreed(row.getInt("travel_km"), row.getBigDecimal("discount_percent"), row.getInt("version")))
                .optional().orElse(new Agreed(0, BigDecimal.ZERO, 0));
    }

    /** Saves if nobody saved since the version that {@code agreed} carries. */
    void agree(long householdId, Agreed agreed) {
        int rows = jdbc.sql("""
            insert into job_price (household_id, travel_km, discount_percent, version)
            values (:id, :km, :discount, 1)
            on conflict (household_id) do update
            set travel_km = excluded.travel_km, discount_percent = excluded.discount_percent, version = job_price.version + 1
            where job_price.version = :version
            """).param("id", householdId).param("km", agreed.travelKm()).param("discount", agreed.discountPercent())
                .param("version", agreed.version()).update();
        if (rows != 1) {
            throw new StaleEdit("What is agreed for this job", agreed.version(), agreed(householdId).version());
        }
    }

    /** In the order in which they were added. */
    List<OwnLine> own(long householdId) {
        return jdbc.sql("select * from own_line where household_id = :id order by id").param("id", householdId)
                .query((row, n) -> new OwnLine(row.getLong("id"),
                        new Quotation.Own(row.getString("what"), row.getInt("quantity"), row.getLong("each_cents")),
                        row.getObject("added_at", OffsetDateTime.class), row.getString("added_by")))
                .list();
    }

    void add(long householdId, Quotation.Own line, String by) {
        jdbc.sql("""
            insert into own_line (household_id, what, quantity, each_cents, added_at, added_by)
            values (:id, :what, :quantity, :each, :now, :by)
            """).param("id", householdId).param("what", line.what()).param("quantity", line.quantity())
                .param("each", line.eachCents()).param("now", OffsetDateTime.now(clock)).param("by", by).update();
    }

    /** Returns whether there was one. */
    boolean remove(long householdId, long lineId) {
        return jdbc.sql("delete from own_line where household_id = :id and id = :line").param("id", householdId).param("line", lineId)
                .update() == 1;
    }
}
