package roofnest.app.records;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

import roofnest.core.access.Access;
import roofnest.core.access.Secret;

/** What somebody knows, and which screens show cameras. What was known is kept, with how it ended. */
@Repository
public class LedgerRepository {
    private static final String COLUMNS = """
        k.id, k.resident_id, k.kind, coalesce(k.network_id, k.camera_id, k.hub_id, k.account_of) as of_id, n.name as network,
        c.name as camera, h.name as hub, h.model_key as hub_model, a.name as account, k.since, k.how, k.noted_by, k.ended_on, k.ended_by,
        k.ended_how
        from known k
        left join network n on n.id = k.network_id
        left join camera c on c.id = k.camera_id
        left join hub h on h.id = k.hub_id
        left join resident a on a.id = k.account_of
        """;

    private final JdbcClient jdbc;
    private final Clock clock;

    LedgerRepository(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /** @param endedOn null while it is in force; then so are the other two */
    public record Row(long id, long residentId, Secret secret, LocalDate since, String how, String notedBy, LocalDate endedOn,
            String endedBy, String endedHow) {}

    /** What is known and in force. */
    public List<Access.Known> known(long householdId) {
        return jdbc.sql("select " + COLUMNS + """
             join resident r on r.id = k.resident_id and r.removed_at is null
             where k.household_id = :household and k.ended_on is null and (c.id is null or c.removed_at is null)
             order by k.id
            """).param("household", householdId).query(LedgerRepository::row).list().stream()
                .map(row -> new Access.Known(row.residentId(), row.secret(), row.since(), row.how())).toList();
    }

    /** All that is known, as it was noted, and then what was, the newest end first. */
    public List<Row> history(long householdId) {
        return jdbc.sql("select " + COLUMNS + " where k.household_id = :household order by k.ended_on desc nulls first, k.id")
                .param("household", householdId).query(LedgerRepository::row).list();
    }

    private static Row row(ResultSet row, int n) throws SQLException {
        Secret.Kind kind = Secret.Kind.valueOf(row.getString("kind"));
        String name = switch (kind) {
            case WIFI -> "the Wi-Fi password of " + row.getString("network");
            case DEVICE -> "the ID and password of " + row.getString("camera");
            case HUB -> "the password of " + row.getString("hub");
            case ACCOUNT -> row.getString("account") + "’s log-in";
        };
        return new Row(row.getLong("id"), row.getLong("resident_id"),
                new Secret(kind, row.getLong("of_id"), name, kind == Secret.Kind.HUB ? row.getString("hub_model") : ""),
                row.getObject("since", LocalDate.class), row.getString("how"), row.getString("noted_by"),
                row.getObject("ended_on", LocalDate.class), row.getString("ended_by"), row.getString("ended_how"));
    }

    /** Notes that somebody knows a secret from today on; who knew it already has known it since. */
    public void note(long householdId, long residentId, Secret.Kind kind, long id, String how, String by) {
        note(householdId, residentId, kind, id, LocalDate.now(clock), how, by);
    }

    public void note(long householdId, long residentId, Secret.Kind kind, long id, LocalDate since, String how, String by) {
        jdbc.sql("""
            insert into known (household_id, resident_id, kind, network_id, camera_id, hub_id, account_of, since, how, noted_by)
            values (:household, :resident, :kind, :network, :camera, :hub, :account, :since, :how, :by)
            on conflict do nothing
            """)
                .param("household", householdId)
                .param("resident", residentId)
                .param("kind", kind.name())
                .param("network", kind == Secret.Kind.WIFI ? id : null)
                .param("camera", kind == Secret.Kind.DEVICE ? id : null)
                .param("hub", kind == Secret.Kind.HUB ? id : null)
                .param("account", kind == Secret.Kind.ACCOUNT ? id : null)
                .param("since", since)
                .param("how", how)
                .param("by", by)
                .update();
    }

    /** A secret is another one now: whoever knew it knows it no longer. @return how many did */
    public int changed(long householdId, Secret.Kind kind, long id, String how, String by) {
        return jdbc.sql("""
            update known set ended_on = :today, ended_by = :by, ended_how = :how
            where household_id = :household and kind = :kind and coalesce(network_id, camera_id, hub_id, account_of) = :id
              and ended_on is null
            """)
                .param("today", LocalDate.now(clock))
                .param("by", by)
                .param("how", how)
                .param("household", householdId)
                .param("kind", kind.name())
                .param("id", id)
                .update();
    }

    /** It was noted by mistake: they never knew it. Returns whether there was such a note in force. */
    public boolean mistaken(long householdId, long id, String by) {
        return jdbc.sql("""
            update known set ended_on = :today, ended_by = :by, ended_how = 'noted by mistake'
            where household_id = :household and id = :id and ended_on is null
            """)
                .param("today", LocalDate.now(clock))
                .param("by", by)
                .param("household", householdId)
                .param("id", id)
                .update() == 1;
    }

    public List<Access.Screen> screens(long householdId) {
        Map<Long, Access.Screen> screens = new LinkedHashMap<>();
        jdbc.sql("""
            select s.id, s.name, s.room, s.linked_by, c.camera_id
            from screen s
            left join screen_camera c on c.screen_id = s.id
            where s.household_id = :household
            order by s.id, c.camera_id
            """).param("household", householdId).query(row -> {
            TreeSet<Long> cameras = new TreeSet<>();
            Access.Screen before = screens.get(row.getLong("id"));
            if (before != null) {
                cameras.addAll(before.cameraIds());
            }
            long camera = row.getLong("camera_id");
            if (!row.wasNull()) {
                cameras.add(camera);
            }
            screens.put(row.getLong("id"), new Access.Screen(row.getLong("id"), row.getString("name"), row.getString("room"), cameras,
                    row.getLong("linked_by")));
        });
        return new ArrayList<>(screens.values());
    }

    public void link(long householdId, String name, String room, long residentId, Collection<Long> cameraIds, String by) {
        long id = jdbc.sql("""
            insert into screen (household_id, name, room, linked_by, since, noted_by)
            values (:household, :name, :room, :resident, :today, :by)
            returning id
            """)
                .param("household", householdId)
                .param("name", name)
                .param("room", room)
                .param("resident", residentId)
                .param("today", LocalDate.now(clock))
                .param("by", by)
                .query(Long.class).single();
        cameraIds.forEach(camera -> jdbc.sql("""
            insert into screen_camera (household_id, screen_id, camera_id) values (:household, :screen, :camera) on conflict do nothing
            """).param("household", householdId).param("screen", id).param("camera", camera).update());
    }

    /** Returns whether there was such a screen. */
    public boolean unlink(long householdId, long screenId) {
        return jdbc.sql("delete from screen where household_id = :household and id = :id").param("household", householdId)
                .param("id", screenId).update() == 1;
    }
}
