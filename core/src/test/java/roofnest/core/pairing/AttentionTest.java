package roofnest.core.pairing;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.util.List;
import java.util.Optional;

import org.junit.jupiter.api.Test;

import roofnest.core.catalogue.Catalogue;
import roofnest.core.catalogue.PairingMethod.Way;

class AttentionTest {
    private static final Script POST = Scripts.of(Way.HOTSPOT, Catalogue.shipped().get("dunmark-post"), "weirhouse");
    private static final Script DRIFT = Scripts.of(Way.HUB_BUTTON, Catalogue.shipped().get("pellan-drift"), "weirhouse");

    @Test
    void what_boots_is_left_alone_and_hands_go_to_the_next() {
        List<Attention> attention = Attention.of(List.of(at("Gate", POST, "boot", 5), at("Yard", POST, "power", 0)));
        assertThat(attention).extracting(Attention::device).containsExactly("Yard", "Gate");
        assertThat(attention).extracting(Attention::kind).containsExactly(Attention.Kind.NOW, Attention.Kind.WAITING);
        assertThat(attention.get(1).secondsLeft()).isEqualTo(POST.step("boot").expected().toSeconds() - 5);
    }

    @Test
    void of_those_that_are_due_the_one_that_has_waited_longest_comes_first() {
        assertThat(Attention.of(List.of(at("Gate", POST, "boot", 40), at("Yard", POST, "boot", 400)))).extracting(Attention::device)
                .containsExactly("Yard", "Gate");
    }

    @Test
    void a_phone_is_on_one_wifi_at_a_time() {
        List<Attention> attention
                = Attention.of(List.of(at("Gate", POST, "details", 2), at("Yard", POST, "hotspot", 2), at("Hall", POST, "power", 0)));
        assertThat(kind(attention, "Yard")).isEqualTo(Attention.Kind.BLOCKED);
        assertThat(attention.stream().filter(each -> each.device().equals("Yard")).findFirst().orElseThrow().words())
                .isEqualTo("the phone is with Gate");
        assertThat(kind(attention, "Hall")).isEqualTo(Attention.Kind.NOW);
        assertThat(kind(attention, "Gate")).isEqualTo(Attention.Kind.NOW);
    }

    @Test
    void a_camera_waits_for_its_hub_but_may_boot_meanwhile() {
        Attention.Device waiting = new Attention.Device("Door", DRIFT.step("hub-button"), Duration.ZERO, Optional.of("Perch"));
        Attention.Device booting = new Attention.Device("Bell", DRIFT.step("power"), Duration.ZERO, Optional.of("Perch"));
        List<Attention> attention = Attention.of(List.of(waiting, booting));
        assertThat(kind(attention, "Door")).isEqualTo(Attention.Kind.BLOCKED);
        assertThat(kind(attention, "Bell")).isEqualTo(Attention.Kind.NOW);
    }

    @Test
    void an_update_goes_on_by_itself_and_what_is_done_comes_last() {
        List<Attention> attention
                = Attention.of(List.of(at("Gate", POST, "done", 0), at("Yard", POST, "update", 30), at("Hall", POST, "password", 0)));
        assertThat(attention).extracting(Attention::kind).containsExactly(Attention.Kind.NOW, Attention.Kind.WAITING, Attention.Kind.DONE);
    }

    private static Attention.Kind kind(List<Attention> attention, String device) {
        return attention.stream().filter(each -> each.device().equals(device)).findFirst().orElseThrow().kind();
    }

    private static Attention.Device at(String name, Script script, String step, int seconds) {
        return new Attention.Device(name, script.step(step), Duration.ofSeconds(seconds), Optional.empty());
    }
}
