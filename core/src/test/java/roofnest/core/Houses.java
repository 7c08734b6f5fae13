package roofnest.core;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;

import roofnest.core.plan.HousePlan;
import roofnest.core.plan.PlanDocument;
import roofnest.core.document.DocumentRefused;

/** The houses of the demo world, for tests to stand in. */
public final class Houses {
    private Houses() {}

    public static String document(String name) {
        try (var in = Houses.class.getResourceAsStream("/" + name + ".json")) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    public static HousePlan plan(String name) {
        try {
            return new PlanDocument().read(document(name));
        } catch (DocumentRefused e) {
            throw new IllegalStateException(e);
        }
    }
}
