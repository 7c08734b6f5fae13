package roofnest.core.visit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

import org.junit.jupiter.api.Test;

import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;

import roofnest.core.catalogue.Catalogue;
import roofnest.core.catalogue.PairingMethod;
import roofnest.core.catalogue.Practice;

class DayTest {
    private static final Task UNPACK = new Task("unpack", "Gate", "Unpack", 4, 2, Set.of(), Set.of());
    private static final Task PAIR = new Task("pair", "Gate", "Join", 5, 1, Set.of("unpack"), Set.of(Task.Need.PHONE));
    private static final Task SHARE = new Task("share", "House", "Share", 6, 0, Set.of(), Set.of(Task.Need.PHONE));
    private static final List<Timeline.Placed> PLANNED = Timeline.shortest(List.of(UNPACK, PAIR, SHARE), 1).placed();

    @Test
    void at_the_start_the_plan_says_what_to_do() {
        Day day = Day.at(PLANNED, Map.of(), 0, 1);
        assertThat(day.inHand()).isEmpty();
        assertThat(day.now()).singleElement().isEqualTo(PLANNED.get(0).task());
        assertThat(day.finishMinute()).isEqualTo(day.plannedFinishMinute());
        assertThat(day.lateMinutes()).isZero();
    }

    @Test
    void while_something_boots_the_time_is_used() {
        Day day = Day.at(PLANNED, Map.of("unpack", new Day.Mark(Optional.of(0), Optional.of(4), Optional.empty())), 4, 1);
        assertThat(day.byItself()).singleElement().satisfies(running -> {
            assertThat(running.task()).isEqualTo(UNPACK);
            assertThat(running.untilMinute()).isEqualTo(6);
        });
        assertThat(day.now()).singleElement().isEqualTo(SHARE);
        assertThat(day.finishMinute()).isEqualTo(16);
    }

    @Test
    void with_hands_full_nothing_new_is_begun_and_the_end_moves() {
        Day day = Day.at(PLANNED, Map.of("unpack", new Day.Mark(Optional.of(0), Optional.empty(), Optional.empty())), 20, 1);
        assertThat(day.inHand()).containsExactly(UNPACK);
        assertThat(day.now()).isEmpty();
        assertThat(day.lateMinutes()).isPositive();
        // One more minute with hands on, then sharing while it boots, then joining.
        assertThat(day.finishMinute()).isEqualTo(20 + 1 + 6 + 5 + 1);
    }

    @Test
    void a_second_pair_of_hands_begins_what_the_first_does_not_hold() {
        Map<String, Day.Mark> marks = Map.of("unpack", new Day.Mark(Optional.of(0), Optional.empty(), Optional.empty()));
        assertThat(Day.at(PLANNED, marks, 1, 2).now()).containsExactly(SHARE);
        assertThat(Day.at(PLANNED, Map.of("share", new Day.Mark(Optional.of(0), Optional.empty(), Optional.empty()),
                "unpack", new Day.Mark(Optional.of(0), Optional.of(1), Optional.of(2))), 3, 2).now()).isEmpty();
    }

    @Test
    void what_was_begun_out_of_order_is_in_hand_all_the_same() {
        Day day = Day.at(PLANNED, Map.of("pair", new Day.Mark(Optional.of(0), Optional.empty(), Optional.empty())), 2, 1);
        assertThat(day.inHand()).containsExactly(PAIR);
        assertThat(day.finishMinute()).isEqualTo(2 + 3 + 4 + 6);
    }

    @Test
    void a_short_wait_that_ends_sooner_is_waited() {
        Task boot = new Task("boot", "Gate", "Power on", 1, 1, Set.of(), Set.of());
        Task after = new Task("after", "Gate", "Update", 1, 30, Set.of("boot"), Set.of());
        Task other = new Task("other", "House", "Talk", 20, 0, Set.of(), Set.of());
        Day day = Day.at(Timeline.shortest(List.of(boot, after, other), 1).placed(),
                Map.of("boot", new Day.Mark(Optional.of(0), Optional.of(1), Optional.empty())), 1, 1);
        assertThat(day.now()).isEmpty();
        assertThat(day.left().get(0)).satisfies(next -> {
            assertThat(next.task().id()).isEqualTo("after");
            assertThat(next.startMinute()).isEqualTo(2);
        });
    }

    @Test
    void what_is_over_is_over() {
        Day.Mark over = new Day.Mark(Optional.of(0), Optional.of(5), Optional.of(5));
        Day day = Day.at(PLANNED, Map.of("unpack", over, "pair", over, "share", over), 9, 1);
        assertThat(day.now()).isEmpty();
        assertThat(day.left()).isEmpty();
        assertThat(day.finishMinute()).isEqualTo(9);
    }

    @Test
    void marks_go_forwards_only() {
        assertThatThrownBy(() -> new Day.Mark(Optional.empty(), Optional.of(1), Optional.empty()))
                .hasMessageContaining("begun, then let go");
        assertThatThrownBy(() -> new Day.Mark(Optional.of(5), Optional.of(1), Optional.empty()))
                .isInstanceOf(IllegalArgumentException.class);
    }

