package roofnest.app.pair;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Types;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

import roofnest.app.records.Rehearsed;
import roofnest.core.catalogue.HandsOn;
import roofnest.core.catalogue.PairingMethod;
import roofnest.core.catalogue.PhoneKind;
import roofnest.core.pairing.RunEvent;
import roofnest.standins.BenchAct;
import roofnest.standins.Fault;

/** Runs, their events and the acts on their benches. Events and acts are only ever added. */
@Repository
class RunRepository implements Rehearsed {
    private final JdbcClient jdbc;
    private final Clock clock;

    RunRepository(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    record Run(
            long id, long cameraId, long hubId, PairingMethod.Way way, PhoneKind phone, String networkName, boolean bench,
            OffsetDateTime startedAt, String startedBy,
            OffsetDateTime finishedAt, boolean givenUp, int part, boolean atPlace) {
        boolean finished() {
            return finishedAt != null;
        }
    }

    /** Acts with the moments at which they were stored, for reading the bench's clock. */
    record Acts(List<BenchAct> acts, List<OffsetDateTime> storedAt) {
        static final Acts NONE = new Acts(List.of(), List.of());

        long clockMs(OffsetDateTime now) {
            return clockMs(now, 1);
        }

        /** @param speed virtual seconds to a real one */
        long clockMs(OffsetDateTime now, int speed) {
            long clock = 0;
            for (int i = 0; i < acts.size() && !storedAt.get(i).isAfter(now); i++) {
                clock = acts.get(i).atMs() + speed * Duration.between(storedAt.get(i), now).toMillis();
            }
            return clock;
        }
    }

    /** Part of a set exercise. */
    long startPart(long rehearsalId, int part, PairingMethod.Way way, PhoneKind phone, String networkName, String by) {
        return jdbc.sql("""
            insert into run (rehearsal_id, part, way, phone, network_name, bench, started_at, started_by)
            values (:rehearsal, :part, :way, :phone, :networkName, true, :now, :by)
            returning id
            """)
                .param("rehearsal", rehearsalId)
                .param("part", part)
                .param("way", way.name())
                .param("phone", phone.name())
                .param("networkName", networkName)
                .param("now", OffsetDateTime.now(clock))
                .param("by", by)
                .query(Long.class).single();
    }

    List<Run> ofRehearsal(long rehearsalId) {
        return jdbc.sql("select * from run where rehearsal_id = :id order by id").param("id", rehearsalId).query(RunRepository::run).list();
    }

    long start(long householdId, long cameraId, PairingMethod.Way way, PhoneKind phone, boolean atPlace, String networkName, boolean bench,
            String by) {
        return jdbc.sql("""
            insert into run (household_id, camera_id, way, phone, at_place, network_name, bench, started_at, started_by)
            values (:householdId, :cameraId, :way, :phone, :atPlace, :networkName, :bench, :now, :by)
            returning id
            """)
                .param("phone", phone.name())
                .param("atPlace", atPlace)
                .param("householdId", householdId)
                .param("cameraId", cameraId)
                .param("way", way.name())
                .param("networkName", networkName)
                .param("bench", bench)
                .param("now", OffsetDateTime.now(clock))
                .param("by", by)
                .query(Long.class).single();
    }

    long startHub(long householdId, long hubId, PairingMethod.Way way, PhoneKind phone, String networkName, boolean bench, String by) {
        return jdbc.sql("""
            insert into run (household_id, hub_id, way, phone, network_name, bench, started_at, started_by)
            values (:householdId, :hubId, :way, :phone, :networkName, :bench, :now, :by)
            returning id
            """)
                .param("householdId", householdId)
                .param("hubId", hubId)
                .param("way", way.name())
                .param("phone", phone.name())
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

    @Override
    public int clearRehearsed(long householdId) {
        for (String steps : List.of("run_event", "bench_act")) {
            jdbc.sql("delete from " + steps + " where run_id in (select id from run where household_id = :householdId and bench)")
                    .param("householdId", householdId).update();
        }
        return jdbc.sql("delete from run where household_id = :householdId and bench").param("householdId", householdId).update();
    }

    /** The way is given up for another. */
    void giveUp(long runId) {
        jdbc.sql("update run set finished_at = :now, given_up_at = :now where id = :id and finished_at is null")
                .param("now", OffsetDateTime.now(clock))
                .param("id", runId)
                .update();
    }

    Optional<Run> openRunOfHub(long householdId, long hubId) {
        return jdbc.sql("select * from run where household_id = :householdId and hub_id = :hubId and finished_at is null")
                .param("householdId", householdId)
                .param("hubId", hubId)
                .query(RunRepository::run).optional();
    }

    /** Those that are not over, the newest first. */
    List<Run> openOf(long householdId) {
        return jdbc.sql("select * from run where household_id = :householdId and finished_at is null order by id desc")
                .param("householdId", householdId)
                .query(RunRepository::run).list();
    }

    /** How many steps of a run are stored; empty when the firm has no such run in such a household. */
    Optional<Integer> steps(long firmId, long householdId, long runId) {
        return jdbc.sql("""
            select (select count(*) from run_event e where e.run_id = r.id)
            from run r join household h on h.id = r.household_id
            where r.id = :run and h.id = :household and h.firm_id = :firm
            """)
                .param("run", runId)
                .param("household", householdId)
                .param("firm", firmId)
                .query(Integer.class).optional();
    }

    /** How many steps of the part that a rehearsal stands at are stored; empty when the firm has no such rehearsal. */
    Optional<Integer> stepsOfRehearsal(long firmId, long rehearsalId) {
        return jdbc.sql("""
            select (select count(*) from run_event e where e.run_id = (select max(id) from run where rehearsal_id = r.id))
            from rehearsal r
            where r.id = :rehearsal and r.firm_id = :firm
            """)
                .param("rehearsal", rehearsalId)
                .param("firm", firmId)
                .query(Integer.class).optional();
    }

    /** Events of several runs at once. */
    Map<Long, List<RunEvent>> events(List<Long> runIds) {
        Map<Long, List<RunEvent>> events = new HashMap<>();
        if (!runIds.isEmpty()) {
            jdbc.sql("""
                select run_id, kind, step_id, answer_id, note, at, by_name
                from run_event
                where run_id = any (:runs)
                order by run_id, seq
                """)
                    .param("runs", runIds.toArray(Long[]::new))
                    .query(row -> {
                        events.computeIfAbsent(row.getLong("run_id"), run -> new ArrayList<>()).add(event(row, 0));
                    });
        }
        return events;
    }

    /** Acts of several runs at once. */
    Map<Long, Acts> acts(List<Long> runIds) {
        Map<Long, Acts> acts = new HashMap<>();
        if (!runIds.isEmpty()) {
            jdbc.sql("""
                select run_id, kind, what, at_ms, stored_at
                from bench_act
                where run_id = any (:runs)
                order by run_id, seq
                """)
                    .param("runs", runIds.toArray(Long[]::new))
                    .query(row -> {
                        Acts of = acts.computeIfAbsent(row.getLong("run_id"), run -> new Acts(new ArrayList<>(), new ArrayList<>()));
                        of.acts().add(act(row));
                        of.storedAt().add(row.getObject("stored_at", OffsetDateTime.class));
                    });
        }
        return acts;
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
        return acts(List.of(runId)).getOrDefault(runId, Acts.NONE);
    }

    void add(long runId, BenchAct act) {
        String kind = act instanceof BenchAct.Hands ? "HANDS" : act instanceof BenchAct.Set ? "FAULT" : "WAITED";
        String what = act instanceof BenchAct.Hands hands ? hands.act().name() + " " + hands.way().name()
                : act instanceof BenchAct.Set set ? set.fault().name() : null;
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
            case "HANDS" -> hands(atMs, row.getString("what"));
            case "FAULT" -> new BenchAct.Set(atMs, Fault.valueOf(row.getString("what")));
            default -> new BenchAct.Waited(atMs);
        };
    }

    /** What hands did and in which way; written without a way while there was but one. */
    private static BenchAct hands(long atMs, String what) {
        String[] words = what.split(" ");
        return new BenchAct.Hands(atMs, HandsOn.valueOf(words[0]),
                words.length > 1 ? PairingMethod.Way.valueOf(words[1]) : PairingMethod.Way.HOTSPOT);
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
        return new Run(row.getLong("id"), row.getLong("camera_id"), row.getLong("hub_id"), PairingMethod.Way.valueOf(row.getString("way")),
                PhoneKind.valueOf(row.getString("phone")), row.getString("network_name"), row.getBoolean("bench"),
                row.getObject("started_at", OffsetDateTime.class),
                row.getString("started_by"), row.getObject("finished_at", OffsetDateTime.class), row.getObject("given_up_at") != null,
                row.getInt("part"), row.getBoolean("at_place"));
    }
}
