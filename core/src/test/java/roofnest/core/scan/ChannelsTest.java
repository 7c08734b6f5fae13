package roofnest.core.scan;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

import roofnest.core.catalogue.Band;

/** Centre frequencies at the ends of the bands, IEEE 802.11 annex E. */
class ChannelsTest {
    @ParameterizedTest
    @CsvSource({"1, 2412, GHZ_2_4", "13, 2472, GHZ_2_4", "14, 2484, GHZ_2_4", "32, 5160, GHZ_5", "36, 5180, GHZ_5", "177, 5885, GHZ_5"})
    void a_channel_and_its_frequency_are_the_same_thing(int channel, int mhz, Band band) {
        assertThat(Channels.exists(channel)).isTrue();
        assertThat(Channels.centreMhz(channel)).isEqualTo(mhz);
        assertThat(Channels.ofMhz(mhz)).hasValue(channel);
        assertThat(Channels.band(channel)).isEqualTo(band);
    }

    @ParameterizedTest
    @CsvSource({"0", "15", "31", "178"})
    void beyond_the_ends_no_home_network_sends(int channel) {
        assertThat(Channels.exists(channel)).isFalse();
    }

    @ParameterizedTest
    @CsvSource({"2407", "2411", "2477", "2479", "5155", "5182", "5890", "60480"})
    void between_the_channels_there_is_none(int mhz) {
        assertThat(Channels.ofMhz(mhz)).isEmpty();
    }

    @Test
    void a_frequency_read_with_decimals_is_the_nearest() {
        assertThat(Channels.ofMhz(2436.6)).hasValue(6);
    }
}
