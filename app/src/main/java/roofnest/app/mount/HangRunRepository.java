package roofnest.app.mount;

import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

import roofnest.core.mount.HangScript.Event;
import roofnest.core.mount.HangScript.Shape;
import roofnest.core.mount.HangScript.Step;
import roofnest.standins.hanging.HangBench.Hidden;

/** Runs of hanging, each the fold of its events, which are only ever added. */
@Repository
class HangRunRepository {
    private final JdbcClient jdbc;
    private final Clock clock;

    HangRunRepository(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /** @param hidden what is hidden in a stand-in; empty in a real run */
    record Run(long id, long cameraId, Shape shape, Optional<Hidden> hidden, OffsetDateTime startedAt, String startedBy,
            Optional<OffsetDateTime> endedAt) {
        boolean onStandIns() {
            return hidden.isPresent();
        }
    }

    /** @param against whether it was answered against what the stand-in showed, and so not taken */
    record Row(int n, Optional<Step> step, String answer, boolean against, String note, OffsetDateTime at, String by) {}

    /** The run that goes on, or the one that ended last; of real ones or of rehearsals. */
    Optional<Run> newest(long householdId, long cameraId, boolean standIns) {
        return jdbc.sql("""
            select * from hang_run
            where household_id = :household and camera_id = :camera and on_stand_ins = :standIns
            order by ended_at is null desc, id desc
            limit 1
            """).param("household", householdId).param("camera", cameraId).param("standIns", standIns)
                .query((row, n) -> new Run(row.getLong("id"), row.getLong("camera_id"), shape(row.getString("shape")),
                        Optional.ofNullable(row.getString("fault")).map(Hidden::valueOf), row.getObject("started_at", OffsetDateTime.class),
                        row.getString("started_by"), Optional.ofNullable(row.getObject("ended_at", OffsetDateTime.class))))
                .optional();
    }

    long begin(long householdId, long cameraId, Shape shape, Optional<Hidden> hidden, String by) {
        return jdbc.sql("""
            insert into hang_run (household_id, camera_id, shape, on_stand_ins, fault, started_at, started_by)
            values (:household, :camera, :shape, :standIns, :fault, :now, :by)
            returning id
            """).param("household", householdId).param("camera", cameraId).param("shape", letters(shape))
                .param("standIns", hidden.isPresent()).param("fault", hidden.map(Enum::name).orElse(null))
                .param("now", OffsetDateTime.now(clock)).param("by", by).query(Long.class).single();
    }

    List<Row> rows(long runId) {
        return jdbc.sql("select * from hang_event where run_id = :run order by n").param("run", runId)
                .query((row, n) -> new Row(row.getInt("n"), Optional.ofNullable(row.getString("step")).map(Step::valueOf),
                        row.getString("answer"), row.getString("kind").equals("AGAINST"), row.getString("note"),
                        row.getObject("at", OffsetDateTime.class), row.getString("by_name")))
                .list();
    }

    /** Those that count for where a run stands. */
    static List<Event> events(List<Row> rows) {
        List<Event> events = new ArrayList<>();
        rows.stream().filter(row -> !row.against()).forEach(row -> events.add(row.step()
                .<Event>map(step -> new Event.Answered(step, row.answer())).orElseGet(Event.Undone::new)));
        return events;
    }

    void answered(long runId, int n, Step step, String answer, boolean against, String note, String by) {
        add(runId, n, against ? "AGAINST" : "ANSWERED", step.name(), answer, note, by);
    }

    void undone(long runId, int n, String by) {
        add(runId, n, "UNDONE", null, null, "", by);
    }

    private void add(long runId, int n, String kind, String step, String answer, String note, String by) {
        jdbc.sql("""
            insert into hang_event (run_id, n, kind, step, answer, note, at, by_name)
            values (:run, :n, :kind, :step, :answer, :note, :now, :by)
            """).param("run", runId).param("n", n).param("kind", kind).param("step", step).param("answer", answer).param("note", note)
                .param("now", OffsetDateTime.now(clock)).param("by", by).update();
    }

    void end(long runId) {
        jdbc.sql("update hang_run set ended_at = :now where id = :run and ended_at is null").param("now", OffsetDateTime.now(clock))
                .param("run", runId).update();
    }

    private static String letters(Shape shape) {
        return Stream.of(shape.climbs(), shape.drills(), shape.plugs(), shape.lead(), shape.joinsThere()).map(is -> is ? "1" : "0")
                .collect(Collectors.joining());
    }

    private static Shape shape(String letters) {
        return new Shape(letters.charAt(0) == '1', letters.charAt(1) == '1', letters.charAt(2) == '1', letters.charAt(3) == '1',
                letters.charAt(4) == '1');
    }
}
