package roofnest.app.watch;

import java.time.Clock;
import java.time.Duration;
import java.time.OffsetDateTime;
import java.util.List;

import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.scheduling.annotation.EnableScheduling;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/** Once an hour what has no use any more is thrown away. Sessions that ran out are cleared by the session store itself. */
@Component
@EnableScheduling
class Purge {
    private static final Logger LOG = LoggerFactory.getLogger(Purge.class);
    private static final Duration KEPT = Duration.ofDays(1);

    private final List<Purged> all;
    private final Clock clock;

    Purge(List<Purged> all, Clock clock) {
        this.all = all;
        this.clock = clock;
    }

    @Scheduled(initialDelayString = "PT5M", fixedDelayString = "PT1H")
    void purge() {
        OffsetDateTime before = OffsetDateTime.now(clock).minus(KEPT);
        for (Purged each : all) {
            int gone = each.purge(before);
            if (gone > 0) {
                LOG.info("purged {} {}", gone, each.what());
            }
        }
    }
}
