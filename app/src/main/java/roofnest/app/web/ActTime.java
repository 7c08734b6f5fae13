package roofnest.app.web;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;

/**
 * The application's clock. While an act is taken that a phone kept without a line, it shows the moment at which the act was done, so
 * that everything that is noted of it has its own time; never a time to come, and none longer ago than a phone keeps acts.
 */
public final class ActTime extends Clock {
    static final Duration LONGEST_KEPT = Duration.ofDays(7);

    private final Clock clock;
    private final ThreadLocal<Instant> acted;

    public ActTime(Clock clock) {
        this(clock, new ThreadLocal<>());
    }

    private ActTime(Clock clock, ThreadLocal<Instant> acted) {
        this.clock = clock;
        this.acted = acted;
    }

    /** What is done on this thread until {@link #now()} was done then. @return the time that counts */
    public Instant at(Instant moment) {
        Instant really = clock.instant();
        Instant counts = moment.isAfter(really) || moment.isBefore(really.minus(LONGEST_KEPT)) ? really : moment;
        acted.set(counts);
        return counts;
    }

    public void now() {
        acted.remove();
    }

    /** Whatever act is being taken. */
    public Instant really() {
        return clock.instant();
    }

    @Override
    public Instant instant() {
        Instant then = acted.get();
        return then == null ? clock.instant() : then;
    }

    @Override
    public ZoneId getZone() {
        return clock.getZone();
    }

    @Override
    public Clock withZone(ZoneId zone) {
        return new ActTime(clock.withZone(zone), acted);
    }
}
