package roofnest.app.care;

import java.security.SecureRandom;
import java.sql.Array;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

import roofnest.app.firm.Staff;
import roofnest.app.web.BadInput;
import roofnest.app.web.Conflict;
import roofnest.app.web.NoSuchPage;
import roofnest.core.fault.FaultFinder;
import roofnest.core.fault.PractisedCall;

/** Calls that people of the firm practise on. Nothing of them is counted among the firm's real ones. */
@Repository
class PractisedCalls {
    private static final int SHOWN = 8;

    private final JdbcClient jdbc;
    private final FaultFinder finder;
    private final Clock clock;
    private final Random seeds;

    PractisedCalls(JdbcClient jdbc, FaultFinder finder, Clock clock, SecureRandom seeds) {
        this.jdbc = jdbc;
        this.finder = finder;
        this.clock = clock;
        this.seeds = seeds;
    }

    /** @param minutes that it took, and {@code finders} those of the finder; null while it goes on */
    record Row(long id, long seed, List<PractisedCall.Move> moves, OffsetDateTime at, Double minutes, Double finders) {
        PractisedCall call() {
            return PractisedCall.drawn(seed);
        }
    }

    /** Those of one person, the latest first. */
    List<Row> of(Staff staff) {
        return jdbc.sql("select * from practised_call where person_id = :person order by id desc limit :most").param("person", staff.id())
                .param("most", SHOWN).query(PractisedCalls::row).list();
    }

    Row get(Staff staff, long id) {
        return jdbc.sql("select * from practised_call where person_id = :person and id = :id").param("person", staff.id()).param("id", id)
                .query(PractisedCalls::row).optional().orElseThrow(NoSuchPage::new);
    }

    private static Row row(ResultSet row, int n) throws SQLException {
        Array moves = row.getArray("moves");
        return new Row(row.getLong("id"), row.getLong("seed"), Arrays.stream((String[]) moves.getArray()).map(PractisedCall.Move::read)
                .toList(), row.getObject("begun_at", OffsetDateTime.class), row.getObject("minutes", Double.class),
                row.getObject(
                        "finder_minutes", Double.class));
    }

    long begin(Staff staff) {
        return jdbc.sql("""
            insert into practised_call (firm_id, person_id, seed, begun_at) values (:firm, :person, :seed, :now) returning id
            """).param("firm", staff.firmId()).param("person", staff.id()).param("seed", seeds.nextLong())
                .param("now", OffsetDateTime.now(clock)).query(Long.class).single();
    }

    /** @param done how many moves its page showed. @throws Conflict when another page has gone on meanwhile */
    @Transactional
    void move(Staff staff, long id, PractisedCall.Move move, int done) {
        jdbc.sql("select id from practised_call where person_id = :person and id = :id for update").param("person", staff.id()).param("id",
                id).query(Long.class).optional().orElseThrow(NoSuchPage::new);
        Row row = get(staff, id);
        if (row.moves().size() != done || row.minutes() != null) {
            throw new Conflict("This call has gone on in another window. It is shown as it stands.");
        }
        List<PractisedCall.Move> moves = new ArrayList<>(row.moves());
        moves.add(move);
        PractisedCall call = row.call();
        PractisedCall.State state;
        try {
            state = call.after(moves, finder);
        } catch (IllegalArgumentException e) {
            throw new BadInput("That cannot be done here, or was done already.");
        }
        jdbc.sql("""
            update practised_call set moves = :moves, ended_at = case when :over then :now end, minutes = case when :over then :minutes end,
              finder_minutes = case when :over then :finders end
            where id = :id
            """).param("moves", moves.stream().map(PractisedCall.Move::text).toArray(String[]::new)).param("over", state.over())
                .param("now", OffsetDateTime.now(clock)).param("minutes", state.minutes())
                .param("finders", state.over() ? call.findersMinutes() : 0).param("id", id).update();
    }

    PractisedCall.State state(Row row) {
        return row.call().after(row.moves(), finder);
    }
}
