package roofnest.app.web;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Map;

import org.junit.jupiter.api.Test;

import roofnest.core.promise.Stage;

class RidgeTest {
    @Test
    void gables_are_solid_when_reached_filled_where_one_stands_and_dashed_ahead() {
        Ridge ridge = Ridge.of(Stage.SURVEY, Stage.READY, Map.of(Stage.SURVEY, 2));
        assertThat(ridge.gables()).extracting(Ridge.Gable::state)
                .containsExactly("reached", "shown", "reached", "ahead", "ahead", "ahead", "ahead", "ahead", "ahead");
        assertThat(ridge.gables()).extracting(Ridge.Gable::broken).containsExactly(0, 2, 0, 0, 0, 0, 0, 0, 0);
        assertThat(ridge.gables()).extracting(Ridge.Gable::slug).startsWith("brief", "survey").endsWith("care");
    }

    @Test
    void a_page_ahead_of_the_work_is_filled_all_the_same() {
        assertThat(Ridge.of(Stage.CARE, Stage.BRIEF, Map.of()).gables().get(8).state()).isEqualTo("shown");
    }
}
