package roofnest.app.share;

import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

import roofnest.core.access.Lesson;

/** What somebody was shown, did alone, and could still do when they were asked again. */
@Repository
class LessonRepository {
    private final JdbcClient jdbc;
    private final Clock clock;

    LessonRepository(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /** @param again whether they could still do it; empty while nobody asked. The times are null while it was not so */
    record Learnt(OffsetDateTime shownAt, OffsetDateTime aloneAt, String aloneBy, Optional<Boolean> again) {}

    Map<Lesson.Key, Learnt> of(long householdId, long residentId) {
        Map<Lesson.Key, Learnt> learnt = new HashMap<>();
        jdbc.sql("select * from lesson where household_id = :household and resident_id = :resident")
                .param("household", householdId).param("resident", residentId)
                .query(row -> {
                    learnt.put(Lesson.Key.valueOf(row.getString("item")), new Learnt(row.getObject("shown_at", OffsetDateTime.class),
                            row.getObject("alone_at", OffsetDateTime.class), row.getString("alone_by"),
                            Optional.ofNullable(row.getObject("again", Boolean.class))));
                });
        return learnt;
    }

    void shown(long householdId, long residentId, Lesson.Key item, String by) {
        jdbc.sql("""
            insert into lesson (household_id, resident_id, item, shown_at, shown_by)
            values (:household, :resident, :item, :now, :by)
            on conflict (household_id, resident_id, item) do update set shown_at = excluded.shown_at, shown_by = excluded.shown_by
            """)
                .param("household", householdId).param("resident", residentId).param("item", item.name())
                .param("now", OffsetDateTime.now(clock)).param("by", by).update();
    }

    /** Done alone, which nobody needs to have been shown before. */
    void alone(long householdId, long residentId, Lesson.Key item, String by) {
        jdbc.sql("""
            insert into lesson (household_id, resident_id, item, alone_at, alone_by)
            values (:household, :resident, :item, :now, :by)
            on conflict (household_id, resident_id, item) do update set alone_at = excluded.alone_at, alone_by = excluded.alone_by
            """)
                .param("household", householdId).param("resident", residentId).param("item", item.name())
                .param("now", OffsetDateTime.now(clock)).param("by", by).update();
    }

    void again(long householdId, long residentId, Lesson.Key item, boolean still, String by) {
        jdbc.sql("""
            update lesson set again_at = :now, again_by = :by, again = :still
            where household_id = :household and resident_id = :resident and item = :item and alone_at is not null
            """)
                .param("household", householdId).param("resident", residentId).param("item", item.name())
                .param("now", OffsetDateTime.now(clock)).param("by", by).param("still", still).update();
    }

    /** It was ticked by mistake. */
    void untick(long householdId, long residentId, Lesson.Key item) {
        jdbc.sql("delete from lesson where household_id = :household and resident_id = :resident and item = :item")
                .param("household", householdId).param("resident", residentId).param("item", item.name()).update();
    }
}
