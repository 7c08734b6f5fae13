package roofnest.app.records;

import java.time.Clock;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.HashMap;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

import roofnest.app.web.Conflict;

/** Photos of what the log holds. */
@Repository
public class LogPhotoRepository implements PictureShelf {
    /** Of one entry. */
    public static final int MOST = 6;

    private static final int LONGEST_ABOUT = 80;

    private final JdbcClient jdbc;
    private final Clock clock;

    LogPhotoRepository(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    public record Photo(long id, OffsetDateTime at, String by) {}

    /** By entry, in the order in which they came; entries without any are left out. */
    public Map<Long, List<Photo>> of(long householdId) {
        Map<Long, List<Photo>> photos = new HashMap<>();
        jdbc.sql("select id, entry_id, taken_at, taken_by from log_photo where household_id = :id order by id").param("id", householdId)
                .query(row -> {
                    photos.computeIfAbsent(row.getLong("entry_id"), id -> new ArrayList<>()).add(new Photo(row.getLong("id"), row.getObject(
                            "taken_at", OffsetDateTime.class), row.getString("taken_by")));
                });
        return photos;
    }

    public Optional<byte[]> jpeg(long householdId, long entryId, long id) {
        return jdbc.sql("select jpeg from log_photo where household_id = :household and entry_id = :entry and id = :id")
                .param("household", householdId).param("entry", entryId).param("id", id).query(byte[].class).optional();
    }

    /** @param jpeg drawn anew. @throws Conflict where the entry is not there any more, or has as many already */
    public void add(long householdId, long entryId, byte[] jpeg, String by) {
        if (of(householdId).getOrDefault(entryId, List.of()).size() >= MOST) {
            throw new Conflict("An entry takes " + MOST + " photos; take one out first.");
        }
        if (jdbc.sql("select count(*) from log_entry where household_id = :household and id = :entry and removed_at is null")
                .param("household", householdId).param("entry", entryId).query(Integer.class).single() == 0) {
            throw new Conflict("Somebody else took this entry out meanwhile.");
        }
        put(householdId, entryId, jpeg, OffsetDateTime.now(clock), by);
    }

    private void put(long householdId, long entryId, byte[] jpeg, OffsetDateTime at, String by) {
        jdbc.sql("""
            insert into log_photo (household_id, entry_id, jpeg, taken_at, taken_by) values (:household, :entry, :jpeg, :at, :by)
            """).param("household", householdId).param("entry", entryId).param("jpeg", jpeg).param("at", at).param("by", by).update();
    }

    /** Returns whether there was one. */
    public boolean remove(long householdId, long entryId, long id) {
        return jdbc.sql("delete from log_photo where household_id = :household and entry_id = :entry and id = :id")
                .param("household", householdId).param("entry", entryId).param("id", id).update() == 1;
    }

    @Override
    public String shelf() {
        return "log";
    }

    @Override
    public List<Picture> pictures(long householdId) {
        return jdbc.sql("""
            select p.jpeg, p.taken_at, p.taken_by, e.happened_on, e.words from log_photo p join log_entry e on e.id = p.entry_id
            where p.household_id = :id and e.removed_at is null order by p.id
            """).param("id", householdId).query((row, n) -> new Picture(Map.of("entry", cut(row.getString("words")), "on", row.getObject(
                "happened_on", LocalDate.class).toString(), "at", row.getObject("taken_at", OffsetDateTime.class).toString(),
                "by", row.getString("taken_by")), row.getBytes("jpeg"))).list();
    }

    /** Enough to know an entry by beside its day. */
    private static String cut(String words) {
        return words.substring(0, Math.min(words.length(), LONGEST_ABOUT));
    }

    @Override
    public void put(long householdId, Picture picture) {
        long of = jdbc.sql("""
            select id from log_entry where household_id = :id and left(words, 80) = :words and happened_on = :on order by id limit 1
            """).param("id", householdId).param("words", picture.about().getOrDefault("entry", ""))
                .param("on", LocalDate.parse(String.valueOf(picture.about().get("on")))).query(Long.class).optional()
                .orElseThrow(() -> new IllegalArgumentException("a photo of an entry that is not there"));
        put(householdId, of, CarriedPicture.jpeg(picture), CarriedPicture.moment(picture, "at"), CarriedPicture.by(picture));
    }
}
