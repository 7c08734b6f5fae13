package roofnest.app.records;

import java.util.Optional;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

import roofnest.app.web.StaleEdit;
import roofnest.core.network.AddressPlan;

/** The router of a house and the line behind it, as read off its pages. */
@Repository
public class RouterRepository {
    private final JdbcClient jdbc;

    RouterRepository(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** Addresses as they are written on the router's page. */
    public record Addresses(String router, String from, String to, int leases) {
        public AddressPlan plan() {
            return AddressPlan.of(router, from, to, leases);
        }

        /** Empty where what was kept once is no range by what is asked of one today. */
        public Optional<AddressPlan> understood() {
            try {
                return Optional.of(plan());
            } catch (IllegalArgumentException none) {
                return Optional.empty();
            }
        }
    }

    /**
     * @param makesNames whether it can announce further names
     * @param upMbps as measured
     * @param simGb the plan's data a month, of a router with a SIM
     */
    public record Router(
            String model, boolean pushButton, boolean makesNames, Optional<Addresses> addresses, Optional<Double> upMbps,
            Optional<Double> simGb, int version) {
        static final Router UNKNOWN = new Router("", false, false, Optional.empty(), Optional.empty(), Optional.empty(), 0);
    }

    public Router of(long householdId) {
        return jdbc.sql("""
            select model, push_button, makes_names, address, pool_from, pool_to, leases, up_mbps, sim_gb, version
            from router
            where household_id = :householdId
            """)
                .param("householdId", householdId)
                .query((row, n) -> new Router(row.getString("model"), row.getBoolean("push_button"), row.getBoolean("makes_names"),
                        row.getString("address") == null ? Optional.empty()
                                : Optional.of(new Addresses(row.getString("address"), row.getString("pool_from"), row.getString("pool_to"),
                                        row.getInt("leases"))),
                        Optional.ofNullable(row.getObject("up_mbps", Double.class)),
                        Optional.ofNullable(row.getObject("sim_gb", Double.class)), row.getInt("version")))
                .optional().orElse(Router.UNKNOWN);
    }

    /** Saves if nobody saved it since the version that {@code router} carries. */
    public void save(long householdId, Router router) {
        int rows = jdbc
                .sql("""
                    insert into router (household_id, model, push_button, makes_names, address, pool_from, pool_to, leases, up_mbps, sim_gb,
                                        version)
                    values (:householdId, :model, :pushButton, :makesNames, :address, :from, :to, :leases, :upMbps, :simGb, 1)
                    on conflict (household_id) do update
                    set model = excluded.model, push_button = excluded.push_button, makes_names = excluded.makes_names,
                        address = excluded.address,
                        pool_from = excluded.pool_from, pool_to = excluded.pool_to, leases = excluded.leases, up_mbps = excluded.up_mbps,
                        sim_gb = excluded.sim_gb, version = router.version + 1
                    where router.version = :version
                    """)
                .param("householdId", householdId)
                .param("model", router.model())
                .param("pushButton", router.pushButton())
                .param("makesNames", router.makesNames())
                .param("address", router.addresses().map(Addresses::router).orElse(null))
                .param("from", router.addresses().map(Addresses::from).orElse(null))
                .param("to", router.addresses().map(Addresses::to).orElse(null))
                .param("leases", router.addresses().map(Addresses::leases).orElse(null))
                .param("upMbps", router.upMbps().orElse(null))
                .param("simGb", router.simGb().orElse(null))
                .param("version", router.version())
                .update();
        if (rows != 1) {
            throw new StaleEdit("The router", router.version(), of(householdId).version());
        }
    }
}