    /** Whoever does what the day says to do now, whatever the pace, comes to the end. */
    @Property(tries = 15)
    void doing_what_it_says_gets_everything_done(@ForAll @IntRange(min = 1, max = 4) int slowness,
            @ForAll @IntRange(min = 1, max = 2) int installers) {
        Catalogue catalogue = Catalogue.shipped();
        Job job = new Job(0, 0, 1, List.of(
                new Job.Work(4, "Gate", catalogue.get("dunmark-post"), PairingMethod.Way.HOTSPOT, 6, 2.4, false, false),
                new Job.Work(9, "Sill", catalogue.get("oskarra-sill"), PairingMethod.Way.PHONE_CODE, 5, 1.4, false, false)));
        List<Timeline.Placed> planned = Timeline.shortest(job.tasks(), installers).placed();
        Map<String, Day.Mark> marks = new HashMap<>();
        int clock = 0;
        for (int steps = 0; steps < 200
                && marks.values().stream().filter(mark -> mark.done().isPresent()).count() < planned.size(); steps++) {
            Day day = Day.at(planned, marks, clock, installers);
            int at = clock;
            for (Task task : day.now()) {
                assertThat(task.after()).allSatisfy(id -> assertThat(marks.get(id).done()).isPresent());
                marks.put(task.id(), new Day.Mark(Optional.of(at), Optional.empty(), Optional.empty()));
            }
            clock += slowness;
            for (Timeline.Placed placed : planned) {
                Day.Mark mark = marks.getOrDefault(placed.task().id(), Day.Mark.UNTOUCHED);
                Task task = placed.task();
                if (mark.begun().isPresent() && mark.handsOff().isEmpty() && clock >= mark.begun().get() + task.handsOnMinutes()) {
                    marks.put(task.id(), new Day.Mark(mark.begun(), Optional.of(clock), Optional.empty()));
                } else if (mark.handsOff().isPresent() && mark.done().isEmpty()
                        && clock >= mark.handsOff().get() + task.handsFreeMinutes()) {
                    marks.put(task.id(), new Day.Mark(mark.begun(), mark.handsOff(), Optional.of(clock)));
                }
            }
        }
        assertThat(marks).hasSize(planned.size()).allSatisfy((id, mark) -> assertThat(mark.done()).isPresent());
    }

    @Test
    void the_firms_own_pace_takes_the_place_of_ordinary_practice_bit_by_bit() {
        assertThat(Pace.from(List.of()).of(Task.Kind.MOUNT)).isEqualTo(1);
        Pace slow = Pace.from(List.of(new Pace.Seen(Task.Kind.MOUNT, 3, 6)));
        assertThat(slow.of(Task.Kind.MOUNT)).isEqualTo((3 * 1 + 3 * 2) / 6.0);
        assertThat(slow.of(Task.Kind.AIM)).isEqualTo(1);
        Job.Work work = new Job.Work(4, "Gate", Catalogue.shipped().get("dunmark-post"), PairingMethod.Way.HOTSPOT, 6, 2.4, false, false);
        int ordinary = new Job(0, 0, 0, List.of(work)).tasks().stream().filter(task -> task.id().equals("camera 1 mount")).findFirst()
                .orElseThrow().handsOnMinutes();
        int own = new Job(0, 0, 0, List.of(work), slow, Practice.USUAL).tasks().stream().filter(task -> task.id().equals("camera 1 mount"))
                .findFirst()
                .orElseThrow().handsOnMinutes();
        assertThat(own).isEqualTo((int) Math.round(ordinary * 1.5));
        assertThatThrownBy(() -> new Pace.Seen(Task.Kind.AIM, 1, 4.1)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new Pace.Seen(Task.Kind.AIM, 2, 0.4)).isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void every_task_says_what_kind_it_is_and_whose() {
        Job.Work work = new Job.Work(42, "Gate", Catalogue.shipped().get("dunmark-post"), PairingMethod.Way.HOTSPOT, 6, 2.4, false, false);
        List<Task> tasks = new Job(5, 2, 1, List.of(work)).tasks();
        assertThat(tasks).extracting(task -> task.about().kind()).containsExactly(Task.Kind.ROUTER, Task.Kind.REJOIN, Task.Kind.UNPACK,
                Task.Kind.PAIR, Task.Kind.SECURE, Task.Kind.TRY, Task.Kind.MOUNT, Task.Kind.AIM, Task.Kind.PROVE, Task.Kind.SHARE,
                Task.Kind.HAND_OVER);
        assertThat(tasks).filteredOn(task -> task.row().equals("Gate")).extracting(task -> task.about().camera())
                .containsOnly(Optional.of(42L));
        assertThat(tasks).filteredOn(task -> task.row().equals("House")).extracting(task -> task.about().camera())
                .containsOnly(Optional.empty());
    }
}
