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

import roofnest.core.catalogue.PairingMethod;
import roofnest.core.catalogue.PhoneKind;
import roofnest.standins.Fault;
import roofnest.standins.Place;

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
    record Rehearsal(long id, String person, int exercise, String job, Set<Fault> hidden, int speed, OffsetDateTime startedAt,
            OffsetDateTime overAt, Double minutes, Double shortest, Integer wrong) {
        boolean over() {
            return overAt != null;
        }
    }

    long start(long firmId, String person, int exercise, Set<Fault> hidden, int speed) {
        return jdbc.sql("""
            insert into rehearsal (firm_id, person, exercise, faults, speed, started_at)
            values (:firm, :person, :exercise, :faults, :speed, :now)
            returning id
            """)
                .param("firm", firmId)
                .param("person", person)
                .param("exercise", exercise)
                .param("faults", hidden.stream().map(Fault::name).toArray(String[]::new))
                .param("speed", speed)
                .param("now", OffsetDateTime.now(clock))
                .query(Long.class).single();
    }

    /** A part of a job, as the house was when its rehearsal began. @param address recipe for a fixed address; null when none is needed */
    record JobPart(String modelKey, boolean hub, PairingMethod.Way way, Place place, String address) {}

    long startJob(long firmId, String person, String job, List<JobPart> parts, Set<Fault> hidden, int speed) {
        long id = jdbc.sql("""
            insert into rehearsal (firm_id, person, job, faults, speed, started_at)
            values (:firm, :person, :job, :faults, :speed, :now)
            returning id
            """)
                .param("firm", firmId)
                .param("person", person)
                .param("job", job)
                .param("faults", hidden.stream().map(Fault::name).toArray(String[]::new))
                .param("speed", speed)
                .param("now", OffsetDateTime.now(clock))
                .query(Long.class).single();
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

    List<Rehearsal> of(long firmId) {
        return jdbc.sql("select * from rehearsal where firm_id = :firm order by id desc limit 500").param("firm", firmId)
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

    private static Rehearsal rehearsal(ResultSet row, int n) throws SQLException {
        Set<Fault> hidden = Arrays.stream((String[]) row.getArray("faults").getArray()).map(Fault::valueOf).collect(Collectors.toSet());
        return new Rehearsal(row.getLong("id"), row.getString("person"), row.getInt("exercise"), row.getString("job"), hidden,
                row.getInt("speed"), row.getObject("started_at", OffsetDateTime.class),
                row.getObject("over_at", OffsetDateTime.class), row.getObject("minutes", Double.class),
                row.getObject("shortest", Double.class), row.getObject("wrong", Integer.class));
    }
}
