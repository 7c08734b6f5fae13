package roofnest.app.watch;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.util.Map;

import org.junit.jupiter.api.Test;
import org.springframework.boot.context.metrics.buffering.BufferingApplicationStartup;
import org.springframework.core.metrics.StartupStep;

import roofnest.app.watch.StartPhases.Phase;

class StartPhasesTest {
    /** Steps within steps are counted once: all phases together are as long as the outermost step. */
    @Test
    void each_moment_belongs_to_one_phase() {
        BufferingApplicationStartup startup = new BufferingApplicationStartup(100);
        StartupStep refresh = startup.start("spring.context.refresh");
        StartupStep house = bean(startup, "householdRepository");
        StartupStep source = bean(startup, "dataSource");
        busy();
        source.end();
        StartupStep flyway = bean(startup, "flywayInitializer");
        busy();
        flyway.end();
        house.end();
        StartupStep web = startup.start("spring.boot.webserver.create");
        busy();
        web.end();
        refresh.end();
        var steps = startup.getBufferedTimeline().getEvents();
        Duration whole = steps.stream().filter(step -> step.getStartupStep().getName().equals("spring.context.refresh")).findFirst()
                .orElseThrow().getDuration();
        Map<Phase, Long> phases = StartPhases.byPhase(steps);
        assertThat(phases.values().stream().mapToLong(Long::longValue).sum()).isBetween(whole.toMillis() - Phase.values().length,
                whole.toMillis());
        assertThat(phases.get(Phase.DATABASE)).isGreaterThanOrEqualTo(2 * BUSY_MS);
        assertThat(phases.get(Phase.WEB)).isGreaterThanOrEqualTo(BUSY_MS);
        assertThat(phases.get(Phase.SETTINGS)).isZero();
    }

    private static final long BUSY_MS = 5;

    private static StartupStep bean(BufferingApplicationStartup startup, String name) {
        return startup.start("spring.beans.instantiate").tag("beanName", name);
    }

    private static void busy() {
        long until = System.nanoTime() + Duration.ofMillis(BUSY_MS).toNanos();
        while (System.nanoTime() < until) {
            Thread.onSpinWait();
        }
    }
}
