package roofnest.app.web;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** What follows from the address that an installation is reached by. */
class SiteTest {
    @ParameterizedTest
    @CsvSource({"http://127.0.0.1:8420, roofnest, false", "https://nest.example/, __Host-roofnest, true",
        "https://192.0.2.7, __Host-roofnest, true", "http://localhost:8420, roofnest, false"})
    void cookies_of_a_site_by_tls_can_be_set_by_no_other_host_and_no_plain_line(String address, String cookie, boolean secure) {
        Site site = new Site(address);
        assertThat(site.cookie("")).isEqualTo(cookie);
        assertThat(site.cookie("device")).isEqualTo(cookie + "-device");
        assertThat(site.secure()).isEqualTo(secure);
    }

    @ParameterizedTest
    @CsvSource({"http://127.0.0.1:8420,", "https://[2001:db8::1]:8443,", "http://nest.example,", "https://192.0.2.7,",
        "https://nest.example, nest.example", "http://localhost:8420, localhost"})
    void passkeys_are_bound_to_a_name_by_tls(String address, String name) {
        assertThat(new Site(address).passkeyName()).isEqualTo(java.util.Optional.ofNullable(name));
    }

    @ParameterizedTest
    @ValueSource(strings = {"nest.example", "ftp://nest.example", "https://nest.example/?a=b", "https://me@nest.example", "https:///x"})
    void what_is_no_address_of_a_site_is_said_at_the_start(String address) {
        assertThatThrownBy(() -> new Site(address)).isInstanceOf(IllegalArgumentException.class).hasMessageContaining("ROOFNEST_ADDRESS");
    }

    @Test
    void proxies_are_named_by_address() {
        new NamedProxies("");
        new NamedProxies(" 127.0.0.1 , 2001:db8::7");
        assertThatThrownBy(() -> new NamedProxies("127.0.0.1, front.example")).hasMessageContaining("front.example");
    }
}
