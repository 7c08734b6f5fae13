package roofnest.app.secrets;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Types;
import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;

import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** The sealed store of a household. Rules that only compare read silently; whatever a person gets to see is logged. */
@Repository
public class SecretStore implements SealedRows {
    private static final Logger LOG = LoggerFactory.getLogger(SecretStore.class);
    /** The form of what a seal is bound to; seals of an older form are made anew as the application starts. */
    private static final int SEAL = 2;

    private final JdbcClient jdbc;
    private final Sealer sealer;
    private final Clock clock;

    SecretStore(JdbcClient jdbc, Sealer sealer, Clock clock) {
        this.jdbc = jdbc;
        this.sealer = sealer;
        this.clock = clock;
    }

    /** Something sealed, by what it is of. */
    public record Held(long id, boolean wifi, String words) {}

    /** One look at a secret. */
    public record Reveal(String what, String by, OffsetDateTime at) {}

    public void sealWifiPassword(long householdId, long networkId, String password, String by) {
        seal(Which.wifi(householdId, networkId), password, by);
    }

    public void sealCameraPassword(long householdId, long cameraId, String password, String by) {
        seal(Which.camera(householdId, cameraId), password, by);
    }

    /** The password that a device came with, from its sticker. */
    public void sealInitialPassword(long householdId, long cameraId, String password, String by) {
        seal(Which.initial(householdId, cameraId), password, by);
    }

    public void sealHubPassword(long householdId, long hubId, String password, String by) {
        seal(Which.hub(householdId, hubId), password, by);
    }

    /** For the rules, which judge a password without showing it. */
    public Optional<String> wifiPasswordForRules(long householdId, long networkId) {
        return open(Which.wifi(householdId, networkId));
    }

    /** The same, of a sealed value that was read along with its network. */
    public Optional<String> openForRules(long householdId, long networkId, byte[] sealed) {
        return sealer.open(sealed, Which.wifi(householdId, networkId).belongsTo());
    }

    /** For the rules, which compare it without showing it. */
    public Optional<String> initialPasswordForRules(long householdId, long cameraId) {
        return open(Which.initial(householdId, cameraId));
    }

    /** Ids of the cameras whose initial password is in the store. */
    public List<Long> withInitialPassword(long householdId) {
        return jdbc.sql("select camera_id from secret where household_id = :householdId and kind = 'INITIAL_PASSWORD'")
                .param("householdId", householdId)
                .query(Long.class).list();
    }

    public Optional<String> revealWifiPassword(long householdId, long networkId, String by, String why) {
        return reveal(Which.wifi(householdId, networkId), "Wi-Fi password", by, why);
    }

    public Optional<String> revealCameraPassword(long householdId, long cameraId, String cameraName, String by, String why) {
        return reveal(Which.camera(householdId, cameraId), "password of " + cameraName, by, why);
    }

    public Optional<String> revealHubPassword(long householdId, long hubId, String hubName, String by, String why) {
        return reveal(Which.hub(householdId, hubId), "password of " + hubName, by, why);
    }

    /** What the firm has sealed of a household's, in words; nothing of what it says. */
    public List<Held> known(long householdId) {
        return jdbc.sql("""
            select s.id, s.kind = 'WIFI_PASSWORD' as wifi,
                   case s.kind when 'WIFI_PASSWORD' then 'Wi-Fi password of ' || n.name
                               when 'HUB_PASSWORD' then 'password of ' || h.name
                               when 'INITIAL_PASSWORD' then 'sticker password of ' || c.name
                               else 'password of ' || c.name end as words
            from secret s
            left join network n on n.id = s.network_id
            left join camera c on c.id = s.camera_id
            left join hub h on h.id = s.hub_id
            where s.household_id = :householdId
            order by words, s.id
            """)
                .param("householdId", householdId)
                .query((row, n) -> new Held(row.getLong("id"), row.getBoolean("wifi"), row.getString("words"))).list();
    }

    /** One of the sealed is another one now: nobody is shown the old. */
    public void forgetOutdated(long householdId, Held held) {
        jdbc.sql("delete from secret where household_id = :householdId and id = :id").param("householdId", householdId)
                .param("id", held.id()).update();
    }

