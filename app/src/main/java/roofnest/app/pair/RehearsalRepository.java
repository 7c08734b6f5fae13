package roofnest.app.pair;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Types;
import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

import roofnest.app.firm.Staff;
import roofnest.core.catalogue.PairingMethod;
import roofnest.core.catalogue.PhoneKind;
import roofnest.standins.Fault;
import roofnest.standins.Place;
import roofnest.standins.rehearsal.Progress;

/** Set exercises that people of a firm took, and how they came out. */
@Repository
class RehearsalRepository {
    private final JdbcClient jdbc;
    private final Clock clock;

    RehearsalRepository(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /**
     * @param exercise 0 when a job is rehearsed
     * @param job its name; null for a set exercise
     * @param hidden faults beside those of the story
     * @param minutes of its virtual clock; null until it is over
     */
    record Rehearsal(long id, long personId, String person, int exercise, String job, Set<Fault> hidden, int speed,
            OffsetDateTime startedAt, OffsetDateTime overAt, Double minutes, Double shortest, Integer wrong) {
        boolean over() {
            return overAt != null;
        }
    }

    long start(Staff staff, int exercise, Set<Fault> hidden, int speed) {
        return insert(staff, exercise, null, hidden, speed);
    }

    private long insert(Staff staff, Integer exercise, String job, Set<Fault> hidden, int speed) {
        return jdbc.sql("""
            insert into rehearsal (firm_id, person_id, person, exercise, job, faults, speed, started_at)
            values (:firm, :personId, :person, :exercise, :job, :faults, :speed, :now)
            returning id
            """)
                .param("firm", staff.firmId())
                .param("personId", staff.id())
                .param("person", staff.name())
                .param("exercise", exercise, Types.INTEGER)
                .param("job", job, Types.VARCHAR)
                .param("faults", hidden.stream().map(Fault::name).toArray(String[]::new))
                .param("speed", speed)
                .param("now", OffsetDateTime.now(clock))
                .query(Long.class).single();
    }

    /** A part of a job, as the house was when its rehearsal began. @param address recipe for a fixed address; null when none is needed */
    record JobPart(String modelKey, boolean hub, PairingMethod.Way way, Place place, String address) {}

    long startJob(Staff staff, long householdId, String job, List<JobPart> parts, Set<Fault> hidden, int speed) {
        long id = insert(staff, null, job, hidden, speed);
        jdbc.sql("update rehearsal set of_household = :household where id = :id").param("household", householdId).param("id", id).update();
        for (int i = 0; i < parts.size(); i++) {
            JobPart part = parts.get(i);
            jdbc.sql(
                    """
                        insert into rehearsal_part (rehearsal_id, part, model_key, hub, way, network_name, suits, isolated, push_button,
                                                address, phone)
                        values (:id, :part, :model, :hub, :way, :network, :suits, :isolated, :pushButton, :address, :phone)
                        """)
                    .param("id", id)
                    .param("part", i)
                    .param("model", part.modelKey())
                    .param("hub", part.hub())
                    .param("way", part.way().name())
                    .param("network", part.place().networkName())
                    .param("suits", part.place().suits())
                    .param("isolated", part.place().isolated())
                    .param("pushButton", part.place().pushButton())
                    .param("address", part.address(), Types.VARCHAR)
                    .param("phone", part.place().phone().name())
                    .update();
        }
        return id;
    }

    List<JobPart> jobParts(long rehearsalId) {
        return jdbc.sql("select * from rehearsal_part where rehearsal_id = :id order by part").param("id", rehearsalId)
                .query((row, n) -> new JobPart(row.getString("model_key"), row.getBoolean("hub"),
                        PairingMethod.Way.valueOf(row.getString("way")),
                        new Place(row.getString("network_name"), row.getBoolean("suits"), row.getBoolean("isolated"),
                                row.getBoolean("push_button"), false, row.getString("address") != null,
                                PhoneKind.valueOf(row.getString("phone"))),
                        row.getString("address")))
                .list();
    }

    Optional<Rehearsal> find(long firmId, long id) {
        return jdbc.sql("select * from rehearsal where firm_id = :firm and id = :id").param("firm", firmId).param("id", id)
                .query(RehearsalRepository::rehearsal).optional();
    }

    /** Keeps every other change of it waiting until the transaction ends. */
    void lock(long id) {
        jdbc.sql("select id from rehearsal where id = :id for update").param("id", id).query(Long.class).single();
    }

    /** A set exercise that somebody finished. @param person what they are called today */
    record Result(long personId, String person, Progress.Done done) {}

    /** All exercises that people of the firm ever finished, the newest first. A rehearsed job is none. */
    List<Result> results(long firmId) {
        return jdbc.sql("""
            select coalesce(r.person_id, 0) as person_id, coalesce(p.name, r.person) as person, r.exercise, r.faults, r.minutes,
                   r.shortest, r.wrong
            from rehearsal r left join person p on p.id = r.person_id
            where r.firm_id = :firm and r.over_at is not null and r.exercise is not null
            order by r.id desc
            """)
                .param("firm", firmId)
                .query((row, n) -> new Result(row.getLong("person_id"), row.getString("person"),
                        new Progress.Done(row.getInt("exercise"), faults(row), row.getDouble("minutes"), row.getDouble("shortest"),
                                row.getInt("wrong"))))
                .list();
    }

    /** What somebody has begun and not finished, the newest first. */
    List<Rehearsal> openOf(long personId, int most) {
        return jdbc.sql("select * from rehearsal where person_id = :person and over_at is null order by id desc limit :most")
                .param("person", personId)
                .param("most", most)
                .query(RehearsalRepository::rehearsal).list();
    }

    void over(long id, double minutes, double shortest, int wrong) {
        jdbc.sql(
                "update rehearsal set over_at = :now, minutes = :minutes, shortest = :shortest, wrong = :wrong where id = :id "
                        + "and over_at is null")
                .param("now", OffsetDateTime.now(clock))
                .param("minutes", minutes)
                .param("shortest", shortest)
                .param("wrong", wrong)
                .param("id", id)
                .update();
    }

    private static Set<Fault> faults(ResultSet row) throws SQLException {
        return Arrays.stream((String[]) row.getArray("faults").getArray()).map(Fault::valueOf).collect(Collectors.toSet());
    }

    private static Rehearsal rehearsal(ResultSet row, int n) throws SQLException {
        return new Rehearsal(row.getLong("id"), row.getLong("person_id"), row.getString("person"), row.getInt("exercise"),
                row.getString("job"), faults(row), row.getInt("speed"), row.getObject("started_at", OffsetDateTime.class),
                row.getObject("over_at", OffsetDateTime.class), row.getObject("minutes", Double.class),
                row.getObject("shortest", Double.class), row.getObject("wrong", Integer.class));
    }
}
