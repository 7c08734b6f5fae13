package roofnest.app.records;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

import roofnest.app.secrets.SecretStore;
import roofnest.app.web.BadInput;
import roofnest.app.web.NoSuchPage;
import roofnest.app.web.StaleEdit;
import roofnest.core.catalogue.Band;
import roofnest.core.catalogue.WifiSecurity;
import roofnest.core.network.HomeNetwork;

/** The house's Wi-Fi. Its password lies in the sealed store. */
@Repository
public class NetworkRepository implements Archive {
    private final JdbcClient jdbc;
    private final SecretStore secrets;
    private final Clock clock;
    private final ArchivedRows archived;

    NetworkRepository(JdbcClient jdbc, SecretStore secrets, Clock clock) {
        this.jdbc = jdbc;
        this.secrets = secrets;
        this.clock = clock;
        this.archived = new ArchivedRows(jdbc, clock, TakenOut.Kind.NETWORK, "network", "name");
    }

    /**
     * @param forCameras whether it is the one that cameras join; a house has one at most
     * @param fiveOff since when its 5 GHz band is off for the pairing, and by whom; null while it is as it was found
     */
    public record NetworkRow(
            long id, String name, Set<Band> bands, WifiSecurity security, boolean hidden, boolean isolated, boolean forCameras,
            int version, FiveOff fiveOff) {}

    public record FiveOff(OffsetDateTime since, String by) {}

    private static NetworkRow network(ResultSet row, int n) throws SQLException {
        return new NetworkRow(row.getLong("id"), row.getString("name"),
                Arrays.stream((String[]) row.getArray("bands").getArray()).map(Band::valueOf).collect(Collectors.toSet()),
                WifiSecurity.valueOf(row.getString("security")), row.getBoolean("hidden"), row.getBoolean("isolated"),
                row.getBoolean("for_cameras"), row.getInt("version"), row.getObject("five_off_since") == null ? null
                        : new FiveOff(row.getObject("five_off_since", OffsetDateTime.class), row.getString("five_off_by")));
    }

    /** The network that cameras join. */
    public Optional<NetworkRow> find(long householdId) {
        return all(householdId).stream().filter(NetworkRow::forCameras).findFirst();
    }

    /** The one that cameras join first. */
    public List<NetworkRow> all(long householdId) {
        return jdbc.sql("""
            select id, name, bands, security, hidden, isolated, for_cameras, version, five_off_since, five_off_by
            from network
            where household_id = :householdId and removed_at is null
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
            where n.household_id = any(:households) and n.for_cameras and n.removed_at is null
              and (n.security = 'OPEN' or exists (
                select 1 from secret s where s.household_id = n.household_id and s.network_id = n.id and s.kind = 'WIFI_PASSWORD'))
            """)
                .param("households", households.toArray(Long[]::new))
                .query(Long.class).list());
    }

    /** The network that cameras join, with its password, for the rules. */
    public Optional<HomeNetwork> homeNetwork(long householdId) {
        return jdbc.sql("""
            select n.id, n.name, n.bands, n.security, n.hidden, n.isolated, n.for_cameras, n.version, n.five_off_since, n.five_off_by,
                   s.sealed
            from network n left join secret s on s.household_id = n.household_id and s.network_id = n.id and s.kind = 'WIFI_PASSWORD'
            where n.household_id = :householdId and n.for_cameras and n.removed_at is null
            """)
                .param("householdId", householdId)
                .query((row, n) -> {
                    NetworkRow network = network(row, n);
                    byte[] sealed = row.getBytes("sealed");
                    return of(network, sealed == null ? "" : secrets.openForRules(householdId, network.id(), sealed).orElse(""));
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
                    not exists (select from network where household_id = :householdId and removed_at is null), 1)
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
    public void remove(long householdId, long id, String by) {
        if (all(householdId).stream().noneMatch(row -> row.id() == id && !row.forCameras())) {
            throw new NoSuchPage();
        }
        archived.takeOut(householdId, id, by);
        secrets.forgetNetwork(householdId, id);
    }

    /** Its 5 GHz band is off while cameras are paired; remembered until it is on again. */
    public void switchFiveOff(long householdId, long id, String by) {
        jdbc.sql("""
            update network set five_off_since = :now, five_off_by = :by, version = version + 1
            where household_id = :householdId and id = :id and five_off_since is null
            """)
                .param("now", OffsetDateTime.now(clock))
                .param("by", by)
                .param("householdId", householdId)
                .param("id", id)
                .update();
    }

    /** Returns whether it was off. */
    public boolean switchFiveOn(long householdId, long id) {
        return jdbc.sql("""
            update network set five_off_since = null, five_off_by = null, bands = array['GHZ_2_4', 'GHZ_5'], version = version + 1
            where household_id = :householdId and id = :id and five_off_since is not null
            """)
                .param("householdId", householdId)
                .param("id", id)
                .update() == 1;
    }

    @Override
    public ArchivedRows archived() {
        return archived;
    }

    /** It comes back without its password: that left the sealed store. */
    @Override
    public void bringBack(long householdId, long id) {
        String name = jdbc.sql("select name from network where household_id = :householdId and id = :id")
                .param("householdId", householdId).param("id", id).query(String.class).optional().orElseThrow(NoSuchPage::new);
        if (all(householdId).stream().anyMatch(row -> row.name().equals(name))) {
            throw new BadInput("The house has another network of the name " + name + " by now.");
        }
        archived.bringBack(householdId, id);
    }

    private static String[] bands(HomeNetwork network) {
        return network.bands().stream().sorted().map(Band::name).toArray(String[]::new);
    }
}
