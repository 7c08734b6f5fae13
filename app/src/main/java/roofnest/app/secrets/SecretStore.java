package roofnest.app.secrets;

import java.sql.Types;
import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

import roofnest.app.web.HouseholdRef;

/** The sealed store of a household. Rules that only compare read silently; whatever a person gets to see is logged. */
@Repository
public class SecretStore {
    private final JdbcClient jdbc;
    private final Sealer sealer;
    private final Clock clock;

    SecretStore(JdbcClient jdbc, Sealer sealer, Clock clock) {
        this.jdbc = jdbc;
        this.sealer = sealer;
        this.clock = clock;
    }

    /** One look at a secret. */
    public record Reveal(String what, String by, OffsetDateTime at) {}

    public void sealWifiPassword(long householdId, long networkId, String password, String by) {
        seal(new Which(householdId, "WIFI_PASSWORD", null, networkId, null), password, by);
    }

    public void sealCameraPassword(long householdId, long cameraId, String password, String by) {
        seal(new Which(householdId, "CAMERA_PASSWORD", cameraId, null, null), password, by);
    }

    /** The password that a device came with, from its sticker. */
    public void sealInitialPassword(long householdId, long cameraId, String password, String by) {
        seal(new Which(householdId, "INITIAL_PASSWORD", cameraId, null, null), password, by);
    }

    /** For the rules, which judge a password without showing it: of the network that cameras join. */
    public Optional<String> wifiPasswordForRules(long householdId) {
        return camerasNetwork(householdId).flatMap(networkId -> wifiPasswordForRules(householdId, networkId));
    }

    /** Of the network that cameras join. */
    public Optional<String> revealWifiPassword(HouseholdRef ref, String why) {
        return camerasNetwork(ref.id()).flatMap(networkId -> revealWifiPassword(ref, networkId, why));
    }

    private Optional<Long> camerasNetwork(long householdId) {
        return jdbc.sql("select id from network where household_id = :householdId and for_cameras").param("householdId", householdId)
                .query(Long.class).optional();
    }

    public Optional<String> wifiPasswordForRules(long householdId, long networkId) {
        return open(new Which(householdId, "WIFI_PASSWORD", null, networkId, null));
    }

    public Optional<String> revealWifiPassword(HouseholdRef ref, long networkId, String why) {
        Optional<String> password = wifiPasswordForRules(ref.id(), networkId);
        password.ifPresent(p -> log(ref, "Wi-Fi password: " + why));
        return password;
    }

    public Optional<String> revealCameraPassword(HouseholdRef ref, long cameraId, String cameraName, String why) {
        Optional<String> password = open(new Which(ref.id(), "CAMERA_PASSWORD", cameraId, null, null));
        password.ifPresent(p -> log(ref, "password of " + cameraName + ": " + why));
        return password;
    }

    public Optional<String> revealInitialPassword(HouseholdRef ref, long cameraId, String cameraName, String why) {
        Optional<String> password = open(new Which(ref.id(), "INITIAL_PASSWORD", cameraId, null, null));
        password.ifPresent(p -> log(ref, "initial password of " + cameraName + ": " + why));
        return password;
    }

    /** For the rules, which compare it without showing it. */
    public Optional<String> initialPasswordForRules(long householdId, long cameraId) {
        return open(new Which(householdId, "INITIAL_PASSWORD", cameraId, null, null));
    }

    public boolean hasInitialPassword(long householdId, long cameraId) {
        return initialPasswordForRules(householdId, cameraId).isPresent();
    }

    public void sealHubPassword(long householdId, long hubId, String password, String by) {
        seal(new Which(householdId, "HUB_PASSWORD", null, null, hubId), password, by);
    }

    public Optional<String> revealHubPassword(HouseholdRef ref, long hubId, String hubName, String why) {
        Optional<String> password = open(new Which(ref.id(), "HUB_PASSWORD", null, null, hubId));
        password.ifPresent(p -> log(ref, "password of " + hubName + ": " + why));
        return password;
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

    /** What a secret belongs to. */
    private record Which(long householdId, String kind, Long cameraId, Long networkId, Long hubId) {
        /** Bound into the seal, so that a sealed value moved to another household or kind does not open. */
        private String belongsTo() {
            return "household " + householdId + " " + kind + (cameraId == null ? "" : " camera " + cameraId)
                    + (hubId == null ? "" : " hub " + hubId);
        }
    }

    private void seal(Which which, String secret, String by) {
        jdbc.sql("""
            insert into secret (household_id, kind, camera_id, network_id, hub_id, sealed, sealed_at, sealed_by)
            values (:householdId, :kind, :cameraId, :networkId, :hubId, :sealed, :now, :by)
            on conflict (household_id, kind, coalesce(camera_id, 0), coalesce(network_id, 0), coalesce(hub_id, 0))
            do update set sealed = excluded.sealed, sealed_at = excluded.sealed_at, sealed_by = excluded.sealed_by
            """)
                .param("householdId", which.householdId())
                .param("kind", which.kind())
                .param("cameraId", which.cameraId(), Types.BIGINT)
                .param("networkId", which.networkId(), Types.BIGINT)
                .param("hubId", which.hubId(), Types.BIGINT)
                .param("sealed", sealer.seal(secret, which.belongsTo()))
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
                .param("kind", which.kind())
                .param("cameraId", which.cameraId(), Types.BIGINT)
                .param("networkId", which.networkId(), Types.BIGINT)
                .param("hubId", which.hubId(), Types.BIGINT)
                .query(byte[].class).optional()
                .map(sealed -> sealer.open(sealed, which.belongsTo()));
    }

    private void log(HouseholdRef ref, String what) {
        jdbc.sql("""
            insert into secret_reveal (household_id, what, by_name, at)
            values (:householdId, :what, :by, :now)
            """)
                .param("householdId", ref.id())
                .param("what", what)
                .param("by", ref.by())
                .param("now", OffsetDateTime.now(clock))
                .update();
    }
}
