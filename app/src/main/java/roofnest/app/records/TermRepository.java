package roofnest.app.records;

import java.sql.Types;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

import roofnest.app.web.Conflict;
import roofnest.app.web.StaleEdit;
import roofnest.core.care.Coming;
import roofnest.core.judge.WhatComes;

/** What runs out on a day that somebody wrote down: warranties and paid plans. */
@Repository
public class TermRepository {
    /** Of one house. */
    public static final int MOST = 60;

    private final JdbcClient jdbc;

    TermRepository(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** @param id 0, and {@code version} 0, for one that is not kept yet. @param camera its name; empty for the whole house */
    public record Row(long id, Coming.Kind kind, Long cameraId, String camera, LocalDate on, String what, String by, int version) {
        WhatComes.Term term() {
            return new WhatComes.Term(kind, Optional.ofNullable(cameraId), on, what + (camera.isEmpty() ? "" : ", " + camera));
        }
    }

    /** The earliest first. */
    public List<Row> of(long householdId) {
        return jdbc.sql("""
            select t.*, coalesce(c.name, '') as camera from term t left join camera c on c.id = t.camera_id
            where t.household_id = :id and c.removed_at is null order by t.on_day, t.id
            """).param("id", householdId).query((row, n) -> new Row(row.getLong("id"), Coming.Kind.valueOf(row.getString("kind")),
                row.getObject("camera_id", Long.class), row.getString("camera"), row.getObject("on_day", LocalDate.class),
                row.getString("what"), row.getString("by_name"), row.getInt("version"))).list();
    }

    public void add(long householdId, Row row) {
        if (of(householdId).size() >= MOST) {
            throw new Conflict("A house takes " + MOST + " of these; take one out first.");
        }
        jdbc.sql("""
            insert into term (household_id, camera_id, kind, on_day, what, by_name) values (:id, :camera, :kind, :on, :what, :by)
            """).param("id", householdId).param("camera", row.cameraId(), Types.BIGINT).param("kind", row.kind().name())
                .param("on", row.on()).param("what", row.what()).param("by", row.by()).update();
    }

    /** Saves if nobody did since the version that it carries. */
    public void change(long householdId, Row row) {
        int rows = jdbc.sql("""
            update term set camera_id = :camera, kind = :kind, on_day = :on, what = :what, by_name = :by, version = version + 1
            where household_id = :household and id = :id and version = :version
            """).param("household", householdId).param("id", row.id()).param("version", row.version())
                .param("camera", row.cameraId(), Types.BIGINT).param("kind", row.kind().name()).param("on", row.on())
                .param("what", row.what()).param("by", row.by()).update();
        if (rows != 1) {
            throw new StaleEdit("This day", row.version(), of(householdId).stream().filter(each -> each.id() == row.id()).findFirst()
                    .orElseThrow(() -> new Conflict("Somebody else took this out meanwhile.")).version());
        }
    }

    /** Returns whether there was one. */
    public boolean remove(long householdId, long id) {
        return jdbc.sql("delete from term where household_id = :household and id = :id").param("household", householdId).param("id", id)
                .update() == 1;
    }
}
