package roofnest.app.ready;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

import roofnest.app.secrets.SecretStore;
import roofnest.app.web.StaleEdit;
import roofnest.core.catalogue.Band;
import roofnest.core.catalogue.WifiSecurity;
import roofnest.core.network.HomeNetwork;

/** The house's Wi-Fi and what else is on it. Its password lies in the sealed store. */
@Repository
public class NetworkRepository {
    private final JdbcClient jdbc;
    private final SecretStore secrets;

    NetworkRepository(JdbcClient jdbc, SecretStore secrets) {
        this.jdbc = jdbc;
        this.secrets = secrets;
    }

    public record NetworkRow(String name, Set<Band> bands, WifiSecurity security, boolean hidden, int version) {}

    public record OtherThing(long id, String name, int howMany) {}

    public Optional<NetworkRow> find(long householdId) {
        return jdbc.sql("select name, bands, security, hidden, version from network where household_id = :householdId")
                .param("householdId", householdId)
                .query((row, n) -> new NetworkRow(row.getString("name"),
                        Arrays.stream((String[]) row.getArray("bands").getArray()).map(Band::valueOf).collect(Collectors.toSet()),
                        WifiSecurity.valueOf(row.getString("security")), row.getBoolean("hidden"), row.getInt("version")))
                .optional();
    }

    /** The network with its password, for the rules. */
    public Optional<HomeNetwork> homeNetwork(long householdId) {
        return find(householdId).map(row -> new HomeNetwork(
                row.name(), secrets.wifiPasswordForRules(householdId).orElse(""), row.bands(), row.security(), row.hidden()));
    }

    /** Saves if nobody saved it since {@code version}; 0 means that there was none. */
    public void save(long householdId, HomeNetwork network, int version, String by) {
        int rows = version == 0 ? insert(householdId, network) : update(householdId, network, version);
        if (rows != 1) {
            throw new StaleEdit("The network", version, find(householdId).map(NetworkRow::version).orElse(0));
        }
        if (!network.password().isEmpty()) {
            secrets.sealWifiPassword(householdId, network.password(), by);
        }
    }

    private int insert(long householdId, HomeNetwork network) {
        return jdbc.sql("""
                insert into network (household_id, name, bands, security, hidden, version)
                values (:householdId, :name, :bands, :security, :hidden, 1)
                on conflict (household_id) do nothing
                """)
                .param("householdId", householdId)
                .param("name", network.name())
                .param("bands", bands(network))
                .param("security", network.security().name())
                .param("hidden", network.hidden())
                .update();
    }

    private int update(long householdId, HomeNetwork network, int version) {
        return jdbc.sql("""
                update network
                set name = :name, bands = :bands, security = :security, hidden = :hidden, version = version + 1
                where household_id = :householdId and version = :version
                """)
                .param("name", network.name())
                .param("bands", bands(network))
                .param("security", network.security().name())
                .param("hidden", network.hidden())
                .param("householdId", householdId)
                .param("version", version)
                .update();
    }

    private static String[] bands(HomeNetwork network) {
        return network.bands().stream().sorted().map(Band::name).toArray(String[]::new);
    }

    public List<OtherThing> otherThings(long householdId) {
        return jdbc.sql("select id, name, how_many from other_thing where household_id = :householdId order by id")
                .param("householdId", householdId)
                .query((row, n) -> new OtherThing(row.getLong("id"), row.getString("name"), row.getInt("how_many"))).list();
    }

    public int otherThingsCount(long householdId) {
        return otherThings(householdId).stream().mapToInt(OtherThing::howMany).sum();
    }

    public void addOtherThing(long householdId, String name, int howMany) {
        jdbc.sql("insert into other_thing (household_id, name, how_many) values (:householdId, :name, :howMany)")
                .param("householdId", householdId)
                .param("name", name)
                .param("howMany", howMany)
                .update();
    }
}