    /** Of a house that was handed over the firm shows no secret any more. */
    private boolean isClosed(long householdId) {
        return jdbc.sql("select handed_over_at is not null from household where id = :id").param("id", householdId)
                .query(Boolean.class).single();
    }

    /** The Wi-Fi password in the store is not in force any longer: nobody is shown it. Returns whether there was one. */
    public boolean forgetOutdatedWifi(long householdId, long networkId) {
        return forgetOutdated(householdId, Kind.WIFI_PASSWORD, networkId);
    }

    /** The same of a camera's own password. */
    public boolean forgetOutdatedCamera(long householdId, long cameraId) {
        return forgetOutdated(householdId, Kind.CAMERA_PASSWORD, cameraId);
    }

    /** The same of a hub's. */
    public boolean forgetOutdatedHub(long householdId, long hubId) {
        return forgetOutdated(householdId, Kind.HUB_PASSWORD, hubId);
    }

    private boolean forgetOutdated(long householdId, Kind kind, long id) {
        return jdbc.sql("""
            delete from secret
            where household_id = :householdId and kind = :kind and coalesce(network_id, camera_id, hub_id) = :id
            """)
                .param("householdId", householdId)
                .param("kind", kind.name())
                .param("id", id)
                .update() > 0;
    }

    /** A camera that leaves the house takes no password of its with it. */
    public void forgetCamera(long householdId, long cameraId) {
        jdbc.sql("delete from secret where household_id = :householdId and camera_id = :id")
                .param("householdId", householdId)
                .param("id", cameraId)
                .update();
    }

    public void forgetNetwork(long householdId, long networkId) {
        jdbc.sql("delete from secret where household_id = :householdId and network_id = :id")
                .param("householdId", householdId)
                .param("id", networkId)
                .update();
    }

    public void forgetHub(long householdId, long hubId) {
        jdbc.sql("delete from secret where household_id = :householdId and hub_id = :id")
                .param("householdId", householdId)
                .param("id", hubId)
                .update();
    }

    public List<Reveal> reveals(long householdId) {
        return jdbc.sql("""
            select what, by_name, at
            from secret_reveal
            where household_id = :householdId
            order by at desc, id desc
            """)
                .param("householdId", householdId)
                .query((row, n) -> new Reveal(row.getString("what"), row.getString("by_name"), row.getObject("at", OffsetDateTime.class)))
                .list();
    }

    /** Seals anew what was sealed to an older form of what it belongs to. */
    @Transactional
    public void renewSeals() {
        int renewed = sealAnew("seal < " + SEAL);
        if (renewed > 0) {
            LOG.info("{} sealed passwords were sealed anew", renewed);
        }
    }

    @Override
    public String what() {
        return "passwords";
    }

    @Override
    @Transactional
    public int sealAnew() {
        return sealAnew("true");
    }

    private int sealAnew(String which) {
        record Old(long id, Which which, int seal, byte[] sealed) {}
        List<Old> old = jdbc
                .sql("select id, household_id, kind, camera_id, network_id, hub_id, seal, sealed from secret where " + which
                        + " for update")
                .query((row, n) -> new Old(row.getLong("id"),
                        which(row), row.getInt("seal"), row.getBytes("sealed")))
                .list();
        int anew = 0;
        for (Old each : old) {
            Optional<String> secret
                    = sealer.open(each.sealed(), each.seal() < SEAL ? each.which().belongedTo() : each.which().belongsTo());
            if (secret.isEmpty()) {
                continue;
            }
            anew += jdbc.sql("update secret set sealed = :sealed, seal = :seal where id = :id")
                    .param("sealed", sealer.seal(secret.get(), each.which().belongsTo()))
                    .param("seal", SEAL)
                    .param("id", each.id())
                    .update();
        }
        return anew;
    }

    /** How many passwords the store holds that this key does not open; they ask to be typed again where they are wanted. */
    public int closed() {
        return (int) jdbc.sql("select id, household_id, kind, camera_id, network_id, hub_id, sealed from secret")
                .query((row, n) -> sealer.open(row.getBytes("sealed"), which(row).belongsTo())).list().stream().filter(Optional::isEmpty)
                .count();
    }

