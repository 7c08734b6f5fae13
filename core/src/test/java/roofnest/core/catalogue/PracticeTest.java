package roofnest.core.catalogue;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Map;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

import roofnest.core.catalogue.Practice.Figure;

class PracticeTest {
    @ParameterizedTest
    @CsvSource({"0,NOTHING", "2.1,NOTHING", "2.11,STEPS", "2.8,STEPS", "2.81,LADDER", "9,LADDER", "-1,NOTHING"})
    void one_rule_says_what_one_stands_on(double overFootM, Climb climb) {
        assertThat(Practice.USUAL.climb(overFootM)).isEqualTo(climb);
    }

    @Test
    void a_firms_own_figure_takes_the_place_of_the_ordinary_one_and_of_no_other() {
        Practice own = new Practice(Map.of(Figure.FROM_STEPS, 3.2, Figure.SET_STEPS, 7.0));
        assertThat(own.climb(3.2)).isEqualTo(Climb.STEPS);
        assertThat(own.minutes(Climb.STEPS)).isEqualTo(7);
        assertThat(own.minutes(Climb.LADDER)).isEqualTo(Figure.SET_LADDER.usual());
        assertThat(own.minutes(Climb.NOTHING)).isZero();
        assertThat(own.of(Figure.MOUNT)).isEqualTo(Figure.MOUNT.usual());
    }

    @ParameterizedTest
    @EnumSource(Figure.class)
    void every_figure_keeps_to_its_range(Figure figure) {
        assertThat(figure.usual()).isBetween(figure.least(), figure.most());
        for (double wrong : new double[] {figure.least() - 0.01, figure.most() + 0.01, Double.NaN}) {
            assertThatThrownBy(() -> new Practice(Map.of(figure, wrong))).isInstanceOf(IllegalArgumentException.class);
        }
    }

    @Test
    void steps_reach_no_lower_than_the_ground() {
        assertThatThrownBy(() -> new Practice(Map.of(Figure.FROM_THE_GROUND, 2.6, Figure.FROM_STEPS, 2.5)))
                .isInstanceOf(IllegalArgumentException.class).hasMessageContaining("steps");
        assertThat(new Practice(Map.of(Figure.FROM_THE_GROUND, 2.5, Figure.FROM_STEPS, 2.5)).climb(2.51)).isEqualTo(Climb.LADDER);
    }
}
