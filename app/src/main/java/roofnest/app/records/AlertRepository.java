package roofnest.app.records;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

import roofnest.app.web.StaleEdit;
import roofnest.core.alert.AlertPlan;
import tools.jackson.databind.json.JsonMapper;

/** When the cameras of each household watch and whom they ring. */
@Repository
public class AlertRepository {
    private final JdbcClient jdbc;
    private final JsonMapper json;

    AlertRepository(JdbcClient jdbc, JsonMapper json) {
        this.jdbc = jdbc;
        this.json = json;
    }

    /** @param version 0 before anybody set anything */
    public record Said(AlertPlan plan, int version) {
        public static final Said NOTHING = new Said(AlertPlan.USUAL, 0);
    }

    public Said of(long householdId) {
        return jdbc.sql("select plan, version from alert_plan where household_id = :id").param("id", householdId)
                .query((row, n) -> new Said(json.readValue(row.getString("plan"), AlertPlan.class), row.getInt("version"))).optional()
                .orElse(Said.NOTHING);
    }

    /** @throws StaleEdit when somebody else was quicker */
    public void say(long householdId, AlertPlan plan, int version) {
        int changed = jdbc.sql("""
            insert into alert_plan (household_id, plan)
            values (:id, :plan::jsonb)
            on conflict (household_id) do update
            set plan = excluded.plan, version = alert_plan.version + 1
            where alert_plan.version = :version
            """).param("id", householdId).param("plan", json.writeValueAsString(plan)).param("version", version).update();
        if (changed == 0) {
            throw new StaleEdit("Somebody else set meanwhile when the cameras watch and ring.", of(householdId).version());
        }
    }
}