    private static Which which(ResultSet row) throws SQLException {
        return new Which(row.getLong("household_id"), Kind.valueOf(row.getString("kind")), row.getObject("camera_id", Long.class),
                row.getObject("network_id", Long.class), row.getObject("hub_id", Long.class));
    }

    private enum Kind { WIFI_PASSWORD, CAMERA_PASSWORD, INITIAL_PASSWORD, HUB_PASSWORD }

    /** What a secret belongs to. */
    private record Which(long householdId, Kind kind, Long cameraId, Long networkId, Long hubId) {
        static Which wifi(long householdId, long networkId) {
            return new Which(householdId, Kind.WIFI_PASSWORD, null, networkId, null);
        }

        static Which camera(long householdId, long cameraId) {
            return new Which(householdId, Kind.CAMERA_PASSWORD, cameraId, null, null);
        }

        static Which initial(long householdId, long cameraId) {
            return new Which(householdId, Kind.INITIAL_PASSWORD, cameraId, null, null);
        }

        static Which hub(long householdId, long hubId) {
            return new Which(householdId, Kind.HUB_PASSWORD, null, null, hubId);
        }

        /** Bound into the seal, so that a sealed value moved to another household, kind, device or network does not open. */
        String belongsTo() {
            return belongedTo() + (networkId == null ? "" : " network " + networkId);
        }

        /** The first form, which did not tell one network of a household from another. */
        String belongedTo() {
            return "household " + householdId + " " + kind + (cameraId == null ? "" : " camera " + cameraId)
                    + (hubId == null ? "" : " hub " + hubId);
        }
    }

    private void seal(Which which, String secret, String by) {
        jdbc.sql("""
            insert into secret (household_id, kind, camera_id, network_id, hub_id, sealed, seal, sealed_at, sealed_by)
            values (:householdId, :kind, :cameraId, :networkId, :hubId, :sealed, :seal, :now, :by)
            on conflict (household_id, kind, coalesce(camera_id, 0), coalesce(network_id, 0), coalesce(hub_id, 0))
            do update set sealed = excluded.sealed, seal = excluded.seal, sealed_at = excluded.sealed_at, sealed_by = excluded.sealed_by
            """)
                .param("householdId", which.householdId())
                .param("kind", which.kind().name())
                .param("cameraId", which.cameraId(), Types.BIGINT)
                .param("networkId", which.networkId(), Types.BIGINT)
                .param("hubId", which.hubId(), Types.BIGINT)
                .param("sealed", sealer.seal(secret, which.belongsTo()))
                .param("seal", SEAL)
                .param("now", OffsetDateTime.now(clock))
                .param("by", by)
                .update();
    }

    private Optional<String> open(Which which) {
        return jdbc.sql("""
            select sealed from secret
            where household_id = :householdId and kind = :kind and coalesce(camera_id, 0) = coalesce(:cameraId, 0)
              and coalesce(network_id, 0) = coalesce(:networkId, 0) and coalesce(hub_id, 0) = coalesce(:hubId, 0)
            """)
                .param("householdId", which.householdId())
                .param("kind", which.kind().name())
                .param("cameraId", which.cameraId(), Types.BIGINT)
                .param("networkId", which.networkId(), Types.BIGINT)
                .param("hubId", which.hubId(), Types.BIGINT)
                .query(byte[].class).optional()
                .flatMap(sealed -> sealer.open(sealed, which.belongsTo()));
    }

    private Optional<String> reveal(Which which, String what, String by, String why) {
        if (isClosed(which.householdId())) {
            return Optional.empty();
        }
        Optional<String> secret = open(which);
        secret.ifPresent(shown -> {
            jdbc.sql("""
                insert into secret_reveal (household_id, what, by_name, at)
                values (:householdId, :what, :by, :now)
                """)
                    .param("householdId", which.householdId())
                    .param("what", what + ": " + why)
                    .param("by", by)
                    .param("now", OffsetDateTime.now(clock))
                    .update();
            LOG.info("reveal household={} what=\"{}\" why=\"{}\" by=\"{}\"", which.householdId(), what, why, by);
        });
        return secret;
    }
}
