package roofnest.app.find;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.List;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

import roofnest.core.promise.Stage;

/**
 * Looks for things of one firm. What is typed right is found by its beginning; what is not, by the trigrams it shares with
 * what was written down (PostgreSQL's {@code pg_trgm}); promises by their words (its full-text search).
 */
@Repository
class FindRepository {
    /** Of each kind as many are weighed at most: who shares a street with thousands types on. */
    private static final int WEIGHED = 300;

    private final JdbcClient jdbc;

    FindRepository(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /**
     * Something found.
     *
     * @param kind what was like it
     * @param what was like it, in words
     * @param likeness 0 to 1; above 1 for what begins so
     */
    record Hit(long household, String name, String address, Stage stage, boolean away, String kind, String what, double likeness) {}

    /** Households and their people and devices, the likest first. */
    List<Hit> like(long firmId, Asked asked, int most) {
        return jdbc.sql("""
            with hit as (
              (select h.id, 'household' as kind, '' as what, 2 + word_similarity(:text, h.name) as likeness
               from household h
               where h.firm_id = :firm and lower(h.name) like :prefix
               order by h.name limit :weighed)
              union all
              (select h.id, 'household', '', word_similarity(:text, h.name || ' ' || h.address)
               from household h
               where h.firm_id = :firm and :text <% (h.name || ' ' || h.address) limit :weighed)
              union all
              (select h.id, 'person', r.name, word_similarity(:text, r.name || ' ' || r.email)
               from resident r join household h on h.id = r.household_id
               where h.firm_id = :firm and r.removed_at is null and :text <% (r.name || ' ' || r.email) limit :weighed)
              union all
              (select h.id, 'serial', c.serial || ', ' || c.name || case when c.removed_at is null then '' else ', taken out' end,
                      case when lower(c.serial) = :text then 3 else 1.5 end
               from camera c join household h on h.id = c.household_id
               where h.firm_id = :firm and lower(c.serial) like :prefix limit :weighed)
              union all
              (select h.id, 'serial', u.serial || ', ' || u.name, case when lower(u.serial) = :text then 3 else 1.5 end
               from hub u join household h on h.id = u.household_id
               where h.firm_id = :firm and lower(u.serial) like :prefix limit :weighed))
            select h.id, h.name, h.address, h.stage, h.archived_at, hit.kind, hit.what, hit.likeness
            from (select distinct on (id) * from hit order by id, likeness desc) hit join household h on h.id = hit.id
            order by hit.likeness desc, h.archived_at is not null, h.name, h.id
            limit :most
            """)
                .param("firm", firmId)
                .param("text", asked.text())
                .param("prefix", asked.prefix())
                .param("weighed", WEIGHED)
                .param("most", most)
                .query(FindRepository::hit).list();
    }

    /** Households with a camera of one of these models. @param words what was like it */
    List<Hit> withModels(long firmId, List<String> modelKeys, String words, int most) {
        return jdbc.sql("""
            select h.id, h.name, h.address, h.stage, h.archived_at, 'model' as kind, :words as what, 1 as likeness
            from household h
            where h.firm_id = :firm and h.archived_at is null
              and exists (select from camera c where c.household_id = h.id and c.removed_at is null and c.model_key = any(:models))
            order by h.stage_order, h.due_on, h.name, h.id
            limit :most
            """)
                .param("firm", firmId)
                .param("models", modelKeys.toArray(String[]::new))
                .param("words", words)
                .param("most", most)
                .query(FindRepository::hit).list();
    }

    /** Households with a promise that stands so and is about these words; about anything when there are none. */
    List<Hit> withPromise(long firmId, Asked asked, int most) {
        return jdbc.sql("""
            select h.id, h.name, h.address, h.stage, h.archived_at, 'promise' as kind, min(f.wording) as what, count(*) as likeness
            from finding f join household h on h.id = f.household_id
            where h.firm_id = :firm and h.archived_at is null and f.standing = :standing
              and (:about = '' or to_tsvector('english', f.wording) @@ websearch_to_tsquery('english', :about))
            group by h.id
            order by h.stage_order, h.due_on, h.name, h.id
            limit :most
            """)
                .param("firm", firmId)
                .param("standing", asked.standing().orElseThrow().name())
                .param("about", asked.about())
                .param("most", most)
                .query(FindRepository::hit).list();
    }

    private static Hit hit(ResultSet row, int n) throws SQLException {
        return new Hit(row.getLong("id"), row.getString("name"), row.getString("address"), Stage.valueOf(row.getString("stage")),
                row.getObject("archived_at") != null, row.getString("kind"), row.getString("what"), row.getDouble("likeness"));
    }
}
