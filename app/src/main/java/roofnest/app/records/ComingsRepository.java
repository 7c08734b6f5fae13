package roofnest.app.records;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.EnumMap;
import java.util.Map;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

import roofnest.app.web.StaleEdit;
import roofnest.core.judge.ComingsAndGoings;
import roofnest.core.week.DayCurve;
import roofnest.core.week.HouseKind;
import roofnest.core.week.SourceKind;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** What goes on about each house, as somebody said. */
@Repository
public class ComingsRepository {
    private final JdbcClient jdbc;
    private final JsonMapper json;

    ComingsRepository(JdbcClient jdbc, JsonMapper json) {
        this.jdbc = jdbc;
        this.json = json;
    }

    /** @param version 0 before anything was said */
    public record Said(ComingsAndGoings comings, int version) {
        public static final Said NOTHING = new Said(ComingsAndGoings.USUAL, 0);
    }

    public Said of(long householdId) {
        return jdbc.sql("select house_kind, rates, curves, version from house_comings where household_id = :id").param("id", householdId)
                .query(this::row).optional().orElse(Said.NOTHING);
    }

    /** @throws StaleEdit when somebody else was quicker */
    public void say(long householdId, ComingsAndGoings comings, int version) {
        int changed = jdbc.sql("""
            insert into house_comings (household_id, house_kind, rates, curves)
            values (:id, :house, :rates::jsonb, :curves::jsonb)
            on conflict (household_id) do update
            set house_kind = excluded.house_kind, rates = excluded.rates, curves = excluded.curves, version = house_comings.version + 1
            where house_comings.version = :version
            """).param("id", householdId).param("house", comings.house().name())
                .param("rates", json.writeValueAsString(comings.aWeekday()))
                .param("curves", json.writeValueAsString(comings.curves())).param("version", version).update();
        if (changed == 0) {
            throw new StaleEdit("Somebody else said meanwhile what goes on about this house.", of(householdId).version());
        }
    }

    /** Mean of the logarithms of what was said of houses of one kind, and of how many. */
    public record Learned(double meanLog, int houses) {}

    /** What was said of a firm's other houses of a kind; nothing of what was said to be none. */
    public Map<SourceKind, Learned> learned(long firmId, HouseKind house, long exceptHousehold) {
        Map<SourceKind, Learned> learned = new EnumMap<>(SourceKind.class);
        jdbc.sql("""
            select rate.key, avg(ln(rate.value::double precision)) as mean_log, count(*) as houses
            from house_comings c
            join household h on h.id = c.household_id and h.archived_at is null
            cross join lateral jsonb_each_text(c.rates) rate
            where h.firm_id = :firm and c.house_kind = :house and c.household_id <> :except and rate.value::double precision > 0
            group by rate.key
            """).param("firm", firmId).param("house", house.name()).param("except", exceptHousehold)
                .query(row -> {
                    learned.put(SourceKind.valueOf(row.getString("key")), new Learned(row.getDouble("mean_log"), row.getInt("houses")));
                });
        return learned;
    }

    private Said row(ResultSet row, int n) throws SQLException {
        Map<SourceKind, Double> rates = new EnumMap<>(SourceKind.class);
        rates.putAll(json.readValue(row.getString("rates"), new TypeReference<Map<SourceKind, Double>>() {
        }));
        Map<SourceKind, DayCurve> curves = json.readValue(row.getString("curves"), new TypeReference<Map<SourceKind, DayCurve>>() {
        });
        return new Said(new ComingsAndGoings(HouseKind.valueOf(row.getString("house_kind")), rates, curves), row.getInt("version"));
    }
}
