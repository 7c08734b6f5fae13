package roofnest.app.web;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Links begin with what is set, and a start with nonsense is refused rather than mailed. */
class SiteTest {
    @Test
    void an_address_is_taken_without_what_stands_at_its_end() {
        assertThat(new Site("https://nest.example/").address()).isEqualTo("https://nest.example");
        assertThat(new Site(" http://127.0.0.1:8420 ").address()).isEqualTo("http://127.0.0.1:8420");
    }

    @ParameterizedTest
    @ValueSource(strings = {"nest.example", "ftp://nest.example", "https://", "https://nest.example?x=1", "https://me@nest.example", ""})
    void what_is_no_address_of_a_site_is_refused(String address) {
        assertThatThrownBy(() -> new Site(address)).isInstanceOf(IllegalArgumentException.class);
    }
}
