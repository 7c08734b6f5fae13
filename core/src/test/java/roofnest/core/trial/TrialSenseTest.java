package roofnest.core.trial;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.Set;

import org.junit.jupiter.api.Test;

import roofnest.core.WeirSteps;
import roofnest.core.access.Access;
import roofnest.core.catalogue.Catalogue;
import roofnest.core.judge.Camera;
import roofnest.core.judge.HouseholdFacts;
import roofnest.core.judge.HouseholdJudge;
import roofnest.core.power.Climate;
import roofnest.core.radio.LinkBudget;
import roofnest.core.view.CameraPose;

class TrialSenseTest {
    @Test
    void of_five_rings_the_slowest_counts_and_half_are_told() {
        Rings rings = new Rings(List.of(3.0, 2.0, 4.4, 3.2, 2.9), 0);
        assertThat(rings.passed()).isTrue();
        assertThat(rings.worstS()).isEqualTo(4.4);
        assertThat(rings.medianS()).isEqualTo(3.0);
        assertThat(rings.said()).isEqualTo("5 rings, half of them within 3.0 s, the slowest 4.4 s.");
    }

    @Test
    void one_silence_of_five_has_failed() {
        Rings rings = new Rings(List.of(3.0, 2.0, 2.0, 2.0), 1);
        assertThat(rings.passed()).isFalse();
        assertThat(rings.said()).startsWith("1 of 5 times it did not ring; 4 rings");
        assertThat(new Rings(List.of(), 5).said()).isEqualTo("It never rang, 5 times tried.");
        assertThat(new Rings(List.of(2.0), 4).said()).endsWith("one ring, the slowest 2.0 s.");
        assertThatThrownBy(() -> new Rings(List.of(), 5).worstS()).isInstanceOf(IllegalStateException.class);
    }

    @Test
    void fewer_or_more_or_impossible_rings_are_no_test() {
        assertThatThrownBy(() -> new Rings(List.of(3.0, 2.0), 0)).hasMessageContaining("rings");
        assertThatThrownBy(() -> new Rings(List.of(3.0, 2.0, 2.0, 2.0, 2.0), 1)).hasMessageContaining("rings");
        assertThatThrownBy(() -> new Rings(List.of(3.0, 2.0, 2.0, 2.0, 0.01), 0)).hasMessageContaining("seconds to the ring");
        assertThatThrownBy(() -> new Rings(List.of(3.0, 2.0, 2.0, 2.0, Double.NaN), 0)).hasMessageContaining("seconds to the ring");
    }

    /** The link of a camera behind a stone wall: −20 dBm cannot be, a little more than predicted can, and so can much less. */
    @Test
    void a_signal_that_no_wall_lets_through_is_asked_about() {
        LinkBudget link = link(new CameraPose(11.4, 2.0, 2.4, 121, 12));
        assertThat(SignalDoubt.of(-20, Optional.of(link))).get().asString().contains("on top of a router");
        double tooGood = link.rssiDbm() + 3 * link.sigmaDb() + 0.1;
        assertThat(SignalDoubt.of(tooGood, Optional.of(link))).get().asString().contains("more than", "by the plan");
        assertThat(SignalDoubt.of(tooGood - 0.2, Optional.of(link))).isEmpty();
        assertThat(SignalDoubt.of(-95, Optional.of(link))).isEmpty();
        assertThat(SignalDoubt.of(-40, Optional.empty())).as("nothing to compare it with").isEmpty();
        assertThat(SignalDoubt.of(-20, Optional.empty())).isPresent();
    }

    private static LinkBudget link(CameraPose pose) {
        Camera camera = new Camera(7, "Eye", Catalogue.shipped().get("dunmark-post"), pose, Set.of(), Camera.Settings.DEFAULT, true, true,
                true, Optional.empty());
        HouseholdFacts facts = new HouseholdFacts(Optional.of(WeirSteps.plan()), List.of(camera), List.of(), Optional.empty(), 0,
                new Access(List.of(), List.of()), List.of(), Climate.MILD_COAST, LocalDate.of(2026, 12, 3), false);
        return HouseholdJudge.of(facts).link(facts, camera).orElseThrow();
    }
}
