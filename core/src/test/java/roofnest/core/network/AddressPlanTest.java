package roofnest.core.network;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;

import org.junit.jupiter.api.Test;

import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;

class AddressPlanTest {
    private static final AddressPlan HOUSE = AddressPlan.of("192.168.1.1/24", "192.168.1.20", "192.168.1.39", 17);

    @Test
    void the_pool_is_counted_both_ends_included() {
        assertThat(HOUSE.size()).isEqualTo(20);
        assertThat(HOUSE.free()).isEqualTo(3);
        assertThat(HOUSE.lacking(3)).isZero();
        assertThat(HOUSE.lacking(5)).isEqualTo(2);
    }

    @Test
    void a_device_with_an_address_of_another_range_gets_a_recipe() {
        AddressPlan.Recipe recipe = HOUSE.recipe("Hall eye", "172.20.9.9/24").orElseThrow();
        assertThat(recipe.temporary()).isEqualTo("172.20.9.10/24");
        assertThat(recipe.steps()).hasSize(5).anyMatch(step -> step.contains("255.255.255.0"))
                .anyMatch(step -> step.contains("Open 172.20.9.9"))
                .last().asString().contains("192.168.1.0/24");
    }

    @Test
    void a_device_that_answers_in_the_house_as_it_is_needs_none() {
        assertThat(HOUSE.recipe("Hall eye", "192.168.1.200/24")).isEmpty();
    }

    @Test
    void the_temporary_address_keeps_off_the_ends_of_the_range() {
        assertThat(HOUSE.recipe("Hall eye", "10.0.0.254/24").orElseThrow().temporary()).isEqualTo("10.0.0.253/24");
        assertThat(HOUSE.recipe("Hall eye", "10.0.0.1/24").orElseThrow().temporary()).isEqualTo("10.0.0.2/24");
        assertThatThrownBy(() -> HOUSE.recipe("Hall eye", "10.0.0.1/31")).hasMessageContaining("no room");
    }

    @Test
    void what_is_no_address_is_said_in_words() {
        assertThatThrownBy(() -> AddressPlan.of("192.168.1.1", "192.168.1.20", "192.168.1.39", 0)).hasMessageContaining("prefix");
        assertThatThrownBy(() -> AddressPlan.of("192.168.1.1/24", "192.168.1.300", "192.168.1.39", 0))
                .hasMessage("“192.168.1.300” is no IPv4 address.");
        assertThatThrownBy(() -> AddressPlan.of("192.168.1.1/24", "192.168.2.20", "192.168.2.39", 0))
                .hasMessageContaining("do not lie in the house's range 192.168.1.0/24");
        assertThatThrownBy(() -> AddressPlan.of("192.168.1.1/24", "192.168.1.40", "192.168.1.39", 0))
                .hasMessageContaining("after the last");
        for (String none : List.of("-2147483649", "19", "192.168.1", "192.168.1.2-9", "192.168.1.*", "0x7f.0.0.1", "*", "", "1.2.3.4.5")) {
            assertThatThrownBy(() -> AddressPlan.of("192.168.1.1/24", none, "192.168.1.39", 0)).as(none)
                    .hasMessage("“" + none + "” is no IPv4 address.");
        }
        assertThatThrownBy(() -> AddressPlan.of("fe80::1/64", "fe80::2", "fe80::3", 0)).hasMessageContaining("IPv4");
    }

    @Property
    void the_temporary_address_is_in_the_devices_range_and_is_not_its_own(@ForAll @IntRange(min = 1, max = 254) int last,
            @ForAll @IntRange(min = 16, max = 29) int prefix) {
        String fixed = "10.11.12." + last;
        if (last % 8 == 0 || last % 8 == 7) {
            return;
        }
        String temporary = HOUSE.recipe("eye", fixed + "/" + prefix).orElseThrow().temporary();
        assertThat(temporary).endsWith("/" + prefix).doesNotStartWith(fixed + "/");
        AddressPlan theirs = AddressPlan.of(fixed + "/" + prefix, temporary.substring(0, temporary.indexOf('/')),
                temporary.substring(0, temporary.indexOf('/')), 0);
        assertThat(theirs.size()).isEqualTo(1);
    }
}
