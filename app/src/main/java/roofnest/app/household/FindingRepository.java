package roofnest.app.household;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

import roofnest.core.judge.Judged;
import roofnest.core.judge.Judgement;

/** The newest judgement of each household, kept only as far as the front page counts it. */
@Repository
class FindingRepository {
    private final JdbcClient jdbc;

    FindingRepository(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    void replace(long householdId, Judgement judgement) {
        jdbc.sql("delete from finding where household_id = :id").param("id", householdId).update();
        for (Judged judged : judgement.promises()) {
            jdbc.sql("""
                insert into finding (household_id, promise_key, stage, standing)
                values (:householdId, :key, :stage, :standing)
                """)
                    .param("householdId", householdId)
                    .param("key", judged.promise().key().value())
                    .param("stage", judged.promise().stage().name())
                    .param("standing", judged.finding().standing().name())
                    .update();
        }
    }
}
