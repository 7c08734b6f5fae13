package roofnest.app.records;

import java.sql.Types;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

import roofnest.core.access.Access;

/** Who was given which camera by name, and with it the whole ledger of who can look. */
@Repository
public class AccessRepository {
    private final JdbcClient jdbc;
    private final ResidentRepository residents;
    private final LedgerRepository ledger;
    private final LeavingRepository leavings;

    AccessRepository(JdbcClient jdbc, ResidentRepository residents, LedgerRepository ledger, LeavingRepository leavings) {
        this.jdbc = jdbc;
        this.residents = residents;
        this.ledger = ledger;
        this.leavings = leavings;
    }

    public Access of(long householdId) {
        List<Access.Person> people = residents.of(householdId).stream()
                .map(r -> new Access.Person(r.id(), r.name(), r.tie(), Optional.ofNullable(r.leftOn()))).toList();
        List<Access.Grant> grants = jdbc.sql("""
            select resident_id, camera_id, role, from_on, until_on, alerts
            from access_grant
            where household_id = :householdId
            order by resident_id, camera_id
            """)
                .param("householdId", householdId)
                .query((row, n) -> new Access.Grant(row.getLong("resident_id"), row.getLong("camera_id"),
                        Access.Role.valueOf(row.getString("role")), Optional.ofNullable(row.getObject("from_on", LocalDate.class)),
                        Optional.ofNullable(row.getObject("until_on", LocalDate.class)), row.getBoolean("alerts")))
                .list();
        return new Access(people, grants, ledger.known(householdId), ledger.screens(householdId), leavings.looks(householdId));
    }

    /** What somebody may do with a camera; empty when nothing. */
    public Optional<Access.Role> roleOf(long householdId, long residentId, long cameraId) {
        return jdbc
                .sql("select role from access_grant where household_id = :householdId and resident_id = :resident and camera_id = :camera")
                .param("householdId", householdId)
                .param("resident", residentId)
                .param("camera", cameraId)
                .query((row, n) -> Access.Role.valueOf(row.getString("role"))).optional();
    }

    /** For good, from now on, and rung like everybody; a guest's last day ends it. */
    public void grant(long householdId, long residentId, long cameraId, Access.Role role, LocalDate until) {
        grant(householdId, residentId, cameraId, role, null, until, true);
    }

    public void grant(long householdId, long residentId, long cameraId, Access.Role role, LocalDate from, LocalDate until,
            boolean alerts) {
        jdbc.sql("""
            insert into access_grant (household_id, resident_id, camera_id, role, from_on, until_on, alerts)
            values (:householdId, :residentId, :cameraId, :role, :from, :until, :alerts)
            on conflict (resident_id, camera_id) do update
            set role = excluded.role, from_on = excluded.from_on, until_on = excluded.until_on, alerts = excluded.alerts
            """)
                .param("householdId", householdId)
                .param("residentId", residentId)
                .param("cameraId", cameraId)
                .param("role", role.name())
                .param("from", from, Types.DATE)
                .param("until", until, Types.DATE)
                .param("alerts", alerts)
                .update();
    }

    public void revoke(long householdId, long residentId, long cameraId) {
        jdbc.sql("""
            delete from access_grant
            where household_id = :householdId and resident_id = :residentId and camera_id = :cameraId
            """)
                .param("householdId", householdId)
                .param("residentId", residentId)
                .param("cameraId", cameraId)
                .update();
    }

    /** Whoever is taken out looks through nothing. @return how many cameras they could look through */
    public int revokePerson(long householdId, long residentId) {
        return jdbc.sql("delete from access_grant where household_id = :householdId and resident_id = :residentId")
                .param("householdId", householdId)
                .param("residentId", residentId)
                .update();
    }

    /** Nobody looks through a camera that has left. */
    public void revokeCamera(long householdId, long cameraId) {
        jdbc.sql("delete from access_grant where household_id = :householdId and camera_id = :cameraId")
                .param("householdId", householdId)
                .param("cameraId", cameraId)
                .update();
    }
}
