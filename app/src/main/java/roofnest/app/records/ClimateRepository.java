package roofnest.app.records;

import java.sql.Array;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Stream;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

import roofnest.app.web.StaleEdit;
import roofnest.core.plan.HousePlan;
import roofnest.core.power.Climate;
import roofnest.core.power.Climates;

/** The climate of a house where somebody chose or wrote one; otherwise it follows from where the house is. */
@Repository
public class ClimateRepository {
    private static final double NO_PLAN_LATITUDE_DEG = 50;

    private final JdbcClient jdbc;
    private final Climates climates = Climates.shipped();

    ClimateRepository(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /**
     * What was set of a house.
     *
     * @param chosen name of a class; empty for the one that the place has
     * @param altitudeM over the sea
     * @param own figures that win over any class, already as they are at that height
     * @param version 0 before anything was set
     */
    public record Set(Optional<String> chosen, OptionalDouble longitudeDeg, double altitudeM, Optional<Climate> own, int version) {
        public static final Set NOTHING = new Set(Optional.empty(), OptionalDouble.empty(), 0, Optional.empty(), 0);
    }

    public Climates climates() {
        return climates;
    }

    public Set of(long householdId) {
        return jdbc.sql("""
            select class, longitude_deg, altitude_m, mean_c, swing_c, clearness, version
            from house_climate where household_id = :householdId
            """)
                .param("householdId", householdId).query(ClimateRepository::set).optional().orElse(Set.NOTHING);
    }

    private static Set set(ResultSet row, int n) throws SQLException {
        Optional<Climate> own = row.getArray("mean_c") == null ? Optional.empty()
                : Optional.of(new Climate("this house’s own", months(row.getArray("mean_c")), months(row.getArray("swing_c")),
                        months(row.getArray("clearness"))));
        Double longitude = (Double) row.getObject("longitude_deg");
        return new Set(Optional.ofNullable(row.getString("class")),
                longitude == null ? OptionalDouble.empty() : OptionalDouble.of(longitude), row.getDouble("altitude_m"), own,
                row.getInt("version"));
    }

    private static List<Double> months(Array array) throws SQLException {
        return Stream.of((Double[]) array.getArray()).toList();
    }

    /** The climate that a house's batteries are reckoned by. */
    public Climate climate(Set set, Optional<HousePlan> plan) {
        if (set.own().isPresent()) {
            return set.own().get();
        }
        double latitude = plan.map(HousePlan::latitudeDeg).orElse(NO_PLAN_LATITUDE_DEG);
        return set.chosen().flatMap(climates::named).orElseGet(() -> climates.at(latitude, set.longitudeDeg())).atHeightM(set.altitudeM());
    }

    /** @throws StaleEdit when somebody else was quicker */
    public void set(long householdId, Set set) {
        int changed = jdbc.sql("""
            insert into house_climate (household_id, class, longitude_deg, altitude_m, mean_c, swing_c, clearness)
            values (:householdId, :chosen, :longitude, :altitude, :mean, :swing, :clearness)
            on conflict (household_id) do update
            set class = excluded.class, longitude_deg = excluded.longitude_deg, altitude_m = excluded.altitude_m,
              mean_c = excluded.mean_c, swing_c = excluded.swing_c, clearness = excluded.clearness, version = house_climate.version + 1
            where house_climate.version = :version
            """)
                .param("householdId", householdId).param("chosen", set.chosen().orElse(null))
                .param("longitude", set.longitudeDeg().isPresent() ? set.longitudeDeg().getAsDouble() : null)
                .param("altitude", set.altitudeM()).param("mean", set.own().map(c -> array(c.meanC())).orElse(null))
                .param("swing", set.own().map(c -> array(c.swingC())).orElse(null))
                .param("clearness", set.own().map(c -> array(c.clearness())).orElse(null)).param("version", set.version())
                .update();
        if (changed == 0) {
            throw new StaleEdit("Somebody else set the climate of this house meanwhile.", of(householdId).version());
        }
    }

    private static Double[] array(List<Double> months) {
        return months.toArray(Double[]::new);
    }
}
