package roofnest.core.power;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.IntStream;

import org.junit.jupiter.api.Test;

import roofnest.core.catalogue.Catalogue;
import roofnest.core.power.ChargeVisits.Pack;
import roofnest.core.power.ChargeVisits.Visit;

/** The fewest visits to charge the packs of a house. */
class ChargeVisitsTest {
    private static final LocalDate FIRST = LocalDate.of(2026, 1, 1);

    private static List<Pack> lasting(int... days) {
        return IntStream.range(0, days.length).mapToObj(i -> new Pack(i, FIRST, full -> full.plusDays(days[i]))).toList();
    }

    private static List<Integer> on(ChargeVisits plan) {
        return plan.visits().stream().map(visit -> (int) (visit.on().toEpochDay() - FIRST.toEpochDay())).toList();
    }

    @Test
    void somebodyGoesOnTheLastDayThatTheFirstPackAllows() {
        assertThat(on(ChargeVisits.fewest(lasting(60, 95, 200), FIRST, FIRST.plusDays(365)))).containsExactly(60, 120, 180, 240, 300, 360);
        assertThat(on(ChargeVisits.fewest(lasting(120, 95, 200), FIRST, FIRST.plusDays(365)))).containsExactly(95, 190, 285);
        assertThat(on(ChargeVisits.fewest(lasting(366), FIRST, FIRST.plusDays(365)))).isEmpty();
        assertThat(on(ChargeVisits.fewest(List.of(), FIRST, FIRST.plusDays(365)))).isEmpty();
    }

    /** A pack is charged no sooner than it must, and never later. */
    @Test
    void aPackIsChargedOnTheLastVisitBeforeItNeedsIt() {
        ChargeVisits plan = ChargeVisits.fewest(lasting(60, 95, 200), FIRST, FIRST.plusDays(365));
        assertThat(plan.visits()).extracting(Visit::packs).containsExactly(List.of(0L, 1L), List.of(0L, 1L), List.of(0L, 1L, 2L),
                List.of(0L, 1L), List.of(0L, 1L), List.of(0L));
        assertThat(plan.spares()).isEqualTo(3);
    }

    @Test
    void whatIsOverdueIsForToday() {
        List<Pack> packs = List.of(new Pack(1, FIRST.minusDays(200), full -> full.plusDays(90)), new Pack(2, FIRST, full -> full.plusDays(
                100)));
        ChargeVisits plan = ChargeVisits.fewest(packs, FIRST, FIRST.plusDays(120));
        assertThat(plan.overdue()).isTrue();
        assertThat(on(plan)).containsExactly(0, 90);
        assertThat(ChargeVisits.fewest(packs.subList(1, 2), FIRST, FIRST.plusDays(120)).overdue()).isFalse();
        assertThatThrownBy(() -> ChargeVisits.fewest(lasting(0), FIRST, FIRST.plusDays(3))).hasMessageContaining("last a day");
    }

    /** Against all sets of days, on small cases whose packs last differently by season. */
    @Test
    void noPlanHasFewerVisits() {
        Random random = new Random(11);
        for (int trial = 0; trial < 200; trial++) {
            int horizon = 12;
            List<Pack> packs = new ArrayList<>();
            int[][] until = new int[1 + random.nextInt(3)][];
            for (int p = 0; p < until.length; p++) {
                int[] lasts = new int[horizon + 1];
                for (int day = 0; day <= horizon; day++) {
                    lasts[day] = Math.max(day + 1 + random.nextInt(6), day == 0 ? 0 : lasts[day - 1]);
                }
                until[p] = lasts;
                packs.add(new Pack(p, FIRST, full -> FIRST.plusDays(lasts[(int) (full.toEpochDay() - FIRST.toEpochDay())])));
            }
            ChargeVisits plan = ChargeVisits.fewest(packs, FIRST, FIRST.plusDays(horizon));
            int best = Integer.MAX_VALUE;
            for (int set = 0; set < 1 << horizon; set++) {
                if (Integer.bitCount(set) < best && holds(set, until, horizon)) {
                    best = Integer.bitCount(set);
                }
            }
            assertThat(plan.visits().size()).isEqualTo(best);
            assertThat(followed(plan, packs, FIRST.plusDays(horizon))).as("no pack falls under its warning").isTrue();
        }
    }

    /** Whether charging every pack on all those days lets none of them wait too long. @param set of days 1 to the horizon */
    private static boolean holds(int set, int[][] until, int horizon) {
        for (int[] lasts : until) {
            int full = 0;
            for (int day = 1; day <= horizon; day++) {
                if ((set & 1 << day - 1) != 0) {
                    if (lasts[full] < day) {
                        return false;
                    }
                    full = day;
                }
            }
            if (lasts[full] <= horizon) {
                return false;
            }
        }
        return true;
    }

    private static boolean followed(ChargeVisits plan, List<Pack> packs, LocalDate to) {
        Map<Long, LocalDate> full = new HashMap<>();
        packs.forEach(pack -> full.put(pack.id(), pack.charged()));
        for (Visit visit : plan.visits()) {
            for (Pack pack : packs) {
                if (pack.lastsUntil().apply(full.get(pack.id())).isBefore(visit.on())) {
                    return false;
                }
                if (visit.packs().contains(pack.id())) {
                    full.put(pack.id(), visit.on());
                }
            }
        }
        return packs.stream().allMatch(pack -> pack.lastsUntil().apply(full.get(pack.id())).isAfter(to));
    }

    /** By the weather: the later a pack was full, the later it warns; more draw never lasts longer. */
    @Test
    void packsOfARealYearAreMonotone() {
        Climate climate = Climates.shipped().all().get(0);
        Weather weather = new Weather(climate, 52, 40, 5);
        var power = Catalogue.shipped().get("dunmark-post").power();
        BatteryYear year = new BatteryYear(power, weather, PanelLight.open(52, 30, 180), 0.3);
        LocalDate before = null;
        for (LocalDate full = FIRST; full.isBefore(FIRST.plusDays(360)); full = full.plusDays(9)) {
            LocalDate warns = full.plusDays(year.lastsDays(130, full));
            if (before != null) {
                assertThat(warns).as("full on " + full).isAfterOrEqualTo(before);
            }
            assertThat(year.lastsDays(150, full)).isLessThanOrEqualTo(year.lastsDays(130, full));
            before = warns;
        }
    }
}
