package roofnest.core.scan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

import org.junit.jupiter.api.Test;

import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.IntRange;

import roofnest.core.catalogue.Band;
import roofnest.core.catalogue.WifiSecurity;

class ChannelAdviceTest {
    private static final HeardNetwork OWN = heard("Weirhouse", 6, -50, HeardNetwork.Second.NONE);

    @Test
    void a_quieter_channel_is_advised_with_its_gain() {
        ChannelAdvice advice
                = ChannelAdvice.of(List.of(OWN, heard("a", 6, -60, HeardNetwork.Second.NONE), heard("b", 1, -70, HeardNetwork.Second.NONE),
                        heard("c", 11, -90, HeardNetwork.Second.NONE)), "Weirhouse");
        assertThat(advice.change()).isTrue();
        assertThat(advice.best()).isEqualTo(11);
        double elevenDbm = 10 * Math.log10(Math.pow(10, -9.0) + Math.pow(10, -9.4));
        double sixDbm = 10 * Math.log10(Math.pow(10, -6.0) + Math.pow(10, -9.4));
        assertThat(advice.gainDb()).isCloseTo(sixDbm - elevenDbm, within(1e-9));
        assertThat(advice.words())
                .isEqualTo("Channel 11 is 29 dB quieter than channel 6. The change makes every device rejoin by itself, once.");
    }

    @Test
    void a_small_gain_is_left_alone() {
        ChannelAdvice advice
                = ChannelAdvice.of(List.of(OWN, heard("a", 6, -70, HeardNetwork.Second.NONE), heard("b", 1, -72, HeardNetwork.Second.NONE),
                        heard("c", 11, -71, HeardNetwork.Second.NONE)), "Weirhouse");
        assertThat(advice.change()).isFalse();
        assertThat(advice.words()).startsWith("Leave channel 6: channel 1 would gain only 2.0 dB");
    }

    @Test
    void overlapping_channels_count_by_the_share_that_overlaps() {
        ChannelAdvice advice = ChannelAdvice.of(List.of(heard("a", 3, -60, HeardNetwork.Second.NONE)), "Weirhouse");
        double half = 10 * Math.log10(0.5 * Math.pow(10, -6.0) + Math.pow(10, -9.4));
        assertThat(advice.scores()).extracting(ChannelAdvice.Score::channel).containsExactly(1, 6, 11);
        assertThat(advice.scores().get(0).othersDbm()).isCloseTo(half, within(1e-9));
        assertThat(advice.scores().get(1).othersDbm()).isCloseTo(10 * Math.log10(0.25 * Math.pow(10, -6.0) + Math.pow(10, -9.4)),
                within(1e-9));
        assertThat(advice.scores().get(2).networks()).isZero();
        assertThat(advice.own()).isEmpty();
        assertThat(advice.words()).contains("did not hear").contains("channel 11");
    }

    @Test
    void a_wide_neighbour_weighs_on_both_of_its_channels() {
        ChannelAdvice narrow = ChannelAdvice.of(List.of(heard("a", 1, -60, HeardNetwork.Second.NONE)), "");
        ChannelAdvice wide = ChannelAdvice.of(List.of(heard("a", 1, -60, HeardNetwork.Second.ABOVE)), "");
        assertThat(wide.scores().get(0).othersDbm()).isLessThan(narrow.scores().get(0).othersDbm());
        assertThat(wide.scores().get(1).othersDbm()).isGreaterThan(narrow.scores().get(1).othersDbm());
    }

    @Test
    void the_present_channel_off_the_raster_is_scored_too() {
        ChannelAdvice advice = ChannelAdvice.of(
                List.of(heard("Weirhouse", 9, -40, HeardNetwork.Second.NONE), heard("a", 8, -55, HeardNetwork.Second.NONE)), "Weirhouse");
        assertThat(advice.scores()).extracting(ChannelAdvice.Score::channel).containsExactly(1, 6, 9, 11);
        assertThat(advice.best()).isEqualTo(1);
        assertThat(advice.change()).isTrue();
    }

    @Test
    void the_busiest_neighbour_on_a_channel_gives_its_load() {
        HeardNetwork busy = new HeardNetwork("a", "", -60, 6, Band.GHZ_2_4, HeardNetwork.Second.NONE, Optional.of(WifiSecurity.WPA2),
                Optional.of(0.4));
        assertThat(ChannelAdvice.neighbourLoad(List.of(OWN, busy), 6).getAsDouble()).isEqualTo(0.4);
        assertThat(ChannelAdvice.neighbourLoad(List.of(OWN, busy), 11)).isEmpty();
    }

    @Property
    void one_more_neighbour_never_makes_a_channel_quieter(@ForAll @IntRange(min = 1, max = 13) int channel,
            @ForAll @DoubleRange(min = -95, max = -30) double dbm) {
        List<HeardNetwork> before = new ArrayList<>(List.of(OWN, heard("a", 4, -65, HeardNetwork.Second.NONE)));
        ChannelAdvice was = ChannelAdvice.of(before, "Weirhouse");
        before.add(heard("more", channel, dbm, HeardNetwork.Second.NONE));
        ChannelAdvice is = ChannelAdvice.of(before, "Weirhouse");
        for (int i = 0; i < was.scores().size(); i++) {
            assertThat(is.scores().get(i).othersDbm()).isGreaterThanOrEqualTo(was.scores().get(i).othersDbm());
        }
    }

    private static HeardNetwork heard(String name, int channel, double dbm, HeardNetwork.Second second) {
        return new HeardNetwork(name, "", dbm, channel, channel <= 14 ? Band.GHZ_2_4 : Band.GHZ_5, second, Optional.of(WifiSecurity.WPA2),
                Optional.empty());
    }
}
