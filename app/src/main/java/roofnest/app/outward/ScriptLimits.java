package roofnest.app.outward;

import java.time.Duration;

import org.springframework.stereotype.Component;

import io.github.bucket4j.BucketConfiguration;

import roofnest.app.firm.Buckets;

/**
 * How much a script may ask: each key 120 times at once and two a second for long, whichever machine answers; and from one address sixty
 * wrong keys at once and one in ten seconds, so that none is guessed.
 */
@Component
class ScriptLimits {
    static final int AT_ONCE = 120;
    private static final Duration EACH = Duration.ofMillis(500);
    private static final int WRONG_AT_ONCE = 60;
    private static final Duration WRONG_EACH = Duration.ofSeconds(10);

    private final Buckets buckets;

    ScriptLimits(Buckets buckets) {
        this.buckets = buckets;
    }

    /** Counts one request. @return how long it has to wait; zero when it need not */
    Duration ask(long keyId) {
        return buckets.take("script " + keyId, limit(AT_ONCE, EACH));
    }

    /** Counts one that came with a wrong key, or with none. */
    Duration wrong(String address) {
        return buckets.take("script address " + Buckets.site(address), limit(WRONG_AT_ONCE, WRONG_EACH));
    }

    private static BucketConfiguration limit(int atOnce, Duration each) {
        return BucketConfiguration.builder().addLimit(limit -> limit.capacity(atOnce).refillGreedy(1, each)).build();
    }
}
