package roofnest.app.records;

import java.time.Duration;
import java.util.List;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

import roofnest.core.catalogue.PairingMethod;
import roofnest.core.catalogue.PhoneKind;
import roofnest.core.visit.Pace;
import roofnest.core.visit.Task;

/**
 * A firm's experience as sums that grow by one whenever a run or a visit is over, so that reading it never walks over all
 * that was ever done. Runs on stand-ins do not count.
 */
@Repository
public class ExperienceRepository {
    private final JdbcClient jdbc;

    ExperienceRepository(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    public Experience of(long firmId) {
        List<Experience.Runs> runs = jdbc.sql("""
            select model_key, way, phone, worked, failed, timed, minutes
            from run_experience
            where firm_id = :firm
            """)
                .param("firm", firmId)
                .query((row, n) -> new Experience.Runs(row.getString("model_key"), PairingMethod.Way.valueOf(row.getString("way")),
                        PhoneKind.valueOf(row.getString("phone")), row.getInt("worked"), row.getInt("failed"), row.getInt("timed"),
                        row.getDouble("minutes")))
                .list();
        List<Pace.Seen> tasks = jdbc.sql("select kind, tasks, ratios from task_experience where firm_id = :firm")
                .param("firm", firmId)
                .query((row, n) -> new Pace.Seen(Task.Kind.valueOf(row.getString("kind")), row.getLong("tasks"), row.getDouble("ratios")))
                .list();
        return new Experience(runs, Pace.from(tasks));
    }

    /** A real run is over. @param worked whether the device joined by this way; else it was given up */
    public void runOver(long firmId, String modelKey, PairingMethod.Way way, PhoneKind phone, boolean worked, Duration took) {
        boolean timed = worked && Experience.tells(took);
        jdbc.sql("""
            insert into run_experience (firm_id, model_key, way, phone, worked, failed, timed, minutes)
            values (:firm, :model, :way, :phone, :worked, :failed, :timed, :minutes)
            on conflict (firm_id, model_key, way, phone) do update
            set worked = run_experience.worked + excluded.worked, failed = run_experience.failed + excluded.failed,
                timed = run_experience.timed + excluded.timed, minutes = run_experience.minutes + excluded.minutes
            """)
                .param("firm", firmId)
                .param("model", modelKey)
                .param("way", way.name())
                .param("phone", phone.name())
                .param("worked", worked ? 1 : 0)
                .param("failed", worked ? 0 : 1)
                .param("timed", timed ? 1 : 0)
                .param("minutes", timed ? took.toMillis() / 60_000.0 : 0)
                .update();
    }

    /** A visit is over: what hands really took on its tasks, against what was planned. */
    public void visitOver(long firmId, long visitId) {
        jdbc.sql("""
            insert into task_experience (firm_id, kind, tasks, ratios)
            select :firm, kind, count(*),
                   sum(least(:slowest, greatest(:fastest, extract(epoch from hands_off_at - begun_at) / 60 / hands_on)))
            from visit_task
            where visit_id = :visit and hands_off_at is not null and hands_on > 0
              and extract(epoch from hands_off_at - begun_at) / 60 >= :tickedOff
            group by kind
            on conflict (firm_id, kind) do update
            set tasks = task_experience.tasks + excluded.tasks, ratios = task_experience.ratios + excluded.ratios
            """)
                .param("firm", firmId)
                .param("visit", visitId)
                .param("fastest", Pace.FASTEST)
                .param("slowest", Pace.SLOWEST)
                .param("tickedOff", Pace.TICKED_OFF_MINUTES)
                .update();
    }
}
