package roofnest.app.visit;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Types;
import java.time.OffsetDateTime;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

import roofnest.core.visit.Task;
import roofnest.core.visit.Timeline;

/** Visits as planned when they began, with how far each task is. */
@Repository
class VisitRepository {
    private final JdbcClient jdbc;

    VisitRepository(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    record Visit(long id, int installers, OffsetDateTime startedAt, String startedBy, OffsetDateTime overAt) {}

    /** @param by who marked it last; null while untouched */
    record Row(Timeline.Placed planned, OffsetDateTime begunAt, OffsetDateTime handsOffAt, OffsetDateTime doneAt,
            String by) {}

    Optional<Visit> open(long householdId) {
        return newest(householdId, "and over_at is null");
    }

    /** The newest, over or not. */
    Optional<Visit> newest(long householdId) {
        return newest(householdId, "");
    }

    private Optional<Visit> newest(long householdId, String only) {
        return jdbc
                .sql("select id, installers, started_at, started_by, over_at from visit where household_id = :householdId " + only
                        + " order by id desc limit 1")
                .param("householdId", householdId)
                .query((row, n) -> new Visit(row.getLong("id"), row.getInt("installers"), row.getObject("started_at", OffsetDateTime.class),
                        row.getString("started_by"),
                        row.getObject("over_at", OffsetDateTime.class)))
                .optional();
    }

    long start(long householdId, int installers, OffsetDateTime at, String by) {
        return jdbc.sql("""
            insert into visit (household_id, installers, started_at, started_by)
            values (:householdId, :installers, :at, :by)
            returning id
            """)
                .param("householdId", householdId)
                .param("installers", installers)
                .param("at", at)
                .param("by", by)
                .query(Long.class).single();
    }

    void add(long visitId, List<Timeline.Placed> plan) {
        for (int seq = 0; seq < plan.size(); seq++) {
            add(visitId, seq, plan.get(seq));
        }
    }

    private void add(long visitId, int seq, Timeline.Placed placed) {
        Task task = placed.task();
        jdbc.sql("""
            insert into visit_task (visit_id, seq, task_id, kind, camera_id, row_name, what, hands_on, hands_free, waits_for, needs,
                                    planned_minute, installer)
            values (:visitId, :seq, :taskId, :kind, :cameraId, :row, :what, :handsOn, :handsFree, :waitsFor, :needs, :planned,
                    :installer)
            """)
                .param("visitId", visitId)
                .param("seq", seq)
                .param("taskId", task.id())
                .param("kind", task.about().kind().name())
                .param("cameraId", task.about().camera().orElse(null), Types.BIGINT)
                .param("row", task.row())
                .param("what", task.what())
                .param("handsOn", task.handsOnMinutes())
                .param("handsFree", task.handsFreeMinutes())
                .param("waitsFor", task.after().toArray(String[]::new))
                .param("needs", task.needs().stream().map(Enum::name).toArray(String[]::new))
                .param("planned", placed.startMinute())
                .param("installer", placed.installer())
                .update();
    }

    List<Row> rows(long visitId) {
        return jdbc.sql("select * from visit_task where visit_id = :visitId order by seq").param("visitId", visitId)
                .query(VisitRepository::row).list();
    }

    /** Writes how far a task is; what lies further ahead is unwritten. */
    void mark(long visitId, String taskId, OffsetDateTime begun, OffsetDateTime handsOff, OffsetDateTime done, String by) {
        jdbc.sql("""
            update visit_task
            set begun_at = :begun, hands_off_at = :handsOff, done_at = :done, marked_by = :by
            where visit_id = :visitId and task_id = :taskId
            """)
                .param("begun", begun, Types.TIMESTAMP_WITH_TIMEZONE)
                .param("handsOff", handsOff, Types.TIMESTAMP_WITH_TIMEZONE)
                .param("done", done, Types.TIMESTAMP_WITH_TIMEZONE)
                .param("by", by)
                .param("visitId", visitId)
                .param("taskId", taskId)
                .update();
    }

    void over(long visitId, OffsetDateTime at) {
        jdbc.sql("update visit set over_at = :at where id = :id and over_at is null").param("at", at).param("id", visitId).update();
    }

    private static Row row(ResultSet row, int n) throws SQLException {
        Set<Task.Need> needs
                = Arrays.stream((String[]) row.getArray("needs").getArray()).map(Task.Need::valueOf).collect(Collectors.toSet());
        Task.About about
                = new Task.About(Task.Kind.valueOf(row.getString("kind")), Optional.ofNullable(row.getObject("camera_id", Long.class)));
        Task task = new Task(row.getString("task_id"), about, row.getString("row_name"), row.getString("what"), row.getInt("hands_on"),
                row.getInt("hands_free"), Set.of((String[]) row.getArray("waits_for").getArray()), needs);
        return new Row(new Timeline.Placed(task, row.getInt("planned_minute"), row.getInt("installer")),
                row.getObject("begun_at", OffsetDateTime.class), row.getObject("hands_off_at", OffsetDateTime.class),
                row.getObject("done_at", OffsetDateTime.class), row.getString("marked_by"));
    }
}
