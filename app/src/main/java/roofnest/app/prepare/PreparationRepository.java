package roofnest.app.prepare;

import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

import roofnest.app.web.Photograph;
import roofnest.app.records.PictureShelf;

/** Links of preparation, and what came in by them. */
@Repository
class PreparationRepository implements PictureShelf {
    private final JdbcClient jdbc;
    private final Clock clock;

    PreparationRepository(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    record Link(long id, String to, OffsetDateTime sentAt, String by, OffsetDateTime expiresAt, boolean revoked) {}

    record Photo(long id, String what, OffsetDateTime at) {}

    record ToldPerson(long id, String name, boolean livesHere) {}

    void add(long householdId, String to, byte[] tokenHash, String by, OffsetDateTime expiresAt) {
        jdbc.sql("""
            insert into preparation (household_id, to_address, token_hash, sent_at, sent_by, expires_at)
            values (:householdId, :to, :hash, :now, :by, :expiresAt)
            """)
                .param("householdId", householdId)
                .param("to", to)
                .param("hash", tokenHash)
                .param("now", OffsetDateTime.now(clock))
                .param("by", by)
                .param("expiresAt", expiresAt)
                .update();
    }

    /** The newest link that was sent. */
    Optional<Link> newest(long householdId) {
        return jdbc.sql("""
            select id, to_address, sent_at, sent_by, expires_at, revoked_at
            from preparation
            where household_id = :householdId
            order by id desc
            limit 1
            """)
                .param("householdId", householdId)
                .query((row, n) -> new Link(row.getLong("id"), row.getString("to_address"), row.getObject("sent_at", OffsetDateTime.class),
                        row.getString("sent_by"),
                        row.getObject("expires_at", OffsetDateTime.class), row.getObject("revoked_at") != null))
                .optional();
    }

    void revoke(long householdId) {
        jdbc.sql("update preparation set revoked_at = :now where household_id = :householdId and revoked_at is null")
                .param("now", OffsetDateTime.now(clock)).param("householdId", householdId).update();
    }

    /** The household that a link opens now; empty when it was guessed, has run out or was called back. */
    Optional<Long> opens(byte[] tokenHash) {
        return jdbc.sql("""
            select p.household_id from preparation p join household h on h.id = p.household_id
            where p.token_hash = :hash and p.revoked_at is null and p.expires_at > :now and h.handed_over_at is null
            """)
                .param("hash", tokenHash).param("now", OffsetDateTime.now(clock)).query(Long.class).optional();
    }

    Set<String> ticked(long householdId) {
        return new HashSet<>(jdbc.sql("select item from prepared_item where household_id = :householdId").param("householdId", householdId)
                .query(String.class).list());
    }

    /** What a household has at hand. @param items that were ticked */
    record AtHand(Set<String> items, boolean photographed, boolean wifiKnown) {
        static final AtHand NOTHING = new AtHand(Set.of(), false, false);
    }

    /** Of several households at once. */
    Map<Long, AtHand> atHand(List<Long> households) {
        Map<Long, AtHand> all = new HashMap<>();
        jdbc.sql("""
            select h.id, array(select item from prepared_item where household_id = h.id) as items,
                   exists (select from household_photo where household_id = h.id) as photographed,
                   exists (select from network n
                           where n.household_id = h.id and n.for_cameras and n.removed_at is null
                             and (n.security = 'OPEN' or exists (
                               select from secret s
                               where s.household_id = h.id and s.network_id = n.id and s.kind = 'WIFI_PASSWORD'))) as wifi
            from household h
            where h.id = any(:households)
            """)
                .param("households", households.toArray(Long[]::new))
                .query(row -> {
                    all.put(row.getLong("id"), new AtHand(Set.of((String[]) row.getArray("items").getArray()),
                            row.getBoolean("photographed"), row.getBoolean("wifi")));
                });
        return all;
    }

    void tick(long householdId, String item, boolean ready) {
        if (ready) {
            jdbc.sql("insert into prepared_item (household_id, item, ticked_at) values (:householdId, :item, :now) on conflict do nothing")
                    .param("householdId", householdId).param("item", item).param("now", OffsetDateTime.now(clock)).update();
        } else {
            jdbc.sql("delete from prepared_item where household_id = :householdId and item = :item").param("householdId", householdId)
                    .param("item", item).update();
        }
    }

    List<Photo> photos(long householdId) {
        return jdbc.sql("select id, what, taken_in_at from household_photo where household_id = :householdId order by id")
                .param("householdId", householdId)
                .query((row, n) -> new Photo(row.getLong("id"), row.getString("what"), row.getObject("taken_in_at", OffsetDateTime.class)))
                .list();
    }

    int photoCount(long householdId) {
        return jdbc.sql("select count(*) from household_photo where household_id = :householdId").param("householdId", householdId)
                .query(Integer.class).single();
    }

    Optional<byte[]> jpeg(long householdId, long id) {
        return jdbc.sql("select jpeg from household_photo where household_id = :householdId and id = :id")
                .param("householdId", householdId).param("id", id).query(byte[].class).optional();
    }

    @Override
    public String shelf() {
        return "from-the-household";
    }

    @Override
    public List<Picture> pictures(long householdId) {
        return jdbc.sql("select what, jpeg from household_photo where household_id = :householdId order by id")
                .param("householdId", householdId)
                .query((row, n) -> new Picture(Map.of("what", row.getString("what")), row.getBytes("jpeg"))).list();
    }

    /** Drawn anew, as whatever comes in. */
    @Override
    public void put(long householdId, Picture picture) {
        addPhoto(householdId, picture.about().get("what"), Photograph.drawnAnew(picture.bytes()));
    }

    void addPhoto(long householdId, String what, byte[] jpeg) {
        jdbc.sql("insert into household_photo (household_id, what, jpeg, taken_in_at) values (:householdId, :what, :jpeg, :now)")
                .param("householdId", householdId).param("what", what).param("jpeg", jpeg).param("now", OffsetDateTime.now(clock)).update();
    }

    /** @return whether there was one */
    boolean removePhoto(long householdId, long id) {
        return jdbc.sql("delete from household_photo where household_id = :householdId and id = :id").param("householdId", householdId)
                .param("id", id).update() == 1;
    }

    List<ToldPerson> people(long householdId) {
        return jdbc.sql("select id, name, lives_here from told_person where household_id = :householdId order by id")
                .param("householdId", householdId)
                .query((row, n) -> new ToldPerson(row.getLong("id"), row.getString("name"), row.getBoolean("lives_here"))).list();
    }

    void addPerson(long householdId, String name, boolean livesHere) {
        jdbc.sql("insert into told_person (household_id, name, lives_here, told_at) values (:householdId, :name, :livesHere, :now)")
                .param("householdId", householdId).param("name", name).param("livesHere", livesHere).param("now", OffsetDateTime.now(clock))
                .update();
    }

    void clearPeople(long householdId) {
        jdbc.sql("delete from told_person where household_id = :householdId").param("householdId", householdId).update();
    }
}
