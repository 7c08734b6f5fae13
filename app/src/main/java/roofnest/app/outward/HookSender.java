package roofnest.app.outward;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.security.GeneralSecurityException;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.HexFormat;
import java.util.List;
import java.util.Optional;

import javax.crypto.Mac;
import javax.crypto.spec.SecretKeySpec;

import jakarta.annotation.PreDestroy;

import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataAccessException;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.springframework.util.function.SingletonSupplier;
import org.springframework.transaction.TransactionException;

/**
 * Tells addresses what is due. Each body is signed with its time (HMAC-SHA-256, RFC 2104), so that nobody else tells it, nor tells it
 * later.
 */
@Component
class HookSender {
    static final String SIGNATURE = "Roof-Nest-Signature";
    private static final Logger LOG = LoggerFactory.getLogger(HookSender.class);
    private static final String HMAC = "HmacSHA256";
    private static final Duration PATIENCE = Duration.ofSeconds(10);
    private static final Duration ROUND = Duration.ofSeconds(30);
    private static final int OK_FROM = 200;
    private static final int OK_TO = 299;

    private final DueHooks hooks;
    private final HookAddresses addresses;
    private final Clock clock;
    /** Made when something is told for the first time: a client reads the certificates of the machine, which a start need not wait for. */
    private final SingletonSupplier<HttpClient> client = SingletonSupplier.of(
            () -> HttpClient.newBuilder().connectTimeout(PATIENCE).followRedirects(HttpClient.Redirect.NEVER).build());
    private volatile boolean closing;

    HookSender(DueHooks hooks, HookAddresses addresses, Clock clock) {
        this.hooks = hooks;
        this.addresses = addresses;
        this.clock = clock;
    }

    @Scheduled(initialDelayString = "PT2M", fixedDelayString = "PT1M")
    void round() {
        try {
            hooks.gather();
            // One by one, so that none is held for longer than its own telling takes; and not for ever, for others wait for their turn.
            Instant until = clock.instant().plus(ROUND);
            List<DueHooks.Telling> next = hooks.claim(1);
            while (!closing && !next.isEmpty()) {
                tell(next.get(0));
                next = clock.instant().isBefore(until) ? hooks.claim(1) : List.of();
            }
        } catch (DataAccessException | TransactionException e) {
            // The database is away: what was to be told stands there still, and the next round tells it.
            LOG.warn("nothing is told while the database is away: {}", e.getMessage());
        }
    }

    private void tell(DueHooks.Telling telling) {
        URI uri = URI.create(telling.url());
        Optional<String> closed = addresses.closed(uri);
        if (closed.isPresent() || telling.word().isEmpty()) {
            hooks.refused(telling, closed.orElse("the word that signs it cannot be opened: the key of this installation is another"));
            return;
        }
        try {
            long at = clock.instant().getEpochSecond();
            HttpResponse<Void> answer = client.obtain()
                    .send(HttpRequest.newBuilder(uri).timeout(PATIENCE).header("Content-Type", "application/json")
                            .header(SIGNATURE, "t=" + at + ", v1=" + signature(telling.word().get(), at, telling.body()))
                            .header("Roof-Nest-Telling", String.valueOf(telling.id()))
                            .POST(HttpRequest.BodyPublishers.ofString(telling.body())).build(), HttpResponse.BodyHandlers.discarding());
            String said = "answered " + answer.statusCode();
            if (answer.statusCode() >= OK_FROM && answer.statusCode() <= OK_TO) {
                hooks.taken(telling.id(), said);
            } else {
                hooks.refused(telling, said);
            }
        } catch (IOException e) {
            hooks.refused(telling, "no answer: " + e.getClass().getSimpleName());
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    /** Over the time, a full stop and the body, as hexadecimal digits. */
    static String signature(String word, long at, String body) {
        try {
            Mac mac = Mac.getInstance(HMAC);
            mac.init(new SecretKeySpec(word.getBytes(StandardCharsets.UTF_8), HMAC));
            return HexFormat.of().formatHex(mac.doFinal((at + "." + body).getBytes(StandardCharsets.UTF_8)));
        } catch (GeneralSecurityException e) {
            throw new IllegalStateException("every Java has " + HMAC, e);
        }
    }

    @PreDestroy
    void close() {
        closing = true;
    }
}
