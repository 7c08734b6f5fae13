package roofnest.app.firm;

import java.time.Duration;
import java.time.OffsetDateTime;
import java.util.HexFormat;
import java.util.List;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

import io.github.bucket4j.BucketConfiguration;

import roofnest.app.watch.Purged;
import roofnest.app.web.LinkTokens;

/**
 * Makes guessing slow without keeping the right person out. Every try is counted before its password is looked at, so that
 * guesses sent at once do not get past the count, and given back when it was right.
 * <p>
 * In a browser in which the person signed in before, only that browser's own tries count. Elsewhere a try counts for the account
 * from this address, for the account from anywhere, and for the address over all accounts: many guesses at one account, from
 * anywhere, and a few at many accounts are all slowed. Accounts that nobody has count alike, so a delay tells nothing.
 */
@Component
class SignInLimits implements Purged {
    /** Tries at once, and how long until each next one. */
    enum Limit {
        DEVICE(10, Duration.ofSeconds(30)),
        ACCOUNT_FROM_ADDRESS(5, Duration.ofSeconds(30)),
        ACCOUNT(20, Duration.ofMinutes(3)),
        ADDRESS(30, Duration.ofSeconds(20));

        final int tries;
        final Duration each;

        Limit(int tries, Duration each) {
            this.tries = tries;
            this.each = each;
        }

        private BucketConfiguration configuration() {
            return BucketConfiguration.builder().addLimit(limit -> limit.capacity(tries).refillGreedy(1, each)).build();
        }
    }

    private final Buckets buckets;
    private final JdbcClient jdbc;
    private final LinkTokens tokens;

    SignInLimits(Buckets buckets, JdbcClient jdbc, LinkTokens tokens) {
        this.buckets = buckets;
        this.jdbc = jdbc;
        this.tokens = tokens;
    }

    /**
     * One try to sign in.
     *
     * @param address that the request came from
     * @param email as it is kept
     * @param device hash of what this browser keeps, if the person signed in with it before; null elsewhere
     */
    record Attempt(String address, String email, byte[] device) {
        private List<Counted> counted() {
            if (device != null) {
                return List.of(new Counted(Limit.DEVICE, email + " " + HexFormat.of().formatHex(device)));
            }
            String site = Buckets.site(address);
            return List.of(new Counted(Limit.ADDRESS, site), new Counted(Limit.ACCOUNT_FROM_ADDRESS, email + " " + site),
                    new Counted(Limit.ACCOUNT, email));
        }
    }

    private record Counted(Limit limit, String of) {}

    /** Counts a try. @return how long it has to wait before it may be looked at; zero when it need not */
    Duration begin(Attempt attempt) {
        for (Counted counted : attempt.counted()) {
            Duration wait = buckets.take(key(counted), counted.limit().configuration());
            if (!wait.isZero()) {
                return wait;
            }
        }
        return Duration.ZERO;
    }

    /** It was right: it counts no longer, nor do earlier slips at this account from here. */
    void right(Attempt attempt) {
        for (Counted counted : attempt.counted()) {
            if (counted.limit() == Limit.DEVICE || counted.limit() == Limit.ACCOUNT_FROM_ADDRESS) {
                buckets.forget(key(counted));
            } else {
                buckets.giveBack(key(counted), counted.limit().configuration());
            }
        }
    }

    private String key(Counted counted) {
        return HexFormat.of().formatHex(tokens.hash(counted.limit() + " " + counted.of()));
    }

    @Override
    public String what() {
        return "counts of attempts";
    }

    @Override
    public int purge(OffsetDateTime before) {
        return jdbc.sql("delete from rate_limit where expires_at < :before or expires_at is null")
                .param("before", before.toInstant().toEpochMilli()).update();
    }
}
