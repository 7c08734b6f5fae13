package roofnest.app.records;

import java.time.Clock;
import java.util.List;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

import roofnest.core.network.SafeCredentials;

/** What else is on a house's Wi-Fi and would have to rejoin. What nobody has counted is not taken for nothing. */
@Repository
public class OtherThingRepository implements Archive {
    private final JdbcClient jdbc;
    private final HouseholdRepository households;
    private final ArchivedRows archived;

    OtherThingRepository(JdbcClient jdbc, HouseholdRepository households, Clock clock) {
        this.jdbc = jdbc;
        this.households = households;
        this.archived = new ArchivedRows(jdbc, clock, TakenOut.Kind.THING, "other_thing", "how_many || ' ' || name");
    }

    public record OtherThing(long id, String name, int howMany) {}

    public List<OtherThing> of(long householdId) {
        return jdbc.sql("select id, name, how_many from other_thing where household_id = :householdId and removed_at is null order by id")
                .param("householdId", householdId)
                .query((row, n) -> new OtherThing(row.getLong("id"), row.getString("name"), row.getInt("how_many"))).list();
    }

    /** How many there are; {@link SafeCredentials#NOT_COUNTED} before anybody counted. */
    public int count(long householdId) {
        return jdbc.sql("""
            select case when h.counted_at is null then :notCounted else coalesce(sum(t.how_many), 0) end
            from household h left join other_thing t on t.household_id = h.id and t.removed_at is null
            where h.id = :householdId
            group by h.counted_at
            """)
                .param("notCounted", SafeCredentials.NOT_COUNTED)
                .param("householdId", householdId)
                .query(Integer.class).single();
    }

    public void add(long householdId, String name, int howMany) {
        jdbc.sql("insert into other_thing (household_id, name, how_many) values (:householdId, :name, :howMany)")
                .param("householdId", householdId)
                .param("name", name)
                .param("howMany", howMany)
                .update();
        households.markCounted(householdId);
    }

    /** Somebody looked, and there is nothing beside what stands here. */
    public void counted(long householdId) {
        households.markCounted(householdId);
    }

    /** Returns whether there was one to take out. */
    public boolean remove(long householdId, long id, String by) {
        return archived.takeOut(householdId, id, by);
    }

    @Override
    public ArchivedRows archived() {
        return archived;
    }
}
