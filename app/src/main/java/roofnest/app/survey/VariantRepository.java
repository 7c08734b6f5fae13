package roofnest.app.survey;

import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Plans with their cameras, kept to be compared. */
@Repository
class VariantRepository {
    /** Variants of one house at most; more than these no page could show side by side. */
    static final int MOST = 4;

    private final JdbcClient jdbc;
    private final Clock clock;

    VariantRepository(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    record Name(long id, String name) {}

    /** @param cameras a JSON list of {@link Variants.Kept} */
    record Variant(long id, String name, String plan, String cameras, OffsetDateTime keptAt, String by) {}

    List<Name> names(long householdId) {
        return jdbc.sql("select id, name from variant where household_id = :householdId order by id")
                .param("householdId", householdId)
                .query((row, n) -> new Name(row.getLong("id"), row.getString("name"))).list();
    }

    List<Variant> of(long householdId) {
        return jdbc.sql("""
            select id, name, plan::text as plan, cameras::text as cameras, kept_at, by_name
            from variant
            where household_id = :householdId
            order by id
            """)
                .param("householdId", householdId)
                .query((row, n) -> new Variant(row.getLong("id"), row.getString("name"), row.getString("plan"), row.getString("cameras"),
                        row.getObject("kept_at", OffsetDateTime.class), row.getString("by_name")))
                .list();
    }

    Optional<Variant> find(long householdId, long id) {
        return of(householdId).stream().filter(variant -> variant.id() == id).findFirst();
    }

    void keep(long householdId, String name, String plan, String cameras, String by) {
        jdbc.sql("""
            insert into variant (household_id, name, plan, cameras, kept_at, by_name)
            values (:householdId, :name, :plan::jsonb, :cameras::jsonb, :now, :by)
            """)
                .param("householdId", householdId)
                .param("name", name)
                .param("plan", plan)
                .param("cameras", cameras)
                .param("now", OffsetDateTime.now(clock))
                .param("by", by)
                .update();
    }

    boolean remove(long householdId, long id) {
        return jdbc.sql("delete from variant where household_id = :householdId and id = :id")
                .param("householdId", householdId)
                .param("id", id)
                .update() == 1;
    }
}
