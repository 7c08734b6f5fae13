package roofnest.app.records;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Types;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

import roofnest.core.access.Access;

/** The people around a house. */
@Repository
public class ResidentRepository {
    private final JdbcClient jdbc;

    ResidentRepository(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    public record Resident(long id, String name, String email, Access.Tie tie, LocalDate leftOn) {}

    public List<Resident> of(long householdId) {
        return jdbc.sql("""
            select id, name, email, tie, left_on
            from resident
            where household_id = :householdId
            order by array_position(array['LIVES_HERE', 'FAMILY', 'LEFT', 'FIRM'], tie), id
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

    private static Resident resident(ResultSet row, int n) throws SQLException {
        return new Resident(row.getLong("id"), row.getString("name"), row.getString("email"), Access.Tie.valueOf(row.getString("tie")),
                row.getObject("left_on", LocalDate.class));
    }
}
