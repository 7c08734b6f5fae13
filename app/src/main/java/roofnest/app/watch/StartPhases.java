package roofnest.app.watch;

import java.lang.management.ManagementFactory;
import java.time.Duration;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.ToLongFunction;
import java.util.stream.Collectors;
import java.util.stream.StreamSupport;

import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.boot.context.metrics.buffering.BufferingApplicationStartup;
import org.springframework.boot.context.metrics.buffering.StartupTimeline.TimelineEvent;
import org.springframework.context.event.EventListener;
import org.springframework.core.metrics.StartupStep;
import org.springframework.stereotype.Component;

/** Says once, in the log, how long each phase of the start took. */
@Component
public class StartPhases {
    /** Far more than a start takes; what is beyond would be counted to no phase. */
    public static final int MOST_STEPS = 8_000;
    private static final int SAID = 30;
    private static final Logger LOG = LoggerFactory.getLogger(StartPhases.class);

    /** Where the time of a start goes. */
    enum Phase {
        SETTINGS, DEFINITIONS, DATABASE, WEB, BEANS;

        static Phase of(StartupStep step) {
            String bean = "";
            for (StartupStep.Tag tag : step.getTags()) {
                bean = tag.getKey().equals("beanName") ? tag.getValue() : bean;
            }
            String name = step.getName();
            if (name.startsWith("spring.boot.application.")) {
                return SETTINGS;
            }
            if (name.startsWith("spring.context.config-classes") || name.startsWith("spring.context.component-classes")) {
                return DEFINITIONS;
            }
            if (bean.startsWith("flyway") || bean.equals("dataSource")) {
                return DATABASE;
            }
            return name.startsWith("spring.boot.webserver") || bean.contains("omcat") ? WEB : BEANS;
        }
    }

    @EventListener
    void ready(ApplicationReadyEvent event) {
        if (event.getApplicationContext().getApplicationStartup() instanceof BufferingApplicationStartup steps) {
            List<TimelineEvent> taken = steps.drainBufferedTimeline().getEvents();
            StringBuilder line = new StringBuilder();
            byPhase(taken).forEach((phase, ms) -> line.append(' ').append(phase.name().toLowerCase(Locale.ROOT)).append("_ms=").append(ms));
            // The system knows when the process began to a second alone (Linux: btime of /proc/stat), the machine to a millisecond.
            LOG.info("started{} since_jvm_ms={}", line, ManagementFactory.getRuntimeMXBean().getUptime());
            LOG.debug("longest by themselves: {}", longest(taken));
        }
    }

    /** The time of the steps within each, by its number. */
    private static Map<Long, Duration> within(List<TimelineEvent> steps) {
        Map<Long, Duration> within = new HashMap<>();
        for (TimelineEvent step : steps) {
            if (step.getStartupStep().getParentId() != null) {
                within.merge(step.getStartupStep().getParentId(), step.getDuration(), Duration::plus);
            }
        }
        return within;
    }

    /** The steps that took longest by themselves, with what they made. */
    private static String longest(List<TimelineEvent> steps) {
        Map<Long, Duration> within = within(steps);
        ToLongFunction<TimelineEvent> ownMs = step -> step.getDuration().minus(within.getOrDefault(step.getStartupStep().getId(),
                Duration.ZERO)).toMillis();
        return steps.stream().sorted(Comparator.comparingLong(ownMs).reversed()).limit(SAID).map(step -> ownMs.applyAsLong(step) + " ms "
                + step.getStartupStep().getName() + StreamSupport.stream(step.getStartupStep().getTags().spliterator(), false)
                        .map(tag -> " " + tag.getValue()).collect(Collectors.joining()))
                .collect(Collectors.joining("; "));
    }

    /** Each step's own time, without that of the steps within it, ms. */
    static Map<Phase, Long> byPhase(List<TimelineEvent> steps) {
        Map<Long, Duration> within = within(steps);
        Map<Phase, Duration> own = new EnumMap<>(Phase.class);
        for (Phase phase : Phase.values()) {
            own.put(phase, Duration.ZERO);
        }
        for (TimelineEvent step : steps) {
            Duration inner = within.getOrDefault(step.getStartupStep().getId(), Duration.ZERO);
            own.merge(Phase.of(step.getStartupStep()), step.getDuration().minus(inner), Duration::plus);
        }
        Map<Phase, Long> ms = new EnumMap<>(Phase.class);
        own.forEach((phase, time) -> ms.put(phase, Math.max(0, time.toMillis())));
        return ms;
    }
}
