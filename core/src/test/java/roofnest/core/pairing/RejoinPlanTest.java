package roofnest.core.pairing;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;

import org.junit.jupiter.api.Test;

import roofnest.core.catalogue.PairingMethod.Way;

class RejoinPlanTest {
    private static final RejoinPlan.Old SOUND = new RejoinPlan.Old("weirhouse", 18, true, true, List.of());

    @Test
    void a_sound_name_and_password_are_kept() {
        RejoinPlan plan = RejoinPlan.of(SOUND, true, List.of(), 9);
        assertThat(plan.canKeep()).isTrue();
        assertThat(plan.shouldKeep()).isTrue();
        assertThat(plan.reasons()).singleElement().asString().contains("comes back by itself");
        assertThat(plan.minutes()).isEqualTo(18);
    }

    @Test
    void what_was_weak_or_known_to_leavers_is_not_carried_on_though_it_could_be() {
        RejoinPlan weak = RejoinPlan.of(new RejoinPlan.Old("weirhouse", 8, true, true, List.of()), true, List.of(), 0);
        assertThat(weak.canKeep()).isTrue();
        assertThat(weak.shouldKeep()).isFalse();
        assertThat(weak.reasons()).singleElement().asString().contains("8 characters");
        RejoinPlan known = RejoinPlan.of(new RejoinPlan.Old("weirhouse", 18, true, true, List.of("Corin Ashdown")), true, List.of(), 0);
        assertThat(known.shouldKeep()).isFalse();
        assertThat(known.reasons()).singleElement().asString().contains("Corin Ashdown has left");
        assertThat(RejoinPlan.of(new RejoinPlan.Old("x", 0, true, false, List.of()), true, List.of(), 0).shouldKeep()).isFalse();
    }

    @Test
    void what_nobody_wrote_down_or_no_router_takes_cannot_be_kept() {
        assertThat(RejoinPlan.of(new RejoinPlan.Old("weirhouse", 0, false, true, List.of()), true, List.of(), 0).canKeep()).isFalse();
        assertThat(RejoinPlan.of(SOUND, false, List.of(), 0).canKeep()).isFalse();
    }

    @Test
    void hubs_come_first_then_the_fussiest_their_cameras_follow_and_what_is_done_comes_last() {
        RejoinPlan plan = RejoinPlan.of(SOUND, true, List.of(
                device(1, "Easy", false, Optional.empty(), 0.95, 4, false), device(2, "Fussy", false, Optional.empty(), 0.6, 9, false),
                device(3, "Bell", false, Optional.of("Perch"), 0.8, 4, false), device(4, "Perch", true, Optional.empty(), 0.9, 6, false),
                device(5, "Done", false, Optional.empty(), 0.5, 9, true)), 3);
        assertThat(plan.order()).extracting(line -> line.device().name()).containsExactly("Perch", "Fussy", "Easy", "Bell", "Done");
        assertThat(plan.order().get(3).how()).contains("follows when Perch");
        assertThat(plan.minutes()).isEqualTo(6 + 9 + 4 + 0 + 2 * 3);
        assertThat(plan.done()).isEqualTo(1);
    }

    private static RejoinPlan.Device device(long id, String name, boolean hub, Optional<String> viaHub, double chance, double minutes,
            boolean done) {
        return new RejoinPlan.Device(id, name, hub, viaHub, Optional.of(new MethodOrder.Ranked(Way.HOTSPOT, minutes, 3, chance, 0)),
                minutes, done);
    }
}
