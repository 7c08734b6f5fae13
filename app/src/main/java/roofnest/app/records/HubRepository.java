package roofnest.app.records;

import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.List;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

import roofnest.app.web.BadInput;
import roofnest.app.web.NoSuchPage;

/** The hubs of households; of each model one. */
@Repository
public class HubRepository implements Archive {
    private final JdbcClient jdbc;
    private final Clock clock;
    private final ArchivedRows archived;

    HubRepository(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
        this.archived = new ArchivedRows(jdbc, clock, TakenOut.Kind.HUB, "hub", "name || coalesce(', serial ' || serial, '')");
    }

    /** @param cardGb of the card in it; null where nobody said */
    public record Hub(long id, String modelKey, String name, String serial, String stickerKept, String room, boolean joined,
            boolean ownPassword, boolean rehearsed, Integer cardGb) {}

    public List<Hub> of(long householdId) {
        return jdbc.sql(
                """
                    select id, model_key, name, serial, sticker_kept, room, joined_at, own_password_at, card_gb,
                           exists (select 1 from run
                                   where run.hub_id = hub.id and bench and finished_at is not null and given_up_at is null) as rehearsed
                    from hub
                    where household_id = :householdId and removed_at is null
                    order by id
                    """)
                .param("householdId", householdId)
                .query((row, n) -> new Hub(row.getLong("id"), row.getString("model_key"), row.getString("name"), row.getString("serial"),
                        row.getString("sticker_kept"), row.getString("room"),
                        row.getObject("joined_at") != null, row.getObject("own_password_at") != null, row.getBoolean("rehearsed"),
                        row.getObject("card_gb", Integer.class)))
                .list();
    }

    public Hub get(long householdId, long id) {
        return of(householdId).stream().filter(hub -> hub.id() == id).findFirst().orElseThrow(NoSuchPage::new);
    }

    /** The household's hub of a model, put there if it is not yet. */
    public long ensure(long householdId, String modelKey, String name) {
        jdbc.sql("insert into hub (household_id, model_key, name) values (:householdId, :model, :name) on conflict do nothing")
                .param("householdId", householdId).param("model", modelKey).param("name", name).update();
        return of(householdId).stream().filter(hub -> hub.modelKey().equals(modelKey)).findFirst().orElseThrow().id();
    }

    public void markJoined(long householdId, long id) {
        set(householdId, id, "joined_at = coalesce(joined_at, :value)", OffsetDateTime.now(clock));
    }

    public void markOwnPassword(long householdId, long id) {
        set(householdId, id, "own_password_at = :value", OffsetDateTime.now(clock));
    }

    public void settle(long householdId, long id, String firmware) {
        set(householdId, id, "firmware = :value", firmware);
    }

    /** @param gb of the card in it; 0 for none */
    public void sayCard(long householdId, long id, int gb) {
        set(householdId, id, "card_gb = :value", gb);
    }

    public void keepSticker(long householdId, long id, String serial, String kept) {
        set(householdId, id, "serial = :value", serial);
        set(householdId, id, "sticker_kept = :value", kept);
    }

    public void rename(long householdId, long id, String name, String room) {
        set(householdId, id, "name = :value", name);
        set(householdId, id, "room = nullif(:value, '')", room);
    }

    /** Takes it out of the house; its row stays, for the log. */
    public void remove(long householdId, long id, String by) {
        archived.takeOut(householdId, id, by);
    }

    @Override
    public ArchivedRows archived() {
        return archived;
    }

    @Override
    public void bringBack(long householdId, long id) {
        List<String> models = of(householdId).stream().map(Hub::modelKey).toList();
        String model = jdbc.sql("select model_key from hub where household_id = :householdId and id = :id")
                .param("householdId", householdId).param("id", id).query(String.class).optional().orElseThrow(NoSuchPage::new);
        if (models.contains(model)) {
            throw new BadInput("The house has another hub of this model by now. Take that one out first.");
        }
        jdbc.sql("update hub set joined_at = null, own_password_at = null where household_id = :householdId and id = :id")
                .param("householdId", householdId).param("id", id).update();
        archived.bringBack(householdId, id);
    }

    /** @param assignment one of the constants above, never anything typed */
    private void set(long householdId, long id, String assignment, Object value) {
        jdbc.sql("update hub set " + assignment + " where household_id = :householdId and id = :id").param("value", value)
                .param("householdId", householdId).param("id", id).update();
    }
}
