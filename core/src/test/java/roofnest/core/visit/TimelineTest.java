package roofnest.core.visit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;

import org.junit.jupiter.api.Test;

import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;

import roofnest.core.catalogue.Catalogue;
import roofnest.core.catalogue.DeviceModel;
import roofnest.core.catalogue.PairingMethod;

class TimelineTest {
    private static final DeviceModel POST = Catalogue.shipped().get("dunmark-post");

    @Test
    void waiting_is_filled_with_other_work() {
        List<Task> tasks = List.of(task("boot one", 2, 10), task("boot two", 2, 10), task("pair one", 5, 0, "boot one"),
                task("pair two", 5, 0, "boot two"));
        Timeline shortest = Timeline.shortest(tasks, 1);
        assertThat(Timeline.straight(tasks).finishMinutes()).isEqualTo(34);
        assertThat(shortest.finishMinutes()).isEqualTo(22);
        assertThat(shortest.proved()).isTrue();
        assertThat(shortest.idleMinutes(1)).isEqualTo(8);
        sound(shortest, 1);
    }

    @Test
    void the_one_phone_keeps_two_installers_from_pairing_at_once() {
        List<Task> tasks = List.of(new Task("a", "a", "pair", 10, 0, Set.of(), Set.of(Task.Need.PHONE)),
                new Task("b", "b", "pair", 10, 0, Set.of(), Set.of(Task.Need.PHONE)),
                new Task("c", "c", "drill", 10, 0, Set.of(), Set.of(Task.Need.LADDER)),
                new Task("d", "d", "drill", 10, 0, Set.of(), Set.of(Task.Need.LADDER)));
        Timeline two = Timeline.shortest(tasks, 2);
        assertThat(two.finishMinutes()).isEqualTo(20);
        sound(two, 2);
        assertThat(Timeline.shortest(tasks.subList(0, 2), 2).finishMinutes()).isEqualTo(20);
    }

    @Test
    void no_tasks_take_no_time_and_circles_are_refused() {
        assertThat(Timeline.shortest(List.of(), 1).finishMinutes()).isZero();
        assertThatThrownBy(() -> Timeline.shortest(List.of(task("a", 1, 0, "b"), task("b", 1, 0, "a")), 1))
                .hasMessageContaining("wait for one another");
        assertThatThrownBy(() -> Timeline.straight(List.of(task("a", 1, 0, "gone")))).hasMessageContaining("not there");
        assertThatThrownBy(() -> Timeline.straight(List.of(task("a", 1, 0), task("a", 1, 0))))
                .hasMessageContaining("two tasks are called a");
    }

    /** Every order of handing the tasks out, each begun as early as it can: one of them is the best there is. */
    @Property(tries = 60)
    void small_visits_finish_as_early_as_by_trying_every_order(@ForAll @IntRange(max = 100_000) int seed,
            @ForAll @IntRange(min = 1, max = 2) int installers) {
        Random random = new Random(seed);
        List<Task> tasks = new ArrayList<>();
        for (int i = 0; i < 5; i++) {
            Set<String> after = new HashSet<>();
            for (int j = 0; j < i; j++) {
                if (random.nextInt(4) == 0) {
                    after.add("t" + j);
                }
            }
            Set<Task.Need> needs = new HashSet<>();
            for (Task.Need need : Task.Need.values()) {
                if (random.nextInt(3) == 0) {
                    needs.add(need);
                }
            }
            tasks.add(new Task("t" + i, "row", "work", 1 + random.nextInt(6), random.nextInt(8), after, needs));
        }
        Timeline shortest = Timeline.shortest(tasks, installers);
        sound(shortest, installers);
        assertThat(shortest.finishMinutes()).isEqualTo(best(tasks, new ArrayList<>(), installers));
        assertThat(shortest.proved()).isTrue();
    }

    private static int best(List<Task> left, List<Timeline.Placed> placed, int installers) {
        if (left.isEmpty()) {
            return placed.stream().mapToInt(Timeline.Placed::endMinute).max().orElse(0);
        }
        Set<String> done = new HashSet<>();
        placed.forEach(p -> done.add(p.task().id()));
        int best = Integer.MAX_VALUE;
        for (Task task : left) {
            if (done.containsAll(task.after())) {
                int start = placed.stream().filter(p -> task.after().contains(p.task().id())).mapToInt(Timeline.Placed::endMinute).max()
                        .orElse(0);
                Timeline.Placed at = new Timeline.Placed(task, start, 0);
                while (!fits(at, placed, installers)) {
                    at = new Timeline.Placed(task, at.startMinute() + 1, 0);
                }
                List<Timeline.Placed> next = new ArrayList<>(placed);
                next.add(at);
                List<Task> rest = new ArrayList<>(left);
                rest.remove(task);
                best = Math.min(best, best(rest, next, installers));
            }
        }
        return best;
    }

