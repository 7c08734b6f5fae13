package roofnest.app.watch;

import java.util.function.Supplier;

import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionSynchronizationManager;

/** Where the constraint solver is asked: timed, and never while a transaction keeps others waiting. */
@Component
public class Solving {
    private final Metrics metrics;

    Solving(Metrics metrics) {
        this.metrics = metrics;
    }

    public <T> T solve(Supplier<T> work) {
        if (TransactionSynchronizationManager.isActualTransactionActive()) {
            throw new IllegalStateException("solving inside a transaction keeps others waiting for seconds");
        }
        return metrics.solving(work);
    }
}
