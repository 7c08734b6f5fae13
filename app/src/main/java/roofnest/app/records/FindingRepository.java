package roofnest.app.records;

import java.util.List;

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
        List<Judged> all = judgement.promises();
        String[] keys = all.stream().map(judged -> judged.promise().key().value()).toArray(String[]::new);
        jdbc.sql("delete from finding where household_id = :id and promise_key <> all (:keys)")
                .param("id", householdId)
                .param("keys", keys)
                .update();
        jdbc.sql("""
            insert into finding (household_id, promise_key, stage, standing, wording)
            select :id, * from unnest(:keys, :stages, :standings, :wordings)
            on conflict (household_id, promise_key) do update
            set stage = excluded.stage, standing = excluded.standing, wording = excluded.wording
            where (finding.stage, finding.standing, finding.wording)
              is distinct from (excluded.stage, excluded.standing, excluded.wording)
            """)
                .param("id", householdId)
                .param("keys", keys)
                .param("wordings", all.stream().map(Judged::wording).toArray(String[]::new))
                .param("stages", all.stream().map(judged -> judged.promise().stage().name()).toArray(String[]::new))
                .param("standings", all.stream().map(judged -> judged.finding().standing().name()).toArray(String[]::new))
                .update();
    }
}
