package roofnest.core.pairing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;

import org.junit.jupiter.api.Test;

import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;

import roofnest.core.catalogue.Catalogue;
import roofnest.core.catalogue.DeviceModel;
import roofnest.core.catalogue.PairingMethod.Way;
import roofnest.core.pairing.MethodOrder.Counts;
import roofnest.core.pairing.MethodOrder.Log;
import roofnest.core.pairing.MethodOrder.Ranked;

class MethodOrderTest {
    private static final MethodOrder.Here ANYTHING = new MethodOrder.Here(true, false, true, true, true);
    private static final Catalogue CATALOGUE = Catalogue.shipped();
    private static final DeviceModel LEDGE = CATALOGUE.get("oskarra-ledge");

    /** Against every order of up to six ways. */
    @Property(tries = 200)
    void no_other_order_is_expected_to_take_less(@ForAll long seed, @ForAll @IntRange(min = 1, max = 6) int n) {
        Random random = new Random(seed);
        List<Ranked> ways = new ArrayList<>();
        for (int i = 0; i < n; i++) {
            ways.add(new Ranked(Way.values()[i], 1 + random.nextDouble() * 20, random.nextDouble() * 15, 0.05 + 0.9 * random.nextDouble(),
                    0));
        }
        List<Ranked> best = ways.stream().sorted(java.util.Comparator.comparingDouble(Ranked::index)).toList();
        assertThat(MethodOrder.expectedMinutes(best)).isLessThanOrEqualTo(least(ways, new ArrayList<>()) + 1e-9);
    }

    private static double least(List<Ranked> left, List<Ranked> order) {
        if (left.isEmpty()) {
            return MethodOrder.expectedMinutes(order);
        }
        double least = Double.MAX_VALUE;
        for (Ranked next : left) {
            List<Ranked> rest = new ArrayList<>(left);
            rest.remove(next);
            List<Ranked> longer = new ArrayList<>(order);
            longer.add(next);
            least = Math.min(least, least(rest, longer));
        }
        return least;
    }

    @Test
    void the_catalogue_alone_counts_while_there_is_no_log() {
        MethodOrder order = MethodOrder.of(LEDGE, ANYTHING, Map.of());
        assertThat(order.ways()).hasSize(5).allSatisfy(way -> assertThat(way.reason()).contains("by the catalogue"));
        assertThat(order.ways().get(0).way()).isEqualTo(Way.PUSH_BUTTON);
        assertThat(order.expectedMinutes()).isGreaterThan(order.ways().get(0).triedMinutes());
    }

    @Test
    void a_way_that_keeps_failing_here_falls_behind_and_says_so() {
        Log failing = new Log(new Counts(0, 12), new Counts(0, 12), 0, 0);
        MethodOrder order = MethodOrder.of(LEDGE, ANYTHING, Map.of(Way.PUSH_BUTTON, failing));
        assertThat(order.ways().get(order.ways().size() - 1).way()).isEqualTo(Way.PUSH_BUTTON);
        assertThat(order.ways().get(order.ways().size() - 1).reason()).contains("by 12 runs of ours");
    }

    @Test
    void runs_on_the_same_family_of_phones_weigh_more_than_on_any() {
        Counts half = new Counts(5, 5);
        double onThis = chance(new Log(half, new Counts(5, 0), 0, 0));
        double onOther = chance(new Log(half, new Counts(0, 5), 0, 0));
        double untold = chance(new Log(half, new Counts(0, 0), 0, 0));
        assertThat(onThis).isGreaterThan(untold);
        assertThat(onOther).isLessThan(untold);
        assertThat(untold).isCloseTo((6 * 0.7 + 5) / 16, within(1e-12));
    }

    @Test
    void minutes_of_runs_that_worked_move_the_catalogues() {
        double minutes = MethodOrder
                .of(LEDGE, ANYTHING, Map.of(Way.PUSH_BUTTON, new Log(new Counts(3, 0), new Counts(0, 0), 3, 27))).ways()
                .stream()
                .filter(way -> way.way() == Way.PUSH_BUTTON).findFirst().orElseThrow().minutes();
        assertThat(minutes).isEqualTo((3 * 3 + 27) / 6.0);
    }

    @Test
    void what_the_house_does_not_allow_is_ruled_out_with_its_reason() {
        MethodOrder order = MethodOrder.of(LEDGE, new MethodOrder.Here(false, true, false, true, false), Map.of());
        assertThat(order.ways()).extracting(Ranked::way).containsExactly(Way.PHONE_CODE);
        assertThat(order.ruledOut()).containsOnlyKeys(Way.PUSH_BUTTON, Way.STICKER, Way.WIRED, Way.MANUAL_ID);
        assertThat(order.ruledOut().get(Way.WIRED)).contains("keeps its devices apart");
        assertThat(MethodOrder.of(CATALOGUE.get("pellan-drift"), new MethodOrder.Here(true, false, false, true, true), Map.of()).ruledOut())
                .containsKey(Way.HUB_BUTTON);
    }

    private static double chance(Log log) {
        return MethodOrder.of(LEDGE, ANYTHING, Map.of(Way.PUSH_BUTTON, log)).ways().stream().filter(way -> way.way() == Way.PUSH_BUTTON)
                .findFirst().orElseThrow().chance();
    }
}
