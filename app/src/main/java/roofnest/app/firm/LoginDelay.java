package roofnest.app.firm;

import java.time.Clock;
import java.time.Duration;
import java.time.OffsetDateTime;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

import roofnest.app.watch.Purged;

/**
 * Makes guessing slow: after each failed log-in for an e-mail the next try has to wait, twice as long each time, from
 * the third failure on. Addresses that nobody has are treated the same, so the delay tells nothing.
 */
@Component
public class LoginDelay implements Purged {
    private static final int FREE_FAILURES = 2;
    private static final Duration FIRST_DELAY = Duration.ofSeconds(2);
    private static final Duration LONGEST_DELAY = Duration.ofMinutes(15);

    private final JdbcClient jdbc;
    private final Clock clock;

    LoginDelay(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /** How long the next try for this e-mail has to wait; zero when it need not. */
    Duration left(String email) {
        OffsetDateTime now = OffsetDateTime.now(clock);
        return jdbc.sql("select next_try_at from login_attempt where email = :email")
                .param("email", FirmRepository.normal(email))
                .query(OffsetDateTime.class).optional()
                .map(next -> Duration.between(now, next))
                .filter(wait -> !wait.isNegative())
                .orElse(Duration.ZERO);
    }

    void failed(String email) {
        int failures = jdbc.sql("""
            insert into login_attempt (email, failures, next_try_at)
            values (:email, 1, :now)
            on conflict (email) do update set failures = login_attempt.failures + 1
            returning failures
            """)
                .param("email", FirmRepository.normal(email))
                .param("now", OffsetDateTime.now(clock))
                .query(Integer.class).single();
        jdbc.sql("update login_attempt set next_try_at = :next where email = :email")
                .param("next", OffsetDateTime.now(clock).plus(delayAfter(failures)))
                .param("email", FirmRepository.normal(email))
                .update();
    }

    void succeeded(String email) {
        jdbc.sql("delete from login_attempt where email = :email").param("email", FirmRepository.normal(email)).update();
    }

    @Override
    public String what() {
        return "log-in attempts";
    }

    @Override
    public int purge(OffsetDateTime before) {
        return jdbc.sql("delete from login_attempt where next_try_at < :before").param("before", before).update();
    }

    static Duration delayAfter(int failures) {
        if (failures <= FREE_FAILURES) {
            return Duration.ZERO;
        }
        int doublings = Math.min(failures - FREE_FAILURES - 1, 16);
        Duration delay = FIRST_DELAY.multipliedBy(1L << doublings);
        return delay.compareTo(LONGEST_DELAY) > 0 ? LONGEST_DELAY : delay;
    }
}
