package roofnest.app.ready;

import java.util.List;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

import roofnest.core.catalogue.PairingMethod;

/** How long the firm's own runs took. Rehearsals on the bench do not count. */
@Repository
class RunTimes {
    private final JdbcClient jdbc;

    RunTimes(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    List<Double> minutes(long firmId, String modelKey, PairingMethod.Way way) {
        return jdbc.sql("""
            select extract(epoch from run.finished_at - run.started_at) / 60
            from run
            join camera on camera.id = run.camera_id
            join household on household.id = run.household_id
            where household.firm_id = :firmId and camera.model_key = :model and run.way = :way
              and run.finished_at is not null and run.given_up_at is null and not run.bench
            """)
                .param("firmId", firmId)
                .param("model", modelKey)
                .param("way", way.name())
                .query(Double.class).list();
    }
}
