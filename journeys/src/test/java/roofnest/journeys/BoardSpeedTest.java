package roofnest.journeys;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;

import org.hipparchus.stat.descriptive.rank.Percentile;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.EnabledIfSystemProperty;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.BoundingBox;

/** Figures, not a test: from pointer move to repainted promises in the largest house; {@code bin/bench browser} runs it. */
@Journey
@EnabledIfSystemProperty(named = "roofnest.board-speed", matches = "true")
class BoardSpeedTest {
    private static final int ROUNDS = 5;
    private static final int TURN = 40;
    /** Whole turns: a round that ended elsewhere would have the next one look at something else. */
    private static final int POSES = 5 * TURN;
    private static final int EVERY_MS = 60;

    @Test
    void dragging_a_camera(Visit visit) throws IOException {
        visit.as("jory").household("Merrin").survey();
        Page page = visit.page();
        String script = new String(getClass().getResourceAsStream("/board-speed.js").readAllBytes(), StandardCharsets.UTF_8);
        for (int round = 1; round <= ROUNDS; round++) {
            BoundingBox at = page.locator(".perch-body").boundingBox();
            page.mouse().move(at.x + at.width / 2, at.y + at.height / 2);
            page.mouse().down();
            @SuppressWarnings("unchecked")
            List<Number> times = (List<Number>) page.evaluate(script, Map.of("poses", POSES, "turn", TURN, "everyMs", EVERY_MS));
            page.mouse().up();
            assertThat(times).isNotEmpty();
            double[] ms = times.stream().mapToDouble(Number::doubleValue).toArray();
            Percentile percentile = new Percentile();
            System.out.printf("round %d: %d poses, %d painted, p50 %.0f ms, p95 %.0f ms%n", round, POSES, ms.length,
                    percentile.evaluate(ms, 50), percentile.evaluate(ms, 95));
        }
    }
}
