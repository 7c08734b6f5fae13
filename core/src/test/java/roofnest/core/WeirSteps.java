package roofnest.core;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;

import roofnest.core.plan.HousePlan;
import roofnest.core.plan.PlanDocument;
import roofnest.core.plan.PlanRefused;

/** The plan of the house that most tests stand in. */
public final class WeirSteps {
    private WeirSteps() {}

    public static String document() {
        try (var in = WeirSteps.class.getResourceAsStream("/weir-steps.json")) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    public static HousePlan plan() {
        try {
            return new PlanDocument().read(document());
        } catch (PlanRefused e) {
            throw new IllegalStateException(e);
        }
    }
}
