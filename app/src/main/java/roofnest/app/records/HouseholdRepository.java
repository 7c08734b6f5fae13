package roofnest.app.records;

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

/** The table of households: their names, how far their work is, their plan documents and the counts of their findings. */
@Repository
public class HouseholdRepository {
    private static final String COLUMNS = "h.id, h.firm_id, h.name, h.address, h.stage, h.due_on, h.due_what, h.notes, h.handed_over_at, "
            + "h.version, h.changes";

    private final JdbcClient jdbc;
    private final Clock clock;

    HouseholdRepository(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /** A household with the counts of its promises, for the front page. */
    public record Overview(Household household, int kept, int thin, int broken, int untried) {}

    /** A household held in this transaction. @param changes that it has seen by now */
    record Locked(long id, Stage stage, long changes) {}

    public List<Overview> overviewsOf(long firmId) {
        return jdbc.sql("select " + COLUMNS + """
            ,
                   coalesce(f.kept, 0) as kept, coalesce(f.thin, 0) as thin, coalesce(f.broken, 0) as broken,
                   coalesce(f.untried, 0) as untried
            from household h left join lateral (
                select count(*) filter (where standing = 'KEPT') as kept, count(*) filter (where standing = 'THIN') as thin,
                       count(*) filter (where standing = 'BROKEN') as broken, count(*) filter (where standing = 'UNTRIED') as untried
                from finding where household_id = h.id) f on true
            where h.firm_id = :firmId
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

    /** Whether there is such a household and it is the firm's. */
    public boolean isOf(long firmId, long id) {
        return jdbc.sql("select exists (select 1 from household where id = :id and firm_id = :firmId)")
                .param("id", id)
                .param("firmId", firmId)
                .query(Boolean.class).single();
    }

    public Household get(long id) {
        return jdbc.sql("select " + COLUMNS + " from household h where h.id = :id")
                .param("id", id)
                .query(HouseholdRepository::household).single();
    }

    /** Counts one more change of this household, and keeps every other waiting until the transaction ends. */
    Locked lock(long id) {
        return jdbc.sql("update household set changes = changes + 1 where id = :id returning id, stage, changes")
                .param("id", id)
                .query(HouseholdRepository::locked).single();
    }

    /** Keeps every other change waiting until the transaction ends, and counts none. */
    Locked hold(long id) {
        return jdbc.sql("select id, stage, changes from household where id = :id for update")
                .param("id", id)
                .query(HouseholdRepository::locked).single();
    }

    /** How many changes the household has seen: the same figure means that nothing it is judged by has changed. */
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

    /**
     * Makes a document the plan that stands, if nobody changed the plan since {@code version}.
     *
     * @param step number of the step that made it
     */
    public void standPlan(long id, String document, int step, int version) {
        int rows = jdbc.sql("""
            update household set plan = :plan::jsonb, plan_step = :step, plan_version = plan_version + 1
            where id = :id and plan_version = :version
            """)
                .param("id", id)
                .param("plan", document)
                .param("step", step)
                .param("version", version)
                .update();
        if (rows != 1) {
            int now = jdbc.sql("select plan_version from household where id = :id").param("id", id).query(Integer.class).single();
            throw new StaleEdit("The plan", version, now);
        }
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

    /** Puts a household of the firm on a day. @return whether it is one of the firm's */
    public boolean book(long firmId, long id, LocalDate day) {
        return jdbc.sql("update household set due_on = :day where id = :id and firm_id = :firm")
                .param("day", day)
                .param("id", id)
                .param("firm", firmId)
                .update() == 1;
    }

    /** Moves the work on to a stage; it never moves back by itself. */
    void reach(Locked locked, Stage stage) {
        if (locked.stage().compareTo(stage) < 0) {
            jdbc.sql("update household set stage = :stage where id = :id").param("id", locked.id()).param("stage", stage.name()).update();
        }
    }

    public void handOver(long id) {
        jdbc.sql("update household set handed_over_at = :now where id = :id and handed_over_at is null")
                .param("id", id)
                .param("now", OffsetDateTime.now(clock))
                .update();
    }

    private static Locked locked(ResultSet row, int n) throws SQLException {
        return new Locked(row.getLong("id"), Stage.valueOf(row.getString("stage")), row.getLong("changes"));
    }

    private static Household household(ResultSet row, int n) throws SQLException {
        return new Household(
                row.getLong("id"), row.getLong("firm_id"), row.getString("name"), row.getString("address"),
                Stage.valueOf(row.getString("stage")), row.getObject("due_on", LocalDate.class), row.getString("due_what"),
                row.getString("notes"), row.getObject("handed_over_at", OffsetDateTime.class), row.getInt("version"),
                row.getLong("changes"));
    }
}
