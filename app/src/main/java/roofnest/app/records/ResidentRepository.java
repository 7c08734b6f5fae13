package roofnest.app.records;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Types;
import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

import roofnest.app.web.Conflict;
import roofnest.app.web.StaleEdit;
import roofnest.core.access.Access;

/** The people around a house. */
@Repository
public class ResidentRepository implements Archive {
    private final JdbcClient jdbc;
    private final ArchivedRows archived;

    ResidentRepository(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.archived = new ArchivedRows(jdbc, clock, TakenOut.Kind.PERSON, "resident", "name");
    }

    public record Resident(long id, String name, String email, Access.Tie tie, LocalDate leftOn, int version) {}

    public List<Resident> of(long householdId) {
        return jdbc.sql("""
            select id, name, email, tie, left_on, version
            from resident
            where household_id = :householdId and removed_at is null
            order by array_position(array['LIVES_HERE', 'FAMILY', 'RENTS_HERE', 'COMES_HERE', 'LEFT', 'FIRM'], tie), id
            """)
                .param("householdId", householdId)
                .query(ResidentRepository::resident).list();
    }

    public Optional<Resident> find(long householdId, long id) {
        return of(householdId).stream().filter(resident -> resident.id() == id).findFirst();
    }

    public long add(long householdId, String name, String email, Access.Tie tie, LocalDate leftOn) {
        return jdbc.sql("""
            insert into resident (household_id, name, email, tie, left_on)
            values (:householdId, :name, :email, :tie, :leftOn)
            returning id
            """)
                .param("householdId", householdId)
                .param("name", name)
                .param("email", email)
                .param("tie", tie.name())
                .param("leftOn", leftOn, Types.DATE)
                .query(Long.class).single();
    }

    /** Saves what is known of somebody, if nobody saved it since {@code version}. */
    public void change(long householdId, long id, String name, String email, Access.Tie tie, LocalDate leftOn, int version) {
        int rows = jdbc.sql("""
            update resident
            set name = :name, email = :email, tie = :tie, left_on = :leftOn, version = version + 1
            where household_id = :householdId and id = :id and version = :version and removed_at is null
            """)
                .param("name", name)
                .param("email", email)
                .param("tie", tie.name())
                .param("leftOn", leftOn, Types.DATE)
                .param("householdId", householdId)
                .param("id", id)
                .param("version", version)
                .update();
        if (rows != 1) {
            Resident now = find(householdId, id).orElseThrow(() -> new Conflict("Somebody else took this person out meanwhile."));
            throw new StaleEdit(now.name(), version, now.version());
        }
    }

    /** Takes somebody out; whoever does also takes their access. Returns whether there was somebody. */
    public boolean remove(long householdId, long id, String by) {
        return archived.takeOut(householdId, id, by);
    }

    @Override
    public ArchivedRows archived() {
        return archived;
    }

    private static Resident resident(ResultSet row, int n) throws SQLException {
        return new Resident(row.getLong("id"), row.getString("name"), row.getString("email"), Access.Tie.valueOf(row.getString("tie")),
                row.getObject("left_on", LocalDate.class), row.getInt("version"));
    }
}
