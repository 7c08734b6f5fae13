package roofnest.core.footage;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;

import org.junit.jupiter.api.Test;

import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.Size;

class LineTest {
    @Test
    void cameras_that_seldom_send_do_not_add_up() {
        List<Uplink.Stream> streams = List.of(stream(2, 0.05), stream(2, 0.05), stream(2, 0.05), stream(2, 0.05));
        // P(0) = .8145, P(1) = .1715, P(2) = .0135: two at once cover 99.95 %.
        assertThat(Uplink.rareMbps(streams)).isCloseTo(4, within(1e-9));
        assertThat(Uplink.rareMbps(List.of(stream(2, 0.005)))).isZero();
        assertThat(Uplink.rareMbps(List.of(stream(2, 1), stream(3, 1)))).isCloseTo(5, within(1e-9));
        assertThat(Uplink.rareMbps(List.of())).isZero();
    }

    @Test
    void a_line_carries_three_quarters_of_itself() {
        assertThat(Uplink.carries(4, 3)).isTrue();
        assertThat(Uplink.carries(4, 3.1)).isFalse();
    }

    /** Against the sum over all on-and-off patterns. */
    @Property(tries = 200)
    void the_exact_sum_agrees_with_counting_every_pattern(
            @ForAll @Size(min = 1, max = 6) List<@DoubleRange(min = 0.01, max = 0.99) Double> shares) {
        List<Uplink.Stream> streams = shares.stream().map(share -> stream(1 + Math.round(share * 30) / 10.0, share)).toList();
        double rare = Uplink.rareMbps(streams);
        assertThat(chanceAtMost(streams, rare)).isGreaterThanOrEqualTo(Uplink.RARE - 1e-9);
        if (rare > 0) {
            assertThat(chanceAtMost(streams, rare - Uplink.STEP_MBPS)).isLessThan(Uplink.RARE);
        }
    }

    private static double chanceAtMost(List<Uplink.Stream> streams, double mbps) {
        double chance = 0;
        for (int pattern = 0; pattern < 1 << streams.size(); pattern++) {
            double sum = 0;
            double p = 1;
            for (int i = 0; i < streams.size(); i++) {
                boolean sends = (pattern >> i & 1) == 1;
                sum += sends ? streams.get(i).bitrateMbps() : 0;
                p *= sends ? streams.get(i).busyShare() : 1 - streams.get(i).busyShare();
            }
            chance += sum <= mbps + 1e-6 ? p : 0;
        }
        return chance;
    }

    @Test
    void a_months_data_is_clips_and_live_minutes() {
        MonthData.Use card = new MonthData.Use("Yard eye", 40, 15, 3, 10, false);
        // 40 clips of 15 s at 3 Mbit/s are 225 MB a day; 15 % of them looked at. Ten minutes live are another 225 MB.
        assertThat(card.clipsGb()).isCloseTo(0.225 * 30 * 0.15, within(1e-9));
        assertThat(card.liveGb()).isCloseTo(0.225 * 30, within(1e-9));
        MonthData.Use cloud = new MonthData.Use("Yard eye", 40, 15, 3, 10, true);
        assertThat(cloud.clipsGb()).isCloseTo(0.225 * 30, within(1e-9));
        assertThat(MonthData.totalGb(List.of(card, cloud))).isCloseTo(card.gb() + cloud.gb(), within(1e-9));
    }

    @Test
    void the_greatest_saving_comes_first() {
        List<MonthData.TurnDown> ways = MonthData
                .turnDown(List.of(new MonthData.Use("Yard eye", 40, 15, 3, 10, false), new MonthData.Use("Lane eye", 10, 20, 2, 0, true)));
        assertThat(ways).extracting(MonthData.TurnDown::what).containsExactly("Yard eye: 5 live minutes a day instead of 10",
                "Lane eye: clips on a card, sent only when looked at",
                "Lane eye: clips of 10 s instead of 20 s", "Yard eye: clips of 8 s instead of 15 s");
        assertThat(ways.get(0).savesGb()).isCloseTo(0.225 * 15, within(1e-9));
    }

    private static Uplink.Stream stream(double mbps, double share) {
        return new Uplink.Stream(mbps, share);
    }
}
