package roofnest.app.survey;

import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.Optional;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

import roofnest.app.records.HouseholdRepository;
import roofnest.app.web.BadInput;

/**
 * A household's plan with every step that led to it. The household points at the step that stands; undoing and redoing
 * move that pointer, a new step takes the place of what was undone.
 */
@Repository
public class PlanSteps {
    /** Steps kept of one house. */
    private static final int KEPT = 200;

    private final JdbcClient jdbc;
    private final HouseholdRepository households;
    private final Clock clock;

    PlanSteps(JdbcClient jdbc, HouseholdRepository households, Clock clock) {
        this.jdbc = jdbc;
        this.households = households;
        this.clock = clock;
    }

    /**
     * @param version for the next change
     * @param undo what would be undone, in words
     */
    public record State(Optional<String> document, int version, Optional<String> undo, Optional<String> redo) {}

    public State state(long householdId) {
        return jdbc.sql("""
            select h.plan::text as document, h.plan_version,
                   case when h.plan_step > (select min(n) from plan_step where household_id = h.id)
                        then (select words from plan_step s where s.household_id = h.id and s.n = h.plan_step) end as undo,
                   (select words from plan_step s where s.household_id = h.id and s.n = h.plan_step + 1) as redo
            from household h
            where h.id = :id
            """)
                .param("id", householdId)
                .query((row, n) -> new State(Optional.ofNullable(row.getString("document")), row.getInt("plan_version"),
                        Optional.ofNullable(row.getString("undo")), Optional.ofNullable(row.getString("redo"))))
                .single();
    }

    /** Makes a document the plan that stands, unless the plan was changed since {@code version}. */
    public void take(long householdId, String document, String words, String by, int version) {
        int at = current(householdId, by);
        jdbc.sql("delete from plan_step where household_id = :id and (n > :at or n < :at - :kept)")
                .param("id", householdId)
                .param("at", at)
                .param("kept", KEPT)
                .update();
        insert(householdId, at + 1, document, words, by);
        stand(householdId, at + 1, version);
    }

    /** Goes one step back. */
    public void undo(long householdId, int version) {
        move(householdId, -1, version, "There is nothing more to undo.");
    }

    /** Goes one step forward again. */
    public void redo(long householdId, int version) {
        move(householdId, 1, version, "There is nothing to redo.");
    }

    private void move(long householdId, int by, int version, String otherwise) {
        int at = jdbc.sql("select coalesce(plan_step, 0) from household where id = :id").param("id", householdId).query(Integer.class)
                .single();
        boolean there = jdbc.sql("select count(*) from plan_step where household_id = :id and n = :n")
                .param("id", householdId).param("n", at + by).query(Integer.class).single() == 1;
        if (!there) {
            throw new BadInput(otherwise);
        }
        stand(householdId, at + by, version);
    }

    /** The step that stands; a plan from before steps were kept becomes the first. */
    private int current(long householdId, String by) {
        Optional<Integer> step = jdbc.sql("select plan_step from household where id = :id and plan_step is not null")
                .param("id", householdId).query(Integer.class).optional();
        if (step.isEmpty()) {
            jdbc.sql("select plan::text from household where id = :id and plan is not null").param("id", householdId).query(String.class)
                    .optional()
                    .ifPresent(document -> insert(householdId, 0, document, "the plan as it was", by));
        }
        return step.orElse(0);
    }

    private void insert(long householdId, int n, String document, String words, String by) {
        jdbc.sql("""
            insert into plan_step (household_id, n, document, words, at, by_name)
            values (:id, :n, :document::jsonb, :words, :now, :by)
            """)
                .param("id", householdId)
                .param("n", n)
                .param("document", document)
                .param("words", words)
                .param("now", OffsetDateTime.now(clock))
                .param("by", by)
                .update();
    }

    private void stand(long householdId, int n, int version) {
        String document = jdbc.sql("select document::text from plan_step where household_id = :id and n = :n")
                .param("id", householdId).param("n", n).query(String.class).single();
        households.standPlan(householdId, document, n, version);
    }
}
