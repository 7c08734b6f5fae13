package roofnest.core.view;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;

import org.junit.jupiter.api.Test;

import roofnest.core.plan.PlanPoint;

/** What stands on one line is put together where nothing can be seen between. */
class WholesTest {
    private static Scene.Facet facet(double from, double to, double foot, double topFrom, double topTo) {
        return new Scene.Facet(new PlanPoint(from, 3), new PlanPoint(to, 3), foot, foot, topFrom, topTo, PictureShape.Kind.WALL, 0);
    }

    @Test
    void a_wall_is_whole_with_its_door_and_window_and_the_storey_above() {
        List<Scene.Facet> pieces
                = List.of(facet(0, 1, 0, 2.6, 2.6), facet(2, 1, 0, 2, 2), facet(1, 2, 2, 2.6, 2.6), facet(2, 5, 0, 0.9, 0.9),
                        facet(2, 5, 0.9, 2.1, 2.1), facet(5, 2, 2.1, 2.6, 2.6), facet(0, 5, 2.6, 5.2, 5.2));
        assertThat(Wholes.of(pieces)).containsExactly(new Scene.Facet(new PlanPoint(0, 3), new PlanPoint(5, 3), 0, 0, 5.2, 5.2,
                PictureShape.Kind.WALL, 0));
    }

    @Test
    void a_gap_a_space_between_and_a_bend_part_it() {
        List<Scene.Facet> gap = List.of(facet(0, 1, 0, 2.6, 2.6), facet(1, 2, 2, 2.6, 2.6), facet(2, 3, 0, 2.6, 2.6));
        assertThat(Wholes.of(gap)).containsExactlyInAnyOrderElementsOf(gap);
        List<Scene.Facet> apart = List.of(facet(0, 1, 0, 2.6, 2.6), facet(1.01, 2, 0, 2.6, 2.6));
        assertThat(Wholes.of(apart)).hasSize(2);
        List<Scene.Facet> gable = List.of(facet(0, 2, 0, 2, 4), facet(2, 3, 0, 4, 5), facet(3, 6, 0, 5, 2));
        assertThat(Wholes.of(gable)).containsExactly(facet(0, 3, 0, 2, 5), facet(3, 6, 0, 5, 2));
        List<Scene.Facet> shelf = List.of(facet(0, 2, 0, 1, 1), facet(0, 2, 1.5, 2, 2));
        assertThat(Wholes.of(shelf)).containsExactlyElementsOf(shelf);
    }

    @Test
    void tops_that_cross_are_not_taken_for_the_higher_one() {
        List<Scene.Facet> crossing = List.of(facet(0, 2, 0, 1, 3), facet(0, 2, 0, 3, 1));
        assertThat(Wholes.of(crossing)).hasSize(2);
        assertThat(Wholes.of(List.of())).isEmpty();
    }
}
