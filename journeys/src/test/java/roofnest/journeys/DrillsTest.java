package roofnest.journeys;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.http.HttpClient;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.locks.LockSupport;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.EnabledIfSystemProperty;

/**
 * The application and its database are killed over and over at random points of others' work, by {@code bin/bench drills}: what was
 * answered is there, once; nobody of another firm sees anything; nothing but "away" is ever said.
 */
@EnabledIfSystemProperty(named = "roofnest.drills", matches = "[0-9]+")
class DrillsTest {
    private static final int HANDS = 4;
    private static final int MOST_ACTS_BETWEEN = 30;
    private static final long SEED = 20_261_126;
    private static final long STUCK_S = 120;
    private static final long BREATH_NS = Duration.ofMillis(50).toNanos();

    private final Semaphore answered = new Semaphore(0);
    private final AtomicBoolean over = new AtomicBoolean();

    @Test
    void nothing_that_was_answered_is_lost() throws Exception {
        int kills = Integer.getInteger("roofnest.drills");
        Random random = new Random(Long.getLong("roofnest.drills-seed", SEED));
        HttpClient client = HttpClient.newBuilder().connectTimeout(Duration.ofSeconds(5)).build();
        ExecutorService hands = Executors.newFixedThreadPool(HANDS + 1);
        try (RunningApp app = RunningApp.withDemoWorld()) {
            String house = "/households/" + app.number("select id from household where name like '%Osgood%'");
            List<Future<Hand>> working = new ArrayList<>();
            for (int i = 0; i < HANDS; i++) {
                Hand hand = new Hand(client, app.url()).signedIn(i % 2 == 0 ? "jory@ladderhall.example" : "tamsin@ladderhall.example");
                String name = "Drill " + i;
                working.add(hands.submit(() -> notes(hand, house, name)));
            }
            Hand other = new Hand(client, app.url()).signedIn("petra@marramlane.example");
            Future<Hand> looking = hands.submit(() -> looks(other, house));
            int ofTheDatabase = 0;
            for (int kill = 0; kill < kills; kill++) {
                int acts = 1 + random.nextInt(MOST_ACTS_BETWEEN);
                assertThat(answered.tryAcquire(acts, STUCK_S, TimeUnit.SECONDS)).as("it goes on after kill " + kill).isTrue();
                if (random.nextBoolean()) {
                    killDatabase();
                    ofTheDatabase++;
                } else {
                    app.kill();
                    app.startAgain();
                }
            }
            assertThat(answered.tryAcquire(MOST_ACTS_BETWEEN, STUCK_S, TimeUnit.SECONDS)).as("it goes on at last").isTrue();
            over.set(true);
            Map<Integer, Integer> seen = new TreeMap<>();
            int broken = 0;
            List<String> acknowledged = new ArrayList<>();
            for (Future<Hand> each : working) {
                Hand hand = each.get();
                acknowledged.addAll(hand.acknowledged());
                hand.seen().forEach((status, times) -> seen.merge(status, times, Integer::sum));
                broken += hand.broken();
            }
            long rows = app.number("select count(*) from log_entry where words like 'Drill %'");
            long different = app.number("select count(distinct words) from log_entry where words like 'Drill %'");
            System.out.printf("%d kills, %d of them of the database; %d acts answered, %d there, %d of them different; answers %s, "
                    + "%d times nobody answered; another firm saw %s%n", kills, ofTheDatabase, acknowledged.size(), rows, different, seen,
                    broken, looking.get().seen());
            Files.writeString(Path.of("target/drills.log"), app.output());
            assertThat(app.output().lines().filter(line -> line.contains("Unforeseen")).toList()).as("faults of the server").isEmpty();
            assertThat(different).as("each once").isEqualTo(rows);
            assertThat(rows).as("all that was answered").isEqualTo(acknowledged.size());
            assertThat(seen.keySet()).isSubsetOf(200, 204, 302, 503);
            assertThat(looking.get().faults()).as("what another firm was told").isEmpty();
            assertThat(looking.get().seen().keySet()).isSubsetOf(200, 302, 404, 503);
        } finally {
            over.set(true);
            hands.shutdownNow();
        }
    }

    private Hand notes(Hand hand, String house, String name) throws InterruptedException {
        for (int n = 0; !over.get(); n++) {
            hand.note(house, name + ", act " + n);
            answered.release();
        }
        return hand;
    }

    /** Somebody of another firm: the house is not there for them, whatever happens. */
    private Hand looks(Hand hand, String house) throws InterruptedException {
        while (!over.get()) {
            try {
                assertThat(hand.get(house + "/care").body()).doesNotContain("Drill ");
                LockSupport.parkNanos(BREATH_NS);
            } catch (IOException away) {
                LockSupport.parkNanos(BREATH_NS);
            }
        }
        return hand;
    }

    private static void killDatabase() throws IOException, InterruptedException {
        Process process
                = new ProcessBuilder("../bin/bench", "kill-database", System.getenv("ROOFNEST_DRILL_HOME")).redirectErrorStream(true)
                        .start();
        process.getOutputStream().close();
        String said = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        assertThat(process.waitFor()).as(said).isZero();
    }
}
