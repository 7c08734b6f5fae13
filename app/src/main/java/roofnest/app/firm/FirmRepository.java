package roofnest.app.firm;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Firms and their people. */
@Repository
public class FirmRepository {
    private final JdbcClient jdbc;
    private final Clock clock;

    FirmRepository(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    public boolean isEmpty() {
        return jdbc.sql("select not exists (select 1 from firm)").query(Boolean.class).single();
    }

    /** Locks out a second first firm made in the same moment. */
    void lockFirstFirm() {
        jdbc.sql("lock table firm in exclusive mode").update();
    }

    public long addFirm(String name) {
        return jdbc.sql("""
            insert into firm (name, created_at)
            values (:name, :now)
            returning id
            """)
                .param("name", name)
                .param("now", OffsetDateTime.now(clock))
                .query(Long.class).single();
    }

    /** @return whether the address was free */
    public boolean addPerson(long firmId, String email, String name, Role role, String passwordHash) {
        return jdbc.sql("""
            insert into person (firm_id, email, name, role, password_hash, created_at)
            values (:firmId, :email, :name, :role, :hash, :now)
                on conflict (email) do nothing
            """)
                .param("firmId", firmId)
                .param("email", normal(email))
                .param("name", name)
                .param("role", role.name())
                .param("hash", passwordHash)
                .param("now", OffsetDateTime.now(clock))
                .update() == 1;
    }

    public Optional<Staff> findByEmail(String email) {
        return jdbc.sql("""
            select p.id, p.firm_id, f.name as firm_name, p.email, p.name, p.role, p.password_hash
            from person p join firm f on f.id = p.firm_id
            where p.email = :email
            """)
                .param("email", normal(email))
                .query(FirmRepository::staff).optional();
    }

    public String name(long firmId) {
        return jdbc.sql("select name from firm where id = :id").param("id", firmId).query(String.class).single();
    }

    List<Staff> peopleOf(long firmId) {
        return jdbc.sql("""
            select p.id, p.firm_id, f.name as firm_name, p.email, p.name, p.role, p.password_hash
            from person p join firm f on f.id = p.firm_id
            where p.firm_id = :firmId
            order by p.name
            """)
                .param("firmId", firmId)
                .query(FirmRepository::staff).list();
    }

    static String normal(String email) {
        return email.strip().toLowerCase(Locale.ROOT);
    }

    private static Staff staff(ResultSet row, int n) throws SQLException {
        return new Staff(row.getLong("id"), row.getLong("firm_id"), row.getString("firm_name"), row.getString("email"),
                row.getString("name"), Role.valueOf(row.getString("role")), row.getString("password_hash"));
    }
}
