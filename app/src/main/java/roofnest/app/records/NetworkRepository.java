package roofnest.app.records;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

import roofnest.app.secrets.SecretStore;
import roofnest.app.web.NoSuchPage;
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

    /** @param forCameras whether it is the one that cameras join; a house has one at most */
    public record NetworkRow(
            long id, String name, Set<Band> bands, WifiSecurity security, boolean hidden, boolean isolated, boolean forCameras,
            int version) {}

    private static NetworkRow network(ResultSet row, int n) throws SQLException {
        return new NetworkRow(row.getLong("id"), row.getString("name"),
                Arrays.stream((String[]) row.getArray("bands").getArray()).map(Band::valueOf).collect(Collectors.toSet()),
                WifiSecurity.valueOf(row.getString("security")), row.getBoolean("hidden"), row.getBoolean("isolated"),
                row.getBoolean("for_cameras"), row.getInt("version"));
    }

    public record OtherThing(long id, String name, int howMany) {}

    /** The network that cameras join. */
    public Optional<NetworkRow> find(long householdId) {
        return all(householdId).stream().filter(NetworkRow::forCameras).findFirst();
    }

    /** The one that cameras join first. */
    public List<NetworkRow> all(long householdId) {
        return jdbc.sql("""
            select id, name, bands, security, hidden, isolated, for_cameras, version
            from network
            where household_id = :householdId
            order by for_cameras desc, id
            """)
                .param("householdId", householdId)
                .query(NetworkRepository::network)
                .list();
    }

    /** Those of several households whose cameras could be joined: the network is written down, with its password where it needs one. */
    public Set<Long> known(List<Long> households) {
        return new HashSet<>(jdbc.sql("""
            select n.household_id
            from network n
            where n.household_id = any(:households) and n.for_cameras
              and (n.security = 'OPEN' or exists (
                select 1 from secret s where s.household_id = n.household_id and s.network_id = n.id and s.kind = 'WIFI_PASSWORD'))
            """)
                .param("households", households.toArray(Long[]::new))
                .query(Long.class).list());
    }

    /** The network that cameras join, with its password, for the rules. */
    public Optional<HomeNetwork> homeNetwork(long householdId) {
        return jdbc.sql("""
            select n.id, n.name, n.bands, n.security, n.hidden, n.isolated, n.for_cameras, n.version, s.sealed
            from network n left join secret s on s.household_id = n.household_id and s.network_id = n.id and s.kind = 'WIFI_PASSWORD'
            where n.household_id = :householdId and n.for_cameras
            """)
                .param("householdId", householdId)
                .query((row, n) -> {
                    NetworkRow network = network(row, n);
                    byte[] sealed = row.getBytes("sealed");
                    return of(network, sealed == null ? "" : secrets.openForRules(householdId, network.id(), sealed));
                })
                .optional();
    }

    public HomeNetwork withPassword(long householdId, NetworkRow row) {
        return of(row, secrets.wifiPasswordForRules(householdId, row.id()).orElse(""));
    }

    private static HomeNetwork of(NetworkRow row, String password) {
        return new HomeNetwork(row.name(), password, row.bands(), row.security(), row.hidden(), row.isolated());
    }

    /** Saves the network that cameras join, if nobody saved it since {@code version}; 0 means that there was none. */
    public void save(long householdId, HomeNetwork network, int version, String by) {
        save(householdId, version == 0 ? 0 : find(householdId).map(NetworkRow::id).orElse(0L), network, version, by);
    }

    /**
     * Saves a network if nobody saved it since {@code version}. A house's first network is the one that cameras join.
     *
     * @param id 0 for a new one
     */
    public void save(long householdId, long id, HomeNetwork network, int version, String by) {
        long saved = (id == 0 ? insert(householdId, network) : update(householdId, id, network, version))
                .orElseThrow(() -> new StaleEdit("The network", version, versionNow(householdId, id)));
        if (!network.password().isEmpty()) {
            secrets.sealWifiPassword(householdId, saved, network.password(), by);
        }
    }

    private int versionNow(long householdId, long id) {
        return all(householdId).stream().filter(row -> id == 0 ? row.forCameras() : row.id() == id).mapToInt(NetworkRow::version)
                .findFirst().orElse(0);
    }

    private Optional<Long> insert(long householdId, HomeNetwork network) {
        return jdbc.sql("""
            insert into network (household_id, name, bands, security, hidden, isolated, for_cameras, version)
            values (:householdId, :name, :bands, :security, :hidden, :isolated,
                    not exists (select from network where household_id = :householdId), 1)
            on conflict do nothing
            returning id
            """)
                .param("householdId", householdId)
                .param("name", network.name())
                .param("bands", bands(network))
                .param("security", network.security().name())
                .param("hidden", network.hidden())
                .param("isolated", network.isolated())
                .query(Long.class).optional();
    }

    private Optional<Long> update(long householdId, long id, HomeNetwork network, int version) {
        return jdbc.sql("""
            update network
            set name = :name, bands = :bands, security = :security, hidden = :hidden, isolated = :isolated, version = version + 1
            where household_id = :householdId and id = :id and version = :version
            returning id
            """)
                .param("name", network.name())
                .param("bands", bands(network))
                .param("security", network.security().name())
                .param("hidden", network.hidden())
                .param("isolated", network.isolated())
                .param("householdId", householdId)
                .param("id", id)
                .param("version", version)
                .query(Long.class).optional();
    }

    /** Writes down what is known of a network by its name; bands and the rest of one already written down stay. */
    public void take(long householdId, HomeNetwork read, String by) {
        Optional<NetworkRow> known
                = all(householdId).stream().filter(row -> row.name().equals(read.name())).findFirst();
        HomeNetwork network = known.map(row -> new HomeNetwork(read.name(), read.password(), row.bands(),
                read.security() == WifiSecurity.OPEN || row.security() == WifiSecurity.OPEN ? read.security() : row.security(),
                row.hidden(), row.isolated())).orElse(read);
        save(householdId, known.map(NetworkRow::id).orElse(0L), network,
                known.map(NetworkRow::version).orElse(0), by);
    }

    /** From now on cameras join this one. */
    public void chooseForCameras(long householdId, long id) {
        if (all(householdId).stream().noneMatch(row -> row.id() == id)) {
            throw new NoSuchPage();
        }
        jdbc.sql("update network set for_cameras = false where household_id = :householdId and for_cameras")
                .param("householdId", householdId).update();
        jdbc.sql("update network set for_cameras = true where household_id = :householdId and id = :id").param("householdId", householdId)
                .param("id", id).update();
    }

    /** Takes a network out, with its sealed password; the one that cameras join stays. */
    public void remove(long householdId, long id) {
        int rows = jdbc.sql("delete from network where household_id = :householdId and id = :id and not for_cameras")
                .param("householdId", householdId).param("id", id).update();
        if (rows == 0) {
            throw new NoSuchPage();
        }
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
        return jdbc.sql("select coalesce(sum(how_many), 0) from other_thing where household_id = :householdId")
                .param("householdId", householdId)
                .query(Integer.class).single();
    }

    public void addOtherThing(long householdId, String name, int howMany) {
        jdbc.sql("insert into other_thing (household_id, name, how_many) values (:householdId, :name, :howMany)")
                .param("householdId", householdId)
                .param("name", name)
                .param("howMany", howMany)
                .update();
    }
}
