package roofnest.core.visit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Map;

import org.junit.jupiter.api.Test;

class WaysTest {
    private static final Map<Long, String> AREAS = Map.of(1L, "Quay", 2L, "Hill", 3L, "Quay", 4L, "Hill", 5L, "Quay");

    @Test
    void what_was_told_counts_then_the_middle_between_its_areas_then_an_ordinary_way() {
        List<Ways.Place> places = List.of(new Ways.Place(1, "Quay"), new Ways.Place(2, "Hill"), new Ways.Place(3, "Quay"), new Ways.Place(9,
                ""));
        Ways ways = Ways.between(places, List.of(new Ways.Told(2, 1, 20), new Ways.Told(4, 5, 30), new Ways.Told(4, 3, 26)), AREAS);

        assertThat(ways.minutes()[0][1]).as("told").isEqualTo(20);
        assertThat(ways.minutes()[1][0]).isEqualTo(20);
        assertThat(ways.minutes()[1][2]).as("the middle of 20, 26 and 30").isEqualTo(26);
        assertThat(ways.minutes()[0][2]).as("one area, none told").isEqualTo(Ways.SAME_AREA_MINUTES);
        assertThat(ways.minutes()[0][3]).as("no area").isEqualTo(Ways.ORDINARY_MINUTES);
        assertThat(List.of(ways.told(), ways.byArea(), ways.ordinary())).containsExactly(1, 1, 4);
    }

    @Test
    void no_place_and_one_place_have_no_way_and_no_way_takes_less_than_nothing() {
        assertThat(Ways.between(List.of(), List.of(), AREAS).minutes()).isEmpty();
        assertThat(Ways.between(List.of(new Ways.Place(1, "Quay")), List.of(), AREAS).minutes()).isDeepEqualTo(new int[1][1]);
        assertThatThrownBy(() -> new Ways.Told(1, 2, -1)).hasMessageContaining("minutes on the road");
    }
}
