package roofnest.app.ready;

import java.util.List;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

import roofnest.core.visit.Pace;

/** How long hands really were on the tasks of the firm's visits. */
@Repository
class TaskTimes {
    private final JdbcClient jdbc;

    TaskTimes(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    List<Pace.Seen> seen(long firmId) {
        return jdbc.sql("""
            select t.task_id, t.hands_on, extract(epoch from t.hands_off_at - t.begun_at) / 60 as real_minutes
            from visit_task t
            join visit v on v.id = t.visit_id
            join household h on h.id = v.household_id
            where h.firm_id = :firm and t.hands_off_at is not null and t.hands_on > 0
            """)
                .param("firm", firmId)
                .query((row, n) -> new Pace.Seen(Pace.kindOf(row.getString("task_id")), row.getDouble("hands_on"),
                        row.getDouble("real_minutes")))
                .list();
    }
}
