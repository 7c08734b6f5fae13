package roofnest.app.pair;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Types;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

import roofnest.core.catalogue.HandsOn;
import roofnest.core.catalogue.PairingMethod;
import roofnest.core.pairing.RunEvent;
import roofnest.standins.BenchAct;
import roofnest.standins.Fault;

/** Runs, their events and the acts on their benches. Events and acts are only ever added. */
@Repository
class RunRepository {
    private final JdbcClient jdbc;
    private final Clock clock;

    RunRepository(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    record Run(
            long id, long cameraId, PairingMethod.Way way, String networkName, boolean bench, OffsetDateTime startedAt, String startedBy,
            OffsetDateTime finishedAt) {
        boolean finished() {
            return finishedAt != null;
        }
    }

    /** Acts with the moment at which the newest was stored, for reading the bench's clock. */
    record Acts(List<BenchAct> acts, Optional<OffsetDateTime> newestStoredAt) {
        long clockMs(OffsetDateTime now) {
            if (acts.isEmpty()) {
                return 0;
            }
            long since = newestStoredAt.map(stored -> Duration.between(stored, now).toMillis()).orElse(0L);
            return acts.get(acts.size() - 1).atMs() + Math.max(0, since);
        }
    }

    long start(long householdId, long cameraId, PairingMethod.Way way, String networkName, boolean bench, String by) {
        return jdbc.sql("""
                insert into run (household_id, camera_id, way, network_name, bench, started_at, started_by)
                values (:householdId, :cameraId, :way, :networkName, :bench, :now, :by)
                returning id
                """)
                .param("householdId", householdId)
                .param("cameraId", cameraId)
                .param("way", way.name())
                .param("networkName", networkName)
                .param("bench", bench)
                .param("now", OffsetDateTime.now(clock))
                .param("by", by)
                .query(Long.class).single();
    }

    Optional<Run> find(long householdId, long runId) {
        return jdbc.sql("select * from run where household_id = :householdId and id = :id")
                .param("householdId", householdId)
                .param("id", runId)
                .query(RunRepository::run).optional();
    }

    Optional<Run> openRunOf(long householdId, long cameraId) {
        return jdbc.sql("select * from run where household_id = :householdId and camera_id = :cameraId and finished_at is null")
                .param("householdId", householdId)
                .param("cameraId", cameraId)
                .query(RunRepository::run).optional();
    }

    List<Run> of(long householdId) {
        return jdbc.sql("select * from run where household_id = :householdId order by id desc")
                .param("householdId", householdId)
                .query(RunRepository::run).list();
    }

    void finish(long runId) {
        jdbc.sql("update run set finished_at = :now where id = :id and finished_at is null")
                .param("now", OffsetDateTime.now(clock))
                .param("id", runId)
                .update();
    }

    List<RunEvent> events(long runId) {
        return jdbc.sql("select kind, step_id, answer_id, note, at, by_name from run_event where run_id = :runId order by seq")
                .param("runId", runId)
                .query(RunRepository::event).list();
    }

    void add(long runId, RunEvent event) {
        String kind;
        String step = null;
        String answer = null;
        String note = null;
        if (event instanceof RunEvent.Answered answered) {
            kind = "ANSWERED";
            step = answered.stepId();
            answer = answered.answerId();
        } else if (event instanceof RunEvent.Filled filled) {
            kind = "FILLED";
            step = filled.stepId();
            note = filled.note();
        } else if (event instanceof RunEvent.LookedAgain looked) {
            kind = "LOOKED_AGAIN";
            step = looked.stepId();
        } else if (event instanceof RunEvent.Waited waited) {
            kind = "WAITED";
            step = waited.stepId();
        } else {
            kind = "UNDONE";
        }
        jdbc.sql("""
                insert into run_event (run_id, seq, kind, step_id, answer_id, note, at, by_name)
                select :runId, coalesce(max(seq), 0) + 1, :kind, :step, :answer, :note, :at, :by
                from run_event where run_id = :runId
                """)
                .param("runId", runId)
                .param("kind", kind)
                .param("step", step, Types.VARCHAR)
                .param("answer", answer, Types.VARCHAR)
                .param("note", note, Types.VARCHAR)
                .param("at", OffsetDateTime.ofInstant(event.at(), ZoneOffset.UTC))
                .param("by", event.by())
                .update();
    }

    Acts acts(long runId) {
        record Stored(BenchAct act, OffsetDateTime at) {}
        List<Stored> stored = jdbc.sql("select kind, what, at_ms, stored_at from bench_act where run_id = :runId order by seq")
                .param("runId", runId)
                .query((row, n) -> new Stored(act(row), row.getObject("stored_at", OffsetDateTime.class))).list();
        return new Acts(stored.stream().map(Stored::act).toList(),
                stored.isEmpty() ? Optional.empty() : Optional.of(stored.get(stored.size() - 1).at()));
    }

    void add(long runId, BenchAct act) {
        String kind = act instanceof BenchAct.Hands ? "HANDS" : act instanceof BenchAct.Set ? "FAULT" : "WAITED";
        String what = act instanceof BenchAct.Hands hands ? hands.act().name() : act instanceof BenchAct.Set set ? set.fault().name() : null;
        jdbc.sql("""
                insert into bench_act (run_id, seq, kind, what, at_ms, stored_at)
                select :runId, coalesce(max(seq), 0) + 1, :kind, :what, :atMs, :now
                from bench_act where run_id = :runId
                """)
                .param("runId", runId)
                .param("kind", kind)
                .param("what", what, Types.VARCHAR)
                .param("atMs", act.atMs())
                .param("now", OffsetDateTime.now(clock))
                .update();
    }

    private static BenchAct act(ResultSet row) throws SQLException {
        long atMs = row.getLong("at_ms");
        return switch (row.getString("kind")) {
            case "HANDS" -> new BenchAct.Hands(atMs, HandsOn.valueOf(row.getString("what")));
            case "FAULT" -> new BenchAct.Set(atMs, Fault.valueOf(row.getString("what")));
            default -> new BenchAct.Waited(atMs);
        };
    }

    private static RunEvent event(ResultSet row, int n) throws SQLException {
        Instant at = row.getObject("at", OffsetDateTime.class).toInstant();
        String by = row.getString("by_name");
        String step = row.getString("step_id");
        return switch (row.getString("kind")) {
            case "ANSWERED" -> new RunEvent.Answered(at, by, step, row.getString("answer_id"));
            case "FILLED" -> new RunEvent.Filled(at, by, step, row.getString("note"));
            case "LOOKED_AGAIN" -> new RunEvent.LookedAgain(at, by, step);
            case "WAITED" -> new RunEvent.Waited(at, by, step);
            default -> new RunEvent.Undone(at, by);
        };
    }

    private static Run run(ResultSet row, int n) throws SQLException {
        return new Run(row.getLong("id"), row.getLong("camera_id"), PairingMethod.Way.valueOf(row.getString("way")),
                row.getString("network_name"), row.getBoolean("bench"), row.getObject("started_at", OffsetDateTime.class),
                row.getString("started_by"), row.getObject("finished_at", OffsetDateTime.class));
    }
}
