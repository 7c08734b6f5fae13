package roofnest.app.mount;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;

import roofnest.core.catalogue.PowerSpec;

/** What is said of an adapter: against what the camera takes with its light on. */
class LeadViewTest {
    private static String adapter(Double ma) {
        return LeadView.adapter(new PowerSpec(0, 5, 100, 400, 300, 120, 0, 0, 3, null, null, null, null, null, ma));
    }

    @Test
    void an_adapter_that_is_too_weak_is_said_to_be() {
        assertThat(adapter(500.0))
                .isEqualTo("With its light on it takes up to 0.52 A at 5 V; its adapter gives 0.50 A, which is too little: "
                        + "bring one that gives more.");
        assertThat(adapter(520.0)).as("just enough").endsWith("its adapter gives 0.52 A.");
        assertThat(adapter(null)).as("nobody read its label").endsWith("look at the adapter’s label whether it gives that.");
    }
}
