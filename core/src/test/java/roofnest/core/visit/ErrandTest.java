package roofnest.core.visit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.LocalDate;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;

import org.junit.jupiter.api.Test;

class ErrandTest {
    private static final LocalDate MONDAY = LocalDate.of(2026, 11, 2);

    @Test
    void what_may_be_done_on_one_day_is_one_errand_with_all_that_it_takes() {
        List<Errand> errands = Errand.fewest(List.of(reason(1, 0, 9, "pack"), reason(1, 4, 20, "card"), reason(2, 0, 9, "pack")));

        assertThat(errands).hasSize(2);
        assertThat(errands.get(0)).satisfies(both -> {
            assertThat(both.household()).isEqualTo(1);
            assertThat(both.from()).isEqualTo(MONDAY.plusDays(4));
            assertThat(both.until()).isEqualTo(MONDAY.plusDays(9));
            assertThat(both.minutes()).isEqualTo(Errand.AT_THE_DOOR_MINUTES + 16);
            assertThat(both.bring()).containsExactly("pack", "card");
            assertThat(both.ladder()).isFalse();
        });
    }

    @Test
    void what_cannot_wait_for_the_other_is_done_by_itself() {
        assertThat(Errand.fewest(List.of(reason(1, 0, 3, "pack"), reason(1, 4, 20, "card")))).extracting(Errand::until).containsExactly(
                MONDAY.plusDays(3), MONDAY.plusDays(20));
        assertThat(Errand.fewest(List.of())).isEmpty();
    }

    /** Against the fewest days among all sets of days that reach every reason. */
    @Test
    void no_fewer_errands_would_do() {
        Random random = new Random(5);
        for (int k = 0; k < 200; k++) {
            List<Errand.Reason> reasons = IntStream.range(0, 1 + random.nextInt(5)).mapToObj(i -> {
                int from = random.nextInt(8);
                return reason(1, from, from + random.nextInt(8 - from), "thing " + i);
            }).toList();

            int fewest = IntStream.range(1, 1 << 8).filter(days -> reasons.stream().allMatch(each -> IntStream.range(0, 8).anyMatch(
                    day -> (days & 1 << day) != 0 && !MONDAY.plusDays(day).isBefore(each.from()) && !MONDAY.plusDays(day).isAfter(each
                            .until()))))
                    .map(Integer::bitCount).min().orElseThrow();

            List<Errand> errands = Errand.fewest(reasons);
            assertThat(errands).hasSize(fewest);
            assertThat(errands.stream().flatMap(each -> each.reasons().stream())).containsExactlyInAnyOrderElementsOf(reasons);
        }
    }

    @Test
    void a_reason_that_ends_before_it_begins_or_an_errand_of_another_house_is_refused() {
        assertThatThrownBy(() -> reason(1, 3, 2, "pack")).hasMessageContaining("cannot be done until");
        assertThatThrownBy(() -> new Errand(2, List.of(reason(1, 0, 3, "pack")), MONDAY, MONDAY)).hasMessageContaining("its own household");
        assertThatThrownBy(() -> new Errand(1, List.of(), MONDAY, MONDAY)).hasMessageContaining("its own household");
    }

    private static Errand.Reason reason(long household, int from, int until, String what) {
        return new Errand.Reason(household, MONDAY.plusDays(from), MONDAY.plusDays(until), 8, false, what, List.of(what));
    }
}
