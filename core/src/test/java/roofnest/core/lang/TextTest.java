package roofnest.core.lang;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class TextTest {
    @ParameterizedTest
    @ValueSource(ints = {0, 7, 0x1B, 0x7F, 0x85, 0xFFFE, 0xFFFF, 0xFDD0, 0xFDEF, 0x1FFFE, 0x10FFFF, 0xD800, 0xDFFF})
    void signs_that_nothing_shows_are_found_and_taken_out(int sign) {
        String text = "a" + new String(new int[] {sign}, 0, 1) + "b";
        assertThat(Text.hasControls(text)).isTrue();
        assertThat(Text.cleaned(text)).isEqualTo("ab");
    }

    @ParameterizedTest
    @ValueSource(ints = {'\t', '\n', '\r', ' ', 0xA0, 0xFDCF, 0xFDF0, 0xFFFD, 0x1F954, 0x20000})
    void what_is_shown_or_parts_words_stays(int sign) {
        String text = "a" + new String(new int[] {sign}, 0, 1) + "b";
        assertThat(Text.hasControls(text)).isFalse();
        assertThat(Text.cleaned(text)).isEqualTo(text);
    }
}
