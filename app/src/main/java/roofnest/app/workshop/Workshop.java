package roofnest.app.workshop;

import java.time.Duration;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.function.Function;

import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.ModelAndView;

import com.github.benmanes.caffeine.cache.AsyncCache;
import com.github.benmanes.caffeine.cache.Caffeine;

import jakarta.annotation.PreDestroy;
import roofnest.app.watch.Metrics;

/**
 * Makes files of what was drawn. A file is known by the whole text that it is made of, so that it is kept for exactly as long
 * as it would come out the same, and two who ask for it at once wait for the same work.
 */
@Component
public class Workshop {
    private static final Duration PATIENCE = Duration.ofMillis(300);
    private static final Duration KEPT = Duration.ofMinutes(30);
    private static final long MOST_BYTES = 64_000_000;
    private static final int BENCHES = 2;

    private final ExecutorService benches = Executors.newFixedThreadPool(BENCHES);
    private final AsyncCache<Piece, byte[]> made;

    Workshop(Metrics metrics) {
        made = Caffeine.newBuilder().executor(Runnable::run).recordStats()
                .maximumWeight(MOST_BYTES).weigher((Piece piece, byte[] file) -> 2 * piece.drawn().length() + file.length)
                .expireAfterAccess(KEPT).buildAsync();
        metrics.watched("workshop", made.synchronous());
    }

    /** @param drawn all that the file is made of */
    private record Piece(String kind, String drawn) {}

    /**
     * The file, or a page that waits for it.
     *
     * @param what the file in words, as “The hand-over pack”
     * @param kind of file; pieces of another kind are other files
     * @param work makes the file; touches neither the request nor the database
     * @param file the answer with the file in it
     */
    public Object answer(String what, String kind, String drawn, Function<String, byte[]> work, Function<byte[], ?> file) {
        Piece asked = new Piece(kind, drawn);
        CompletableFuture<byte[]> making
                = made.get(asked, (piece, unused) -> CompletableFuture.supplyAsync(() -> work.apply(piece.drawn()), benches));
        try {
            return file.apply(making.get(PATIENCE.toMillis(), TimeUnit.MILLISECONDS));
        } catch (TimeoutException stillMaking) {
            ModelAndView page = new ModelAndView("making", HttpStatus.ACCEPTED);
            page.addObject("what", what);
            return page;
        } catch (ExecutionException failed) {
            // Before anybody asks again, so that they do not meet the same failure.
            made.asMap().remove(asked, making);
            throw new CompletionException(what + " could not be made", failed.getCause());
        } catch (InterruptedException stopped) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(what + " was interrupted", stopped);
        }
    }

    @PreDestroy
    void close() {
        benches.shutdownNow();
    }
}
