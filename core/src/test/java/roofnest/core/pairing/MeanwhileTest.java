package roofnest.core.pairing;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;

import org.junit.jupiter.api.Test;

class MeanwhileTest {
    @Test
    void only_what_is_still_to_do_is_offered() {
        assertThat(Meanwhile.of(true, "under the base", List.of(), 0)).isEmpty();
        assertThat(Meanwhile.of(false, "under the base", List.of("Hives eye", "Bell"), 9)).containsExactly(
                "Photograph the sticker (under the base) and read its serial.",
                "Unpack Hives eye and look whether its pack is full.",
                "Rejoin what the new Wi-Fi name cut off: 9 things.");
        assertThat(Meanwhile.of(true, "under the base", List.of(), 1)).singleElement().asString().endsWith("1 thing.");
    }
}