    private static boolean fits(Timeline.Placed at, List<Timeline.Placed> placed, int installers) {
        for (int minute = at.startMinute(); minute < at.handsOffMinute(); minute++) {
            int now = minute;
            List<Timeline.Placed> busy = placed.stream().filter(p -> p.startMinute() <= now && now < p.handsOffMinute()).toList();
            if (busy.size() >= installers || busy.stream().anyMatch(p -> p.task().needs().stream().anyMatch(at.task().needs()::contains))) {
                return false;
            }
        }
        return true;
    }

    private static void sound(Timeline timeline, int installers) {
        Map<String, Timeline.Placed> by = new HashMap<>();
        timeline.placed().forEach(placed -> by.put(placed.task().id(), placed));
        for (Timeline.Placed placed : timeline.placed()) {
            assertThat(placed.endMinute()).isLessThanOrEqualTo(timeline.finishMinutes());
            assertThat(placed.installer()).isBetween(0, installers - 1);
            placed.task().after().forEach(before -> assertThat(by.get(before).endMinute()).isLessThanOrEqualTo(placed.startMinute()));
            for (Timeline.Placed other : timeline.placed()) {
                boolean together
                        = other != placed && other.startMinute() < placed.handsOffMinute() && placed.startMinute() < other.handsOffMinute();
                if (together) {
                    assertThat(other.installer()).isNotEqualTo(placed.installer());
                    assertThat(other.task().needs()).noneMatch(placed.task().needs()::contains);
                }
            }
        }
    }

    @Test
    void a_job_brings_its_tasks_in_their_order() {
        Job job = new Job(8, 2, 3, List.of(new Job.Work(7, "Stairs eye", POST, PairingMethod.Way.HOTSPOT, 9, 3.0, false, false),
                new Job.Work(7, "Old eye", POST, PairingMethod.Way.HOTSPOT, 9, 2.6, true, true)));
        List<Task> tasks = job.tasks();
        assertThat(tasks).extracting(Task::id).containsExactly("router", "rejoin", "camera 1 unpack", "camera 1 pair", "camera 1 secure",
                "camera 1 try", "camera 1 mount", "camera 1 aim",
                "camera 1 prove", "camera 2 prove", "share", "hand over");
        assertThat(tasks.get(3).after()).containsExactlyInAnyOrder("router", "camera 1 unpack");
        assertThat(tasks.get(6).needs()).containsExactly(Task.Need.LADDER);
        assertThat(tasks.get(10).handsOnMinutes()).isEqualTo(12);
        Timeline shortest = Timeline.shortest(tasks, 1);
        sound(shortest, 1);
        assertThat(shortest.finishMinutes()).isLessThan(Timeline.straight(tasks).finishMinutes());
    }

    @Test
    void a_low_mount_needs_no_ladder() {
        Job job = new Job(0, 0, 0, List.of(new Job.Work(7, "Sill", POST, PairingMethod.Way.HOTSPOT, 9, 1.4, true, false)));
        assertThat(job.tasks()).noneMatch(task -> task.needs().contains(Task.Need.LADDER));
        assertThat(job.tasks()).extracting(Task::id).containsExactly("camera 1 try", "camera 1 mount", "camera 1 aim", "camera 1 prove",
                "hand over");
    }

    @Test
    void the_log_takes_the_place_of_the_catalogue_as_it_grows() {
        assertThat(Learned.from(8, 0, 0).minutes()).isEqualTo(8);
        assertThat(Learned.from(8, 3, 12).minutes()).isCloseTo(6, within(1e-9));
        Learned many = Learned.from(8, 97, 97 * 4);
        assertThat(many.minutes()).isCloseTo((3 * 8 + 97 * 4) / 100.0, within(1e-9));
        assertThat(many.runs()).isEqualTo(97);
        assertThatThrownBy(() -> Learned.from(8, 1, 121)).as("a run that was left lying").isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> Learned.from(8, 0, 1)).isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void packs_share_the_chargers_so_that_all_are_full_soonest() {
        Charging.Pack flat = new Charging.Pack("Lane eye", 6000, 0);
        assertThat(Charging.minutes(flat, 1000)).isEqualTo((int) Math.ceil(60 * 6 / 0.85 * 1.15));
        assertThat(Charging.minutes(new Charging.Pack("full", 6000, 1), 1000)).isZero();
        List<Charging.Pack> packs = new ArrayList<>();
        for (double hours : new double[] {5, 4, 3, 3, 3}) {
            packs.add(new Charging.Pack("pack " + packs.size(), hours * 1000 * 0.85 / 1.15, 0));
        }
        Charging two = Charging.plan(packs, 2, 1000);
        // Longest first would end at 10 h (5 + 3, 4 + 3 + 3); the best is 9 h (5 + 4, 3 + 3 + 3).
        assertThat(two.minutesNeeded()).isBetween(540, 545);
        assertThat(two.timeline().placed()).extracting(Timeline.Placed::installer).contains(0, 1);
        assertThat(Charging.plan(List.of(new Charging.Pack("full", 6000, 1)), 1, 1000).minutesNeeded()).isZero();
    }

    private static Task task(String id, int handsOn, int handsFree, String... after) {
        return new Task(id, "row", "work", handsOn, handsFree, new HashSet<>(Arrays.asList(after)), Set.of());
    }
}
