package roofnest.app.watch;

import java.time.Duration;
import java.util.List;

import org.springframework.stereotype.Component;

import net.ttddyy.dsproxy.ExecutionInfo;
import net.ttddyy.dsproxy.QueryInfo;
import net.ttddyy.dsproxy.listener.QueryExecutionListener;

/** Counts the statements that reach the database, by thread; those of the session store apart, since every request has them. */
@Component
public class Statements implements QueryExecutionListener {
    private final Metrics metrics;
    private final ThreadLocal<int[]> counts = ThreadLocal.withInitial(() -> new int[1]);

    Statements(Metrics metrics) {
        this.metrics = metrics;
    }

    /** All that this thread has ever asked; two readings give what lies between them. */
    public int ofThisThread() {
        return counts.get()[0];
    }

    @Override
    public void beforeQuery(ExecutionInfo execution, List<QueryInfo> queries) {
        // Only what was asked counts.
    }

    @Override
    public void afterQuery(ExecutionInfo execution, List<QueryInfo> queries) {
        long own = queries.stream().filter(query -> !query.getQuery().contains("SPRING_SESSION")).count();
        counts.get()[0] += (int) own;
        metrics.statement(Duration.ofMillis(execution.getElapsedTime()));
    }
}
