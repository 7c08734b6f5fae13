package roofnest.app.records;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.TransactionDefinition;
import org.springframework.transaction.event.TransactionalEventListener;
import org.springframework.transaction.support.TransactionTemplate;

import roofnest.app.models.ModelReplaced;

/** A camera's model is another one from now on: every house that has it is judged anew, each on its own, before the page answers. */
@Component
class ModelsInUse {
    private final JdbcClient jdbc;
    private final Changes changes;
    private final TransactionTemplate alone;

    ModelsInUse(JdbcClient jdbc, Changes changes, PlatformTransactionManager transactions) {
        this.jdbc = jdbc;
        this.changes = changes;
        this.alone = new TransactionTemplate(transactions);
        alone.setPropagationBehavior(TransactionDefinition.PROPAGATION_REQUIRES_NEW);
    }

    @TransactionalEventListener(fallbackExecution = true)
    void judgeAnew(ModelReplaced replaced) {
        jdbc.sql("""
            select distinct h.id
            from household h join camera c on c.household_id = h.id
            where h.firm_id = :firm and c.model_key = :key and c.removed_at is null
            order by h.id
            """)
                .param("firm", replaced.firmId()).param("key", replaced.key())
                .query(Long.class).list()
                .forEach(household -> alone.executeWithoutResult(status -> changes.byHousehold(household, () -> {})));
    }
}
