package roofnest.app.records;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;

class RouterAddressesTest {
    /** Kept before as much was asked of an address, or brought in with a household. */
    @Test
    void addresses_that_are_none_are_as_good_as_not_known() {
        assertThat(new RouterRepository.Addresses("192.168.7.1/24", "192.168.7.10", "192.168.7.19", 2).understood()).isPresent();
        assertThat(new RouterRepository.Addresses("192.168.1/24", "192.168.7.10", "192.168.7.19", 2).understood()).isEmpty();
        assertThat(new RouterRepository.Addresses("192.168.7.1/24", "-2147483649", "", 2).understood()).isEmpty();
    }
}
