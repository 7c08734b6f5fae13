package roofnest.app.household;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Types;
import java.time.Clock;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

import roofnest.app.web.StaleEdit;
import roofnest.core.promise.Stage;

/** The table of households, their plan documents and the counts of their findings. */
@Repository
public class HouseholdRepository {
    private static final String COLUMNS
            = "h.id, h.firm_id, h.name, h.address, h.stage, h.due_on, h.due_what, h.notes, h.handed_over_at, h.version";

    private final JdbcClient jdbc;
    private final Clock clock;

    HouseholdRepository(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /** A household with the counts of its promises, for the front page. */
    public record Overview(Household household, int kept, int thin, int broken, int untried) {}

    public List<Overview> overviewsOf(long firmId) {
        return jdbc.sql("select " + COLUMNS + """
            ,
                   count(*) filter (where f.standing = 'KEPT') as kept,
                   count(*) filter (where f.standing = 'THIN') as thin,
                   count(*) filter (where f.standing = 'BROKEN') as broken,
                   count(*) filter (where f.standing = 'UNTRIED') as untried
            from household h left join finding f on f.household_id = h.id
            where h.firm_id = :firmId
            group by h.id
            order by h.due_on nulls last, h.name
            """)
                .param("firmId", firmId)
                .query((row, n) -> new Overview(
                        household(row, n), row.getInt("kept"), row.getInt("thin"), row.getInt("broken"), row.getInt("untried")))
                .list();
    }

    public long add(long firmId, String name, String address, LocalDate dueOn, String dueWhat) {
        return jdbc.sql("""
            insert into household (firm_id, name, address, stage, due_on, due_what, created_at)
            values (:firmId, :name, :address, 'BRIEF', :dueOn, :dueWhat, :now)
            returning id
            """)
                .param("firmId", firmId)
                .param("name", name)
                .param("address", address)
                .param("dueOn", dueOn, Types.DATE)
                .param("dueWhat", dueWhat)
                .param("now", OffsetDateTime.now(clock))
                .query(Long.class).single();
    }

    public Household get(long id) {
        return jdbc.sql("select " + COLUMNS + " from household h where h.id = :id")
                .param("id", id)
                .query(HouseholdRepository::household).single();
    }

    /** Counts one more change of this household, and keeps every other waiting until the transaction ends. */
    void lock(long id) {
        jdbc.sql("update household set changes = changes + 1 where id = :id").param("id", id).update();
    }

    /** How many changes the household has seen: the same figure means that nothing of it has changed. */
    public long changes(long id) {
        return jdbc.sql("select changes from household where id = :id").param("id", id).query(Long.class).single();
    }

    public Optional<String> planDocument(long id) {
        return jdbc.sql("select plan::text from household where id = :id and plan is not null")
                .param("id", id)
                .query(String.class).optional();
    }

    public void setPlan(long id, String document) {
        jdbc.sql("update household set plan = :plan::jsonb, plan_version = plan_version + 1, version = version + 1 where id = :id")
                .param("id", id)
                .param("plan", document)
                .update();
    }

    /** Saves the notes if nobody saved the household's notes or plan since {@code version}. */
    public void setNotes(long id, String notes, int version) {
        int rows = jdbc.sql("update household set notes = :notes, version = version + 1 where id = :id and version = :version")
                .param("id", id)
                .param("notes", notes)
                .param("version", version)
                .update();
        if (rows != 1) {
            throw new StaleEdit("This household", version, get(id).version());
        }
    }

    /** Moves the work on to a stage; it never moves back by itself. */
    public void reach(long id, Stage stage) {
        Household household = get(id);
        if (household.stage().compareTo(stage) < 0) {
            jdbc.sql("update household set stage = :stage where id = :id").param("id", id).param("stage", stage.name()).update();
        }
    }

    public void handOver(long id) {
        jdbc.sql("update household set handed_over_at = :now where id = :id and handed_over_at is null")
                .param("id", id)
                .param("now", OffsetDateTime.now(clock))
                .update();
    }

    private static Household household(ResultSet row, int n) throws SQLException {
        return new Household(
                row.getLong("id"), row.getLong("firm_id"), row.getString("name"), row.getString("address"),
                Stage.valueOf(row.getString("stage")), row.getObject("due_on", LocalDate.class), row.getString("due_what"),
                row.getString("notes"), row.getObject("handed_over_at", OffsetDateTime.class), row.getInt("version"));
    }
}
