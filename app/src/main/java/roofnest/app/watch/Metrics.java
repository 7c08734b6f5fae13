package roofnest.app.watch;

import java.time.Duration;
import java.util.function.Supplier;

import org.springframework.stereotype.Component;

import com.github.benmanes.caffeine.cache.Cache;

import io.micrometer.core.instrument.MeterRegistry;
import io.micrometer.core.instrument.Timer;
import io.micrometer.core.instrument.binder.cache.CaffeineCacheMetrics;

/** The figures of this machine: judging, solving, waiting for locks, statements, and how often what was kept could be used. */
@Component
public class Metrics {
    private final MeterRegistry registry;
    private final Timer judge;
    private final Timer solver;
    private final Timer lockWait;

    Metrics(MeterRegistry registry) {
        this.registry = registry;
        judge = Timer.builder("roofnest.judge").description("judging a household").publishPercentiles(0.5, 0.99).register(registry);
        solver = Timer.builder("roofnest.solver").description("solving a visit or a round").publishPercentiles(0.5, 0.99)
                .register(registry);
        lockWait = Timer.builder("roofnest.lock.wait").description("waiting for a household").publishPercentiles(0.5, 0.99)
                .register(registry);
    }

    /** Has a cache's hits counted. */
    public <K, V, C extends Cache<K, V>> C watched(String name, C cache) {
        CaffeineCacheMetrics.monitor(registry, cache, name);
        return cache;
    }

    public <T> T judging(Supplier<T> work) {
        return judge.record(work);
    }

    public <T> T solving(Supplier<T> work) {
        return solver.record(work);
    }

    public <T> T waitingForLock(Supplier<T> lock) {
        return lockWait.record(lock);
    }

    public void count(String name, String tag, String value) {
        registry.counter(name, tag, value).increment();
    }

    /** @param statements that it asked the database */
    void request(int statements) {
        registry.summary("roofnest.request.statements").record(statements);
    }

    void statement(Duration took) {
        registry.timer("roofnest.statement").record(took);
    }
}
