package roofnest.core.scan;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

import roofnest.core.catalogue.Band;

/** Centre frequencies at the ends of the bands, IEEE 802.11 annex E. */
class ChannelsTest {
    @ParameterizedTest
    @CsvSource({"1, 2412, GHZ_2_4", "13, 2472, GHZ_2_4", "14, 2484, GHZ_2_4", "32, 5160, GHZ_5", "36, 5180, GHZ_5", "177, 5885, GHZ_5",
        "1, 5955, GHZ_6", "5, 5975, GHZ_6", "233, 7115, GHZ_6"})
    void a_channel_and_its_frequency_are_the_same_thing(int channel, int mhz, Band band) {
        assertThat(Channels.exists(channel, band)).isTrue();
        assertThat(Channels.centreMhz(channel, band)).isEqualTo(mhz);
        assertThat(Channels.ofMhz(mhz)).hasValue(new Channels.Channel(band, channel));
    }

    @ParameterizedTest
    @CsvSource({"0, GHZ_2_4", "15, GHZ_2_4", "31, GHZ_5", "72, GHZ_5", "178, GHZ_5", "2, GHZ_6", "237, GHZ_6"})
    void beyond_the_ends_no_home_network_sends(int channel, Band band) {
        assertThat(Channels.exists(channel, band)).isFalse();
    }

    @ParameterizedTest
    @CsvSource({"2407", "2411", "2477", "2479", "5155", "5182", "5890", "5950", "7120", "60480"})
    void between_the_channels_there_is_none(int mhz) {
        assertThat(Channels.ofMhz(mhz)).isEmpty();
    }

    @Test
    void a_frequency_read_with_decimals_is_the_nearest_and_a_bare_number_is_of_the_older_bands_first() {
        assertThat(Channels.ofMhz(2436.6)).hasValue(new Channels.Channel(Band.GHZ_2_4, 6));
        assertThat(Channels.of(5)).hasValue(new Channels.Channel(Band.GHZ_2_4, 5));
        assertThat(Channels.of(149)).hasValue(new Channels.Channel(Band.GHZ_5, 149));
        assertThat(Channels.of(229)).hasValue(new Channels.Channel(Band.GHZ_6, 229));
    }
}
