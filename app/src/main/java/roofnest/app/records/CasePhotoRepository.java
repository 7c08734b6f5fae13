package roofnest.app.records;

import java.sql.Types;
import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Map;
import java.util.Optional;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

import roofnest.app.web.Conflict;

/** Photos of calls, most of them by the household itself. */
@Repository
public class CasePhotoRepository implements PictureShelf {
    /** Of one call. */
    public static final int MOST = 4;

    private final JdbcClient jdbc;
    private final Clock clock;

    CasePhotoRepository(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    public record Photo(long id, OffsetDateTime at, String by) {}

    /** In the order in which they came. */
    public List<Photo> of(long householdId, long caseId) {
        return jdbc.sql("select id, taken_at, taken_by from case_photo where household_id = :id and case_id = :case order by id")
                .param("id", householdId).param("case", caseId).query((row, n) -> new Photo(row.getLong("id"), row.getObject("taken_at",
                        OffsetDateTime.class), row.getString("taken_by")))
                .list();
    }

    public Optional<byte[]> jpeg(long householdId, long caseId, long id) {
        return jdbc.sql("select jpeg from case_photo where household_id = :household and case_id = :case and id = :id")
                .param("household", householdId).param("case", caseId).param("id", id).query(byte[].class).optional();
    }

    /** @param jpeg drawn anew. @throws Conflict where the call has as many already */
    public void add(long householdId, long caseId, byte[] jpeg, String by) {
        if (of(householdId, caseId).size() >= MOST) {
            throw new Conflict("A call takes " + MOST + " photos; take one out first.");
        }
        put(householdId, caseId, jpeg, OffsetDateTime.now(clock), by);
    }

    private void put(long householdId, long caseId, byte[] jpeg, OffsetDateTime at, String by) {
        jdbc.sql("""
            insert into case_photo (household_id, case_id, jpeg, taken_at, taken_by) values (:household, :case, :jpeg, :at, :by)
            """).param("household", householdId).param("case", caseId).param("jpeg", jpeg).param("at", at).param("by", by).update();
    }

    /** @param by whose it is; empty for anybody's. Returns whether there was one */
    public boolean remove(long householdId, long caseId, long id, Optional<String> by) {
        return jdbc.sql("""
            delete from case_photo where household_id = :household and case_id = :case and id = :id and taken_by = coalesce(:by, taken_by)
            """).param("household", householdId).param("case", caseId).param("id", id).param("by", by.orElse(null),
                Types.VARCHAR).update() == 1;
    }

    @Override
    public String shelf() {
        return "calls";
    }

    @Override
    public List<Picture> pictures(long householdId) {
        return jdbc.sql("""
            select p.jpeg, p.taken_at, p.taken_by, c.opened_at, k.name from case_photo p join fault_case c on c.id = p.case_id
            join camera k on k.id = c.camera_id where p.household_id = :id and k.removed_at is null order by p.id
            """).param("id", householdId).query((row, n) -> new Picture(Map.of("camera", row.getString("name"), "opened",
                row.getObject("opened_at", OffsetDateTime.class).toInstant().toString(), "at", row.getObject("taken_at",
                        OffsetDateTime.class).toString(),
                "by", row.getString("taken_by")), row.getBytes("jpeg"))).list();
    }

    @Override
    public void put(long householdId, Picture picture) {
        long of = jdbc.sql("""
            select c.id from fault_case c join camera k on k.id = c.camera_id
            where c.household_id = :id and k.name = :camera and c.opened_at = :opened order by c.id limit 1
            """).param("id", householdId).param("camera", picture.about().getOrDefault("camera", ""))
                .param("opened", CarriedPicture.moment(picture, "opened")).query(Long.class).optional()
                .orElseThrow(() -> new IllegalArgumentException("a photo of a call that is not there"));
        put(householdId, of, CarriedPicture.jpeg(picture), CarriedPicture.moment(picture, "at"), CarriedPicture.by(picture));
    }
}
