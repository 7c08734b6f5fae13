package roofnest.app.firm;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Clock;
import java.sql.Types;
import java.time.OffsetDateTime;
import java.util.Base64;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

import roofnest.app.web.StaleEdit;

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
            select p.id, p.firm_id, f.name as firm_name, p.email, p.name, p.role, p.password_hash, p.blocked_at is not null as blocked
            from person p join firm f on f.id = p.firm_id
            where p.email = :email
            """)
                .param("email", normal(email))
                .query(FirmRepository::staff).optional();
    }

    Optional<Staff> person(long firmId, long personId) {
        return person(personId).filter(person -> person.firmId() == firmId);
    }

    Optional<Staff> person(long personId) {
        return jdbc.sql("""
            select p.id, p.firm_id, f.name as firm_name, p.email, p.name, p.role, p.password_hash, p.blocked_at is not null as blocked
            from person p join firm f on f.id = p.firm_id
            where p.id = :id
            """).param("id", personId).query(FirmRepository::staff).optional();
    }

    /** Two owners who would block each other at once are told apart. */
    void lockOwners(long firmId) {
        jdbc.sql("select id from person where firm_id = :firm and role = 'OWNER' order by id for update").param("firm", firmId)
                .query(Long.class).list();
    }

    void setPassword(long personId, String hash) {
        jdbc.sql("update person set password_hash = :hash where id = :id").param("hash", hash).param("id", personId).update();
    }

    void setRole(long personId, Role role) {
        jdbc.sql("update person set role = :role where id = :id").param("role", role.name()).param("id", personId).update();
    }

    /** Returns whether they were not blocked before. */
    boolean block(long personId, String by) {
        return jdbc.sql("update person set blocked_at = :now, blocked_by = :by where id = :id and blocked_at is null")
                .param("now", OffsetDateTime.now(clock)).param("by", by).param("id", personId).update() == 1;
    }

    boolean unblock(long personId) {
        return jdbc.sql("update person set blocked_at = null, blocked_by = null where id = :id and blocked_at is not null")
                .param("id", personId).update() == 1;
    }

    /** What stands on the firm's papers and mails. */
    public FirmDetails details(long firmId) {
        return jdbc.sql("select name, address, phone, email, tax_number, mark, version from firm where id = :id").param("id", firmId)
                .query((row, n) -> new FirmDetails(row.getString("name"), row.getString("address"), row.getString("phone"),
                        row.getString("email"), row.getString("tax_number"), row.getBytes("mark") == null ? ""
                                : "data:image/png;base64," + Base64.getEncoder().encodeToString(row.getBytes("mark")),
                        row.getInt("version")))
                .single();
    }

    /** Saves them, without the mark, if nobody saved them since their version. */
    void change(long firmId, FirmDetails details) {
        int rows = jdbc.sql("""
            update firm
            set name = :name, address = :address, phone = :phone, email = :email, tax_number = :tax, version = version + 1
            where id = :id and version = :version
            """)
                .param("name", details.name())
                .param("address", details.address())
                .param("phone", details.phone())
                .param("email", details.email())
                .param("tax", details.taxNumber())
                .param("id", firmId)
                .param("version", details.version())
                .update();
        if (rows != 1) {
            throw new StaleEdit("The firm's details", details.version(), details(firmId).version());
        }
    }

    Optional<byte[]> mark(long firmId) {
        return jdbc.sql("select mark from firm where id = :id and mark is not null").param("id", firmId).query(byte[].class).optional();
    }

    /** @param png null to take it off */
    void setMark(long firmId, byte[] png) {
        jdbc.sql("update firm set mark = :mark where id = :id").param("mark", png, Types.BINARY).param("id", firmId).update();
    }

    public String name(long firmId) {
        return jdbc.sql("select name from firm where id = :id").param("id", firmId).query(String.class).single();
    }

    public List<Staff> peopleOf(long firmId) {
        return jdbc.sql("""
            select p.id, p.firm_id, f.name as firm_name, p.email, p.name, p.role, p.password_hash, p.blocked_at is not null as blocked
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
                row.getString("name"), Role.valueOf(row.getString("role")), row.getString("password_hash"),
                row.getBoolean("blocked"));
    }
}
