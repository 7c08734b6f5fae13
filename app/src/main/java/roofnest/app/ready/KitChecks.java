package roofnest.app.ready;

import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.HashMap;
import java.util.Map;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** What of a household's kit was seen to lie in the van, and by whom. */
@Repository
class KitChecks {
    private final JdbcClient jdbc;
    private final Clock clock;

    KitChecks(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /** Who saw it, by the key of the line. */
    Map<String, String> of(long householdId) {
        Map<String, String> by = new HashMap<>();
        jdbc.sql("select item_key, checked_by from kit_check where household_id = :householdId").param("householdId", householdId)
                .query(row -> {
                    by.put(row.getString("item_key"), row.getString("checked_by"));
                });
        return by;
    }

    void check(long householdId, String key, boolean inVan, String by) {
        if (inVan) {
            jdbc.sql(
                    "insert into kit_check (household_id, item_key, checked_by, checked_at) values (:householdId, :key, :by, "
                            + ":now) on conflict do nothing")
                    .param("householdId", householdId).param("key", key).param("by", by).param("now", OffsetDateTime.now(clock)).update();
        } else {
            jdbc.sql("delete from kit_check where household_id = :householdId and item_key = :key").param("householdId", householdId)
                    .param("key", key).update();
        }
    }
}
