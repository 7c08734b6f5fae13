package roofnest.core.facade;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;

import org.junit.jupiter.api.Test;

import roofnest.core.WeirSteps;
import roofnest.core.plan.Ground;
import roofnest.core.plan.HousePlan;
import roofnest.core.plan.Opening;
import roofnest.core.plan.Shell;
import roofnest.core.plan.SpacePoint;
import roofnest.core.view.CameraPose;

/** The faces of the house of the demo, as one sees them who stands before them. */
class FacadeTest {
    private static final HousePlan PLAN = WeirSteps.plan();
    private static final Shell SHELL = new Shell(PLAN);
    private static final Ground GROUND = new Ground(PLAN);

    private static Facade behind(CameraPose pose) {
        return Facade.behind(PLAN, SHELL, GROUND, pose).orElseThrow();
    }

    @Test
    void the_east_gable_is_seen_from_the_east_with_north_on_the_right() {
        Facade east = behind(new CameraPose(11.4, 2, 2.4, 90, 12));
        assertThat(east.outDeg()).isCloseTo(90, within(1e-6));
        assertThat(east.indoors()).isFalse();
        assertThat(east.sheets()).as("both storeys, and not the shed beyond the yard").hasSize(2);
        // The camera hangs at y = 2; facing west one has the north on one's right.
        assertThat(east.at(new SpacePoint(11.25, 3, 1)).acrossM()).isCloseTo(1, within(1e-6));
        assertThat(east.leftM()).isCloseTo(-2, within(1e-6));
        assertThat(east.rightM()).isCloseTo(7.6, within(1e-6));
        Facade.Gap door = east.openings().stream().filter(gap -> gap.kind() == Opening.Kind.DOOR).findFirst().orElseThrow();
        assertThat(door.fromM()).as("from y = 2.3").isCloseTo(0.3, within(1e-6));
        assertThat(door.toM()).isCloseTo(1.3, within(1e-6));
        assertThat(door.highM()).isCloseTo(2.05, within(1e-6));
        assertThat(east.openings()).as("a door, a window, two above").hasSize(4);
        assertThat(east.highM()).as("to the ridge").isCloseTo(8.3, within(0.01));
        assertThat(east.topM(7.6)).as("at the eaves").isLessThan(5.6);
        assertThat(east.topM(2.8)).as("under the ridge").isCloseTo(8.3, within(0.05));
    }

    @Test
    void what_is_behind_or_far_before_a_face_is_not_on_it() {
        Facade east = behind(new CameraPose(11.4, 2, 2.4, 90, 12));
        assertThat(east.shows(new SpacePoint(11.4, 2, 2.4))).isTrue();
        assertThat(east.shows(new SpacePoint(11.25, 2, 2.4))).as("on it").isTrue();
        assertThat(east.shows(new SpacePoint(10.75, 2, 2.4))).as("on the other side of the wall").isFalse();
        assertThat(east.shows(new SpacePoint(14, 2, 2.4))).as("in the yard").isFalse();
        assertThat(east.shows(new SpacePoint(11.4, 30, 2.4))).as("beside the house").isFalse();
    }

    @Test
    void the_wall_of_a_room_is_seen_from_within() {
        Facade room = behind(new CameraPose(10.6, 6.4, 2.4, 270, 12));
        assertThat(room.indoors()).isTrue();
        assertThat(room.outDeg()).isCloseTo(270, within(1e-6));
        assertThat(room.sheets()).as("its own storey alone").hasSize(1);
        assertThat(room.ground()).allMatch(at -> at.zM() == 0);
        assertThat(Facade.behind(PLAN, SHELL, GROUND, new CameraPose(14, 3, 2.4, 270, 12))).as("on no wall").isEqualTo(Optional.empty());
    }

    @Test
    void all_outside_faces_are_found_once_and_fences_are_none() {
        List<Facade> all = Facade.outside(PLAN, SHELL, GROUND);
        assertThat(all).as("four of the house, four of the shed").hasSize(8);
        assertThat(all).extracting(facade -> Math.round(facade.outDeg()) % 360).containsExactly(0L, 0L, 90L, 90L, 180L, 180L, 270L, 270L);
        assertThat(all).noneMatch(Facade::indoors);
        assertThat(Facade.outside(HousePlan.blank("empty", 50), new Shell(HousePlan.blank("empty", 50)),
                new Ground(HousePlan.blank("empty", 50)))).isEmpty();
    }
}
