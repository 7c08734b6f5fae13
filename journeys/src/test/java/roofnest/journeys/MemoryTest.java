package roofnest.journeys;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.BufferedInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.net.http.HttpClient;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What a password leaves behind in the memory of the application once it was typed, shown, and other work has been done: nothing. */
@Journey
class MemoryTest {
    private static final String PASSWORD = "nine-wet-lapwings-41";
    private static final int OTHER_WORK = 60;

    @TempDir private Path folder;

    @Test
    void a_password_that_was_typed_and_shown_is_not_kept_in_memory(Visit visit) throws Exception {
        RunningApp app = visit.app();
        Hand hand = new Hand(HttpClient.newHttpClient(), app.url()).signedIn("tamsin@ladderhall.example");
        String house = hand.send("/households", Map.of("name", "Lapwing", "address", "3 Plover Field")).headers().firstValue("Location")
                .orElseThrow().replaceAll("(/households/[0-9]+).*", "$1");
        assertThat(hand.send(house + "/ready/label", Map.of("code", "WIFI:T:WPA;S:lapwing;P:" + PASSWORD + ";;")).statusCode())
                .isEqualTo(302);
        assertThat(hand.send(house + "/ready/reveal", Map.of()).body()).contains(PASSWORD);
        for (int i = 0; i < OTHER_WORK; i++) {
            hand.get(house + (i % 2 == 0 ? "/care" : "/survey"));
        }
        Path heap = folder.resolve("heap.hprof");
        Process dump
                = new ProcessBuilder("jcmd", String.valueOf(app.pid()), "GC.heap_dump", heap.toString()).redirectErrorStream(true).start();
        String said = new String(dump.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        assertThat(dump.waitFor()).as(said).isZero();
        // The search finds what is there.
        assertThat(holds(heap, "ladderhall.example".getBytes(StandardCharsets.ISO_8859_1))).isTrue();
        assertThat(holds(heap, PASSWORD.getBytes(StandardCharsets.ISO_8859_1))).as("as text of a byte a letter").isFalse();
        assertThat(holds(heap, PASSWORD.getBytes(StandardCharsets.UTF_16BE))).as("as text of two").isFalse();
        assertThat(holds(heap, PASSWORD.getBytes(StandardCharsets.UTF_16LE))).as("as characters").isFalse();
    }

    private static boolean holds(Path file, byte[] wanted) throws IOException {
        byte[] window = new byte[1 << 20];
        int kept = 0;
        try (InputStream in = new BufferedInputStream(Files.newInputStream(file))) {
            for (int read = in.read(window, kept, window.length - kept); read > 0; read = in.read(window, kept, window.length - kept)) {
                int end = kept + read;
                if (new String(window, 0, end, StandardCharsets.ISO_8859_1).contains(new String(wanted, StandardCharsets.ISO_8859_1))) {
                    return true;
                }
                kept = Math.min(wanted.length - 1, end);
                System.arraycopy(window, end - kept, window, 0, kept);
            }
        }
        return false;
    }
}
