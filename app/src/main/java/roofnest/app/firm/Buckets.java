package roofnest.app.firm;

import java.time.Clock;
import java.time.Duration;
import java.util.concurrent.TimeUnit;

import javax.sql.DataSource;

import org.springframework.stereotype.Component;

import inet.ipaddr.IPAddress;
import inet.ipaddr.IPAddressString;
import io.github.bucket4j.BucketConfiguration;
import io.github.bucket4j.ConsumptionProbe;
import io.github.bucket4j.TimeMeter;
import io.github.bucket4j.distributed.ExpirationAfterWriteStrategy;
import io.github.bucket4j.distributed.jdbc.PrimaryKeyMapper;
import io.github.bucket4j.distributed.proxy.ProxyManager;
import io.github.bucket4j.postgresql.Bucket4jPostgreSQL;

/** Counts what may be done only so often, in the database, so that it counts over all machines that answer. */
@Component
public class Buckets {
    /** Networks at home are given out by 64 bits: whoever has one has all addresses of it. */
    private static final int IPV6_SITE_BITS = 64;
    private static final Duration KEPT_AFTER_FULL = Duration.ofMinutes(10);

    private final ProxyManager<String> buckets;

    Buckets(DataSource database, Clock clock) {
        this.buckets = Bucket4jPostgreSQL.selectForUpdateBasedBuilder(database).primaryKeyMapper(PrimaryKeyMapper.STRING)
                .table("rate_limit").idColumn("id").stateColumn("state").expiresAtColumn("expires_at")
                .clientClock(new Ticks(clock))
                .expirationAfterWrite(ExpirationAfterWriteStrategy.basedOnTimeForRefillingBucketUpToMax(KEPT_AFTER_FULL))
                .build();
    }

    /** Counts one. @return how long it has to wait before it may be done; zero when it need not */
    public Duration take(String key, BucketConfiguration limit) {
        ConsumptionProbe probe = buckets.builder().build(key, limit).tryConsumeAndReturnRemaining(1);
        return probe.isConsumed() ? Duration.ZERO : Duration.ofNanos(Math.max(1, probe.getNanosToWaitForRefill()));
    }

    /** It counts no longer. */
    void giveBack(String key, BucketConfiguration limit) {
        buckets.builder().build(key, limit).addTokens(1);
    }

    void forget(String key) {
        buckets.removeProxy(key);
    }

    /** What of an address is one household's or one office's. */
    public static String site(String address) {
        IPAddress ip = new IPAddressString(address).getAddress();
        if (ip == null) {
            return address;
        }
        return ip.isIPv6() && !ip.toIPv6().isIPv4Mapped() ? ip.toPrefixBlock(IPV6_SITE_BITS).toCanonicalString()
                : ip.isIPv6() ? ip.toIPv6().getEmbeddedIPv4Address().toCanonicalString() : ip.toCanonicalString();
    }

    private record Ticks(Clock clock) implements TimeMeter {
        @Override
        public long currentTimeNanos() {
            return TimeUnit.MILLISECONDS.toNanos(clock.millis());
        }

        @Override
        public boolean isWallClockBased() {
            return true;
        }
    }
}
